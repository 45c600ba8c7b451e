package zealoustarget.core.reading;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
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
 * @param totalStatus the same ladder's word on the total
 * @param rows one per member with a posted line or a goal in the span, by key
 * @param unassigned actual of the lines in scope that name no member of this axis, smallest units
 * @param unassignedLines how many lines that are
 */
public record Standing(
    Measure measure,
    Ladder ladder,
    Reading total,
    Status totalStatus,
    List<Row> rows,
    Ratio unassigned,
    int unassignedLines) {

  /** One member's reading and what the ladder says of it. */
  public record Row(Member member, Reading reading, Status status) {
    public boolean hasGoal() {
      return reading.goalAmount() != null;
    }
  }

  /**
   * Judges the readings and puts them in order.
   *
   * @param readings one per member, in any order
   */
  public static Standing of(
      Measure measure,
      Ladder ladder,
      Reading total,
      List<MemberReading> readings,
      Ratio unassigned,
      int unassignedLines) {
    Ratio unitsPerOne = Ratio.powerOfTen(measure.scale());
    Ratio highest =
        readings.stream().map(r -> r.reading().actual()).max(Ratio::compareTo).orElse(null);
    List<Row> rows =
        readings.stream()
            .sorted(Comparator.comparing(r -> r.member().key()))
            .map(
                r ->
                    new Row(
                        r.member(),
                        r.reading(),
                        Status.of(r.reading(), ladder, unitsPerOne, highest)))
            .toList();
    return new Standing(
        measure,
        ladder,
        total,
        Status.of(total, ladder, unitsPerOne, null),
        rows,
        unassigned,
        unassignedLines);
  }

  /** A member's reading before it is judged. */
  public record MemberReading(Member member, Reading reading) {}

  /** Number of rows without a goal. */
  public int noGoalMembers() {
    return (int) rows.stream().filter(row -> !row.hasGoal()).count();
  }

  /** What the total holds beyond the members with a goal: rows without one and unassigned lines. */
  public Ratio noGoalActual() {
    return rows.stream()
        .filter(row -> !row.hasGoal())
        .map(row -> row.reading().actual())
        .reduce(unassigned, Ratio::plus);
  }

  public int membersWithGoal() {
    return rows.size() - noGoalMembers();
  }

  /** Number of members at or above a percent-to-goal, literally, whatever the direction. */
  public int atOrAbove(Ratio attainment) {
    return (int) attainments().filter(a -> a.compareTo(attainment) >= 0).count();
  }

  /** Number of members whose favourable variance is not negative. */
  public int reached() {
    return (int) rows.stream().filter(row -> row.reading().isReached()).count();
  }

  /** The row with the highest actual, ties to the key that sorts first; null without rows. */
  public @Nullable Row highest() {
    return rows.stream()
        .max(byActual().thenComparing(row -> row.member().key(), Comparator.reverseOrder()))
        .orElse(null);
  }

  /** The row with the lowest actual, ties to the key that sorts first; null without rows. */
  public @Nullable Row lowest() {
    return rows.stream().min(byActual().thenComparing(row -> row.member().key())).orElse(null);
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
    Ratio goal = total.goalAmount();
    return goal == null || goal.signum() <= 0
        ? null
        : total.actual().minus(noGoalActual()).dividedBy(goal);
  }

  /** The rows' shortfalls above 0, largest first. */
  public List<Row> shortRows() {
    return rows.stream()
        .filter(row -> shortfall(row).signum() > 0)
        .sorted(
            Comparator.comparing(Standing::shortfall)
                .reversed()
                .thenComparing(row -> row.member().key()))
        .toList();
  }

  /** Sum of the rows' shortfalls, smallest units. */
  public Ratio sumOfShortfalls() {
    return rows.stream().map(Standing::shortfall).reduce(Ratio.ZERO, Ratio::plus);
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
    Ratio wanted = falling.stream().reduce(Ratio.ZERO, Ratio::plus).times(Ratio.of(8, 10));
    Ratio held = Ratio.ZERO;
    int members = 0;
    while (held.compareTo(wanted) < 0) {
      held = held.plus(falling.get(members));
      members++;
    }
    return members;
  }

  /** A row's shortfall in smallest units, 0 where it has no goal. */
  public static Ratio shortfall(Row row) {
    return Objects.requireNonNullElse(row.reading().shortfall(), Ratio.ZERO);
  }

  private Stream<Ratio> attainments() {
    return rows.stream().map(row -> row.reading().attainment()).filter(Objects::nonNull);
  }

  private static Comparator<Row> byActual() {
    return Comparator.comparing(row -> row.reading().actual());
  }
}
