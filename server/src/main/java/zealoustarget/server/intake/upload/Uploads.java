package zealoustarget.server.intake.upload;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;
import zealoustarget.server.files.Upload;

/** Files that come with a request. */
public final class Uploads {
  private static final int LONGEST_NAME = 255;

  private Uploads() {}

  /** A file that is read while the request lasts. */
  public static Upload of(MultipartFile file) {
    String name = name(file.getOriginalFilename());
    return new Upload() {
      @Override
      public String name() {
        return name;
      }

      @Override
      public InputStream open() throws IOException {
        return file.getInputStream();
      }
    };
  }

  /** A copy that outlives the request, called by the sender's name. */
  static Upload copy(InputStream content, @Nullable String sentName, Path copy) {
    try (content) {
      Files.copy(content, copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return named(sentName, copy);
  }

  /** A file on this machine under another name. */
  public static Upload named(@Nullable String sentName, Path file) {
    String name = name(sentName);
    return new Upload() {
      @Override
      public String name() {
        return name;
      }

      @Override
      public InputStream open() throws IOException {
        return Files.newInputStream(file);
      }

      @Override
      public Path onDisk() {
        return file;
      }
    };
  }

  /** Deletes a copy that is not needed any more. */
  public static void delete(Path copy) {
    try {
      Files.deleteIfExists(copy);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /** The name without folders, at most 255 characters. */
  private static String name(@Nullable String sent) {
    String whole = sent == null || sent.isBlank() ? "file.csv" : sent;
    String name = whole.substring(Math.max(whole.lastIndexOf('/'), whole.lastIndexOf('\\')) + 1);
    return name.length() <= LONGEST_NAME ? name : name.substring(0, LONGEST_NAME);
  }
}
