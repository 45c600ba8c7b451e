package zealoustarget.core.ledger.query;

import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.core.reading.Status;

/**
 * Which rows of a standing are kept; total and headline are then of these alone.
 *
 * @param text part of a name, key or place; empty for any
 * @param members ids; empty for any
 * @param statuses status words or reasons why there is no reading; empty for any
 * @param missOver least miss that is kept, above it, in smallest units
 * @param attainmentFrom least percent-to-goal, included
 * @param attainmentTo most percent-to-goal, included
 * @param top how many of the best or worst are kept of all these
 * @param without ids that are left out before anything else; lines that name no member stay
 */
public record Narrowing(
    String text,
    Set<Integer> members,
    Set<String> statuses,
    @Nullable Ratio missOver,
    @Nullable Ratio attainmentFrom,
    @Nullable Ratio attainmentTo,
    @Nullable Top top,
    Set<Integer> without) {
  /** The best or worst by a figure. */
  public record Top(int count, boolean isBottom, By by) {}

  /** What top and bottom go by; of the variance the favourable one. */
  public enum By {
    VARIANCE,
    ATTAINMENT,
    ACTUAL;

    /** The figure of a row; null where it has none. */
    public @Nullable Ratio figure(Row row) {
      return switch (this) {
        case VARIANCE -> row.spoken().reading().favourable();
        case ATTAINMENT -> row.spoken().reading().attainment();
        case ACTUAL -> row.reading().actual();
      };
    }
  }

  public static final Narrowing NONE =
      new Narrowing("", Set.of(), Set.of(), null, null, null, null);

  public Narrowing(
      String text,
      Set<Integer> members,
      Set<String> statuses,
      @Nullable Ratio missOver,
      @Nullable Ratio attainmentFrom,
      @Nullable Ratio attainmentTo,
      @Nullable Top top) {
    this(text, members, statuses, missOver, attainmentFrom, attainmentTo, top, Set.of());
  }

  /** The same, some members left out. */
  public Narrowing leavingOut(Set<Integer> members) {
    return new Narrowing(
        text, this.members, statuses, missOver, attainmentFrom, attainmentTo, top, members);
  }

  /** Whether nothing is narrowed but some members left out. */
  public boolean isOnlyWithout() {
    return !without.isEmpty() && leavingOut(Set.of()).isNone();
  }

  public static Narrowing to(Set<Integer> members) {
    return new Narrowing("", members, Set.of(), null, null, null, null);
  }

  public boolean isNone() {
    return equals(NONE);
  }

  /** Whether a row is kept, top and bottom aside; {@code place} is where the member belongs. */
  public boolean keeps(Row row, String place) {
    return !without.contains(row.member().id())
        && (members.isEmpty() || members.contains(row.member().id()))
        && (text.isEmpty()
            || holds(row.member().name())
            || holds(row.member().key())
            || holds(place))
        && (statuses.isEmpty() || statuses.contains(word(row)))
        && (missOver == null || isAbove(row.spoken().reading().miss(), missOver))
        && isBetween(row.spoken().reading().attainment());
  }

  private boolean holds(String words) {
    return words.toLowerCase(Locale.ROOT).contains(text.toLowerCase(Locale.ROOT));
  }

  /** The status as the row shows it: the rung's name, or why there is none. */
  private static String word(Row row) {
    Status status = row.spoken().status();
    var none = status.noReading();
    return none == null ? status.word() : none.words();
  }

  private static boolean isAbove(@Nullable Ratio amount, Ratio bound) {
    return amount != null && amount.compareTo(bound) > 0;
  }

  private boolean isBetween(@Nullable Ratio share) {
    if (attainmentFrom == null && attainmentTo == null) {
      return true;
    }
    return share != null
        && (attainmentFrom == null || share.compareTo(attainmentFrom) >= 0)
        && (attainmentTo == null || share.compareTo(attainmentTo) <= 0);
  }
}
