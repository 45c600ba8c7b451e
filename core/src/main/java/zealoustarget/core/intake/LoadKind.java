package zealoustarget.core.intake;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What a file brings. */
public enum LoadKind {
  ACTUALS,
  GOALS,
  ROSTER,
  PRODUCTS,
  /** A snapshot of deals; docs/calculations.md, section 9. */
  DEALS;

  /** The word in uploads and on the wire: {@code actuals}. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<LoadKind> findByWord(String word) {
    String folded = word.strip().toLowerCase(Locale.ROOT);
    return Stream.of(values()).filter(kind -> kind.word().equals(folded)).findFirst();
  }
}
