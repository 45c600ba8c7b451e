package zealoustarget.server.goals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.server.goals.GoalDesk.PercentsAnswer;
import zealoustarget.server.platform.problems.UnknownValue;

/** Percentages in the place of a sheet's goals; docs/calculations.md, section 6. */
final class GoalPercents {
  /** What a percentage is of. */
  enum Kind {
    /** What the goal asks beyond the actual of the month a year before. */
    STRETCH,
    /** The goal's part of its group's goals of the month; a group's of all. */
    SHARE;

    /** By its word, {@code stretch} or {@code share}; value-unknown. */
    static Kind of(String word) {
      return switch (word) {
        case "stretch" -> STRETCH;
        case "share" -> SHARE;
        default -> throw UnknownValue.of("show", word, List.of("stretch", "share"));
      };
    }
  }

  private final GoalSheet sheet;
  private final int first;
  private final int months;
  private final boolean[] hasYearBefore;
  private final List<GoalBook.Cell> goals;
  private final Map<Integer, GoalSums.Added> byGroup = new HashMap<>();
  private final GoalSums.Added all;

  /**
   * @param isOver whether a month, by its number, can be compared with
   */
  GoalPercents(GoalSheet sheet, IntPredicate isOver) {
    this.sheet = sheet;
    this.first = Months.number(sheet.span().fromInclusive());
    this.months = sheet.span().length();
    this.goals = sheet.measure().isRate() || sheet.isRange() ? List.of() : sheet.cells();
    this.all = noGoals();
    this.hasYearBefore = new boolean[months];
    for (int at = 0; at < months; at++) {
      hasYearBefore[at] = isOver.test(first + at - 12);
    }
    for (GoalBook.Cell cell : goals) {
      int at = cell.month() - first;
      int group = sheet.groupOf(cell.member(), cell.month());
      byGroup.computeIfAbsent(group, id -> noGoals()).add(at, GoalSheet.amount(cell));
      all.add(at, GoalSheet.amount(cell));
    }
  }

  private GoalSums.Added noGoals() {
    return new GoalSums.Added(sheet.measure(), false, months);
  }

  PercentsAnswer answer(Kind kind) {
    Map<Integer, List<@Nullable String>> byMember = new HashMap<>();
    for (GoalBook.Cell cell : goals) {
      int at = cell.month() - first;
      byMember
          .computeIfAbsent(cell.member(), id -> none())
          .set(
              at,
              kind == Kind.STRETCH
                  ? stretch(Ratio.of(cell.amount()), sheet.axis(), cell.member(), at)
                  : share(Ratio.of(cell.amount()), whole(cell).low(at, at + 1)));
    }
    Map<String, List<@Nullable String>> rows = new TreeMap<>();
    byMember.forEach((id, texts) -> rows.put(sheet.row(id).key(), texts));
    Map<String, List<@Nullable String>> groups = new TreeMap<>();
    Axis groupAxis = sheet.groupAxis();
    if (groupAxis != null) {
      byGroup.forEach(
          (id, sums) ->
              groups.put(
                  id == Members.NONE ? "" : sheet.ledger().members().get(groupAxis, id).key(),
                  IntStream.range(0, months)
                      .mapToObj(at -> group(kind, groupAxis, id, sums, at))
                      .toList()));
    }
    List<@Nullable String> total = none();
    for (int at = 0; kind == Kind.STRETCH && at < months; at++) {
      total.set(at, stretch(all.low(at, at + 1), Axis.COMPANY, Member.COMPANY.id(), at));
    }
    return new PercentsAnswer(total, groups, rows);
  }

  private GoalSums.Added whole(GoalBook.Cell cell) {
    int group = sheet.groupOf(cell.member(), cell.month());
    return sheet.groupAxis() == null ? all : Objects.requireNonNull(byGroup.get(group));
  }

  private @Nullable String group(Kind kind, Axis axis, int id, GoalSums.Added sums, int at) {
    Ratio goal = sums.low(at, at + 1);
    if (id == Members.NONE) {
      return null;
    }
    return kind == Kind.STRETCH ? stretch(goal, axis, id, at) : share(goal, all.low(at, at + 1));
  }

  private List<@Nullable String> none() {
    return new ArrayList<>(Stream.generate(() -> (String) null).limit(months).toList());
  }

  private @Nullable String stretch(@Nullable Ratio goal, Axis axis, int member, int at) {
    int before = first + at - 12;
    Ratio stretch =
        hasYearBefore[at]
            ? GoalSpread.stretch(goal, sheet.actual(axis, member, before, before + 1))
            : null;
    return stretch == null ? null : Shown.percent(stretch);
  }

  private static @Nullable String share(@Nullable Ratio goal, @Nullable Ratio whole) {
    return goal == null || whole == null || whole.signum() <= 0
        ? null
        : Shown.percent(goal.dividedBy(whole));
  }
}
