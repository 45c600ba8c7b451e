package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A kept answer is the one that would be read now, and a file leaves those of other months. */
class KeptAnswersTest {
  private static final List<String> MONTHS =
      List.of("2025-10", "2026-07", "2026-08", "2026-09", "2026-10", "2026-11");

  private static List<String> views() {
    List<String> views = new ArrayList<>();
    for (String month : MONTHS) {
      for (String axis : List.of("rep", "region", "product")) {
        views.add("/api/v1/standing?from=" + month + "&axis=" + axis);
      }
      views.add("/api/v1/standing?goalSet=quota&from=" + month);
      views.add("/api/v1/standing?axis=product&filter=region:North&from=" + month);
      views.add("/api/v1/standing?group=region&closed=restated&from=" + month);
      views.add("/api/v1/standing?basis=prior-year&from=" + month);
      views.add("/api/v1/standing?basis=prior-period&from=" + month);
      views.add("/api/v1/standing/claims?goalSet=quota&from=" + month);
      views.add("/api/v1/standing/rep/K1/close-up?goalSet=quota&from=" + month);
      views.add("/api/v1/standing/rep/K1/path?goalSet=quota&from=" + month);
      views.add("/api/v1/standing/rep/K2/proof?from=" + month);
      views.add("/api/v1/standing/rep/K2/orders?from=" + month);
      views.add("/api/v1/standing/rep/K1/corrections?from=" + month);
      views.add("/api/v1/earnings?month=" + month);
      views.add("/api/v1/earnings/totals?month=" + month);
    }
    views.add("/api/v1/standing/sheet?goalSet=quota&from=2026-07&to=2026-09");
    views.add("/api/v1/standing/comparison?with=before&from=2026-09");
    views.add("/api/v1/standing");
    views.add("/api/v1/months?year=2026");
    return views;
  }

  private static Map<String, HttpResponse<String>> ask(Api as, List<String> views)
      throws IOException, InterruptedException {
    HttpClient client = HttpClient.newHttpClient();
    Map<String, HttpResponse<String>> answers = new LinkedHashMap<>();
    for (String view : views) {
      HttpResponse<String> answer = client.send(as.request(view).build(), BodyHandlers.ofString());
      answers.put(view, answer);
    }
    return answers;
  }

  private static String tag(HttpResponse<String> answer) {
    return answer.headers().firstValue("ETag").orElse("none, " + answer.statusCode());
  }

  private static String lines(Random random, String month, int file) {
    StringBuilder text = new StringBuilder("date,order,rep,product,revenue\n");
    for (int line = 0; line < 4; line++) {
      text.append(
          "%s-%02d,o%d,K%d,P%d,%d.00%n"
              .formatted(
                  month,
                  1 + random.nextInt(20),
                  random.nextInt(3) == 0 ? random.nextInt(4 * file) : 4 * file + line,
                  1 + random.nextInt(3),
                  1 + random.nextInt(2),
                  random.nextInt(-20, 200)));
    }
    return text.toString();
  }

  @Test
  void keptAnswer_isWhatWouldBeReadNow_whateverIsPosted(@TempDir Path data) throws Exception {
    Random random = new Random(7);
    try (RunningServer server = RunningServer.start(data)) {
      Api api = server.api();
      api.loadAndPost(
          "roster.csv",
          "rep,name,region,manager,from\nK1,Ines,North,M1,2025-01\nK2,Bo,South,M2,2025-01\nK3,Ann,North,M1,2025-01\n",
          "kind",
          "roster");
      api.loadAndPost("p.csv", "product,name,line\nP1,A,L1\nP2,B,L2\n", "kind", "products");
      api.loadAndPost(
          "quota.csv",
          "month,rep,revenue\n2026-08,K1,300\n2026-09,K1,300\n2026-10,K2,200\n",
          "kind",
          "goals",
          "goalSet",
          "quota",
          "axis",
          "rep");
      for (int file = 1; file <= 3; file++) {
        api.loadAndPost(
            "f" + file + ".csv",
            lines(random, MONTHS.get(file + 1), file),
            "kind",
            "actuals",
            "source",
            "till");
      }
      assertThat(api.post("/api/v1/months/2026-07/seal").status()).isEqualTo(200);
      Api manager = server.as("manager", "M1");
      List<String> views = views();
      int kept = 0;
      for (int file = 4; file <= 10; file++) {
        Map<String, HttpResponse<String>> before = ask(api, views);
        ask(manager, views);
        String month = MONTHS.get(random.nextInt(MONTHS.size()));
        String mode = List.of("add", "correct", "replace").get(random.nextInt(3));
        int load =
            api.load(
                    "f" + file + ".csv",
                    lines(random, month, file),
                    "kind",
                    "actuals",
                    "source",
                    random.nextBoolean() ? "till" : "web")
                .json()
                .get("id")
                .asInt();
        Api.Answer posted =
            api.post("/api/v1/loads/" + load + "/post?held=leave&correct=true&mode=" + mode);
        assertThat(posted.status()).as("%s", posted).isEqualTo(200);
        Map<String, HttpResponse<String>> now = ask(api, views);
        Map<String, HttpResponse<String>> team = ask(manager, views);
        assertThat(
                api.put("/api/v1/notes/rep/K1/2020-01", "{\"text\": \"n" + file + "\"}").status())
            .isBetween(200, 204);
        Map<String, HttpResponse<String>> afresh = ask(api, views);
        Map<String, HttpResponse<String>> teamAfresh = ask(manager, views);
        for (String view : views) {
          String at = file + ", " + mode + " " + month + ": " + view;
          assertThat(now.get(view).statusCode()).as(at).isEqualTo(200);
          assertThat(now.get(view).body()).as(at).isEqualTo(afresh.get(view).body());
          assertThat(team.get(view).body()).as(at).isEqualTo(teamAfresh.get(view).body());
          if (tag(now.get(view)).equals(tag(before.get(view)))) {
            kept++;
            assertThat(now.get(view).body()).as(at).isEqualTo(before.get(view).body());
          }
        }
      }
      assertThat(kept).as("answers that files of other months left").isGreaterThan(150);
    }
  }
}
