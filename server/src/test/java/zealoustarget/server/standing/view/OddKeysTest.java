package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Keys come from other systems, so they hold whatever those allow. */
class OddKeysTest {
  private static final List<String> KEYS =
      List.of(
          "NV-10/2",
          "50 %",
          "a;b=c",
          "C:\\x",
          "?q=1&r",
          "#7",
          "Ålesund ☃",
          "a//b",
          "%2F",
          "x+y",
          "..a");

  @TempDir static Path data;
  private static RunningServer server;
  private static Api api;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data);
    api = server.api();
    StringBuilder roster = new StringBuilder("rep,name,region,manager,from\n");
    StringBuilder products = new StringBuilder("product,name,line\n");
    StringBuilder sold = new StringBuilder("month,rep,product,revenue\n");
    for (String key : KEYS) {
      roster.append("%s,%s,%s,%s,2026-01%n".formatted(key, key, key, key));
      products.append("%s,%s,%s%n".formatted(key, key, key));
      sold.append("2026-10,%s,%s,7.00%n".formatted(key, key));
    }
    api.loadAndPost("roster.csv", roster.toString(), "kind", "roster");
    api.loadAndPost("products.csv", products.toString(), "kind", "products");
    api.loadAndPost("sold.csv", sold.toString(), "kind", "actuals");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  private static String encoded(String key) {
    return URLEncoder.encode(key, StandardCharsets.UTF_8).replace("+", "%20");
  }

  @ParameterizedTest
  @ValueSource(strings = {"rep", "region", "manager", "product", "line"})
  void everyMember_isProvedAndExplained_whateverItsKey(String axis) {
    for (String key : KEYS) {
      String member = "/api/v1/standing/" + axis + "/" + encoded(key);
      String span = "?from=2026-10&to=2026-10";
      assertThat(api.get(member + "/proof" + span).json().at("/inputs/actual").asString())
          .as("%s %s", axis, key)
          .isEqualTo("7.00");
      assertThat(api.get(member + "/close-up" + span).status()).as(key).isEqualTo(200);
      assertThat(api.get(member + "/path" + span).text("name")).as(key).isEqualTo(key);
    }
  }

  @Test
  void notesAndViews_areKeptUnderThem() {
    for (String key : KEYS) {
      String note = "/api/v1/notes/rep/" + encoded(key) + "/2026-10";
      assertThat(api.put(note, "{\"text\": \"seen\", \"was\": \"\"}").status())
          .as(key)
          .isLessThan(300);
      String view = "/api/v1/views/" + encoded(key);
      assertThat(api.put(view, "{\"address\": \"/standing\"}").status()).as(key).isLessThan(300);
      assertThat(api.delete(view).status()).as(key).isLessThan(300);
      assertThat(api.get("/api/v1/earnings/reps/" + encoded(key) + "?month=2026-10").status())
          .as(key)
          .isEqualTo(200);
    }
    assertThat(api.get("/api/v1/views").json()).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "/api/v1/standing/rep/%00/path",
        "/api/v1/loads;x=1",
        "/api/v1//loads",
        "/nothing;x",
      })
  void addressThatIsMeantInTwoWays_isRefusedInWords(String address) {
    Api.Answer refused = api.get(address);
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.code()).isEqualTo("request-unreadable");
  }

  @Test
  void nullsAmongEntries_areRefused_notStumbledOver() {
    assertThat(api.post("/api/v1/loads/1/names", "[null]").code()).isEqualTo("request-unreadable");
  }
}
