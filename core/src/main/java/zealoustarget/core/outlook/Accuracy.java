package zealoustarget.core.outlook;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.member.Axis;

/**
 * How good earlier snapshots were, by what the one in force says of the same deals; plain counts,
 * docs/calculations.md, section 9.
 *
 * @param snapshots what each expected of the months that are over, and what came, earliest first
 * @param bands of stated likelihood, five from 0–20 to 80–100 %, of deals that are won or lost now
 * @param slip by how many months deals that are not lost close later than was said, on average;
 *     null without any
 */
public record Accuracy(List<OfSnapshot> snapshots, List<Band> bands, @Nullable Ratio slip) {
  static final int BANDS = 5;

  /**
   * What a snapshot said of the months that are over.
   *
   * @param expected amounts times likelihoods of the deals that were open, smallest units, exact
   * @param came amounts of those of them that were won in these months
   * @param deals how many they were
   */
  public record OfSnapshot(DealSnapshot snapshot, Ratio expected, long came, int deals) {
    /** Expected ÷ came; null where nothing came. */
    public @Nullable Ratio ratio() {
      return came == 0 ? null : expected.dividedBy(Ratio.of(came));
    }
  }

  /**
   * Deals of stated likelihoods from {@code from} fifths on.
   *
   * @param likelihoods their sum, of {@link Deal#CERTAIN} each
   */
  public record Band(int from, int deals, int won, long likelihoods) {
    /** What was stated on average; null without deals. */
    public @Nullable Ratio stated() {
      return deals == 0 ? null : Ratio.of(likelihoods, (long) deals * Deal.CERTAIN);
    }

    /** Which share of them was won; null without deals. */
    public @Nullable Ratio wonShare() {
      return deals == 0 ? null : Ratio.of(won, deals);
    }

    Band plus(int likelihood, boolean isWon) {
      return plus(new Band(from, 1, isWon ? 1 : 0, likelihood));
    }

    private Band plus(Band other) {
      return new Band(from, deals + other.deals, won + other.won, likelihoods + other.likelihoods);
    }
  }

  private static final int EVERYBODY = -1;

  /** Whose a deal of a snapshot is. */
  private interface Owner {
    int of(DealSnapshot then, int at);
  }

  /**
   * Holds the earlier snapshots of the sources against those in force.
   *
   * @param posted as the sources have them
   */
  public static Accuracy of(
      List<DealSnapshot> posted, List<DealSnapshot> inForce, DealScope scope) {
    return counted(posted, inForce, scope, (then, at) -> EVERYBODY)
        .getOrDefault(EVERYBODY, new Count())
        .accuracy();
  }

  /** The same of each member of an axis that had open deals, by id. */
  public static Map<Integer, Accuracy> byMember(
      List<DealSnapshot> posted, List<DealSnapshot> inForce, DealScope scope, Axis axis) {
    Map<Integer, Accuracy> members = new HashMap<>();
    counted(posted, inForce, scope, (then, at) -> scope.placeOf(then, at, axis))
        .forEach((member, count) -> members.put(member, count.accuracy()));
    return members;
  }

  /** What all snapshots expected of the months that are over, each by itself, added up; exact. */
  public Ratio expected() {
    return Ratio.sum(snapshots.stream().map(OfSnapshot::expected));
  }

  /** What came of it, each time added up. */
  public long came() {
    return snapshots.stream().mapToLong(OfSnapshot::came).reduce(0, Math::addExact);
  }

  /** Expected ÷ came over all snapshots; null where nothing came. */
  public @Nullable Ratio ratio() {
    return came() == 0 ? null : expected().dividedBy(Ratio.of(came()));
  }

  /** All bands together: the deals that are won or lost now. */
  public Band ended() {
    return bands.stream().reduce(new Band(0, 0, 0, 0), Band::plus);
  }

  private static Map<Integer, Count> counted(
      List<DealSnapshot> posted, List<DealSnapshot> inForce, DealScope scope, Owner owner) {
    Map<Integer, Count> counts = new HashMap<>();
    for (DealSnapshot now : inForce) {
      for (DealSnapshot then : earlier(posted, now)) {
        Cursor cursor = new Cursor(now);
        Pair pair = Pair.of(then, now, scope);
        for (int at = 0; at < then.size(); at++) {
          if (then.isStillOpen(at) && scope.contains(then, at)) {
            counts
                .computeIfAbsent(owner.of(then, at), member -> new Count())
                .add(pair, at, cursor.find(then.key(at)));
          }
        }
        counts.values().forEach(count -> count.end(then));
      }
    }
    return counts;
  }

  private static List<DealSnapshot> earlier(List<DealSnapshot> posted, DealSnapshot now) {
    return posted.stream()
        .filter(one -> one.source().equals(now.source()) && one.asOf().isBefore(now.asOf()))
        .sorted(Comparator.comparing(DealSnapshot::asOf))
        .toList();
  }

  /** Finds deals by keys that are asked for in their order: one pass for all of them. */
  private static final class Cursor {
    private final DealSnapshot in;
    private int at;

    Cursor(DealSnapshot in) {
      this.in = in;
    }

    /** The place of a deal, −1 where it is not there. */
    int find(String key) {
      while (at < in.size() && DealKey.ORDER.compare(in.key(at), key) < 0) {
        at++;
      }
      return at < in.size() && DealKey.ORDER.compare(in.key(at), key) == 0 ? at : -1;
    }
  }

  /**
   * An earlier snapshot beside the one in force, with what is the same for all of their deals.
   *
   * @param over the last month of the span that is over
   * @param measure place of the amounts in the one, {@code measureNow} in the other
   */
  private record Pair(
      DealSnapshot then, DealSnapshot now, int first, int over, int measure, int measureNow) {
    static Pair of(DealSnapshot then, DealSnapshot now, DealScope scope) {
      return new Pair(
          then,
          now,
          Months.number(scope.span().fromInclusive()),
          Math.min(Months.number(scope.span().toInclusive()), now.month() - 1),
          then.measure(scope.measure()),
          now.measure(scope.measure()));
    }
  }

  private static final class Count {
    private final List<OfSnapshot> snapshots = new ArrayList<>();
    private final Band[] bands = new Band[BANDS];
    private BigInteger expected = BigInteger.ZERO;
    private long came;
    private int deals;
    private long months;
    private int slipped;

    Count() {
      for (int band = 0; band < BANDS; band++) {
        bands[band] = new Band(band, 0, 0, 0);
      }
    }

    /** One deal that was open, and where it is now; −1 where it is gone. */
    void add(Pair pair, int at, int place) {
      DealSnapshot then = pair.then();
      DealSnapshot now = pair.now();
      boolean isOver = then.month(at) <= pair.over();
      if (isOver) {
        deals++;
        expected =
            expected.add(
                BigInteger.valueOf(then.amount(pair.measure(), at))
                    .multiply(BigInteger.valueOf(then.likelihood(at))));
      }
      if (place >= 0) {
        boolean isWon = now.state(place) == Deal.State.WON;
        if (isOver
            && isWon
            && now.month(place) >= pair.first()
            && now.month(place) <= pair.over()) {
          long amount = now.amount(pair.measureNow(), place);
          came = Math.addExact(came, Math.max(amount, 0));
        }
        see(then, at, now.state(place), now.month(place) - then.month(at));
      }
    }

    /** The snapshot is gone through: what it said of the months that are over is kept. */
    void end(DealSnapshot then) {
      if (deals > 0) {
        Ratio weighted = Ratio.of(expected, BigInteger.valueOf(Deal.CERTAIN));
        snapshots.add(new OfSnapshot(then, weighted, came, deals));
      }
      expected = BigInteger.ZERO;
      came = 0;
      deals = 0;
    }

    Accuracy accuracy() {
      return new Accuracy(
          List.copyOf(snapshots), List.of(bands), slipped == 0 ? null : Ratio.of(months, slipped));
    }

    private void see(DealSnapshot then, int at, Deal.State state, int slip) {
      if (state != Deal.State.LOST) {
        months += slip;
        slipped++;
      }
      if (state != Deal.State.OPEN) {
        int band = (int) Math.min(BANDS - 1L, (long) then.likelihood(at) * BANDS / Deal.CERTAIN);
        bands[band] = bands[band].plus(then.likelihood(at), state == Deal.State.WON);
      }
    }
  }
}
