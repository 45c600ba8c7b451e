/**
 * What every request passes on its way in and out: limits, own site only, request ids, pages,
 * links, downloads, health. It decides nothing about figures and knows no room.
 */
@NullMarked
package zealoustarget.server.platform.http;

import org.jspecify.annotations.NullMarked;
