package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Standing;

/**
 * Goals of a rate over several months, weighted by what the rate is divided by, as a standing has
 * them; there is none where that is unknown yet. docs/calculations.md, section 1.
 */
final class RateSums {
  private final GoalSheet sheet;
  private final Map<List<Integer>, Standing> standings = new HashMap<>();
  private final Map<List<Integer>, Map<Integer, Goal>> goals = new HashMap<>();

  RateSums(GoalSheet sheet) {
    this.sheet = sheet;
  }

  /** Those of a row, by the id of its member; null for all rows together. */
  GoalSums of(@Nullable Integer member) {
    return (from, until) -> {
      List<Integer> months = List.of(from, until);
      Standing standing = standings.computeIfAbsent(months, at -> standing(from, until));
      Goal goal =
          member == null
              ? standing.total().reading().goal()
              : goals.computeIfAbsent(months, at -> byMember(standing)).get(member);
      return goal instanceof Goal.Single single ? sheet.measure().text(single.amount()) : null;
    };
  }

  private static Map<Integer, Goal> byMember(Standing standing) {
    Map<Integer, Goal> byMember = new HashMap<>();
    standing.rows().forEach(row -> byMember.put(row.member().id(), row.reading().goal()));
    return byMember;
  }

  private Standing standing(int from, int until) {
    List<YearMonth> months = sheet.span().months();
    return sheet
        .ledger()
        .standing(sheet.against(new Span(months.get(from), months.get(until - 1))));
  }
}
