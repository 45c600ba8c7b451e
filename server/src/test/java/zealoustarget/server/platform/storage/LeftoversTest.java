package zealoustarget.server.platform.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LeftoversTest {
  @Test
  void onlyWhatFits_goes(@TempDir Path folder) throws IOException {
    Path left = Files.createFile(folder.resolve("statements17.pdf"));
    Path data = Files.createFile(folder.resolve("zealous.mv.db"));
    Path inside = Files.createDirectory(folder.resolve("backups")).resolve("statements1.pdf");
    Files.createFile(inside);
    Leftovers.delete(folder, "statements*.pdf");
    assertThat(left).doesNotExist();
    assertThat(data).exists();
    assertThat(inside).exists();
    assertThatCode(() -> Leftovers.delete(folder.resolve("none"), "*")).doesNotThrowAnyException();
  }
}
