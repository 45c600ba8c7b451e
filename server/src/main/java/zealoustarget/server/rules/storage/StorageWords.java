package zealoustarget.server.rules.storage;

/** Everything that a person reads of {@code rules.storage}. */
final class StorageWords {

  private StorageWords() {}

  static String rules(String part) {
    return "rules, " + part;
  }
}
