package zealoustarget.core.ledger.columns;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;

/**
 * Who there is: the members of every axis, where each rep belongs month by month, each product's
 * line. Immutable.
 *
 * <p>A rep's stays follow docs/calculations.md, section 1: months are inclusive, a later stay ends
 * the open one before it, and where two cover a month the later one counts.
 */
public final class Members {
  public static final int NONE = -1;

  /**
   * A rep's place from one month on.
   *
   * @param fromMonth first month, numbered as in {@link Months}
   * @param untilMonth last month, or null where it is open
   * @param region id, or −1
   * @param manager id, or −1
   */
  public record RosterAssignment(
      int rep, int fromMonth, @Nullable Integer untilMonth, int region, int manager) {}

  private final Map<Axis, Map<Integer, Member>> byId = new EnumMap<>(Axis.class);
  private final Map<Axis, List<Member>> sorted = new EnumMap<>(Axis.class);
  private final Map<Axis, Integer> sizes = new EnumMap<>(Axis.class);
  private final Map<Axis, Map<String, Member>> byFoldedKey = new ConcurrentHashMap<>();
  private final Map<Integer, List<RosterAssignment>> stays;
  private final Lines lines;
  private final int[][] regionByMonth;
  private final int[][] managerByMonth;
  private final int firstMonth;

  /**
   * Puts the company together.
   *
   * @param members per axis, in any order
   * @param stays in any order
   * @param lineOfProduct line id per product id
   */
  public Members(
      Map<Axis, List<Member>> members,
      List<RosterAssignment> stays,
      Map<Integer, Integer> lineOfProduct) {
    this(members, stays, Lines.of(lineOfProduct));
  }

  private Members(Map<Axis, List<Member>> members, List<RosterAssignment> stays, Lines lines) {
    for (Axis axis : Axis.values()) {
      Map<Integer, Member> ids = new HashMap<>();
      members.getOrDefault(axis, List.of()).forEach(member -> ids.put(member.id(), member));
      if (axis == Axis.COMPANY) {
        ids.put(Member.COMPANY.id(), Member.COMPANY);
      }
      byId.put(axis, ids);
      sorted.put(axis, ids.values().stream().sorted(Comparator.comparing(Member::key)).toList());
      sizes.put(axis, ids.keySet().stream().mapToInt(id -> id + 1).max().orElse(0));
    }
    this.lines = lines;
    this.stays = closeOpenStays(stays);
    this.firstMonth = stays.stream().mapToInt(RosterAssignment::fromMonth).min().orElse(0);
    int reps = size(Axis.REP);
    this.regionByMonth = new int[reps][];
    this.managerByMonth = new int[reps][];
    int months = lastChange(stays) - firstMonth + 2;
    for (int rep = 0; rep < reps; rep++) {
      fillPlaces(rep, months);
    }
  }

  public static Members none() {
    return new Members(Map.of(), List.of(), Map.of());
  }

  /** One more than the largest id of an axis. */
  public int size(Axis axis) {
    return sizes.getOrDefault(axis, 0);
  }

  /** All members of an axis, by key. */
  public List<Member> all(Axis axis) {
    return sorted.getOrDefault(axis, List.of());
  }

  /** Where a member belongs in a month: a rep's region, a product's line; null for others. */
  public @Nullable Member placeOf(Axis axis, int id, int month) {
    int place =
        switch (axis) {
          case REP -> regionOf(id, month);
          case PRODUCT -> lineOf(id, month);
          default -> NONE;
        };
    return place < 0 ? null : get(axis == Axis.REP ? Axis.REGION : Axis.LINE, place);
  }

  /** The member with that id; one that was taken out of the roster again shows by its number. */
  public Member get(Axis axis, int id) {
    Member found = members(axis).get(id);
    return found == null ? new Member(id, "#" + id, "#" + id) : found;
  }

  /** Whether a posted row introduces the member. */
  public boolean isKnown(Axis axis, int id) {
    return members(axis).containsKey(id);
  }

  /** Finds a member by its key; case makes no difference. */
  public Optional<Member> findByKey(Axis axis, String key) {
    Map<String, Member> known = byFoldedKey.get(axis);
    if (known == null) {
      Map<String, Member> folded = new HashMap<>();
      all(axis).forEach(member -> folded.putIfAbsent(KeyText.fold(member.key()), member));
      byFoldedKey.put(axis, folded);
      known = folded;
    }
    return Optional.ofNullable(known.get(KeyText.fold(key)));
  }

  /** The region in which a rep is in a month, or −1. */
  public int regionOf(int rep, int month) {
    return rep < 0 ? NONE : place(regionByMonth, rep, month);
  }

  /** The manager whom a rep has in a month, or −1. */
  public int managerOf(int rep, int month) {
    return rep < 0 ? NONE : place(managerByMonth, rep, month);
  }

  /** The manager of all reps of a region in a month; {@code none} where they have several. */
  public int onlyManagerOf(int region, int month, int none) {
    Set<Integer> managers = new HashSet<>();
    placesIn(month)
        .values()
        .forEach(
            places -> {
              if (places.get(0) == region) {
                managers.add(places.get(1));
              }
            });
    return managers.size() == 1 ? managers.iterator().next() : none;
  }

  /** The line in which a product is in a month, or −1. */
  public int lineOf(int product, int month) {
    return lines.of(product, month);
  }

  /** Whether a stay of the rep covers the month. */
  public boolean isOnRoster(int rep, int month) {
    return stays.getOrDefault(rep, List.of()).stream().anyMatch(stay -> covers(stay, month));
  }

  /** A rep's stays in the order of their months, open ones closed by the next. */
  public List<RosterAssignment> stays(int rep) {
    return stays.getOrDefault(rep, List.of());
  }

  /** Region and manager of every rep that has one in a month, by rep. */
  public Map<Integer, List<Integer>> placesIn(int month) {
    Map<Integer, List<Integer>> places = new HashMap<>();
    for (Member rep : all(Axis.REP)) {
      int region = regionOf(rep.id(), month);
      int manager = managerOf(rep.id(), month);
      if (region != NONE || manager != NONE) {
        places.put(rep.id(), List.of(region, manager));
      }
    }
    return places;
  }

  /** Whether every rep has the same region and manager in a month as others have it. */
  public boolean hasPlacesOf(Members other, int month) {
    int reps = Math.max(size(Axis.REP), other.size(Axis.REP));
    for (int rep = 0; rep < reps; rep++) {
      if (regionOf(rep, month) != other.regionOf(rep, month)
          || managerOf(rep, month) != other.managerOf(rep, month)) {
        return false;
      }
    }
    return true;
  }

  /** Some of the members with some of their stays, products in their lines. */
  public Members narrowed(Map<Axis, List<Member>> kept, List<RosterAssignment> keptStays) {
    return new Members(kept, keptStays, lines);
  }

  /** The same company, in which products are in some months in the lines that are kept. */
  public Members withLines(LinesOfMonths kept) {
    Map<Axis, List<Member>> known = new EnumMap<>(sorted);
    Map<Integer, Member> all = new HashMap<>(members(Axis.LINE));
    kept.lines().forEach(line -> all.putIfAbsent(line.id(), line));
    known.put(Axis.LINE, List.copyOf(all.values()));
    List<RosterAssignment> same = stays.values().stream().flatMap(List::stream).toList();
    return new Members(known, same, lines.keeping(kept.byMonth()));
  }

  /** The same company, which knows the members of another too. */
  public Members knowing(Members other) {
    Map<Axis, List<Member>> known = new EnumMap<>(Axis.class);
    boolean isMore = false;
    for (Axis axis : Axis.values()) {
      Map<Integer, Member> all = new HashMap<>(members(axis));
      other.members(axis).forEach(all::putIfAbsent);
      isMore |= all.size() > members(axis).size();
      known.put(axis, List.copyOf(all.values()));
    }
    return isMore
        ? new Members(known, stays.values().stream().flatMap(List::stream).toList(), lines)
        : this;
  }

  /** The same company, in which reps are in some months where others had them. */
  public Members withPlaces(Map<Integer, Members> byMonth) {
    List<RosterAssignment> changed = new ArrayList<>();
    for (Member rep : all(Axis.REP)) {
      List<RosterAssignment> own = stays(rep.id());
      for (Map.Entry<Integer, Members> then : byMonth.entrySet()) {
        own = withMonth(own, rep.id(), then.getKey(), then.getValue());
      }
      changed.addAll(own);
    }
    Map<Axis, List<Member>> known = new EnumMap<>(Axis.class);
    for (Axis axis : Axis.values()) {
      Map<Integer, Member> all = new HashMap<>(members(axis));
      byMonth.values().forEach(then -> then.members(axis).forEach(all::putIfAbsent));
      known.put(axis, List.copyOf(all.values()));
    }
    return new Members(known, changed, lines);
  }

  /** A rep's stays with one month as others have it; what lies around it stays. */
  private static List<RosterAssignment> withMonth(
      List<RosterAssignment> stays, int rep, int month, Members then) {
    List<RosterAssignment> parts = new ArrayList<>();
    for (RosterAssignment stay : stays) {
      if (!covers(stay, month)) {
        parts.add(stay);
        continue;
      }
      if (stay.fromMonth() < month) {
        parts.add(
            new RosterAssignment(rep, stay.fromMonth(), month - 1, stay.region(), stay.manager()));
      }
      if (stay.untilMonth() == null || stay.untilMonth() > month) {
        parts.add(
            new RosterAssignment(rep, month + 1, stay.untilMonth(), stay.region(), stay.manager()));
      }
    }
    then.stays(rep).stream()
        .filter(stay -> covers(stay, month))
        .map(stay -> new RosterAssignment(rep, month, month, stay.region(), stay.manager()))
        .forEach(parts::add);
    parts.sort(Comparator.comparingInt(RosterAssignment::fromMonth));
    return parts;
  }

  private Map<Integer, Member> members(Axis axis) {
    return byId.getOrDefault(axis, Map.of());
  }

  private int place(int[][] byMonth, int rep, int month) {
    if (rep >= byMonth.length || month < firstMonth) {
      return NONE;
    }
    int[] places = byMonth[rep];
    return places[Math.min(month - firstMonth, places.length - 1)];
  }

  private void fillPlaces(int rep, int months) {
    int[] region = new int[months];
    int[] manager = new int[months];
    Arrays.fill(region, NONE);
    Arrays.fill(manager, NONE);
    for (RosterAssignment stay : stays.getOrDefault(rep, List.of())) {
      for (int at = stay.fromMonth() - firstMonth; at < months; at++) {
        if (covers(stay, firstMonth + at)) {
          region[at] = stay.region();
          manager[at] = stay.manager();
        }
      }
    }
    regionByMonth[rep] = region;
    managerByMonth[rep] = manager;
  }

  private static boolean covers(RosterAssignment stay, int month) {
    return month >= stay.fromMonth() && (stay.untilMonth() == null || month <= stay.untilMonth());
  }

  /** The last month in which any place begins or has just ended. */
  private static int lastChange(List<RosterAssignment> stays) {
    return stays.stream()
        .mapToInt(stay -> stay.untilMonth() == null ? stay.fromMonth() : stay.untilMonth() + 1)
        .max()
        .orElse(0);
  }

  private static Map<Integer, List<RosterAssignment>> closeOpenStays(List<RosterAssignment> stays) {
    Map<Integer, List<RosterAssignment>> byRep = new HashMap<>();
    stays.stream()
        .sorted(Comparator.comparingInt(RosterAssignment::fromMonth))
        .forEach(stay -> byRep.computeIfAbsent(stay.rep(), rep -> new ArrayList<>()).add(stay));
    byRep.values().forEach(Members::closeOpen);
    return byRep;
  }

  private static void closeOpen(List<RosterAssignment> ordered) {
    for (int i = 0; i + 1 < ordered.size(); i++) {
      RosterAssignment stay = ordered.get(i);
      if (stay.untilMonth() == null) {
        int until = ordered.get(i + 1).fromMonth() - 1;
        ordered.set(
            i,
            new RosterAssignment(
                stay.rep(), stay.fromMonth(), until, stay.region(), stay.manager()));
      }
    }
  }
}
