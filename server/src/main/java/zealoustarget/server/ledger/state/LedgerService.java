package zealoustarget.server.ledger.state;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiConsumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.Change;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.ReadLog;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.LinesOfMonths;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.ledger.overlay.LoadScope;
import zealoustarget.core.ledger.overlay.Overlay;
import zealoustarget.core.ledger.overlay.SealedMonths;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.access.authorization.RowAccess;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.SealedLoad;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.storage.ProductRowEntity;
import zealoustarget.server.ledger.storage.RowStore;
import zealoustarget.server.ledger.storage.StayRowEntity;
import zealoustarget.server.masterdata.MemberNames;
import zealoustarget.server.masterdata.MemberStore;
import zealoustarget.server.platform.state.DataState;

/**
 * Holds the ledger of the posted loads: one immutable state that is swapped whole.
 *
 * <p>A change is first prepared beside the state in force, then stored by the caller, then put in
 * force; readers see the state before or after, never between.
 */
@Service
public class LedgerService implements MemberNames {
  private static final Logger LOG = LoggerFactory.getLogger(LedgerService.class);

  /** A state of the ledger that is not in force yet; putting it in force cannot fail. */
  public static final class Prepared {
    private final State next;
    private final List<YearMonth> sealedMonths;
    private final @Nullable String digest;

    private Prepared(State next, List<YearMonth> sealedMonths, @Nullable String digest) {
      this.next = next;
      this.sealedMonths = List.copyOf(sealedMonths);
      this.digest = digest;
    }

    /** Digest of the rows of the load that comes to it; null where none does. */
    public @Nullable String digest() {
      return digest;
    }

    /** Sealed months that the change would touch, by month. */
    public List<YearMonth> sealedMonths() {
      return sealedMonths;
    }

    /** What the figures would be. */
    public Ledger ledger() {
      return next.posted();
    }
  }

  /**
   * The ledger's part of the state of the data.
   *
   * @param posted everything as it is posted now
   * @param read what is read of it with the seals in force
   */
  private record State(
      Ledger posted,
      Both read,
      Map<Integer, LoadedRows> loads,
      PostedDeals deals,
      List<Seal> seals) {
    static final State EMPTY =
        new State(
            Ledger.empty(),
            new Both(Ledger.empty(), Ledger.empty(), Set.of(), Map.of()),
            Map.of(),
            PostedDeals.NONE,
            List.of());

    State {
      loads = Map.copyOf(loads);
      seals = List.copyOf(seals);
    }
  }

  /** Measures whose actuals are won deals. */
  public static final DataState.Part<Set<String>> FED = new DataState.Part<>();

  /** Stands for the snapshots of deals where it is told which months were read. */
  private static final int DEALS = -1;

  private static final DataState.Part<State> PART = new DataState.Part<>();

  /**
   * The two readings of sealed months; docs/calculations.md, section 2.
   *
   * @param closed sealed months as they were
   * @param restated actuals, places and lines as they are posted now, goals of sealed months as
   *     they were; the same object while nothing differs
   * @param months by number, in which the two may differ
   * @param then by seal, its month as its loads made it, once that was asked for
   */
  private record Both(
      Ledger closed, Ledger restated, Set<Integer> months, Map<Integer, Ledger> then) {}

  /**
   * One state of the data as the account that acts may see it, for the whole of an answer.
   *
   * @param closed sealed months as they were
   * @param restated with what was posted since
   * @param months by number, in which the two may differ
   * @param wholeClosed and {@code wholeRestated}: whoever asks, for what is common knowledge
   * @param sources of the posted loads that have one, by load
   */
  public record Readings(
      Ledger closed,
      Ledger restated,
      Set<Integer> months,
      Ledger wholeClosed,
      Ledger wholeRestated,
      Map<Integer, String> sources) {}

  private final RowStore rows;
  private final MemberStore members;
  private final RowAccess rowAccess;
  private final DataState dataState;
  private final Map<Integer, PostedLoad> everPosted = new ConcurrentHashMap<>();

  LedgerService(RowStore rows, MemberStore members, RowAccess rowAccess, DataState dataState) {
    this.dataState = dataState;
    this.rows = rows;
    this.members = members;
    this.rowAccess = rowAccess;
  }

  private State state() {
    State state = dataState.get(PART);
    return state == null ? State.EMPTY : state;
  }

  /**
   * What is read, as far as the account that acts may see it: sealed months as they were sealed,
   * all others as they are posted.
   */
  public Ledger current() {
    return read(state().read().closed(), rowAccess::narrow);
  }

  /** A ledger narrowed to what may be seen, and what is read of it noted. */
  private Ledger read(Ledger whole, UnaryOperator<Ledger> narrow) {
    Ledger seen = narrow.apply(whole);
    ReadLog log = dataState.readLog();
    if (seen != whole) {
      log.everything(); // which members may be seen lies in the rows of all months
    }
    return seen.watched(log);
  }

  /** Both readings of the state in force. */
  public Readings readings() {
    State now = state();
    return readings(now.read(), now.loads(), rowAccess::narrow);
  }

  /** Both readings of a state that is not in force. */
  public Readings readings(Prepared prepared) {
    dataState.readLog().everything();
    return readings(prepared.next.read(), prepared.next.loads(), rowAccess::narrowOnce);
  }

  private Readings readings(
      Both read, Map<Integer, LoadedRows> loads, UnaryOperator<Ledger> narrow) {
    Map<Integer, String> sources = new HashMap<>();
    loads.forEach(
        (id, rows) -> {
          // a snapshot of deals is late for nobody
          if (rows.load().source() != null && rows.deals() == null) {
            sources.put(id, rows.load().source());
          }
        });
    Ledger closed = read(read.closed(), narrow);
    Ledger wholeClosed = read(read.closed(), UnaryOperator.identity());
    boolean isOne = read.restated() == read.closed();
    return new Readings(
        closed,
        isOne ? closed : read(read.restated(), narrow),
        read.months(),
        wholeClosed,
        isOne ? wholeClosed : read(read.restated(), UnaryOperator.identity()),
        sources);
  }

  /** Whoever asks: the own member's name, or that of an account that is looked after. */
  @Override
  public String nameOf(Axis axis, String key) {
    return state().read().closed().members().findByKey(axis, key).map(Member::name).orElse(key);
  }

  /** Whether the account that acts may see a rep's pay of a month. */
  public boolean seesRep(int rep, YearMonth month) {
    return rowAccess.seesRep(state().read().closed().members(), rep, month);
  }

  /** Whether the account that acts may see and write notes on a member and month. */
  public boolean seesNote(int member, YearMonth month) {
    return rowAccess.seesNote(state().read().closed().members(), member, month);
  }

  /**
   * Everything as it is posted now, corrections of sealed months too, whoever asks: what is shown
   * of it has to be narrowed by {@link #seesRep}.
   */
  public Ledger posted() {
    return read(state().posted(), UnaryOperator.identity());
  }

  /** Snapshots of deals as far as the account that acts may see them. */
  public List<DealSnapshot> seen(List<DealSnapshot> some) {
    if (rowAccess.isEverything()) {
      return some;
    }
    DealSnapshot.Sight sight = rowAccess.dealSight(state().read().closed().members());
    return some.stream().map(snapshot -> snapshot.only(sight)).toList();
  }

  /** The posted snapshots of deals in the order of their posting, whoever asks. */
  public List<DealSnapshot> postedSnapshots() {
    dataState.readLog().month(DEALS);
    return state().deals().snapshots();
  }

  /** The loads that are posted, in their order, as a seal keeps them. */
  public List<SealedLoad> postedLoads() {
    dataState.readLog().everything();
    return inOrder(state().loads());
  }

  /** One digest for the rows of {@link #postedLoads}. */
  public String rowsOfPosted() {
    Map<Integer, LoadedRows> loads = state().loads();
    return SealedLoad.rows(inOrder(loads), id -> Objects.requireNonNull(loads.get(id)).digest());
  }

  private static List<SealedLoad> inOrder(Map<Integer, LoadedRows> loads) {
    return loads.values().stream()
        .map(LoadedRows::load)
        .sorted(Comparator.comparingInt(PostedLoad::order))
        .map(LedgerService::sealedLoad)
        .toList();
  }

  /** The same loads, read with other seals. */
  public Prepared withSeals(List<Seal> next) {
    Prepared prepared = prepared(state().posted(), state().loads(), next, List.of(), null);
    share(prepared.next, state());
    return prepared;
  }

  /**
   * Reads all posted loads at the start.
   *
   * @param reversed loads that a sealed month may still need
   * @param inForce the seals
   * @param undigested is told the digest of each load whose rows have none yet
   * @return numbers of the loads whose rows are not those that were posted; where there are any,
   *     the ledger stays empty
   */
  public List<Integer> open(
      List<PostedLoad> posted,
      List<PostedLoad> reversed,
      List<Seal> inForce,
      BiConsumer<Integer, String> undigested) {
    reversed.forEach(load -> everPosted.put(load.id(), load));
    Map<Integer, LoadedRows> loads = new HashMap<>();
    posted.parallelStream()
        .map(this::readWhole)
        .filter(Objects::nonNull)
        .toList()
        .forEach(loaded -> loads.put(loaded.load().id(), loaded));
    List<Integer> damaged = new ArrayList<>();
    for (PostedLoad load : posted) {
      if (!loads.containsKey(load.id())) {
        damaged.add(load.id());
      } else if (load.digest() == null) {
        undigested.accept(load.id(), loads.get(load.id()).digest());
      }
    }
    apply(
        damaged.isEmpty()
            ? new Prepared(opened(loads, inForce), List.of(), null)
            : new Prepared(
                new State(Ledger.empty(), State.EMPTY.read(), Map.of(), PostedDeals.NONE, inForce),
                List.of(),
                null));
    return damaged;
  }

  /** The state of loads and seals that was made from nothing else. */
  private State opened(Map<Integer, LoadedRows> loads, List<Seal> inForce) {
    Ledger posted = build(loads);
    return new State(
        posted,
        asSealed(posted, loads, inForce, Map.of()),
        loads,
        PostedDeals.of(loads, PostedDeals.NONE),
        inForce);
  }

  /** A load's rows; null where they are not those that were posted, or cannot be read at all. */
  private @Nullable LoadedRows readWhole(PostedLoad load) {
    try {
      LoadedRows loaded = rows.read(load);
      return loaded.isWhole() ? loaded : null;
    } catch (RuntimeException unreadable) {
      LOG.error("the rows of load {} cannot be read", load.id(), unreadable);
      return null;
    }
  }

  /**
   * The ledger with one more load.
   *
   * @throws Refusal members-gone if the load names reps or products that are not known any more;
   *     sum-too-large if all posted amounts of a measure could pass what can be summed
   */
  public Prepared with(PostedLoad load) {
    Map<Integer, LoadedRows> loads = new HashMap<>(state().loads());
    LoadedRows added = rows.read(load);
    loads.put(load.id(), added);
    Prepared prepared = prepare(loads, added);
    if (!unknownMembers(prepared, List.of(load.id())).isEmpty()) {
      throw Refusal.of("members-gone", StateWords.MEMBERS_WERE_REVERSED);
    }
    prepared.ledger().checkSums();
    return prepared;
  }

  /**
   * What posting a load would change, without posting it.
   *
   * @param mode null for the mode that is proposed
   * @param axis whose actuals are compared
   */
  public Preview preview(PostedLoad load, @Nullable PostMode mode, Axis axis) {
    Ledger before = state().posted();
    LoadedRows loaded = rows.read(load);
    boolean hasActuals = !loaded.actuals().isEmpty();
    PostMode proposed = hasActuals ? Overlay.proposed(loaded.actuals(), before) : PostMode.ADD;
    PostMode looked = mode == null ? proposed : mode;
    Map<Integer, LoadedRows> loads = new HashMap<>(state().loads());
    loads.put(load.id(), loaded.withMode(looked));
    Prepared after = prepare(loads, loaded.withMode(looked));
    return new Preview(
        proposed,
        looked,
        hasActuals ? LoadScope.of(loaded.actuals(), after.ledger().members()) : null,
        hasActuals ? Change.ofActuals(before, after.ledger(), axis, load.measures()) : List.of(),
        load.goalSet() == null ? List.of() : Change.ofGoals(before, after.ledger(), load.goalSet()),
        after.ledger(),
        after.sealedMonths());
  }

  /**
   * The ledger without one of its loads.
   *
   * @throws Refusal load-in-use if other posted loads need the reps or products that it brought
   */
  public Prepared without(int loadId) {
    Map<Integer, LoadedRows> loads = new HashMap<>(state().loads());
    LoadedRows removed =
        Objects.requireNonNull(loads.remove(loadId)); // only posted loads are reversed
    Prepared prepared = prepare(loads, removed);
    List<Integer> needing = unknownMembers(prepared, loads.keySet());
    if (!needing.isEmpty()) {
      throw Refusal.of(
              "load-in-use",
              StateWords.otherLoadsNeedIt(
                  String.join(", ", needing.stream().map(String::valueOf).toList())))
          .with("loads", needing);
    }
    return prepared;
  }

  /** The same ledger with a goal set under another name. */
  public Prepared withGoalSetNamed(String from, String to) {
    Map<Integer, LoadedRows> loads = new HashMap<>();
    state()
        .loads()
        .forEach(
            (id, rows) ->
                loads.put(id, from.equals(rows.load().goalSet()) ? rows.withGoalSet(to) : rows));
    return prepared(build(loads), loads, state().seals(), List.of(), null);
  }

  /**
   * Goals that stand beside single lines of actuals, as the posted loads of a set have them.
   *
   * @return amounts in smallest units by {@link #place}
   */
  public Map<Long, Long> lineGoals(String goalSet, String measure) {
    dataState.readLog().everything();
    Map<Long, Long> goals = new HashMap<>();
    state().loads().values().stream()
        .map(LoadedRows::load)
        .filter(load -> load.kind() == LoadKind.ACTUALS && goalSet.equals(load.goalSet()))
        .filter(load -> load.measures().contains(measure))
        .forEach(
            load ->
                rows.lineGoals(load, measure)
                    .forEach((line, amount) -> goals.put(place(load.id(), line), amount)));
    return goals;
  }

  /**
   * What posted loads brought to one goal, in the order of their posting; the last one stands. A
   * load that took the goal away has the amount {@link Amounts#CLEARED}.
   */
  public List<GoalBook.Cell> goalHistory(String goalSet, String measure, int month, int member) {
    dataState.readLog().everything();
    return state().loads().values().stream()
        .filter(loaded -> goalSet.equals(loaded.load().goalSet()))
        .sorted(Comparator.comparingInt(loaded -> loaded.load().order()))
        .flatMap(loaded -> loaded.goals().stream())
        .filter(cell -> cell.month() == month && cell.member() == member)
        .filter(cell -> cell.measure().equals(measure))
        .toList();
  }

  /**
   * Where mail reaches the reps, by key: the address of the latest stay that gives one. Reps
   * without one are not in it.
   */
  public Map<String, String> mailAddresses() {
    Map<Integer, StayRowEntity> latest = new HashMap<>();
    state().loads().values().stream()
        .sorted(Comparator.comparingInt(rows -> rows.load().order()))
        .flatMap(rows -> rows.stays().stream())
        .filter(stay -> stay.mail != null)
        .forEach(
            stay -> latest.merge(stay.repId, stay, (a, b) -> b.fromMonth >= a.fromMonth ? b : a));
    return latest.values().stream()
        .collect(Collectors.toMap(stay -> members.key(stay.repId), stay -> stay.mail));
  }

  /** The source's order keys of some lines of a load, by line; lines without one are missing. */
  public Map<Integer, String> orderTexts(int loadId, Set<Integer> lines) {
    return rows.orders(loadId, lines);
  }

  /** A load's line as one number. */
  public static long place(int loadId, int line) {
    return (long) loadId << 32 | line;
  }

  public boolean isPosted(int loadId) {
    dataState.readLog().everything();
    return state().loads().containsKey(loadId);
  }

  /** Puts a prepared state in force; whoever prepared it still has the turn. */
  public void apply(Prepared prepared) {
    prepared.next.loads().forEach((id, loaded) -> everPosted.put(id, loaded.load()));
    DataState.Next next =
        new DataState.Next().with(PART, prepared.next).with(Seals.IN_FORCE, prepared.next.seals());
    Set<Integer> changed = monthsThatDiffer(state(), prepared.next);
    if (changed != null) {
      next.changingOnly(changed, !prepared.next.posted().hasMonthsOf(state().posted()));
    }
    dataState.swap(next);
    Both read = prepared.next.read();
    rowAccess.forgetAllBut(
        read.closed() == read.restated()
            ? Set.of(read.closed())
            : Set.of(read.closed(), read.restated()));
  }

  /** Months of which any reading has other rows; null where anything else differs too. */
  private static @Nullable Set<Integer> monthsThatDiffer(State before, State next) {
    Set<Integer> posted = next.posted().monthsThatDiffer(before.posted());
    Set<Integer> closed = next.read().closed().monthsThatDiffer(before.read().closed());
    Set<Integer> restated = next.read().restated().monthsThatDiffer(before.read().restated());
    if (posted == null
        || closed == null
        || restated == null
        || !next.seals().equals(before.seals())) {
      return null;
    }
    Set<Integer> all = new HashSet<>(posted);
    all.addAll(closed);
    all.addAll(restated);
    before.read().months().stream()
        .filter(month -> !next.read().months().contains(month))
        .forEach(all::add);
    next.read().months().stream()
        .filter(month -> !before.read().months().contains(month))
        .forEach(all::add);
    if (next.deals() != before.deals()) {
      all.add(DEALS);
    }
    return all;
  }

  /** Measures whose actuals are won deals, of the rules in force. */
  private Set<String> fed() {
    Set<String> fed = dataState.get(FED);
    return fed == null ? Set.of() : fed;
  }

  /** Whether a load's won deals are actuals. */
  private boolean isFeeding(LoadedRows rows) {
    return rows.deals() != null && rows.load().measures().stream().anyMatch(fed()::contains);
  }

  /** Whether a load leaves rows, goals and members as they are: deals that feed nothing. */
  private boolean isBesideTheLedger(LoadedRows rows) {
    DealSnapshot deals = rows.deals();
    return deals != null && !isFeeding(rows) && deals.namedRegions().findAny().isEmpty();
  }

  /** Reads the same loads again where other measures are fed by won deals than before. */
  public void feed() {
    Map<Integer, LoadedRows> loads = state().loads();
    if (loads.values().stream().anyMatch(rows -> rows.deals() != null)) {
      apply(prepared(build(loads), loads, state().seals(), List.of(), null));
    }
  }

  /**
   * The state of some loads.
   *
   * @param changed the load by which they differ from those in force
   */
  private Prepared prepare(Map<Integer, LoadedRows> loads, LoadedRows changed) {
    boolean isOnTop = changed.isOnlyActuals() && loads.containsKey(changed.load().id());
    Ledger before = state().posted();
    Ledger after =
        isBesideTheLedger(changed)
            ? before
            : isOnTop ? onTop(before, changed, loads) : build(loads);
    Prepared prepared =
        prepared(after, loads, state().seals(), touchedBy(changed, after), changed.digest());
    if (changed.stays().isEmpty() && changed.products().isEmpty()) {
      share(prepared.next, state());
    }
    return prepared;
  }

  /** Takes over sums of a state in which everybody has the same places, but for sealed months. */
  private static void share(State next, State before) {
    next.posted().sharing(before.posted(), Set.of());
    Both read = next.read();
    if (read.closed() != next.posted()) {
      Set<Integer> differing = new HashSet<>(read.months());
      differing.addAll(before.read().months());
      read.closed().sharing(before.read().closed(), differing);
      read.restated().sharing(before.read().restated(), Set.of());
    }
  }

  private Prepared prepared(
      Ledger posted,
      Map<Integer, LoadedRows> loads,
      List<Seal> sealed,
      List<YearMonth> touched,
      @Nullable String digest) {
    Both read = asSealed(posted, loads, sealed, state().read().then());
    return new Prepared(
        new State(posted, read, loads, PostedDeals.of(loads, state().deals()), sealed),
        touched,
        digest);
  }

  /** Actuals that come last leave goals and members as they are, and most rows too. */
  private Ledger onTop(Ledger before, LoadedRows last, Map<Integer, LoadedRows> loads) {
    boolean bringsRegions =
        last.actuals().stream()
            .flatMap(block -> block.ownRegions().stream())
            .anyMatch(region -> !before.members().isKnown(Axis.REGION, region));
    return bringsRegions
        ? build(loads)
        : new Ledger(
            before.members(),
            Overlay.onTop(before.blocks(), last.layer(), before.members()),
            List.copyOf(before.goalBooks().values()));
  }

  private Ledger build(Map<Integer, LoadedRows> loads) {
    return new LedgerBuilder(loads.values(), members::key, fed()).build();
  }

  /**
   * Sealed months that a load changes: those of which it has rows or goals, in which it corrects
   * orders or moves reps. A roster that says the same again changes none.
   */
  private List<YearMonth> touchedBy(LoadedRows changed, Ledger after) {
    Ledger before = state().posted();
    return state().seals().stream()
        .map(Seal::month)
        .filter(
            month -> {
              int number = Months.number(month);
              return changed.hasRows(number)
                  || (changed.touches(number) || isFeeding(changed))
                      && !SealedMonths.isSame(before, after, number);
            })
        .toList();
  }

  /**
   * The ledger in which each sealed month is as the loads of its sealing made it, and the other.
   */
  private Both asSealed(
      Ledger posted,
      Map<Integer, LoadedRows> loads,
      List<Seal> sealed,
      Map<Integer, Ledger> knownThen) {
    Map<SealedLoad, LoadedRows> rowsByLoad = new HashMap<>();
    loads.values().forEach(one -> rowsByLoad.put(sealedLoad(one.load()), one));
    Set<SealedLoad> now = Set.copyOf(rowsByLoad.keySet());
    Map<Integer, Ledger> known = new HashMap<>(knownThen);
    known.keySet().retainAll(sealed.stream().map(Seal::id).collect(Collectors.toSet()));
    Map<Integer, Ledger> differing = new LinkedHashMap<>();
    for (Seal seal : sealed) {
      int month = Months.number(seal.month());
      if (isTouched(seal, now, rowsByLoad, month)) {
        Ledger then =
            known.computeIfAbsent(seal.id(), id -> asThen(seal.loads(), month, rowsByLoad));
        if (!SealedMonths.isSame(posted, then, month)) {
          differing.put(month, then);
        }
      }
    }
    SealedLines lines = new SealedLines(load -> productsOf(load, rowsByLoad), members::key);
    LinesOfMonths kept = lines.kept(sealed, inOrder(loads));
    Ledger closed = SealedMonths.over(posted, differing, kept);
    Set<Integer> months = new HashSet<>(differing.keySet());
    months.addAll(kept.byMonth().keySet());
    return new Both(
        closed,
        closed == posted ? posted : posted.withGoalsOf(closed),
        Set.copyOf(months),
        Map.copyOf(known));
  }

  /** A month as some loads make it, with the places of members then. */
  private Ledger asThen(List<SealedLoad> loads, int month, Map<SealedLoad, LoadedRows> rowsByLoad) {
    return new LedgerBuilder(
            loads.stream().map(load -> rowsOf(load, rowsByLoad)).toList(), members::key, fed())
        .build(one -> one == month);
  }

  private List<ProductRowEntity> productsOf(SealedLoad load, Map<SealedLoad, LoadedRows> known) {
    LoadedRows read = known.get(load);
    PostedLoad posted =
        read == null ? Objects.requireNonNull(everPosted.get(load.id())) : read.load();
    return posted.kind() == LoadKind.PRODUCTS ? rowsOf(load, known).products() : List.of();
  }

  /** Whether a load that is there only then or only now has anything of the month. */
  private boolean isTouched(
      Seal seal, Set<SealedLoad> now, Map<SealedLoad, LoadedRows> known, int month) {
    Set<SealedLoad> then = new HashSet<>(seal.loads());
    return Stream.concat(
            then.stream().filter(load -> !now.contains(load)),
            now.stream().filter(load -> !then.contains(load)))
        .map(load -> rowsOf(load, known))
        .anyMatch(rows -> rows.touches(month) || isFeeding(rows));
  }

  /** The rows of a load as it was posted then; each is read once. */
  private LoadedRows rowsOf(SealedLoad load, Map<SealedLoad, LoadedRows> known) {
    return known.computeIfAbsent(
        load,
        then ->
            rows.read(
                Objects.requireNonNull(everPosted.get(then.id())).at(then.order(), then.mode())));
  }

  private static SealedLoad sealedLoad(PostedLoad load) {
    return new SealedLoad(load.id(), load.order(), load.mode());
  }

  /** The loads among {@code loadIds} that name a rep or product which nothing posted introduces. */
  private static List<Integer> unknownMembers(Prepared prepared, Collection<Integer> loadIds) {
    return loadIds.stream()
        .sorted()
        .filter(
            id ->
                namesUnknown(
                    prepared.ledger(), Objects.requireNonNull(prepared.next.loads().get(id))))
        .toList();
  }

  private static boolean namesUnknown(Ledger ledger, LoadedRows rows) {
    DealSnapshot deals = rows.deals();
    if (deals != null
        && (hasUnknown(ledger, Axis.REP, deals.namedReps())
            || hasUnknown(ledger, Axis.PRODUCT, deals.namedProducts()))) {
      return true;
    }
    Axis axis = rows.load().axis();
    boolean hasUnknownGoal =
        axis != null
            && !axis.isItsOwnKey()
            && rows.goals().stream()
                .anyMatch(cell -> !ledger.members().isKnown(axis, cell.member()));
    return hasUnknownGoal
        || rows.actuals().stream()
            .anyMatch(
                block ->
                    hasUnknown(ledger, Axis.REP, block.namedReps())
                        || hasUnknown(ledger, Axis.PRODUCT, block.namedProducts()));
  }

  private static boolean hasUnknown(Ledger ledger, Axis axis, IntStream ids) {
    return ids.anyMatch(id -> !ledger.members().isKnown(axis, id));
  }
}
