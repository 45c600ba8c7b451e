package zealoustarget.core.reading;

/** Why a figure of a reading is undefined. */
public enum NoReading {
  EMPTY("no actuals yet"),
  NO_GOAL("no goal"),
  ZERO_GOAL("zero goal"),
  NEGATIVE_GOAL("negative goal"),
  NO_HIGHEST("nothing to share"),
  NOTHING_TO_DIVIDE_BY("nothing to divide by"),
  RANGE("a range has none");

  private final String words;

  NoReading(String words) {
    this.words = words;
  }

  /** In plain words, as the row shows it. */
  public String words() {
    return words;
  }
}
