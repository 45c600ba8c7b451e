package zealoustarget.server.earnings;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Adjustment;
import zealoustarget.core.commission.Closed;
import zealoustarget.core.commission.Facts;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.commission.Terms;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.RulesService;

/**
 * The commission of a sealed month: what each statement said, and what later corrections are
 * reckoned against.
 *
 * @param plans that held, each once
 * @param headline over the rows
 */
record FrozenMonth(
    List<PlanPart> plans, List<ClosedPart> closed, List<SealedStatement> rows, String headline) {
  /**
   * What was settled for a rep.
   *
   * @param rep member number
   * @param plan place in {@code plans}; −1 without one
   */
  record ClosedPart(
      int rep,
      int plan,
      List<String> ramp,
      int rampFrom,
      int windowFrom,
      long sales,
      @Nullable String quota,
      @Nullable String ceilingOfSet,
      long earned,
      long held,
      List<Adjustment> adjustments) {}

  static FrozenMonth of(List<Statement> statements, List<RepMonth> reps, String headline) {
    List<Plan> plans =
        statements.stream()
            .filter(statement -> statement.terms() != null)
            .map(statement -> statement.terms().plan())
            .distinct()
            .toList();
    List<ClosedPart> closed = new ArrayList<>();
    for (Statement statement : statements) {
      Closed one = statement.toClosed();
      Terms terms = one.terms();
      Facts facts = statement.facts();
      closed.add(
          new ClosedPart(
              statement.rep(),
              terms == null ? -1 : plans.indexOf(terms.plan()),
              terms == null ? List.of() : terms.ramp().stream().map(Ratio::toString).toList(),
              terms == null ? 0 : terms.rampFrom(),
              one.windowFrom(),
              facts.sales(),
              text(facts.quota()),
              text(facts.ceilingOfSet()),
              one.earned(),
              one.held(),
              one.adjustments()));
    }
    return new FrozenMonth(
        plans.stream().map(PlanPart::of).toList(),
        closed,
        reps.stream().map(one -> SealedStatement.of(one.row())).toList(),
        headline);
  }

  private static @Nullable String text(@Nullable Ratio ratio) {
    return ratio == null ? null : ratio.over() + "/" + ratio.under();
  }

  private static @Nullable Ratio ratio(@Nullable String text) {
    if (text == null) {
      return null;
    }
    String[] parts = text.split("/", -1);
    Ratio over = Ratio.parse(parts[0]);
    return parts.length == 1 ? over : over.dividedBy(Ratio.parse(parts[1]));
  }

  /** A rep's settled month; the plans are read by the rules's rules. */
  record Settled(int rep, Closed closed) {}

  List<Settled> settled(YearMonth month, RulesService companyRules) {
    List<Plan> read = plans.stream().map(companyRules::readPlan).toList();
    return closed.stream()
        .map(
            part ->
                new Settled(
                    part.rep(),
                    new Closed(
                        Months.number(month),
                        part.plan() < 0
                            ? null
                            : new Terms(
                                read.get(part.plan()),
                                part.ramp().stream().map(FrozenMonth::ratio).toList(),
                                part.rampFrom()),
                        part.windowFrom(),
                        new Facts(part.sales(), ratio(part.quota()), ratio(part.ceilingOfSet())),
                        part.earned(),
                        part.held(),
                        part.adjustments())))
        .toList();
  }
}
