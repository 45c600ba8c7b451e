package zealoustarget.server.standing.query;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.problems.UnknownValue;

/** Reads which rows of a standing are kept. */
public final class NarrowingReader {
  private static final int MOST_TOP = 10_000;

  /** The narrowing of a query's rows; {@link Narrowing#NONE} where nothing is asked. */
  Narrowing read(StandingParameters parameters, Axis axis, Measure measure, Ledger ledger) {
    Ratio missOver = limit("missOver", parameters.missOver());
    return new Narrowing(
        parameters.text() == null ? "" : parameters.text().strip(),
        given(parameters.only())
            .map(key -> QueryReader.member(axis, key, ledger).id())
            .collect(Collectors.toSet()),
        given(parameters.status()).collect(Collectors.toSet()),
        missOver == null ? null : missOver.times(measure.unitsPerOne()),
        limit("attainmentFrom", parameters.attainmentFrom()),
        limit("attainmentTo", parameters.attainmentTo()),
        top(parameters));
  }

  private static Stream<String> given(@Nullable List<String> values) {
    return values == null ? Stream.empty() : values.stream().filter(v -> !v.isBlank());
  }

  private static Narrowing.@Nullable Top top(StandingParameters parameters) {
    boolean hasTop = QueryReader.isGiven(parameters.top());
    boolean hasBottom = QueryReader.isGiven(parameters.bottom());
    if (!hasTop && !hasBottom) {
      return null;
    }
    if (hasTop && hasBottom) {
      throw Refusal.of("value-unknown", QueryWords.ASK_FOR_TOP_OR_FOR_BOTTOM)
          .with("name", "bottom");
    }
    String name = hasTop ? "top" : "bottom";
    String text = hasTop ? parameters.top() : parameters.bottom();
    if (text == null
        || !text.matches("\\d{1,5}")
        || Integer.parseInt(text) < 1
        || Integer.parseInt(text) > MOST_TOP) {
      throw Refusal.of("value-unknown", QueryWords.isNotNumberOfRows(text)).with("name", name);
    }
    return new Narrowing.Top(Integer.parseInt(text), hasBottom, by(parameters.by()));
  }

  private static Narrowing.By by(@Nullable String word) {
    if (!QueryReader.isGiven(word)) {
      return Narrowing.By.VARIANCE;
    }
    return Stream.of(Narrowing.By.values())
        .filter(by -> by.name().equalsIgnoreCase(word))
        .findFirst()
        .orElseThrow(
            () -> UnknownValue.of("by", word, List.of("variance", "attainment", "actual")));
  }

  /**
   * Reads a limit with up to 8 decimals; null where none is given, value-unreadable where it is
   * none.
   */
  public static @Nullable Ratio limit(String name, @Nullable String text) {
    if (!QueryReader.isGiven(text)) {
      return null;
    }
    if (!text.matches("-?\\d{1,15}(\\.\\d{1,8})?")) {
      throw Refusal.of("value-unknown", QueryWords.isNotNumber(text)).with("name", name);
    }
    return Ratio.parse(text);
  }
}
