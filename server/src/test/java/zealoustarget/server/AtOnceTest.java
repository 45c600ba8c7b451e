package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.SealedFiles;

/** Many at once: nothing fails for want of its turn, and what belongs together stays together. */
class AtOnceTest {
  private static final String PLAN =
      """
      {"plans": [{"name": "Field", "measure": "revenue", "window": "month",
        "paidFrom": "first unit", "method": "sliced", "steps": [{"from": "0", "rate": "%s"}],
        "goalSet": "quota", "reps": ["K1"]}]}
      """;

  @TempDir Path data;
  private RunningServer server;
  private Api api;
  private final ExecutorService many = Executors.newCachedThreadPool();

  @BeforeEach
  void start() {
    server = RunningServer.start(data, "spring.jpa.properties.hibernate.generate_statistics=true");
    api = server.api();
    api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
  }

  @AfterEach
  void stop() {
    many.shutdownNow();
    server.close();
  }

  private <T> List<T> atOnce(int times, Callable<T> work) throws Exception {
    List<Future<T>> begun = IntStream.range(0, times).mapToObj(i -> many.submit(work)).toList();
    List<T> ended = new ArrayList<>();
    for (Future<T> one : begun) {
      ended.add(one.get(2, TimeUnit.MINUTES));
    }
    return ended;
  }

  private static String lines(int count) {
    return "month,rep,revenue\n" + "2026-10,K1,1.00\n".repeat(count);
  }

  @Test
  void moreUploadsThanConnections_wait_andNoneFails() throws Exception {
    String file = lines(8_000);
    List<Api.Answer> answers = atOnce(14, () -> api.load("f.csv", file, "kind", "actuals"));
    assertThat(answers).allSatisfy(one -> assertThat(one.status()).as("%s", one).isEqualTo(201));
    assertThat(answers)
        .allSatisfy(one -> assertThat(one.json().get("ready").asInt()).isEqualTo(8_000));
  }

  @Test
  void goalsOfOneNewSet_inTwoFilesAtOnce_areBothRead() throws Exception {
    String file = "month,rep,revenue\n" + "2026-10,K1,1.00\n".repeat(2_000);
    List<Api.Answer> answers =
        atOnce(
            6, () -> api.load("g.csv", file, "kind", "goals", "goalSet", "stretch", "axis", "rep"));
    assertThat(answers).allSatisfy(one -> assertThat(one.status()).as("%s", one).isEqualTo(201));
  }

  @Test
  void oneNote_writtenByManyAtOnce_isOverwrittenByNobodyUnseen() throws Exception {
    String body = "{\"text\": \"%s\", \"was\": \"\"}";
    List<Integer> answers =
        atOnce(
            12,
            () ->
                api.put(
                        "/api/v1/notes/rep/K1/2026-10",
                        body.formatted("by " + Thread.currentThread().getName()))
                    .status());
    assertThat(answers).containsOnlyOnce(204);
  }

  @Test
  void measureThatChangesWhileItsFirstFileIsRead_isGone() throws Exception {
    DataState state = server.bean(DataState.class);
    Future<Api.Answer> staged;
    state.beginTurn(); // the check is held up at its end, as if it took long
    try {
      staged = many.submit(() -> api.load("f.csv", lines(10), "kind", "actuals"));
      TimeUnit.SECONDS.sleep(2);
      assertThat(staged.isDone()).isFalse();
      server
          .bean(RulesService.class)
          .apply(
              new JsonMapper()
                  .readTree(
                      """
                      {"measures": [{"code": "revenue", "unit": "EUR", "scale": 3,
                        "direction": "HIGHER"}]}
                      """));
    } finally {
      state.endTurn();
    }
    Api.Answer answer = staged.get(1, TimeUnit.MINUTES);
    assertThat(answer.code()).as("%s", answer).isEqualTo("measure-gone");
    assertThat(api.load("f.csv", lines(10), "kind", "actuals").json().at("/sums/revenue/file"))
        .hasToString("\"10.000\"");
  }

  @Test
  void rulesThatChangeWhileMonthsAreClosed_areWhollyInASeal_orNotAtAll() throws Exception {
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-01,K1,1000\n2026-02,K1,1000\n2026-03,K1,1000\n2026-04,K1,1000\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    Api.Answer plan = api.put("/api/v1/playbook", PLAN.formatted("0.01"));
    assertThat(plan.status()).as("%s", plan).isEqualTo(200);
    AtomicBoolean isOver = new AtomicBoolean();
    Future<Integer> changing =
        many.submit(
            () -> {
              int times = 0;
              for (; !isOver.get(); times++) {
                api.put("/api/v1/playbook", PLAN.formatted(times % 2 == 0 ? "0.02" : "0.01"));
              }
              return times;
            });
    List<String> months = List.of("2026-01", "2026-02", "2026-03", "2026-04");
    for (String month : months) {
      api.loadAndPost(
          month + ".csv", "month,rep,revenue\n" + month + ",K1,1000.00\n", "kind", "actuals");
      assertThat(api.post("/api/v1/months/" + month + "/seal").status()).isEqualTo(200);
    }
    isOver.set(true);
    assertThat(changing.get()).isPositive();
    for (String month : months) {
      var sealed = SealedFiles.of(api, month);
      String rate = sealed.get("rules.json").at("/plans/0/steps/0/rate").asString();
      JsonNode row = sealed.get("statements.json").at("/rows/0");
      assertThat(row.at("/components/0/rate").asString()).as(month).isEqualTo(rate);
    }
  }

  @Test
  void answersMeanwhile_areOfOneStateEach() throws Exception {
    String ladder =
        """
        {"ladders": [{"measure": "revenue", "scale": "percent-to-goal", "rungs": [
          {"name": "short %1$d", "tone": "bad"},
          {"name": "there %1$d", "tone": "good", "from": "1"}]}]}
        """;
    api.put("/api/v1/playbook", ladder.formatted(0));
    api.loadAndPost("a.csv", lines(100), "kind", "actuals");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-10,K1,50.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    AtomicBoolean isOver = new AtomicBoolean();
    Future<Integer> changing =
        many.submit(
            () -> {
              int times = 0;
              while (!isOver.get()) {
                api.put("/api/v1/playbook", ladder.formatted(++times));
              }
              return times;
            });
    for (int time = 0; time < 150; time++) {
      JsonNode answer = api.get("/api/v1/standing?from=2026-10&goalSet=quota").json();
      String status = answer.at("/rows/0/status").asString();
      assertThat(answer.at("/rung/rungs/1/name").asString()).isEqualTo(status);
    }
    isOver.set(true);
    assertThat(changing.get()).isGreaterThan(5);
  }

  @Test
  void pagesBehindTheLast_areEmpty() {
    for (String list :
        List.of(
            "/api/v1/audit?page=",
            "/api/v1/standing/rep/K1/orders?from=2026-10&page=",
            "/api/v1/standing/rep/K1/corrections?from=2026-10&page=",
            "/api/v1/earnings/reps/K1?month=2026-10&page=")) {
      for (String page : List.of("50000000", "2147483647")) {
        assertThat(api.get(list + page).status()).as(list + page).isEqualTo(200);
      }
    }
  }

  /** What one answer costs does not grow with the number of loads. */
  @Test
  void statements_areAsManyWithManyLoads() {
    Statistics statistics = server.bean(SessionFactory.class).getStatistics();
    List<String> views =
        List.of(
            "/api/v1/standing/rep/K1/proof?from=2026-10",
            "/api/v1/standing/rep/K1/orders?from=2026-10",
            "/api/v1/earnings/reps/K1?month=2026-10",
            "/api/v1/months/2026-10/seal",
            "/api/v1/loads");
    api.loadAndPost("first.csv", lines(1), "kind", "actuals");
    List<Long> few = views.stream().map(view -> statements(statistics, view)).toList();
    for (int load = 0; load < 12; load++) {
      api.loadAndPost(
          "f" + load + ".csv", lines(1 + load).replace("2026-10", "2026-11"), "kind", "actuals");
    }
    assertThat(views.stream().map(view -> statements(statistics, view)).toList()).isEqualTo(few);
  }

  private long statements(Statistics statistics, String view) {
    api.get(view); // signs in, and fills what is kept
    api.put("/api/v1/notes/rep/K1/2026-10", "{\"text\": \"" + System.nanoTime() + "\"}");
    long before = statistics.getPrepareStatementCount();
    assertThat(api.get(view).status()).as(view).isEqualTo(200);
    return statistics.getPrepareStatementCount() - before;
  }
}
