package zealoustarget.core.intake;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.ledger.TypicalAmounts;

/** What is posted already, asked while lines are read. */
public interface History {
  /** Nothing is posted. */
  History NONE =
      new History() {
        @Override
        public boolean hasOrder(long orderKey) {
          return false;
        }

        @Override
        public @Nullable TypicalAmounts usual(String measure) {
          return null;
        }
      };

  /** Whether a posted row has that {@link zealoustarget.core.ledger.OrderKey}. */
  boolean hasOrder(long orderKey);

  /** Whether a month lies too far from every posted one and from today to be meant. */
  default boolean isFar(int month) {
    return false;
  }

  /** How large the posted lines of a measure are, or null where none is posted. */
  @Nullable TypicalAmounts usual(String measure);
}
