package zealoustarget.server.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Bound;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.PlanBook;

/**
 * A plan in the form that {@code PUT /api/v1/rules} takes; so it is stored and frozen too.
 *
 * @param since first month; null for every month
 * @param bonus in the currency, two decimals; so is {@code cap}
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PlanPart(
    String name,
    @Nullable String since,
    String measure,
    String goalSet,
    String window,
    @Nullable BoundPart floor,
    String paidFrom,
    String method,
    List<StepPart> steps,
    String bonus,
    String bonusPaid,
    @Nullable BoundPart ceiling,
    @Nullable String cap,
    String negativeDue) {
  private static final int CENT_PLACES = 2;

  /** An amount, a share of the quota, or a goal set's amounts. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record BoundPart(
      @Nullable String amount, @Nullable String percent, @Nullable String goalSet) {
    static @Nullable BoundPart of(@Nullable Bound bound, Measure measure) {
      if (bound instanceof Bound.Amount amount) {
        return new BoundPart(measure.text(amount.units()), null, null);
      }
      if (bound instanceof Bound.Share share) {
        return new BoundPart(null, share.ofQuota().toText(), null);
      }
      return bound instanceof Bound.OfSet set ? new BoundPart(null, null, set.goalSet()) : null;
    }
  }

  public record StepPart(String from, String rate) {}

  /** Who has a plan from when to when. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record AssignmentPart(
      String rep,
      String plan,
      @Nullable String from,
      @Nullable String until,
      @Nullable List<String> ramp) {
    /** How an assignment is told. */
    public static AssignmentPart of(PlanBook.Assignment one) {
      return new AssignmentPart(
          one.rep(),
          one.plan(),
          month(one.from()),
          one.until() == null ? null : Months.of(one.until()).toString(),
          one.ramp().isEmpty() ? null : one.ramp().stream().map(Ratio::toText).toList());
    }
  }

  /** Whose sales and quota are credited to whom. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SharedPart(
      String rep, @Nullable String from, @Nullable String until, Map<String, String> shares) {
    /** How a shared credit is told, shares as decimals. */
    public static SharedPart of(Commission.SharedCredit one) {
      Map<String, String> shares = new TreeMap<>();
      one.shares().shares().forEach((rep, share) -> shares.put(rep, text(share)));
      return new SharedPart(
          one.rep(),
          one.from() == null ? null : one.from().toString(),
          one.until() == null ? null : one.until().toString(),
          shares);
    }

    /** As a decimal, or as a fraction where none ends. */
    private static String text(Ratio share) {
      String decimal = share.toText();
      return Ratio.parse(decimal).equals(share) ? decimal : share.toString();
    }
  }

  /** A plan without the month from which it holds. */
  public static PlanPart of(Plan plan) {
    return of(new PlanBook.Version(plan, Integer.MIN_VALUE));
  }

  /** The version of a plan as it travels. */
  public static PlanPart of(PlanBook.Version version) {
    Plan plan = version.plan();
    return new PlanPart(
        plan.name(),
        month(version.since()),
        plan.measure().code(),
        plan.goalSet(),
        plan.window().word(),
        BoundPart.of(plan.floor(), plan.measure()),
        plan.paidFrom().word(),
        plan.method().word(),
        plan.steps().stream()
            .map(step -> new StepPart(step.from().toText(), step.rate().toText()))
            .toList(),
        cents(plan.bonus()),
        plan.bonusPaid().word(),
        BoundPart.of(plan.ceiling(), plan.measure()),
        plan.cap() == null ? null : cents(plan.cap()),
        plan.negativeDue().word());
  }

  private static @Nullable String month(int number) {
    return number == Integer.MIN_VALUE ? null : Months.of(number).toString();
  }

  /** Cents as currency with two decimals. */
  public static String cents(long cents) {
    return java.math.BigDecimal.valueOf(cents, CENT_PLACES).toPlainString();
  }
}
