package zealoustarget.core.ledger.visibility;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/**
 * A ledger narrowed to what somebody may see. Rows, goals and members that are not seen are not in
 * it, so nothing that is read from it, no total, rank or proof, can tell of them.
 */
public final class LedgerVisibility {
  private final Ledger whole;
  private final Members members;
  private final boolean isManager;
  private final int viewer;

  private LedgerVisibility(Ledger whole, Axis axis, String key) {
    this.whole = whole;
    this.members = whole.members();
    this.isManager = axis == Axis.MANAGER;
    this.viewer = members.findByKey(axis, key).map(Member::id).orElse(Members.NONE);
  }

  /** What a rep sees: the own rows and goals, in all months. An unknown key sees nothing. */
  public static Ledger byRep(Ledger whole, String key) {
    return new LedgerVisibility(whole, Axis.REP, key).ledger();
  }

  /**
   * What a manager sees: rows and goals of the own reps in the months in which they are the own,
   * goals of regions of which every rep is the own in the month, the own goals. An unknown key sees
   * nothing.
   */
  public static Ledger byManager(Ledger whole, String key) {
    return new LedgerVisibility(whole, Axis.MANAGER, key).ledger();
  }

  /** Whether a rep is a manager's in a month. */
  public static boolean isOwnRep(Members members, String manager, int rep, int month) {
    return members
        .findByKey(Axis.MANAGER, manager)
        .filter(found -> members.managerOf(rep, month) == found.id())
        .isPresent();
  }

  /** Whether a key is a rep's. */
  public static boolean isRep(Members members, String key, int rep) {
    return members.findByKey(Axis.REP, key).filter(found -> found.id() == rep).isPresent();
  }

  /** Whether every rep of a region, and at least one, is a manager's in a month. */
  public static boolean isOwnRegion(Members members, String manager, int region, int month) {
    return members
        .findByKey(Axis.MANAGER, manager)
        .filter(found -> ownRegions(members, found.id(), month).contains(region))
        .isPresent();
  }

  private Ledger ledger() {
    if (viewer == Members.NONE) {
      return Ledger.empty();
    }
    List<ActualBlock> blocks =
        whole.blocks().stream()
            .map(block -> block.only(row -> seesRep(block.rep(row), block.month(row))))
            .filter(block -> block.size() > 0)
            .toList();
    List<GoalBook> books =
        whole.goalBooks().values().stream()
            .map(this::narrowed)
            .filter(book -> !book.cells().isEmpty())
            .toList();
    return new Ledger(narrowedMembers(blocks), blocks, books, whole);
  }

  private boolean seesRep(int rep, int month) {
    return rep >= 0 && (isManager ? members.managerOf(rep, month) == viewer : rep == viewer);
  }

  private GoalBook narrowed(GoalBook book) {
    Map<Integer, Set<Integer>> ownRegions = new HashMap<>();
    return GoalBook.of(
        book.name(),
        book.axis(),
        book.cells().stream()
            .filter(
                cell ->
                    switch (book.axis()) {
                      case REP -> seesRep(cell.member(), cell.month());
                      case MANAGER -> isManager && cell.member() == viewer;
                      case REGION ->
                          isManager
                              && ownRegions
                                  .computeIfAbsent(
                                      cell.month(), month -> ownRegions(members, viewer, month))
                                  .contains(cell.member());
                      case PRODUCT, LINE, COMPANY -> false;
                    })
            .toList());
  }

  /** Regions of which every rep is the manager's in a month. */
  private static Set<Integer> ownRegions(Members members, int manager, int month) {
    Set<Integer> own = new HashSet<>();
    Set<Integer> others = new HashSet<>();
    members
        .placesIn(month)
        .forEach(
            (rep, places) ->
                (members.managerOf(rep, month) == manager ? own : others).add(places.get(0)));
    own.removeAll(others);
    return own;
  }

  private Members narrowedMembers(List<ActualBlock> blocks) {
    List<Members.RosterAssignment> stays = new ArrayList<>();
    Set<Integer> reps = new HashSet<>();
    for (Member rep : members.all(Axis.REP)) {
      List<Members.RosterAssignment> seen =
          isManager ? ownStays(rep.id()) : members.stays(rep.id());
      if (isManager ? !seen.isEmpty() : rep.id() == viewer) {
        reps.add(rep.id());
        stays.addAll(seen);
      }
    }
    Set<Integer> regions =
        stays.stream()
            .map(Members.RosterAssignment::region)
            .collect(Collectors.toCollection(HashSet::new));
    blocks.forEach(block -> regions.addAll(block.ownRegions()));
    Set<Integer> managers =
        stays.stream()
            .map(Members.RosterAssignment::manager)
            .collect(Collectors.toCollection(HashSet::new));
    if (isManager) {
      managers.add(viewer); // goals may be there without a team
    }
    Map<Axis, List<Member>> known = new EnumMap<>(Axis.class);
    known.put(Axis.REP, kept(Axis.REP, reps));
    known.put(Axis.REGION, kept(Axis.REGION, regions));
    known.put(Axis.MANAGER, kept(Axis.MANAGER, managers));
    known.put(Axis.PRODUCT, members.all(Axis.PRODUCT));
    known.put(Axis.LINE, members.all(Axis.LINE));
    return members.narrowed(known, stays);
  }

  private List<Member> kept(Axis axis, Set<Integer> ids) {
    return members.all(axis).stream().filter(member -> ids.contains(member.id())).toList();
  }

  /** The parts of a rep's stays in which the manager has the rep; a later stay may cover others. */
  private List<Members.RosterAssignment> ownStays(int rep) {
    List<Members.RosterAssignment> all = members.stays(rep);
    int end =
        all.stream()
            .flatMapToInt(
                stay ->
                    stay.untilMonth() == null
                        ? IntStream.of(stay.fromMonth())
                        : IntStream.of(stay.fromMonth(), stay.untilMonth()))
            .max()
            .orElse(0);
    List<Members.RosterAssignment> own = new ArrayList<>();
    for (Members.RosterAssignment stay : all) {
      if (stay.manager() == viewer) {
        addOwnMonths(stay, end, own);
      }
    }
    return own;
  }

  private void addOwnMonths(
      Members.RosterAssignment stay, int end, List<Members.RosterAssignment> own) {
    Integer until = stay.untilMonth();
    int last = until == null ? end : until;
    int from = -1;
    for (int month = stay.fromMonth(); month <= last + 1; month++) {
      boolean isOwn = month <= last && seesRep(stay.rep(), month);
      if (isOwn && from < 0) {
        from = month;
      } else if (!isOwn && from >= 0) {
        Integer closed = until == null && month > last ? null : Integer.valueOf(month - 1);
        own.add(
            new Members.RosterAssignment(stay.rep(), from, closed, stay.region(), stay.manager()));
        from = -1;
      }
    }
  }
}
