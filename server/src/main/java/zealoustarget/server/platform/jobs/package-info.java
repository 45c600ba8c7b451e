/**
 * Work beside requests: which pools there are, how many threads each has, and how each ends with
 * the application. What is worked on, its progress and its stopping belong to the room that does
 * it.
 */
@NullMarked
package zealoustarget.server.platform.jobs;

import org.jspecify.annotations.NullMarked;
