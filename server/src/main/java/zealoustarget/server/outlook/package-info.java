/**
 * What open deals are still worth against a goal: rows, the deals behind them, what became of them
 * between two snapshots. The figures are those of core.outlook. Nothing here may be null unless it
 * says so.
 */
@NullMarked
package zealoustarget.server.outlook;

import org.jspecify.annotations.NullMarked;
