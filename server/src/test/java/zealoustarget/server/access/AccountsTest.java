package zealoustarget.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

class AccountsTest {
  private static RunningServer server;

  @BeforeAll
  static void start(@TempDir Path data) {
    server = RunningServer.start(data);
    server
        .api()
        .loadAndPost(
            "roster.csv",
            "rep,name,manager,from\nK1,Ines,M1,2026-01\nK2,Bo,M2,2026-01\n",
            "kind",
            "roster");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  /** A browser's side of a session: cookies, and the token that changes carry. */
  private static final class Page {
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();
    private HttpResponse<String> last;

    private HttpRequest.Builder request(String path) {
      return HttpRequest.newBuilder(URI.create("http://localhost:" + server.port() + path))
          .header("Sec-Fetch-Mode", "cors");
    }

    JsonNode send(HttpRequest.Builder request) throws Exception {
      last = client.send(request.build(), BodyHandlers.ofString());
      return new JsonMapper().readTree(last.body().isBlank() ? "null" : last.body());
    }

    JsonNode get(String path) throws Exception {
      return send(request(path));
    }

    JsonNode change(String method, String path, String json) throws Exception {
      HttpRequest.Builder request =
          request(path)
              .header("Content-Type", "application/json")
              .method(method, BodyPublishers.ofString(json));
      String token = cookie("XSRF-TOKEN");
      return send(token == null ? request : request.header("X-XSRF-TOKEN", token));
    }

    String cookie(String name) {
      return cookies.getCookieStore().getCookies().stream()
          .filter(cookie -> cookie.getName().equals(name))
          .map(HttpCookie::getValue)
          .findFirst()
          .orElse(null);
    }

    int status() {
      return last.statusCode();
    }

    Page signedIn(String name, String password) throws Exception {
      get("/api/v1/session");
      change("POST", "/api/v1/session", credentials(name, password));
      assertThat(status()).isEqualTo(200);
      return this;
    }
  }

  private static String credentials(String name, String password) {
    return "{\"name\": \"%s\", \"password\": \"%s\"}".formatted(name, password);
  }

  @Test
  void nobody_seesOnlyWhetherItIsUp_andWhereToSignIn() {
    Api stranger = server.stranger();
    assertThat(stranger.get("/api/v1/health").status()).isEqualTo(200);
    assertThat(stranger.get("/api/v1/session").json().get("account").isNull()).isTrue();
    Api.Answer asked = stranger.get("/api/v1/standing");
    assertThat(asked.status()).isEqualTo(401);
    assertThat(asked.code()).isEqualTo("sign-in-needed");
    assertThat(stranger.get("/actuator/prometheus").status()).isEqualTo(401);
    assertThat(stranger.get("/actuator/health/readiness").status()).isEqualTo(200);
    assertThat(stranger.post("/api/v1/accounts", "{}").status()).isIn(401, 403);
    HttpResponse<String> raw = stranger.raw(stranger.request("/api/v1/loads").build());
    assertThat(raw.headers().firstValue("WWW-Authenticate").orElse("")).startsWith("Basic");
  }

  @Test
  void wrongPassword_andUnknownName_areAnsweredAlike() {
    Api.Answer wrong = server.api("Ada", "not this one").get("/api/v1/loads");
    Api.Answer unknown = server.api("Nobody", "not this one").get("/api/v1/loads");
    assertThat(wrong.status()).isEqualTo(401);
    assertThat(wrong.json()).isEqualTo(unknown.json());
    assertThat(server.bearer("zt_nothing").get("/api/v1/loads").code()).isEqualTo("sign-in-failed");
  }

  @Test
  void page_signsIn_changesWithItsTokenOnly_andSignsOut() throws Exception {
    Page page = new Page();
    page.get("/api/v1/session");
    String before = page.cookie("zealous");
    JsonNode in = page.change("POST", "/api/v1/session", credentials("ada", Api.PASSWORD));
    assertThat(in.at("/account/role").asString()).isEqualTo("analyst");
    assertThat(page.cookie("zealous")).isNotNull().isNotEqualTo(before);
    String set =
        String.join(";", page.last.headers().allValues("Set-Cookie")).toLowerCase(Locale.ROOT);
    assertThat(set).contains("httponly").contains("samesite=lax");
    assertThat(page.get("/api/v1/loads").isArray()).isTrue();

    HttpRequest.Builder withoutToken =
        page.request("/api/v1/reasons")
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString("[]"));
    assertThat(page.send(withoutToken).get("code").asString()).isEqualTo("cross-site");
    page.change("PUT", "/api/v1/views/mine", "{\"address\": \"/standing\"}");
    assertThat(page.status()).isEqualTo(200);

    page.change("DELETE", "/api/v1/session", "");
    assertThat(page.status()).isEqualTo(204);
    assertThat(page.get("/api/v1/loads").get("code").asString()).isEqualTo("sign-in-needed");
    assertThat(page.last.headers().firstValue("WWW-Authenticate").orElse(""))
        .as("no window of the browser's own")
        .startsWith("Page");
  }

  @Test
  void givenPassword_hasToBeChanged_andEndsOtherSessions() throws Exception {
    JsonNode made =
        server
            .api()
            .post("/api/v1/accounts", "{\"name\": \"Cato\", \"role\": \"approver\"}")
            .json();
    String given = made.get("password").asString();
    assertThat(server.api("Cato", given).get("/api/v1/standing").code())
        .isEqualTo("password-to-change");
    Page first = new Page().signedIn("Cato", given);
    Page other = new Page().signedIn("Cato", given);
    String weak = "{\"now\": \"%s\", \"next\": \"short\"}".formatted(given);
    assertThat(first.change("PUT", "/api/v1/session/password", weak).get("code").asString())
        .isEqualTo("password-weak");
    String own = "{\"now\": \"%s\", \"next\": \"a long one of my own\"}".formatted(given);
    first.change("PUT", "/api/v1/session/password", own);
    assertThat(first.status()).isEqualTo(200);
    assertThat(first.get("/api/v1/loads").isArray()).isTrue();
    assertThat(other.get("/api/v1/loads").get("code").asString()).isEqualTo("sign-in-needed");
    assertThat(server.api("Cato", given).get("/api/v1/loads").status()).isEqualTo(401);
  }

  @Test
  void account_thatIsClosed_isOutAtOnce_andTheLastAdministratorStays() throws Exception {
    Api manager = server.as("manager", "M1");
    assertThat(manager.get("/api/v1/standing").status()).isEqualTo(200);
    Api admin = server.api();
    JsonNode account =
        admin
            .get("/api/v1/accounts")
            .json()
            .valueStream()
            .filter(one -> one.get("role").asString().equals("manager"))
            .findFirst()
            .orElseThrow();
    String closed =
        "{\"role\": \"manager\", \"member\": \"M1\", \"isDisabled\": true, \"version\": %d}"
            .formatted(account.get("version").asInt());
    String address = "/api/v1/accounts/" + account.get("id").asInt();
    assertThat(admin.put(address, closed).status()).isEqualTo(200);
    assertThat(manager.get("/api/v1/standing").status()).isEqualTo(401);
    Api.Answer again = admin.put(address, closed);
    assertThat(again.code())
        .as("somebody else's change is not lost")
        .isEqualTo("changed-meanwhile");
    assertThat(again.text("detail")).contains("manager M1, closed");

    JsonNode own = find(admin, "Ada");
    String stepDown =
        "{\"role\": \"analyst\", \"version\": %d}".formatted(own.get("version").asInt());
    assertThat(admin.put("/api/v1/accounts/" + own.get("id").asInt(), stepDown).code())
        .isEqualTo("own-role");
  }

  @Test
  void administratorOfTheOwnRows_getsNoCopyOfAll() {
    Api rep = server.as("rep", "K2");
    assertThat(rep.get("/api/v1/session").json().at("/account/memberName").asString())
        .isEqualTo("Bo");
    Api admin = server.api();
    administers(admin, "K2", true);
    assertThat(rep.get("/api/v1/accounts").status()).isEqualTo(200);
    for (String path : new String[] {"backups", "backups/x.zip", "company/export"}) {
      assertThat(rep.get("/api/v1/" + path).code()).as(path).isEqualTo("not-allowed");
    }
    assertThat(rep.post("/api/v1/backups").code()).isEqualTo("not-allowed");
    administers(admin, "K2", false);
    assertThat(rep.get("/api/v1/accounts").code()).isEqualTo("not-allowed");
  }

  private static void administers(Api admin, String rep, boolean isAdministrator) {
    JsonNode account =
        admin
            .get("/api/v1/accounts")
            .json()
            .valueStream()
            .filter(one -> one.get("member").asString("").equals(rep))
            .findFirst()
            .orElseThrow();
    String rights =
        "{\"role\": \"rep\", \"member\": \"%s\", \"isAdministrator\": %b, \"version\": %d}"
            .formatted(rep, isAdministrator, account.get("version").asInt());
    assertThat(admin.put("/api/v1/accounts/" + account.get("id").asInt(), rights).status())
        .isEqualTo(200);
  }

  private static JsonNode find(Api api, String name) {
    return api.get("/api/v1/accounts")
        .json()
        .valueStream()
        .filter(one -> one.get("name").asString().equals(name))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void account_thatCannotBe_isRefusedInWords() {
    Api admin = server.api();
    String[][] cases = {
      {"{\"name\": \"\", \"role\": \"analyst\"}", "account-invalid"},
      {"{\"name\": \"<b>\", \"role\": \"analyst\"}", "account-invalid"},
      {"{\"name\": \"Dana\", \"role\": \"king\"}", "account-invalid"},
      {"{\"name\": \"Dana\", \"role\": \"rep\"}", "account-invalid"},
      {"{\"name\": \"Dana\", \"role\": \"rep\", \"member\": \"K9\"}", "account-invalid"},
      {"{\"name\": \" ada \", \"role\": \"analyst\"}", "account-exists"},
    };
    for (String[] one : cases) {
      assertThat(admin.post("/api/v1/accounts", one[0]).code()).as(one[0]).isEqualTo(one[1]);
    }
    assertThat(server.as("approver", null).get("/api/v1/accounts").code()).isEqualTo("not-allowed");
  }

  @Test
  void preferences_areEachPersonsOwn_checkedWholly() {
    Api own = server.api();
    String route = "/api/v1/session/preferences";
    assertThat(own.get(route).json().get("keysOn").asBoolean()).isTrue();
    JsonNode kept =
        own.put(
                route,
                "{\"mail\": \" ada@saltmarsh.example \", \"keysOn\": false,"
                    + " \"keys\": {\"find\": \"ö\"}}")
            .json();
    assertThat(kept).isEqualTo(own.get(route).json());
    assertThat(kept.get("mail").asString()).isEqualTo("ada@saltmarsh.example");
    assertThat(kept.get("keysOn").asBoolean()).isFalse();
    assertThat(kept.at("/keys/find").asString()).isEqualTo("ö");
    assertThat(server.as("approver", null).get(route).json().get("mail").isNull()).isTrue();
    for (String refused :
        new String[] {
          "{\"mail\": \"ada\"}",
          "{\"mail\": \"a@b.example, c@d.example\"}",
          "{\"keys\": {\"find\": \"ab\"}}",
          "{\"keys\": {\"find\": \" \"}}",
          "{\"keys\": {\"find\": \"x\", \"help\": \"x\"}}",
        }) {
      assertThat(own.put(route, refused).code()).as(refused).isEqualTo("account-invalid");
    }
    assertThat(own.get(route).json()).as("nothing of what was refused").isEqualTo(kept);
    assertThat(own.get("/api/v1/audit").json().toString()).contains("mail address of Ada");
    own.put(route, "{}");
    assertThat(own.get(route).json().get("mail").isNull()).isTrue();
    assertThat(own.get(route).json().get("keys").isEmpty()).isTrue();
  }

  @Test
  void token_readsOrLoads_untilItIsRevoked() {
    Api admin = server.api();
    JsonNode read =
        admin.post("/api/v1/tokens", "{\"name\": \"reports\", \"scope\": \"read\"}").json();
    JsonNode load =
        admin.post("/api/v1/tokens", "{\"name\": \"nightly\", \"scope\": \"load\"}").json();
    Api reader = server.bearer(read.get("text").asString());
    Api loader = server.bearer(load.get("text").asString());
    assertThat(reader.get("/api/v1/standing").status()).isEqualTo(200);
    String products = "product,name,line\nP1,Rope,Ropes\n";
    assertThat(reader.load("p.csv", products, "kind", "products").code()).isEqualTo("not-allowed");
    assertThat(loader.load("p.csv", products, "kind", "products").status()).isEqualTo(201);
    assertThat(loader.put("/api/v1/playbook", "{}").code()).isEqualTo("not-allowed");
    assertThat(loader.get("/api/v1/accounts").code()).isEqualTo("not-allowed");
    assertThat(loader.put("/api/v1/session/password", "{}").code()).isEqualTo("not-allowed");
    assertThat(admin.get("/api/v1/tokens").json().toString())
        .doesNotContain(read.get("text").asString());
    admin.delete("/api/v1/tokens/" + read.at("/token/id").asInt());
    assertThat(reader.get("/api/v1/standing").status()).isEqualTo(401);
    assertThat(
            server
                .as("approver", null)
                .delete("/api/v1/tokens/" + load.at("/token/id").asInt())
                .code())
        .as("somebody else's")
        .isEqualTo("token-unknown");
  }

  @Test
  void secrets_standNowhereAsTheyAre(@TempDir Path data) throws Exception {
    try (RunningServer own = RunningServer.start(data)) {
      JsonNode token =
          own.api().post("/api/v1/tokens", "{\"name\": \"t\", \"scope\": \"read\"}").json();
      own.api("Ada", "a wrong one to log").get("/api/v1/loads");
      String trail = own.api().get("/api/v1/audit").json().toString();
      assertThat(trail).contains("token").doesNotContain(token.get("text").asString());
      String log = Files.readString(data.resolve("log/zealous.log"));
      String stored = new String(Files.readAllBytes(data.resolve("zealous.mv.db")), "ISO-8859-1");
      for (String secret :
          new String[] {Api.PASSWORD, "a wrong one to log", token.get("text").asString()}) {
        assertThat(log).doesNotContain(secret);
        assertThat(stored).doesNotContain(secret);
      }
      assertThat(trail).doesNotContain(Api.PASSWORD);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"server.address=0.0.0.0", "zealous.hosts=localhost,target.example.com"})
  void demo_doesNotListenToOtherMachines(String setting, @TempDir Path data) {
    assertThatThrownBy(
            () -> RunningServer.start(data, "zealous.seed-dir=../demo/files", setting).close())
        .hasStackTraceContaining("is there for this machine only");
  }

  @Test
  void headers_areStrict() {
    HttpResponse<String> answer =
        server.stranger().raw(server.stranger().request("/api/v1/health").build());
    assertThat(answer.headers().firstValue("Content-Security-Policy").orElse(""))
        .contains("default-src 'none'")
        .contains("script-src 'self';")
        .doesNotContain("unsafe");
    assertThat(answer.headers().firstValue("X-Content-Type-Options").orElse(""))
        .isEqualTo("nosniff");
    assertThat(answer.headers().firstValue("X-Frame-Options").orElse("")).isEqualTo("DENY");
    assertThat(answer.headers().firstValue("Referrer-Policy").orElse("")).isEqualTo("same-origin");
    assertThat(answer.headers().firstValue("X-Request-Id").orElse("")).hasSize(13);
  }
}
