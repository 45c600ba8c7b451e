/**
 * The words of reading a file: what is loaded, what its columns mean, what is found in it and what
 * must add up. It reaches no ledger; what is posted is asked through {@link
 * zealoustarget.core.intake.History} and {@link zealoustarget.core.intake.PostedCompany}.
 */
@NullMarked
package zealoustarget.core.intake;

import org.jspecify.annotations.NullMarked;
