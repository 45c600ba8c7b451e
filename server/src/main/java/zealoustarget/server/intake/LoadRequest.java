package zealoustarget.server.intake;

import java.util.Map;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.member.Axis;

/**
 * What the sender says of a file.
 *
 * @param goalSet name, for goals only
 * @param axis for goals only
 * @param measure what month columns count, or null
 * @param controlTotals given sum per measure code, as text
 * @param mapping our column name by their header
 */
public record LoadRequest(
    LoadKind kind,
    String goalSet,
    Axis axis,
    String measure,
    Map<String, String> controlTotals,
    Map<String, String> mapping) {}
