package zealoustarget.core.intake;

import java.util.List;

/**
 * What became of one line.
 *
 * @param part where it counts
 * @param rows typed rows, empty unless it is ready
 * @param amounts sums of what could be read, one per measure of the file, smallest units
 */
public record LineOutcome(
    Reconciliation.Part part, List<LoadRow> rows, List<Finding> findings, long[] amounts) {}
