package zealoustarget.server.intake.load;

import java.time.Instant;
import java.time.YearMonth;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadKind;

/** Loads as other rooms know them, once their kind is known. */
@Component
public class MonthLoads {
  private final LoadStore store;

  MonthLoads(LoadStore store) {
    this.store = store;
  }

  /**
   * A load.
   *
   * @param hasControlTotal whether one was given for any measure
   * @param because why it was posted although a control total differs
   * @param remainderOf the load of which it brings the lines that were on hold
   * @param source what tells where it came from; null where nothing does
   * @param cameAt when it arrived
   * @param postedAt null before it is posted
   * @param reversedAt null while it is not
   */
  public record MonthLoad(
      int id,
      @Nullable LoadKind kind,
      LoadState state,
      String file,
      int lines,
      int ready,
      int held,
      boolean hasControlTotal,
      boolean isControlTotalMet,
      @Nullable String because,
      @Nullable Integer remainderOf,
      @Nullable String source,
      Instant cameAt,
      @Nullable Instant postedAt,
      @Nullable Instant reversedAt) {
    private static MonthLoad of(LoadEntity load) {
      return new MonthLoad(
          load.id,
          load.kind,
          load.state,
          load.fileName,
          load.lineCount,
          load.ready,
          load.held,
          load.sums.stream().anyMatch(sum -> sum.controlGiven != null),
          load.isControlTotalMet(),
          load.because,
          load.remainderOf,
          load.source,
          load.stagedAt,
          load.postedAt,
          load.reversedAt);
    }

    /** Whether it brings actuals that no figure counts yet. */
    public boolean waitsWithActuals() {
      return state == LoadState.STAGED && kind == LoadKind.ACTUALS;
    }

    public boolean isPosted() {
      return state == LoadState.POSTED;
    }
  }

  /** Loads with lines of a month, the latest first, and staged ones of which no line is ready. */
  public List<MonthLoad> of(YearMonth month) {
    return Stream.concat(
            store.withoutMonths().stream(), store.ofMonth(Months.number(month)).stream())
        .map(MonthLoad::of)
        .toList();
  }

  /** Loads that were posted or reversed after an instant, the latest first. */
  public List<MonthLoad> changedSince(Instant instant) {
    return store.all().stream()
        .map(MonthLoad::of)
        .filter(load -> isAfter(load.postedAt(), instant) || isAfter(load.reversedAt(), instant))
        .toList();
  }

  private static boolean isAfter(@Nullable Instant one, Instant other) {
    return one != null && one.isAfter(other);
  }

  /** All posted loads in the order they came. */
  public List<MonthLoad> posted() {
    return store.inState(LoadState.POSTED).stream().map(MonthLoad::of).toList();
  }
}
