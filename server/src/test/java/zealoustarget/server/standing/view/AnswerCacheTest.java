package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.FilterChain;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntFunction;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.util.UriComponentsBuilder;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.platform.http.RouteParameters;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

class AnswerCacheTest {
  private static final String VIEW = "/api/v1/standing?from=2026-10";
  private static RunningServer server;
  private static Api api;
  private static int file;

  @BeforeAll
  static void start(@TempDir Path data) {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost(
        "roster.csv",
        "rep,name,manager,from\nK1,Ines,M1,2026-01\nK2,Bo,M2,2026-01\n",
        "kind",
        "roster");
    sell("K1");
    sell("K2");
  }

  private static int sell(String rep) {
    file++;
    return api.loadAndPost(
        "f" + file + ".csv",
        "month,order,rep,revenue\n2026-10,o" + file + "," + rep + ",5.00\n",
        "kind",
        "actuals");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  private static HttpResponse<byte[]> ask(Api as, String path, String... headers)
      throws IOException, InterruptedException {
    HttpRequest.Builder request = as.request(path);
    for (int at = 0; at < headers.length; at += 2) {
      request.header(headers[at], headers[at + 1]);
    }
    return HttpClient.newHttpClient().send(request.build(), BodyHandlers.ofByteArray());
  }

  private static String tag(HttpResponse<?> answer) {
    return answer.headers().firstValue("ETag").orElseThrow();
  }

  @Test
  void unchangedView_costsNothing_untilAnythingChanges() throws Exception {
    String before = tag(ask(api, VIEW));
    HttpResponse<byte[]> same = ask(api, VIEW, "If-None-Match", before);
    assertThat(same.statusCode()).isEqualTo(304);
    assertThat(same.body()).isEmpty();
    int load = sell("K1");
    HttpResponse<byte[]> posted = ask(api, VIEW, "If-None-Match", before);
    assertThat(posted.statusCode()).isEqualTo(200);
    String[] changes = {
      "/api/v1/loads/" + load + "/reverse", "/api/v1/months/2026-01/seal",
    };
    for (String change : changes) {
      String then = tag(ask(api, VIEW));
      assertThat(api.post(change).status()).isEqualTo(200);
      assertThat(tag(ask(api, VIEW))).as(change).isNotEqualTo(then);
    }
    String[][] puts = {
      {"/api/v1/notes/rep/K1/2026-10", "{\"text\": \"a fair\"}"},
      {"/api/v1/playbook", "{\"company\": {\"name\": \"Other\"}}"},
    };
    for (String[] put : puts) {
      String then = tag(ask(api, VIEW));
      assertThat(api.put(put[0], put[1]).status()).isBetween(200, 204);
      HttpResponse<byte[]> now = ask(api, VIEW, "If-None-Match", then);
      assertThat(now.statusCode()).as(put[0]).isEqualTo(200);
    }
    assertThat(new String(ask(api, VIEW).body(), StandardCharsets.UTF_8)).contains("a fair");
  }

  @Test
  void keptAnswer_isTheSamePackedAndPlain() throws Exception {
    HttpResponse<byte[]> plain = ask(api, VIEW);
    HttpResponse<byte[]> packed = ask(api, VIEW, "Accept-Encoding", "gzip");
    assertThat(packed.headers().firstValue("Content-Encoding")).contains("gzip");
    byte[] unpacked = new GZIPInputStream(new ByteArrayInputStream(packed.body())).readAllBytes();
    assertThat(unpacked).isEqualTo(plain.body());
    assertThat(plain.headers().firstValue("Cache-Control")).contains("private, no-cache");
    assertThat(plain.headers().firstValue("Content-Type").orElse("")).contains("json");
  }

  @Test
  void oneKept_isNotAnothers() throws Exception {
    Api manager = server.as("manager", "M2");
    Api rep = server.as("rep", "K1");
    HttpResponse<byte[]> whole = ask(api, VIEW);
    HttpResponse<byte[]> team = ask(manager, VIEW, "If-None-Match", tag(whole));
    assertThat(team.statusCode()).isEqualTo(200);
    assertThat(new String(team.body(), StandardCharsets.UTF_8))
        .contains("Bo")
        .doesNotContain("Ines");
    HttpResponse<byte[]> own = ask(rep, VIEW, "If-None-Match", tag(team));
    assertThat(new String(own.body(), StandardCharsets.UTF_8))
        .contains("Ines")
        .doesNotContain("Bo");
  }

  @Test
  void refusal_isNotKept() throws Exception {
    HttpResponse<byte[]> wrong = ask(api, "/api/v1/standing?axis=nothing");
    assertThat(wrong.statusCode()).isEqualTo(400);
    assertThat(wrong.headers().firstValue("ETag")).isEmpty();
    assertThat(new String(wrong.body(), StandardCharsets.UTF_8)).contains("value-unknown");
    assertThat(ask(server.stranger(), VIEW, "If-None-Match", tag(ask(api, VIEW))).statusCode())
        .isEqualTo(401);
  }

  /** Asks a cache of its own from many sides at once; returns how often, and how many at a time. */
  private static int[] askAtOnce(int times, IntFunction<String> query) throws Exception {
    AnswerCache cache =
        new AnswerCache(
            new DataState(), Clock.systemUTC(), new RouteParameters(Set.of("from", "page")));
    AtomicInteger read = new AtomicInteger();
    AtomicInteger now = new AtomicInteger();
    AtomicInteger most = new AtomicInteger();
    FilterChain reading =
        (request, response) -> {
          read.incrementAndGet();
          most.accumulateAndGet(now.incrementAndGet(), Math::max);
          LockSupport.parkNanos(5_000_000);
          response.getOutputStream().write(1);
          now.decrementAndGet();
        };
    ExecutorService sides = Executors.newFixedThreadPool(times);
    CountDownLatch all = new CountDownLatch(times);
    List<Future<Integer>> answers = new ArrayList<>();
    for (int time = 0; time < times; time++) {
      MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/v1/standing");
      UriComponentsBuilder.fromUriString("?" + query.apply(time))
          .build()
          .getQueryParams()
          .forEach((name, values) -> request.setParameter(name, values.toArray(String[]::new)));
      answers.add(
          sides.submit(
              () -> {
                all.countDown();
                all.await();
                MockHttpServletResponse response = new MockHttpServletResponse();
                return CurrentAccount.getAsSystem(
                    "test",
                    () -> {
                      cache.doFilter(request, response, reading);
                      return response.getContentAsByteArray().length;
                    });
              }));
    }
    for (Future<Integer> answer : answers) {
      assertThat(answer.get()).isEqualTo(1);
    }
    sides.shutdown();
    return new int[] {read.get(), most.get()};
  }

  @Test
  void viewThatManyAskForAtOnce_isReadOnce() throws Exception {
    assertThat(askAtOnce(40, time -> "from=2026-10")[0]).isEqualTo(1);
  }

  @Test
  void parametersThatNoRouteReads_makeNoOtherView() throws Exception {
    assertThat(askAtOnce(40, time -> "x" + time + "=" + time + "&from=2026-10")[0]).isEqualTo(1);
    String tag = tag(ask(api, VIEW));
    assertThat(tag(ask(api, VIEW + "&junk=1&measure2=x"))).isEqualTo(tag);
    assertThat(tag(ask(api, "/api/v1/standing?junk=&from=2026-10"))).isEqualTo(tag);
    assertThat(tag(ask(api, VIEW + "&top=1"))).isNotEqualTo(tag);
    assertThat(tag(ask(api, VIEW + "&status=over&status=ahead")))
        .isNotEqualTo(tag(ask(api, VIEW + "&status=over")));
  }

  @Test
  void manyViews_areReadAFewAtATime() throws Exception {
    int[] asked = askAtOnce(40, time -> "from=2026-10&page=" + time);
    assertThat(asked[0]).isEqualTo(40);
    assertThat(asked[1]).isBetween(2, 2 * Runtime.getRuntime().availableProcessors());
  }
}
