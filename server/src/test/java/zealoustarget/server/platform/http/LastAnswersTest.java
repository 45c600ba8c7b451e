package zealoustarget.server.platform.http;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.support.StaticApplicationContext;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class LastAnswersTest {
  /** Tomcat sends what is in the buffer only after the request no longer counts as under way. */
  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void anAnswer_isSentBeforeItsRequestEndsOnlyWhileStopping(boolean isStopping) throws Exception {
    LastAnswers answers = new LastAnswers();
    MockHttpServletResponse response = new MockHttpServletResponse();
    answers.doFilter(
        new MockHttpServletRequest("GET", "/api/v1/loads"),
        response,
        (request, answer) -> {
          answer.getWriter().write("[]");
          if (isStopping) {
            answers.stop(new ContextClosedEvent(new StaticApplicationContext()));
          }
        });
    assertThat(response.isCommitted()).isEqualTo(isStopping);
  }
}
