package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Two at once: one change counts, the other is told, and nothing is overwritten unseen. */
class ConflictTest {
  private static final String LADDER =
      """
      {"ladders": [{"measure": "revenue", "scale": "percent-to-goal", "rungs": [
        {"name": "short", "tone": "bad"}, {"name": "%s", "tone": "good", "from": "1"}]}]}
      """;

  @TempDir Path data;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
  }

  @AfterEach
  void stop() {
    server.close();
  }

  private HttpResponse<String> put(Api as, String body, String tag) {
    HttpRequest.Builder request =
        as.request("/api/v1/playbook")
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(body));
    return as.raw((tag == null ? request : request.header("If-Match", tag)).build());
  }

  private String tag(Api as) {
    return as.raw(as.request("/api/v1/playbook").build())
        .headers()
        .firstValue("ETag")
        .orElseThrow();
  }

  @Test
  void rulesThatSomebodyElseChanged_areNotOverwritten_andItIsSaidWhoDid() {
    Api other = server.as("analyst", null);
    String looked = tag(api);
    assertThat(tag(other)).isEqualTo(looked);
    HttpResponse<String> first = put(other, LADDER.formatted("there"), looked);
    assertThat(first.statusCode()).as(first.body()).isEqualTo(200);
    HttpResponse<String> second = put(api, LADDER.formatted("arrived"), looked);
    assertThat(second.statusCode()).isEqualTo(412);
    assertThat(second.body()).contains("changed-meanwhile").contains("analyst 1 changed them last");
    assertThat(api.get("/api/v1/playbook").json().toString())
        .contains("there")
        .doesNotContain("arrived");
    String now = first.headers().firstValue("ETag").orElseThrow();
    assertThat(now).isEqualTo(tag(api));
    assertThat(put(api, LADDER.formatted("arrived"), now).statusCode()).isEqualTo(200);
    assertThat(put(api, LADDER.formatted("there"), null).statusCode())
        .as("a script that does not ask")
        .isEqualTo(200);
  }

  @Test
  void noteThatSomebodyElseWrote_isNotOverwritten() {
    String path = "/api/v1/notes/rep/K1/2026-10";
    assertThat(api.put(path, "{\"text\": \"a fair\", \"was\": \"\"}").status()).isEqualTo(204);
    Api.Answer late = api.put(path, "{\"text\": \"ill\", \"was\": \"\"}");
    assertThat(late.code()).isEqualTo("changed-meanwhile");
    assertThat(late.text("text")).isEqualTo("a fair");
    assertThat(api.put(path, "{\"text\": \"ill\", \"was\": \"a fair\"}").status()).isEqualTo(204);
  }

  private List<Api.Answer> atOnce(String path) {
    List<CompletableFuture<Api.Answer>> both =
        Stream.of(api, server.as("analyst", null), server.as("analyst", null))
            .map(one -> CompletableFuture.supplyAsync(() -> one.post(path)))
            .toList();
    return both.stream().map(CompletableFuture::join).toList();
  }

  @Test
  void postedAndSealedByThreeAtOnce_countsOnce() {
    int load =
        api.load("f.csv", "month,order,rep,revenue\n2026-01,o,K1,5.00\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    List<Api.Answer> posts = atOnce("/api/v1/loads/" + load + "/post");
    assertThat(posts).filteredOn(answer -> answer.status() == 200).hasSize(1);
    assertThat(posts)
        .filteredOn(answer -> answer.status() != 200)
        .allMatch(answer -> List.of("load-not-staged", "load-busy").contains(answer.code()));
    assertThat(api.get("/api/v1/standing?from=2026-01").json().at("/total/actual").asString())
        .isEqualTo("5.00");
    List<Api.Answer> seals = atOnce("/api/v1/months/2026-01/seal");
    assertThat(seals).filteredOn(answer -> answer.status() == 200).hasSize(1);
    assertThat(seals)
        .filteredOn(answer -> answer.status() != 200)
        .allMatch(answer -> answer.code().equals("month-sealed"))
        .allMatch(answer -> answer.text("detail").contains(" by "));
  }
}
