package zealoustarget.server.intake.entered;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/**
 * Changes to the goals of a set for one measure.
 *
 * @param isRange whether its goals are ranges
 * @param cells at least one, none twice
 */
public record EnteredGoals(
    String goalSet, Axis axis, Measure measure, boolean isRange, List<Cell> cells) {
  /**
   * A goal in smallest units.
   *
   * @param low of a range its lower end
   * @param high null where it is a single amount
   */
  public record Amount(long low, @Nullable Long high) {
    /** As it is written: {@code 57500.00}, or {@code 100.00 – 120.00}. */
    public String text(Measure measure) {
      return high == null ? measure.text(low) : measure.text(low) + " \u2013 " + measure.text(high);
    }
  }

  /**
   * A changed cell.
   *
   * @param month numbered year × 12 + month − 1
   * @param before null where no goal stood
   * @param after null where the goal is taken away
   */
  public record Cell(Member member, int month, @Nullable Amount before, @Nullable Amount after) {}

  /** The measure's columns: itself, or the two ends of its range. */
  List<Measure> columns() {
    return isRange ? List.of(measure.lowEnd(), measure.highEnd()) : List.of(measure);
  }

  /** A cell's amounts as rows hold them, one per column. */
  long[] amounts(Cell cell) {
    Amount after = cell.after();
    if (after == null) {
      return Stream.generate(() -> Amounts.CLEARED)
          .limit(columns().size())
          .mapToLong(Long::longValue)
          .toArray();
    }
    return isRange
        ? new long[] {after.low(), Objects.requireNonNullElse(after.high(), after.low())}
        : new long[] {after.low()};
  }
}
