package zealoustarget.server.intake.entered;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.hibernate.SessionFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.lines.ColumnWatch;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.files.OriginalStore;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.load.LoadSumEntity;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.ledger.storage.RowStore;
import zealoustarget.server.ledger.storage.RowWriter;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.Sha256;

/** Makes a load of entered goals and posts it; docs/calculations.md, section 8. */
@Component
public class EnteredLoads {
  /** More changes than that are told by the load's own lines. */
  private static final int MOST_TOLD = 50;

  private static final int LONGEST_FILE_NAME = 255;
  private static final String DIALECT = EnteredWords.ENTERED_ON_GOAL_SHEET;
  private static final List<String> ABOUT = List.of("before", "by", "at");

  private final LoadStore store;
  private final LoadService loads;
  private final StagingService staging;
  private final SheetStore sheets;
  private final OriginalStore originals;
  private final RowStore rows;
  private final GoalSets goalSets;
  private final SessionFactory sessions;
  private final TransactionTemplate transactions;
  private final Audit audit;
  private final JsonMapper json;
  private final Clock clock;

  EnteredLoads(
      LoadStore store,
      LoadService loads,
      StagingService staging,
      SheetStore sheets,
      OriginalStore originals,
      RowStore rows,
      GoalSets goalSets,
      SessionFactory sessions,
      TransactionTemplate transactions,
      Audit audit,
      JsonMapper json,
      Clock clock) {
    this.store = store;
    this.loads = loads;
    this.staging = staging;
    this.sheets = sheets;
    this.originals = originals;
    this.rows = rows;
    this.goalSets = goalSets;
    this.sessions = sessions;
    this.transactions = transactions;
    this.audit = audit;
    this.json = json;
    this.clock = clock;
  }

  /**
   * Posts entered goals; whoever enters them has the turn.
   *
   * @param by who entered them; another one than acts where a second person accepted them
   * @param together what is stored in the same transaction
   * @return the load's number
   * @throws zealoustarget.core.Refusal as {@link LoadService#post}; nothing is kept then
   */
  public int post(EnteredGoals goals, String by, Runnable together) {
    Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    List<List<String>> lines = lines(goals, by, now);
    byte[] file = csv(titles(goals), lines);
    LoadEntity load = begin(goals, by, now, Sha256.of(file));
    try {
      originals.keep(Upload.of(load.fileName, file), load.contentHash);
      keepLines(load.id, titles(goals), lines);
      sessions.inStatelessTransaction(
          session -> {
            RowWriter writer = rows.writer(session, load.id);
            for (int at = 0; at < goals.cells().size(); at++) {
              EnteredGoals.Cell cell = goals.cells().get(at);
              writer.add(
                  new LoadRow.Goal(at + 2, cell.month(), cell.member().id(), goals.amounts(cell)));
            }
            writer.finish();
          });
      store.change(load.id, changed -> changed.state = LoadState.STAGED);
      loads.postEntered(
          load.id,
          () -> {
            tell(load.id, goals);
            together.run();
          });
      return load.id;
    } catch (RuntimeException | Error failure) {
      staging.remove(load.id);
      throw failure;
    }
  }

  private LoadEntity begin(EnteredGoals goals, String by, Instant now, String contentHash) {
    LoadEntity load = new LoadEntity();
    load.kind = LoadKind.GOALS;
    load.state = LoadState.READING;
    load.enteredBy = by;
    load.fileName = fileName(goals.goalSet(), by, LocalDate.ofInstant(now, ZoneOffset.UTC));
    load.contentHash = contentHash;
    load.stagedAt = now;
    load.request = json.writeValueAsString(request(goals));
    load.readAs = DIALECT;
    load.lineCount = goals.cells().size();
    load.ready = load.lineCount;
    load.firstMonth = goals.cells().stream().mapToInt(EnteredGoals.Cell::month).min().orElseThrow();
    load.lastMonth = goals.cells().stream().mapToInt(EnteredGoals.Cell::month).max().orElseThrow();
    addSums(load, goals);
    return Objects.requireNonNull(
        transactions.execute(
            status -> {
              load.goalSet = goalSets.obtain(goals.goalSet(), goals.axis());
              return store.add(load);
            }));
  }

  private static String fileName(String goalSet, String by, LocalDate day) {
    String name = EnteredWords.enteredBy(goalSet, by, day);
    String accepted = EnteredWords.acceptedBy(name, Audit.who());
    return by.equals(Audit.who()) || accepted.length() > LONGEST_FILE_NAME ? name : accepted;
  }

  private static void addSums(LoadEntity load, EnteredGoals goals) {
    List<Measure> columns = goals.columns();
    for (int at = 0; at < columns.size(); at++) {
      long sum = 0;
      for (EnteredGoals.Cell cell : goals.cells()) {
        long amount = goals.amounts(cell)[at];
        sum = Math.addExact(sum, amount == Amounts.CLEARED ? 0 : amount);
      }
      load.sums.add(
          new LoadSumEntity(
              load, at, columns.get(at).code(), new Reconciliation.Sums(sum, 0, 0), null));
    }
  }

  private static LoadRequest request(EnteredGoals goals) {
    Map<String, ColumnRule> ignored = new HashMap<>();
    ABOUT.forEach(title -> ignored.put(title, ColumnRule.to("")));
    return LoadRequest.of(LoadKind.GOALS, goals.goalSet(), goals.axis(), null).withColumns(ignored);
  }

  private static List<String> titles(EnteredGoals goals) {
    List<String> titles = new ArrayList<>(List.of(goals.axis().word(), "month"));
    goals.columns().forEach(column -> titles.add(column.code()));
    titles.addAll(ABOUT);
    return titles;
  }

  private static List<List<String>> lines(EnteredGoals goals, String by, Instant now) {
    List<List<String>> lines = new ArrayList<>(goals.cells().size());
    for (EnteredGoals.Cell cell : goals.cells()) {
      List<String> line = new ArrayList<>();
      line.add(cell.member().key());
      line.add(Months.of(cell.month()).toString());
      for (long amount : goals.amounts(cell)) {
        line.add(amount == Amounts.CLEARED ? "" : goals.measure().text(amount));
      }
      line.add(cell.before() == null ? "" : cell.before().text(goals.measure()));
      line.add(by);
      line.add(now.toString());
      lines.add(line);
    }
    return lines;
  }

  private static byte[] csv(List<String> titles, List<List<String>> lines) {
    StringWriter text = new StringWriter();
    CsvWriter writer = CsvWriter.builder().build(text);
    writer.writeRecord(titles);
    lines.forEach(writer::writeRecord);
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  private void keepLines(int loadId, List<String> titles, List<List<String>> lines) {
    SheetStore.Writer writer = sheets.writer(loadId);
    ColumnWatch watch = new ColumnWatch();
    for (int at = 0; at < lines.size(); at++) {
      watch.see(lines.get(at));
      writer.add(at + 2, lines.get(at));
    }
    writer.pack();
    writer.finish(
        new StoredSheet(
            DIALECT,
            false,
            List.of(),
            "",
            1,
            titles,
            watch.profiles(),
            writer.records(),
            writer.firstRecords(),
            writer.firstLines(),
            0,
            List.of()));
  }

  private void tell(int loadId, EnteredGoals goals) {
    if (goals.cells().size() > MOST_TOLD) {
      return;
    }
    for (EnteredGoals.Cell cell : goals.cells()) {
      audit.add(
          AuditKind.GOAL_CHANGED,
          loadId,
          EnteredWords.of(goals.goalSet(), cell.member().name(), Months.of(cell.month())),
          cell.before() == null ? null : cell.before().text(goals.measure()),
          cell.after() == null ? null : cell.after().text(goals.measure()));
    }
  }
}
