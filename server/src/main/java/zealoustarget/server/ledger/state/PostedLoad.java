package zealoustarget.server.ledger.state;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;

/**
 * What the ledger must know of a posted load to read its rows.
 *
 * @param order place in the order of posting
 * @param mode how its actuals lie over earlier ones
 * @param goalSet name, null unless the load brings goals
 * @param axis of the goal set, null unless the load brings goals
 * @param measures codes in the order of the rows' amounts
 * @param source what tells its source from others; null where that is not known
 * @param asOf the day of a snapshot of deals; null for other kinds
 * @param remainderOf the load of which it brings the lines that were held back, null of none
 * @param digest of its rows as they were posted; null where it was never taken
 */
public record PostedLoad(
    int id,
    int order,
    LoadKind kind,
    PostMode mode,
    @Nullable String goalSet,
    @Nullable Axis axis,
    List<String> measures,
    @Nullable String source,
    @Nullable LocalDate asOf,
    @Nullable Integer remainderOf,
    @Nullable String digest) {
  /** The same load as it was or will be posted. */
  PostedLoad at(int otherOrder, PostMode otherMode) {
    return new PostedLoad(
        id,
        otherOrder,
        kind,
        otherMode,
        goalSet,
        axis,
        measures,
        source,
        asOf,
        remainderOf,
        digest);
  }

  PostedLoad withGoalSet(String other) {
    return new PostedLoad(
        id, order, kind, mode, other, axis, measures, source, asOf, remainderOf, digest);
  }

  PostedLoad withMode(PostMode other) {
    return new PostedLoad(
        id, order, kind, other, goalSet, axis, measures, source, asOf, remainderOf, digest);
  }
}
