package zealoustarget.server.earnings.trial;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.commission.PayCurve;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.commission.Terms;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;
import zealoustarget.server.earnings.EarningsRow.PointPart;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.earnings.EarningsWords;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** What a plan would have paid, before it is saved. */
@Service
public class PlanTrial {
  private static final int MONTHS = 3;
  private static final JsonMapper JSON = new JsonMapper();

  private final EarningsService earnings;
  private final RulesService companyRules;
  private final LedgerService ledgers;

  PlanTrial(EarningsService earnings, RulesService companyRules, LedgerService ledgers) {
    this.earnings = earnings;
    this.companyRules = companyRules;
    this.ledgers = ledgers;
  }

  /**
   * A plan's effect.
   *
   * @param months the three up to the one asked for
   * @param curve of the median quota of its reps in the last month; empty without any
   */
  public record TrialAnswer(
      List<String> months,
      @Nullable String quota,
      @Nullable String floor,
      @Nullable String ceiling,
      List<PointPart> curve,
      List<RepAnswer> reps,
      String before,
      String after) {}

  /**
   * What a rep got in each month by the rules in force, and would have got; null in months without
   * a plan or quota, of which the other lists say the reason.
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
    Pays() {
      this(new Side(), new Side());
    }
  }

  private record Side(long[] cents, String[] why) {
    Side() {
      this(new long[MONTHS], new String[MONTHS]);
    }

    void set(int at, Statement one, Map<Integer, Long> earlier) {
      cents[at] = one.added(earlier.getOrDefault(one.rep(), 0L));
      why[at] = one.pay() == null ? one.status().word() : null;
    }

    List<String> texts() {
      return IntStream.range(0, MONTHS)
          .mapToObj(at -> why[at] == null ? PlanPart.cents(cents[at]) : null)
          .toList();
    }

    List<String> reasons() {
      return Arrays.asList(why);
    }
  }

  /**
   * Tries rules without putting them in force.
   *
   * @param rules a rules file with one plan and, where they change too, the assignments; or without
   *     a plan, such as shared credit: then whoever's pay changes is shown, and no curve
   * @throws Refusal playbook-invalid with the place
   */
  public TrialAnswer trial(JsonNode rules, YearMonth last) {
    boolean hasPlan = rules.has("plans");
    JsonNode plan = rules.at("/plans/0");
    Rules now = companyRules.current();
    Rules tried = companyRules.tried(hasPlan ? everywhere(rules, plan) : rules);
    String name = hasPlan ? plan.get("name").asString().strip() : "";
    List<YearMonth> months = Span.ending(last, MONTHS).months();
    Map<Integer, Pays> pays = new LinkedHashMap<>();
    List<Statement> ofPlan = new ArrayList<>();
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
          Pays pay = pays.computeIfAbsent(one.rep(), id -> new Pays());
          pay.before().set(at, before.get(rep), earlierBefore);
          pay.after().set(at, one, earlierAfter);
          if (isOfPlan && at == MONTHS - 1) {
            ofPlan.add(one);
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

  /** The plan as if it held in every month, so that past ones can be tried. */
  private static JsonNode everywhere(JsonNode rules, JsonNode plan) {
    if (!plan.isObject() || !plan.has("name")) {
      throw Refusal.of("playbook-invalid", "plans[0] must be a plan with a name.")
          .with("place", "plans[0]");
    }
    ObjectNode copy = (ObjectNode) JSON.readTree(rules.toString());
    ObjectNode version = (ObjectNode) copy.at("/plans/0");
    if (version.has("since") && !version.get("since").isNull()) {
      ObjectNode always = version.deepCopy();
      always.remove("since");
      copy.putArray("plans").add(always).add(version);
    }
    return copy;
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

  private TrialAnswer answer(
      List<YearMonth> months, Map<Integer, Pays> pays, List<Statement> ofPlan) {
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
    PayCurve curve = median(ofPlan);
    Terms terms = ofPlan.isEmpty() ? null : ofPlan.get(0).terms();
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
        reps,
        PlanPart.cents(before),
        PlanPart.cents(after));
  }

  private static @Nullable PayCurve median(List<Statement> statements) {
    List<PayCurve> curves =
        statements.stream()
            .filter(one -> one.curve() != null)
            .map(Statement::curve)
            .sorted(Comparator.comparing(PayCurve::quota))
            .toList();
    return curves.isEmpty() ? null : curves.get(curves.size() / 2);
  }

  private static long sum(long[] cents) {
    long sum = 0;
    for (long one : cents) {
      sum = Math.addExact(sum, one);
    }
    return sum;
  }
}
