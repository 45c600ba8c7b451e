package zealoustarget.core.outlook;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Status;

/**
 * A reading with the deals that are still open; docs/calculations.md, section 9. Amounts in
 * smallest units, all exact; what is undefined is null.
 *
 * <p>Worked: goal 100 000.00, actual 62 000.00, open 30 000.00 at 50 % and 20 000.00 at 80 %:
 * weighted 31 000.00, expected 93 000.00, at best 112 000.00, to go 38 000.00, coverage 131.6 %,
 * likelihood needed 76.0 %.
 *
 * @param reading of a measure of which more is better
 * @param isEmpty whether nothing at all is posted of the measure in the span
 */
public record Outlook(Reading reading, boolean isEmpty, OpenDeals deals) {
  /** Refuses other measures with an IllegalArgumentException. */
  public Outlook {
    if (reading.direction() != Direction.HIGHER) {
      throw new IllegalArgumentException("direction must be HIGHER, was " + reading.direction());
    }
  }

  /** Actual and the weighted deals; null of a rate. */
  public @Nullable Ratio expected() {
    Ratio actual = reading.actual();
    return actual == null ? null : actual.plus(deals.weighted());
  }

  /** Actual and all open deals; null of a rate. */
  public @Nullable Ratio atBest() {
    Ratio actual = reading.actual();
    return actual == null ? null : actual.plus(Ratio.of(deals.open()));
  }

  /** What is missing to the goal, 0 where it is reached; null without a goal of one amount. */
  public @Nullable Ratio toGo() {
    Ratio goal = reading.goalAmount();
    Ratio actual = reading.actual();
    return goal == null || actual == null ? null : goal.minus(actual).max(Ratio.ZERO);
  }

  /** Open deals ÷ to go; null where nothing is to go. */
  public @Nullable Ratio coverage() {
    Ratio toGo = toGo();
    return toGo == null || toGo.signum() == 0 ? null : Ratio.of(deals.open()).dividedBy(toGo);
  }

  /** To go ÷ open deals: above 1 they do not suffice; null where nothing is to go or open. */
  public @Nullable Ratio likelihoodNeeded() {
    Ratio toGo = toGo();
    return toGo == null || toGo.signum() == 0 || deals.open() == 0
        ? null
        : toGo.dividedBy(Ratio.of(deals.open()));
  }

  /** The same reading with what is expected in the place of the actual. */
  public Reading expectedReading() {
    return new Reading(
        reading.direction(),
        expected(),
        reading.goal(),
        reading.goalMonths(),
        reading.prior(),
        reading.yearBefore());
  }

  /**
   * What a ladder says of that.
   *
   * @param highest the highest of what is expected of all rows, for the share of it
   */
  public Status expectedStatus(Ladder ladder, Ratio unitsPerOne, @Nullable Ratio highest) {
    return isEmpty ? Status.OF_EMPTY : Status.of(expectedReading(), ladder, unitsPerOne, highest);
  }
}
