/**
 * The uploaded table as it was understood so far: its lines in parts, its columns' meanings. It
 * decides nothing about a line.
 */
@NullMarked
package zealoustarget.server.intake.sheet;

import org.jspecify.annotations.NullMarked;
