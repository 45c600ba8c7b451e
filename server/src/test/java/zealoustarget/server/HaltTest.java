package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.StoppableServer;

/** Committed work survives a halt of the process, at any moment; half-done work does not show. */
class HaltTest {
  @TempDir Path data;

  @ParameterizedTest
  @ValueSource(longs = 91)
  void killedWhileLoading_everyAnsweredPostIsWhole_andTheRestIsNowhere(long seed)
      throws IOException, InterruptedException {
    Process child = StoppableServer.start(data);
    int answered = 0;
    try (BufferedReader said =
        new BufferedReader(new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
      int wanted = 1 + new Random(seed).nextInt(3);
      for (String line = said.readLine();
          line != null && answered < wanted;
          line = said.readLine()) {
        if (line.startsWith("posted ")) {
          answered = Integer.parseInt(line.substring("posted ".length()));
        }
      }
      TimeUnit.MILLISECONDS.sleep(new Random(seed).nextInt(250));
      child.destroyForcibly().waitFor();
    }

    try (RunningServer server = RunningServer.start(data)) {
      JsonNode loads = server.api().get("/api/v1/loads").json();
      long posted =
          loads
              .valueStream()
              .filter(load -> load.get("kind").asString().equals("actuals"))
              .filter(load -> load.get("state").asString().equals("posted"))
              .count();
      // more may have been committed while this test slept
      assertThat(posted).as("seed %d", seed).isGreaterThanOrEqualTo(answered);
      JsonNode standing = server.api().get("/api/v1/standing?from=2026-10").json();
      assertThat(standing.at("/total/actual").asString())
          .isEqualTo(posted * StoppableServer.LINES + ".00");
      assertThat(
              server
                  .api()
                  .get("/api/v1/standing/rep/*/proof?from=2026-10")
                  .json()
                  .get("rowCount")
                  .asLong())
          .isEqualTo(posted * StoppableServer.LINES);
      takeUpAgain(server, loads, posted);
    }
  }

  /** What was only staged, or half read, goes on where it was. */
  private static void takeUpAgain(RunningServer server, JsonNode loads, long posted) {
    long counting = posted;
    for (JsonNode load : loads) {
      String at = "/api/v1/loads/" + load.get("id").asInt();
      assertThat(load.get("state").asString()).isIn("posted", "staged", "received");
      if (load.get("state").asString().equals("received")) {
        assertThat(load.at("/problem/code").asString()).isEqualTo("load-interrupted");
        server.api().post(at + "/read");
        server.api().raw(server.api().request(at + "/progress").GET().build());
      }
      if (!load.get("state").asString().equals("posted")) {
        assertThat(server.api().post(at + "/post").status()).isEqualTo(200);
        counting++;
      }
    }
    JsonNode standing = server.api().get("/api/v1/standing?from=2026-10").json();
    assertThat(standing.at("/total/actual").asString())
        .isEqualTo(counting * StoppableServer.LINES + ".00");
  }
}
