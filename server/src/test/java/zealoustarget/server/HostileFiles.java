package zealoustarget.server;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Files made to stop whoever reads them. */
final class HostileFiles {
  /** A file as it is sent. */
  record Hostile(String what, String name, byte[] content) {}

  private static final String HEAD = "month,rep,revenue\n";
  private static final String SHEET = "xl/worksheets/sheet1.xml";
  private static final String WORKBOOK = "xl/workbook.xml";

  private final List<Hostile> all = new ArrayList<>();

  private HostileFiles() {}

  /** Each of them small, but not what becomes of it. */
  static List<Hostile> small() {
    HostileFiles files = new HostileFiles();
    files.references();
    files.numbersInWorkbooks();
    files.partsOfWorkbooks();
    files.archives();
    files.headers();
    files.cells();
    files.bytes();
    files.keysAndNames();
    return files.all;
  }

  /** Those that are themselves large. */
  static List<Hostile> large() {
    HostileFiles files = new HostileFiles();
    files.sheet("a cell of 380 MB", "<v>5</v>", "<v>" + "9".repeat(380_000_000) + "</v>");
    files.csv("a cell of 180 MB", HEAD + "2026-10,K1," + "9".repeat(180_000_000));
    files.csv("a quote never closed, 180 MB", HEAD + "2026-10,\"K1," + "x\n".repeat(90_000_000));
    files.csv("nothing but line breaks, 180 MB", "\n".repeat(180_000_000));
    files.csv("three million unknown reps", unknownReps(3_000_000));
    files.csv("five million lines and more", HEAD + "2026-10,K1,5\n".repeat(5_000_001));
    return files.all;
  }

  private void references() {
    for (String reference :
        List.of("FXSHRXW2", "A99999999999", "A0", "2", "A", "XFE1", "A1048577", "", "A-1", "ａ1")) {
      sheet(
          "a cell at \"" + reference + "\"",
          "<row r=\"2\"><c",
          "<row r=\"2\"><c r=\"" + reference + "\"");
    }
    for (String row : List.of("2147483647", "-1", "0", "x", "99999999999999999999")) {
      sheet("a row at " + row, "<row r=\"2\">", "<row r=\"" + row + "\">");
    }
  }

  private void numbersInWorkbooks() {
    for (String number : List.of("1e-999999999", "1e999999999", "9e400", "NaN", "1e1e1", "0x1p9")) {
      sheet("the number " + number, "<v>5</v>", "<v>" + number + "</v>");
    }
    sheet("a number of 30,000 digits", "<v>5</v>", "<v>" + "9".repeat(30_000) + "</v>");
    sheet("a shared text that is not there", "<c><v>5", "<c t=\"s\"><v>999999999");
    sheet("a shared text before the first", "<c><v>5", "<c t=\"s\"><v>-1");
    sheet("a style that is not there", "<c><v>5", "<c s=\"999999\"><v>5");
    sheet("a type that is none", "<c><v>5", "<c t=\"zz\"><v>5");
    sheet("a day beyond all days", "<c><v>5", "<c t=\"d\"><v>999999999-01-01");
    sheet(
        "a formula of 200,000 characters",
        "<c><v>5",
        "<c><f>" + "1+".repeat(100_000) + "1</f><v>5");
  }

  private void partsOfWorkbooks() {
    sheet(
        "entities that multiply",
        "<worksheet",
        "<!DOCTYPE w [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">"
            + "<!ENTITY c \"&b;&b;&b;&b;&b;&b;&b;&b;\"><!ENTITY d \"&c;&c;&c;&c;&c;&c;&c;&c;\">"
            + "<!ENTITY e \"&d;&d;&d;&d;&d;&d;&d;&d;\">]><worksheet");
    sheet(
        "an entity outside",
        "<worksheet",
        "<!DOCTYPE w [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><worksheet");
    sheet("parts within parts", "<row r=\"2\">", "<g>".repeat(100_000) + "<row r=\"2\">");
    sheet("200,000 empty rows", "</sheetData>", "<row/>".repeat(200_000) + "</sheetData>");
    sheet("a row of 100,000 cells", "<row r=\"2\">", "<row r=\"2\">" + "<c/>".repeat(100_000));
    sheet("characters that are none", "K1", "K\u0001\u0002");
    sheet(
        "100,000 merged cells",
        "</sheetData>",
        "</sheetData><mergeCells>"
            + "<mergeCell ref=\"A1:XFD1048576\"/>".repeat(100_000)
            + "</mergeCells>");
    sheet("a part that ends in the middle", "</sheetData></worksheet>", "");
    workbook("a sheet that is not there", "r:id=\"r1\"", "r:id=\"r9\"");
    workbook("a sheet without a name", "name=\"A\"", "");
    workbook(
        "10,000 sheets",
        "</sheets>",
        "<sheet name=\"A\" r:id=\"r1\"/>".repeat(10_000) + "</sheets>");
    add(
        "a number format of 8,000 brackets",
        "f.xlsx",
        Workbooks.replaced(
            Workbooks.of(
                book -> {
                  var sheet = book.newWorksheet("A");
                  List.of("month", "rep", "revenue")
                      .forEach(
                          title ->
                              sheet.value(
                                  0,
                                  title.equals("month") ? 0 : title.length() == 3 ? 1 : 2,
                                  title));
                  sheet.value(1, 0, "2026-10");
                  sheet.value(1, 1, "K1");
                  sheet.value(1, 2, 5);
                  sheet.style(1, 2).format("0.00#").set();
                }),
            "xl/styles.xml",
            "0.00#",
            "[".repeat(8_000)));
  }

  private void archives() {
    byte[] good = minimal();
    add("half a workbook", "f.xlsx", Arrays.copyOf(good, good.length / 2));
    add("a workbook without its end", "f.xlsx", Arrays.copyOf(good, good.length - 30));
    add("40 MB of zeros in a workbook", "f.xlsx", Workbooks.with(good, "xl/z", new byte[40 << 20]));
    add("the same part twice over", "f.xlsx", Workbooks.with(good, "XL/" + SHEET, new byte[9]));
    add("a part outside", "f.xlsx", Workbooks.with(good, "../../../tmp/x", new byte[9]));
    add("20,000 parts", "f.xlsx", zip(zip -> parts(zip, 20_000)));
    add("an archive in an archive", "f.xlsx", zip(zip -> part(zip, "a.zip", good)));
    add("an archive of nothing", "f.xlsx", zip(zip -> {}));
    byte[] locked = good.clone();
    locked[6] |= 1; // says that the first part is encrypted
    add("a part that says it is encrypted", "f.xlsx", locked);
    byte[] sized = good.clone();
    Arrays.fill(sized, 18, 26, (byte) 0x7f); // sizes of the first part
    add("a part that says it has two gigabytes", "f.xlsx", sized);
    add("a packed CSV", "f.csv.gz", gzip("x\n".repeat(2_000_000)));
  }

  private void headers() {
    String line = "\n2026-10,K1,5\n";
    csv("8,000 blanks and lo", "month,rep," + " ".repeat(8_000) + "lo" + line);
    csv("x, 8,000 blanks and goa", "month,rep,x" + " ".repeat(8_000) + "goa" + line);
    csv("8,000 points and quot", "month,rep," + ".".repeat(8_000) + "quot" + line);
    csv("30,000 times _-", "month,rep," + "_-".repeat(15_000) + line);
    csv("30,000 letters", "month,rep," + "revenue".repeat(4_300) + line);
    csv("500 titles of 400 letters", ("m" + "o".repeat(399) + ",").repeat(499) + "rep\n1\n");
    csv("500 times the same title", "revenue,".repeat(499) + "revenue\n1\n");
    csv("2,000 titles", "m,".repeat(2_000) + "\n1\n");
    csv("only separators", ",".repeat(400) + "\n" + ",".repeat(400) + "\n");
    csv("months as columns, 490 times", "rep" + ",2026-01".repeat(490) + "\nK1\n");
    csv("titles in brackets", "month,rep," + "(".repeat(20_000) + line);
  }

  private void cells() {
    for (String cell :
        List.of(
            "9".repeat(32_000),
            "1e-999999999",
            "1e2147483648",
            "(".repeat(32_000),
            "-".repeat(32_000),
            "1 ".repeat(16_000) + "x",
            "1.".repeat(16_000),
            "1'".repeat(16_000) + "%",
            "$".repeat(32_000),
            "0." + "0".repeat(31_000) + "1",
            "1" + "0".repeat(40) + "k",
            "٣٤٥",
            "Infinity",
            "=cmd|' /C calc'!A0")) {
      csv("the amount " + shortened(cell), HEAD + "2026-10,K1,\"" + cell + "\"\n");
    }
    for (String date :
        List.of(
            "31/12/99",
            "9".repeat(30_000),
            "99/99/9999",
            "9999-12",
            "0000-00",
            "2026-10" + " ".repeat(9_000) + "x")) {
      csv("the date " + shortened(date), "date,rep,revenue\n" + date + ",K1,5\n");
    }
    csv("totals of 60 characters", HEAD + ("total".repeat(12) + ",,\n").repeat(20_000));
    csv("blanks before a total", HEAD + (" ".repeat(59) + "x,,\n").repeat(20_000));
    csv("30,000 unknown reps", unknownReps(30_000));
    csv("100,000 lines that are held back", HEAD + "2026-13,K9,x\n".repeat(100_000));
    csv("cells of 32,000 quotes", HEAD + "2026-10,\"" + "\"\"".repeat(16_000) + "\",5\n");
    csv("a quote never closed", HEAD + "2026-10,\"K1,5\n" + "2026-10,K1,5\n".repeat(50_000));
    csv("a line of 900,000 characters", HEAD + "x".repeat(900_000) + "\n");
    csv("300,000 empty lines", HEAD + "\n".repeat(300_000) + "2026-10,K1,5\n");
  }

  private void bytes() {
    add("bytes of every kind", "f.csv", everyByte());
    add("zeros", "f.csv", new byte[100_000]);
    add("a mark and nothing else", "f.csv", new byte[] {(byte) 0xef, (byte) 0xbb, (byte) 0xbf});
    add("half a character of UTF-16", "f.csv", new byte[] {(byte) 0xff, (byte) 0xfe, 'm', 0, 'o'});
    add("UTF-32", "f.csv", (HEAD + "2026-10,K1,5\n").getBytes(Charset.forName("UTF-32")));
    add("UTF-8 that is none", "f.csv", new byte[] {'m', ',', (byte) 0xc3, (byte) 0x28, '\n', '1'});
    add("zeros among letters", "f.csv", text(HEAD + "2026\u0000-10,K\u00001,5\n"));
    add("JSON", "f.json", text("[".repeat(100_000)));
    add("HTML that is called a workbook", "f.xls", text("<html><table><tr><td>1</table>"));
    add("a name that leads elsewhere", "../../../../etc/passwd", text(HEAD + "2026-10,K1,5\n"));
    add("a name of 400 characters", "x".repeat(400) + ".csv", text(HEAD + "2026-10,K1,5\n"));
  }

  private void keysAndNames() {
    for (String key :
        List.of("K\u200b1", "\u202eK1", "K1\u2066", "K\u00ad1", "K\u00071", "\u3164")) {
      csv(
          "a key with U+"
              + Integer.toHexString(
                  key.codePointAt(0) == 'K' ? key.codePointAt(1) : key.codePointAt(0)),
          "rep,name,from\n" + key + ",Ines,2026-01\n");
    }
    csv("a name of marks", "rep,name,from\nK1,e" + "\u0301".repeat(110) + ",2026-01\n");
    csv("an address of points", "rep,name,from,mail\nK1,I,2026-01,a@" + "a.".repeat(15_000) + "\n");
  }

  private static String shortened(String text) {
    return text.length() > 30 ? text.substring(0, 8) + "… of " + text.length() : text;
  }

  private static String unknownReps(int number) {
    StringBuilder lines = new StringBuilder(HEAD);
    for (int rep = 0; rep < number; rep++) {
      lines.append("2026-10,unknown ").append(rep).append(",5\n");
    }
    return lines.toString();
  }

  private void sheet(String what, String from, String to) {
    add(what, "f.xlsx", Workbooks.replaced(minimal(), SHEET, from, to));
  }

  private void workbook(String what, String from, String to) {
    add(what, "f.xlsx", Workbooks.replaced(minimal(), WORKBOOK, from, to));
  }

  private void csv(String what, String content) {
    add(what, "f.csv", text(content));
  }

  private void add(String what, String name, byte[] content) {
    all.add(new Hostile(what, name, content));
  }

  private static byte[] minimal() {
    return Workbooks.minimal("month,rep,revenue", "2026-10,K1,5");
  }

  private static byte[] text(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] everyByte() {
    byte[] all = new byte[65_536];
    for (int at = 0; at < all.length; at++) {
      all[at] = (byte) (at * 31 + at / 256);
    }
    return all;
  }

  private static byte[] gzip(String text) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (GZIPOutputStream pack = new GZIPOutputStream(out)) {
      pack.write(text(text));
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  private static byte[] zip(Consumer<ZipOutputStream> fill) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      fill.accept(zip);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  private static void parts(ZipOutputStream zip, int number) {
    part(zip, WORKBOOK, text("<workbook/>"));
    for (int at = 0; at < number; at++) {
      part(zip, "xl/" + at, new byte[1]);
    }
  }

  private static void part(ZipOutputStream zip, String name, byte[] content) {
    try {
      zip.putNextEntry(new ZipEntry(name));
      zip.write(content);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }
}
