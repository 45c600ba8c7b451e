package zealoustarget.bench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Random;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes a roster, a product list, quotas and order lines of any size, the same for every run. */
final class OrderFile {
  static final int PRODUCTS = 400;
  static final int REGIONS = 60;
  static final LocalDate FIRST_DAY = LocalDate.of(2024, 7, 1);

  private final Path folder;
  private final int reps;
  private final int days;

  /** Orders of so many reps on so many days from the first on. */
  OrderFile(Path folder, int reps, int days) {
    this.folder = folder;
    this.reps = reps;
    this.days = days;
  }

  Path roster() throws IOException {
    StringBuilder text = new StringBuilder("rep,name,region,manager,from\n");
    for (int rep = 0; rep < reps; rep++) {
      text.append(
          "R%04d,Rep %d,Region %d,Manager %d,2024-07\n"
              .formatted(rep, rep, rep % REGIONS, rep % 40));
    }
    return Files.writeString(folder.resolve("roster.csv"), text);
  }

  Path products() throws IOException {
    StringBuilder text = new StringBuilder("product,name,line\n");
    for (int product = 0; product < PRODUCTS; product++) {
      text.append("P%03d,Product %d,Line %d\n".formatted(product, product, product % 12));
    }
    return Files.writeString(folder.resolve("products.csv"), text);
  }

  Path quotas() throws IOException {
    StringBuilder text = new StringBuilder("year,rep,revenue\n");
    for (int year = 2024; year <= 2026; year++) {
      for (int rep = 0; rep < reps; rep++) {
        text.append("%d,R%04d,%d.00\n".formatted(year, rep, 90_000 + rep * 37));
      }
    }
    return Files.writeString(folder.resolve("quotas.csv"), text);
  }

  Path orders(int lines) throws IOException {
    Random random = new Random(lines);
    Path file = folder.resolve("orders.csv");
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      out.write("date,order,rep,product,revenue,units\n");
      for (int line = 0; line < lines; line++) {
        int units = 1 + random.nextInt(20);
        out.write(
            "%s,SO-%07d,R%04d,P%03d,%d.%02d,%d\n"
                .formatted(
                    FIRST_DAY.plusDays(random.nextInt(days)),
                    line,
                    random.nextInt(reps),
                    random.nextInt(PRODUCTS),
                    units * (5 + random.nextInt(90)),
                    random.nextInt(100),
                    units));
      }
    }
    return file;
  }

  /** The same kind of lines as a workbook of one sheet. */
  Path workbook(int lines) throws IOException {
    Random random = new Random(lines);
    Path file = folder.resolve("orders.xlsx");
    try (OutputStream out = Files.newOutputStream(file);
        Workbook book = new Workbook(out, "bench", "1.0")) {
      Worksheet sheet = book.newWorksheet("Orders");
      String[] header = {"date", "order", "rep", "product", "revenue", "units"};
      for (int at = 0; at < header.length; at++) {
        sheet.value(0, at, header[at]);
      }
      for (int line = 1; line <= lines; line++) {
        int units = 1 + random.nextInt(20);
        sheet.value(line, 0, FIRST_DAY.plusDays(random.nextInt(days)));
        sheet.style(line, 0).format("yyyy-mm-dd").set();
        sheet.value(line, 1, "SO-%07d".formatted(line));
        sheet.value(line, 2, "R%04d".formatted(random.nextInt(reps)));
        sheet.value(line, 3, "P%03d".formatted(random.nextInt(PRODUCTS)));
        sheet.value(line, 4, units * (5 + random.nextInt(90)));
        sheet.value(line, 5, units);
      }
    }
    return file;
  }
}
