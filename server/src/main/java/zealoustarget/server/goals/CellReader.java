package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.member.Member;
import zealoustarget.server.standing.query.QueryReader;

/** Reads the keys and months of many cells of one request, each of them once. */
final class CellReader {
  private final @Nullable GoalSheet sheet;
  private final Map<String, Member> members = new HashMap<>();
  private final Map<String, YearMonth> months = new HashMap<>();

  /** Takes the sheet whose members are meant; null where no key is read. */
  CellReader(@Nullable GoalSheet sheet) {
    this.sheet = sheet;
  }

  /** A member by its key; refused as {@link GoalSheet#member}. */
  Member member(@Nullable String key) {
    if (sheet == null) {
      throw new IllegalStateException("keys are read of a sheet only");
    }
    return key == null ? sheet.member(null) : members.computeIfAbsent(key, sheet::member);
  }

  /** A month; month-unreadable. */
  YearMonth month(@Nullable String text) {
    return text == null
        ? QueryReader.month("month", null)
        : months.computeIfAbsent(text, asked -> QueryReader.month("month", asked));
  }

  /** A month's number; month-unreadable. */
  int number(@Nullable String text) {
    return Months.number(month(text));
  }
}
