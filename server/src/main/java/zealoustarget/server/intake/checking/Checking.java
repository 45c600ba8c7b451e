package zealoustarget.server.intake.checking;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.Lock;
import org.hibernate.Session;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.checks.DealChecks;
import zealoustarget.core.intake.checks.FileChecks;
import zealoustarget.core.intake.header.ColumnGuess;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.intake.lines.LineOutcome;
import zealoustarget.core.intake.lines.LineReader;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.OrderSet;
import zealoustarget.core.member.KeyText;
import zealoustarget.server.intake.corrections.Fixes;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.load.LoadSumEntity;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.intake.posting.Progress;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.intake.upload.Requests;
import zealoustarget.server.intake.upload.StagingDirectory;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.ledger.storage.RowStore;
import zealoustarget.server.ledger.storage.RowWriter;
import zealoustarget.server.masterdata.AliasStore;
import zealoustarget.server.masterdata.GoalSetEntity;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.masterdata.MemberStore;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.platform.state.Turns;
import zealoustarget.server.rules.RulesService;

/**
 * Turns a load's lines into rows and findings. Can be done again with other rules or fixes: rows,
 * findings and sums are replaced in one transaction, so that a halt leaves those before or after.
 */
@Component
public class Checking {
  private static final int GOAL_SET_TURNS = 16;

  private final LoadStore loads;
  private final GoalSets goalSets;
  private final SheetStore sheets;
  private final RowStore rows;
  private final MemberStore members;
  private final AliasStore aliases;
  private final LedgerService ledgers;
  private final Requests requests;
  private final EntityManager entities;
  private final SessionFactory sessions;
  private final TransactionTemplate transactions;
  private static final int SMALL = 50_000;

  private final JsonMapper json;
  private final DataState state;
  private final RulesService companyRules;
  private final Clock clock;
  private final Turns goalSetTurns = new Turns(GOAL_SET_TURNS);

  Checking(
      LoadStore loads,
      SheetStore sheets,
      RowStore rows,
      MemberStore members,
      AliasStore aliases,
      LedgerService ledgers,
      Requests requests,
      EntityManager entities,
      SessionFactory sessions,
      TransactionTemplate transactions,
      JsonMapper json,
      DataState state,
      RulesService companyRules,
      Clock clock,
      GoalSets goalSets) {
    this.goalSets = goalSets;
    this.clock = clock;
    this.state = state;
    this.companyRules = companyRules;
    this.loads = loads;
    this.sheets = sheets;
    this.rows = rows;
    this.members = members;
    this.aliases = aliases;
    this.ledgers = ledgers;
    this.requests = requests;
    this.entities = entities;
    this.sessions = sessions;
    this.transactions = transactions;
    this.json = json;
  }

  /** What the columns of a load are by its rules, guesses included. */
  public record Columns(LoadSpec spec, Header header) {}

  /**
   * Recognises the columns of a load's file.
   *
   * @throws Refusal as {@link Header#of}
   */
  public Columns columns(String fileName, LoadRequest request, StoredSheet sheet) {
    LoadSpec spec = requests.spec(request, sheet, fileName);
    LoadSpec guessed =
        spec.withGuesses(
            ColumnGuess.complete(
                sheet.titles(),
                sheet.profiles(),
                spec,
                new StagingDirectory(ledgers.posted(), members, aliases)));
    return new Columns(guessed, Header.of(sheet.headerLine(), sheet.titles(), guessed));
  }

  /**
   * Reads a load's lines by a request and stages what comes of them.
   *
   * @param together is stored with it
   * @throws Refusal as {@link Header#of}, control-total-unreadable, sum-too-large, goal-set-axis,
   *     measure-gone where a measure was changed while its amounts were read
   */
  public void check(int loadId, LoadRequest request, Together together, Progress progress) {
    StoredSheet sheet = sheets.get(loadId);
    Columns columns = columns(loads.get(loadId).fileName, request, sheet);
    if (sheet.recordCount() == 0) {
      throw Refusal.of("file-only-header", CheckingWords.FILE_HAS_HEADER_AND_NO_LINES);
    }
    if (request.kind() == LoadKind.GOALS && request.goalSet() == null) {
      throw Refusal.of("goal-set-missing", CheckingWords.GOAL_SET_IS_MISSING);
    }
    if (request.kind() == LoadKind.DEALS && columns.spec().snapshot() == null) {
      throw Refusal.of("as-of-missing", CheckingWords.DAY_OF_DEALS_IS_MISSING);
    }
    if (request.kind() == LoadKind.ACTUALS) {
      refuseFed(columns.header());
    }
    progress.beginChecking(sheet.recordCount());
    // two files that bring the same new set of goals are checked one after the other
    Lock goalSetTurn =
        request.hasGoals()
            ? goalSetTurns.take(KeyText.fold(Objects.requireNonNull(request.goalSet())))
            : null;
    try {
      inOneTransaction(loadId, request, sheet, columns, together, progress);
    } finally {
      if (goalSetTurn != null) {
        goalSetTurn.unlock();
      }
    }
  }

  /** A measure that is fed by won deals takes no lines of files. */
  private void refuseFed(Header header) {
    Set<String> fed = companyRules.current().company().fedByDeals();
    for (Header.AmountColumn column : header.amounts()) {
      if (!column.isGoal() && fed.contains(column.measure().code())) {
        throw Refusal.of(
                "measure-fed-by-deals",
                CheckingWords.actualsOfAreWonDeals(column.measure().code(), column.title()))
            .with("measure", column.measure().code());
      }
    }
  }

  private void inOneTransaction(
      int loadId,
      LoadRequest request,
      StoredSheet sheet,
      Columns columns,
      Together together,
      Progress progress) {
    transactions.executeWithoutResult(
        status -> {
          together.before().run();
          GoalSetEntity goalSet =
              request.hasGoals()
                  ? goalSets.obtain(
                      Objects.requireNonNull(request.goalSet()),
                      Objects.requireNonNull(request.axis()))
                  : null;
          Pass pass = new Pass(loadId, request, sheet, columns, progress);
          entities
              .unwrap(Session.class)
              .doWork(
                  connection -> {
                    try (StatelessSession session = sessions.openStatelessSession(connection)) {
                      pass.run(session);
                    }
                  });
          inTurnFromHereOn();
          checkMeasures(pass.header.measures());
          LoadEntity load = entities.find(LoadEntity.class, loadId);
          if (load.state == LoadState.POSTED || load.state == LoadState.REVERSED) {
            throw Refusal.of("load-not-staged", CheckingWords.loadWasPostedMeanwhile(loadId));
          }
          finish(load, goalSet, pass);
          together.after().run();
        });
  }

  /** Rules and ledger stay as they are until the transaction has ended. */
  private void inTurnFromHereOn() {
    state.beginTurn();
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCompletion(int how) {
            state.endTurn();
          }
        });
  }

  private void checkMeasures(List<Measure> read) {
    for (Measure measure : read) {
      Measure now = companyRules.current().findMeasure(measure.code()).orElse(null);
      if (now == null || RulesService.differs(now, measure)) {
        throw Refusal.of("measure-gone", CheckingWords.unitOrDecimalsOfWereChanged(measure.code()))
            .with("measure", measure.code());
      }
    }
  }

  private void finish(LoadEntity load, @Nullable GoalSetEntity goalSet, Pass pass) {
    load.kind = pass.request.kind();
    load.goalSet = goalSet;
    load.request = json.writeValueAsString(pass.request);
    load.readAs = pass.sheet.dialect();
    LoadRequest.Snapshot snapshot =
        pass.request.kind() == LoadKind.DEALS ? pass.request.snapshot() : null;
    load.source =
        snapshot == null
            ? SourceName.of(load.source, pass.sheet.titles())
            : SourceName.ofDeals(snapshot.source());
    load.asOf = snapshot == null ? null : snapshot.asOf();
    load.lineCount = pass.sums.lines();
    load.ready = pass.sums.lines(Reconciliation.Part.READY);
    load.held = pass.sums.lines(Reconciliation.Part.HELD);
    load.leftOut = pass.sums.lines(Reconciliation.Part.LEFT_OUT);
    load.findingCount = pass.findings.count();
    load.firstMonth = pass.findings.firstMonth();
    load.lastMonth = pass.findings.lastMonth();
    load.problemCode = null;
    load.problem = null;
    load.state = LoadState.STAGED;
    load.sums.clear();
    entities.flush();
    Map<Measure, Long> controls = pass.controls();
    pass.sums
        .sums()
        .forEach(
            (measure, sums) ->
                load.sums.add(
                    new LoadSumEntity(
                        load, load.sums.size(), measure.code(), sums, controls.get(measure))));
  }

  /** One way through a load's lines. */
  private final class Pass {
    private final int loadId;
    private final LoadRequest request;
    private final StoredSheet sheet;
    private final Header header;
    private final Reconciliation sums;
    private final StagedFindings findings;
    private final Fixes fixes;
    private final LoadSpec spec;
    private final FileChecks checks;
    private final @Nullable DealChecks dealChecks;
    private final Set<String> heldDeals = new HashSet<>();
    private final LineReader reader;
    private final Progress progress;
    private int lastLine;
    private @Nullable LineOutcome lastOutcome;

    Pass(int loadId, LoadRequest request, StoredSheet sheet, Columns columns, Progress progress) {
      this.loadId = loadId;
      this.request = request;
      this.sheet = sheet;
      this.header = columns.header();
      this.spec = columns.spec();
      this.progress = progress;
      this.sums = new Reconciliation(header.measures());
      this.fixes = loads.fixes(loadId);
      this.findings = new StagedFindings(loadId, fixes, loads);
      Ledger ledger = ledgers.posted();
      PostedHistory history = new PostedHistory(ledger, YearMonth.now(clock), ordersOfSmall());
      this.checks =
          new FileChecks(
              new LedgerCompany(ledger),
              history,
              spec,
              header.measures(),
              request.goalSet() == null ? "" : request.goalSet());
      this.dealChecks =
          request.kind() == LoadKind.DEALS
              ? new DealChecks(
                  LedgerDeals.of(ledgers, Objects.requireNonNull(request.snapshot()).source()),
                  spec,
                  header.amounts())
              : null;
      this.reader =
          new LineReader(
              header,
              sheet.profiles(),
              new StagingDirectory(ledger, members, aliases),
              history,
              spec);
    }

    /**
     * The orders of a small file: a set of them is made at once, a set of all that are posted is as
     * large as the history. Null where the file is large or has none.
     */
    private @Nullable OrderSet ordersOfSmall() {
      if (header.place(Header.Role.ORDER) < 0 || sheet.recordCount() > SMALL) {
        return null;
      }
      OrderSet orders = new OrderSet();
      for (int part = 0; part < sheet.firstRecords().size(); part++) {
        for (SheetStore.Line line : sheets.part(loadId, part)) {
          List<String> cells = fixes.apply(line.line(), line.cells());
          orders.addOrder(header.cell(Header.Role.ORDER, cells));
        }
      }
      return orders;
    }

    void run(StatelessSession session) {
      // refused before the work, not after
      ControlTotals.units(request.controlTotals(), header.measures(), spec.writing());
      RowWriter writer = rows.writer(session, loadId);
      loads.deleteFindings(session, loadId);
      findings.add(session, sheet.findings());
      findings.add(session, header.findings());
      findings.add(session, loads.sameFile(loadId));
      lookAhead();
      CompletableFuture<List<SheetStore.Line>> next = unpack(0);
      for (int part = 0; part < sheet.firstRecords().size(); part++) {
        List<SheetStore.Line> lines = next.join();
        next = unpack(part + 1);
        for (SheetStore.Line line : lines) {
          read(session, line, writer);
        }
        progress.checked(sums.lines());
      }
      findings.add(session, fileFindings());
      members.flush();
      writer.finish();
      findings.finish(session);
    }

    /** Shows the reader as many lines as it wants to see before it reads the first. */
    private void lookAhead() {
      for (int part = 0; part < sheet.firstRecords().size() && reader.looksAhead(); part++) {
        sheets.part(loadId, part).forEach(line -> reader.lookAt(line.cells()));
      }
    }

    /** Unpacks a part while the one before it is read. */
    private CompletableFuture<List<SheetStore.Line>> unpack(int part) {
      return part < sheet.firstRecords().size()
          ? CompletableFuture.supplyAsync(() -> sheets.part(loadId, part))
          : CompletableFuture.completedFuture(List.of());
    }

    private void read(StatelessSession session, SheetStore.Line line, RowWriter writer) {
      List<String> cells = fixes.apply(line.line(), line.cells());
      LineReader.Decision decision = fixes.decision(line.line());
      boolean isCutOff = sheet.cutOffLine() > 0 && line.line() >= sheet.cutOffLine();
      LineOutcome outcome =
          reader.read(
              line.line(),
              cells,
              isCutOff && decision == LineReader.Decision.NONE
                  ? LineReader.Decision.CUT_OFF
                  : decision);
      sums.add(outcome.part(), outcome.amounts());
      findings.add(session, outcome.findings());
      outcome.rows().forEach(findings::seeMonth);
      outcome.rows().forEach(checks::see);
      outcome.rows().forEach(writer::add);
      if (dealChecks != null) {
        seeDeals(dealChecks, cells, outcome);
      }
      lastLine = line.line();
      lastOutcome = outcome;
    }

    private void seeDeals(DealChecks to, List<String> cells, LineOutcome outcome) {
      for (LoadRow row : outcome.rows()) {
        if (row instanceof LoadRow.OfDeal deal) {
          to.see(deal.deal());
        }
      }
      if (outcome.part() == Reconciliation.Part.HELD) {
        heldDeals.add(header.cell(Header.Role.DEAL, cells));
      }
    }

    /** Control totals in smallest units: those given, else those of a total line at the end. */
    Map<Measure, Long> controls() {
      Map<Measure, Long> given =
          ControlTotals.units(request.controlTotals(), header.measures(), spec.writing());
      return given.isEmpty() && request.isTrailerControl() ? trailer() : given;
    }

    /** The sums that a total line at the end of the file has, empty where there is none. */
    private Map<Measure, Long> trailer() {
      Map<Measure, Long> totals = new java.util.LinkedHashMap<>();
      LineOutcome last = lastOutcome;
      if (last == null
          || last.findings().stream().noneMatch(f -> f.code() == FindingCode.TOTAL_LINE)) {
        return totals;
      }
      for (int m = 0; m < header.measures().size(); m++) {
        if (last.amounts()[m] != 0) {
          totals.put(header.measures().get(m), last.amounts()[m]);
        }
      }
      return totals;
    }

    private List<Finding> fileFindings() {
      List<Finding> found = new ArrayList<>(checks.findings());
      if (dealChecks != null) {
        found.addAll(dealChecks.findings(heldDeals));
      }
      Map<Measure, Reconciliation.Sums> byMeasure = sums.sums();
      trailer()
          .forEach(
              (measure, given) -> {
                long data = Objects.requireNonNull(byMeasure.get(measure)).data();
                if (data != given) {
                  found.add(
                      Finding.of(
                          lastLine,
                          null,
                          FindingCode.TRAILER_DIFFERS,
                          "given",
                          spec.shown(measure, given),
                          "measure",
                          measure.code(),
                          "found",
                          spec.shown(measure, data)));
                }
              });
      return found;
    }
  }
}
