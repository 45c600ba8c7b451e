package zealoustarget.server.audit;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.AsyncHandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Notes who took pay, backups and exports along. */
@Component
@ConditionalOnWebApplication
class DownloadTrail implements AsyncHandlerInterceptor, WebMvcConfigurer {
  private static final Map<String, String> WORDS =
      Map.of(
          "/api/v1/earnings/payroll.csv", AuditWords.PAYROLL_FILE,
          "/api/v1/earnings/reps/{rep}/statement.pdf", "statement",
          "/api/v1/earnings/jobs/{id}/statements.pdf", AuditWords.ALL_STATEMENTS,
          "/api/v1/months/{month}/seal/snapshot.zip", AuditWords.CLOSED_FIGURES,
          "/api/v1/backups/{name}", "backup",
          "/api/v1/company/export", AuditWords.EXPORT_OF_COMPANY,
          "/api/v1/standing/export.csv", AuditWords.STANDING_AS_CSV,
          "/api/v1/standing/export.xlsx", AuditWords.STANDING_AS_WORKBOOK,
          "/api/v1/standing/{axis}/{key}/orders.csv", AuditWords.ORDERS_AS_CSV,
          "/api/v1/audit.csv", AuditWords.AUDIT_LOG);

  private final Audit audit;

  DownloadTrail(Audit audit) {
    this.audit = audit;
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/v1/**");
  }

  /** A download that is still being written; the thread that ends it works for nobody. */
  @Override
  public void afterConcurrentHandlingStarted(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    note(request, response);
  }

  @Override
  public void afterCompletion(
      HttpServletRequest request,
      HttpServletResponse response,
      Object handler,
      @Nullable Exception failure) {
    if (failure == null && request.getDispatcherType() == DispatcherType.REQUEST) {
      note(request, response);
    }
  }

  private void note(HttpServletRequest request, HttpServletResponse response) {
    String words =
        WORDS.get(
            String.valueOf(request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE)));
    if (words != null && response.getStatus() == HttpServletResponse.SC_OK) {
      audit.add(AuditKind.DOWNLOAD, words + said(request), null, null);
    }
  }

  /** What exactly: whose, of which month, which view. */
  private static String said(HttpServletRequest request) {
    Object inPath = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    StringBuilder said = new StringBuilder();
    if (inPath instanceof Map<?, ?> values) {
      values.forEach((name, value) -> said.append(", ").append(name).append(' ').append(value));
    }
    request
        .getParameterMap()
        .forEach(
            (name, values) ->
                said.append(", ").append(name).append(' ').append(String.join(" ", values)));
    return said.toString();
  }
}
