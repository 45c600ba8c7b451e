package zealoustarget.server.platform.problems;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;

/** Answers with problem details where no controller is reached. */
@Component
public class ProblemWriter {
  private final JsonMapper json;

  public ProblemWriter(JsonMapper json) {
    this.json = json;
  }

  /** Writes status and body; nothing may be written before. */
  public void write(HttpServletResponse response, Problem problem, @Nullable String sentence)
      throws IOException {
    write(response, problem, sentence, Map.of());
  }

  /** Writes a refusal as a controller's would be. */
  public void write(HttpServletResponse response, Refusal refusal) throws IOException {
    write(
        response,
        Problem.findByCode(refusal.code()).orElse(Problem.INTERNAL),
        refusal.getMessage(),
        refusal.details());
  }

  private void write(
      HttpServletResponse response,
      Problem problem,
      @Nullable String sentence,
      Map<String, Object> details)
      throws IOException {
    response.setStatus(problem.status().value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    // not closed: then the rest of the request could not be read any more
    response
        .getOutputStream()
        .write(json.writeValueAsBytes(ProblemAdvice.detail(problem, sentence, details)));
  }
}
