/** Saved views: a name for an address of a desk, own or shared. */
@NullMarked
package zealoustarget.server.views;

import org.jspecify.annotations.NullMarked;
