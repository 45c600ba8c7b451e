package zealoustarget.server.intake.posting;

import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.intake.checking.Checking;
import zealoustarget.server.intake.corrections.FixEntity;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.sheet.FormatRules;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.intake.upload.RememberedHeaders;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.ledger.state.PostedLoad;
import zealoustarget.server.ledger.state.Preview;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.platform.state.RecordState;

/** Posts, reverses and discards loads; one at a time, each in one transaction. */
@Service
public class LoadService {
  private static final int LONGEST_REASON = 400;

  private final LoadStore store;
  private final StagingService staging;
  private final RememberedHeaders remembered;
  private final SheetStore sheets;
  private final Checking checking;
  private final LoadJobs jobs;
  private final LedgerService ledgers;
  private final Seals seals;
  private final Audit audit;
  private final TransactionTemplate transaction;
  private final Clock clock;
  private final RecordState record;
  private final DataState state;
  private final HeldLoads held;

  LoadService(
      LoadStore store,
      StagingService staging,
      RememberedHeaders remembered,
      SheetStore sheets,
      Checking checking,
      LoadJobs jobs,
      LedgerService ledgers,
      Seals seals,
      Audit audit,
      TransactionTemplate transaction,
      Clock clock,
      RecordState record,
      DataState state,
      HeldLoads held) {
    this.held = held;
    this.state = state;
    this.record = record;
    this.store = store;
    this.staging = staging;
    this.remembered = remembered;
    this.sheets = sheets;
    this.checking = checking;
    this.jobs = jobs;
    this.ledgers = ledgers;
    this.seals = seals;
    this.audit = audit;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** Removes what an earlier halt left half-read, and brings the posted loads into memory. */
  public void open() {
    store.enteredUnposted().forEach(load -> staging.remove(load.id));
    store.inState(LoadState.READING).forEach(staging::recover);
    List<String> damaged =
        ledgers
            .open(
                inOrder(LoadState.POSTED),
                inOrder(LoadState.REVERSED),
                seals.stored(),
                (id, digest) -> store.change(id, load -> load.rowDigest = digest))
            .stream()
            .map(id -> subject(store.get(id)))
            .toList();
    damaged.forEach(load -> record.damaged(PostingWords.rowsDiffer(load)));
  }

  private List<PostedLoad> inOrder(LoadState state) {
    return store.inState(state).stream()
        .sorted(Comparator.comparing(load -> load.postOrder))
        .map(load -> load.toPosted(load.postOrder, load.mode()))
        .toList();
  }

  /** Whether any load was ever kept. */
  public boolean isEmpty() {
    return store.isEmpty();
  }

  /**
   * Posts the ready rows, all or nothing.
   *
   * @param isLeavingHeld whether lines that are held back may stay behind
   * @param because why a control total is not met, or null
   * @param mode how actuals lie over what is posted
   * @param isCorrecting whether sealed months may be touched, as a correction
   * @throws Refusal load-unknown, load-busy, load-not-staged, nothing-ready, lines-held,
   *     control-total-differs, members-gone, measure-gone, sum-too-large, month-sealed
   */
  public void post(
      int id,
      boolean isLeavingHeld,
      @Nullable String because,
      PostMode mode,
      boolean isCorrecting) {
    postQuietly(id, isLeavingHeld, because, mode, isCorrecting);
    checkHeld(id);
  }

  /** The same; loads that wait for what it brings are the caller's to check again. */
  public void postQuietly(
      int id,
      boolean isLeavingHeld,
      @Nullable String because,
      PostMode mode,
      boolean isCorrecting) {
    state.inTurn(() -> postInTurn(id, isLeavingHeld, because, mode, isCorrecting, () -> {}));
  }

  /** Members came or went with a load: what waits for them is checked again. */
  private void checkHeld(int id) {
    LoadKind kind = store.get(id).kind;
    if (kind == LoadKind.ROSTER || kind == LoadKind.PRODUCTS) {
      held.checkAgain(0);
    }
  }

  /**
   * Posts goals that were entered; whoever enters them has the turn.
   *
   * @param together what is stored in the same transaction
   * @throws Refusal as {@link #post}
   */
  public void postEntered(int id, Runnable together) {
    postInTurn(id, false, null, PostMode.ADD, false, together);
  }

  private static void checkSeals(LedgerService.Prepared prepared, boolean isCorrecting) {
    List<String> months = prepared.sealedMonths().stream().map(YearMonth::toString).toList();
    if (!months.isEmpty() && !isCorrecting) {
      throw Refusal.of(
              "month-sealed", PostingWords.touchesClosed(String.join(", ", months), months.size()))
          .with("months", months);
    }
  }

  /**
   * What a load would be posted from, were it posted now: the same text as long as its lines are
   * the same.
   *
   * @throws Refusal as {@link #post}
   */
  String ground(int id, boolean isLeavingHeld, @Nullable String because, boolean isCorrecting) {
    LoadEntity load = store.get(id);
    checkPostable(load, isLeavingHeld, because);
    LedgerService.Prepared prepared =
        ledgers.with(load.toPosted(store.nextPostOrder(), PostMode.ADD));
    checkSeals(prepared, isCorrecting);
    return Objects.requireNonNull(prepared.digest());
  }

  private void postAlone(
      int id,
      boolean isLeavingHeld,
      @Nullable String because,
      PostMode mode,
      boolean isCorrecting,
      Runnable together) {
    LoadEntity load = store.get(id);
    checkPostable(load, isLeavingHeld, because);
    int order = store.nextPostOrder();
    LedgerService.Prepared prepared = ledgers.with(load.toPosted(order, mode));
    checkSeals(prepared, isCorrecting);
    Runnable remembering = remembering(load);
    transaction.executeWithoutResult(
        status -> {
          store.change(
              id,
              changed -> {
                changed.state = LoadState.POSTED;
                changed.postOrder = order;
                changed.postedAt = clock.instant();
                changed.because = because;
                changed.mode = mode;
                changed.rowDigest = prepared.digest();
              });
          audit.add(
              AuditKind.LOAD_POSTED,
              id,
              subject(load),
              null,
              posting(load, mode, because, prepared));
          remembering.run();
          together.run();
        });
    ledgers.apply(prepared);
  }

  /**
   * Takes a posted load out again; goals and stays that it replaced count again.
   *
   * @param isCorrecting whether sealed months may be touched, as a correction
   * @throws Refusal load-unknown, load-not-posted, load-in-use, month-sealed
   */
  public void reverse(int id, boolean isCorrecting) {
    state.inTurn(() -> reverseInTurn(id, isCorrecting, () -> {}));
    checkHeld(id);
  }

  /** Whether a load can be reversed; refused as {@link #reverse}. */
  LedgerService.Prepared checkReverse(int id, boolean isCorrecting) {
    LoadEntity load = store.get(id);
    if (load.state != LoadState.POSTED) {
      throw stateRefusal("load-not-posted", load, PostingWords.ONLY_POSTED_LOAD_CAN_BE_REVERSED);
    }
    LedgerService.Prepared prepared = ledgers.without(id);
    checkSeals(prepared, isCorrecting);
    return prepared;
  }

  /**
   * Posts; whoever does has the turn.
   *
   * @param together what is stored in the same transaction
   */
  void postInTurn(
      int id,
      boolean isLeavingHeld,
      @Nullable String because,
      PostMode mode,
      boolean isCorrecting,
      Runnable together) {
    jobs.alone(id, () -> postAlone(id, isLeavingHeld, because, mode, isCorrecting, together));
  }

  /** Reverses; whoever does has the turn. */
  void reverseInTurn(int id, boolean isCorrecting, Runnable together) {
    LedgerService.Prepared prepared = checkReverse(id, isCorrecting);
    LoadEntity load = store.get(id);
    transaction.executeWithoutResult(
        status -> {
          store.change(
              id,
              changed -> {
                changed.state = LoadState.REVERSED;
                changed.reversedAt = clock.instant();
              });
          audit.add(
              AuditKind.LOAD_REVERSED,
              id,
              subject(load),
              posting(load, load.mode(), load.because, prepared),
              null);
          together.run();
        });
    ledgers.apply(prepared);
  }

  /**
   * Forgets a staged load with all its lines.
   *
   * @throws Refusal load-unknown, load-not-staged
   */
  public void discard(int id) {
    state.inTurn(() -> discardAlone(id));
  }

  private void discardAlone(int id) {
    LoadEntity load = store.get(id);
    if (load.state != LoadState.STAGED && load.state != LoadState.RECEIVED) {
      throw stateRefusal("load-not-staged", load, PostingWords.ONLY_STAGED_LOAD_CAN_BE_DISCARDED);
    }
    jobs.alone(
        id,
        () ->
            staging.remove(
                id, () -> audit.add(AuditKind.LOAD_DISCARDED, id, subject(load), null, null)));
  }

  /** What an entry about a load is about. */
  public static String subject(LoadEntity load) {
    return PostingWords.load(load.id, load.fileName);
  }

  private static String posting(
      LoadEntity load, PostMode mode, @Nullable String because, LedgerService.Prepared prepared) {
    List<String> parts = new ArrayList<>();
    parts.add(PostingWords.kindAndLines(load.kind.word(), load.ready, mode.word()));
    if (load.held > 0) {
      parts.add(PostingWords.heldBack(load.held));
    }
    if (because != null) {
      parts.add("because: " + because);
    }
    if (!prepared.sealedMonths().isEmpty()) {
      parts.add(
          PostingWords.correctsClosed(
              String.join(
                  ", ", prepared.sealedMonths().stream().map(YearMonth::toString).toList())));
    }
    return String.join("; ", parts);
  }

  /**
   * What loads leave open about a month.
   *
   * @param staged loads with lines in it that are not posted, by file name
   * @param holding posted loads with lines in it that hold lines back
   * @param differing posted loads with lines in it whose control total is not met
   */
  public record OpenEnds(List<String> staged, List<String> holding, List<String> differing) {}

  /** What loads leave open about a month, before it is sealed. */
  public OpenEnds openEnds(YearMonth month) {
    List<LoadEntity> touching = store.ofMonth(Months.number(month));
    return new OpenEnds(
        names(touching, load -> load.state == LoadState.STAGED),
        names(touching, load -> load.state == LoadState.POSTED && load.held > 0),
        names(touching, load -> load.state == LoadState.POSTED && !load.isControlTotalMet()));
  }

  private static List<String> names(List<LoadEntity> loads, Predicate<LoadEntity> isMeant) {
    return loads.stream().filter(isMeant).map(load -> load.fileName).toList();
  }

  /**
   * What a staged load would change, posted in a mode; nothing is changed.
   *
   * @param mode null for the one that is proposed
   * @param axis whose figures are compared, for actuals
   */
  Preview preview(int id, @Nullable PostMode mode, Axis axis) {
    LoadEntity load = store.get(id);
    if (load.state != LoadState.STAGED) {
      throw stateRefusal("load-not-staged", load, PostingWords.ONLY_STAGED_LOAD_CAN_BE_TRIED);
    }
    return ledgers.preview(load.toPosted(store.nextPostOrder(), PostMode.ADD), mode, axis);
  }

  /** What has it kept that the next file with this header is to be read as this one was. */
  private Runnable remembering(LoadEntity load) {
    if (load.remainderOf != null || load.enteredBy != null || !sheets.has(load.id)) {
      return () -> {};
    }
    LoadRequest request = staging.request(load);
    StoredSheet sheet = sheets.get(load.id);
    Map<String, ColumnRule> columns;
    try {
      columns = new HashMap<>(checking.columns(load.fileName, request, sheet).spec().columns());
    } catch (Refusal lacking) {
      return () -> {}; // the rules has changed since it was staged; it is posted all the same
    }
    columns.replaceAll((title, rule) -> rule.confirmed());
    LoadRequest settled = FormatRules.settled(request.withColumns(columns), sheet);
    return () -> remembered.remember(sheet.titles(), settled, load.fileName);
  }

  /** Those of some loads of which lines were decided about. */
  public List<Integer> decidedAmong(Set<Integer> ids) {
    return store.decidedAmong(ids);
  }

  /** What was decided about lines of a load, in words, by line. */
  public Map<Integer, List<String>> decisions(int id, @Nullable Set<Integer> lines) {
    Map<Integer, List<String>> words = new HashMap<>();
    List<FixEntity> fixes = store.fixes(id, lines);
    if (!fixes.isEmpty()) {
      List<String> titles = sheets.has(id) ? sheets.get(id).titles() : List.of();
      fixes.forEach(
          fix -> words.computeIfAbsent(fix.line, line -> new ArrayList<>()).add(fix.words(titles)));
    }
    return words;
  }

  /** File names by load, for the proof of a figure. */
  public Map<Integer, String> fileNames() {
    return store.fileNames();
  }

  private static void checkPostable(
      LoadEntity load, boolean isLeavingHeld, @Nullable String because) {
    if (load.state != LoadState.STAGED) {
      throw stateRefusal("load-not-staged", load, PostingWords.ONLY_STAGED_LOAD_CAN_BE_POSTED);
    }
    if (load.held > 0 && !isLeavingHeld) {
      throw Refusal.of("lines-held", PostingWords.linesAreHeldBack(load.held))
          .with("held", load.held);
    }
    if (load.ready == 0) {
      throw Refusal.of("nothing-ready", PostingWords.NO_LINE_IS_READY);
    }
    checkControlTotal(load, because);
  }

  private static void checkControlTotal(LoadEntity load, @Nullable String because) {
    if (because != null && because.length() > LONGEST_REASON) {
      throw Refusal.of(
          "value-unknown", PostingWords.becauseMustHaveAtMostCharacters(LONGEST_REASON));
    }
    if (!load.isControlTotalMet() && (because == null || because.isBlank())) {
      List<String> measures =
          load.sums.stream().filter(sum -> !sum.isMet()).map(sum -> sum.measure).toList();
      throw Refusal.of(
              "control-total-differs",
              PostingWords.controlTotalOfDoesNotMatch(String.join(", ", measures)))
          .with("measures", measures);
    }
  }

  private static Refusal stateRefusal(String code, LoadEntity load, String rule) {
    return Refusal.of(code, PostingWords.loadIs(load.id, load.state.word(), rule))
        .with("state", load.state.word());
  }
}
