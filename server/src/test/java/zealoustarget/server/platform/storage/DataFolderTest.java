package zealoustarget.server.platform.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.diagnostics.FailureAnalysis;
import zealoustarget.server.testing.RunningServer;

class DataFolderTest {
  @Test
  void folderThatCannotBeWritten_isRefusedInWords_beforeAnythingElse(@TempDir Path folder)
      throws IOException {
    Path inTheWay = Files.writeString(folder.resolve("data"), "a file");
    Path data = inTheWay.resolve("inside");
    FailureAnalysis words =
        new DataFolderUnusable().analyze(catchThrowable(() -> RunningServer.start(data)));
    assertThat(words.getDescription())
        .isEqualTo("The data folder " + data + " cannot be written. Nothing was changed.");
    assertThat(words.getAction()).contains("--data");
    assertThat(inTheWay).hasContent("a file");
  }

  @Test
  void folderThatIsNotThereYet_isMade(@TempDir Path folder) {
    Path data = folder.resolve("a/b");
    DataFolder.checkWritable(data);
    assertThat(data).isDirectory();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "no database at all", "H:2,block:4,blockSize:1000,but cut"})
  void databaseThatIsNone_isSaidInASentence_andStaysAsItIs(String content, @TempDir Path folder)
      throws IOException {
    Path database = Files.writeString(folder.resolve(DataFolder.DATABASE), content);
    Throwable failure = catchThrowable(() -> RunningServer.start(folder));
    FailureAnalysis words = new DataFolderUnusable().analyze(failure);
    if (words == null) {
      words = new DamagedDatabase().analyze(failure);
    }
    assertThat(words.getDescription()).contains("damaged");
    assertThat(words.getDescription() + words.getAction()).contains("./run restore");
    assertThat(database).hasContent(content);
  }
}
