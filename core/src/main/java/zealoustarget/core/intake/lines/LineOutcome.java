package zealoustarget.core.intake.lines;

import java.util.List;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.Reconciliation;

/**
 * What became of one line.
 *
 * @param part where it counts
 * @param rows typed rows, empty unless it is ready
 * @param amounts sums of what could be read, one per measure of the file, smallest units
 */
public record LineOutcome(
    Reconciliation.Part part, List<LoadRow> rows, List<Finding> findings, long[] amounts) {}
