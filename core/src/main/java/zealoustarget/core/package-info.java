/** The computation of every figure: no interface, no web, no storage. */
@NullMarked
package zealoustarget.core;

import org.jspecify.annotations.NullMarked;
