package zealoustarget.server.goals;

import java.math.BigInteger;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.platform.problems.UnknownValue;

/**
 * Takes goals from one level to another: a group's goals of a month down to the members that are in
 * it in that month, or the members' goals up to their groups. Every level adds exactly, month by
 * month; closed months stay.
 */
@Service
class GoalLevels {
  private final GoalSpreads spreads;
  private final Seals seals;

  GoalLevels(GoalSpreads spreads, Seals seals) {
    this.spreads = spreads;
    this.seals = seals;
  }

  /** A place in the sheet: a member's key and a month. */
  record Place(String key, String month) {}

  /**
   * The goals of another set's members spread over the rows of a sheet, each month by itself.
   *
   * @param sheet as the draft has it
   * @param kind what cells weigh, as for a spread
   * @param locked cells that keep their goals
   * @throws Refusal as a spread is refused, naming the group and the month; value-unknown where the
   *     set has no goals of the measure, or its axis is none that rows are in
   */
  List<GoalDrafts.Change> down(
      GoalSheet sheet,
      String fromSet,
      @Nullable String kind,
      @Nullable String step,
      Set<Place> locked) {
    GoalBook from = book(sheet, fromSet, false);
    return down(sheet, from.axis(), cells(sheet, from), new How(kind, step, locked));
  }

  /** How goals are taken down; as a spread, cells that keep theirs left out. */
  private record How(@Nullable String kind, @Nullable String step, Set<Place> locked) {}

  /** What two levels are to be: the one between, and the rows of the sheet. */
  record Levels(List<GoalDrafts.Change> between, List<GoalDrafts.Change> rows) {}

  /**
   * The goals of another set taken down to a level between, and what that has then in the same
   * months down to the rows of a sheet; as {@link #down}.
   *
   * @param between the level between, as the draft has it
   * @throws Refusal axis-differs where the rows are not in its members
   */
  Levels downThrough(
      GoalSheet sheet,
      GoalSheet between,
      String fromSet,
      @Nullable String kind,
      @Nullable String step,
      Set<Place> locked) {
    if (!isIn(sheet.axis(), between.axis())) {
      throw Refusal.of(
              "axis-differs",
              GoalsWords.noLevelBetween(
                  between.goalSet(), between.axis().word(), sheet.axis().word(2)))
          .with("axis", between.axis().word());
    }
    List<GoalDrafts.Change> first = down(between, fromSet, kind, step, Set.of());
    Set<Integer> months =
        first.stream().map(one -> Months.number(one.month())).collect(Collectors.toSet());
    List<GoalBook.Cell> goals =
        between.changed(first).cells().stream()
            .filter(goal -> months.contains(goal.month()))
            .toList();
    return new Levels(first, down(sheet, between.axis(), goals, new How(kind, step, locked)));
  }

  private List<GoalDrafts.Change> down(
      GoalSheet sheet, Axis outer, List<GoalBook.Cell> goals, How how) {
    Map<List<Integer>, List<Member>> inside = new HashMap<>();
    for (Member member : members(sheet)) {
      for (YearMonth month : sheet.span().months()) {
        int group = placeOf(sheet.axis(), member, month, outer, sheet);
        if (group >= 0) {
          inside
              .computeIfAbsent(List.of(group, Months.number(month)), at -> new ArrayList<>())
              .add(member);
        }
      }
    }
    List<GoalDrafts.Change> changes = new ArrayList<>();
    for (GoalBook.Cell goal : goals) {
      YearMonth month = Months.of(goal.month());
      if (seals.find(month).isEmpty()) {
        List<Member> rows = inside.getOrDefault(List.of(goal.member(), goal.month()), List.of());
        changes.addAll(spread(sheet, outer, goal, rows, how));
      }
    }
    return changes;
  }

  private List<GoalDrafts.Change> spread(
      GoalSheet sheet, Axis outer, GoalBook.Cell goal, List<Member> rows, How how) {
    YearMonth month = Months.of(goal.month());
    String where = sheet.ledger().members().get(outer, goal.member()).name() + ", " + month + ": ";
    if (rows.isEmpty()) {
      throw Refusal.of(
              "nothing-to-spread-over", GoalsWords.nobodyTakesGoal(where, sheet.axis().word()))
          .with("month", month.toString());
    }
    List<GoalSpreads.PartBody> parts = new ArrayList<>();
    for (Member row : rows) {
      boolean isLocked = how.locked().contains(new Place(row.key(), month.toString()));
      Amount now = sheet.amount(row.id(), goal.month());
      String kept = isLocked ? sheet.measure().text(now == null ? 0 : now.low()) : null;
      parts.add(new GoalSpreads.PartBody(row.key(), month.toString(), null, kept));
    }
    GoalSpreads.Answer spread;
    try {
      spread =
          spreads.spread(
              new GoalSpreads.Body(
                  sheet.measure().text(goal.amount()),
                  null,
                  how.kind(),
                  parts,
                  how.step(),
                  null,
                  null,
                  null,
                  null),
              sheet);
    } catch (Refusal refused) {
      throw Refusal.of(refused.code(), where + refused.getMessage())
          .with("month", month.toString());
    }
    List<GoalDrafts.Change> changes = new ArrayList<>();
    for (int at = 0; at < rows.size(); at++) {
      if (parts.get(at).locked() == null) {
        long units =
            GoalSheet.units(spread.parts().get(at).amount(), sheet.measure(), rows.get(at).name());
        changes.add(new GoalDrafts.Change(rows.get(at), month, new Amount(units, null)));
      }
    }
    return changes;
  }

  /**
   * The goals of another set's members added up by the rows of a sheet, in open months of which
   * that set has any.
   *
   * @throws Refusal value-unknown as {@link #down}
   */
  List<GoalDrafts.Change> up(GoalSheet sheet, String fromSet) {
    GoalBook from = book(sheet, fromSet, true);
    Map<List<Integer>, Long> sums =
        new TreeMap<>(
            (one, other) ->
                one.get(1).equals(other.get(1))
                    ? one.get(0).compareTo(other.get(0))
                    : one.get(1).compareTo(other.get(1)));
    for (GoalBook.Cell cell : cells(sheet, from)) {
      Member member = sheet.ledger().members().get(from.axis(), cell.member());
      YearMonth month = Months.of(cell.month());
      int row = placeOf(from.axis(), member, month, sheet.axis(), sheet);
      if (row >= 0 && seals.find(month).isEmpty()) {
        sums.merge(List.of(row, cell.month()), cell.amount(), Math::addExact);
      }
    }
    List<GoalDrafts.Change> changes = new ArrayList<>();
    sums.forEach(
        (place, sum) ->
            changes.add(
                new GoalDrafts.Change(
                    sheet.row(place.get(0)), Months.of(place.get(1)), new Amount(sum, null))));
    return changes;
  }

  /** Goal sets of a sheet's own axis that have goals of its measure in any year; by name. */
  static List<String> alike(GoalSheet sheet) {
    return sheet.measure().isRate()
        ? List.of()
        : sheet.ledger().goalBooks().values().stream()
            .filter(book -> book.axis() == sheet.axis())
            .filter(book -> book.measures().contains(sheet.measure().code()))
            .filter(book -> !book.isRange(sheet.measure().code()))
            .map(GoalBook::name)
            .sorted()
            .toList();
  }

  /**
   * The goals of a set in a year times a factor, laid on the same months of the sheet's year that
   * are open: Σ cells × factor, rounded half up to the step, is spread as the cells stand.
   *
   * @param year the months to copy, as many as the sheet has
   * @throws Refusal value-unknown where there is no such set or it has no goals in that year;
   *     weight-negative where a goal is below 0
   */
  List<GoalDrafts.Change> copy(
      GoalSheet sheet, String fromSet, Span year, Ratio factor, long step) {
    if (!alike(sheet).contains(fromSet)) {
      throw UnknownValue.of("goalSet", fromSet, alike(sheet));
    }
    int later = Months.number(sheet.span().fromInclusive()) - Months.number(year.fromInclusive());
    List<GoalSpread.Part> parts = new ArrayList<>();
    List<Member> members = new ArrayList<>();
    long sum = 0;
    for (GoalBook.Cell cell :
        Objects.requireNonNull(sheet.ledger().goalBooks().get(fromSet))
            .cells(
                sheet.measure().code(),
                Months.number(year.fromInclusive()),
                Months.number(year.toInclusive()))) {
      if (seals.find(Months.of(cell.month() + later)).isEmpty()) {
        Member member = sheet.row(cell.member());
        members.add(member);
        parts.add(
            new GoalSpread.Part(
                member.key(), cell.month() + later, BigInteger.valueOf(cell.amount()), null));
        sum = Math.addExact(sum, cell.amount());
      }
    }
    if (parts.isEmpty()) {
      throw Refusal.of(
              "value-unknown",
              GoalsWords.hasNoGoals(fromSet, year.fromInclusive(), year.toInclusive()))
          .with("name", "fromYear");
    }
    GoalSpread spread = new GoalSpread(step, sheet.measure().scale());
    List<Long> amounts = spread.spread(spread.times(sum, factor), parts);
    List<GoalDrafts.Change> changes = new ArrayList<>();
    for (int at = 0; at < parts.size(); at++) {
      changes.add(
          new GoalDrafts.Change(
              members.get(at),
              Months.of(Objects.requireNonNull(parts.get(at).month())),
              new Amount(amounts.get(at), null)));
    }
    return changes;
  }

  /** Sets whose goals can be taken down to the rows of a sheet, or up to them; by name. */
  static List<String> sources(GoalSheet sheet, boolean isUp) {
    return sheet.measure().isRate()
        ? List.of()
        : fitting(sheet, isUp).stream().map(GoalBook::name).sorted().toList();
  }

  /** The set that goals come from; of an axis in whose members the others are, or are in them. */
  private static GoalBook book(GoalSheet sheet, String name, boolean isUp) {
    List<GoalBook> fitting = fitting(sheet, isUp);
    return fitting.stream()
        .filter(book -> book.name().equals(name))
        .findFirst()
        .orElseThrow(
            () -> UnknownValue.of("goalSet", name, fitting.stream().map(GoalBook::name).sorted()));
  }

  private static List<GoalBook> fitting(GoalSheet sheet, boolean isUp) {
    return sheet.ledger().goalBooks().values().stream()
        .filter(book -> !book.name().equals(sheet.goalSet()))
        .filter(book -> isUp ? isIn(book.axis(), sheet.axis()) : isIn(sheet.axis(), book.axis()))
        .filter(book -> !book.isRange(sheet.measure().code()) && !cells(sheet, book).isEmpty())
        .toList();
  }

  /** Whether the members of one axis are in those of another. */
  static boolean isIn(Axis inner, Axis outer) {
    return inner != outer && (outer == Axis.COMPANY || Filters.isPlaced(inner, outer));
  }

  /** Id of the member in which another is in a month; −1 where it is in none. */
  private static int placeOf(
      Axis inner, Member member, YearMonth month, Axis outer, GoalSheet sheet) {
    if (outer == Axis.COMPANY) {
      boolean isThere =
          inner != Axis.REP
              || sheet.ledger().members().isOnRoster(member.id(), Months.number(month));
      return isThere ? Member.COMPANY.id() : -1;
    }
    return Filters.placeOnAxis(
        inner, member.id(), Months.number(month), outer, sheet.ledger().members());
  }

  private static List<GoalBook.Cell> cells(GoalSheet sheet, GoalBook book) {
    Measure measure = sheet.measure();
    return book.cells(
        measure.code(),
        Months.number(sheet.span().fromInclusive()),
        Months.number(sheet.span().toInclusive()));
  }

  private static List<Member> members(GoalSheet sheet) {
    return sheet.ledger().members().all(sheet.axis()).stream()
        .sorted(Comparator.comparing(Member::key))
        .toList();
  }
}
