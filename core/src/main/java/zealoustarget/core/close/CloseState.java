package zealoustarget.core.close;

import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What became of a line of the close list; docs/calculations.md, section 11. */
public enum CloseState {
  DONE,
  OPEN,
  WAIVED;

  /**
   * A line is done while nothing of it is open, and waived while whatever is open was there when it
   * was waived: what comes later opens it again.
   *
   * @param open keys of what is open
   * @param waived keys of what was open when it was waived; null where it was not
   */
  public static CloseState of(Set<String> open, @Nullable Set<String> waived) {
    if (open.isEmpty()) {
      return DONE;
    }
    return waived != null && waived.containsAll(open) ? WAIVED : OPEN;
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
