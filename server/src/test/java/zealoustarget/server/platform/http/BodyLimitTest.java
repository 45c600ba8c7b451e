package zealoustarget.server.platform.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayInputStream;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.DelegatingServletInputStream;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.platform.problems.ProblemWriter;

class BodyLimitTest {
  private final AtomicReference<Instant> now = new AtomicReference<>(Instant.EPOCH);
  private final InstantSource clock = now::get;
  private final BodyLimit filter =
      new BodyLimit(new ProblemWriter(new JsonMapper()), clock.withZone(ZoneOffset.UTC));
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

  /** A body whose length is not said, as it comes: a byte at a time, each after a pause. */
  private MockHttpServletRequest unsaid(String path, int size, Duration pause) {
    MockHttpServletRequest request =
        new MockHttpServletRequest("POST", path) {
          @Override
          public long getContentLengthLong() {
            return -1;
          }

          @Override
          public ServletInputStream getInputStream() {
            ByteArrayInputStream bytes = new ByteArrayInputStream(new byte[size]);
            return new DelegatingServletInputStream(bytes) {
              @Override
              public int read(byte[] buffer, int offset, int length) {
                now.updateAndGet(instant -> instant.plus(pause));
                return bytes.read(buffer, offset, pause.isZero() ? length : 1);
              }
            };
          }
        };
    request.addHeader("Transfer-Encoding", "chunked");
    return request;
  }

  @Test
  void bodyOfUnknownLength_isRefusedBeyondTheLimit() throws Exception {
    assertThat(passed(unsaid("/api/v1/session", BodyLimit.SMALL + 1, Duration.ZERO))).isNull();
    assertThat(response.getStatus()).isEqualTo(413);
  }

  @Test
  void largeBodyOfUnknownLength_endsWithAnErrorBeyondTheLimit() throws Exception {
    HttpServletRequest passed =
        passed(unsaid("/api/v1/playbook", BodyLimit.LARGE + 1, Duration.ZERO));
    assertThatThrownBy(() -> passed.getInputStream().readAllBytes()).hasMessageContaining("larger");
  }

  @ParameterizedTest
  @CsvSource({"19, 200", "21, 408"})
  void bodyThatTrickles_isWholeInTenSeconds_orRefused(int bytes, int status) throws Exception {
    HttpServletRequest passed = passed(unsaid("/api/v1/session", bytes, Duration.ofMillis(500)));
    assertThat(response.getStatus()).isEqualTo(status);
    assertThat(passed == null).isEqualTo(status != 200);
  }

  @Test
  void smallBody_isWholeBeforeAnythingElseIsDone() throws Exception {
    HttpServletRequest passed = passed(unsaid("/api/v1/session", 7, Duration.ofMillis(1)));
    Instant then = now.get();
    assertThat(passed.getInputStream().readAllBytes()).hasSize(7);
    assertThat(now.get()).as("nothing is waited for any more").isEqualTo(then);
  }

  @Test
  void places_areFewInAll_fewerForEachAddress_andLeaveSomeForOthers() {
    BodySlots slots = new BodySlots();
    int[] entered = new int[8];
    for (int address = 0; address < entered.length; address++) {
      while (slots.enter("10.0.0." + address)) {
        entered[address]++;
      }
    }
    assertThat(entered).containsExactly(20, 20, 20, 20, 2, 2, 2, 2);
    slots.leave("10.0.0.0");
    assertThat(slots.enter("10.0.0.0")).as("has many already").isFalse();
    assertThat(slots.enter("10.0.0.99")).isTrue();
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
