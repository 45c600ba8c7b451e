package zealoustarget.core.member;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What the rows of a standing are. */
public enum Axis {
  REP("rep", "reps"),
  REGION("region", "regions"),
  PRODUCT("product", "products"),
  LINE("line", "lines"),
  MANAGER("manager", "managers"),
  COMPANY("company", "companies");

  private final String word;
  private final String plural;

  Axis(String word, String plural) {
    this.word = word;
    this.plural = plural;
  }

  /** The word in files, addresses and sentences: {@code rep}. */
  public String word() {
    return word;
  }

  /** The word with its number: "one rep" takes {@code rep}, all else {@code reps}. */
  public String word(int count) {
    return count == 1 ? word : plural;
  }

  /** Whether a name in a file makes a member by itself; reps and products must be loaded first. */
  public boolean isItsOwnKey() {
    return this != REP && this != PRODUCT;
  }

  public static Optional<Axis> findByWord(String word) {
    String folded = word.strip().toLowerCase(Locale.ROOT);
    return Stream.of(values()).filter(axis -> axis.word.equals(folded)).findFirst();
  }
}
