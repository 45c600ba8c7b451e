package zealoustarget.server.standing.view;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.query.StandingParameters;

/** All standings of all months as plain rows, so that two instances can be told to be the same. */
@Component
public class StandingFigures {
  private static final List<String> COLUMNS =
      List.of(
          "month",
          "against",
          "measure",
          "axis",
          "key",
          "name",
          "actual",
          "goal",
          "goal_low",
          "goal_high",
          "variance",
          "attainment",
          "status");
  private static final List<String> AXES = List.of("rep", "region", "product");

  private final StandingService standings;
  private final LedgerService ledgers;
  private final RulesService companyRules;

  StandingFigures(StandingService standings, LedgerService ledgers, RulesService companyRules) {
    this.standings = standings;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /**
   * Every month with a posted line, against every goal set and against last year, as far as the
   * account that acts may see it. The first row names the columns; the total has no key. Undefined
   * figures are empty.
   */
  public void writeTo(Consumer<List<String>> rows) {
    rows.accept(COLUMNS);
    Ledger ledger = ledgers.current();
    if (ledger.monthsWithActuals() == null) {
      return;
    }
    for (YearMonth month : ledger.monthsWithActuals().months()) {
      for (GoalBook book : new TreeMap<>(ledger.goalBooks()).values()) {
        for (String measure : book.measures()) {
          StandingParameters asked =
              StandingParameters.of(book.axis().word(), measure, month.toString(), book.name());
          write(month, book.name(), standings.standing(asked), rows);
        }
      }
      for (Measure measure : companyRules.current().measures()) {
        for (String axis : AXES) {
          StandingParameters asked =
              StandingParameters.onLastYear(axis, measure.code(), month.toString());
          write(month, "prior-year", standings.standing(asked), rows);
        }
      }
    }
  }

  private static void write(
      YearMonth month, String against, StandingAnswer answer, Consumer<List<String>> rows) {
    List<ReadingAnswer> all = new ArrayList<>(List.of(answer.total()));
    all.addAll(answer.rows());
    for (ReadingAnswer row : all) {
      rows.accept(
          Arrays.asList(
              month.toString(),
              against,
              answer.measure(),
              answer.axis(),
              row.key(),
              row.name(),
              row.actual(),
              row.goal(),
              row.goalLow(),
              row.goalHigh(),
              row.variance(),
              row.attainment(),
              row.status()));
    }
  }
}
