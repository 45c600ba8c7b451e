package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Every sample file that ships is staged without a question, but for what months count. */
class SamplesTest {
  private static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();

  @Test
  void everySample_isRecognised_andNoLineIsHeld(@TempDir Path data) throws IOException {
    try (RunningServer server = RunningServer.start(data)) {
      Api api = server.api();
      api.put("/api/v1/playbook", Files.readString(DEMO.resolve("files/playbook.json")));
      for (String list : List.of("roster", "products")) {
        String content = Files.readString(DEMO.resolve("files/" + list + ".csv"));
        api.loadAndPost(list + ".csv", content, "kind", list);
      }
      List<Path> samples;
      try (Stream<Path> all = Files.list(DEMO.resolve("samples"))) {
        samples = all.filter(path -> !path.endsWith("control-total.csv")).sorted().toList();
      }
      assertThat(samples).hasSizeGreaterThan(9);
      for (Path sample : samples) {
        String name = sample.getFileName().toString();
        JsonNode load = api.receive(name, Files.readAllBytes(sample)).json();
        String at = "/api/v1/loads/" + load.get("id").asInt();
        if (load.at("/problem/code").asString().equals("measure-missing")) {
          load = api.put(at + "/reading", "{\"measure\":\"revenue\"}").json();
        }
        assertThat(load.get("state").asString()).as("%s: %s", name, load).isEqualTo("staged");
        assertThat(load.get("held").asInt()).as("%s: %s", name, load).isZero();
        assertThat(load.get("ready").asInt()).as(name).isGreaterThan(4);
        if (!load.get("controlTotal").isNull()) {
          assertThat(load.at("/controlTotal/met").asBoolean()).as(name).isTrue();
        }
        if (name.startsWith("semicolon")) {
          byte[] control = Files.readAllBytes(DEMO.resolve("samples/control-total.csv"));
          assertThat(
                  api.multipart(at + "/control", "control-total.csv", control, java.util.Map.of())
                      .json()
                      .at("/controlTotal/met")
                      .asBoolean())
              .isTrue();
        }
      }
    }
  }
}
