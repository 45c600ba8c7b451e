package zealoustarget.server.intake.load;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;

/** Reads the day and the source of a snapshot of deals as they are given. */
public final class SnapshotDay {
  private static final int LONGEST_SOURCE = 80;

  private SnapshotDay() {}

  /** Both; value-missing where there is no day, day-unreadable, source-too-long. */
  public static LoadRequest.Snapshot needed(@Nullable String asOf, @Nullable String source) {
    if (asOf == null || asOf.isBlank()) {
      throw Refusal.of("value-missing", LoadWords.DEALS_NEED_DAY).with("name", "asOf");
    }
    return new LoadRequest.Snapshot(day("asOf", asOf), source(source));
  }

  /** A day as {@code 2026-11-30}; day-unreadable. */
  public static LocalDate day(String name, String text) {
    try {
      return LocalDate.parse(text.strip());
    } catch (DateTimeException noSuchDay) {
      throw Refusal.of("day-unreadable", LoadWords.isNotDay(text)).with("name", name);
    }
  }

  /** The name of a source, empty without one; source-too-long. */
  public static String source(@Nullable String text) {
    String name = text == null ? "" : text.strip();
    if (name.length() > LONGEST_SOURCE) {
      throw Refusal.of("source-too-long", LoadWords.nameOfSourceMayHaveCharacters(LONGEST_SOURCE));
    }
    return name;
  }
}
