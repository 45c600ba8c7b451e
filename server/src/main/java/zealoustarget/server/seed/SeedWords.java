package zealoustarget.server.seed;

/** Everything that a person reads of {@code seed}. */
final class SeedWords {
  static final String DEMO_COMPANY_IS_BEING_LOADED =
      "The demo company is being loaded. Wait until it is there.";
  static final String DEMO_COMPANY_IS_FOR_EMPTY_START =
      "The demo company is for an empty start only. Start with a new data folder to load it.";

  private SeedWords() {}

  static String plan(String axis) {
    return axis + " plan";
  }
}
