package zealoustarget.server.platform.problems;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;

/** What fails outside every route, as problem details as well. */
@Controller
class ErrorPage implements ErrorController {
  private final ProblemWriter problems;

  ErrorPage(ProblemWriter problems) {
    this.problems = problems;
  }

  @RequestMapping("/error")
  void error(HttpServletRequest request, HttpServletResponse response) throws IOException {
    Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    problems.write(
        response,
        Problem.ofStatus(
            status instanceof Integer known ? known : HttpServletResponse.SC_NOT_FOUND),
        ProblemsWords.SEE_DESCRIPTION_OF_ROUTES);
  }
}
