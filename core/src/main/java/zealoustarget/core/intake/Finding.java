package zealoustarget.core.intake;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A fault or a remark about a line of a file. Data, not an exception.
 *
 * @param line of the file, the header is 1; a record over several lines counts by its first
 * @param column their header, or null where it is about the line as a whole
 * @param details what the sentence names, such as the value found
 */
public record Finding(
    int line, @Nullable String column, FindingCode code, Map<String, String> details) {
  private static final int LONGEST_DETAIL = 80;

  /**
   * Makes a finding from names and values in turn; long values are cut, and details that the code's
   * sentence does not name are left out.
   *
   * @param namesAndValues such as {@code "value", "12x"}
   */
  public static Finding of(
      int line, @Nullable String column, FindingCode code, String... namesAndValues) {
    Map<String, String> details = new LinkedHashMap<>();
    for (int i = 0; i + 1 < namesAndValues.length; i += 2) {
      if (code.names(namesAndValues[i])) {
        details.put(namesAndValues[i], cut(namesAndValues[i + 1]));
      }
    }
    return new Finding(line, column, code, details);
  }

  public boolean held() {
    return code.isHolding();
  }

  public String message() {
    return code.message(details);
  }

  private static String cut(String value) {
    return value.length() <= LONGEST_DETAIL ? value : value.substring(0, LONGEST_DETAIL) + "…";
  }
}
