package zealoustarget.server.access.signin;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Lets the console of this machine in: whoever can read the data folder has the data anyway. The
 * key is made anew at each start.
 */
@Component
public class ConsoleKey {
  private final byte[] key;

  ConsoleKey(@Value("${zealous.data-dir}") String dataFolder) throws IOException {
    byte[] random = new byte[32];
    new SecureRandom().nextBytes(random);
    String text = HexFormat.of().formatHex(random);
    key = text.getBytes(StandardCharsets.UTF_8);
    Path file = Path.of(dataFolder).resolve("console.key");
    Files.createDirectories(file.getParent());
    Files.deleteIfExists(file);
    if (FileSystems.getDefault().supportedFileAttributeViews().contains("posix")) {
      Files.createFile(
          file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
    }
    Files.writeString(file, text);
  }

  boolean isIt(String given) {
    return MessageDigest.isEqual(key, given.getBytes(StandardCharsets.UTF_8));
  }
}
