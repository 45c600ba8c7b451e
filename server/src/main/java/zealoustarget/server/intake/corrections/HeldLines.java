package zealoustarget.server.intake.corrections;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.sheet.FormatRules;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.intake.upload.StagingService;

/** The lines that a load held back, as a file of their own that can be settled and loaded again. */
@Component
public class HeldLines {
  /** The last column, which says why a line was held back. */
  public static final String REASON = "reason";

  private static final int LONGEST_NAME = 255;

  private final LoadStore store;
  private final SheetStore sheets;
  private final StagingService staging;

  HeldLines(LoadStore store, SheetStore sheets, StagingService staging) {
    this.store = store;
    this.sheets = sheets;
    this.staging = staging;
  }

  /** Writes the held lines as CSV, in their own columns and with the reason behind them. */
  public void write(int id, Writer out) {
    StoredSheet sheet = sheets.get(id);
    Map<Integer, String> reasons = reasons(id);
    Fixes fixes = store.fixes(id);
    List<String> titles = new ArrayList<>(sheet.titles());
    titles.add(REASON);
    try (CsvWriter csv = CsvWriter.builder().build(out)) {
      csv.writeRecord(titles);
      reasons.forEach(
          (line, reason) -> {
            int record = sheets.recordOf(id, sheet, line);
            SheetStore.Line held = sheets.lines(id, sheet, record, 1).get(0);
            List<String> cells = new ArrayList<>(fixes.apply(line, held.cells()));
            while (cells.size() < sheet.titles().size()) {
              cells.add("");
            }
            cells.add(reason);
            csv.writeRecord(cells);
          });
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /**
   * Stages what a posted load held back as a load of its own, read as the first was.
   *
   * @throws Refusal load-not-posted, nothing-held
   */
  public int stage(int id) {
    LoadEntity load = store.get(id);
    if (load.state != LoadState.POSTED) {
      throw Refusal.of("load-not-posted", CorrectionsWords.correctLinesInLoadItself(id));
    }
    if (load.held == 0) {
      throw Refusal.of("nothing-held", CorrectionsWords.loadHoldsNoLineBack(id));
    }
    StringWriter csv = new StringWriter();
    write(id, csv);
    LoadRequest request =
        FormatRules.settled(staging.request(load), sheets.get(id))
            .withControl(Map.of(), false)
            .withSheet("");
    return staging.stage(
        Upload.of(
            CorrectionsWords.remainderOf(load.fileName),
            csv.toString().getBytes(StandardCharsets.UTF_8)),
        request,
        id);
  }

  /** Lines as CSV text. */
  static String csv(List<List<String>> lines) {
    StringWriter out = new StringWriter();
    try (CsvWriter csv = CsvWriter.builder().build(out)) {
      lines.forEach(csv::writeRecord);
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
    return out.toString();
  }

  private Map<Integer, String> reasons(int id) {
    Map<Integer, String> reasons = new TreeMap<>();
    store.findings(id).stream()
        .map(LoadStore.Kept::finding)
        .filter(finding -> finding.held())
        .forEach(
            finding ->
                reasons.merge(finding.line(), finding.message(), (one, more) -> one + " " + more));
    return reasons;
  }
}
