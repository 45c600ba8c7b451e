package zealoustarget.server.earnings.trial;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.commission.PayCurve;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.PlanBook;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.commission.Terms;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;
import zealoustarget.server.earnings.CommissionBudget;
import zealoustarget.server.earnings.EarningsRow.PointPart;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.earnings.EarningsWords;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** What a plan would have paid, before it is saved. */
@Service
public class PlanTrial {
  private static final int MOST_MONTHS = 12;

  private final EarningsService earnings;
  private final CommissionBudget budgets;
  private final RulesService companyRules;
  private final LedgerService ledgers;

  PlanTrial(
      EarningsService earnings,
      CommissionBudget budgets,
      RulesService companyRules,
      LedgerService ledgers) {
    this.budgets = budgets;
    this.earnings = earnings;
    this.companyRules = companyRules;
    this.ledgers = ledgers;
  }

  /**
   * A plan's effect.
   *
   * @param months those up to the one asked for
   * @param curve of the median quota of its reps in the last month; empty without any
   * @param curveNow of the same rep as what it is compared with has it; empty where that pays
   *     nothing, or for another measure
   * @param budget what was planned for commission in these months; null where no goal set has it
   */
  public record TrialAnswer(
      List<String> months,
      @Nullable String quota,
      @Nullable String floor,
      @Nullable String ceiling,
      List<PointPart> curve,
      List<PointPart> curveNow,
      @Nullable String budget,
      List<RepAnswer> reps,
      String before,
      String after) {}

  /**
   * What a rep got in each month by what it is compared with, and would have got; null in months
   * without a plan or quota, of which the other lists say the reason.
   */
  record RepAnswer(
      String rep,
      String name,
      List<@Nullable String> before,
      List<@Nullable String> after,
      List<@Nullable String> beforeWhy,
      List<@Nullable String> afterWhy,
      String change) {}

  /** A rep's pay in the months, and why there is none; a month has the one or the other. */
  private record Pays(Side before, Side after) {
    Pays(int months) {
      this(new Side(months), new Side(months));
    }
  }

  private record Side(long[] cents, String[] why) {
    Side(int months) {
      this(new long[months], new String[months]);
    }

    void set(int at, Statement one, Map<Integer, Long> earlier) {
      cents[at] = one.added(earlier.getOrDefault(one.rep(), 0L));
      why[at] = one.pay() == null ? one.status().word() : null;
    }

    List<String> texts() {
      return IntStream.range(0, why.length)
          .mapToObj(at -> why[at] == null ? PlanPart.cents(cents[at]) : null)
          .toList();
    }

    List<String> reasons() {
      return Arrays.asList(why);
    }
  }

  /**
   * A version of a stored plan.
   *
   * @param since its first month; null for the one of every month
   */
  public record Beside(String name, @Nullable YearMonth since) {}

  /**
   * Tries rules without putting them in force.
   *
   * @param count of months up to the last, 1 to 12
   * @param rules a rules file with one plan and, where they change too, the assignments; or without
   *     a plan, such as shared credit: then whoever's pay changes is shown, and no curve
   * @param beside what the plan is compared with, as if its reps had that version in every month;
   *     null for what is in force
   * @throws Refusal playbook-invalid with the place; value-unknown where there is no such version
   */
  public TrialAnswer trial(JsonNode rules, YearMonth last, int count, @Nullable Beside beside) {
    if (count < 1 || count > MOST_MONTHS) {
      throw Refusal.of("value-unknown", TrialWords.tooManyMonths(MOST_MONTHS))
          .with("name", "months");
    }
    JsonNode plan = rules.at("/plans/0");
    boolean hasPlan = rules.has("plans");
    if (hasPlan && !(plan.isObject() && plan.has("name"))) {
      throw Refusal.of("playbook-invalid", TrialWords.PLAN_NEEDS_NAME).with("place", "plans[0]");
    }
    Rules asked = companyRules.tried(rules);
    String name = hasPlan ? plan.get("name").asString().strip() : "";
    Rules tried = hasPlan ? alone(asked, name, version(asked, name, since(plan))) : asked;
    Rules now = companyRules.current();
    if (beside != null) {
      Integer since = beside.since() == null ? null : Months.number(beside.since());
      now = alone(tried, name, version(now, beside.name(), since).named(name));
    }
    List<YearMonth> months = Span.ending(last, count).months();
    Map<Integer, Pays> pays = new LinkedHashMap<>();
    List<Both> ofPlan = new ArrayList<>();
    Map<Integer, Long> earlierBefore = earned(now, months.get(0).minusMonths(1));
    Map<Integer, Long> earlierAfter = earned(tried, months.get(0).minusMonths(1));
    for (int at = 0; at < months.size(); at++) {
      List<Statement> before = earnings.unsealed(months.get(at), now);
      List<Statement> after = earnings.unsealed(months.get(at), tried);
      for (int rep = 0; rep < after.size(); rep++) {
        Statement one = after.get(rep);
        boolean isOfPlan =
            hasPlan && one.terms() != null && KeyText.isSame(one.terms().plan().name(), name);
        if (isOfPlan || !hasPlan) {
          Pays pay = pays.computeIfAbsent(one.rep(), id -> new Pays(count));
          pay.before().set(at, before.get(rep), earlierBefore);
          pay.after().set(at, one, earlierAfter);
          if (isOfPlan && at == count - 1) {
            ofPlan.add(new Both(before.get(rep), one));
          }
        }
      }
      earlierBefore = earned(before);
      earlierAfter = earned(after);
    }
    if (!hasPlan) {
      pays.values().removeIf(pay -> Arrays.equals(pay.before().cents(), pay.after().cents()));
    }
    return answer(months, pays, ofPlan);
  }

  private static @Nullable Integer since(JsonNode plan) {
    String month = plan.path("since").asString("");
    return month.isBlank() ? null : Months.number(YearMonth.parse(month.strip()));
  }

  /** The plan's version of that first month. */
  private static Plan version(Rules rules, String name, @Nullable Integer since) {
    int from = since == null ? Integer.MIN_VALUE : since;
    return rules.commission().plans().versions().stream()
        .filter(one -> one.since() == from && KeyText.isSame(one.plan().name(), name))
        .map(PlanBook.Version::plan)
        .findFirst()
        .orElseThrow(
            () ->
                UnknownValue.of(
                    "plan",
                    name,
                    rules.commission().plans().versions().stream()
                        .map(one -> one.plan().name())
                        .distinct()));
  }

  /** Rules in which a plan is as given in every month, so that past ones can be tried. */
  private static Rules alone(Rules rules, String name, Plan plan) {
    List<PlanBook.Version> versions = new ArrayList<>(rules.commission().plans().versions());
    versions.removeIf(one -> KeyText.isSame(one.plan().name(), name));
    versions.add(new PlanBook.Version(plan, Integer.MIN_VALUE));
    return rules.withCommission(rules.commission().withVersions(versions));
  }

  private Map<Integer, Long> earned(Rules rules, YearMonth month) {
    return earned(earnings.unsealed(month, rules));
  }

  private static Map<Integer, Long> earned(List<Statement> statements) {
    Map<Integer, Long> earned = new HashMap<>();
    statements.forEach(one -> earned.put(one.rep(), earnedOf(one)));
    return earned;
  }

  private static long earnedOf(Statement one) {
    return one.pay() == null ? 0 : one.pay().earned();
  }

  private TrialAnswer answer(List<YearMonth> months, Map<Integer, Pays> pays, List<Both> ofPlan) {
    long before = 0;
    long after = 0;
    List<RepAnswer> reps = new ArrayList<>();
    for (Map.Entry<Integer, Pays> one : pays.entrySet()) {
      Member rep = ledgers.posted().members().get(Axis.REP, one.getKey());
      long then = sum(one.getValue().before().cents());
      long now = sum(one.getValue().after().cents());
      before = Math.addExact(before, then);
      after = Math.addExact(after, now);
      reps.add(
          new RepAnswer(
              rep.key(),
              rep.name(),
              one.getValue().before().texts(),
              one.getValue().after().texts(),
              one.getValue().before().reasons(),
              one.getValue().after().reasons(),
              PlanPart.cents(now - then)));
    }
    reps.sort(Comparator.comparing(RepAnswer::name));
    Both median = median(ofPlan);
    PayCurve curve = median == null ? null : median.after().curve();
    PayCurve inForce = median == null ? null : median.before().curve();
    Terms former = median == null ? null : median.before().terms();
    Terms terms = ofPlan.isEmpty() ? null : ofPlan.get(0).after().terms();
    Measure measure = terms == null ? null : terms.plan().measure();
    return new TrialAnswer(
        months.stream().map(YearMonth::toString).toList(),
        curve == null || measure == null ? null : measure.text(curve.quota()),
        curve == null || measure == null || curve.floor() == null
            ? null
            : measure.text(curve.floor()),
        curve == null || measure == null || curve.ceiling() == null
            ? null
            : measure.text(curve.ceiling()),
        curve == null || measure == null ? List.of() : EarningsWords.points(curve, 0, measure),
        inForce == null
                || measure == null
                || former == null
                || !measure.equals(former.plan().measure())
            ? List.of()
            : EarningsWords.points(inForce, 0, measure),
        budget(months),
        reps,
        PlanPart.cents(before),
        PlanPart.cents(after));
  }

  /** A rep's statement of the last month by what is compared with, and as it is tried. */
  private record Both(Statement before, Statement after) {}

  /** The rep in the middle by quota. */
  private static @Nullable Both median(List<Both> ofPlan) {
    List<Both> sorted =
        ofPlan.stream()
            .filter(one -> one.after().curve() != null)
            .sorted(
                Comparator.comparing(one -> Objects.requireNonNull(one.after().curve()).quota()))
            .toList();
    return sorted.isEmpty() ? null : sorted.get(sorted.size() / 2);
  }

  private @Nullable String budget(List<YearMonth> months) {
    List<CommissionBudget.Planned> planned =
        months.stream().map(budgets::in).filter(Objects::nonNull).toList();
    return planned.isEmpty()
        ? null
        : planned
            .get(0)
            .measure()
            .text(Ratio.sum(planned.stream().map(CommissionBudget.Planned::goal)));
  }

  private static long sum(long[] cents) {
    long sum = 0;
    for (long one : cents) {
      sum = Math.addExact(sum, one);
    }
    return sum;
  }
}
