package zealoustarget.server.intake.pull;

import java.time.LocalDate;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code intake.pull}. */
final class PullWords {
  static final String HEADER_OF_PAGE_DOES_NOT_END = "the header of a page does not end";
  static final String PAGES_ARE_TOO_LARGE = "The pages are larger than zealous.pull.limit allows.";
  static final String PULL_WAS_INTERRUPTED = "the pull was interrupted";

  private PullWords() {}

  static String isNotMonth(@Nullable String text) {
    return "\"" + text + "\" is not a month such as 2026-10.";
  }

  static String isNotSource(String name) {
    return "\"" + name + "\" is not a source. Sources are set by zealous.pull.sources.";
  }

  static String orders(YearMonth month) {
    return "orders " + month;
  }

  static String deals(LocalDate day) {
    return "deals " + day;
  }

  static String itDoesNotAnswer(String fault) {
    return "it does not answer (" + fault + ")";
  }

  static String answeredWithStatus(int statusCode) {
    return "it answered with status " + statusCode;
  }

  static String hasTooManyPages(int pages) {
    return "it has more than " + pages + " pages";
  }

  static String couldNotBeRead(String source, String why) {
    return "The " + source + " could not be read: " + why + ". Try again later.";
  }
}
