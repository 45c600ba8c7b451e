package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zealoustarget.server.testing.Api;

/** Files that cannot be read, and what is said of each. */
class NastyRefusalsTest extends NastyFiles {
  static Stream<Arguments> refused() {
    byte[] workbook = Workbooks.of(b -> sheet(b.newWorksheet("Data"), 0));
    return Stream.of(
        Arguments.of("0 bytes", new byte[0], "file-empty"),
        Arguments.of("only line breaks", text("\n\r\n\n"), "file-empty"),
        Arguments.of("a renamed PDF", text("%PDF-1.7\n1 0 obj\n"), "file-not-text"),
        Arguments.of("a picture", new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10}, "file-not-text"),
        Arguments.of("a packed file", new byte[] {0x1f, (byte) 0x8b, 8, 0}, "file-not-text"),
        Arguments.of(
            "a protected workbook",
            new byte[] {(byte) 0xd0, (byte) 0xcf, 0x11, (byte) 0xe0, 0, 0},
            "workbook-protected"),
        Arguments.of("an archive that is no workbook", archive(), "file-not-text"),
        Arguments.of(
            "half a workbook",
            java.util.Arrays.copyOf(workbook, workbook.length / 2),
            "workbook-unreadable"),
        Arguments.of(
            "a workbook that unpacks to too much",
            Workbooks.with(workbook, "xl/media/zeros.bin", new byte[3 << 20]),
            "workbook-too-large"),
        Arguments.of(
            "a cell beyond the last column",
            Workbooks.replaced(
                Workbooks.minimal("month,rep,revenue", "2026-10,K1,5"),
                "xl/worksheets/sheet1.xml",
                "<row r=\"2\"><c",
                "<row r=\"2\"><c\n r = 'FXSHRXW2'"),
            "workbook-unreadable"),
        Arguments.of(
            "a row beyond the last row",
            Workbooks.replaced(
                Workbooks.minimal("month,rep,revenue", "2026-10,K1,5"),
                "xl/worksheets/sheet1.xml",
                "<row r=\"2\">",
                "<row r=\"2147483647\">"),
            "workbook-unreadable"),
        Arguments.of(
            "a workbook with a huge cell",
            Workbooks.minimal("month,rep,revenue", "2026-10," + "x".repeat(300_000) + ",5"),
            "file-beyond-limits"),
        Arguments.of(
            "a huge cell",
            text(HEAD + "2026-10,K1," + "9".repeat(40_000) + "\n"),
            "file-beyond-limits"),
        Arguments.of("too many columns", text("a,".repeat(600) + "b\n1\n"), "file-beyond-limits"),
        Arguments.of(
            "too many lines", text(HEAD + "2026-10,K1,5\n".repeat(501)), "file-beyond-limits"),
        Arguments.of(
            "bytes of no encoding", new byte[] {'a', ',', (byte) 0x81, '\n'}, "file-encoding"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("refused")
  void file_isRefusedWithWords_andNothingIsKept(String what, byte[] content, String code) {
    int before = api.get("/api/v1/loads").json().size();
    Api.Answer answer = api.load("f.xlsx", content, "kind", "actuals");
    assertThat(answer.code()).as("%s", answer.json()).isEqualTo(code);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text("detail")).hasSizeGreaterThan(15);
    assertThat(api.get("/api/v1/loads").json().size()).isEqualTo(before);
  }
}
