package zealoustarget.server.ledger;

import java.util.List;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.member.Axis;

/**
 * What the ledger must know of a posted load to read its rows.
 *
 * @param order place in the order of posting
 * @param goalSet name, null unless the load brings goals
 * @param axis of the goal set, null unless the load brings goals
 * @param measures codes in the order of the rows' amounts
 */
public record PostedLoad(
    int id, int order, LoadKind kind, String goalSet, Axis axis, List<String> measures) {}
