package zealoustarget.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Until there are accounts the server trusts this machine; this keeps pages of other sites, opened
 * in the same browser, from using that trust, and answers 503 until the data are in memory.
 */
@Component
class LocalOnlyFilter extends OncePerRequestFilter {
  private static final Set<String> LOCAL_NAMES = Set.of("localhost", "127.0.0.1", "[::1]", "::1");
  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

  private final Readiness readiness;
  private final JsonMapper json;

  LocalOnlyFilter(Readiness readiness, JsonMapper json) {
    this.readiness = readiness;
    this.json = json;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader(
        "Content-Security-Policy",
        "default-src 'self'; img-src 'self' data:; style-src 'self'; frame-ancestors 'none'");
    String path = request.getRequestURI();
    if (!isOwnSite(request)) {
      refuse(response, Problem.CROSS_SITE, "Open the application by its own address.");
    } else if (!readiness.isReady() && path.startsWith("/api/") && !path.endsWith("/health")) {
      refuse(response, Problem.STARTING, "The data are being loaded. Try again in a moment.");
    } else {
      chain.doFilter(request, response);
    }
  }

  private static boolean isOwnSite(HttpServletRequest request) {
    if (!LOCAL_NAMES.contains(request.getServerName())) {
      return false;
    }
    String origin = request.getHeader("Origin");
    return origin == null
        || READING.contains(request.getMethod())
        || origin.equals("http://" + request.getHeader("Host"));
  }

  private void refuse(HttpServletResponse response, Problem problem, String sentence)
      throws IOException {
    response.setStatus(problem.status().value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    json.writeValue(response.getOutputStream(), ProblemAdvice.detail(problem, sentence, Map.of()));
  }
}
