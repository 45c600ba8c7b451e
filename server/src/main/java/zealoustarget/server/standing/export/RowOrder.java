package zealoustarget.server.standing.export;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.standing.view.ReadingAnswer;

/** The orders in which the screen can put rows; those without the figure come last either way. */
final class RowOrder {
  private RowOrder() {}

  /** The order of a word such as {@code name} or {@code -actual}; null where it is none. */
  static @Nullable Comparator<ReadingAnswer> of(String word) {
    if (word == null || word.isBlank()) {
      return null;
    }
    boolean isFalling = word.startsWith("-");
    String key = isFalling ? word.substring(1) : word;
    if (key.equals("name")) {
      Comparator<ReadingAnswer> byName = Comparator.comparing(ReadingAnswer::name);
      return (isFalling ? byName.reversed() : byName).thenComparing(ReadingAnswer::key);
    }
    Function<ReadingAnswer, String> figure =
        switch (key) {
          case "actual" -> ReadingAnswer::actual;
          case "goal" -> ReadingAnswer::goal;
          case "favourable" -> ReadingAnswer::favourable;
          case "attainment" -> ReadingAnswer::attainment;
          case "growth" -> ReadingAnswer::growth;
          case "growthOnYear" -> ReadingAnswer::growthOnYear;
          default -> null;
        };
    if (figure == null) {
      return null;
    }
    Comparator<BigDecimal> order =
        isFalling ? Comparator.reverseOrder() : Comparator.naturalOrder();
    return Comparator.comparing(
            (ReadingAnswer row) ->
                figure.apply(row) == null ? null : new BigDecimal(figure.apply(row)),
            Comparator.nullsLast(order))
        .thenComparing(ReadingAnswer::key);
  }
}
