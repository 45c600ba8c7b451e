package zealoustarget.core.ledger;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.MemberReading;

/**
 * All posted rows of one state of the data. Immutable: a load that is posted or reversed makes a
 * new ledger that shares every other load's block.
 *
 * <p>Standings are summed from the blocks' columns, in one pass per span; docs/calculations.md,
 * sections 2 and 3, say how.
 */
public final class Ledger {
  /** Where one source row is: the load and the line of its file, and what it brings. */
  public record Source(int loadId, int line, int month, long amount) {}

  /** A member of an axis and a month number. */
  public record MemberMonth(int member, int month) {}

  /** Receives a rep and an amount in smallest units. */
  interface RepAmount {
    void see(int rep, long amount);
  }

  /** Receives the rows that a query matches. */
  private interface RowVisitor {
    void visit(ActualBlock block, int row, int member, long amount);
  }

  private final Members members;
  private final List<ActualBlock> blocks;
  private final Map<String, GoalBook> goalBooks;

  /** Takes blocks in the order of their posting. */
  public Ledger(Members members, List<ActualBlock> blocks, List<GoalBook> goalBooks) {
    this.members = members;
    this.blocks = List.copyOf(blocks);
    Map<String, GoalBook> byName = new HashMap<>();
    goalBooks.forEach(book -> byName.put(book.name(), book));
    this.goalBooks = Map.copyOf(byName);
  }

  public static Ledger empty() {
    return new Ledger(Members.none(), List.of(), List.of());
  }

  public Members members() {
    return members;
  }

  public List<ActualBlock> blocks() {
    return blocks;
  }

  public Map<String, GoalBook> goalBooks() {
    return goalBooks;
  }

  /** Measures that have a posted line, by code. */
  public Set<String> measuresWithActuals() {
    Set<String> codes = new TreeSet<>();
    filled().forEach(block -> codes.addAll(block.measures()));
    return codes;
  }

  private Stream<ActualBlock> filled() {
    return blocks.stream().filter(block -> block.size() > 0);
  }

  /** From the first to the last month with a posted line, or null where none is. */
  public @Nullable Span monthsWithActuals() {
    List<ActualBlock> filled = filled().toList();
    if (filled.isEmpty()) {
      return null;
    }
    int first = filled.stream().mapToInt(ActualBlock::firstMonth).min().orElseThrow();
    int last = filled.stream().mapToInt(ActualBlock::lastMonth).max().orElseThrow();
    return new Span(Months.of(first), Months.of(last));
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
    int first = filled().mapToInt(ActualBlock::firstMonth).min().orElse(0);
    int last = filled().mapToInt(ActualBlock::lastMonth).max().orElse(0);
    int width = Math.max(last - first + 1, 1);
    long[] sums = new long[(members.size(axis) + 1) * width];
    BitSet seen = new BitSet();
    for (ActualBlock block : blocks) {
      long[] amounts = block.amounts(measure);
      for (int row = 0; amounts != null && row < block.size(); row++) {
        if (amounts[row] != ActualBlock.NO_AMOUNT) {
          int member = RowFilter.place(block, row, axis, members);
          int at = (member + 1) * width + block.month(row) - first;
          sums[at] = Math.addExact(sums[at], amounts[row]);
          seen.set(at);
        }
      }
    }
    Map<MemberMonth, Long> byPlace = new HashMap<>();
    seen.stream()
        .forEach(at -> byPlace.put(new MemberMonth(at / width - 1, first + at % width), sums[at]));
    return byPlace;
  }

  /** Visits every row of a measure that names a rep. */
  void eachRow(String measure, RepAmount visitor) {
    int reps = members.size(Axis.REP);
    for (ActualBlock block : blocks) {
      long[] amounts = block.amounts(measure);
      for (int row = 0; amounts != null && row < block.size(); row++) {
        int rep = block.rep(row);
        if (rep >= 0 && rep < reps && amounts[row] != ActualBlock.NO_AMOUNT) {
          visitor.see(rep, amounts[row]);
        }
      }
    }
  }

  /** The standing of all members of the query's axis. */
  public Standing standing(StandingQuery query) {
    Figures figures = new Figures(query);
    List<MemberReading> readings = new ArrayList<>();
    for (int id = 0; id < members.size(query.axis()); id++) {
      if (figures.hasRow(id)) {
        readings.add(new MemberReading(members.get(query.axis(), id), figures.reading(id)));
      }
    }
    return Standing.of(
        query.measure(),
        query.ladder(),
        figures.total(),
        readings,
        Ratio.of(figures.actuals.sum(Members.NONE)),
        figures.actuals.lines(Members.NONE));
  }

  /** One member's reading, also where it would be no row. */
  public Reading reading(StandingQuery query, int member) {
    return new Figures(query).reading(member);
  }

  /** The reading of everything in scope. */
  public Reading total(StandingQuery query) {
    return new Figures(query).total();
  }

  /** Whether any posted line is in scope. */
  public boolean hasActuals(StandingQuery query) {
    return tally(query, query.span()).totalOrNull() != null;
  }

  /**
   * The rows behind an actual, in the order of posting and month.
   *
   * @param member id on the query's axis, or null for the total's
   */
  public List<Source> actualSources(StandingQuery query, @Nullable Integer member) {
    return sources(query, query.span(), member);
  }

  /** The rows or goal cells behind a goal; none where there is no goal. */
  public List<Source> goalSources(StandingQuery query, @Nullable Integer member) {
    if (query.basis() instanceof Basis.Set) {
      return goalCells(query).stream()
          .filter(cell -> member == null || cell.member() == member)
          .map(cell -> new Source(cell.loadId(), cell.line(), cell.month(), cell.amount()))
          .toList();
    }
    Span earlier = earlierSpan(query);
    return earlier == null ? List.of() : sources(query, earlier, member);
  }

  private List<Source> sources(StandingQuery query, Span span, @Nullable Integer member) {
    List<Source> found = new ArrayList<>();
    visit(
        query,
        span,
        (block, row, rowMember, amount) -> {
          if (member == null || rowMember == member) {
            found.add(new Source(block.loadId(), block.line(row), block.month(row), amount));
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

  /** The goal cells in scope; none where the set belongs to another axis. */
  private List<GoalBook.Cell> goalCells(StandingQuery query) {
    GoalBook book = query.basis() instanceof Basis.Set set ? goalBooks.get(set.name()) : null;
    if (book == null || book.axis() != query.axis()) {
      return List.of();
    }
    return book
        .cells(
            query.measure().code(),
            Months.number(query.span().fromInclusive()),
            Months.number(query.span().toInclusive()))
        .stream()
        .filter(c -> query.filters().keepGoal(book.axis(), c.member(), c.month(), members))
        .toList();
  }

  private Tally tally(StandingQuery query, Span span) {
    Tally tally = new Tally(members.size(query.axis()));
    int first = Months.number(span.fromInclusive());
    visit(
        query,
        span,
        (block, row, member, amount) -> tally.add(member, block.month(row), first, amount));
    return tally;
  }

  private void visit(StandingQuery query, Span span, RowVisitor visitor) {
    int first = Months.number(span.fromInclusive());
    int last = Months.number(span.toInclusive());
    RowFilter filter = new RowFilter(query.filters(), members);
    for (ActualBlock block : blocks) {
      long[] amounts = block.amounts(query.measure().code());
      if (amounts == null) {
        continue;
      }
      int end = block.firstRowFrom(last + 1);
      for (int row = block.firstRowFrom(first); row < end; row++) {
        if (amounts[row] != ActualBlock.NO_AMOUNT && filter.keeps(block, row)) {
          int member = RowFilter.place(block, row, query.axis(), members);
          visitor.visit(block, row, member, amounts[row]);
        }
      }
    }
  }

  /** The sums that a query needs, and the readings made of them. */
  private final class Figures {
    private final StandingQuery query;
    private final Tally actuals;
    private final Tally prior;
    private final Tally yearBefore;
    private final Map<Integer, Long> goals = new HashMap<>();
    private final Map<Integer, Integer> goalMonths = new HashMap<>();
    private final Set<Integer> allGoalMonths = new TreeSet<>();
    private long goalSum;

    Figures(StandingQuery query) {
      this.query = query;
      this.actuals = tally(query, query.span());
      this.prior = tally(query, query.span().before());
      this.yearBefore = tally(query, query.span().yearBefore());
      for (GoalBook.Cell cell : goalCells(query)) {
        goals.merge(cell.member(), cell.amount(), Math::addExact);
        goalMonths.merge(cell.member(), 1, Integer::sum);
        allGoalMonths.add(cell.month());
        goalSum = Math.addExact(goalSum, cell.amount());
      }
    }

    boolean hasRow(int member) {
      return actuals.has(member) || !(goal(member) instanceof Goal.Missing);
    }

    Reading reading(int member) {
      return new Reading(
          query.measure().direction(),
          Ratio.of(actuals.sum(member)),
          goal(member),
          months(member),
          prior.sumOrNull(member),
          yearBefore.sumOrNull(member));
    }

    Reading total() {
      return new Reading(
          query.measure().direction(),
          Ratio.of(actuals.total()),
          totalGoal(),
          totalGoalMonths(),
          prior.totalOrNull(),
          yearBefore.totalOrNull());
    }

    private Goal goal(int member) {
      if (query.basis() instanceof Basis.PriorYear basis) {
        return derived(yearBefore.sumOrNull(member), basis.factor());
      }
      if (query.basis() instanceof Basis.PriorPeriod basis) {
        return derived(prior.sumOrNull(member), basis.factor());
      }
      Long sum = goals.get(member);
      return sum == null ? Goal.MISSING : Goal.of(sum);
    }

    private Goal totalGoal() {
      if (query.basis() instanceof Basis.PriorYear basis) {
        return derived(yearBefore.totalOrNull(), basis.factor());
      }
      if (query.basis() instanceof Basis.PriorPeriod basis) {
        return derived(prior.totalOrNull(), basis.factor());
      }
      return goals.isEmpty() ? Goal.MISSING : Goal.of(goalSum);
    }

    private int months(int member) {
      if (query.basis() instanceof Basis.PriorYear) {
        return yearBefore.months(member);
      }
      return query.basis() instanceof Basis.PriorPeriod
          ? prior.months(member)
          : goalMonths.getOrDefault(member, 0);
    }

    private int totalGoalMonths() {
      if (query.basis() instanceof Basis.PriorYear) {
        return yearBefore.totalMonths();
      }
      return query.basis() instanceof Basis.PriorPeriod
          ? prior.totalMonths()
          : allGoalMonths.size();
    }

    private static Goal derived(@Nullable Ratio earlier, Ratio factor) {
      return earlier == null ? Goal.MISSING : Goal.of(earlier.times(factor));
    }
  }
}
