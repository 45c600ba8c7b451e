package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.Described;
import zealoustarget.server.testing.RunningServer;

/** docs/openapi.json, from which the page's types are made, says what the server answers. */
class DescriptionTest {
  private static final Path COMMITTED = Path.of("../docs/openapi.json");
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @TempDir static Path data;
  private static RunningServer server;
  private static Api api;
  private static JsonNode live;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data, "zealous.seed-dir=../demo/files");
    api = server.api();
    live = api.get("/v3/api-docs").json();
    ((ObjectNode) live).putArray("servers").addObject().put("url", "/");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  /** {@code -Dwrite-description} writes it anew. */
  @Test
  void committedDescription_isTheLiveOne() throws IOException {
    if (System.getProperty("write-description") != null) {
      Files.writeString(
          COMMITTED, JSON.writerWithDefaultPrettyPrinter().writeValueAsString(live) + "\n");
    }
    assertThat(JSON.readTree(COMMITTED.toFile()))
        .as("mvn -pl server test -Dtest=DescriptionTest -Dwrite-description writes it anew")
        .isEqualTo(live);
  }

  @Test
  void answers_areAsDescribed() {
    Described described = new Described(live);
    for (String route : List.of("company", "rules", "loads", "names", "reasons", "views")) {
      check(described, "/api/v1/" + route, "");
    }
    for (String route : List.of("accounts", "tokens", "session", "record", "sources", "health")) {
      check(described, "/api/v1/" + route, "");
    }
    check(described, "/api/v1/members", "?text=a");
    check(described, "/api/v1/audit", "");
    for (JsonNode load : api.get("/api/v1/loads").json()) {
      String path = "/api/v1/loads/" + load.get("id");
      for (String part : List.of("", "/sheet", "/checks")) {
        described.check("/api/v1/loads/{id}" + part, get(path + part));
      }
      if (load.get("state").asString().equals("staged")) {
        described.check("/api/v1/loads/{id}/changes", get(path + "/changes"));
      }
    }
    assertThat(described.faults()).isEmpty();
  }

  @Test
  void standings_areAsDescribed() {
    Described described = new Described(live);
    for (String axis : List.of("rep", "region", "product", "line", "manager", "company")) {
      for (String measure : List.of("revenue", "returnRate")) {
        standings(described, "axis=" + axis + "&measure=" + measure + "&from=2026-10&to=2026-10");
      }
    }
    for (String more : List.of("&basis=prior-year", "&closed=restated&bottom=3")) {
      for (String month : List.of("2026-10", "2026-11")) {
        standings(described, "axis=rep&measure=revenue&from=" + month + "&to=" + month + more);
      }
    }
    standings(described, "axis=rep&measure=revenue&from=2026-07&to=2026-10&group=region");
    assertThat(described.faults()).isEmpty();
  }

  private static void standings(Described described, String query) {
    if (api.get("/api/v1/standing?" + query).status() != 200) {
      return; // a measure that the axis does not have
    }
    for (String part : List.of("", "/sheet", "/claims")) {
      check(described, "/api/v1/standing" + part, "?" + query);
    }
    check(described, "/api/v1/standing/comparison", "?with=before&" + query);
    check(described, "/api/v1/months", "?year=2026&" + query);
    for (String part : List.of("proof", "path", "orders", "corrections", "close-up")) {
      String axis = query.replaceFirst("axis=(\\w+).*", "$1");
      String total = "/api/v1/standing/" + axis + "/*/" + part + "?" + query;
      if (api.get(total).status() == 200) {
        described.check("/api/v1/standing/{axis}/{key}/" + part, get(total));
      }
    }
  }

  @Test
  void earnings_areAsDescribed() {
    Described described = new Described(live);
    for (String month : List.of("2026-07", "2026-09", "2026-10", "2026-11")) {
      for (String part : List.of("", "/totals", "/sent", "/one-more-order", "/desk")) {
        check(described, "/api/v1/earnings" + part, "?month=" + month);
      }
      for (String part : List.of("", "/what-if")) {
        described.check(
            "/api/v1/earnings/reps/{rep}" + part,
            get("/api/v1/earnings/reps/R16" + part + "?month=" + month + "&sales=1000"));
      }
      JsonNode seal = get("/api/v1/months/" + month + "/seal");
      described.check("/api/v1/months/{month}/seal", seal);
      if (seal.get("state").asString().equals("sealed")) {
        described.check(
            "/api/v1/months/{month}/changed", get("/api/v1/months/" + month + "/changed"));
      }
    }
    assertThat(described.faults()).isEmpty();
  }

  private static void check(Described described, String route, String query) {
    described.check(route, get(route + query));
  }

  private static JsonNode get(String path) {
    Api.Answer answer = api.get(path);
    assertThat(answer.status()).as(path).isEqualTo(200);
    return answer.json();
  }
}
