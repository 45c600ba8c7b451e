package zealoustarget.server.platform.http;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/**
 * Which part of the application a request is for. Told as the routes themselves are found, by
 * decoded segments: {@code /%61pi} leads to the routes of {@code /api}, so it has to be held as
 * one.
 */
public enum RequestArea {
  /** The routes that {@code RouteRules} knows. */
  API,
  /** Health for probes. */
  HEALTH,
  /** Whatever else is there for running it, such as metrics. */
  OPERATION,
  /** The description of the routes, for whoever has an account. */
  DESCRIPTION,
  /** Pages and their files. */
  PAGE;

  private static final PathPattern API_PATHS = parsed("/api/**");
  private static final PathPattern HEALTH_PATHS = parsed("/actuator/health/**");
  private static final PathPattern DESCRIPTION_PATHS = parsed("/v3/**");
  private static final PathPattern OPERATION_PATHS = parsed("/actuator/**");

  /** The part that a request is for. */
  public static RequestArea of(HttpServletRequest request) {
    PathContainer path = PathContainer.parsePath(request.getRequestURI());
    if (API_PATHS.matches(path)) {
      return API;
    }
    if (HEALTH_PATHS.matches(path)) {
      return HEALTH;
    }
    if (DESCRIPTION_PATHS.matches(path)) {
      return DESCRIPTION;
    }
    return OPERATION_PATHS.matches(path) ? OPERATION : PAGE;
  }

  private static PathPattern parsed(String pattern) {
    return PathPatternParser.defaultInstance.parse(pattern);
  }
}
