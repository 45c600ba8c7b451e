package zealoustarget.server.intake;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.intake.ColumnFormats;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.Header;
import zealoustarget.core.intake.LineReader;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.Reconciliation.Part;
import zealoustarget.server.ledger.LedgerService;
import zealoustarget.server.ledger.RowStore;
import zealoustarget.server.playbook.Playbook;
import zealoustarget.server.playbook.PlaybookService;
import zealoustarget.server.roster.MemberStore;

/**
 * Stages a file: reads it three times as a stream (hash and encoding, formats of whole columns, the
 * lines), writes its rows in batches under a load that nobody sees until all are there.
 */
@Service
public class StagingService {
  private final LoadStore store;
  private final RowStore rows;
  private final MemberStore members;
  private final LedgerService ledgers;
  private final PlaybookService playbooks;
  private final Clock clock;

  StagingService(
      LoadStore store,
      RowStore rows,
      MemberStore members,
      LedgerService ledgers,
      PlaybookService playbooks,
      Clock clock) {
    this.store = store;
    this.rows = rows;
    this.members = members;
    this.ledgers = ledgers;
    this.playbooks = playbooks;
    this.clock = clock;
  }

  /**
   * Stages a file.
   *
   * @return the load's number
   * @throws Refusal if the file cannot be read as one, or lacks what its kind needs; nothing is
   *     kept then
   */
  public int stage(Upload upload, LoadRequest request) {
    CsvText csv = CsvText.of(upload);
    LoadSpec spec = spec(request, csv);
    Header[] found = new Header[1];
    ColumnFormats[] formats = new ColumnFormats[1];
    csv.readWhole(
        (line, cells) -> {
          if (found[0] == null) {
            found[0] = Header.of(cells, spec);
            formats[0] = new ColumnFormats(found[0], spec);
          } else {
            formats[0].see(cells);
          }
        });
    if (found[0] == null) {
      throw Refusal.of("file-unreadable", "A quote in the header line is never closed.");
    }
    LoadEntity load = newLoad(upload, request, csv, found[0]);
    LineReader reader =
        new LineReader(
            found[0], formats[0], new StagingDirectory(ledgers.current(), members), spec);
    return write(load, csv, found[0], reader);
  }

  private int write(LoadEntity load, CsvText csv, Header header, LineReader reader) {
    load = store.add(load);
    StagedRows staged = new StagedRows(load.id, rows, members, store);
    Reconciliation sums = new Reconciliation(header.measures());
    try {
      staged.addFindings(header.findings());
      addSameFile(load, staged);
      boolean[] isHeaderSeen = {false};
      csv.readAll(
          (line, cells) -> {
            if (isHeaderSeen[0]) {
              var outcome = reader.read(line, cells, csv.isCutOff(line));
              sums.add(outcome.part(), outcome.amounts());
              staged.add(outcome);
            }
            isHeaderSeen[0] = true;
          });
      if (sums.lines() == 0) {
        throw Refusal.of(
            "file-only-header", "The file has a header and no lines. Check what was exported.");
      }
      staged.flush();
      store.change(load.id, changed -> finish(changed, sums, staged));
      return load.id;
    } catch (RuntimeException failure) {
      rows.delete(load.id);
      store.remove(load.id);
      throw failure;
    }
  }

  private static void finish(LoadEntity load, Reconciliation sums, StagedRows staged) {
    load.lineCount = sums.lines();
    load.ready = sums.lines(Part.READY);
    load.held = sums.lines(Part.HELD);
    load.leftOut = sums.lines(Part.LEFT_OUT);
    load.findingCount = staged.findingCount();
    load.firstMonth = staged.firstMonth();
    load.lastMonth = staged.lastMonth();
    List<Reconciliation.Sums> byPlace = new ArrayList<>(sums.sums().values());
    for (LoadSumEntity sum : load.sums) {
      Reconciliation.Sums of = byPlace.get(sum.place);
      sum.ready = of.ready();
      sum.held = of.held();
      sum.leftOut = of.leftOut();
    }
    load.state = LoadState.STAGED;
  }

  private void addSameFile(LoadEntity load, StagedRows staged) {
    store
        .findSame(load.contentHash, load.id)
        .ifPresent(
            same ->
                staged.addFindings(
                    List.of(
                        Finding.of(
                            1,
                            null,
                            FindingCode.SAME_FILE,
                            "load",
                            same.id + " (" + same.fileName + ")",
                            "state",
                            same.state.word()))));
  }

  private LoadEntity newLoad(Upload upload, LoadRequest request, CsvText csv, Header header) {
    LoadEntity load = new LoadEntity();
    load.kind = request.kind();
    load.state = LoadState.READING;
    load.fileName = upload.name();
    load.contentHash = csv.contentHash();
    load.stagedAt = clock.instant();
    if (request.kind() == LoadKind.GOALS) {
      load.goalSet = store.goalSet(request.goalSet(), request.axis());
    }
    Map<String, String> given = new HashMap<>();
    request.controlTotals().forEach((code, sum) -> given.put(code.toLowerCase(Locale.ROOT), sum));
    for (Measure measure : header.measures()) {
      String control = given.remove(measure.code().toLowerCase(Locale.ROOT));
      load.sums.add(
          new LoadSumEntity(
              load,
              load.sums.size(),
              measure.code(),
              control == null ? null : controlTotal(measure, control)));
    }
    if (!given.isEmpty()) {
      throw controlRefusal(String.join(", ", given.keySet()) + " is not a measure of this file");
    }
    return load;
  }

  private static long controlTotal(Measure measure, String text) {
    try {
      Ratio units = Ratio.parse(text.strip()).times(Ratio.powerOfTen(measure.scale()));
      return Objects.requireNonNull(units.exactDecimal()).longValueExact();
    } catch (IllegalArgumentException | ArithmeticException unreadable) {
      throw controlRefusal("\"" + text + "\" is no amount of " + measure.code());
    }
  }

  private static Refusal controlRefusal(String what) {
    return Refusal.of(
        "control-total-unreadable",
        what + ". Give it as measure=amount, such as revenue=1912400.00.");
  }

  private LoadSpec spec(LoadRequest request, CsvText csv) {
    Playbook playbook = playbooks.current();
    Measure wide =
        request.measure() == null
            ? null
            : playbook
                .findMeasure(request.measure())
                .orElseThrow(
                    () ->
                        Refusal.of(
                                "value-unknown",
                                "\"" + request.measure() + "\" is no measure of the playbook.")
                            .with("name", "measure")
                            .with(
                                "allowed",
                                playbook.measures().stream().map(Measure::code).toList()));
    return new LoadSpec(
        request.kind(),
        request.axis(),
        wide,
        playbook.measures(),
        playbook.calendar(),
        request.mapping(),
        !csv.isSemicolon());
  }
}
