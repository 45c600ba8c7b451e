package zealoustarget.core.outlook;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.Ledger;

/**
 * All deals as one source knew them on a day, column by column in the order of their keys ({@link
 * DealKey#ORDER}). Immutable. Deals are counted by place, from 0.
 */
public final class DealSnapshot {
  /** Whether a rep's deals of a month may be seen. */
  public interface Sight {
    boolean sees(int rep, int month);
  }

  /**
   * Where a snapshot comes from.
   *
   * @param load its number
   * @param measures codes, in the order of the deals' amounts
   */
  public record Origin(String source, LocalDate asOf, int load, List<String> measures) {
    /** Keeps its own copy of the measures. */
    public Origin {
      measures = List.copyOf(measures);
    }
  }

  private final Origin origin;
  private final String[] keys;
  private final int[] lines;
  private final int[] reps;
  private final int[] products;
  private final int[] regions;
  private final int[] likelihoods;
  private final int[] months;
  private final byte[] states;
  private final @Nullable String[] stages;
  private final long[][] amounts;

  private final int[] loads;

  /** A deal and the load that brought it. */
  private record Row(Deal deal, int load) {}

  private DealSnapshot(Origin origin, List<Row> sorted) {
    int size = sorted.size();
    this.origin = origin;
    this.keys = new String[size];
    this.lines = new int[size];
    this.reps = new int[size];
    this.products = new int[size];
    this.regions = new int[size];
    this.likelihoods = new int[size];
    this.months = new int[size];
    this.states = new byte[size];
    this.amounts = new long[origin.measures().size()][size];
    this.stages =
        sorted.stream().anyMatch(row -> row.deal().stage() != null)
            ? new String[size]
            : new String[0];
    this.loads =
        sorted.stream().anyMatch(row -> row.load() != origin.load()) ? new int[size] : new int[0];
    for (int at = 0; at < size; at++) {
      put(at, sorted.get(at).deal());
      if (loads.length > 0) {
        loads[at] = sorted.get(at).load();
      }
    }
  }

  private void put(int at, Deal deal) {
    keys[at] = deal.key();
    lines[at] = deal.line();
    reps[at] = deal.rep();
    products[at] = deal.product();
    regions[at] = deal.region();
    likelihoods[at] = deal.likelihood();
    months[at] = deal.month();
    states[at] = (byte) deal.state().ordinal();
    if (stages.length > 0) {
      stages[at] = deal.stage();
    }
    for (int m = 0; m < amounts.length; m++) {
      amounts[m][at] = deal.amounts()[m];
    }
  }

  /**
   * The snapshot of deals in any order.
   *
   * @throws IllegalArgumentException if a key is there twice
   */
  public static DealSnapshot of(Origin origin, Collection<Deal> deals) {
    List<Deal> sorted = new ArrayList<>(deals);
    sorted.sort(Comparator.comparing(Deal::key, DealKey.ORDER));
    for (int at = 1; at < sorted.size(); at++) {
      if (DealKey.ORDER.compare(sorted.get(at - 1).key(), sorted.get(at).key()) == 0) {
        throw new IllegalArgumentException("deal " + sorted.get(at).key() + " must be there once");
      }
    }
    return new DealSnapshot(
        origin, sorted.stream().map(deal -> new Row(deal, origin.load())).toList());
  }

  /**
   * The same with deals that came later for it, such as lines that were held back; of a deal that
   * is in both the later counts.
   *
   * @throws IllegalArgumentException if the other's amounts are of other measures
   */
  public DealSnapshot plus(DealSnapshot later) {
    if (!origin.measures().equals(later.origin.measures())) {
      throw new IllegalArgumentException("both must be of the same measures");
    }
    Map<String, Row> rows = new TreeMap<>(DealKey.ORDER);
    rows().forEach(row -> rows.put(row.deal().key(), row));
    later.rows().forEach(row -> rows.put(row.deal().key(), row));
    return new DealSnapshot(origin, List.copyOf(rows.values()));
  }

  private List<Row> rows() {
    return IntStream.range(0, keys.length).mapToObj(at -> new Row(deal(at), load(at))).toList();
  }

  /** The number of the load that brought a deal. */
  public int load(int at) {
    return loads.length == 0 ? origin.load() : loads[at];
  }

  public Origin origin() {
    return origin;
  }

  public String source() {
    return origin.source();
  }

  public LocalDate asOf() {
    return origin.asOf();
  }

  /** The month of its day, by number: what is expected before it is overdue. */
  public int month() {
    return Months.number(YearMonth.from(origin.asOf()));
  }

  /** Shows every amount of a measure with the rep whose deal it is of. */
  public void eachAmount(String code, Ledger.RepAmount visitor) {
    int measure = measure(code);
    for (int at = 0; at < keys.length; at++) {
      if (amount(measure, at) != Amounts.NONE) {
        visitor.see(reps[at], amount(measure, at));
      }
    }
  }

  /** How many deals there are, of any state. */
  public int size() {
    return keys.length;
  }

  /** The place of a measure among its amounts, or −1 where no deal has an amount of it. */
  public int measure(String code) {
    return origin.measures().indexOf(code);
  }

  public String key(int at) {
    return keys[at];
  }

  int line(int at) {
    return lines[at];
  }

  int rep(int at) {
    return reps[at];
  }

  int product(int at) {
    return products[at];
  }

  int region(int at) {
    return regions[at];
  }

  int likelihood(int at) {
    return likelihoods[at];
  }

  int month(int at) {
    return months[at];
  }

  public boolean isOpen(int at) {
    return states[at] == 0;
  }

  /** Whether a deal is open and not overdue. */
  public boolean isStillOpen(int at) {
    return isOpen(at) && months[at] >= month();
  }

  Deal.State state(int at) {
    return Deal.State.of(states[at]);
  }

  /** The amount of a deal in a measure by its place; {@link Amounts#NONE} where it has none. */
  public long amount(int measure, int at) {
    return measure < 0 ? Amounts.NONE : amounts[measure][at];
  }

  /** One deal as a whole. */
  public Deal deal(int at) {
    long[] own = new long[amounts.length];
    for (int m = 0; m < own.length; m++) {
      own[m] = amounts[m][at];
    }
    return new Deal(
        lines[at],
        keys[at],
        reps[at],
        products[at],
        regions[at],
        likelihoods[at],
        months[at],
        state(at),
        stages.length == 0 ? null : stages[at],
        own);
  }

  /** The place of a deal, or a number below 0 where it is not there. */
  public int find(String key) {
    return Arrays.binarySearch(keys, key, DealKey.ORDER);
  }

  /** Ids of the reps that its deals name. */
  public IntStream namedReps() {
    return Arrays.stream(reps).distinct();
  }

  /** Ids of the regions that its deals name themselves. */
  public IntStream namedRegions() {
    return Arrays.stream(regions).filter(region -> region >= 0).distinct();
  }

  /** Ids of the products that its deals name. */
  public IntStream namedProducts() {
    return Arrays.stream(products).filter(product -> product >= 0).distinct();
  }

  /** Only the deals that may be seen; this where all may. */
  public DealSnapshot only(Sight sight) {
    return only(at -> sight.sees(reps[at], months[at]));
  }

  private DealSnapshot only(IntPredicate isKept) {
    int[] kept = IntStream.range(0, keys.length).filter(isKept).toArray();
    return kept.length == keys.length
        ? this
        : new DealSnapshot(
            origin, Arrays.stream(kept).mapToObj(at -> new Row(deal(at), load(at))).toList());
  }

  /** The same with some deals changed; their keys stay. */
  DealSnapshot with(UnaryOperator<Deal> change) {
    return new DealSnapshot(
        origin, rows().stream().map(row -> new Row(change.apply(row.deal()), row.load())).toList());
  }

  /**
   * The ones in force: of each source the latest at or before a day, of the same day the last.
   *
   * @param posted in the order in which they were posted
   * @param asOf null for the latest of all
   * @return in the order of their sources' first posting
   */
  public static List<DealSnapshot> inForce(
      Collection<DealSnapshot> posted, @Nullable LocalDate asOf) {
    Map<String, DealSnapshot> latest = new LinkedHashMap<>();
    for (DealSnapshot one : posted) {
      if (asOf == null || !one.asOf().isAfter(asOf)) {
        latest.merge(
            one.source(), one, (old, next) -> next.asOf().isBefore(old.asOf()) ? old : next);
      }
    }
    return List.copyOf(latest.values());
  }

  /** The latest day of some snapshots, null of none. */
  public static @Nullable LocalDate day(Collection<DealSnapshot> some) {
    return some.isEmpty() ? null : Collections.max(some.stream().map(DealSnapshot::asOf).toList());
  }
}
