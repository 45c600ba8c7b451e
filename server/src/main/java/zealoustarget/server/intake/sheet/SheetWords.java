package zealoustarget.server.intake.sheet;

import tools.jackson.databind.JsonNode;

/** Everything that a person reads of {@code intake.sheet}. */
final class SheetWords {

  private SheetWords() {}

  static String mappingMustBeObject(JsonNode mapping) {
    return "a mapping must be an object, was " + mapping;
  }

  static String columnMustBeNameOrObject(JsonNode said) {
    return "a column must be a name or an object, was " + said;
  }

  static String linesOfLoadAreNotKept(int loadId) {
    return "The lines of load " + loadId + " are not kept.";
  }
}
