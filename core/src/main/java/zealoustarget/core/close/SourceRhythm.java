package zealoustarget.core.close;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** How often lines of a source are expected; docs/calculations.md, section 11. */
public enum SourceRhythm {
  /** In every month that follows three with lines. */
  MONTHLY,
  /** In the last month of each fiscal quarter only. */
  QUARTERLY,
  /** Never again. */
  ENDED;

  /**
   * Whether its lines are expected in a month.
   *
   * @param isFollowing whether each of the three months before has lines
   * @param isQuarterEnd whether the month is the last of a fiscal quarter
   * @param hadOneAQuarterAgo whether the month a quarter before has lines
   */
  public boolean expects(boolean isFollowing, boolean isQuarterEnd, boolean hadOneAQuarterAgo) {
    return switch (this) {
      case MONTHLY -> isFollowing;
      case QUARTERLY -> isQuarterEnd && hadOneAQuarterAgo;
      case ENDED -> false;
    };
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<SourceRhythm> findByWord(String word) {
    return Stream.of(values()).filter(one -> one.word().equals(word)).findFirst();
  }
}
