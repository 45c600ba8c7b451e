package zealoustarget.server.intake.load;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.intake.corrections.HeldLines;

/** What tells one source of files from another; docs/calculations.md, section 11. */
public final class SourceName {
  private static final String PULLED = "pull: ";
  private static final String DEALS = "deals: ";
  private static final int LONGEST = 400;

  private SourceName() {}

  public static String ofPull(String system) {
    return cut(PULLED + system);
  }

  /**
   * The source of a snapshot of deals, which one header may not tell: the next one may have more.
   *
   * @param name as it was given, empty where there is one source only
   */
  public static String ofDeals(String name) {
    return cut(DEALS + name.strip());
  }

  /** The name that was given to a source of deals, empty where there is one only. */
  public static String nameOf(String source) {
    return source.startsWith(DEALS) ? source.substring(DEALS.length()) : source;
  }

  /**
   * The source of a load once its header is known: the system that it was pulled from, else the
   * header, case apart. Titles with figures in them, such as months, change from file to file and
   * do not count.
   *
   * @param before what is known of the load so far, null for nothing
   */
  public static String of(@Nullable String before, List<String> titles) {
    if (before != null && before.startsWith(PULLED)) {
      return before;
    }
    return cut(
        titles.stream()
            .map(title -> title.strip().toLowerCase(Locale.ROOT))
            .filter(title -> !title.isEmpty() && !title.equals(HeldLines.REASON))
            .filter(title -> title.chars().noneMatch(Character::isDigit))
            .collect(Collectors.joining(", ", "columns: ", "")));
  }

  private static String cut(String text) {
    return text.length() <= LONGEST ? text : text.substring(0, LONGEST);
  }
}
