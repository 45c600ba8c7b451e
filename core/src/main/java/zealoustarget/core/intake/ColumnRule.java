package zealoustarget.core.intake;

import org.jspecify.annotations.Nullable;

/**
 * How one column of a file is read, where that is not left to its header and its content.
 *
 * @param target our name for it; empty for a column that is not to be read; null to go by its own
 * @param decimals which mark is the decimal one
 * @param dates which of day and month comes first
 * @param powerOfTen what amounts are given in: 3 for thousands, 0 as they stand, −2 for hundredths
 * @param isFlipped whether the sign of amounts is turned
 * @param isGuessed whether the target was guessed and not given
 */
public record ColumnRule(
    @Nullable String target,
    Decimals decimals,
    Dates dates,
    int powerOfTen,
    boolean isFlipped,
    boolean isGuessed) {
  /** The decimal mark of a column of amounts. */
  public enum Decimals {
    AUTO,
    POINT,
    COMMA
  }

  /** The order in a column of dates such as 01/02/2026. */
  public enum Dates {
    AUTO,
    DAY_FIRST,
    MONTH_FIRST
  }

  /** A column that is read by its own header and content. */
  public static final ColumnRule AUTO = to(null);

  private static final int LARGEST_POWER = 9;

  /** Checks the power: −9 to 9. */
  public ColumnRule {
    if (Math.abs(powerOfTen) > LARGEST_POWER) {
      throw new IllegalArgumentException("powerOfTen must be -9 to 9, was " + powerOfTen);
    }
  }

  /** A column under one of our names, everything else by its content. */
  public static ColumnRule to(@Nullable String target) {
    return new ColumnRule(target, Decimals.AUTO, Dates.AUTO, 0, false, false);
  }

  /** The same column with a name that was guessed. */
  ColumnRule guessed(String name) {
    return new ColumnRule(name, decimals, dates, powerOfTen, isFlipped, true);
  }

  /** The same column with a name that is not a guess any more. */
  public ColumnRule confirmed() {
    return new ColumnRule(target, decimals, dates, powerOfTen, isFlipped, false);
  }

  /** The same column with other marks. */
  public ColumnRule written(Decimals otherDecimals, Dates otherDates) {
    return new ColumnRule(target, otherDecimals, otherDates, powerOfTen, isFlipped, isGuessed);
  }
}
