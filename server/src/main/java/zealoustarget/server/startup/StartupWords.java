package zealoustarget.server.startup;

/** Everything that a person reads of {@code startup}. */
final class StartupWords {
  static final String IT_WAS_MADE_BY_NEWER_VERSION =
      "It was made by a newer version of the application. Load it with that one.";

  private StartupWords() {}
}
