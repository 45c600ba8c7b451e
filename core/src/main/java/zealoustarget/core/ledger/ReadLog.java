package zealoustarget.core.ledger;

/** Is told what of a ledger an answer is read from, so that it can be known when it still holds. */
public interface ReadLog {
  /** Rows or sums of a month, also where it has none; numbered year × 12 + month − 1. */
  void month(int number);

  /** Which months have rows. */
  void extent();

  /** Rows of any month. */
  void everything();

  /** Where nobody wants to know. */
  ReadLog NONE =
      new ReadLog() {
        @Override
        public void month(int number) {}

        @Override
        public void extent() {}

        @Override
        public void everything() {}
      };
}
