package zealoustarget.server.platform.state;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.async.CallableProcessingInterceptor;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.config.annotation.AsyncSupportConfigurer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Every request reads one state of the data, also where its answer is written by another thread.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 12)
class HeldState extends OncePerRequestFilter implements WebMvcConfigurer {
  private static final String KEY = HeldState.class.getName();

  private final DataState state;

  HeldState(DataState state) {
    this.state = state;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    state.hold();
    try {
      chain.doFilter(request, response);
    } finally {
      state.release();
    }
  }

  @Override
  public void configureAsyncSupport(AsyncSupportConfigurer configurer) {
    configurer.registerCallableInterceptors(new HandingOn());
  }

  private final class HandingOn implements CallableProcessingInterceptor {
    @Override
    public <T> void beforeConcurrentHandling(NativeWebRequest request, Callable<T> task) {
      request.setAttribute(KEY, state.held(), RequestAttributes.SCOPE_REQUEST);
    }

    @Override
    public <T> void preProcess(NativeWebRequest request, Callable<T> task) {
      state.hold((DataState.Held) request.getAttribute(KEY, RequestAttributes.SCOPE_REQUEST));
    }

    @Override
    public <T> void postProcess(
        NativeWebRequest request, Callable<T> task, @Nullable Object result) {
      state.release();
    }
  }
}
