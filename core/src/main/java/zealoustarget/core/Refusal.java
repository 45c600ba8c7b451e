package zealoustarget.core;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Something a user asked for that cannot be done, told by a stable code, a sentence and named
 * details.
 *
 * <p>Codes are listed in docs/problems.md; the edge turns the code into an HTTP status.
 */
public final class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final String code;
  private final transient Map<String, Object> details;

  private Refusal(String code, String message, Map<String, Object> details) {
    super(message);
    this.code = code;
    this.details = details;
  }

  /** A refusal with the sentence that is shown: what is wrong, where, and what to do. */
  public static Refusal of(String code, String message) {
    return new Refusal(code, message, Map.of());
  }

  /** The same refusal with one more named detail, kept in the order of adding. */
  public Refusal with(String name, Object value) {
    Map<String, Object> more = new LinkedHashMap<>(details);
    more.put(name, value);
    return new Refusal(code, getMessage(), more);
  }

  public String code() {
    return code;
  }

  /** Named details in the order of adding, possibly empty. */
  public Map<String, Object> details() {
    return details;
  }

  @Override
  public String getMessage() {
    String message = super.getMessage();
    return message == null ? code : message;
  }
}
