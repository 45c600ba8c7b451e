package zealoustarget.core.intake;

import org.jspecify.annotations.Nullable;

/** What is posted already, asked while lines are read. */
public interface History {
  /** Nothing is posted. */
  History NONE =
      new History() {
        @Override
        public boolean hasOrder(String order, int product) {
          return false;
        }

        @Override
        public @Nullable TypicalAmounts usual(String measure) {
          return null;
        }
      };

  /** Whether a posted row has an order's key and a product's id (−1 without one). */
  boolean hasOrder(String order, int product);

  /** Whether a month lies too far from every posted one and from today to be meant. */
  default boolean isFar(int month) {
    return false;
  }

  /** How large the posted lines of a measure are, or null where none is posted. */
  @Nullable TypicalAmounts usual(String measure);
}
