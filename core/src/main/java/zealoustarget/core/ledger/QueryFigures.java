package zealoustarget.core.ledger;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.ledger.sums.GoalSum;
import zealoustarget.core.ledger.sums.Places;
import zealoustarget.core.ledger.sums.SpanSums;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;

/** The sums that a query needs by place, and the readings made of them. */
final class QueryFigures {
  private final StandingQuery query;
  private final SpanSums actual;
  private final SpanSums prior;
  private final SpanSums yearBefore;
  private final GoalSum.Shape shape;
  private final int places;
  private final @Nullable GoalSum[] goals;
  private final boolean[] isEmptyMonth;
  private final boolean isEmpty;

  QueryFigures(Ledger ledger, StandingQuery query, Places at) {
    this.query = query;
    actual = ledger.sums(query, query.span(), at);
    prior = ledger.sums(query, query.span().before(), at);
    yearBefore = ledger.sums(query, query.span().yearBefore(), at);
    isEmptyMonth = ledger.isEmptyByMonth(query.measure(), query.span());
    boolean hasAny = false;
    for (boolean one : isEmptyMonth) {
      hasAny |= !one;
    }
    isEmpty = !hasAny;
    GoalBook book = ledger.goalBook(query.basis());
    shape =
        new GoalSum.Shape(
            book != null && book.isRange(query.measure().code()), query.measure().isRate());
    List<GoalBook.Cell> cells = ledger.goalCells(query);
    int[] cellPlaces = new int[cells.size()];
    for (int i = 0; i < cellPlaces.length; i++) {
      cellPlaces[i] = book == null ? Places.OUTSIDE : at.ofGoal(book.axis(), cells.get(i));
    }
    places = at.size();
    goals = new GoalSum[places + 1];
    addGoals(cells, cellPlaces);
  }

  private void addGoals(List<GoalBook.Cell> cells, int[] cellPlaces) {
    int first = Months.number(query.span().fromInclusive());
    for (int i = 0; i < cellPlaces.length; i++) {
      int place = cellPlaces[i];
      if (place == Places.OUTSIDE) {
        continue;
      }
      GoalSum sum = goals[place + 1];
      if (sum == null) {
        sum = new GoalSum(shape);
        goals[place + 1] = sum;
      }
      int month = cells.get(i).month() - first;
      sum.add(cells.get(i), month, part(month), actual.weight(place, month));
    }
  }

  private GoalSum.Part part(int month) {
    if (isEmptyMonth[month]) {
      return GoalSum.Part.EMPTY;
    }
    return month == isEmptyMonth.length - 1 ? GoalSum.Part.LAST : GoalSum.Part.PAST;
  }

  /** One more than the largest place. */
  int places() {
    return places;
  }

  /** Whether nothing at all is posted of the measure in the span. */
  boolean isEmpty() {
    return isEmpty;
  }

  boolean hasRow(int place) {
    SpanSums earlier = earlier();
    return actual.has(place) || (earlier == null ? goals[place + 1] != null : earlier.has(place));
  }

  SpanSums actual() {
    return actual;
  }

  Standing.Unjudged read(Member member, int place) {
    Reading reading =
        new Reading(
            query.measure().direction(),
            actual.actual(place),
            goal(place),
            goalMonths(place),
            prior.orNull(place),
            yearBefore.orNull(place));
    return unjudged(member, reading, new int[] {place}, goals[place + 1]);
  }

  /** Several places read as one: summed first, then compared. */
  Standing.Unjudged read(Member member, int[] several) {
    SpanSums.Sum actuals = actual.sum();
    SpanSums.Sum priors = prior.sum();
    SpanSums.Sum years = yearBefore.sum();
    GoalSum goal = new GoalSum(shape);
    for (int place : several) {
      actuals.add(place);
      addEarlier(priors, place, query.basis() instanceof Basis.PriorPeriod);
      addEarlier(years, place, query.basis() instanceof Basis.PriorYear);
      GoalSum own = goals[place + 1];
      if (own != null) {
        goal.addAll(own);
      }
    }
    Reading reading =
        new Reading(
            query.measure().direction(),
            actuals.actual(),
            goal(goal, priors, years),
            goalMonths(goal, priors, years),
            priors.orNull(),
            years.orNull());
    return unjudged(member, reading, several, goal);
  }

  private Standing.Unjudged unjudged(
      Member member, Reading reading, int[] several, @Nullable GoalSum goal) {
    boolean isRunning = query.days() != null && !query.measure().isRate();
    if (isRunning && query.atPace()) {
      return atPace(member, reading, several, goal);
    }
    Goal goalToDate = isRunning && reading.hasGoal() ? goalToDate(several, goal) : Goal.MISSING;
    return new Standing.Unjudged(
        member,
        reading,
        isEmpty,
        isRunning ? outlook(reading, several, goalToDate) : null,
        goal == null ? null : comparable(several, goal, Ratio.ZERO),
        goalToDate instanceof Goal.Missing ? null : against(reading, goalToDate));
  }

  /** As if the running month went on as it went so far: then it is over, and nothing is to date. */
  private Standing.Unjudged atPace(
      Member member, Reading reading, int[] several, @Nullable GoalSum goal) {
    Ratio actual = Objects.requireNonNull(reading.actual()); // only a rate can have none
    Ratio end = Pace.atEnd(actual, Objects.requireNonNull(query.days()), inLastMonth(several));
    Reading ended =
        new Reading(
            reading.direction(),
            end,
            reading.goal(),
            reading.goalMonths(),
            reading.prior(),
            reading.yearBefore());
    return new Standing.Unjudged(
        member,
        ended,
        isEmpty,
        null,
        goal == null ? null : comparable(several, goal, end.minus(actual)),
        null);
  }

  private static void addEarlier(SpanSums.Sum sum, int place, boolean isBasis) {
    if (isBasis) {
      sum.addWithMonths(place);
    } else {
      sum.add(place);
    }
  }

  /** All places, the lines that name none included. */
  int[] all() {
    int[] all = new int[places + 1];
    Arrays.setAll(all, at -> at - 1);
    return all;
  }

  private @Nullable SpanSums earlier() {
    if (query.basis() instanceof Basis.PriorYear) {
      return yearBefore;
    }
    return query.basis() instanceof Basis.PriorPeriod ? prior : null;
  }

  private Ratio factor() {
    return query.basis().factor();
  }

  private Goal goal(int place) {
    SpanSums earlier = earlier();
    if (earlier != null) {
      return derived(earlier.orNull(place));
    }
    GoalSum sum = goals[place + 1];
    return sum == null ? Goal.MISSING : sum.goal().times(factor());
  }

  private Goal goal(GoalSum sum, SpanSums.Sum priors, SpanSums.Sum years) {
    if (query.basis() instanceof Basis.PriorYear) {
      return derived(years.orNull());
    }
    return query.basis() instanceof Basis.PriorPeriod
        ? derived(priors.orNull())
        : sum.goal().times(factor());
  }

  private Goal derived(@Nullable Ratio earlier) {
    return earlier == null ? Goal.MISSING : Goal.of(earlier.times(factor()));
  }

  private int goalMonths(int place) {
    SpanSums earlier = earlier();
    if (earlier != null) {
      return earlier.months(place);
    }
    GoalSum sum = goals[place + 1];
    return sum == null ? 0 : sum.months();
  }

  private int goalMonths(GoalSum sum, SpanSums.Sum priors, SpanSums.Sum years) {
    if (query.basis() instanceof Basis.PriorYear) {
      return years.months();
    }
    return query.basis() instanceof Basis.PriorPeriod ? priors.months() : sum.months();
  }

  /**
   * Actuals and goals of the months with a goal only; docs/calculations.md, section 2.
   *
   * @param toCome what the span's last month is expected to bring yet
   * @return null where no month has a goal, or none without one has a posted line
   */
  private Standing.@Nullable Compared comparable(int[] several, GoalSum goal, Ratio toCome) {
    int months = isEmptyMonth.length;
    if (earlier() != null || goal.months() == 0 || goal.months() == months) {
      return null;
    }
    boolean isPartly = false;
    boolean hasActuals = false;
    for (int month = 0; month < months; month++) {
      if (goal.hasMonth(month)) {
        hasActuals |= !isEmptyMonth[month];
      } else {
        isPartly |= hasLines(several, month);
      }
    }
    Goal amount = goal.goal().times(factor());
    if (!isPartly || amount instanceof Goal.Missing) {
      return null;
    }
    Reading reading =
        new Reading(
            query.measure().direction(),
            inLast(actual.actual(several, goal::hasMonth), goal, toCome),
            amount,
            goal.months(),
            null,
            null);
    return new Standing.Compared(reading, !hasActuals);
  }

  private @Nullable Ratio inLast(@Nullable Ratio actuals, GoalSum goal, Ratio toCome) {
    return actuals != null && goal.hasMonth(isEmptyMonth.length - 1)
        ? actuals.plus(toCome)
        : actuals;
  }

  private boolean hasLines(int[] several, int month) {
    for (int place : several) {
      if (actual.hasLines(place, month)) {
        return true;
      }
    }
    return false;
  }

  private static Reading against(Reading reading, Goal other) {
    return new Reading(
        reading.direction(),
        reading.actual(),
        other,
        reading.goalMonths(),
        reading.prior(),
        reading.yearBefore());
  }

  /** What was expected so far of a span that ends in a running month. */
  private Goal goalToDate(int[] several, @Nullable GoalSum goal) {
    Ratio gone = Objects.requireNonNull(query.days()).gone();
    SpanSums earlier = earlier();
    if (earlier == null) {
      return goal == null ? Goal.MISSING : goal.toDate(gone).times(factor());
    }
    Ratio sum = Ratio.ZERO;
    for (int month = 0; month < isEmptyMonth.length; month++) {
      long amount = 0;
      for (int place : several) {
        amount = Math.addExact(amount, earlier.inMonth(place, month));
      }
      Ratio part = part(month) == GoalSum.Part.LAST ? gone : Ratio.ONE;
      sum = isEmptyMonth[month] ? sum : sum.plus(Ratio.of(amount).times(part));
    }
    return Goal.of(sum.times(factor()));
  }

  private Ratio inLastMonth(int[] several) {
    long open = 0;
    for (int place : several) {
      open = Math.addExact(open, actual.inMonth(place, isEmptyMonth.length - 1));
    }
    return Ratio.of(open);
  }

  private Pace outlook(Reading reading, int[] several, Goal goalToDate) {
    return Pace.of(
        reading,
        Objects.requireNonNull(query.days()),
        inLastMonth(several),
        goalToDate instanceof Goal.Single single ? single.amount() : null);
  }
}
