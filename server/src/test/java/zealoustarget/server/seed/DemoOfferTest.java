package zealoustarget.server.seed;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

class DemoOfferTest {
  private static final String ROUTE = "/api/v1/demo";

  @Test
  void demo_fillsAnEmptyStart_once(@TempDir Path data) {
    try (RunningServer server = RunningServer.start(data, "zealous.demo-dir=../demo/files")) {
      Api analyst = server.api();
      assertThat(analyst.get(ROUTE).json().get("isOffered").asBoolean()).isTrue();
      assertThat(analyst.post(ROUTE).status()).isEqualTo(204);
      assertThat(analyst.get(ROUTE).json().get("isOffered").asBoolean()).isFalse();
      assertThat(analyst.get("/api/v1/company").json().get("name").asString())
          .isEqualTo("Saltmarsh Chandlery");
      assertThat(analyst.get("/api/v1/standing?from=2026-10&to=2026-10").json().get("rows"))
          .isNotEmpty();
      assertThat(analyst.post(ROUTE).code()).isEqualTo("demo-not-offered");
      assertThat(server.as("approver", null).post(ROUTE).code()).isEqualTo("not-allowed");
    }
  }

  @Test
  void demo_staysAway_whereSomethingIs_orNoneShips(@TempDir Path with, @TempDir Path without) {
    try (RunningServer server = RunningServer.start(with, "zealous.demo-dir=../demo/files")) {
      Api analyst = server.api();
      analyst.load("roster.csv", "rep,name,from\nA,Ada,2026-01\n", "kind", "roster");
      assertThat(analyst.get(ROUTE).json().get("isOffered").asBoolean()).isFalse();
      assertThat(analyst.post(ROUTE).code()).isEqualTo("demo-not-offered");
      assertThat(analyst.get("/api/v1/loads").json()).as("nothing was loaded").hasSize(1);
    }
    try (RunningServer server = RunningServer.start(without)) {
      assertThat(server.api().get(ROUTE).json().get("isOffered").asBoolean()).isFalse();
    }
  }
}
