package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.awaitility.core.ConditionTimeoutException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.HostileFiles.Hostile;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.LimitedServer;

/**
 * Every hostile file has an answer in words from a server of 512 MB, which has as much memory
 * afterwards as before; {@code -Dattack=full} (bench/attack) sends the large ones too.
 */
class HostileFilesTest {
  private static final boolean IS_FULL = "full".equals(System.getProperty("attack"));
  private static final Duration PATIENCE = Duration.ofSeconds(IS_FULL ? 300 : 30);
  private static final long LEFT_BEHIND = 40L << 20;

  private static Process child;
  private static BufferedReader said;
  private static Api api;

  @BeforeAll
  static void start(@TempDir Path data) throws IOException {
    child = LimitedServer.startWithHeap(data, "512m");
    said = LimitedServer.said(child);
    api = LimitedServer.api(said);
    api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
  }

  @AfterAll
  static void stop() throws IOException, InterruptedException {
    LimitedServer.stop(child);
  }

  private static long memory() throws IOException {
    child.getOutputStream().write('\n');
    child.getOutputStream().flush();
    return LimitedServer.number(said, LimitedServer.MEMORY);
  }

  @Test
  void hostileFiles_haveAnAnswerEach_andLeaveNothingBehind() throws Exception {
    List<Hostile> files = HostileFiles.small();
    assertThat(files).hasSizeGreaterThanOrEqualTo(60);
    answer(files.get(0)); // what is loaded with the first file is no part of the others
    long before = memory();
    List<String> wrong = new ArrayList<>();
    for (Hostile file : files) {
      String fault = answer(file);
      if (fault != null) {
        wrong.add(file.what() + ": " + fault);
      }
    }
    assertThat(wrong).isEmpty();
    if (IS_FULL) {
      for (Hostile file : HostileFiles.large()) {
        assertThat(answer(file)).as(file.what()).isNull();
      }
    }
    assertThat(memory()).isLessThan(before + LEFT_BEHIND);
    assertThat(api.get("/api/v1/loads").json().size()).as("only the roster is here").isEqualTo(1);
    api.loadAndPost("good.csv", "month,rep,revenue\n2026-10,K1,5.00\n", "kind", "actuals");
  }

  /** Null where a file is refused or held in words and can be discarded; else what is wrong. */
  private static String answer(Hostile file) {
    Api.Answer taken = api.receive(file.name(), file.content());
    if (taken.status() != 202) {
      boolean isSaid = taken.status() >= 400 && taken.status() < 500 && !taken.code().isBlank();
      return isSaid && taken.text("detail").length() > 15 ? null : "answered " + taken;
    }
    String path = "/api/v1/loads/" + taken.json().get("id").asInt();
    JsonNode load;
    try {
      load =
          await()
              .atMost(PATIENCE)
              .pollInterval(Duration.ofMillis(50))
              .until(() -> api.get(path).json(), HostileFilesTest::isRead);
    } catch (ConditionTimeoutException late) {
      return "is still being read: " + api.get(path).json();
    }
    boolean isSaid =
        load.path("state").asString().equals("staged")
            || !load.at("/problem/message").asString("").isBlank();
    boolean isInside = load.at("/problem/code").asString("").equals("internal");
    Api.Answer gone = api.delete(path);
    String words = load.path("state").asString() + " " + load.path("problem");
    return isSaid && !isInside && gone.status() < 300 ? null : words + ", then " + gone.status();
  }

  private static boolean isRead(JsonNode load) {
    return !load.path("state").asString().equals("reading") && load.path("progress").isNull();
  }
}
