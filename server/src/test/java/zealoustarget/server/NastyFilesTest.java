package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Small files as systems and people send them, each with what must become of it. */
class NastyFilesTest extends NastyFiles {
  @ParameterizedTest(name = "{0}")
  @MethodSource("read")
  void file_isRead(
      String what, byte[] content, int ready, int held, int leftOut, String revenue, String code) {
    JsonNode load =
        api.load(
                what + ".csv",
                content,
                "kind",
                "actuals",
                "measure",
                "revenue",
                "fiscalYear",
                "2026")
            .json();
    assertThat(load.path("state").asString()).as("%s", load).isEqualTo("staged");
    assertThat(load.get("ready").asInt()).as("ready: %s", load).isEqualTo(ready);
    assertThat(load.get("held").asInt()).isEqualTo(held);
    assertThat(load.get("leftOut").asInt()).isEqualTo(leftOut);
    assertThat(load.get("lines").asInt()).isEqualTo(ready + held + leftOut);
    assertThat(load.at("/sums/revenue/ready").asString()).isEqualTo(revenue);
    if (!code.isEmpty()) {
      assertThat(load.get("findings").valueStream().map(f -> f.get("code").asString()))
          .contains(code);
    }
    api.delete("/api/v1/loads/" + load.get("id").asInt());
  }
}
