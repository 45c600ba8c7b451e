package zealoustarget.core.outlook;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Status;

/**
 * The outlook of all members of an axis for one span; docs/calculations.md, section 9. The total is
 * computed from summed amounts.
 *
 * @param total of everything in scope; of narrowed rows, of those that are kept
 * @param rows a standing's rows, and members that have open or overdue deals only, in the order of
 *     their keys, in groups group by group
 * @param groups the groups' own rows, null without groups
 */
public record OutlookTable(
    Measure measure, Ladder ladder, Row total, List<Row> rows, @Nullable List<Row> groups) {
  /**
   * One member's outlook.
   *
   * @param group key of the group in which the row stands, empty for none of them; null without
   *     groups
   * @param expected what the ladder says of what is expected
   */
  public record Row(Member member, @Nullable String group, Outlook outlook, Status expected) {
    /** Whether the deals that are open could not fill what is to go, would they all be won. */
    public boolean isOutOfReach() {
      Ratio toGo = outlook.toGo();
      return toGo != null && toGo.compareTo(Ratio.of(outlook.deals().open())) > 0;
    }

    /** Whether what is expected reaches the goal. */
    public boolean isExpectedToReach() {
      Ratio goal = outlook.reading().goalAmount();
      Ratio expected = outlook.expected();
      return goal != null && expected != null && expected.compareTo(goal) >= 0;
    }

    public boolean hasGoal() {
      return outlook.reading().goalAmount() != null;
    }
  }

  /** Whether deals can say anything of a measure: one that is counted, of which more is better. */
  public static boolean isMeasured(Measure measure) {
    return measure.direction() == Direction.HIGHER && !measure.isRate();
  }

  /**
   * Reads an outlook.
   *
   * @param query of a measure that {@link #isMeasured}
   * @param group axis of the groups, null without
   * @param inForce the snapshots that count, one of each source
   */
  public static OutlookTable of(
      Ledger ledger, StandingQuery query, @Nullable Axis group, List<DealSnapshot> inForce) {
    return new Table(ledger, query, group, inForce).table();
  }

  /** How many rows with a goal should reach it. */
  public long expectedToReach() {
    return rows.stream().filter(Row::isExpectedToReach).count();
  }

  public long withGoal() {
    return rows.stream().filter(Row::hasGoal).count();
  }

  /** The deals of a scope as a query asks for them. */
  public static DealScope scope(Ledger ledger, StandingQuery query) {
    return new DealScope(query.measure().code(), query.span(), query.filters(), ledger.members());
  }

  /** A row before it is judged, which takes the highest of all. */
  private record Unjudged(Member member, @Nullable String group, Outlook outlook) {
    Row judged(Ladder ladder, Measure measure, @Nullable Ratio highest) {
      return new Row(
          member, group, outlook, outlook.expectedStatus(ladder, measure.unitsPerOne(), highest));
    }
  }

  private static final class Table {
    private final Ledger ledger;
    private final Members members;
    private final StandingQuery query;
    private final @Nullable Axis group;
    private final List<DealSnapshot> inForce;
    private OpenDeals.ByPlace deals;
    private final List<Unjudged> rows = new ArrayList<>();

    Table(Ledger ledger, StandingQuery query, @Nullable Axis group, List<DealSnapshot> inForce) {
      this.ledger = ledger;
      this.members = ledger.members();
      this.query = query;
      this.group = group;
      this.inForce = inForce;
      this.deals = OpenDeals.of(inForce, scope(ledger, query), query.axis(), group);
    }

    OutlookTable table() {
      List<Unjudged> groups = new ArrayList<>();
      Standing whole;
      if (group == null) {
        whole = ledger.standing(query);
        addRows(whole.rows(), null, null);
      } else {
        Grouped grouped = ledger.grouped(query, group);
        whole = grouped.whole();
        addGroups(grouped, groups);
      }
      if (!query.narrowing().isNone()) {
        keepOnly(rows.stream().map(row -> row.member().id()).collect(Collectors.toSet()));
      }
      Unjudged total = new Unjudged(Standing.ALL, null, outlook(whole.total(), deals.total()));
      Ladder ladder = ledger.ladder(query);
      Ratio highest = highest(rows);
      return new OutlookTable(
          query.measure(),
          ladder,
          total.judged(ladder, query.measure(), null),
          rows.stream().map(row -> row.judged(ladder, query.measure(), highest)).toList(),
          group == null
              ? null
              : groups.stream()
                  .map(row -> row.judged(ladder, query.measure(), highest(groups)))
                  .toList());
    }

    private static @Nullable Ratio highest(List<Unjudged> some) {
      return some.stream()
          .map(row -> row.outlook().expected())
          .filter(Objects::nonNull)
          .max(Comparator.naturalOrder())
          .orElse(null);
    }

    private static Outlook outlook(Standing.Row row, OpenDeals deals) {
      return new Outlook(row.reading(), row.status().noReading() == NoReading.EMPTY, deals);
    }

    private void addGroups(Grouped grouped, List<Unjudged> groups) {
      Map<Integer, Standing> known = new HashMap<>();
      List<Member> inOrder = new ArrayList<>();
      for (Standing one : grouped.groups()) {
        known.put(one.total().member().id(), one);
        inOrder.add(one.total().member());
      }
      withDeals(OpenDeals.Place::group).stream()
          .filter(id -> !known.containsKey(id))
          .map(id -> members.get(Objects.requireNonNull(group), id))
          .filter(member -> query.narrowing().isNone())
          .sorted(Comparator.comparing(Member::key))
          .forEach(inOrder::add);
      for (Member member : inOrder) {
        Standing standing = known.get(member.id());
        Standing.Row row =
            standing == null
                ? ledger.reading(query.withAxis(Objects.requireNonNull(group)), member.id())
                : standing.total();
        addRows(standing == null ? List.of() : standing.rows(), member.id(), member.key());
        groups.add(new Unjudged(member, member.key(), outlook(row, ofGroup(member.id()))));
      }
    }

    private OpenDeals ofGroup(int id) {
      return OpenDeals.sum(
          deals.places().entrySet().stream()
              .filter(place -> place.getKey().group() == id)
              .map(Map.Entry::getValue)
              .toList());
    }

    private Set<Integer> withDeals(java.util.function.ToIntFunction<OpenDeals.Place> part) {
      return deals.places().keySet().stream()
          .map(part::applyAsInt)
          .filter(id -> id != Members.NONE)
          .collect(Collectors.toSet());
    }

    /** Rows of a standing, and of members that have deals there and no row. */
    private void addRows(List<Standing.Row> some, @Nullable Integer in, @Nullable String key) {
      int place = in == null ? Members.NONE : in;
      Set<Integer> known = new HashSet<>();
      List<Unjudged> here = new ArrayList<>();
      for (Standing.Row row : some) {
        known.add(row.member().id());
        here.add(new Unjudged(row.member(), key, outlook(row, deals.of(place, row.member().id()))));
      }
      Set<Integer> others =
          deals.places().keySet().stream()
              .filter(one -> one.group() == place && one.member() != Members.NONE)
              .map(OpenDeals.Place::member)
              .filter(id -> !known.contains(id))
              .collect(Collectors.toSet());
      StandingQuery inGroup =
          in == null || in == Members.NONE
              ? query
              : query.withFilters(query.filters().and(Objects.requireNonNull(group), in));
      others.stream()
          .map(id -> ledger.reading(inGroup.withNarrowing(Narrowing.NONE), id))
          .filter(this::isKept)
          .map(
              row ->
                  new Unjudged(row.member(), key, outlook(row, deals.of(place, row.member().id()))))
          .forEach(here::add);
      if (!others.isEmpty()) {
        here.sort(Comparator.comparing(row -> row.member().key()));
      }
      rows.addAll(here);
    }

    /** The best and the worst are those of the standing; no other row is among them. */
    private boolean isKept(Standing.Row row) {
      Narrowing narrowing = query.narrowing();
      int last = Months.number(query.span().toInclusive());
      Member place = members.placeOf(query.axis(), row.member().id(), last);
      return narrowing.isNone()
          || narrowing.top() == null && narrowing.keeps(row, place == null ? "" : place.name());
    }

    private void keepOnly(Set<Integer> kept) {
      Filters filters = query.filters().and(query.axis(), kept);
      deals = OpenDeals.of(inForce, scope(ledger, query.withFilters(filters)), query.axis(), group);
    }
  }

  /** All rows, the total first. */
  public Stream<Row> all() {
    return Stream.concat(Stream.of(total), rows.stream());
  }
}
