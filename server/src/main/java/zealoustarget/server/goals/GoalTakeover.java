package zealoustarget.server.goals;

import java.math.BigInteger;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.core.spread.Takeover;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.platform.problems.UnknownValue;

/**
 * Changes of quotas within a year: who leaves or moves hands the goals of the remaining months over
 * to others, who joins takes over from them. The others' and the member's goals together stay as
 * they are.
 */
@Service
class GoalTakeover {
  private final Seals seals;

  GoalTakeover(Seals seals) {
    this.seals = seals;
  }

  /**
   * What is to change.
   *
   * @param kind {@code leaves}: from that month on others take the member's goals over; {@code
   *     joins}: the member takes goals over from them
   * @param key the member
   * @param from first month
   * @param others who takes over or gives up; null for all of the member's group who have a goal in
   *     the month
   * @param by what the others' shares weigh: {@code as-it-stands} (without), {@code last-year} or
   *     {@code even}
   * @param over how what a leaver hands over lies in the remaining months: {@code own} (without)
   *     each month's goal in that month, {@code even}, or {@code last-year} by the group's actuals
   * @param goal of whoever joins, in a whole month
   * @param ramp percent of it in the first months; the whole of it afterwards
   * @param step parts are multiples of it; without, the smallest unit
   */
  record Body(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      @Nullable String kind,
      String key,
      String from,
      @Nullable List<String> others,
      @Nullable String by,
      @Nullable String over,
      @Nullable String goal,
      @Nullable List<String> ramp,
      @Nullable String step)
      implements GoalDesk.OfSheet {}

  private enum By {
    AS_IT_STANDS,
    LAST_YEAR,
    EVEN;

    String word() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  /**
   * The changed cells.
   *
   * @param sheet as the draft has it
   * @throws Refusal value-unknown; nothing-to-spread-over, takes-too-much and as a spread, naming
   *     the month
   */
  List<GoalDrafts.Change> changes(GoalSheet sheet, Body body) {
    if (sheet.measure().isRate() || sheet.isRange()) {
      throw Refusal.of("value-unknown", GoalsWords.NO_TAKEOVER_OF_RATES_AND_RANGES)
          .with("name", "measure");
    }
    boolean isLeaving = "leaves".equals(body.kind());
    if (!isLeaving && !"joins".equals(body.kind())) {
      throw UnknownValue.of("kind", body.kind(), Stream.of("leaves", "joins"));
    }
    CellReader reader = new CellReader(sheet);
    Member member = reader.member(body.key());
    YearMonth from = reader.month(body.from());
    List<YearMonth> months =
        sheet.span().months().stream()
            .filter(month -> !month.isBefore(from) && seals.find(month).isEmpty())
            .toList();
    GoalSpread spread =
        new GoalSpread(
            GoalSpreads.step(body.step(), sheet.measure().scale()), sheet.measure().scale());
    Map<YearMonth, Long> passing =
        isLeaving ? left(sheet, member, months, body, spread) : taken(sheet, months, body, spread);
    if (passing.isEmpty()) {
      throw Refusal.of(
              "nothing-to-spread-over",
              GoalsWords.hasNoGoalInOpenMonths(member.name(), SpanWords.name(from)))
          .with("month", from.toString());
    }
    Takeover takeover = new Takeover(spread);
    By by = by("by", body.by());
    List<GoalDrafts.Change> changes = new ArrayList<>();
    passing.forEach(
        (month, amount) ->
            changes.addAll(
                passed(sheet, member, month, isLeaving ? amount : -amount, body, by, takeover)));
    if (isLeaving) {
      months.stream()
          .filter(month -> sheet.amount(member.id(), Months.number(month)) != null)
          .forEach(month -> changes.add(new GoalDrafts.Change(member, month, null)));
    } else {
      passing.forEach(
          (month, amount) ->
              changes.add(
                  new GoalDrafts.Change(
                      member,
                      month,
                      new Amount(Math.addExact(goal(sheet, member, month), amount), null))));
    }
    return changes;
  }

  private static long goal(GoalSheet sheet, Member member, YearMonth month) {
    return sheet.goal(member.id(), Months.number(month));
  }

  /** What a leaver hands over in each month. */
  private Map<YearMonth, Long> left(
      GoalSheet sheet, Member member, List<YearMonth> months, Body body, GoalSpread spread) {
    Map<YearMonth, Long> own = new LinkedHashMap<>();
    months.stream()
        .filter(month -> sheet.amount(member.id(), Months.number(month)) != null)
        .forEach(month -> own.put(month, goal(sheet, member, month)));
    if (own.isEmpty() || body.over() == null || body.over().equals("own")) {
      return own;
    }
    By over = by("over", body.over());
    if (over == By.AS_IT_STANDS) {
      throw UnknownValue.of("over", body.over(), Stream.of("own", "even", "last-year"));
    }
    List<YearMonth> remaining = List.copyOf(own.keySet());
    List<GoalSpread.Part> parts =
        remaining.stream()
            .map(
                month ->
                    new GoalSpread.Part(
                        null,
                        Months.number(month),
                        over == By.EVEN
                            ? BigInteger.ONE
                            : others(sheet, member, month, body).stream()
                                .map(other -> lastYear(sheet, other, month))
                                .reduce(lastYear(sheet, member, month), BigInteger::add),
                        null))
            .toList();
    long sum = own.values().stream().reduce(0L, Math::addExact);
    List<Long> amounts = spread.spread(sum, parts);
    Map<YearMonth, Long> laid = new LinkedHashMap<>();
    for (int at = 0; at < remaining.size(); at++) {
      laid.put(remaining.get(at), amounts.get(at));
    }
    return laid;
  }

  /** What a newcomer takes in each month: the goal of a whole month, by the ramp in the first. */
  private static Map<YearMonth, Long> taken(
      GoalSheet sheet, List<YearMonth> months, Body body, GoalSpread spread) {
    if (body.goal() == null || body.goal().isBlank()) {
      throw Refusal.of("value-missing", GoalsWords.GIVE_GOAL_OF_WHOLE_MONTH).with("name", "goal");
    }
    long whole = GoalSheet.units(body.goal(), sheet.measure(), GoalsWords.GOAL_OF_WHOLE_MONTH);
    List<String> ramp = Objects.requireNonNullElse(body.ramp(), List.of());
    Map<YearMonth, Long> taken = new LinkedHashMap<>();
    for (int at = 0; at < months.size(); at++) {
      Ratio share = at < ramp.size() ? percent(ramp.get(at)) : Ratio.ONE;
      taken.put(months.get(at), share.signum() == 0 ? 0 : spread.times(whole, share));
    }
    return taken;
  }

  private static Ratio percent(String text) {
    if (!text.strip().matches("\\d{1,3}(\\.\\d{1,4})?")) {
      throw Refusal.of("value-unknown", GoalsWords.isNotPercentage(text)).with("name", "ramp");
    }
    return Ratio.parse(text.strip()).dividedBy(Ratio.of(100));
  }

  private List<GoalDrafts.Change> passed(
      GoalSheet sheet,
      Member member,
      YearMonth month,
      long amount,
      Body body,
      By by,
      Takeover takeover) {
    if (amount == 0) {
      return List.of();
    }
    List<Member> others = others(sheet, member, month, body);
    if (others.isEmpty()) {
      throw Refusal.of(
              "nothing-to-spread-over",
              GoalsWords.nobodyElseInGroup(SpanWords.name(month), member.name(), amount))
          .with("month", month.toString());
    }
    List<Takeover.Other> standing =
        others.stream()
            .map(
                other ->
                    new Takeover.Other(
                        other.key(),
                        goal(sheet, other, month),
                        others.size() == 1 ? BigInteger.ONE : weight(sheet, other, month, by)))
            .toList();
    List<Long> goals;
    try {
      goals = takeover.pass(amount, standing);
    } catch (Refusal refused) {
      throw Refusal.of(refused.code(), SpanWords.name(month) + ": " + refused.getMessage())
          .with("month", month.toString());
    }
    List<GoalDrafts.Change> changes = new ArrayList<>();
    for (int at = 0; at < others.size(); at++) {
      changes.add(new GoalDrafts.Change(others.get(at), month, new Amount(goals.get(at), null)));
    }
    return changes;
  }

  private static BigInteger weight(GoalSheet sheet, Member other, YearMonth month, By by) {
    return switch (by) {
      case EVEN -> BigInteger.ONE;
      case LAST_YEAR -> lastYear(sheet, other, month);
      case AS_IT_STANDS -> BigInteger.valueOf(goal(sheet, other, month));
    };
  }

  private static BigInteger lastYear(GoalSheet sheet, Member member, YearMonth month) {
    return BigInteger.valueOf(sheet.lastYear(member.id(), Months.number(month)));
  }

  private static List<Member> others(GoalSheet sheet, Member member, YearMonth month, Body body) {
    if (body.others() != null) {
      CellReader reader = new CellReader(sheet);
      return body.others().stream()
          .map(reader::member)
          .filter(other -> other.id() != member.id())
          .toList();
    }
    int at = Months.number(month);
    int home = home(sheet, member, body);
    return sheet.ledger().members().all(sheet.axis()).stream()
        .filter(other -> other.id() != member.id() && sheet.amount(other.id(), at) != null)
        .filter(other -> home < 0 || group(sheet, other, at) == home)
        .sorted(Comparator.comparing(Member::key))
        .toList();
  }

  /** The region of whoever leaves just before, of whoever joins just then; −1 for none. */
  private static int home(GoalSheet sheet, Member member, Body body) {
    int from = Months.number(new CellReader(sheet).month(body.from()));
    int before = "leaves".equals(body.kind()) ? group(sheet, member, from - 1) : -1;
    return before >= 0 ? before : group(sheet, member, from);
  }

  private static int group(GoalSheet sheet, Member member, int month) {
    return Filters.isPlaced(sheet.axis(), Axis.REGION)
        ? Filters.placeOnAxis(
            sheet.axis(), member.id(), month, Axis.REGION, sheet.ledger().members())
        : -1;
  }

  private static By by(String name, @Nullable String word) {
    if (word == null || word.isBlank()) {
      return By.AS_IT_STANDS;
    }
    return Stream.of(By.values())
        .filter(one -> one.word().equals(word))
        .findFirst()
        .orElseThrow(() -> UnknownValue.of(name, word, Stream.of(By.values()).map(By::word)));
  }
}
