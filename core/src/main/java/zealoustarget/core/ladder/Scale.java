package zealoustarget.core.ladder;

import java.util.Optional;
import java.util.stream.Stream;

/** The figure that a ladder reads. */
public enum Scale {
  PERCENT_TO_GOAL("percent-to-goal"),
  VARIANCE("variance"),
  VARIANCE_PERCENT("variance-percent"),
  VALUE("value"),
  SHARE_OF_HIGHEST("share-of-highest");

  private final String word;

  Scale(String word) {
    this.word = word;
  }

  /** Whether bounds are amounts of the measure, not ratios. */
  public boolean isAmount() {
    return this == VARIANCE || this == VALUE;
  }

  /** The word in files and on the wire. */
  public String word() {
    return word;
  }

  /** Finds a scale by its word; case, blanks, - and _ make no difference, nor % for percent. */
  public static Optional<Scale> findByWord(String word) {
    String folded = fold(word.replace("%", "percent"));
    return Stream.of(values()).filter(scale -> fold(scale.word).equals(folded)).findFirst();
  }

  private static String fold(String text) {
    return text.replaceAll("[\\s_-]", "").toLowerCase(java.util.Locale.ROOT);
  }
}
