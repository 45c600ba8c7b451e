package zealoustarget.server.intake.pull;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.core.Refusal;

class PagedFileTest {
  @TempDir Path folder;

  @Test
  void pages_becomeOneFile_theirHeadersOnce() throws IOException {
    assertThat(joined(1_000, "rep,revenue\nA,1\nB,2", "rep,revenue\r\nC,3\r\n", "rep,revenue\n"))
        .isEqualTo("rep,revenue\r\nA,1\r\nB,2\r\nC,3\r\n");
  }

  @Test
  void lineBreaksAndQuotesInCells_stay() throws IOException {
    assertThat(
            joined(1_000, "rep,note\nA,\"two\nlines\"", "rep,\"note\n\"\nB,\"a \"\"word\"\"\"\n"))
        .isEqualTo("rep,note\r\nA,\"two\nlines\"\r\nB,\"a \"\"word\"\"\"\r\n");
  }

  @Test
  void byteOrderMark_isNoPartOfTheHeader() throws IOException {
    assertThat(joined(1_000, "\ufeffrep\nÄ\n", "\ufeffrep\nB\n")).isEqualTo("rep\r\nÄ\r\nB\r\n");
  }

  @Test
  void pagesLargerThanTheLimit_areRefused() {
    assertThatThrownBy(() -> joined(20, "rep,revenue\nA,1\n", "rep,revenue\nB,2\n"))
        .isInstanceOfSatisfying(
            Refusal.class, refused -> assertThat(refused.code()).isEqualTo("pull-too-large"));
  }

  private String joined(long limit, String... pages) throws IOException {
    Path file = folder.resolve("joined.csv");
    try (PagedFile joined = new PagedFile(file, limit)) {
      for (String page : pages) {
        joined.add(new ByteArrayInputStream(page.getBytes(StandardCharsets.UTF_8)));
      }
    }
    return Files.readString(file);
  }
}
