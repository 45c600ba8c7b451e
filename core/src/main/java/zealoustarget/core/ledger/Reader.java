package zealoustarget.core.ledger;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.Narrowing.By;
import zealoustarget.core.ledger.query.Narrowing.Top;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.ledger.sums.Places;
import zealoustarget.core.ledger.sums.SpanSums;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.core.reading.Standing.Unjudged;

/** Makes a standing of one axis' members: reads, judges, narrows, and adds up what is kept. */
final class Reader {
  private final Ledger ledger;
  private final StandingQuery query;
  private final QueryFigures figures;
  private final Standing.Rules rules;

  Reader(Ledger ledger, StandingQuery query) {
    this.ledger = ledger;
    this.query = query;
    this.rules = new Standing.Rules(query.measure(), ledger.ladder(query), query.isWhole());
    this.figures =
        new QueryFigures(ledger, query, new Places.Plain(query.axis(), ledger.members()));
  }

  Standing standing() {
    List<Unjudged> readings = new ArrayList<>();
    for (Member member : ledger.members().all(query.axis())) {
      if (figures.hasRow(member.id())) {
        readings.add(figures.read(member, member.id()));
      }
    }
    for (int id = 0; id < figures.places(); id++) {
      if (!ledger.members().isKnown(query.axis(), id) && figures.hasRow(id)) {
        readings.add(figures.read(ledger.members().get(query.axis(), id), id));
      }
    }
    Ratio highest = Standing.highestOf(readings);
    List<Row> rows = new ArrayList<>(readings.size());
    readings.forEach(read -> rows.add(Standing.judge(read, rules, highest)));
    if (query.narrowing().isNone()) {
      return new Standing(
          query.measure(),
          rules.ladder(),
          total(),
          List.copyOf(rows),
          outside(figures, rows, row -> row.member().id(), new int[] {Members.NONE}),
          Standing.LeftOut.NONE);
    }
    List<Row> kept = narrowed(rows, query.narrowing(), row -> placeWords(row.member().id()));
    List<Row> gone = without(rows, kept);
    boolean isOnlyWithout = query.narrowing().isOnlyWithout();
    int[] nobody = isOnlyWithout ? new int[] {Members.NONE} : new int[0];
    int[] places = IntStream.concat(IntStream.of(places(kept)), IntStream.of(nobody)).toArray();
    return new Standing(
        query.measure(),
        rules.ladder(),
        judge(figures.read(Standing.ALL, places)),
        kept,
        outside(figures, kept, row -> row.member().id(), nobody),
        new Standing.LeftOut(gone.size(), sum(figures, places(gone)).actual()));
  }

  /** A member's row; without a share of the highest, as the others are not read. */
  Row member(int id) {
    return judge(figures.read(ledger.members().get(query.axis(), id), id));
  }

  Row total() {
    return judge(figures.read(Standing.ALL, figures.all()));
  }

  private Row judge(Unjudged read) {
    return Standing.judge(read, rules, null);
  }

  private String placeWords(int id) {
    Member place =
        ledger.members().placeOf(query.axis(), id, Months.number(query.span().toInclusive()));
    return place == null ? "" : place.name();
  }

  private static int[] places(List<Row> rows) {
    return rows.stream().mapToInt(row -> row.member().id()).toArray();
  }

  /** The rows that a narrowing keeps, in their order. */
  static List<Row> narrowed(List<Row> rows, Narrowing narrowing, Function<Row, String> placeWords) {
    List<Row> kept =
        rows.stream().filter(row -> narrowing.keeps(row, placeWords.apply(row))).toList();
    Top top = narrowing.top();
    return top == null ? kept : ofTop(kept, top);
  }

  private static List<Row> ofTop(List<Row> rows, Top top) {
    By by = top.by();
    Comparator<Row> rising = Comparator.comparing(row -> Objects.requireNonNull(by.figure(row)));
    List<Row> chosen =
        rows.stream()
            .filter(row -> by.figure(row) != null)
            .sorted(top.isBottom() ? rising : rising.reversed())
            .limit(top.count())
            .toList();
    return without(rows, without(rows, chosen));
  }

  /** The rows that are not among {@code others}, each its own. */
  static List<Row> without(List<Row> rows, List<Row> others) {
    Set<Row> gone = Collections.newSetFromMap(new IdentityHashMap<>());
    gone.addAll(others);
    return rows.stream().filter(row -> !gone.contains(row)).toList();
  }

  /** What of a total is beyond the rows with a goal. */
  static Standing.Outside outside(
      QueryFigures figures, List<Row> rows, Function<Row, Integer> placeOf, int[] unassigned) {
    int[] without = placesWhere(rows, row -> !row.hasGoal(), placeOf);
    int[] with = placesWhere(rows, Row::hasGoal, placeOf);
    SpanSums.Sum noGoal = sum(figures, without);
    int lines = 0;
    for (int place : unassigned) {
      noGoal.add(place);
      lines += figures.actual().lines(place);
    }
    @Nullable Ratio nobody = sum(figures, unassigned).actual();
    return new Standing.Outside(noGoal.actual(), sum(figures, with).actual(), nobody, lines);
  }

  private static int[] placesWhere(
      List<Row> rows, Predicate<Row> isTaken, Function<Row, Integer> placeOf) {
    return IntStream.range(0, rows.size())
        .filter(at -> isTaken.test(rows.get(at)))
        .map(at -> placeOf.apply(rows.get(at)))
        .toArray();
  }

  private static SpanSums.Sum sum(QueryFigures figures, int[] places) {
    SpanSums.Sum sum = figures.actual().sum();
    for (int place : places) {
      sum.add(place);
    }
    return sum;
  }
}
