package zealoustarget.server.ledger.sealing;

/** Everything that a person reads of {@code ledger.sealing}. */
final class SealingWords {

  private SealingWords() {}

  static String closedFiguresOfAreNotThose(String month) {
    return "The closed figures of " + month + " are not those that were written.";
  }

  static String sealWasRemovedAddedOrMoved(String month) {
    return "A seal was removed, added or moved before that of " + month + ".";
  }

  static String sealOfDoesNotRead(String month) {
    return "The seal of " + month + " does not read as it was written.";
  }

  static String sealedRowsDiffer(String month) {
    return "The rows that " + month + " was sealed with are not those of then.";
  }

  static String wasOpenedAgainWithoutEntry(String month) {
    return month + " was opened again without an entry in the audit log.";
  }
}
