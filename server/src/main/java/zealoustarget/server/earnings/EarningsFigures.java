package zealoustarget.server.earnings;

import java.time.YearMonth;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import zealoustarget.core.calendar.Span;
import zealoustarget.server.ledger.state.LedgerService;

/** The commission of all months as plain rows, so that two instances can be told to be the same. */
@Component
public class EarningsFigures {
  private static final List<String> COLUMNS =
      List.of(
          "month",
          "rep",
          "name",
          "plan",
          "quota",
          "actual",
          "credited",
          "status",
          "earned",
          "due",
          "components",
          "adjustments");

  private final EarningsService earnings;
  private final LedgerService ledgers;

  EarningsFigures(EarningsService earnings, LedgerService ledgers) {
    this.earnings = earnings;
    this.ledgers = ledgers;
  }

  /**
   * Every rep of every month with a posted line, as far as the account that acts may see it. The
   * first row names the columns; what is undefined is empty. Components and adjustments are their
   * amounts, with blanks between.
   */
  public void writeTo(Consumer<List<String>> rows) {
    rows.accept(COLUMNS);
    Span months = ledgers.current().monthsWithActuals();
    if (months == null) {
      return;
    }
    for (YearMonth month : months.months()) {
      for (EarningsRow row : earnings.month(month).rows()) {
        rows.accept(
            Arrays.asList(
                month.toString(),
                row.rep(),
                row.name(),
                row.plan(),
                row.quota(),
                row.actual(),
                row.credited(),
                row.status(),
                row.earned(),
                row.due(),
                String.join(
                    " ", row.components().stream().map(EarningsRow.ComponentPart::amount).toList()),
                String.join(
                    " ",
                    row.adjustments().stream().map(EarningsRow.AdjustmentPart::amount).toList())));
      }
    }
  }
}
