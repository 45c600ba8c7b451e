package zealoustarget.core.testing;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/** A small company written down in a test: who is where, what was posted, what was promised. */
public final class Company {
  public static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);

  private final Map<Axis, Map<String, Integer>> ids = new EnumMap<>(Axis.class);
  private final List<Members.RosterAssignment> stays = new ArrayList<>();
  private final Map<Integer, Integer> lines = new LinkedHashMap<>();
  private final List<Object[]> rows = new ArrayList<>();
  private final List<String> measures;
  private final Map<String, List<GoalBook.Cell>> goals = new LinkedHashMap<>();
  private final Map<String, Axis> axes = new LinkedHashMap<>();
  private int line = 1;

  /** A company that counts these measures. */
  public Company(String... measures) {
    this.measures = List.of(measures);
  }

  /** A rep in a region from a month on. */
  public Company rep(String rep, String region, String manager, String from) {
    stays.add(
        new Members.RosterAssignment(
            id(Axis.REP, rep),
            month(from),
            null,
            id(Axis.REGION, region),
            id(Axis.MANAGER, manager)));
    return this;
  }

  public Company product(String product, String productLine) {
    lines.put(id(Axis.PRODUCT, product), id(Axis.LINE, productLine));
    return this;
  }

  /** One line; null for a rep or product that it does not name. */
  public Company sold(String month, String rep, String product, long... amounts) {
    rows.add(
        new Object[] {
          month(month),
          rep == null ? -1 : id(Axis.REP, rep),
          product == null ? -1 : id(Axis.PRODUCT, product),
          amounts
        });
    return this;
  }

  public Company goal(String set, Axis axis, String measure, String month, String key, long goal) {
    return range(set, axis, measure, month, key, goal, null);
  }

  /** A range; {@code high} null for a single amount. */
  public Company range(
      String set, Axis axis, String measure, String month, String key, long low, Long high) {
    axes.put(set, axis);
    int member = axis == Axis.COMPANY ? 0 : id(axis, key);
    goals
        .computeIfAbsent(set, name -> new ArrayList<>())
        .add(new GoalBook.Cell(measure, month(month), member, low, high, 9, ++line));
    return this;
  }

  /** All of it, posted. */
  public Ledger ledger() {
    ActualBlock.Builder block = new ActualBlock.Builder(1, measures);
    for (Object[] row : rows) {
      block.add(++line, (int) row[0], (int) row[1], -1, (int) row[2], (long[]) row[3]);
    }
    Map<Axis, List<Member>> members = new EnumMap<>(Axis.class);
    ids.forEach(
        (axis, keys) ->
            members.put(
                axis,
                keys.entrySet().stream()
                    .map(key -> new Member(key.getValue(), key.getKey(), key.getKey()))
                    .toList()));
    return new Ledger(
        new Members(members, stays, lines),
        List.of(block.build()),
        goals.entrySet().stream()
            .map(set -> GoalBook.of(set.getKey(), axes.get(set.getKey()), set.getValue()))
            .toList());
  }

  public int id(Axis axis, String key) {
    Map<String, Integer> keys = ids.computeIfAbsent(axis, none -> new LinkedHashMap<>());
    return keys.computeIfAbsent(key, none -> keys.size());
  }

  /** Everything of a span against a set, judged by the measure's default ladder. */
  public static StandingQuery query(
      Axis axis, Measure measure, String from, String to, String set) {
    return new StandingQuery(
        axis,
        measure,
        span(from, to),
        set == null ? Basis.NONE : new Basis.Set(set),
        Filters.NONE,
        Ladder.defaultOf(measure.direction()));
  }

  public static Span span(String from, String to) {
    return new Span(YearMonth.parse(from), YearMonth.parse(to));
  }

  /** Members as "KEY actual/goal" in one month, a dash for no goal, each a rep. */
  public static Ledger ofReps(String month, String... members) {
    Company company = new Company("revenue");
    Arrays.stream(members)
        .map(text -> text.split("[ /]", -1))
        .forEach(
            parts -> {
              company.sold(month, parts[0], null, Long.parseLong(parts[1]));
              if (!parts[2].equals("-")) {
                company.goal(
                    "quota", Axis.REP, "revenue", month, parts[0], Long.parseLong(parts[2]));
              }
            });
    return company.ledger();
  }

  private static int month(String text) {
    return Months.number(YearMonth.parse(text));
  }
}
