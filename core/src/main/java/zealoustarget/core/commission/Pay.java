package zealoustarget.core.commission;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * What sales earn under a plan, with everything that adds up to it.
 *
 * @param credited sales that count, in the measure's smallest unit, exact
 * @param base of it what is paid for
 * @param capped cents that the cap takes from the components
 * @param earned cents: the components less {@code capped}
 * @param next what comes next; null at the ceiling and beyond the last event
 */
public record Pay(
    PayStatus status,
    Ratio credited,
    Ratio base,
    List<Component> components,
    long capped,
    long earned,
    @Nullable Next next) {
  /**
   * One rounded part of the pay; parts of 0 are left out.
   *
   * @param what {@code slice 1}, {@code whole} or {@code bonus}
   * @param from share of the quota where the slice or step begins; null for the bonus
   * @param until share of the quota where the next begins; null where none does
   * @param base sales that it is paid for, exact; null for the bonus
   * @param rate null for the bonus
   * @param amount cents, rounded half up
   */
  public record Component(
      String what,
      @Nullable Ratio from,
      @Nullable Ratio until,
      @Nullable Ratio base,
      @Nullable Ratio rate,
      long amount) {}

  /** What lies ahead on the curve. */
  public enum Event {
    FLOOR("floor"),
    TARGET("target"),
    CEILING("ceiling"),
    STEP("step");

    private final String word;

    Event(String word) {
      this.word = word;
    }

    public String word() {
      return word;
    }
  }

  /**
   * The next event.
   *
   * @param sales missing to it, rounded up to a whole smallest unit
   * @param pay cents gained on reaching it
   */
  public record Next(Event event, long sales, long pay) {}
}
