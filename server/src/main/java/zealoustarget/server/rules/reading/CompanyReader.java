package zealoustarget.server.rules.reading;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Writing;
import zealoustarget.server.rules.Company;

/** Reads the company's part of a rules file; what it does not name stays. */
public final class CompanyReader {
  private static final Set<String> PARTS = Set.of("name", "timeZone", "writing");
  private static final Set<String> WRITING_PARTS =
      Set.of("decimal", "grouping", "dates", "weekStart");
  private static final int LONGEST_NAME = 120;
  private static final int SHORTEST_DAY = 3;

  private CompanyReader() {}

  static Company read(Place place, Company before) {
    place.allowOnly(PARTS);
    return new Company(
        place.node().has("name") ? name(place) : before.name(),
        place.node().has("timeZone") ? zone(place) : before.timeZone(),
        place.node().has("writing") ? writing(place, before.writing()) : before.writing(),
        before.measureNames(),
        before.fedByDeals(),
        before.stages(),
        before.closing());
  }

  private static String name(Place place) {
    String name = place.text("name").strip();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw place.fault("name", ReadingWords.mustHaveToCharacters(LONGEST_NAME));
    }
    return name;
  }

  private static @Nullable ZoneId zone(Place place) {
    if (!place.isSet("timeZone")) {
      return null;
    }
    String text = place.text("timeZone").strip();
    try {
      return ZoneId.of(text);
    } catch (DateTimeException unknown) {
      throw place.fault("timeZone", ReadingWords.mustBeTimeZone(text));
    }
  }

  /** Null recovers what was set; so it is with each of its parts. */
  private static Writing writing(Place company, Writing before) {
    if (!company.isSet("writing")) {
      return Writing.NONE;
    }
    Place place = company.child("writing");
    place.allowOnly(WRITING_PARTS);
    Writing.Decimal decimal = part(place, "decimal", before.decimal(), CompanyReader::decimal);
    String grouping = part(place, "grouping", before.grouping(), CompanyReader::grouping);
    Writing.Dates dates = part(place, "dates", before.dates(), CompanyReader::dates);
    DayOfWeek weekStart = part(place, "weekStart", before.weekStart(), CompanyReader::day);
    return company.checked("writing", () -> new Writing(decimal, grouping, dates, weekStart));
  }

  /** Reads a part of the way of writing. */
  private interface PartReader<T> {
    T read(Place place, String name);
  }

  private static <T> @Nullable T part(
      Place place, String name, @Nullable T before, PartReader<T> reader) {
    if (!place.node().has(name)) {
      return before;
    }
    return place.isSet(name) ? reader.read(place, name) : null;
  }

  private static Writing.Decimal decimal(Place place, String name) {
    return place.word(name, Writing.Decimal.values(), mark -> Character.toString(mark.mark()));
  }

  private static String grouping(Place place, String name) {
    String mark = place.text(name);
    if (!List.of(",", ".", "'", "’", " ", "\u00a0", "\u202f", "").contains(mark)) {
      throw place.fault(name, ReadingWords.MUST_BE_SEPARATOR);
    }
    return mark.equals("’") ? "'" : mark.isBlank() && !mark.isEmpty() ? " " : mark;
  }

  private static Writing.Dates dates(Place place, String name) {
    return place.word(name, Writing.Dates.values(), CompanyReader::word);
  }

  /** A day's name, or at least its first three letters. */
  private static DayOfWeek day(Place place, String name) {
    String text = place.text(name).strip().toLowerCase(Locale.ROOT);
    for (DayOfWeek day : DayOfWeek.values()) {
      if (text.length() >= SHORTEST_DAY && word(day).startsWith(text)) {
        return day;
      }
    }
    throw place.fault(name, ReadingWords.mustBeDayOfWeek(text));
  }

  /** How a value stands in the file. */
  public static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT);
  }
}
