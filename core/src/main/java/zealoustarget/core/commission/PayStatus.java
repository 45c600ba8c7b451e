package zealoustarget.core.commission;

import java.util.stream.Stream;

/** Where a rep stands in the plan; docs/calculations.md, section 7. */
public enum PayStatus {
  NO_PLAN("no plan"),
  NO_QUOTA("no quota"),
  BELOW_FLOOR("below floor"),
  EARNING("earning"),
  ON_TARGET("on target"),
  AT_CEILING("at ceiling");

  private final String word;

  PayStatus(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }

  /** The status of a word; an unknown one is an IllegalArgumentException. */
  public static PayStatus ofWord(String word) {
    return Stream.of(values())
        .filter(status -> status.word().equals(word))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("no status is called " + word));
  }
}
