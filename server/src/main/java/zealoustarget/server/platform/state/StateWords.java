package zealoustarget.server.platform.state;

/** Everything that a person reads of {@code platform.state}. */
final class StateWords {
  static final String STOP_APPLICATION_AND_RESTORE_LAST_BACKUP =
      "Stop the application and restore the last backup into an empty folder:"
          + " ./run restore FILE --data DIR.";

  private StateWords() {}

  static String noFiguresAreShown(String faults, String wayOut) {
    return faults + " No figures are shown. " + wayOut;
  }
}
