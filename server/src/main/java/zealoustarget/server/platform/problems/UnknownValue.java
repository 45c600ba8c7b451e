package zealoustarget.server.platform.problems;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;

/** A value that is none of those that may be given. */
public final class UnknownValue {
  private static final int MOST_NAMED = 20;

  private UnknownValue() {}

  /** The same, the values that may be given one after another. */
  public static Refusal of(String name, @Nullable String value, Stream<String> allowed) {
    return of(name, value, allowed.toList());
  }

  /** Says which values a parameter or field may have, a few of them by name: value-unknown. */
  public static Refusal of(String name, @Nullable String value, Collection<String> allowed) {
    List<String> shown = allowed.stream().limit(MOST_NAMED).toList();
    String rest =
        allowed.size() > MOST_NAMED ? ProblemsWords.andMore(allowed.size() - MOST_NAMED) : "";
    String words =
        shown.isEmpty()
            ? ProblemsWords.NONE_YET
            : ProblemsWords.allowedAre(String.join(", ", shown));
    return Refusal.of("value-unknown", ProblemsWords.isNotKnown(value, inWords(name), words, rest))
        .with("name", name)
        .with("allowed", shown);
  }

  /** A parameter's name as a person reads it: {@code goalSet} is "goal set". */
  private static String inWords(String name) {
    return name.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
  }
}
