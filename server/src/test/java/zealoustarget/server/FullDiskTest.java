package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.BufferedReader;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.LimitedServer;
import zealoustarget.server.testing.RunningServer;

/** A disk that is full is said, and loses nothing that was answered. */
class FullDiskTest {
  private static final int LINES = 20_000;

  private static String file(int number) {
    StringBuilder lines = new StringBuilder("month,order,rep,revenue\n");
    for (int line = 0; line < LINES; line++) {
      String order = Integer.toHexString((number * LINES + line) * 0x9E3779B1);
      lines.append("2026-10,").append(order).append(",K1,1.00\n");
    }
    return lines.toString();
  }

  private static long total(Api api) {
    String text = api.get("/api/v1/standing?from=2026-10").json().at("/total/actual").asString();
    return text.isEmpty() ? 0 : Long.parseLong(text.replace(".00", ""));
  }

  /** Asks until it is answered; the application starts anew by itself meanwhile. */
  private static long totalOnceOpen(Api api) {
    await()
        .atMost(Duration.ofMinutes(1))
        .pollInterval(Duration.ofMillis(200))
        .ignoreException(UncheckedIOException.class) // it is being started
        .until(() -> api.get("/api/v1/loads").status() == 200);
    return total(api);
  }

  @Test
  void fullDisk_isSaid_goesOnOnceThereIsRoom_andWhatWasAnsweredIsThere(@TempDir Path data)
      throws Exception {
    Process child = LimitedServer.start(data, 8_000);
    long posted = 0;
    try (BufferedReader said = LimitedServer.said(child)) {
      Api api = LimitedServer.api(said);
      api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
      Api.Answer refused = null;
      for (int number = 0; number < 60 && refused == null; number++) {
        Api.Answer staged = api.load("f" + number + ".csv", file(number), "kind", "actuals");
        Api.Answer answer =
            staged.status() == 201
                ? api.post("/api/v1/loads/" + staged.json().get("id").asInt() + "/post")
                : staged;
        if (answer.status() == 200) {
          posted++;
        } else {
          refused = answer;
        }
      }
      assertThat(refused).isNotNull();
      assertThat(refused.code()).as("%s", refused).isEqualTo("storage-full");
      LimitedServer.lift(child);
      assertThat(totalOnceOpen(api)).as("by itself").isEqualTo(posted * LINES);
      api.loadAndPost("more.csv", file(1_000), "kind", "actuals");
      posted++;
    } finally {
      LimitedServer.stop(child);
    }
    try (RunningServer server = RunningServer.start(data)) {
      assertThat(total(server.api())).as("after a restart").isEqualTo(posted * LINES);
    }
  }
}
