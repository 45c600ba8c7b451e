/**
 * What stands between a month and its closing: the lines of the close list, waivers, sources and
 * the year of closes. Asks every other room, and none asks it but closing itself, through {@code
 * CloseGate}.
 */
@NullMarked
package zealoustarget.server.closing;

import org.jspecify.annotations.NullMarked;
