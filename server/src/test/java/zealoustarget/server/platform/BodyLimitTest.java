package zealoustarget.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.http.HttpServletRequest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.json.JsonMapper;

class BodyLimitTest {
  private final BodyLimit filter = new BodyLimit(new ProblemWriter(new JsonMapper()));
  private final MockHttpServletResponse response = new MockHttpServletResponse();
  private final MockFilterChain chain = new MockFilterChain();

  private HttpServletRequest passed(MockHttpServletRequest request) throws Exception {
    filter.doFilter(request, response, chain);
    return (HttpServletRequest) chain.getRequest();
  }

  private static MockHttpServletRequest request(String method, String path, String type, int size) {
    MockHttpServletRequest request = new MockHttpServletRequest(method, path);
    request.setContentType(type);
    request.setContent(new byte[size]);
    return request;
  }

  @ParameterizedTest
  @CsvSource({
    "POST, /api/v1/session, multipart/form-data; boundary=x, 10, 415, no files at the way in",
    "PUT, /api/v1/loads, Multipart/Form-Data; boundary=x, 10, 415, only POST",
    "POST, /api/v1/loads/../session, multipart/form-data, 10, 415, no other spelling",
    "POST, /api/v1/loads/receive, multipart/form-data; boundary=x, 300000, 200, a file",
    "POST, /api/v1/session, application/json, 65536, 200, exactly the limit",
    "POST, /api/v1/session, application/json, 65537, 413, beyond it",
    "PUT, /api/v1/playbook, application/json, 2097152, 200, rules are larger",
    "PUT, /api/v1/playbook, application/json, 2097153, 413, and have an end",
    "POST, /api/v1/loads/7/members, application/json, 100000, 200, a list of members"
  })
  void bodies_areAsLargeAsTheirRouteNeeds(
      String method, String path, String type, int size, int status, String why) throws Exception {
    HttpServletRequest passed = passed(request(method, path, type, size));
    assertThat(response.getStatus()).as(why).isEqualTo(status);
    assertThat(passed == null).as(why).isEqualTo(status != 200);
  }

  @Test
  void bodyOfUnknownLength_endsWithAnErrorBeyondTheLimit() throws Exception {
    MockHttpServletRequest request =
        new MockHttpServletRequest("POST", "/api/v1/session") {
          @Override
          public long getContentLengthLong() {
            return -1;
          }
        };
    request.setContent(new byte[BodyLimit.SMALL + 1]);
    HttpServletRequest passed = passed(request);
    assertThatThrownBy(() -> passed.getInputStream().readAllBytes()).hasMessageContaining("larger");
  }

  @Test
  void token_isNotLookedForInTheBody() throws Exception {
    MockHttpServletRequest request = request("POST", "/api/v1/session", "application/json", 1);
    request.setParameter("_csrf", "x");
    request.setParameter("month", "2026-10");
    HttpServletRequest passed = passed(request);
    assertThat(passed.getParameter("_csrf")).isNull();
    assertThat(passed.getParameter("month")).isEqualTo("2026-10");
  }
}
