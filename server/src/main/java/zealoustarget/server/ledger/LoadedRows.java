package zealoustarget.server.ledger;

import java.util.List;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.GoalBook;
import zealoustarget.core.ledger.PostMode;

/**
 * What one posted load adds to the ledger; a file of actuals may bring goals beside them.
 *
 * @param actuals null for other kinds
 */
record LoadedRows(
    PostedLoad load,
    ActualBlock actuals,
    List<GoalBook.Cell> goals,
    List<StayRowEntity> stays,
    List<ProductRowEntity> products) {
  /** The same rows, laid over earlier ones in another way. */
  LoadedRows withMode(PostMode mode) {
    return new LoadedRows(load.withMode(mode), actuals, goals, stays, products);
  }

  /**
   * Whether it may change what is read of a month: by rows, goals or places of reps, or by orders
   * that it corrects wherever they are.
   */
  boolean touches(int month) {
    boolean mayCorrect = actuals != null && actuals.size() > 0 && load.mode() == PostMode.CORRECT;
    return mayCorrect
        || hasRows(month)
        || goals.stream().anyMatch(cell -> cell.month() == month)
        || stays.stream()
            .anyMatch(
                stay ->
                    stay.fromMonth <= month
                        && (stay.untilMonth == null || stay.untilMonth >= month));
  }

  /** Whether it has rows of a month. */
  boolean hasRows(int month) {
    return actuals != null && actuals.size() > 0 && actuals.hasMonth(month);
  }
}
