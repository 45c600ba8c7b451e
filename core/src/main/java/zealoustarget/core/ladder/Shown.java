package zealoustarget.core.ladder;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.stream.Stream;
import zealoustarget.core.amount.Ratio;

/**
 * The display rule of docs/calculations.md, section 4: what is shown never contradicts a status.
 */
public final class Shown {
  private static final int USUAL_DECIMALS = 1;
  private static final int MOST_DECIMALS = 4;

  private Shown() {}

  /**
   * A ratio as a percentage without its sign, with one decimal or as many, up to four, as keep it
   * on the rung of the exact figure; then it is cut toward the exact value instead of rounded.
   *
   * <p>Worked on the default HIGHER ladder: 0.9545 is 95.5, 0.9996 is 99.96, 0.9999999 is 99.9999.
   *
   * @param value exact, 1 is 100 %
   * @param ladder read on the same scale as {@code value}
   */
  public static String percent(Ratio value, Ladder ladder) {
    Ratio percent = value.times(Ratio.of(100));
    Rung exact = ladder.rungOf(value);
    for (int decimals = USUAL_DECIMALS; decimals <= MOST_DECIMALS; decimals++) {
      BigDecimal shown = percent.rounded(decimals, RoundingMode.HALF_UP);
      if (rungShown(shown, ladder).equals(exact)) {
        return shown.toPlainString();
      }
    }
    BigDecimal down = percent.rounded(MOST_DECIMALS, RoundingMode.FLOOR);
    BigDecimal up = percent.rounded(MOST_DECIMALS, RoundingMode.CEILING);
    return Stream.of(down, up)
        .filter(cut -> rungShown(cut, ladder).equals(exact))
        .findFirst()
        .orElse(percent.signum() < 0 ? up : down)
        .toPlainString();
  }

  /** A ratio as a percentage with one decimal, where no ladder reads it. */
  public static String percent(Ratio value) {
    return value.times(Ratio.of(100)).rounded(USUAL_DECIMALS, RoundingMode.HALF_UP).toPlainString();
  }

  private static Rung rungShown(BigDecimal percent, Ladder ladder) {
    return ladder.rungOf(Ratio.of(percent.movePointLeft(2)));
  }
}
