package zealoustarget.core.commission;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.commission.Plan.BonusPaid;
import zealoustarget.core.commission.Plan.Method;
import zealoustarget.core.commission.Plan.NegativeDue;
import zealoustarget.core.commission.Plan.PaidFrom;
import zealoustarget.core.commission.Plan.Window;
import zealoustarget.core.testing.Cases;

/** Plans for tests: the worked one and changes of it. */
final class Plans {
  static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  static final List<Step> STEPS = List.of(step("0", "0.03"), step("1", "0.05"));

  private Plans() {}

  static Step step(String from, String rate) {
    return new Step(Ratio.parse(from), Ratio.parse(rate));
  }

  static Bound.Amount amount(long units) {
    return new Bound.Amount(units);
  }

  static Bound.Share share(String share) {
    return new Bound.Share(Ratio.parse(share));
  }

  static Plan worked() {
    return new Draft().plan();
  }

  /** The worked plan of calculations.md, section 7, to be changed. */
  static final class Draft {
    Measure measure = REVENUE;
    Window window = Window.MONTH;
    Bound floor = amount(8_000_000);
    PaidFrom paidFrom = PaidFrom.FIRST_UNIT;
    Method method = Method.SLICED;
    List<Step> steps = STEPS;
    long bonus = 150_000;
    BonusPaid bonusPaid = BonusPaid.WHEN_REACHED;
    Bound ceiling = amount(15_000_000);
    Long cap;
    NegativeDue negativeDue = NegativeDue.RECOVER;

    Plan plan() {
      return new Plan(
          "worked",
          measure,
          "quota",
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
  }

  /** A plan as a worked case writes it. */
  static Draft read(JsonNode node) {
    Draft draft = new Draft();
    draft.floor = bound(node.get("floor"));
    draft.ceiling = bound(node.get("ceiling"));
    draft.paidFrom = word(PaidFrom.values(), node.get("paidFrom").asString());
    draft.method = word(Method.values(), node.get("method").asString());
    List<Step> steps = new ArrayList<>();
    node.get("steps")
        .forEach(step -> steps.add(step(step.get("from").asString(), step.get("rate").asString())));
    draft.steps = steps;
    draft.bonus = cents(node.get("bonus"));
    draft.cap = node.get("cap").isNull() ? null : cents(node.get("cap"));
    return draft;
  }

  static long cents(JsonNode node) {
    return Cases.cents(node).over().longValueExact();
  }

  private static Bound bound(JsonNode node) {
    if (node.isNull()) {
      return null;
    }
    return node.has("amount")
        ? amount(cents(node.get("amount")))
        : share(node.get("percent").asString());
  }

  static <T extends Plan.Worded> T word(T[] values, String word) {
    return List.of(values).stream()
        .filter(one -> one.word().equals(word))
        .findFirst()
        .orElseThrow();
  }
}
