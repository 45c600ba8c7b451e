package zealoustarget.server.standing;

import java.util.List;

/**
 * The query of a standing as it came, one field per parameter; {@link QueryReader} reads it.
 *
 * @param axis default rep
 * @param measure default revenue
 * @param from default the month of {@code to}
 * @param to default the month of {@code from}, or the last one with a posted line
 */
record StandingParameters(
    String axis,
    String measure,
    String from,
    String to,
    String goalSet,
    String basis,
    String factor,
    List<String> rep,
    List<String> region,
    List<String> product,
    List<String> line,
    List<String> manager) {}
