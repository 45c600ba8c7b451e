package zealoustarget.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.access.authorization.RouteRules;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Walks every route of the description with every role, and reads what comes back. */
class SightTest {
  private static final String DEMO = "saltmarsh-demo";
  private static final Map<Role, Api> BY_ROLE = new EnumMap<>(Role.class);

  /** Keys and names of reps by what they are to the demo's manager and rep. */
  private static final Set<String> TEAM =
      Set.of("Mina Castellan", "Dario Venn", "Kaia Thorsby", "Tilda Voss");

  private static final Set<String> NEVER_IN_TEAM = new HashSet<>();
  private static final Set<String> NOT_DARIO = new HashSet<>();
  private static RunningServer server;
  private static JsonNode routes;

  @BeforeAll
  static void start(@TempDir Path data) {
    server =
        RunningServer.start(data, "zealous.seed-dir=../demo/files", RunningServer.OWN_ACCOUNTS);
    for (Role role : Role.values()) {
      BY_ROLE.put(role, server.api(role.word(), DEMO));
    }
    assertThat(server.stranger().get("/v3/api-docs").status()).isEqualTo(401);
    routes = BY_ROLE.get(Role.ANALYST).get("/v3/api-docs").json().get("paths");
    for (JsonNode row :
        BY_ROLE
            .get(Role.ANALYST)
            .get("/api/v1/standing?from=2026-08&to=2026-10")
            .json()
            .get("rows")) {
      String name = row.get("name").asString();
      String key = row.get("key").asString();
      if (!TEAM.contains(name)) {
        NEVER_IN_TEAM.addAll(List.of(name, key, mailbox(name)));
      }
      if (!name.equals("Dario Venn")) {
        NOT_DARIO.addAll(List.of(name, key, mailbox(name)));
      }
    }
    assertThat(NOT_DARIO).hasSizeGreaterThan(30);
    assertThat(NEVER_IN_TEAM).hasSizeGreaterThan(20);
  }

  /** As the demo's roster gives addresses. */
  private static String mailbox(String name) {
    return name.toLowerCase(Locale.ROOT).replace(' ', '.') + "@";
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  @Test
  void everyRoute_hasARule_andEveryRuleARoute() {
    Set<String> described = new TreeSet<>();
    routes
        .propertyStream()
        .filter(path -> path.getKey().startsWith("/api/"))
        .forEach(
            path ->
                path.getValue()
                    .propertyStream()
                    .forEach(
                        method ->
                            described.add(
                                method.getKey().toUpperCase(Locale.ROOT) + " " + path.getKey())));
    Set<String> ruled =
        RouteRules.all().stream()
            .map(rule -> rule.method() + " " + rule.pattern())
            .collect(Collectors.toCollection(TreeSet::new));
    assertThat(described).isEqualTo(ruled);
  }

  /** An address leads where its decoded parts lead; so it has to be closed there too. */
  @Test
  void routeWrittenOtherwise_isAsClosed() {
    Api stranger = server.stranger();
    Set<String> open = new TreeSet<>();
    for (RouteRules.Rule rule : RouteRules.all()) {
      String path = filled(rule.pattern(), "R16").replace("%20", "x");
      if (!rule.isOpen()) {
        for (String written : writings(path)) {
          int status = ask(stranger, rule.method(), written).statusCode();
          if (status < 400 || status >= 500) {
            open.add(status + " " + rule.method() + " " + written);
          }
        }
      }
    }
    assertThat(open).isEmpty();
    for (String written : writings("/actuator/prometheus")) {
      assertThat(ask(stranger, HttpMethod.GET, written).body()).as(written).doesNotContain("jvm_");
    }
  }

  private static List<String> writings(String path) {
    String[] parts = path.split("/", -1);
    List<String> written = new ArrayList<>(List.of(path, path + "/", path + ";a=b", "/" + path));
    for (int at = 1; at < parts.length; at++) {
      String[] other = parts.clone();
      other[at] = "%%%02x%s".formatted((int) parts[at].charAt(0), parts[at].substring(1));
      written.add(String.join("/", other));
      other[at] = parts[at] + ";x";
      written.add(String.join("/", other));
      other[at] = parts[at] + "%2F";
      written.add(String.join("/", other));
      other[at] = parts[at] + "/.";
      written.add(String.join("/", other));
      other[at] = "x/../" + parts[at];
      written.add(String.join("/", other));
    }
    return written;
  }

  /** A route with values in its path: of somebody whom neither rep nor manager may see. */
  private static String filled(String pattern, String rep) {
    return pattern
        .replace("{axis}", "rep")
        .replace("{key}", rep)
        .replace("{rep}", rep)
        .replace("{month}", "2026-10")
        .replace("{kind}", "roster")
        .replace("{name}", "a%20view")
        .replace("{goalSet}", "quota")
        .replace("{deal}", "D-1001")
        .replace("{remark}", "7")
        .replace("{line}", "reasons")
        .replace("{id}", "1");
  }

  private static HttpResponse<String> ask(Api api, HttpMethod method, String path) {
    HttpRequest.Builder request = api.request(path);
    boolean isReading = method.equals(HttpMethod.GET);
    String type =
        path.contains("receive") || path.endsWith("/draft/file") || path.equals("/api/v1/loads")
            ? "multipart/form-data; boundary=x"
            : "application/json";
    return api.raw(
        (isReading
                ? request.GET()
                : request
                    .header("Content-Type", type)
                    .method(method.name(), BodyPublishers.ofString("{}")))
            .build());
  }

  private static String code(HttpResponse<String> answer) {
    if (!answer.headers().firstValue("Content-Type").orElse("").contains("problem")) {
      return "";
    }
    return new JsonMapper().readTree(answer.body()).path("code").asString();
  }

  @Test
  void everyRoute_letsInWhomItsRuleNames_andNobodyElse() {
    for (RouteRules.Rule rule : RouteRules.all()) {
      if (rule.pattern().endsWith("/session") || rule.pattern().contains("/session/")) {
        continue; // AccountsTest
      }
      String path = filled(rule.pattern(), "R01");
      assertThat(ask(server.stranger(), rule.method(), path).statusCode())
          .as("nobody, %s %s", rule.method(), path)
          .isIn(rule.isOpen() ? List.of(200) : List.of(401, 403));
      for (Role role : List.of(Role.REP, Role.MANAGER, Role.APPROVER)) {
        boolean isAllowed = rule.allows(role) && !rule.isAdministration();
        if (isAllowed && !rule.method().equals(HttpMethod.GET)) {
          continue; // changes by those who may are tested where they belong
        }
        HttpResponse<String> answer = ask(BY_ROLE.get(role), rule.method(), path);
        assertThat(code(answer).equals("not-allowed"))
            .as("%s, %s %s: %s", role, rule.method(), path, answer.statusCode())
            .isEqualTo(!isAllowed);
      }
    }
  }

  /** Ways to ask for more than the own rows, on the routes that show rows. */
  private static List<String> views(String other) {
    List<String> paths = new ArrayList<>();
    for (String month : List.of("2026-08", "2026-09", "2026-10")) {
      String span = "from=" + month + "&to=" + month;
      for (String axis : List.of("rep", "region", "product", "line", "manager", "company")) {
        paths.add("/api/v1/standing?axis=" + axis + "&" + span);
        paths.add("/api/v1/standing?axis=" + axis + "&basis=prior-year&" + span);
        paths.add("/api/v1/standing/sheet?axis=" + axis + "&" + span);
        paths.add("/api/v1/standing/claims?axis=" + axis + "&" + span);
        paths.add("/api/v1/standing/export.csv?axis=" + axis + "&" + span);
        paths.add("/api/v1/standing/" + axis + "/*/proof?size=500&" + span);
        paths.add("/api/v1/standing/" + axis + "/*/orders?size=500&" + span);
        paths.add("/api/v1/standing/" + axis + "/*/close-up?" + span);
        paths.add("/api/v1/standing/" + axis + "/*/path?atOrAbove=1&" + span);
      }
      paths.add("/api/v1/standing?rep=" + other + "&" + span);
      paths.add("/api/v1/standing?axis=rep&goalSet=quota&group=manager&beside=prior-year&" + span);
      paths.add("/api/v1/standing?without=14&" + span);
      for (String part : List.of("proof", "close-up", "path", "orders")) {
        paths.add("/api/v1/standing/rep/" + other + "/" + part + "?" + span);
      }
      paths.add("/api/v1/earnings?month=" + month);
      paths.add("/api/v1/earnings/desk?month=" + month);
      paths.add("/api/v1/earnings/one-more-order?month=" + month);
      paths.add("/api/v1/earnings/reps/" + other + "?month=" + month);
      paths.add("/api/v1/earnings/reps/" + other + "/what-if?sales=1&month=" + month);
      paths.add("/api/v1/earnings/reps/" + other + "/statement.pdf?month=" + month);
      paths.add("/api/v1/months?year=2027&" + span);
    }
    paths.addAll(
        List.of(
            "/api/v1/members?text=",
            "/api/v1/members?text=r",
            "/api/v1/members?text=" + other,
            "/api/v1/company",
            "/api/v1/views",
            "/api/v1/reasons"));
    return paths;
  }

  /** Whether an answer tells of somebody; a refusal may repeat the key that was asked for. */
  private static boolean tellsOf(HttpResponse<String> answer, String unseen, String asked) {
    if (unseen.equals(asked) && answer.statusCode() != 200) {
      return false;
    }
    return unseen.contains(" ")
        ? answer.body().contains(unseen)
        : Arrays.asList(answer.body().split("[^\\p{L}\\p{N}]+", -1)).contains(unseen);
  }

  private static List<String> leaks(Set<String> others, Role role, String asked) {
    List<String> leaks = new ArrayList<>();
    for (String path : views(asked)) {
      HttpResponse<String> answer = ask(BY_ROLE.get(role), HttpMethod.GET, path);
      assertThat(answer.statusCode()).as(path).isIn(200, 400, 404);
      others.stream()
          .filter(other -> tellsOf(answer, other, asked))
          .findFirst()
          .ifPresent(other -> leaks.add(path + " tells of " + other));
    }
    return leaks;
  }

  @Test
  void rep_findsNobodyElse_byAnyWay() {
    assertThat(leaks(NOT_DARIO, Role.REP, "R15")).isEmpty();
  }

  @Test
  void manager_findsNobodyOfAnotherTeam_byAnyWay() {
    assertThat(leaks(NEVER_IN_TEAM, Role.MANAGER, "R01")).isEmpty();
  }

  @Test
  void analyst_findsThemThere_soTheWalkWouldSeeThem() {
    assertThat(leaks(NOT_DARIO, Role.ANALYST, "R15")).hasSizeGreaterThan(60);
  }

  private static Set<String> names(Api api, String path) {
    JsonNode answer = api.get(path).json();
    return (answer.isArray() ? answer : answer.get("rows"))
        .valueStream()
        .map(row -> row.get("name").asString())
        .collect(Collectors.toSet());
  }

  @Test
  void move_changesWhatAManagerSees_fromItsMonthOn() {
    Api manager = BY_ROLE.get(Role.MANAGER);
    for (String month : List.of("2026-08", "2026-09", "2026-10")) {
      boolean hasMoved = month.equals("2026-10");
      String span = "?from=" + month + "&to=" + month;
      assertThat(names(manager, "/api/v1/standing" + span).contains("Tilda Voss"))
          .isEqualTo(hasMoved);
      assertThat(names(manager, "/api/v1/earnings?month=" + month).contains("Tilda Voss"))
          .isEqualTo(hasMoved);
      assertThat(manager.get("/api/v1/earnings/reps/R17?month=" + month).status())
          .isEqualTo(hasMoved ? 200 : 404);
      assertThat(manager.put("/api/v1/notes/rep/R17/" + month, "{\"text\": \"new\"}").status())
          .isEqualTo(hasMoved ? 204 : 404);
    }
    assertThat(manager.put("/api/v1/notes/rep/R01/2026-10", "{\"text\": \"x\"}").code())
        .isEqualTo("member-unknown");
  }

  @Test
  void ownFigures_areThoseOfTheAnalyst() {
    String path = "/api/v1/standing?from=2026-10&to=2026-10&goalSet=quota";
    for (Role role : List.of(Role.REP, Role.MANAGER)) {
      for (JsonNode own : BY_ROLE.get(role).get(path).json().get("rows")) {
        JsonNode whole =
            BY_ROLE
                .get(Role.ANALYST)
                .get(path)
                .json()
                .get("rows")
                .valueStream()
                .filter(row -> row.get("key").equals(own.get("key")))
                .findFirst()
                .orElseThrow();
        for (String figure : List.of("actual", "goal", "variance", "attainment", "status")) {
          assertThat(own.get(figure)).as("%s %s", role, figure).isEqualTo(whole.get(figure));
        }
      }
    }
    for (String month : List.of("2026-09", "2026-10")) {
      JsonNode own = BY_ROLE.get(Role.REP).get("/api/v1/earnings?month=" + month).json();
      assertThat(own).hasSize(1);
      assertThat(BY_ROLE.get(Role.ANALYST).get("/api/v1/earnings?month=" + month).json())
          .contains(own.get(0));
    }
    JsonNode desk = BY_ROLE.get(Role.REP).get("/api/v1/earnings/desk?month=2026-09").json();
    assertThat(desk.get("headline").asString()).contains("to one rep");
    assertThat(desk.get("budget").isNull()).isTrue();
  }

  @Test
  void views_areOnesOwn_orTheOffices() {
    String saved = "{\"address\": \"/standing?rep=R01\"}";
    BY_ROLE.get(Role.ANALYST).put("/api/v1/views/office", saved);
    BY_ROLE.get(Role.REP).put("/api/v1/views/mine", "{\"address\": \"/standing\"}");
    assertThat(names(BY_ROLE.get(Role.APPROVER), "/api/v1/views")).containsExactly("office");
    assertThat(names(BY_ROLE.get(Role.REP), "/api/v1/views")).containsExactly("mine");
    assertThat(names(BY_ROLE.get(Role.MANAGER), "/api/v1/views")).isEmpty();
  }
}
