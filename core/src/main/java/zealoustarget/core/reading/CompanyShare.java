package zealoustarget.core.reading;

import java.math.RoundingMode;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * How much of one goal of the whole company its members bring; they are not judged by it:
 * docs/calculations.md, section 2.
 *
 * @param goal of the company over the span, in smallest units; never 0
 * @param actual of the company over the span, in smallest units
 */
public record CompanyShare(Ratio goal, Ratio actual) {
  /** Null where the company has no goal, or one of 0, of which there are no parts. */
  public static @Nullable CompanyShare of(Reading company) {
    Ratio goal = company.goalAmount();
    Ratio actual = company.actual();
    return goal == null || goal.signum() == 0 || actual == null
        ? null
        : new CompanyShare(goal, actual);
  }

  /** What is still to be sold: max(goal − actual, 0), in smallest units. */
  public Ratio remaining() {
    return goal.minus(actual).max(Ratio.ZERO);
  }

  /** An actual by the company's goal in percent, half up to one decimal, without the sign. */
  public String percent(Ratio ofMember) {
    return ofMember
        .dividedBy(goal)
        .times(Ratio.of(100))
        .rounded(1, RoundingMode.HALF_UP)
        .toPlainString();
  }
}
