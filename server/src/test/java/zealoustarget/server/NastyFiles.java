package zealoustarget.server;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.stream.Stream;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.provider.Arguments;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Files as programs really write them, and what each must come to. */
abstract class NastyFiles {
  static final Charset WINDOWS = Charset.forName("windows-1252");
  static final String HEAD = "month,rep,revenue\n";

  @TempDir static Path data;
  static RunningServer server;
  static Api api;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data, "zealous.files.lines=500", "zealous.files.workbook=2MB");
    api = server.api();
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Zoë Brack,North,Tull,2025-01\nK2,Jo Lund,South,Oster,2025-01\n",
        "kind",
        "roster");
    api.loadAndPost("products.csv", "product,name,line\nP1,Rope,rope\n", "kind", "products");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  /** What, content, ready, held, left out, the revenue that is ready, a code that is found. */
  static Stream<Arguments> read() {
    return Stream.of(
        file("pipe", text("month|rep|revenue\n2026-10|K1|5.00\n"), 1, 0, 0, "5.00", ""),
        file("tab", text("month\trep\trevenue\n2026-10\tK1\t5.00\n"), 1, 0, 0, "5.00", ""),
        file("sep line", text("sep=;\nmonth;rep;revenue\n2026-10;K1;5,00\n"), 1, 0, 0, "5.00", ""),
        file(
            "UTF-8 with BOM", text("\ufeff" + HEAD + "2026-10,Zoë Brack,5\n"), 1, 0, 0, "5.00", ""),
        file(
            "Windows-1252",
            (HEAD + "2026-10,Zoë Brack,5\n").getBytes(WINDOWS),
            1,
            0,
            0,
            "5.00",
            "encoding-guessed"),
        file(
            "UTF-16 with mark",
            (HEAD + "2026-10,Zoë Brack,5\n").getBytes(StandardCharsets.UTF_16),
            1,
            0,
            0,
            "5.00",
            "encoding-guessed"),
        file(
            "UTF-16LE without mark",
            (HEAD + "2026-10,Zoë Brack,5\n").getBytes(StandardCharsets.UTF_16LE),
            1,
            0,
            0,
            "5.00",
            "encoding-guessed"),
        file(
            "old line ends",
            text(HEAD.replace('\n', '\r') + "2026-10,K1,5\r"),
            1,
            0,
            0,
            "5.00",
            ""),
        file(
            "a quote inside a cell",
            text(HEAD + "2026-10,K1,5\n2026-10,12\" K1,6\n"),
            1,
            1,
            0,
            "5.00",
            "member-unknown"),
        file(
            "text behind a closing quote", text(HEAD + "2026-10,\"K1\" ,5\n"), 1, 0, 0, "5.00", ""),
        file(
            "a quote never closed",
            text(HEAD + "2026-10,K1,5\n2026-10,\"K1,6\n"),
            1,
            1,
            0,
            "5.00",
            "cut-off"),
        file(
            "a line break in quotes",
            text("month,note,rep,revenue\n2026-10,\"a\nb\",K1,5\n"),
            1,
            0,
            0,
            "5.00",
            "column-ignored"),
        file(
            "too few cells",
            text(HEAD + "2026-10,K1\n2026-10,K1,5\n"),
            1,
            1,
            0,
            "5.00",
            "cell-count"),
        file(
            "titles above",
            text("Sales report;;\nprinted 2.11.2026;;\nmonth;rep;revenue\n2026-10;K1;5,00\n"),
            1,
            0,
            0,
            "5.00",
            "lines-above"),
        file(
            "header again, total below",
            text(HEAD + "2026-10,K1,5\n" + HEAD + "2026-10,K2,6\nTotal,,11\n"),
            2,
            0,
            2,
            "11.00",
            "total-line"),
        file(
            "a trailer that differs",
            text(HEAD + "2026-10,K1,5\nGrand total,,6\n"),
            1,
            0,
            1,
            "5.00",
            "total-line"),
        file("1,234.56", text(HEAD + "2026-10,K1,\"1,234.56\"\n"), 1, 0, 0, "1234.56", ""),
        file("1.234,56", text("month;rep;revenue\n2026-10;K1;1.234,56\n"), 1, 0, 0, "1234.56", ""),
        file("1 234,56", text("month;rep;revenue\n2026-10;K1;1 234,56\n"), 1, 0, 0, "1234.56", ""),
        file("(1,234)", text(HEAD + "2026-10,K1,\"(1,234)\"\n"), 1, 0, 0, "-1234.00", ""),
        file("1,234-", text(HEAD + "2026-10,K1,\"1,234-\"\n"), 1, 0, 0, "-1234.00", ""),
        file("a currency sign", text(HEAD + "2026-10,K1,€ 5.00\n"), 1, 0, 0, "5.00", ""),
        file(
            "another currency",
            text(HEAD + "2026-10,K1,$5.00\n"),
            1,
            0,
            0,
            "5.00",
            "other-currency"),
        file("a percent", text(HEAD + "2026-10,K1,5 %\n"), 0, 1, 0, "0.00", "amount-percent"),
        file("thousands by k", text(HEAD + "2026-10,K1,12.5k\n"), 1, 0, 0, "12500.00", ""),
        file(
            "a lone point, undecided",
            text("month;rep;revenue\n2026-10;K1;1.250\n"),
            0,
            1,
            0,
            "0.00",
            "amount-ambiguous"),
        file(
            "a lone point, decided",
            text("month;rep;revenue\n2026-10;K1;1.250\n2026-10;K2;1,50\n"),
            2,
            0,
            0,
            "1251.50",
            ""),
        file(
            "an O for a 0",
            text(HEAD + "2026-10,K1,1O.00\n"),
            0,
            1,
            0,
            "0.00",
            "amount-unreadable"),
        file(
            "nothing but decimals too many",
            text(HEAD + "2026-10,K1,1.005\n2026-10,K2,1.50\n"),
            1,
            1,
            0,
            "1.50",
            "amount-decimals"),
        file(
            "an amount like a phone number",
            text(HEAD + "2026-10,K1,99999999999999999999\n"),
            0,
            1,
            0,
            "0.00",
            "amount-too-large"),
        file(
            "day first by the column",
            text("date,rep,revenue\n01/02/2026,K1,5\n23/02/2026,K1,6\n"),
            2,
            0,
            0,
            "11.00",
            ""),
        file(
            "day first with a total line",
            text("date,rep,revenue\n01/02/2026,K1,5\n23/02/2026,K1,6\nTotal,,11\n"),
            2,
            0,
            1,
            "11.00",
            ""),
        file(
            "a date either way",
            text("date,rep,revenue\n01/02/2026,K1,5\n"),
            0,
            1,
            0,
            "0.00",
            "date-ambiguous"),
        file(
            "a day that does not exist",
            text("date,rep,revenue\n2026-02-30,K1,5\n"),
            0,
            1,
            0,
            "0.00",
            "day-does-not-exist"),
        file(
            "a name first date",
            text("date;rep;revenue\nOctober 3, 2026;K1;5\n"),
            1,
            0,
            0,
            "5.00",
            ""),
        file("months as columns", text("rep,2026-07,Aug-26\nK1,5,6\n"), 1, 0, 0, "11.00", ""),
        file("periods as columns", text("rep,P01,P02\nK1,5,6\n"), 1, 0, 0, "11.00", "periods-read"),
        file(
            "measures in month columns",
            text("rep,revenue 2026-07,revenue Aug-26\nK1,5,6\n"),
            1,
            0,
            0,
            "11.00",
            ""),
        file(
            "other names of columns",
            text("Booking dt;Acct mgr;Item;Net EUR\n31.10.2026;K1;Rope;1.234,50\n"),
            1,
            0,
            0,
            "1234.50",
            "column-guessed"),
        file(
            "a formula as text",
            text(HEAD + "2026-10,K1,=1+1\n"),
            0,
            1,
            0,
            "0.00",
            "amount-unreadable"),
        file(
            "twice the same line",
            text(HEAD + "2026-10,K1,5\n2026-10,K1,5\n"),
            2,
            0,
            0,
            "10.00",
            "duplicate-line"),
        file(
            "a workbook",
            Workbooks.of(b -> sheet(b.newWorksheet("Data"), 0)),
            1,
            0,
            0,
            "1234.50",
            ""),
        file(
            "a minimal workbook",
            Workbooks.minimal("month,rep,revenue", "2026-10,K1,1234.5"),
            1,
            0,
            0,
            "1234.50",
            ""),
        file(
            "a workbook with titles and a total",
            Workbooks.of(b -> sheet(b.newWorksheet("Data"), 3)),
            1,
            0,
            1,
            "1234.50",
            "lines-above"),
        file(
            "a workbook with macros",
            Workbooks.with(
                Workbooks.of(b -> sheet(b.newWorksheet("Data"), 0)),
                "xl/vbaProject.bin",
                text("x")),
            1,
            0,
            0,
            "1234.50",
            "macros-ignored"));
  }

  /** Titles, header, a line of 1234.50 on 3 October, and a total where there are titles. */
  static void sheet(Worksheet sheet, int titles) {
    for (int row = 0; row < titles; row++) {
      sheet.value(row, 0, "Report, line " + row);
    }
    if (titles > 0) {
      sheet.range(0, 0, 0, 2).merge();
    }
    String[] header = {"date", "rep", "revenue"};
    for (int at = 0; at < header.length; at++) {
      sheet.value(titles, at, header[at]);
    }
    sheet.value(titles + 1, 0, LocalDate.of(2026, 10, 3));
    sheet.style(titles + 1, 0).format("yyyy-mm-dd").set();
    sheet.value(titles + 1, 1, "Zoë Brack");
    sheet.value(titles + 1, 2, 1234.5);
    if (titles > 0) {
      sheet.value(titles + 2, 0, "Total");
      sheet.value(titles + 2, 2, 1234.5);
    }
  }

  static byte[] archive() {
    java.io.ByteArrayOutputStream out = new java.io.ByteArrayOutputStream();
    try (java.util.zip.ZipOutputStream zip = new java.util.zip.ZipOutputStream(out)) {
      zip.putNextEntry(new java.util.zip.ZipEntry("october.csv"));
      zip.write(text(HEAD));
    } catch (java.io.IOException failure) {
      throw new java.io.UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  static Arguments file(
      String what, byte[] content, int ready, int held, int leftOut, String revenue, String code) {
    return Arguments.of(what, content, ready, held, leftOut, revenue, code);
  }

  static byte[] text(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
