package zealoustarget.server.intake.pull;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.Refusal;

class PagedFileTest {
  @TempDir Path folder;

  @Test
  void pages_becomeOneFile_theirHeadersOnce() throws IOException {
    assertThat(joined(1_000, "rep,revenue\nA,1\nB,2", "rep,revenue\r\nC,3\r\n", "rep,revenue\n"))
        .isEqualTo("rep,revenue\nA,1\nB,2\nC,3\r\n");
  }

  @Test
  void lineBreaksAndQuotesInCells_stay() throws IOException {
    assertThat(
            joined(1_000, "rep,note\nA,\"two\nlines\"", "rep,\"note\n\"\nB,\"a \"\"word\"\"\"\n"))
        .isEqualTo("rep,note\nA,\"two\nlines\"\nB,\"a \"\"word\"\"\"\n");
  }

  @Test
  void byteOrderMark_staysOnlyAtTheBeginning() throws IOException {
    assertThat(joined(1_000, "\ufeffrep\nÄ\n", "\ufeff\"rep\nname\"\nB\n"))
        .isEqualTo("\ufeffrep\nÄ\nB\n");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "rep;revenue\nMüller;\"1.234,50\"\n",
        "rep\trevenue\nA\t1\tmore\nB\n",
        "rep,size\nA,5\" pipe\n",
        "rep,revenue\rA,1\r"
      })
  void rows_stayByteForByte_whateverTheirSeparatorAndLength(String page) throws IOException {
    String rows = page.substring(page.indexOf(page.contains("\n") ? '\n' : '\r') + 1);
    String ended = page.endsWith("\n") ? "" : "\n";
    assertThat(joined(1_000, page, page)).isEqualTo(page + ended + rows + ended);
  }

  @Test
  void otherEncodings_stayAsTheyAre() throws IOException {
    byte[] page = "rep;städte\nMüller;1\n".getBytes(Charset.forName("windows-1252"));
    Path file = folder.resolve("windows.csv");
    try (PagedFile joined = new PagedFile(file, 1_000)) {
      joined.add(new ByteArrayInputStream(page));
      joined.add(new ByteArrayInputStream(page));
    }
    assertThat(Files.readString(file, Charset.forName("windows-1252")))
        .isEqualTo("rep;städte\nMüller;1\nMüller;1\n");
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
