package zealoustarget.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import zealoustarget.demo.Company.Rep;
import zealoustarget.demo.OrderLines.OrderLine;

/** One small file of every shape that can be loaded, of December 2026, which is not posted yet. */
final class SampleFiles {
  private static final long SEED = 20_261_201L;
  private static final YearMonth DECEMBER = YearMonth.of(2026, 12);
  private static final int LINES = 24;
  private static final DateTimeFormatter SLASHES = DateTimeFormatter.ofPattern("dd/MM/uuuu");

  private final List<OrderLine> orders;
  private final Map<String, Rep> reps =
      Company.REPS.stream().collect(Collectors.toMap(Rep::key, rep -> rep, (one, more) -> one));

  private SampleFiles() {
    List<String> active = Company.active(DECEMBER).stream().map(Rep::key).toList();
    List<OrderLine> all =
        new OrderLines(SEED)
            .month(DECEMBER.minusYears(1)).stream()
                .filter(order -> active.contains(order.rep()))
                .toList();
    int step = all.size() / LINES;
    orders =
        Stream.iterate(0, at -> at + step)
            .limit(LINES)
            .map(all::get)
            .map(SampleFiles::aYearLater)
            .toList();
  }

  /** File names and contents; those that end in .csv and .txt are the same for every call. */
  static Map<String, byte[]> all() {
    return new SampleFiles().files();
  }

  /** Writes all samples into the folder given. */
  public static void main(String[] arguments) throws IOException {
    Path folder = Path.of(arguments[0]);
    Files.createDirectories(folder);
    for (Map.Entry<String, byte[]> file : all().entrySet()) {
      Files.write(folder.resolve(file.getKey()), file.getValue());
    }
  }

  private Map<String, byte[]> files() {
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put("semicolon-other-names.csv", utf8(semicolon()));
    files.put("control-total.csv", utf8("measure;total\nrevenue;" + money(sum()) + "\n"));
    files.put("pipe-several-measures.csv", utf8(pipe()));
    files.put("tab-pasted-cells.txt", utf8(pipe().replace('|', '\t')));
    files.put("windows-1252.csv", euros().getBytes(Charset.forName("windows-1252")));
    files.put("wide-months.csv", utf8(wide("Dec-26", "Jan-27")));
    files.put("wide-periods-fy27.csv", utf8(wide("P06", "P07")));
    files.put("wide-measures.csv", utf8(wide("revenue Dec 2026", "units Dec 2026")));
    files.put("actual-and-quota.csv", utf8(beside()));
    files.put("thousands.csv", utf8(thousands()));
    files.put("quotas-by-year-fy28.csv", utf8(yearly()));
    files.put("workbook.xlsx", workbook());
    return files;
  }

  private String semicolon() {
    return "Sales of all regions, December 2026;;;;;\nprinted 04.01.2027;;;;;\n"
        + "Booking dt;Acct mgr;Item;Net EUR;Qty;Ref\n"
        + lines(
            order ->
                order.date().format(SLASHES)
                    + ";"
                    + reps.get(order.rep()).name()
                    + ";"
                    + order.product().name()
                    + ";"
                    + comma(order.revenue())
                    + ";"
                    + order.units()
                    + ";"
                    + order.order())
        + "Total;;;"
        + comma(sum())
        + ";;\n";
  }

  private String pipe() {
    return "date|order|rep|region|product|revenue|units\n"
        + lines(
            order ->
                String.join(
                    "|",
                    order.date().toString(),
                    order.order(),
                    order.rep(),
                    order.region(),
                    order.product().key(),
                    money(order.revenue()),
                    Integer.toString(order.units())));
  }

  /** Amounts with the sign of their currency, which takes a byte of its own in old encodings. */
  private String euros() {
    return pipe().replaceAll("\\|(-?\\d+\\.\\d\\d)\\|", "|€ $1|").replace('|', ';');
  }

  private static String wide(String first, String second) {
    return "rep,"
        + first
        + ","
        + second
        + "\n"
        + Company.active(DECEMBER).stream()
            .map(
                rep ->
                    rep.key()
                        + ","
                        + Company.quota(rep, DECEMBER)
                        + ","
                        + Company.quota(rep, DECEMBER) / 100)
            .collect(Collectors.joining("\n"))
        + "\n";
  }

  private static String beside() {
    return "month,rep,revenue,quota\n"
        + Company.active(DECEMBER).stream()
            .map(
                rep ->
                    "2026-12,"
                        + rep.name()
                        + ","
                        + Company.quota(rep, DECEMBER) * 9 / 10
                        + ".50,"
                        + Company.quota(rep, DECEMBER))
            .collect(Collectors.joining("\n"))
        + "\n";
  }

  private static String thousands() {
    return "month,region,revenue\n"
        + Company.REGIONS.stream()
            .map(region -> "2026-12," + region + "," + (180 + region.length()) + ".5k")
            .collect(Collectors.joining("\n"))
        + "\n";
  }

  private static String yearly() {
    return "year,rep,revenue\n"
        + Company.active(DECEMBER).stream()
            .map(rep -> "2028," + rep.key() + "," + Company.quota(rep, DECEMBER) * 12L + ".00")
            .collect(Collectors.joining("\n"))
        + "\n";
  }

  /** A sheet of notes, then one with titles over the header, dates as serials and a total. */
  private byte[] workbook() {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (Workbook book = new Workbook(out, "demo", "1.0")) {
      Worksheet sheet = book.newWorksheet("December");
      sheet.value(0, 0, "Sales of all regions, December 2026");
      sheet.range(0, 0, 0, 5).merge();
      String[] header = {"date", "order", "rep", "product", "revenue", "units"};
      for (int at = 0; at < header.length; at++) {
        sheet.value(2, at, header[at]);
      }
      int row = 3;
      for (OrderLine order : orders) {
        sheet.value(row, 0, order.date());
        sheet.style(row, 0).format("dd/mm/yyyy").set();
        sheet.value(row, 1, order.order());
        sheet.value(row, 2, order.rep());
        sheet.value(row, 3, order.product().key());
        sheet.value(row, 4, new java.math.BigDecimal(money(order.revenue())));
        sheet.value(row, 5, order.units());
        row++;
      }
      sheet.value(row, 0, "Total");
      sheet.value(row, 4, new java.math.BigDecimal(money(sum())));
      book.newWorksheet("Notes").value(0, 0, "printed on 4 January 2027");
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  private static OrderLine aYearLater(OrderLine order) {
    return new OrderLine(
        order.date().plusYears(1),
        order.order().replace("SO-", "DS-"),
        order.rep(),
        order.region(),
        order.product(),
        order.revenue(),
        order.units());
  }

  private String lines(Function<OrderLine, String> line) {
    return orders.stream().map(line).collect(Collectors.joining("\n")) + "\n";
  }

  private long sum() {
    return orders.stream().mapToLong(OrderLine::revenue).sum();
  }

  private static String money(long cents) {
    return java.math.BigDecimal.valueOf(cents, 2).toPlainString();
  }

  /** 123456 cents as 1.234,56. */
  private static String comma(long cents) {
    return String.format(Locale.GERMANY, "%,.2f", java.math.BigDecimal.valueOf(cents, 2));
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
