package zealoustarget.core.ledger.columns;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import zealoustarget.core.ledger.overlay.LoadScope;

/** How a load of actuals lies over what was posted before it. */
public enum PostMode {
  /** Its lines count beside the earlier ones. */
  ADD,
  /** Earlier lines of the same months and members no longer count; see {@link LoadScope}. */
  REPLACE,
  /** Earlier lines of the same order and product no longer count. */
  CORRECT;

  /** The word on the wire: {@code add}. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<PostMode> findByWord(String word) {
    return Stream.of(values()).filter(mode -> mode.word().equals(word)).findFirst();
  }
}
