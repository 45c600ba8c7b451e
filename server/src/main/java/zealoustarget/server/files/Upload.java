package zealoustarget.server.files;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** A file to be staged, which can be read more than once. */
public interface Upload {
  /** The name the sender gave it, without folders. */
  String name();

  InputStream open() throws IOException;

  /** Where the bytes lie on this machine's disk; null where they do not. */
  default @Nullable Path onDisk() {
    return null;
  }

  /** A file on this machine. */
  static Upload of(Path path) {
    return new Upload() {
      @Override
      public String name() {
        return String.valueOf(path.getFileName());
      }

      @Override
      public InputStream open() throws IOException {
        return Files.newInputStream(path);
      }

      @Override
      public Path onDisk() {
        return path;
      }
    };
  }

  /** Content that is in memory. */
  static Upload of(String name, byte[] content) {
    return new Upload() {
      @Override
      public String name() {
        return name;
      }

      @Override
      public InputStream open() {
        return new ByteArrayInputStream(content);
      }
    };
  }
}
