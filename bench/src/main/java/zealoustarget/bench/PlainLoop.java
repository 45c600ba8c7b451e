package zealoustarget.bench;

import java.time.YearMonth;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;

/**
 * The least that a standing can be: one pass over primitive arrays ordered by month that adds up
 * amounts, adds up goals and counts who reached theirs.
 *
 * @param starts where each month's lines begin, one more than there are months
 */
record PlainLoop(
    int first, int[] starts, int[] reps, int[] regions, long[] amounts, long[][] goals) {
  private static final int REGIONS = 64;

  /** The posted lines of a ledger, month by month. */
  static PlainLoop of(Ledger ledger, int reps, YearMonth firstMonth, int months) {
    Measure revenue = new Measure("revenue", "EUR", 2, Direction.HIGHER);
    int first = Months.number(firstMonth);
    int[] starts = new int[months + 1];
    int[] repOf = new int[1024];
    long[] amounts = new long[1024];
    int size = 0;
    int[] places = new int[ledger.members().size(Axis.REP)];
    ledger
        .members()
        .all(Axis.REP)
        .forEach(rep -> places[rep.id()] = Integer.parseInt(rep.key().substring(1)));
    for (int month = 0; month < months; month++) {
      starts[month] = size;
      StandingQuery query =
          new StandingQuery(
              Axis.REP,
              revenue,
              Span.of(firstMonth.plusMonths(month)),
              Basis.NONE,
              new Filters(Map.of(Axis.COMPANY, Set.of(0))),
              Ladder.defaultOf(Direction.HIGHER));
      for (Ledger.Source source : ledger.actualSources(query, null)) {
        if (size == repOf.length) {
          repOf = Arrays.copyOf(repOf, size * 2);
          amounts = Arrays.copyOf(amounts, size * 2);
        }
        repOf[size] = places[source.rep()];
        amounts[size++] = source.amount();
      }
    }
    starts[months] = size;
    int[] regions = new int[reps];
    Arrays.setAll(regions, rep -> rep % OrderFile.REGIONS);
    long[][] goals = new long[months][reps];
    GoalBook quota = ledger.goalBooks().get("quota");
    for (GoalBook.Cell cell : quota.cells()) {
      if (cell.month() - first < months && cell.month() >= first) {
        goals[cell.month() - first][places[cell.member()]] = cell.amount();
      }
    }
    return new PlainLoop(first, starts, repOf, regions, amounts, goals);
  }

  /** Members that reached their goal; sums and goals are made on the way. */
  long standing(Span span) {
    long[] sums = new long[regions.length];
    long[] wanted = new long[regions.length];
    int from = Months.number(span.fromInclusive()) - first;
    for (int month = from; month < from + span.length(); month++) {
      for (int line = starts[month]; line < starts[month + 1]; line++) {
        sums[reps[line]] += amounts[line];
      }
      for (int rep = 0; rep < wanted.length; rep++) {
        wanted[rep] += goals[month][rep];
      }
    }
    long reached = 0;
    for (int rep = 0; rep < sums.length; rep++) {
      reached += sums[rep] >= wanted[rep] ? 1 : 0;
    }
    return reached;
  }

  long sheet(Span span) {
    long reached = 0;
    for (YearMonth month : span.months()) {
      reached += standing(Span.of(month));
    }
    return reached;
  }

  /** As the standing, by region and rep. */
  long grouped(Span span) {
    int month = Months.number(span.fromInclusive()) - first;
    long[] sums = new long[REGIONS * regions.length];
    for (int line = starts[month]; line < starts[month + 1]; line++) {
      int rep = reps[line];
      sums[regions[rep] * regions.length + rep] += amounts[line];
    }
    long reached = 0;
    for (int rep = 0; rep < regions.length; rep++) {
      reached += sums[regions[rep] * regions.length + rep] >= goals[month][rep] ? 1 : 0;
    }
    return reached;
  }
}
