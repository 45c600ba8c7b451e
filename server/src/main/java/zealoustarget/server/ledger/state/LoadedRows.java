package zealoustarget.server.ledger.state;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.ledger.overlay.Overlay;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.ledger.storage.ProductRowEntity;
import zealoustarget.server.ledger.storage.StayRowEntity;

/**
 * What one posted load adds to the ledger; a file of actuals may bring goals beside them.
 *
 * @param actuals a block per month, ascending; none for other kinds
 * @param deals the snapshot that it is; null for other kinds
 * @param digest SHA-256 over the rows as they are stored, as hexadecimal digits
 */
public record LoadedRows(
    PostedLoad load,
    List<ActualBlock> actuals,
    List<GoalBook.Cell> goals,
    List<StayRowEntity> stays,
    List<ProductRowEntity> products,
    @Nullable DealSnapshot deals,
    String digest) {
  /** How its actuals lie over those before. */
  Overlay.Layer layer() {
    return new Overlay.Layer(actuals, load.mode());
  }

  /** Whether it brings actuals and nothing else. */
  boolean isOnlyActuals() {
    return load.kind() == LoadKind.ACTUALS && goals.isEmpty();
  }

  /** The same goals under another name of their set. */
  LoadedRows withGoalSet(String name) {
    return new LoadedRows(load.withGoalSet(name), actuals, goals, stays, products, deals, digest);
  }

  /** The same rows, laid over earlier ones in another way. */
  LoadedRows withMode(PostMode mode) {
    return new LoadedRows(load.withMode(mode), actuals, goals, stays, products, deals, digest);
  }

  /** Whether the rows are those that were posted, as far as that is known. */
  boolean isWhole() {
    return load.digest() == null || load.digest().equals(digest);
  }

  /**
   * Whether it may change what is read of a month: by rows, goals or places of reps, or by orders
   * that it corrects wherever they are.
   */
  boolean touches(int month) {
    boolean mayCorrect = !actuals.isEmpty() && load.mode() == PostMode.CORRECT;
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
    return actuals.stream().anyMatch(block -> block.hasMonth(month));
  }
}
