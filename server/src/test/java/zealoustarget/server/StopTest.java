package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A stop waits for what is under way. */
class StopTest {
  private static final int LINES = 150_000;

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void loadUnderWay_isReadToItsEnd(boolean isAnswered, @TempDir Path data) throws Exception {
    RunningServer server = RunningServer.start(data);
    Api api = server.api();
    api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
    StringBuilder lines = new StringBuilder("month,order,rep,revenue\n");
    for (int line = 0; line < LINES; line++) {
      lines.append("2026-10,").append(line).append(",K1,1.00\n");
    }
    byte[] file = lines.toString().getBytes(StandardCharsets.UTF_8);
    Function<Api, Api.Answer> sending =
        isAnswered
            ? one -> one.load("big.csv", file, "kind", "actuals")
            : one -> one.receive("big.csv", file);
    CompletableFuture<Api.Answer> answer = CompletableFuture.supplyAsync(() -> sending.apply(api));
    Api other = server.api();
    while (!states(other).contains("reading")) {
      Thread.onSpinWait();
    }
    server.close();
    assertThat(answer.join().status()).isIn(201, 202);
    assertThat(Files.exists(data.resolve("zealous.mv.db"))).isTrue();
    try (RunningServer again = RunningServer.start(data)) {
      JsonNode load = again.api().get("/api/v1/loads/2").json();
      assertThat(load.get("state").asString()).isEqualTo("staged");
      assertThat(load.get("ready").asInt()).isEqualTo(LINES);
    }
  }

  private static java.util.List<String> states(Api api) {
    return api.get("/api/v1/loads")
        .json()
        .valueStream()
        .map(load -> load.get("state").asString())
        .toList();
  }
}
