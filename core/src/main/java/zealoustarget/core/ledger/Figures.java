package zealoustarget.core.ledger;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Outlook;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;

/** The sums that a query needs by place, and the readings made of them. */
final class Figures {
  private final StandingQuery query;
  private final SpanSums actual;
  private final SpanSums prior;
  private final SpanSums yearBefore;
  private final GoalSum.Shape shape;
  private final int places;
  private final @Nullable GoalSum[] goals;

  Figures(Ledger ledger, StandingQuery query, Places at) {
    this.query = query;
    actual = ledger.sums(query, query.span(), at);
    prior = ledger.sums(query, query.span().before(), at);
    yearBefore = ledger.sums(query, query.span().yearBefore(), at);
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
    int last = query.span().length() - 1;
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
      sum.add(cells.get(i), month, month == last, actual.weight(place, month));
    }
  }

  /** One more than the largest place. */
  int places() {
    return places;
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
    return new Standing.Unjudged(
        member, reading, outlook(reading, actual.lastMonth(place), openGoal(place)));
  }

  /** Several places read as one: summed first, then compared. */
  Standing.Unjudged read(Member member, int[] several) {
    SpanSums.Sum actuals = actual.sum();
    SpanSums.Sum priors = prior.sum();
    SpanSums.Sum years = yearBefore.sum();
    GoalSum goal = new GoalSum(shape);
    Ratio openActual = Ratio.ZERO;
    Ratio openGoal = null;
    for (int place : several) {
      actuals.add(place);
      addEarlier(priors, place, query.basis() instanceof Basis.PriorPeriod);
      addEarlier(years, place, query.basis() instanceof Basis.PriorYear);
      GoalSum own = goals[place + 1];
      if (own != null) {
        goal.addAll(own);
      }
      if (query.days() != null) {
        openActual = plus(openActual, actual.lastMonth(place));
        openGoal = plusOrNull(openGoal, openGoal(place));
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
    return new Standing.Unjudged(member, reading, outlook(reading, openActual, openGoal));
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
    if (query.basis() instanceof Basis.PriorYear year) {
      return year.factor();
    }
    return query.basis() instanceof Basis.PriorPeriod period ? period.factor() : Ratio.ONE;
  }

  private Goal goal(int place) {
    SpanSums earlier = earlier();
    if (earlier != null) {
      return derived(earlier.orNull(place));
    }
    GoalSum sum = goals[place + 1];
    return sum == null ? Goal.MISSING : sum.goal();
  }

  private Goal goal(GoalSum sum, SpanSums.Sum priors, SpanSums.Sum years) {
    if (query.basis() instanceof Basis.PriorYear) {
      return derived(years.orNull());
    }
    return query.basis() instanceof Basis.PriorPeriod ? derived(priors.orNull()) : sum.goal();
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

  private @Nullable Ratio openGoal(int place) {
    SpanSums earlier = earlier();
    if (earlier != null) {
      Ratio last = earlier.lastMonth(place);
      return last == null ? null : last.times(factor());
    }
    GoalSum sum = goals[place + 1];
    return sum == null ? null : sum.open();
  }

  private @Nullable Outlook outlook(
      Reading reading, @Nullable Ratio openActual, @Nullable Ratio openGoal) {
    return query.days() == null || openActual == null || query.measure().isRate()
        ? null
        : Outlook.of(reading, query.days(), openActual, openGoal);
  }

  private static Ratio plus(Ratio sum, @Nullable Ratio more) {
    return more == null ? sum : sum.plus(more);
  }

  private static @Nullable Ratio plusOrNull(@Nullable Ratio sum, @Nullable Ratio more) {
    if (sum == null || more == null) {
      return sum == null ? more : sum;
    }
    return sum.plus(more);
  }
}
