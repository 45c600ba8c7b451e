package zealoustarget.core.ledger;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.ledger.sums.Places;
import zealoustarget.core.ledger.sums.SpanSums;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.core.reading.Standing.Unjudged;

/**
 * Makes a standing in groups: every row is what one member has in one group, so that a rep who
 * moved stands in both regions, each with its months.
 *
 * <p>Where the goals are set on the groups' axis, the subtotals have them and the rows none.
 */
final class GroupReader {
  private final Ledger ledger;
  private final StandingQuery query;
  private final Axis groupAxis;
  private final Places.Pairs pairs;
  private final QueryFigures figures;
  private final Standing.Rules rules;
  private final @Nullable QueryFigures groupFigures;
  private final IdentityHashMap<Row, Integer> placeOfRow = new IdentityHashMap<>();

  GroupReader(Ledger ledger, StandingQuery query, Axis groupAxis) {
    this.ledger = ledger;
    this.query = query;
    this.groupAxis = groupAxis;
    this.rules = new Standing.Rules(query.measure(), ledger.ladder(query), query.isWhole());
    this.pairs = new Places.Pairs(groupAxis, query.axis(), ledger.members());
    this.figures = new QueryFigures(ledger, query, pairs);
    GoalBook book = ledger.goalBook(query.basis());
    this.groupFigures =
        book != null && book.axis() == groupAxis && query.narrowing().isNone()
            ? new QueryFigures(
                ledger, query.withAxis(groupAxis), new Places.Plain(groupAxis, ledger.members()))
            : null;
  }

  Grouped grouped() {
    List<Row> rows = rows();
    List<Row> kept =
        isWhole()
            ? rows
            : Reader.narrowed(rows, query.narrowing(), row -> name(pairs.group(place(row))));
    Map<Integer, List<Row>> byGroup = new HashMap<>();
    kept.forEach(
        row -> byGroup.computeIfAbsent(pairs.group(place(row)), g -> new ArrayList<>()).add(row));
    Map<Integer, Integer> nobody = new TreeMap<>();
    if (isWhole()) {
      for (int place = 0; place < figures.places(); place++) {
        if (pairs.member(place) < 0
            && pairs.group(place) != Places.UNSPLIT
            && figures.hasRow(place)) {
          nobody.put(pairs.group(place), place);
          byGroup.computeIfAbsent(pairs.group(place), g -> new ArrayList<>());
        }
      }
      if (groupFigures != null) {
        for (int group = 0; group < groupFigures.places(); group++) {
          if (groupFigures.hasRow(group)) {
            byGroup.computeIfAbsent(group, g -> new ArrayList<>());
          }
        }
      }
    }
    List<Standing> groups =
        byGroup.keySet().stream()
            .sorted(
                Comparator.comparing((Integer group) -> group < 0)
                    .thenComparing(group -> member(group).key()))
            .map(group -> group(group, Objects.requireNonNull(byGroup.get(group)), nobody))
            .toList();
    List<Row> gone = Reader.without(rows, kept);
    return new Grouped(whole(kept, nobody, groups, gone), groups, unsplit());
  }

  private Grouped.@Nullable Unsplit unsplit() {
    int[] places =
        IntStream.range(0, figures.places())
            .filter(place -> pairs.group(place) == Places.UNSPLIT)
            .toArray();
    return places.length == 0
        ? null
        : new Grouped.Unsplit(places.length, figures.read(Standing.ALL, places).reading().goal());
  }

  private Standing whole(
      List<Row> kept, Map<Integer, Integer> nobody, List<Standing> groups, List<Row> gone) {
    int[] unassigned = nobody.values().stream().mapToInt(place -> place).toArray();
    int[] places = isWhole() ? figures.all() : withUnsplit(kept);
    Unjudged total = withGoalOf(figures.read(Standing.ALL, places), groupFigures, null);
    SpanSums.Sum out = figures.actual().sum();
    gone.forEach(row -> out.add(place(row)));
    return new Standing(
        query.measure(),
        rules.ladder(),
        judge(total),
        groups.stream().map(Standing::total).toList(),
        Reader.outside(figures, kept, this::place, unassigned),
        new Standing.LeftOut(gone.size(), out.actual()));
  }

  /** The places of some rows, with the goals of their members that the grouping does not split. */
  private int[] withUnsplit(List<Row> kept) {
    Set<Integer> members = kept.stream().map(row -> row.member().id()).collect(Collectors.toSet());
    return IntStream.concat(
            IntStream.of(places(kept)),
            IntStream.range(0, figures.places())
                .filter(place -> pairs.group(place) == Places.UNSPLIT)
                .filter(place -> members.contains(pairs.member(place))))
        .toArray();
  }

  private Standing group(int group, List<Row> rows, Map<Integer, Integer> nobody) {
    Integer unassigned = nobody.get(group);
    int[] outside = unassigned == null ? new int[0] : new int[] {unassigned};
    int[] places =
        isWhole()
            ? IntStream.range(0, figures.places())
                .filter(place -> pairs.group(place) == group)
                .toArray()
            : places(rows);
    Unjudged subtotal = withGoalOf(figures.read(member(group), places), groupFigures, group);
    return new Standing(
        query.measure(),
        rules.ladder(),
        judge(subtotal),
        rows,
        Reader.outside(figures, rows, this::place, outside),
        Standing.LeftOut.NONE);
  }

  /** The same sums against the goal that the group itself, or all groups, have. */
  private Unjudged withGoalOf(Unjudged read, @Nullable QueryFigures own, @Nullable Integer group) {
    if (own == null || (group != null && group < 0)) {
      return read;
    }
    Unjudged goals =
        group == null
            ? own.read(read.member(), own.all())
            : own.read(read.member(), group.intValue());
    Reading sums = read.reading();
    return new Unjudged(
        read.member(),
        new Reading(
            sums.direction(),
            sums.actual(),
            goals.reading().goal(),
            goals.reading().goalMonths(),
            sums.prior(),
            sums.yearBefore()),
        goals.isEmpty(),
        goals.outlook(),
        goals.comparable(),
        goals.toDate());
  }

  private List<Row> rows() {
    List<Unjudged> readings = new ArrayList<>();
    List<Integer> places = new ArrayList<>();
    for (int place = 0; place < figures.places(); place++) {
      int id = pairs.member(place);
      if (id >= 0 && pairs.group(place) != Places.UNSPLIT && figures.hasRow(place)) {
        readings.add(figures.read(ledger.members().get(query.axis(), id), place));
        places.add(place);
      }
    }
    Ratio highest = Standing.highestOf(readings);
    for (int at = 0; at < readings.size(); at++) {
      placeOfRow.put(Standing.judge(readings.get(at), rules, highest), places.get(at));
    }
    return placeOfRow.keySet().stream()
        .sorted(Comparator.comparing((Row row) -> row.member().key()).thenComparing(this::place))
        .toList();
  }

  private Row judge(Unjudged read) {
    return Standing.judge(read, rules, null);
  }

  private int place(Row row) {
    return Objects.requireNonNull(placeOfRow.get(row));
  }

  /** Whether nothing is narrowed away, so that sums take in what makes no row of its own. */
  private boolean isWhole() {
    return query.narrowing().isNone();
  }

  private int[] places(List<Row> rows) {
    return rows.stream().mapToInt(this::place).toArray();
  }

  private Member member(int group) {
    return group < 0
        ? new Member(Members.NONE, "", "No " + groupAxis.word())
        : ledger.members().get(groupAxis, group);
  }

  private String name(int group) {
    return member(group).name();
  }
}
