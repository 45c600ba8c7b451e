package zealoustarget.server.earnings;

import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.RulesService;

/** What was planned for commission: the goals of the measure "commission", of whichever set. */
@Component
public class CommissionBudget {
  private static final String MEASURE = "commission";

  private final LedgerService ledgers;
  private final RulesService companyRules;

  CommissionBudget(LedgerService ledgers, RulesService companyRules) {
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /**
   * A month's budget.
   *
   * @param goal in the measure's smallest unit
   */
  public record Planned(String goalSet, Measure measure, Ratio goal) {}

  /** The budget of a month; null where no goal set has it. */
  public @Nullable Planned in(YearMonth month) {
    Measure measure = companyRules.current().findMeasure(MEASURE).orElse(null);
    if (measure == null || measure.isRate()) {
      return null;
    }
    int number = Months.number(month);
    for (GoalBook book : ledgers.current().goalBooks().values()) {
      List<GoalBook.Cell> cells = book.cells(measure.code(), number, number);
      if (!cells.isEmpty()) {
        return new Planned(
            book.name(), measure, Ratio.sum(cells.stream().map(cell -> Ratio.of(cell.amount()))));
      }
    }
    return null;
  }
}
