package zealoustarget.server.earnings.statements;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.util.List;
import zealoustarget.core.amount.Writing;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.platform.http.CsvCells;

/** The payroll file: one line per component; a rep's lines add to what is due. */
final class Payroll {
  private Payroll() {}

  /** Writes CSV in UTF-8; docs/formats.md says what its columns hold. */
  static void write(
      List<EarningsRow> rows, YearMonth month, String currency, Writing writing, OutputStream out)
      throws IOException {
    CsvWriter csv = CsvCells.writer(new OutputStreamWriter(out, StandardCharsets.UTF_8), writing);
    csv.writeRecord(
        "month",
        "rep",
        "name",
        "plan",
        "kind",
        "what",
        "label",
        "base",
        "rate",
        "amount",
        "currency");
    for (EarningsRow row : rows) {
      for (StatementLines.Line line : StatementLines.of(row, month, writing)) {
        if (line.isPaid()) {
          csv.writeRecord(
              month.toString(),
              CsvCells.harmless(row.rep()),
              CsvCells.harmless(row.name()),
              CsvCells.harmless(row.plan()),
              line.kind(),
              line.what(),
              line.words(),
              line.base() == null ? "" : writing.plain(line.base()),
              line.rate() == null ? "" : writing.plain(line.rate()),
              writing.plain(line.figure()),
              currency);
        }
      }
    }
    csv.flush();
  }
}
