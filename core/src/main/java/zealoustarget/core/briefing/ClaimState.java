package zealoustarget.core.briefing;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Whether a claim's figures are still those that it was written with. */
public enum ClaimState {
  HOLDS,
  MOVED,
  VOID;

  /**
   * A figure as it was read, and as its query gives it now.
   *
   * @param then the exact text of the figure, or words
   * @param now null where the query can no longer be asked, or gives nothing
   */
  public record Reread(@Nullable String then, @Nullable String now) {}

  /** Void where one figure can no longer be read, else moved where one differs, else it holds. */
  public static ClaimState of(List<Reread> figures) {
    if (figures.stream().anyMatch(one -> one.now() == null)) {
      return VOID;
    }
    return figures.stream().allMatch(one -> Objects.equals(one.now(), one.then())) ? HOLDS : MOVED;
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
