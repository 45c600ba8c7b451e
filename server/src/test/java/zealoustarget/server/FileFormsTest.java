package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** The forms in which one file may come, and what is none. */
class FileFormsTest {
  private static final String ROSTER = "rep,name,region,from\nK1,Ines,North,2025-01\n";

  private static RunningServer server;
  private static Api api;

  @BeforeAll
  static void start(@TempDir Path data) {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  static Stream<Arguments> unreadable() {
    return Stream.of(
        Arguments.of("no bytes", new byte[0], 422, "file-empty"),
        Arguments.of("only line breaks", "\n\r\n  \n".getBytes(), 422, "file-empty"),
        Arguments.of("only a BOM", bytes(0xef, 0xbb, 0xbf), 422, "file-empty"),
        Arguments.of("NUL bytes", bytes('a', 0, 'b'), 422, "file-not-text"),
        Arguments.of(
            "half a zip", bytes('P', 'K', 3, 4, 0xff, 0xfe, 0), 422, "workbook-unreadable"),
        Arguments.of("no encoding", bytes('r', 'e', 'p', ',', 0x81, '\n'), 422, "file-encoding"),
        Arguments.of("only a header", "month,rep,revenue\n".getBytes(), 422, "file-only-header"),
        Arguments.of("no CSV", "Dear all, see below.\n".getBytes(), 422, "month-column-missing"),
        Arguments.of("no month", "rep,revenue\nK1,5\n".getBytes(), 422, "month-column-missing"),
        Arguments.of("no measure", "month,rep\n2026-10,K1\n".getBytes(), 422, "column-missing"),
        Arguments.of(
            "open quote in the header", "\"month,rep\nK1,5\n".getBytes(), 422, "file-unreadable"),
        Arguments.of("month twice", "rep,2026-10,Oct-26\nK1,5,6\n".getBytes(), 422, "month-twice"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("unreadable")
  void fileThatIsNone_isRefusedWithWords_andNothingIsKept(
      String what, byte[] content, int status, String code) {
    JsonNode before = api.get("/api/v1/loads").json();
    Api.Answer answer = api.load("f.csv", content, "kind", "actuals", "measure", "revenue");
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(status);
    assertThat(answer.code()).isEqualTo(code);
    assertThat(answer.text("detail")).hasSizeGreaterThan(15);
    assertThat(api.get("/api/v1/loads").json()).isEqualTo(before);
    assertThat(api.get("/api/v1/health").status()).isEqualTo(200);
  }

  static Stream<Arguments> dialects() {
    String bom = "\ufeff";
    return Stream.of(
        Arguments.of("comma, LF", "month,rep,revenue\n2026-10,K1,1000.50\n"),
        Arguments.of("comma, CRLF, BOM", bom + "month,rep,revenue\r\n2026-10,K1,1000.50\r\n"),
        Arguments.of("semicolon, decimal comma", "month;rep;revenue\n2026-10;K1;1.000,50\n"),
        Arguments.of("tab", "month\trep\trevenue\n2026-10\tK1\t1000.50\n"),
        Arguments.of("quoted", "\"month\",\"rep\",\"revenue\"\n\"2026-10\",\"K1\",\"1,000.50\"\n"),
        Arguments.of(
            "quoted line break", "month,remark,rep,revenue\n2026-10,\"two\nlines\",K1,1000.50\n"),
        Arguments.of("no line break at the end", "month,rep,revenue\n2026-10,K1,1000.50"),
        Arguments.of("empty lines between", "\n\nmonth,rep,revenue\n\n,,\n2026-10,K1,1000.50\n\n"),
        Arguments.of("wide", "rep,Sep 2026,Oct-26\nK1,,1000.50\n"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("dialects")
  void everyDialect_readsTheSame(String what, String content) {
    Api.Answer staged = api.load("f.csv", content, "kind", "actuals", "measure", "revenue");
    assertThat(staged.json().at("/ready").asInt()).as("%s", staged.json()).isEqualTo(1);
    assertThat(staged.json().at("/lines").asInt()).isEqualTo(1);
    assertThat(staged.json().at("/sums/revenue/file").asString()).isEqualTo("1000.50");
  }

  private static byte[] bytes(int... values) {
    byte[] bytes = new byte[values.length];
    for (int i = 0; i < values.length; i++) {
      bytes[i] = (byte) values[i];
    }
    return bytes;
  }
}
