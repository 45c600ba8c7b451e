package zealoustarget.server.platform.problems;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Requests that the server cannot even parse are answered by problem details, too. */
@Component
class UnreadableRequests implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
  private final JsonMapper json;

  UnreadableRequests(JsonMapper json) {
    this.json = json;
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    factory.addContextCustomizers(
        context -> context.getParent().getPipeline().addValve(new Problems(json)));
  }

  private static final class Problems extends ErrorReportValve {
    private final JsonMapper json;

    Problems(JsonMapper json) {
      this.json = json;
    }

    @Override
    protected void report(Request request, Response response, Throwable failure) {
      int status = response.getStatus();
      if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
        return;
      }
      byte[] body =
          json.writeValueAsBytes(
              ProblemAdvice.detail(
                  Problem.ofStatus(status),
                  ProblemsWords.ADDRESS_OR_HEADER_CANNOT_BE_READ,
                  Map.of()));
      try {
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.getOutputStream().write(body);
      } catch (IOException | IllegalStateException gone) {
        // nobody is there to be told
      }
    }
  }
}
