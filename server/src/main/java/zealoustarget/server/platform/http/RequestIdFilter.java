package zealoustarget.server.platform.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.UUID;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Gives every request an id that stands in the answer's header and in each line of the log. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
public class RequestIdFilter extends OncePerRequestFilter {
  /** Name in the log. */
  public static final String REQUEST = "request";

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String id = UUID.randomUUID().toString().substring(0, 13);
    response.setHeader("X-Request-Id", id);
    if (RequestArea.of(request) == RequestArea.API) {
      response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
    }
    MDC.put(REQUEST, id);
    try {
      chain.doFilter(request, response);
    } finally {
      MDC.remove(REQUEST);
    }
  }
}
