package zealoustarget.core.ledger;

import java.math.BigInteger;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.OrderBook;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.RowFilter;
import zealoustarget.core.ledger.query.SpanSheet;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.ledger.sums.MonthSums;
import zealoustarget.core.ledger.sums.Places;
import zealoustarget.core.ledger.sums.SpanSums;
import zealoustarget.core.ledger.sums.Tally;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Standing;

/**
 * All posted rows of one state of the data. Immutable: a load that is posted or reversed makes a
 * new ledger that shares every other load's block.
 *
 * <p>Standings are summed from every month's sums by member, which are kept once asked for, or,
 * where filters or groups need it, from the blocks' columns in one pass per span;
 * docs/calculations.md, sections 2 and 3, say how.
 */
public final class Ledger {
  /** Where one source row is: the load and the line of its file, and what it brings. */
  public record Source(int loadId, int line, int month, int rep, long amount) {}

  /** A member of an axis and a month number. */
  public record MemberMonth(int member, int month) {}

  /** Receives a rep and an amount in smallest units. */
  public interface RepAmount {
    void see(int rep, long amount);
  }

  /** Receives the rows that a query matches. */
  private interface RowVisitor {
    void visit(ActualBlock block, int row, int member, long amount);
  }

  private record SumsKey(String measure, Axis axis, int month) {}

  private static final MonthSums NOTHING = new MonthSums(0);

  private final Members members;
  private final List<ActualBlock> blocks;
  private final Map<String, GoalBook> goalBooks;
  private final Map<SumsKey, MonthSums> sums;
  private final int[] months;
  private final @Nullable Ledger whole;
  private final ReadLog log;

  /** Takes blocks in the order of their posting. */
  public Ledger(Members members, List<ActualBlock> blocks, List<GoalBook> goalBooks) {
    this(members, blocks, goalBooks, null);
  }

  /**
   * A part of a ledger.
   *
   * @param whole what it is a part of: which months are empty is common knowledge and told by it;
   *     null where this is all
   */
  public Ledger(
      Members members, List<ActualBlock> blocks, List<GoalBook> goalBooks, @Nullable Ledger whole) {
    this.whole = whole;
    this.log = ReadLog.NONE;
    this.sums = new ConcurrentHashMap<>();
    this.members = members;
    this.blocks = List.copyOf(blocks);
    Map<String, GoalBook> byName = new HashMap<>();
    goalBooks.forEach(book -> byName.put(book.name(), book));
    this.goalBooks = Map.copyOf(byName);
    this.months =
        this.blocks.stream()
            .flatMapToInt(ActualBlock::monthsWithRows)
            .distinct()
            .sorted()
            .toArray();
  }

  private Ledger(Ledger same, ReadLog log) {
    this.whole = same.whole == null ? null : same.whole.watched(log);
    this.log = log;
    this.sums = same.sums;
    this.members = same.members;
    this.blocks = same.blocks;
    this.goalBooks = same.goalBooks;
    this.months = same.months;
  }

  /** The same ledger, which tells what is read of it; goals and members are not told. */
  public Ledger watched(ReadLog told) {
    return told == ReadLog.NONE ? this : new Ledger(this, told);
  }

  /**
   * Takes over what was summed of months in which it does not differ from an earlier ledger.
   *
   * @param except months in which members have other places, by number
   */
  public Ledger sharing(Ledger earlier, Set<Integer> except) {
    if (earlier == this) {
      return this;
    }
    Set<Integer> differing = differing(earlier);
    earlier.sums.forEach(
        (key, known) -> {
          if (!differing.contains(key.month) && !except.contains(key.month)) {
            sums.put(key, known);
          }
        });
    return this;
  }

  /**
   * Months whose rows are not those of an earlier ledger; null where goals or members may differ
   * too.
   */
  public @Nullable Set<Integer> monthsThatDiffer(Ledger earlier) {
    boolean isAlike =
        members == earlier.members
            && goalBooks.keySet().equals(earlier.goalBooks.keySet())
            && goalBooks.entrySet().stream()
                .allMatch(book -> earlier.goalBooks.get(book.getKey()) == book.getValue());
    return isAlike ? differing(earlier) : null;
  }

  private Set<Integer> differing(Ledger earlier) {
    Set<ActualBlock> mine = Collections.newSetFromMap(new IdentityHashMap<>());
    mine.addAll(blocks);
    Set<ActualBlock> theirs = Collections.newSetFromMap(new IdentityHashMap<>());
    theirs.addAll(earlier.blocks);
    return Stream.concat(
            blocks.stream().filter(block -> !theirs.contains(block)),
            earlier.blocks.stream().filter(block -> !mine.contains(block)))
        .flatMapToInt(ActualBlock::monthsWithRows)
        .boxed()
        .collect(Collectors.toSet());
  }

  /** Whether the same months have rows as in an earlier ledger. */
  public boolean hasMonthsOf(Ledger earlier) {
    return Arrays.equals(months, earlier.months);
  }

  /** The same rows with a goal set added or in place of the one of its name. */
  public Ledger withGoals(GoalBook book) {
    Map<String, GoalBook> books = new HashMap<>(goalBooks);
    books.put(book.name(), book);
    return new Ledger(members, blocks, List.copyOf(books.values()), whole)
        .sharing(this, Set.of())
        .watched(log);
  }

  /** The same rows and goals, read by other places of members. */
  public Ledger withMembers(Members others) {
    return new Ledger(others, blocks, List.copyOf(goalBooks.values()));
  }

  /**
   * These rows and places of members with the goals of another ledger, which may know more members.
   */
  public Ledger withGoalsOf(Ledger other) {
    return new Ledger(
        members.knowing(other.members), blocks, List.copyOf(other.goalBooks.values()));
  }

  public static Ledger empty() {
    return new Ledger(Members.none(), List.of(), List.of());
  }

  public Members members() {
    return members;
  }

  public List<ActualBlock> blocks() {
    log.everything();
    return blocks;
  }

  /** The blocks that have rows of some months, in the order of their posting. */
  List<ActualBlock> blocksOf(int firstMonth, int lastMonth) {
    logMonths(firstMonth, lastMonth);
    return blocks.stream()
        .filter(block -> block.firstRowFrom(firstMonth) < block.firstRowFrom(lastMonth + 1))
        .toList();
  }

  private void logMonths(int first, int last) {
    for (int month = first; month <= last; month++) {
      log.month(month);
    }
  }

  /** Whether any row is of a month, by number. */
  public boolean hasMonth(int month) {
    log.extent();
    return Arrays.binarySearch(months, month) >= 0;
  }

  public Map<String, GoalBook> goalBooks() {
    return goalBooks;
  }

  /** Measures that have a posted line, by code. */
  public Set<String> measuresWithActuals() {
    log.everything();
    Set<String> codes = new TreeSet<>();
    filled().forEach(block -> codes.addAll(block.measures()));
    return codes;
  }

  private Stream<ActualBlock> filled() {
    return blocks.stream().filter(block -> block.size() > 0);
  }

  /** Months with a posted line or goal, by number. */
  public int[] postedMonths() {
    log.extent();
    return IntStream.concat(
            Arrays.stream(months),
            goalBooks.values().stream()
                .flatMapToInt(book -> book.cells().stream().mapToInt(GoalBook.Cell::month)))
        .distinct()
        .toArray();
  }

  /** From the first to the last month with a posted line, or null where none is. */
  public @Nullable Span monthsWithActuals() {
    log.extent();
    return months.length == 0
        ? null
        : new Span(Months.of(months[0]), Months.of(months[months.length - 1]));
  }

  /**
   * The last day with a posted line, in the last month that has one; null unless every line of that
   * month has a day. How far a month is posted is common knowledge: sight makes no difference.
   */
  public @Nullable LocalDate lastPostedDay() {
    if (whole != null) {
      return whole.lastPostedDay();
    }
    log.extent();
    return months.length == 0 ? null : lastDayOf(months[months.length - 1]);
  }

  /** {@link #lastPostedDay} if it is in a month; null where that has none or is not the last. */
  public @Nullable LocalDate lastPostedDay(YearMonth month) {
    if (whole != null) {
      return whole.lastPostedDay(month);
    }
    log.extent();
    int number = Months.number(month);
    boolean isLast = months.length > 0 && months[months.length - 1] == number;
    return isLast ? lastDayOf(number) : null;
  }

  private @Nullable LocalDate lastDayOf(int lastMonth) {
    log.month(lastMonth);
    List<ActualBlock> last = filled().filter(block -> block.lastMonth() == lastMonth).toList();
    int day = last.stream().mapToInt(ActualBlock::lastDay).max().orElse(0);
    boolean isDated = day > 0 && last.stream().allMatch(block -> block.lastDay() > 0);
    return isDated ? Months.of(lastMonth).atDay(day) : null;
  }

  /**
   * Makes sure that no sum over these rows can pass the range of a long, whatever is asked.
   *
   * @throws Refusal sum-too-large, naming the measure
   */
  public void checkSums() {
    for (String measure : measuresWithActuals()) {
      BigInteger sum =
          blocks.stream()
              .map(block -> block.absoluteSum(measure))
              .reduce(BigInteger.ZERO, BigInteger::add);
      if (sum.bitLength() > 62) {
        throw Refusal.of(
            "sum-too-large",
            "The posted amounts of " + measure + " together are larger than can be summed.");
      }
    }
  }

  /** Sums of a measure by member and month, smallest units; lines that name none count by −1. */
  public Map<MemberMonth, Long> sums(Axis axis, String measure) {
    log.extent();
    Map<MemberMonth, Long> byPlace = new HashMap<>();
    for (int month : months) {
      MonthSums inMonth = month(measure, axis, month);
      for (int member = -1; member < members.size(axis); member++) {
        if (inMonth.lines(member) > 0) {
          byPlace.put(new MemberMonth(member, month), inMonth.sum(member));
        }
      }
    }
    return byPlace;
  }

  /** What a member has posted in a month, smallest units; null where no line is. */
  public @Nullable Long actual(String measure, Axis axis, int member, int month) {
    MonthSums sums = month(measure, axis, month);
    return sums.lines(member) > 0 ? sums.sum(member) : null;
  }

  /**
   * The mean size of each rep's orders in a span, smallest units cut down; lines without an order
   * key are orders of their own.
   */
  public Map<Integer, Long> averageOrders(String measure, Span span) {
    Map<Integer, Long> sums = new HashMap<>();
    Map<Integer, Set<Long>> keys = new HashMap<>();
    Map<Integer, Integer> counts = new HashMap<>();
    visit(
        measure,
        Filters.NONE,
        span,
        new Places.Plain(Axis.REP, members),
        (block, row, rep, amount) -> {
          if (rep >= 0) {
            sums.merge(rep, amount, Math::addExact);
            long key = block.order(row);
            if (key == 0 || keys.computeIfAbsent(rep, of -> new HashSet<>()).add(key)) {
              counts.merge(rep, 1, Integer::sum);
            }
          }
        });
    Map<Integer, Long> means = new HashMap<>();
    sums.forEach((rep, sum) -> means.put(rep, sum / counts.getOrDefault(rep, 1)));
    return means;
  }

  /** Visits the rows of a measure that name a rep, of the latest months that have rows. */
  public void eachLateRow(int mostMonths, String measure, RepAmount visitor) {
    log.everything();
    int first = months.length == 0 ? 0 : months[Math.max(0, months.length - mostMonths)];
    int reps = members.size(Axis.REP);
    for (ActualBlock block : blocks) {
      long[] amounts = block.amounts(measure);
      int from = block.firstRowFrom(first);
      for (int row = from; amounts != null && row < block.size(); row++) {
        int rep = block.rep(row);
        if (rep >= 0 && rep < reps && amounts[row] != Amounts.NONE) {
          visitor.see(rep, amounts[row]);
        }
      }
    }
  }

  /** The standing of all members of the query's axis, narrowed where the query says so. */
  public Standing standing(StandingQuery query) {
    return new Reader(this, query).standing();
  }

  /** The same in groups of another axis' members, each with its subtotal. */
  public Grouped grouped(StandingQuery query, Axis groupAxis) {
    return new GroupReader(this, query, groupAxis).grouped();
  }

  /** The span's months side by side, with the whole; the same members in all. */
  public SpanSheet sheet(StandingQuery query) {
    Standing whole = standing(query);
    Narrowing kept =
        query.narrowing().isNone()
            ? Narrowing.NONE
            : Narrowing.to(
                whole.rows().stream().map(row -> row.member().id()).collect(Collectors.toSet()));
    boolean isEmpty = whole.rows().isEmpty() && !query.narrowing().isNone();
    return new SpanSheet(
        whole,
        query.span().months().stream()
            .map(month -> query.withSpan(Span.of(month)).withNarrowing(kept))
            .map(month -> isEmpty ? whole : standing(month))
            .toList());
  }

  /** One member's reading, judged, also where it would be no row. */
  public Standing.Row reading(StandingQuery query, int member) {
    return new Reader(this, query).member(member);
  }

  /** The reading of everything in scope, judged. */
  public Standing.Row total(StandingQuery query) {
    return new Reader(this, query).total();
  }

  /** The two sums that a rate divides, smallest units of their measures; of a member or of all. */
  public SpanParts parts(StandingQuery query, @Nullable Integer member) {
    QueryFigures figures = new QueryFigures(this, query, new Places.Plain(query.axis(), members));
    SpanSums.Sum sum = figures.actual().sum();
    for (int place : member == null ? figures.all() : new int[] {member}) {
      sum.add(place);
    }
    return new SpanParts(sum.over(), sum.under());
  }

  /**
   * What a set of another axis assigns to a member, such as the quotas of a region's reps;
   * docs/calculations.md, section 3. Missing where its members do not each belong to one of these.
   *
   * @param member id on the query's axis, or null for all
   */
  public Goal assigned(StandingQuery query, String goalSet, @Nullable Integer member) {
    StandingQuery other = query.withBasis(new Basis.Set(goalSet), query.ladder());
    QueryFigures figures =
        new QueryFigures(this, other, new Places.Plain(query.axis(), members, true));
    return (member == null
            ? figures.read(Standing.ALL, figures.all())
            : figures.read(members.get(query.axis(), member), member))
        .reading()
        .goal();
  }

  /** A rate's numerator and denominator, summed. */
  public record SpanParts(Ratio over, Ratio under) {}

  /**
   * Months in which nothing at all is posted of a measure, ascending; of a rate those without a
   * line of either of its measures. Filters and sight make no difference.
   */
  public List<YearMonth> emptyMonths(Measure measure, Span span) {
    boolean[] isEmpty = isEmptyByMonth(measure, span);
    return IntStream.range(0, isEmpty.length)
        .filter(at -> isEmpty[at])
        .mapToObj(at -> span.fromInclusive().plusMonths(at))
        .toList();
  }

  boolean[] isEmptyByMonth(Measure measure, Span span) {
    int first = Months.number(span.fromInclusive());
    boolean[] isEmpty = new boolean[span.length()];
    Measure.Quotient quotient = measure.quotient();
    for (int at = 0; at < isEmpty.length; at++) {
      isEmpty[at] =
          quotient == null
              ? !isPosted(measure.code(), first + at)
              : !isPosted(quotient.over().code(), first + at)
                  || !isPosted(quotient.under().code(), first + at);
    }
    return isEmpty;
  }

  private boolean isPosted(String measure, int month) {
    return whole == null
        ? month(measure, Axis.COMPANY, month).lines(Member.COMPANY.id()) > 0
        : whole.isPosted(measure, month);
  }

  /** A query's ladder as it judges: one per month is scaled by the months that have actuals. */
  public Ladder ladder(StandingQuery query) {
    int empty = query.ladder().perMonth() ? emptyMonths(query.measure(), query.span()).size() : 0;
    return query.ladder().over(query.span().length() - empty);
  }

  /** Whether any posted line is in scope. */
  public boolean hasActuals(StandingQuery query) {
    SpanSums sums = sums(query, query.span(), new Places.Plain(query.axis(), members));
    for (int member = -1; member < members.size(query.axis()); member++) {
      if (sums.has(member)) {
        return true;
      }
    }
    return false;
  }

  /** Whether a basis compares a measure with ranges. */
  public boolean isRange(Basis basis, String measure) {
    GoalBook book = goalBook(basis);
    return book != null && book.isRange(measure);
  }

  /**
   * The rows behind an actual, in the order of posting and month.
   *
   * @param member id on the query's axis, or null for the total's
   */
  public List<Source> actualSources(StandingQuery query, @Nullable Integer member) {
    return sources(query, query.span(), member);
  }

  /**
   * The orders behind a standing's actual, of a rate those of its numerator.
   *
   * @param member id on the query's axis, or null for the total's
   */
  public OrderBook orders(StandingQuery query, @Nullable Integer member) {
    OrderBook.Builder book = new OrderBook.Builder();
    Measure.Quotient quotient = query.measure().quotient();
    visit(
        quotient == null ? query.measure().code() : quotient.over().code(),
        query.filters(),
        query.span(),
        new Places.Plain(query.axis(), members),
        (block, row, rowMember, amount) -> {
          if (member == null || rowMember == member) {
            book.add(block, row, amount);
          }
        });
    return book.build();
  }

  /** The rows or goal cells behind a goal; none where there is no goal. */
  public List<Source> goalSources(StandingQuery query, @Nullable Integer member) {
    if (query.basis() instanceof Basis.Set) {
      GoalBook book = goalBook(query.basis());
      List<GoalBook.Cell> cells =
          book == null || book.axis() != query.axis() ? List.of() : goalCells(query);
      return cells.stream()
          .filter(cell -> member == null || cell.member() == member)
          .map(
              cell ->
                  new Source(
                      cell.loadId(), cell.line(), cell.month(), cell.member(), cell.amount()))
          .toList();
    }
    Span earlier = earlierSpan(query);
    return earlier == null ? List.of() : sources(query, earlier, member);
  }

  /** Of a rate the rows of its numerator. */
  private List<Source> sources(StandingQuery query, Span span, @Nullable Integer member) {
    List<Source> found = new ArrayList<>();
    Measure.Quotient quotient = query.measure().quotient();
    Places places = new Places.Plain(query.axis(), members);
    visit(
        quotient == null ? query.measure().code() : quotient.over().code(),
        query.filters(),
        span,
        places,
        (block, row, rowMember, amount) -> {
          if (member == null || rowMember == member) {
            found.add(
                new Source(
                    block.loadId(), block.line(row), block.month(row), block.rep(row), amount));
          }
        });
    return found;
  }

  private static @Nullable Span earlierSpan(StandingQuery query) {
    if (query.basis() instanceof Basis.PriorYear) {
      return query.span().yearBefore();
    }
    return query.basis() instanceof Basis.PriorPeriod ? query.span().before() : null;
  }

  /** The set behind a basis; null where it is none or has no goal. */
  @Nullable GoalBook goalBook(Basis basis) {
    return basis instanceof Basis.Set set ? goalBooks.get(set.name()) : null;
  }

  /** The goal cells of the query's basis that lie in its span and inside its filters. */
  List<GoalBook.Cell> goalCells(StandingQuery query) {
    GoalBook book = goalBook(query.basis());
    if (book == null) {
      return List.of();
    }
    List<GoalBook.Cell> cells =
        book.cells(
            query.measure().code(),
            Months.number(query.span().fromInclusive()),
            Months.number(query.span().toInclusive()));
    return query.filters().kept().isEmpty()
        ? cells
        : cells.stream()
            .filter(c -> query.filters().keepGoal(book.axis(), c.member(), c.month(), members))
            .toList();
  }

  /** What was posted in a span inside the query's filters, by place. */
  SpanSums sums(StandingQuery query, Span span, Places places) {
    Measure.Quotient quotient = query.measure().quotient();
    if (quotient == null) {
      return new SpanSums(
          query.measure(), tally(query.measure().code(), query.filters(), span, places), null);
    }
    return new SpanSums(
        query.measure(),
        tally(quotient.over().code(), query.filters(), span, places),
        tally(quotient.under().code(), query.filters(), span, places));
  }

  private Tally tally(String measure, Filters filters, Span span, Places places) {
    Axis axis = places.axis();
    Set<Axis> narrowed = filters.kept().keySet();
    if (axis != null && (narrowed.isEmpty() || narrowed.equals(Set.of(axis)))) {
      Set<Integer> kept = filters.kept().get(axis);
      return new Tally(
          span.months().stream()
              .map(month -> month(measure, axis, Months.number(month)))
              .map(sums -> kept == null ? sums : sums.only(kept))
              .toList());
    }
    int first = Months.number(span.fromInclusive());
    MonthSums[] months = new MonthSums[span.length()];
    Arrays.setAll(months, month -> new MonthSums(places.size()));
    visit(
        measure,
        filters,
        span,
        places,
        (block, row, place, amount) -> months[block.month(row) - first].add(place, amount));
    return new Tally(List.of(months));
  }

  /** A month's sums on an axis; summed once for each state of the data, when first asked. */
  private MonthSums month(String measure, Axis axis, int month) {
    log.month(month);
    return Arrays.binarySearch(months, month) < 0
        ? NOTHING
        : sums.computeIfAbsent(new SumsKey(measure, axis, month), this::summed);
  }

  private MonthSums summed(SumsKey key) {
    MonthSums summed = new MonthSums(members.size(key.axis));
    visit(
        key.measure,
        Filters.NONE,
        Span.of(Months.of(key.month)),
        new Places.Plain(key.axis, members),
        (block, row, place, amount) -> summed.add(place, amount));
    return summed;
  }

  private void visit(
      String measure, Filters filters, Span span, Places places, RowVisitor visitor) {
    int first = Months.number(span.fromInclusive());
    int last = Months.number(span.toInclusive());
    logMonths(first, last);
    RowFilter filter = new RowFilter(filters, members);
    for (ActualBlock block : blocks) {
      long[] amounts = block.amounts(measure);
      if (amounts == null) {
        continue;
      }
      int end = block.firstRowFrom(last + 1);
      for (int row = block.firstRowFrom(first); row < end; row++) {
        if (amounts[row] != Amounts.NONE && filter.keeps(block, row)) {
          visitor.visit(block, row, places.of(block, row), amounts[row]);
        }
      }
    }
  }
}
