/**
 * Proposals: changes that wait for a second person where the rules ask for one. What is proposed
 * counts nowhere; each feature does its own kinds when they are accepted. docs/calculations.md,
 * section 8.
 */
@NullMarked
package zealoustarget.server.approval;

import org.jspecify.annotations.NullMarked;
