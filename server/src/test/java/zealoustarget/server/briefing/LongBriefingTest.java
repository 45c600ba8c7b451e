package zealoustarget.server.briefing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.LimitedServer;

/** A briefing of sixty pages is printed by a server whose whole heap is 256 MiB. */
class LongBriefingTest {
  private static final int REPS = 60;
  private static final int EXHIBITS = 38;

  @Test
  void sixtyPages_arePrinted_within256MiB(@TempDir Path data) throws Exception {
    Process child = LimitedServer.startWithHeap(data, "256m");
    try (BufferedReader said = LimitedServer.said(child)) {
      Api api = LimitedServer.api(said);
      load(api);
      JsonNode page = api.post("/api/v1/briefings", "{\"to\":\"2026-10\"}").json();
      String briefing = "/api/v1/briefings/" + page.get("id").asInt();
      save(api, briefing, EXHIBITS);

      HttpResponse<byte[]> pdf =
          HttpClient.newHttpClient()
              .send(
                  api.request(briefing + "/briefing.pdf").GET().build(),
                  HttpResponse.BodyHandlers.ofByteArray());

      assertThat(pdf.statusCode()).isEqualTo(200);
      try (PDDocument document = Loader.loadPDF(pdf.body())) {
        assertThat(document.getNumberOfPages()).isGreaterThanOrEqualTo(60);
      }
      save(api, briefing, 2 * EXHIBITS);
      assertThat(api.get(briefing + "/briefing.pdf").text("detail"))
          .contains("more than the 2400 of a PDF");
      assertThat(child.isAlive()).as("it did not run out of memory").isTrue();
    } finally {
      LimitedServer.stop(child);
    }
  }

  private static void save(Api api, String briefing, int exhibits) {
    Api.Answer saved =
        api.put(
            briefing,
            IntStream.range(0, exhibits)
                .mapToObj(LongBriefingTest::exhibit)
                .collect(Collectors.joining(",", "{\"blocks\":[", "]}")));
    assertThat(saved.status()).as("%s", saved.json()).isEqualTo(200);
  }

  private static String exhibit(int at) {
    return "{\"kind\":\"exhibit\",\"text\":\"Reps against quota, "
        + at
        + "\",\"exhibit\":{\"kind\":\"lanes\",\"row\":null,\"view\":{\"axis\":\"rep\","
        + "\"measure\":\"revenue\",\"from\":\"2026-10\",\"to\":\"2026-10\",\"goalSet\":\"quota\"}}}";
  }

  private static void load(Api api) {
    StringBuilder roster = new StringBuilder("rep,name,from\n");
    StringBuilder quota = new StringBuilder("month,rep,revenue\n");
    StringBuilder actuals = new StringBuilder("month,rep,revenue\n");
    for (int rep = 1; rep <= REPS; rep++) {
      String key = String.format(Locale.ROOT, "R%03d", rep);
      roster.append(key).append(",Rep number ").append(rep).append(",2026-01\n");
      quota.append("2026-10,").append(key).append(",1000.00\n");
      actuals.append("2026-10,").append(key).append(',').append(700 + 10 * rep).append(".00\n");
    }
    api.loadAndPost("roster.csv", roster.toString(), "kind", "roster");
    api.loadAndPost(
        "quota.csv", quota.toString(), "kind", "goals", "goalSet", "quota", "axis", "rep");
    api.loadAndPost("sold.csv", actuals.toString(), "kind", "actuals");
  }
}
