package zealoustarget.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/**
 * Whatever others sell, are promised, are told or save: what a rep and a manager are answered stays
 * equal in its bytes. {@code -Dattack=full} (bench/attack) asks everything, in short every eighth.
 */
class NonInterferenceTest {
  private static final int STEP = "full".equals(System.getProperty("attack")) ? 1 : 8;
  private static final List<String> MONTHS =
      List.of(
          "2026-07", "2026-08", "2026-09", "2026-10", "2026-07&to=2026-09", "2026-08&to=2026-10");
  private static final List<String> AXES =
      List.of("rep", "region", "product", "line", "manager", "company");
  private static final List<String> BASES =
      List.of("", "&goalSet=quota", "&goalSet=secret", "&goalSet=regions", "&basis=prior-period");
  private static final List<String> KEYS =
      List.of("K1", "K2", "K3", "K9", "North", "South", "M1", "*");

  @TempDir static Path data;
  private static RunningServer server;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data);
    Api api = server.api();
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Ines,North,M1,2026-07\nK2,Bo,North,M1,2026-07\n"
            + "K3,Ada,South,M2,2026-07\nK4,Li,South,M2,2026-07\nK4,Li,South,M1,2026-10\n",
        "kind",
        "roster");
    api.loadAndPost("products.csv", "product,name,line\nP1,Rope,R\nP2,Oar,O\n", "kind", "products");
    StringBuilder lines = new StringBuilder("date,order,rep,product,revenue,units\n");
    StringBuilder quota = new StringBuilder("month,rep,revenue\n");
    for (int month = 7; month <= 10; month++) {
      for (int rep = 1; rep <= 4; rep++) {
        for (int order = 0; order < 4; order++) {
          lines.append(
              "2026-%02d-%02d,o%d%d%d,K%d,P%d,%d.00,%d%n"
                  .formatted(
                      month,
                      order * 7 + 1,
                      month,
                      rep,
                      order,
                      rep,
                      1 + order % 2,
                      rep * 100 + order * 10 + month,
                      order + 1));
        }
        quota.append("2026-%02d,K%d,%d.00%n".formatted(month, rep, 500 + rep * 10));
      }
    }
    api.loadAndPost("lines.csv", lines.toString(), "kind", "actuals");
    goals(api, "quota.csv", quota.toString(), "quota", "rep");
    assertThat(
            api.put(
                    "/api/v1/playbook",
                    "{\"plans\": [{\"name\": \"Field\", \"measure\": \"revenue\", \"goalSet\":"
                        + " \"quota\", \"window\": \"quarter\", \"floor\": {\"percent\": \"0.5\"},"
                        + " \"paidFrom\": \"first unit\", \"method\": \"sliced\", \"steps\":"
                        + " [{\"from\": \"0\", \"rate\": \"0.05\"}], \"negativeDue\": \"recover\"}],"
                        + " \"assignments\": [{\"rep\": \"K1\", \"plan\": \"Field\"},"
                        + " {\"rep\": \"K3\", \"plan\": \"Field\"}, {\"rep\": \"K4\", \"plan\":"
                        + " \"Field\"}]}")
                .status())
        .isEqualTo(200);
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  private static void goals(Api api, String name, String content, String set, String axis) {
    api.loadAndPost(name, content, "kind", "goals", "goalSet", set, "axis", axis);
  }

  private static List<String> addresses() {
    List<String> all = new ArrayList<>();
    for (String month : MONTHS) {
      for (String base : BASES) {
        for (String measure : List.of("revenue", "units")) {
          String query = "from=" + month + base + "&measure=" + measure;
          for (String axis : AXES) {
            all.add("standing?" + query + "&axis=" + axis);
            all.add("standing/sheet?" + query + "&axis=" + axis);
            all.add("standing/claims?" + query + "&axis=" + axis);
            all.add("standing/export.csv?" + query + "&axis=" + axis);
          }
          for (String key : KEYS) {
            String axis =
                key.startsWith("K") || key.equals("*")
                    ? "rep"
                    : key.length() == 2 ? "manager" : "region";
            for (String part : List.of("proof", "close-up", "path", "orders", "corrections")) {
              all.add("standing/" + axis + "/" + key + "/" + part + "?" + query);
            }
          }
          all.add("standing/comparison?with=before&" + query);
          all.add("months?year=2026&" + query);
        }
      }
    }
    for (int load = 1; load < 14; load++) {
      all.add("standing?from=2026-09&without=" + load);
      all.add("standing/comparison?from=2026-09&with=load:" + load);
      all.add("loads/" + load);
    }
    for (String month : MONTHS.subList(0, 4)) {
      for (String part : List.of("", "/desk", "/totals", "/payroll.csv", "/one-more-order")) {
        all.add("earnings" + part + "?month=" + month);
      }
      for (String key : KEYS.subList(0, 4)) {
        all.add("earnings/reps/" + key + "?month=" + month);
        all.add("earnings/reps/" + key + "/what-if?sales=100&month=" + month);
      }
    }
    for (String text :
        List.of("company", "views", "reasons", "names", "audit", "record", "session")) {
      all.add(text);
    }
    for (String text : List.of("K", "Bo", "Ada", "Zed", "South", "a", "secret")) {
      all.add("members?text=" + text);
    }
    return all;
  }

  private static Map<String, String> answers(Map<String, Api> whom) {
    Map<String, String> answers = new LinkedHashMap<>();
    List<String> addresses = addresses();
    whom.forEach(
        (name, api) -> {
          for (int at = name.length() % STEP; at < addresses.size(); at += STEP) {
            String address = "/api/v1/" + addresses.get(at);
            var answer = api.raw(api.request(address).build());
            answers.put(name + " " + address, answer.statusCode() + " " + answer.body());
          }
        });
    return answers;
  }

  /** Of K3 and K4 before October, who are neither the rep nor with the manager then. */
  private static void changeOthers(Api api) {
    api.loadAndPost(
        "more.csv",
        "date,order,rep,product,revenue,units\n2026-07-03,x1,K3,P1,9999.00,9\n"
            + "2026-09-03,x2,K4,P2,-500.00,-9\n2026-10-05,x3,K3,P1,1234.00,1\n"
            + "2026-08-05,x4,K3,P2,77.00,1\n",
        "kind",
        "actuals");
    goals(
        api,
        "more goals.csv",
        "month,rep,revenue\n2026-09,K3,1.00\n2026-07,K4,9.00\n",
        "quota",
        "rep");
    goals(api, "secret.csv", "month,rep,revenue\n2026-09,K3,10.00\n", "secret", "rep");
    goals(api, "regions.csv", "month,region,revenue\n2026-09,South,10.00\n", "regions", "region");
    api.loadAndPost(
        "new rep.csv", "rep,name,region,manager,from\nK9,Zed,South,M2,2026-07\n", "kind", "roster");
    api.load("staged.csv", "month,rep,revenue\n2026-10,K3,1.00\n", "kind", "actuals");
    assertThat(api.put("/api/v1/notes/rep/K3/2026-09", "{\"text\": \"secret\"}").status())
        .isEqualTo(204);
    assertThat(api.put("/api/v1/views/secret", "{\"address\": \"/standing\"}").status())
        .isLessThan(300);
    server.as("rep", "K3").put("/api/v1/views/own", "{\"address\": \"/standing\"}");
  }

  @Test
  void othersData_changeNoByteOfWhatIsAnswered() {
    Map<String, Api> whom =
        Map.of("rep", server.as("rep", "K1"), "manager", server.as("manager", "M1"));
    Map<String, String> before = answers(whom);
    assertThat(before).hasSizeGreaterThan(STEP == 1 ? 4_000 : 500);
    assertThat(before.values().stream().filter(answer -> answer.startsWith("200")).count())
        .isGreaterThan(before.size() / 3L);
    changeOthers(server.api());
    Map<String, String> after = answers(whom);
    List<String> different =
        before.keySet().stream()
            .filter(address -> !before.get(address).equals(after.get(address)))
            .map(address -> address + "\n" + before.get(address) + "\n" + after.get(address))
            .toList();
    assertThat(different).isEmpty();
  }

  /** K4 came to M1 in October: the quarter's statement has lines of before. */
  @Test
  void newManager_seesNoLinesOfTheMonthsBeforeTheMove() {
    Api before = server.as("manager", "M2");
    Api now = server.as("manager", "M1");
    String statement = "/api/v1/earnings/reps/K4?month=2026-10";
    assertThat(before.get(statement).status()).isEqualTo(404);
    assertThat(now.get(statement).json().get("sales").toString())
        .contains("2026-10")
        .doesNotContain("2026-09")
        .doesNotContain("2026-08");
  }
}
