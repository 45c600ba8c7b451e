package zealoustarget.server.record;

/** Everything that a person reads of {@code record}. */
final class RecordWords {
  static final String VERIFIED =
      "%d entries of the audit log, %d seals, the rows of every posted load: %s%n";
  static final String ALL_AS_THEY_WERE_WRITTEN = "all as they were written.";
  static final String NOT_AS_THEY_WERE_WRITTEN = "not as they were written.";

  private RecordWords() {}

  static String headOfRecord(String head) {
    return "Head of the record: " + head;
  }

  static String databaseEndsWithEntryOfAudit(long entries, long noted) {
    return "The database ends with entry "
        + entries
        + " of the audit log and "
        + noted
        + " were written: it is cut, or an older one.";
  }
}
