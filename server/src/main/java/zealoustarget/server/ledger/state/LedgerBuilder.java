package zealoustarget.server.ledger.state;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import java.util.stream.Stream;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.ledger.overlay.Overlay;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.core.outlook.WonDeals;
import zealoustarget.server.ledger.storage.ProductRowEntity;
import zealoustarget.server.ledger.storage.StayRowEntity;

/** Lays posted loads over each other, in the order of their posting, into one ledger. */
final class LedgerBuilder {
  private record StayPlace(int rep, int fromMonth) {}

  private final List<LoadedRows> loads;
  private final IntFunction<String> keyOf;
  private final Set<String> fed;

  /**
   * Takes the loads in any order.
   *
   * @param keyOf gives a member's key
   * @param fed measures whose actuals are won deals
   */
  LedgerBuilder(Collection<LoadedRows> loads, IntFunction<String> keyOf, Set<String> fed) {
    this.fed = fed;
    this.loads =
        loads.stream().sorted(Comparator.comparingInt(rows -> rows.load().order())).toList();
    this.keyOf = keyOf;
  }

  Ledger build() {
    return build(month -> true);
  }

  /** The ledger without the rows of other months than those that are wanted. */
  Ledger build(IntPredicate isWanted) {
    List<Overlay.Layer> layers =
        Stream.concat(
                loads.stream().filter(rows -> !rows.actuals().isEmpty()).map(LoadedRows::layer),
                wonDeals())
            .toList();
    List<GoalBook> books = goalBooks(isWanted);
    Members members =
        members(layers.stream().flatMap(layer -> layer.blocks().stream()).toList(), books);
    return new Ledger(members, Overlay.of(layers, members, isWanted), books);
  }

  /** The won deals of the snapshots in force; nothing lies over them. */
  private Stream<Overlay.Layer> wonDeals() {
    return fed.isEmpty()
        ? Stream.empty()
        : DealSnapshot.inForce(PostedDeals.of(loads), null).stream()
            .map(snapshot -> WonDeals.blocks(snapshot, fed))
            .filter(blocks -> !blocks.isEmpty())
            .map(blocks -> new Overlay.Layer(blocks, PostMode.ADD));
  }

  /** A later load's cell replaces an earlier one's, which comes back when that load is reversed. */
  private List<GoalBook> goalBooks(IntPredicate isWanted) {
    Map<String, List<GoalBook.Cell>> cells = new LinkedHashMap<>();
    Map<String, Axis> axes = new HashMap<>();
    for (LoadedRows rows : loads) {
      String set = rows.load().goalSet();
      if (set != null) {
        List<GoalBook.Cell> ofSet = cells.computeIfAbsent(set, name -> new ArrayList<>());
        rows.goals().stream().filter(cell -> isWanted.test(cell.month())).forEach(ofSet::add);
        axes.put(set, rows.load().axis());
      }
    }
    return cells.entrySet().stream()
        .map(
            set ->
                GoalBook.of(
                    set.getKey(), Objects.requireNonNull(axes.get(set.getKey())), set.getValue()))
        .toList();
  }

  private Members members(List<ActualBlock> blocks, List<GoalBook> books) {
    Map<StayPlace, StayRowEntity> stays = new LinkedHashMap<>();
    Map<Integer, ProductRowEntity> products = new LinkedHashMap<>();
    for (LoadedRows rows : loads) {
      rows.stays().forEach(stay -> stays.put(new StayPlace(stay.repId, stay.fromMonth), stay));
      rows.products().forEach(product -> products.put(product.productId, product));
    }
    Map<Axis, List<Member>> members = new EnumMap<>(Axis.class);
    members.put(Axis.REP, reps(stays.values()));
    members.put(
        Axis.PRODUCT,
        products.values().stream()
            .map(
                product ->
                    new Member(product.productId, keyOf.apply(product.productId), product.name))
            .toList());
    putOwnKeys(members, stays.values(), products.values(), blocks, books);
    Map<Integer, Integer> lines = new HashMap<>();
    products.values().forEach(product -> lines.put(product.productId, product.lineId));
    return new Members(members, stays.values().stream().map(LedgerBuilder::stay).toList(), lines);
  }

  /** A rep is called by the name of the latest stay. */
  private List<Member> reps(Collection<StayRowEntity> stays) {
    Map<Integer, StayRowEntity> latest = new LinkedHashMap<>();
    stays.forEach(
        stay -> latest.merge(stay.repId, stay, (a, b) -> b.fromMonth >= a.fromMonth ? b : a));
    return latest.values().stream()
        .map(stay -> new Member(stay.repId, keyOf.apply(stay.repId), stay.name))
        .toList();
  }

  /** Regions, managers and lines exist where a posted row names them. */
  private void putOwnKeys(
      Map<Axis, List<Member>> members,
      Collection<StayRowEntity> stays,
      Collection<ProductRowEntity> products,
      List<ActualBlock> blocks,
      List<GoalBook> books) {
    Map<Axis, Set<Integer>> ids = new EnumMap<>(Axis.class);
    for (Axis axis : List.of(Axis.REGION, Axis.MANAGER, Axis.LINE)) {
      ids.put(axis, new TreeSet<>());
      books.stream()
          .filter(book -> book.axis() == axis)
          .flatMap(book -> book.cells().stream())
          .forEach(cell -> ids.get(axis).add(cell.member()));
    }
    stays.forEach(stay -> Objects.requireNonNull(ids.get(Axis.REGION)).add(stay.regionId));
    stays.forEach(stay -> Objects.requireNonNull(ids.get(Axis.MANAGER)).add(stay.managerId));
    products.forEach(product -> Objects.requireNonNull(ids.get(Axis.LINE)).add(product.lineId));
    blocks.forEach(
        block -> Objects.requireNonNull(ids.get(Axis.REGION)).addAll(block.ownRegions()));
    loads.stream()
        .map(LoadedRows::deals)
        .filter(Objects::nonNull)
        .flatMapToInt(DealSnapshot::namedRegions)
        .forEach(Objects.requireNonNull(ids.get(Axis.REGION))::add);
    ids.forEach(
        (axis, numbers) ->
            members.put(
                axis,
                numbers.stream()
                    .filter(id -> id >= 0)
                    .map(id -> new Member(id, keyOf.apply(id), keyOf.apply(id)))
                    .toList()));
  }

  private static Members.RosterAssignment stay(StayRowEntity row) {
    return new Members.RosterAssignment(
        row.repId, row.fromMonth, row.untilMonth, row.regionId, row.managerId);
  }
}
