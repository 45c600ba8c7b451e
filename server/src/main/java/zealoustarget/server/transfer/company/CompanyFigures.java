package zealoustarget.server.transfer.company;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;
import java.util.List;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import zealoustarget.server.earnings.EarningsFigures;
import zealoustarget.server.standing.view.StandingFigures;

/** What the company's figures are, and whether they are those of an export. */
@Component
class CompanyFigures {
  private final StandingFigures standings;
  private final EarningsFigures earnings;

  CompanyFigures(StandingFigures standings, EarningsFigures earnings) {
    this.standings = standings;
    this.earnings = earnings;
  }

  void writeStandings(Consumer<List<String>> rows) {
    standings.writeTo(row -> rows.accept(written(row)));
  }

  void writeEarnings(Consumer<List<String>> rows) {
    earnings.writeTo(row -> rows.accept(written(row)));
  }

  private static List<String> written(List<String> row) {
    return row.stream().map(CompanyFigures::written).toList();
  }

  /** Figures stay figures, also below zero. */
  private static String written(String cell) {
    return cell != null && cell.matches("-[0-9.]+( .*)?") ? cell : Cells.written(cell);
  }

  /**
   * Compares with what an export says.
   *
   * @return how many rows of figures there are
   * @throws IOException in words, with the first row that differs
   */
  long compare(ExportFile from) throws IOException {
    return compare(from, Description.STANDING, this::writeStandings)
        + compare(from, Description.EARNINGS, this::writeEarnings);
  }

  private static long compare(
      ExportFile from, String file, Consumer<Consumer<List<String>>> figures) throws IOException {
    long[] rows = {-1};
    try (CsvReader<CsvRecord> csv =
        CsvReader.builder()
            .detectBomHeader(true)
            .ofCsvRecord(new InputStreamReader(from.open(file), StandardCharsets.UTF_8))) {
      Iterator<CsvRecord> expected = csv.iterator();
      figures.accept(
          row -> {
            List<String> found = row.stream().map(cell -> cell == null ? "" : cell).toList();
            List<String> said = expected.hasNext() ? expected.next().getFields() : List.of();
            if (!found.equals(said)) {
              throw new Differing(file, said, found);
            }
            rows[0]++;
          });
      if (expected.hasNext()) {
        throw new Differing(file, expected.next().getFields(), List.of());
      }
    } catch (Differing differing) {
      throw new IOException(differing.getMessage(), differing);
    }
    return rows[0];
  }

  /** Figures that are not those that were said. */
  private static final class Differing extends RuntimeException {
    private static final long serialVersionUID = 1;

    Differing(String file, List<String> said, List<String> found) {
      super(CompanyWords.figuresDiffer(file, String.join(",", said), String.join(",", found)));
    }
  }
}
