package zealoustarget.core.reading;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Member;

/**
 * The readings of all members of an axis for one span; defined in docs/calculations.md, section 3.
 *
 * <p>The total is computed from summed amounts, never from the rows' percentages.
 *
 * @param measure what is counted
 * @param ladder what judged the rows
 * @param total all posted actuals in scope against all goals in scope
 * @param rows one per member with a posted line or a goal in the span, in the order of their keys
 * @param outside what the total holds beyond the rows with a goal
 * @param leftOut members that were narrowed away, with what they have
 */
public record Standing(
    Measure measure, Ladder ladder, Row total, List<Row> rows, Outside outside, LeftOut leftOut) {

  /** Which comparison sentences, marks and shading speak of; docs/calculations.md, section 2. */
  public enum Kind {
    /** Everything in the span against its whole goal. */
    WHOLE,
    /** Actuals and goals of the months with a goal only. */
    COMPARABLE,
    /** Everything in the span against what was expected so far of a running month. */
    TO_DATE
  }

  /** A reading and what the ladder says of it. */
  public record Judged(Kind kind, Reading reading, Status status) {}

  /**
   * One member's reading and what the ladder says of it.
   *
   * @param comparable months with a goal only; null unless another month has a line
   * @param toDate against the goal to date; null unless the span ends in a running month
   * @param spoken the one that screens speak of
   */
  public record Row(
      Member member,
      Reading reading,
      Status status,
      @Nullable Pace outlook,
      @Nullable Judged comparable,
      @Nullable Judged toDate,
      Judged spoken) {
    public boolean hasGoal() {
      return reading.hasGoal();
    }

    /** The same reading without its member and what lies ahead of it. */
    public Row ofAll() {
      return new Row(ALL, reading, status, null, comparable, toDate, spoken);
    }

    /** The same member read as it is spoken of, and nothing else. */
    Row asSpoken() {
      return new Row(
          member, spoken.reading(), spoken.status(), outlook, comparable, toDate, spoken);
    }
  }

  /** A second reading before it is judged; {@code isEmpty} where all its months are empty. */
  public record Compared(Reading reading, boolean isEmpty) {}

  /**
   * A reading before it is judged.
   *
   * @param isEmpty whether nothing at all is posted of the measure in the span
   */
  public record Unjudged(
      Member member,
      Reading reading,
      boolean isEmpty,
      @Nullable Pace outlook,
      @Nullable Compared comparable,
      @Nullable Reading toDate) {}

  /**
   * By what rows are judged.
   *
   * @param isWhole whether sentences and marks speak of the whole goal, also of a running month
   */
  public record Rules(Measure measure, Ladder ladder, boolean isWhole) {}

  /**
   * What explains the difference between the total and the members with a goal.
   *
   * @param noGoal actual of the rows without a goal and of unassigned lines; of a rate their rate
   * @param assigned actual of the rows with a goal
   * @param unassigned actual of lines in scope that name no member of this axis
   * @param unassignedLines how many lines that are
   */
  public record Outside(
      @Nullable Ratio noGoal,
      @Nullable Ratio assigned,
      @Nullable Ratio unassigned,
      int unassignedLines) {}

  /** Members that narrowing took away; {@code actual} is theirs, in smallest units. */
  public record LeftOut(int members, @Nullable Ratio actual) {
    public static final LeftOut NONE = new LeftOut(0, Ratio.ZERO);
  }

  /** The total's place holder: it is no member. */
  public static final Member ALL = new Member(-1, "*", "All");

  /**
   * Judges readings by a ladder.
   *
   * @param highest the highest actual among the rows, for the share of it
   */
  public static Row judge(Unjudged read, Rules rules, @Nullable Ratio highest) {
    Judged whole = judged(Kind.WHOLE, read.reading(), read.isEmpty(), rules, highest);
    Compared compared = read.comparable();
    Judged comparable =
        compared == null
            ? null
            : judged(Kind.COMPARABLE, compared.reading(), compared.isEmpty(), rules, highest);
    Judged toDate =
        read.toDate() == null
            ? null
            : judged(Kind.TO_DATE, read.toDate(), read.isEmpty(), rules, highest);
    Judged spoken = whole;
    if (!rules.isWhole() && !read.isEmpty()) {
      spoken = toDate != null ? toDate : comparable != null ? comparable : whole;
    }
    return new Row(
        read.member(), read.reading(), whole.status(), read.outlook(), comparable, toDate, spoken);
  }

  private static Judged judged(
      Kind kind, Reading reading, boolean isEmpty, Rules rules, @Nullable Ratio highest) {
    return new Judged(
        kind,
        reading,
        isEmpty
            ? Status.OF_EMPTY
            : Status.of(reading, rules.ladder(), rules.measure().unitsPerOne(), highest));
  }

  /** The same rows and total, each read as it is spoken of. */
  public Standing asSpoken() {
    return new Standing(
        measure,
        ladder,
        total.asSpoken(),
        rows.stream().map(Row::asSpoken).toList(),
        outside,
        leftOut);
  }

  /** The highest actual there is; null where there is none. */
  public static @Nullable Ratio highestOf(List<Unjudged> readings) {
    Ratio highest = null;
    for (Unjudged read : readings) {
      Ratio actual = read.reading().actual();
      if (actual != null && (highest == null || actual.compareTo(highest) > 0)) {
        highest = actual;
      }
    }
    return highest;
  }

  /** Number of rows without a goal. */
  public int noGoalMembers() {
    return (int) rows.stream().filter(row -> !row.hasGoal()).count();
  }

  public int membersWithGoal() {
    return rows.size() - noGoalMembers();
  }

  /** Number of members at or above a percent-to-goal, literally, whatever the direction. */
  public int atOrAbove(Ratio attainment) {
    return (int) attainments().filter(a -> a.compareTo(attainment) >= 0).count();
  }

  /** Number of members at a percent-to-goal or on its favourable side. */
  public int atOrBetter(Ratio attainment) {
    return measure.direction() == Direction.LOWER
        ? (int) attainments().filter(a -> a.compareTo(attainment) <= 0).count()
        : atOrAbove(attainment);
  }

  /** Number of members whose favourable variance is not negative. */
  public int reached() {
    return (int) rows.stream().filter(row -> row.reading().isReached()).count();
  }

  /** The row with the highest actual, ties to the key that sorts first; null without rows. */
  public @Nullable Row highest() {
    return extreme(Comparator.reverseOrder());
  }

  /** The row with the lowest actual, ties to the key that sorts first; null without rows. */
  public @Nullable Row lowest() {
    return extreme(Comparator.naturalOrder());
  }

  private @Nullable Row extreme(Comparator<Ratio> first) {
    Row found = null;
    Ratio best = null;
    for (Row row : rows) {
      Ratio actual = row.reading().actual();
      if (actual != null && (best == null || first.compare(actual, best) < 0)) {
        found = row;
        best = actual;
      }
    }
    return found;
  }

  /** Median of the attainments there are; the mean of the middle two where their number is even. */
  public @Nullable Ratio medianAttainment() {
    List<Ratio> sorted = attainments().sorted().toList();
    if (sorted.isEmpty()) {
      return null;
    }
    int middle = sorted.size() / 2;
    return sorted.size() % 2 == 1
        ? sorted.get(middle)
        : sorted.get(middle - 1).plus(sorted.get(middle)).dividedBy(Ratio.of(2));
  }

  /** Actuals of the members with a goal ÷ all goals; undefined as an attainment is. */
  public @Nullable Ratio attainmentOfAssigned() {
    Ratio goal = total.reading().comparedWith();
    Ratio assigned = outside.assigned();
    return goal == null || goal.signum() <= 0 || assigned == null ? null : assigned.dividedBy(goal);
  }

  /**
   * The plain mean of the members' percentages, to 20 places; another question than the total's.
   * Null without any.
   */
  public @Nullable Ratio meanOfMembers() {
    List<Ratio> all = attainments().toList();
    return all.isEmpty() ? null : Ratio.sum(all.stream()).dividedBy(Ratio.of(all.size()));
  }

  /** A row and its shortfall, read once. */
  private record Missed(Row row, Ratio by) {}

  /** The rows' shortfalls above 0, largest first. */
  public List<Row> shortRows() {
    return rows.stream()
        .map(row -> new Missed(row, shortfall(row)))
        .filter(one -> one.by().signum() > 0)
        .sorted(
            Comparator.comparing(Missed::by)
                .reversed()
                .thenComparing(one -> one.row().member().key()))
        .map(Missed::row)
        .toList();
  }

  /** Sum of the rows' shortfalls, smallest units. */
  public Ratio sumOfShortfalls() {
    return Ratio.sum(rows.stream().map(Standing::shortfall));
  }

  /** Smallest number of members that together hold at least 80 % of the rows' shortfalls. */
  public int shortfallHolders() {
    return shortfallHolders(shortRows().stream().map(Standing::shortfall).toList());
  }

  /**
   * Smallest number of shortfalls that hold at least 80 % of their sum, 0 when none is short.
   *
   * <p>Worked: 50, 30 and 20 are held by 2.
   */
  static int shortfallHolders(List<Ratio> shortfalls) {
    List<Ratio> falling = shortfalls.stream().sorted(Comparator.reverseOrder()).toList();
    Ratio wanted = Ratio.sum(falling.stream()).times(Ratio.of(8, 10));
    Ratio held = Ratio.ZERO;
    int members = 0;
    while (held.compareTo(wanted) < 0) {
      held = held.plus(falling.get(members));
      members++;
    }
    return members;
  }

  /** A row's shortfall in smallest units, 0 where it has none; of a rate to 20 places. */
  public static Ratio shortfall(Row row) {
    return Objects.requireNonNullElse(row.reading().shortfall(), Ratio.ZERO).summable();
  }

  /**
   * Places by percent-to-goal, 1 for the best: the highest, of LOWER the lowest, of NEAREST the
   * nearest to 100 %; by actual where no row has one. Equal figures share a place, and rows without
   * the figure have none.
   *
   * @return place by member id
   */
  public Map<Integer, Integer> places() {
    boolean hasShares = attainments().findAny().isPresent();
    List<Row> ranked =
        rows.stream()
            .filter(row -> rankedBy(row, hasShares) != null)
            .sorted(
                Comparator.comparing(
                    row -> Objects.requireNonNull(rankedBy(row, hasShares)),
                    Comparator.reverseOrder()))
            .toList();
    Map<Integer, Integer> places = new HashMap<>();
    Ratio before = null;
    int place = 0;
    for (int at = 0; at < ranked.size(); at++) {
      Ratio figure = Objects.requireNonNull(rankedBy(ranked.get(at), hasShares));
      place = figure.equals(before) ? place : at + 1;
      before = figure;
      places.put(ranked.get(at).member().id(), place);
    }
    return places;
  }

  private @Nullable Ratio rankedBy(Row row, boolean hasShares) {
    Ratio share = row.reading().attainment();
    if (!hasShares) {
      return row.reading().actual();
    }
    if (share == null || measure.direction() == Direction.HIGHER) {
      return share;
    }
    return measure.direction() == Direction.LOWER
        ? share.negated()
        : share.minus(Ratio.ONE).abs().negated();
  }

  private Stream<Ratio> attainments() {
    return rows.stream().map(row -> row.reading().attainment()).filter(Objects::nonNull);
  }
}
