package zealoustarget.server.platform.problems;

import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code platform.problems}. */
final class ProblemsWords {
  static final String SEE_DESCRIPTION_OF_ROUTES =
      "See the description of the routes at /v3/api-docs.";
  static final String DATA_FOLDER_CANNOT_BE_WRITTEN =
      "The data folder cannot be written: it is full or read-only. Make room; it goes on by itself"
          + " some seconds later. Nothing was changed.";
  static final String FILE_IS_LARGER_THAN_UPLOAD_LIMIT =
      "The file is larger than the upload limit. Split it, or raise zealous.upload-limit.";
  static final String NONE_YET = "there are none yet";
  static final String ADDRESS_OR_HEADER_CANNOT_BE_READ = "The address or a header cannot be read.";

  private ProblemsWords() {}

  static String isNotedInLog(String incident) {
    return "It is noted in the server's log as incident " + incident + ". Nothing was changed.";
  }

  static String isMissing(String parameterName) {
    return "\"" + parameterName + "\" is missing.";
  }

  static String partIsMissing(String requestPartName) {
    return "The part \"" + requestPartName + "\" is missing.";
  }

  static String isNot(@Nullable Object text, String name) {
    return "\"" + text + "\" is not a " + name + ".";
  }

  static String andMore(int more) {
    return " and " + more + " more";
  }

  static String allowedAre(String values) {
    return "allowed are " + values;
  }

  static String isNotKnown(@Nullable String text, String kind, String allowed, String rest) {
    return "\"" + text + "\" is not a known " + kind + "; " + allowed + rest + ".";
  }
}
