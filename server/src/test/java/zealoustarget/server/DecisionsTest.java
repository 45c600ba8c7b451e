package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.YearMonth;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Whoever decides something stands in the trail, with what it was before. */
class DecisionsTest {
  @TempDir static Path data;
  private static RunningServer server;
  private static Api api;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,from\nK1,Ines,North,2026-01\nK2,Bo,South,2026-01\n",
        "kind",
        "roster");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  private static List<String> trail(String text) {
    return api.get("/api/v1/audit?text=" + text.replace(" ", "%20"))
        .json()
        .valueStream()
        .map(
            entry ->
                "%s | %s | %s | %s | %s"
                    .formatted(
                        entry.get("by").asString(),
                        entry.get("kind").asString(),
                        entry.get("subject").asString(),
                        entry.get("before").asString(""),
                        entry.get("after").asString("")))
        .toList();
  }

  private static int staged(String name, String content) {
    return api.load(name, content, "kind", "actuals").json().get("id").asInt();
  }

  @Test
  void rewrittenCell_isInTheTrail_andBesideTheLineInTheProof() {
    int load = staged("cells.csv", "month,order,rep,revenue\n2026-03,c1,K1,3x0\n2026-03,c2,K1,7\n");
    String fixes = "/api/v1/loads/" + load + "/fixes";
    api.post(fixes, "{\"action\": \"rewrite\", \"lines\": [2], \"column\": 3, \"value\": \"300\"}");
    api.post(fixes, "{\"action\": \"leave\", \"lines\": [3]}");
    assertThat(trail("cells.csv"))
        .contains(
            "Ada | load changed | load %d, cells.csv, line 2 | line 2: 3x0 | revenue: 300 in line 2"
                .formatted(load),
            "Ada | load changed | load %d, cells.csv, line 3 |  | left out: line 3"
                .formatted(load));
    assertThat(api.post("/api/v1/loads/" + load + "/post").status()).isEqualTo(200);
    JsonNode rows = api.get("/api/v1/standing/rep/K1/proof?from=2026-03").json().get("rows");
    assertThat(rows.toString()).contains("\"revenue 3x0 \u2192 300, Ada, 20");
  }

  @Test
  void controlTotals_andHowAFileIsRead_areInTheTrail() {
    int load = staged("told.csv", "month,order,rep,revenue\n2026-03,t1,K1,7\n");
    String path = "/api/v1/loads/" + load;
    api.put(path + "/control", "{\"totals\": {\"revenue\": \"8\"}, \"trailer\": false}");
    api.put(path + "/control", "{\"totals\": {\"revenue\": \"9\"}, \"trailer\": false}");
    api.put(path + "/reading", "{\"columns\": {\"revenue\": {\"power\": 3}}}");
    api.post(path + "/post?because=rounded");
    assertThat(String.join("\n", trail("told.csv")))
        .contains("control total of revenue |  | 8")
        .contains("control total of revenue | 8 | 9")
        .contains("column \"revenue\" |  | times 10 to the power of 3")
        .contains("because: rounded");
  }

  @Test
  void acceptedName_isListed_neverWinsOverAKnownOne_andIsTakenBack() {
    int load = staged("names.csv", "month,order,rep,revenue\n2026-03,n1,Ynes,7\n");
    api.post(
        "/api/v1/loads/" + load + "/names",
        "[{\"axis\": \"rep\", \"text\": \"Ynes\", \"member\": \"K1\"},"
            + " {\"axis\": \"region\", \"text\": \"South\", \"member\": \"North\"}]");
    JsonNode names = api.get("/api/v1/names").json();
    assertThat(names).hasSize(2);
    assertThat(names.at("/1/text").asString()).isEqualTo("Ynes");
    assertThat(names.at("/1/acceptedBy").asString()).isEqualTo("Ada");
    assertThat(trail("Ynes")).contains("Ada | name | rep \"Ynes\" |  | K1");
    assertThat(api.get("/api/v1/loads/" + load).json().get("ready").asInt()).isEqualTo(1);

    int south =
        api.loadAndPost(
            "south.csv",
            "month,order,rep,region,revenue\n2026-03,s1,K2,South,5\n",
            "kind",
            "actuals");
    assertThat(api.get("/api/v1/standing?axis=region&from=2026-03").json().get("rows").toString())
        .as("South is known and stays South")
        .contains("\"South\"");
    api.post("/api/v1/loads/" + south + "/reverse");

    assertThat(api.delete("/api/v1/names?axis=rep&text=ynes").json()).hasSize(1);
    assertThat(api.delete("/api/v1/names?axis=rep&text=ynes").code()).isEqualTo("name-unknown");
    assertThat(trail("Ynes")).contains("Ada | name | rep \"Ynes\" | K1 | ");
    assertThat(
            api.load("more.csv", "month,order,rep,revenue\n2026-03,n2,Ynes,7\n", "kind", "actuals")
                .json()
                .get("held")
                .asInt())
        .isEqualTo(1);
  }

  @Test
  void notesAndDownloads_areInTheTrail() {
    api.put("/api/v1/notes/rep/K1/2026-03", "{\"text\": \"a fair\"}");
    api.put("/api/v1/notes/rep/K1/2026-03", "{\"text\": \"no fair\"}");
    api.put("/api/v1/notes/rep/K1/2026-03", "{\"text\": \"no fair\"}");
    assertThat(trail("rep K1, 2026-03"))
        .containsExactly(
            "Ada | note | rep K1, 2026-03 | a fair | no fair",
            "Ada | note | rep K1, 2026-03 |  | a fair");
    api.raw(api.request("/api/v1/earnings/payroll.csv?month=2026-03").GET().build());
    api.raw(api.request("/api/v1/standing/export.csv?from=2026-03").GET().build());
    assertThat(String.join("\n", trail("2026-03")))
        .contains("Ada | download | payroll file, month 2026-03")
        .contains("Ada | download | standing as CSV, from 2026-03");
  }

  @Test
  void signingIn_andFailingTo_areInTheTrail_butNoNameThatNobodyHas() {
    String body = "{\"name\": \"%s\", \"password\": \"%s\"}";
    api.post("/api/v1/session", body.formatted(Api.NAME, Api.PASSWORD));
    server.api(Api.NAME, "not it").get("/api/v1/standing");
    server.api(Api.NAME, "not it").get("/api/v1/standing");
    server.api("my password here", "x").get("/api/v1/standing");
    List<String> trail = trail("from 127.0.0.1");
    assertThat(trail.stream().filter(entry -> entry.endsWith("| signed in"))).hasSize(1);
    assertThat(
            trail.stream().filter(entry -> entry.contains("Ada from") && entry.endsWith("failed")))
        .as("noted once a minute")
        .hasSize(1);
    assertThat(String.join("\n", trail)).contains("an unknown name").doesNotContain("my password");
  }

  @Test
  void tokensEnd_withTheAccountsPassword_resetAndClosing() {
    Api analyst = server.as("analyst", null);
    Api second = server.as("analyst", null);
    String token = token(analyst);
    assertThat(server.bearer(token).get("/api/v1/loads").status()).isEqualTo(200);
    String change = "{\"now\": \"%s\", \"next\": \"another one for tests\"}";
    assertThat(analyst.put("/api/v1/session/password", change.formatted(Api.PASSWORD)).status())
        .isEqualTo(200);
    assertThat(server.bearer(token).get("/api/v1/loads").status()).isEqualTo(401);

    String other = token(second);
    JsonNode account = account(second);
    api.post("/api/v1/accounts/" + account.get("id").asInt() + "/password");
    assertThat(server.bearer(other).get("/api/v1/loads").status()).isEqualTo(401);
  }

  private static String token(Api of) {
    return of.post("/api/v1/tokens", "{\"name\": \"t\", \"scope\": \"load\"}").text("text");
  }

  private static JsonNode account(Api of) {
    return of.get("/api/v1/session").json().get("account");
  }

  @Test
  void nobodyChangesTheOwnRole() {
    JsonNode own = account(api);
    Api.Answer refused =
        api.put(
            "/api/v1/accounts/" + own.get("id").asInt(),
            "{\"role\": \"approver\", \"isAdministrator\": true, \"version\": %d}"
                .formatted(own.get("version").asInt()));
    assertThat(refused.code()).isEqualTo("own-role");
    assertThat(refused.status()).isEqualTo(409);
  }

  @Test
  void loadToken_neitherRewrites_acceptsNames_norMakesMembers() {
    Api token = server.bearer(token(server.as("analyst", null)));
    int load =
        token
            .load("token.csv", "month,order,rep,revenue\n2026-03,k1,Ynez,7\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    String path = "/api/v1/loads/" + load;
    for (String route : List.of("/fixes", "/names", "/members")) {
      assertThat(token.post(path + route, "{}").code()).as(route).isEqualTo("not-allowed");
    }
    assertThat(token.delete(path + "/fixes").code()).isEqualTo("not-allowed");
    Api wider =
        server.bearer(
            server
                .as("analyst", null)
                .post("/api/v1/tokens", "{\"name\": \"w\", \"scope\": \"settle\"}")
                .text("text"));
    assertThat(
            wider
                .post(
                    path + "/fixes",
                    "{\"action\": \"rewrite\", \"lines\": [2], \"column\": 2, \"value\": \"K1\"}")
                .status())
        .isEqualTo(200);
  }

  @Test
  void firstMonthToSeal_isNotAheadOfTodayAndOfWhatIsPosted() {
    Api.Answer ahead = api.post("/api/v1/months/9999-12/seal");
    assertThat(ahead.code()).isEqualTo("month-not-ready");
    assertThat(ahead.text("detail")).contains("or earlier");
    String next = YearMonth.now().plusMonths(2).toString();
    assertThat(api.post("/api/v1/months/" + next + "/seal").status()).isEqualTo(409);
    int load =
        api.loadAndPost(
            "ahead.csv", "month,order,rep,revenue\n" + next + ",a1,K1,7\n", "kind", "actuals");
    assertThat(api.get("/api/v1/months/" + next + "/seal").json().get("checks").toString())
        .doesNotContain("\"ahead\"");
    api.post("/api/v1/loads/" + load + "/reverse");
  }

  private static void await(BooleanSupplier isSo) throws InterruptedException {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
    while (!isSo.getAsBoolean()) {
      assertThat(System.nanoTime()).as("it takes too long").isLessThan(end);
      TimeUnit.MILLISECONDS.sleep(50);
    }
  }

  @Test
  void decisionThatTheCheckRefuses_isNotKept() throws InterruptedException {
    String lines = "2026-10,K1,x\n".repeat(9_300); // of the largest amount each: too much in all
    int id =
        api.load("big.csv", "month,rep,revenue\n" + lines, "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    String load = "/api/v1/loads/" + id;
    String rewrite = "{\"action\": \"rewrite\", \"column\": 2, \"from\": \"x\", \"value\": \"%s\"}";
    Api.Answer refused = api.post(load + "/fixes", rewrite.formatted("9999999999999.99"));
    assertThat(refused.status() == 200 || refused.code().equals("sum-too-large"))
        .as("%s", refused)
        .isTrue(); // 200 where it takes longer than an answer waits
    await(() -> api.get(load).json().get("progress").isNull());
    assertThat(api.get(load).json().get("held").asInt()).isEqualTo(9_300);
    assertThat(api.get("/api/v1/audit?text=9999999999999").json()).isEmpty();
    api.post(load + "/fixes", rewrite.formatted("1.00"));
    await(() -> api.get(load).json().get("ready").asInt() == 9_300);
    api.delete(load);
  }

  @Test
  void rolesAndReopening_takeTwo_whereThatIsSetAndThereAreTwo(@TempDir Path other) {
    try (RunningServer strict = RunningServer.start(other, "zealous.accounts.two-persons=true")) {
      Api ada = strict.api();
      assertThat(ada.post("/api/v1/months/2026-01/seal").status()).isEqualTo(200);
      Api bo = strict.as("approver", null);
      String open = "/api/v1/months/2026-01/unseal?reason=a%20late%20file";
      assertThat(bo.post(open).status()).as("the only one").isEqualTo(200);
      assertThat(ada.post("/api/v1/months/2026-01/seal").status()).isEqualTo(200);
      Api cy = strict.as("approver", null);
      assertThat(bo.post(open).code()).isEqualTo("another-person");
      assertThat(bo.post(open).code()).as("twice the same").isEqualTo("another-person");
      assertThat(cy.post(open).status()).isEqualTo(200);
      assertThat(ada.get("/api/v1/audit?text=late").json().at("/0/after").asString())
          .contains("first asked for by approver");

      JsonNode account = account(cy);
      String address = "/api/v1/accounts/" + account.get("id").asInt();
      String rights = "{\"role\": \"%s\", \"isAdministrator\": true, \"version\": %d}";
      int version = account.get("version").asInt();
      assertThat(ada.put(address, rights.formatted("approver", version)).status())
          .as("the only administrator")
          .isEqualTo(200);
      JsonNode bos = account(bo);
      String change = rights.formatted("analyst", bos.get("version").asInt());
      String ofBo = "/api/v1/accounts/" + bos.get("id").asInt();
      assertThat(ada.put(ofBo, change).code()).isEqualTo("another-person");
      assertThat(account(bo).get("role").asString()).isEqualTo("approver");
      assertThat(cy.put(ofBo, change).status()).isEqualTo(200);
      assertThat(account(bo).get("role").asString()).isEqualTo("analyst");
    }
  }
}
