package zealoustarget.server.ledger.state;

import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ledger.Change;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.ledger.overlay.LoadScope;

/**
 * What posting a load would change.
 *
 * @param proposed what is most likely meant
 * @param mode the mode that was looked at
 * @param scope what the load's actuals cover; null where it brings none
 * @param actuals by member of the axis that was asked for, the largest movement first
 * @param goals by member of the goal set's axis
 * @param after the figures as they would be, for names of new members
 * @param sealedMonths sealed months that it touches
 */
public record Preview(
    PostMode proposed,
    PostMode mode,
    @Nullable LoadScope scope,
    List<Change> actuals,
    List<Change> goals,
    Ledger after,
    List<YearMonth> sealedMonths) {}
