package zealoustarget.server.ledger.state;

/** Everything that a person reads of {@code ledger.state}. */
final class StateWords {
  static final String MEMBERS_WERE_REVERSED =
      "Reps or products of this load are no longer known, as their list was reversed. Post that"
          + " list again, then load this file once more.";

  private StateWords() {}

  static String otherLoadsNeedIt(String loads) {
    return "Other posted loads name reps or products that only this one introduces: load "
        + loads
        + ". Reverse those first.";
  }
}
