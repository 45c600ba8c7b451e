package zealoustarget.core.commission;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;

/**
 * How a rep is paid; docs/calculations.md, section 7.
 *
 * @param measure whose sums are credited
 * @param goalSet name of the set that holds the quotas
 * @param floor null for none
 * @param steps at least one, ascending
 * @param bonus in cents, earned at the quota; 0 for none
 * @param ceiling null for none
 * @param cap the most that is paid in a window, in cents; null for none
 */
public record Plan(
    String name,
    Measure measure,
    String goalSet,
    Window window,
    @Nullable Bound floor,
    PaidFrom paidFrom,
    Method method,
    List<Step> steps,
    long bonus,
    BonusPaid bonusPaid,
    @Nullable Bound ceiling,
    @Nullable Long cap,
    NegativeDue negativeDue) {
  /** The same terms under another name. */
  public Plan named(String other) {
    return new Plan(
        other,
        measure,
        goalSet,
        window,
        floor,
        paidFrom,
        method,
        steps,
        bonus,
        bonusPaid,
        ceiling,
        cap,
        negativeDue);
  }

  /** The largest rate per currency unit that is taken for meant. */
  public static final Ratio LARGEST_RATE = Ratio.of(1, 2);

  /** Months within which sales and quota accumulate. */
  public enum Window implements Worded {
    MONTH("month"),
    QUARTER("quarter"),
    YEAR("year");

    private final String word;

    Window(String word) {
      this.word = word;
    }

    @Override
    public String word() {
      return word;
    }
  }

  /** What is paid once the floor is reached. */
  public enum PaidFrom implements Worded {
    FIRST_UNIT("first unit"),
    ABOVE_FLOOR("above floor");

    private final String word;

    PaidFrom(String word) {
      this.word = word;
    }

    @Override
    public String word() {
      return word;
    }
  }

  /** Whether each slice has its own rate or the reached step's rate holds for all. */
  public enum Method implements Worded {
    SLICED("sliced"),
    WHOLE("whole");

    private final String word;

    Method(String word) {
      this.word = word;
    }

    @Override
    public String word() {
      return word;
    }
  }

  /** When the bonus is earned. */
  public enum BonusPaid implements Worded {
    WHEN_REACHED("when reached"),
    LAST_MONTH("last month");

    private final String word;

    BonusPaid(String word) {
      this.word = word;
    }

    @Override
    public String word() {
      return word;
    }
  }

  /** What becomes of a due under 0. */
  public enum NegativeDue implements Worded {
    RECOVER("recover"),
    HOLD("hold");

    private final String word;

    NegativeDue(String word) {
      this.word = word;
    }

    @Override
    public String word() {
      return word;
    }
  }

  /** A choice with the word by which it goes. */
  public interface Worded {
    String word();
  }

  /**
   * Checks the parts.
   *
   * @throws PlanFault naming the part that is wrong
   */
  public Plan {
    if (measure.isRate()) {
      throw new PlanFault("measure", "a rate cannot be credited; choose a measure that is summed");
    }
    steps = List.copyOf(steps);
    checkSteps(steps, measure);
    checkBound("floor", floor);
    checkBound("ceiling", ceiling);
    if (bonus < 0) {
      throw new PlanFault("bonus", "must not be negative");
    }
    if (cap != null && cap <= 0) {
      throw new PlanFault("cap", "must be above 0; without a cap leave it blank");
    }
    if (floor instanceof Bound.OfSet) {
      throw new PlanFault("floor", "must be an amount or a percent of the quota");
    }
    checkOrder(floor, ceiling);
    unpayable(steps, bonus, ceiling)
        .ifPresent(
            words -> {
              throw new PlanFault("steps", words);
            });
  }

  private static void checkSteps(List<Step> steps, Measure measure) {
    if (steps.isEmpty()) {
      throw new PlanFault("steps", "at least one tier is needed");
    }
    for (int at = 0; at < steps.size(); at++) {
      Step step = steps.get(at);
      if (step.from().signum() < 0) {
        throw new PlanFault("steps[" + at + "].from", "must not be negative");
      }
      if (at > 0 && step.from().compareTo(steps.get(at - 1).from()) <= 0) {
        throw new PlanFault(
            "steps[" + at + "].from",
            "must be above the tier before it, " + percent(steps.get(at - 1).from()));
      }
      if (step.rate().signum() < 0) {
        throw new PlanFault("steps[" + at + "].rate", "must not be negative");
      }
      if (measure.isCurrency() && step.rate().compareTo(LARGEST_RATE) > 0) {
        throw new PlanFault(
            "steps[" + at + "].rate",
            percent(step.rate())
                + " is over "
                + percent(LARGEST_RATE)
                + "; a rate of 3 % is written 0.03 here");
      }
    }
  }

  private static void checkBound(String part, @Nullable Bound bound) {
    boolean isWrong =
        bound instanceof Bound.Amount amount && amount.units() <= 0
            || bound instanceof Bound.Share share && share.ofQuota().signum() <= 0;
    if (isWrong) {
      throw new PlanFault(part, "must be above 0; without a " + part + " leave it blank");
    }
  }

  private static void checkOrder(@Nullable Bound floor, @Nullable Bound ceiling) {
    boolean isOver =
        floor instanceof Bound.Amount low
                && ceiling instanceof Bound.Amount high
                && low.units() >= high.units()
            || floor instanceof Bound.Share below
                && ceiling instanceof Bound.Share above
                && below.ofQuota().compareTo(above.ofQuota()) >= 0;
    if (isOver) {
      throw new PlanFault("floor", "must be under the ceiling, or nothing could be earned");
    }
  }

  private static Optional<String> unpayable(List<Step> steps, long bonus, @Nullable Bound ceiling) {
    boolean hasRate = steps.stream().anyMatch(step -> step.rate().signum() > 0);
    if (!hasRate && bonus == 0) {
      return Optional.of("all rates are 0 and there is no bonus, so nothing could be earned");
    }
    boolean isBeyond =
        bonus == 0
            && ceiling instanceof Bound.Share share
            && steps.get(0).from().compareTo(share.ofQuota()) >= 0;
    return isBeyond
        ? Optional.of("the first tier starts at the ceiling, so nothing could be earned")
        : Optional.empty();
  }

  private static String percent(Ratio share) {
    return share.times(Ratio.of(100)).toText() + " %";
  }
}
