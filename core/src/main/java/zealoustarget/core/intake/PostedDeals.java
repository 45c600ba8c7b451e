package zealoustarget.core.intake;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The snapshot in force of the source that a file of deals is of. */
public interface PostedDeals {
  /** Its day; null where none of the source is posted. */
  @Nullable LocalDate asOf();

  /** Keys of the deals that are open in it. */
  List<String> open();

  /** How large its deals of each rep are in a measure; null where none is posted. */
  @Nullable TypicalAmounts usual(String measure);
}
