package zealoustarget.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import zealoustarget.server.platform.storage.TemporaryFiles;

/** An upload's bytes on the disk, so that an archive's parts are read one by one from there. */
record OnDisk(Path path, boolean isOwn) implements AutoCloseable {
  static OnDisk of(Upload upload, TemporaryFiles temporary) throws IOException {
    Path there = upload.onDisk();
    if (there != null) {
      return new OnDisk(there, false);
    }
    OnDisk copy = new OnDisk(temporary.create("workbook", ".xlsx"), true);
    try (InputStream content = upload.open()) {
      Files.copy(content, copy.path, StandardCopyOption.REPLACE_EXISTING);
      return copy;
    } catch (IOException | RuntimeException failure) {
      copy.close();
      throw failure;
    }
  }

  @Override
  public void close() throws IOException {
    if (isOwn) {
      Files.deleteIfExists(path);
    }
  }
}
