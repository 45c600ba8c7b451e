package zealoustarget.server.platform.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import zealoustarget.server.platform.problems.Problem;
import zealoustarget.server.platform.problems.ProblemWriter;
import zealoustarget.server.platform.state.Readiness;
import zealoustarget.server.platform.state.RecordState;

/**
 * Keeps pages of other sites, opened in the same browser, from speaking to this one: only the host
 * names that are known are answered, and changes only for the own pages. Answers 503 until the data
 * are in memory.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
public class OwnSiteFilter extends OncePerRequestFilter {
  private static final Set<String> LOCAL_NAMES = Set.of("localhost", "127.0.0.1", "[::1]", "::1");
  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

  private static final Pattern WITHOUT_FIGURES =
      Pattern.compile(
          "/api/v1/(health|session|tokens|accounts|backups|audit|audit\\.csv|record)(/.*)?");

  private final Readiness readiness;
  private final RecordState record;
  private final ProblemWriter problems;
  private final Set<String> names = new HashSet<>(LOCAL_NAMES);

  OwnSiteFilter(
      Readiness readiness,
      RecordState record,
      ProblemWriter problems,
      @Value("${zealous.hosts}") List<String> hosts) {
    this.record = record;
    this.readiness = readiness;
    this.problems = problems;
    hosts.forEach(host -> names.add(host.strip()));
  }

  /** Whether a host name is this machine's for itself. */
  public static boolean isLocal(String host) {
    return LOCAL_NAMES.contains(host.strip());
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (!isOwnSite(request)) {
      problems.write(response, Problem.CROSS_SITE, HttpWords.OPEN_BY_KNOWN_ADDRESS);
    } else if (!readiness.isReady()
        && RequestArea.of(request) == RequestArea.API
        && !request.getRequestURI().equals("/api/v1/health")) {
      problems.write(response, Problem.STARTING, HttpWords.DATA_ARE_BEING_LOADED);
    } else if (!record.isWhole() && isOfFigures(request)) {
      problems.write(response, Problem.RECORD_DAMAGED, record.words());
    } else if (record.isAwaiting() && isOfFigures(request)) {
      problems.write(response, Problem.RESTORE_UNCONFIRMED, record.awaited());
    } else {
      chain.doFilter(request, response);
    }
  }

  /** Whether anything but accounts, the trail and copies is asked for. */
  private static boolean isOfFigures(HttpServletRequest request) {
    return RequestArea.of(request) == RequestArea.API
        && !WITHOUT_FIGURES.matcher(request.getRequestURI()).matches();
  }

  private boolean isOwnSite(HttpServletRequest request) {
    if (!names.contains(request.getServerName())) {
      return false;
    }
    String origin = request.getHeader("Origin");
    return origin == null
        || READING.contains(request.getMethod())
        || origin.replaceFirst("^https?://", "").equals(request.getHeader("Host"));
  }
}
