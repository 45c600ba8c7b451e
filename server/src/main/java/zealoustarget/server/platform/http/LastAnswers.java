package zealoustarget.server.platform.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Sends answers before their requests end while the application stops. The stop waits for requests,
 * not for what of their answers is still in a buffer then.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LastAnswers extends OncePerRequestFilter {
  private volatile boolean isStopping;

  @EventListener
  void stop(ContextClosedEvent closing) {
    isStopping = true;
  }

  @Override
  protected boolean shouldNotFilterAsyncDispatch() {
    return false;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    chain.doFilter(request, response);
    if (isStopping && !isAsyncStarted(request)) {
      response.flushBuffer();
    }
  }
}
