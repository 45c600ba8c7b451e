package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.FormulaEvaluator;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Everything that the desk asks for, over HTTP, on a company small enough to reckon by hand. */
class StandingDeskTest {
  private static final String OCTOBER = "from=2026-10&to=2026-10&asOf=none";

  @TempDir static Path data;
  private static RunningServer server;
  private static Api api;
  private static int late;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data);
    api = server.api();
    put(
        """
        {"calendar": {"startMonth": 7, "holidays": ["2026-11-11"]},
         "measures": [
           {"code": "returns", "unit": "EUR", "scale": 2, "direction": "LOWER"},
           {"code": "returnRate", "quotient": ["returns", "revenue"], "direction": "LOWER"}]}
        """);
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Ines,North,Tull,2025-01\nK2,Jorun,North,Oster,2025-01\n"
            + "K3,=SUM(A1),South,Oster,2025-01\nK4,Mads,South,Oster,2025-01\n",
        "kind",
        "roster");
    api.loadAndPost(
        "products.csv", "product,name,line\nP1,Cleat,deck\nP2,Rope,rigging\n", "kind", "products");
    api.loadAndPost(
        "orders.csv",
        "date,rep,product,revenue,returns\n"
            + "2025-10-05,K1,P1,40.00,0\n2025-10-06,K1,P2,60.00,0\n2025-10-07,K2,P1,80.00,0\n"
            + "2026-09-01,K1,P1,90.00,1.00\n2026-09-01,K2,P1,100.00,0\n"
            + "2026-10-01,K1,P1,30.00,1.00\n2026-10-02,K1,P2,50.00,0\n"
            + "2026-10-03,K2,P1,120.00,3.60\n2026-10-04,K3,P1,99.96,0\n2026-10-05,K4,P2,7.00,0\n"
            + "2026-10-06,,P1,5.00,0\n"
            + "2026-11-02,K1,P1,20.00,0\n2026-11-12,K2,P2,30.00,0\n",
        "kind",
        "actuals");
    goals(
        "quota",
        "rep",
        "month,rep,revenue\n2026-09,K1,100\n2026-09,K2,100\n2026-10,K1,100\n"
            + "2026-10,K2,100\n2026-10,K3,100\n2026-11,K1,100\n2026-12,K1,150\n");
    goals(
        "forecast",
        "rep",
        "month,rep,revenue.low,revenue.high\n2026-10,K1,90,110\n"
            + "2026-10,K2,90,110\n2026-10,K3,90,110\n");
    goals("plan", "region", "month,region,revenue\n2026-10,North,180\n2026-10,South,120\n");
    goals("limits", "product", "month,product,returnRate\n2026-10,P1,1.5%\n2026-10,P2,0.01\n");
    goals("order size", "rep", "month,rep,revenue\n2026-10,K1,40\n2026-10,K2,200\n");
    late =
        api.loadAndPost(
            "late.csv", "date,rep,product,revenue\n2026-10-30,K4,P1,3.00\n", "kind", "actuals");
  }

  private static void goals(String set, String axis, String csv) {
    api.loadAndPost(set + ".csv", csv, "kind", "goals", "goalSet", set, "axis", axis);
  }

  private static void put(String rules) {
    assertThat(api.put("/api/v1/playbook", rules).status()).isEqualTo(200);
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  @Test
  void ranges_haveEndsAndAPosition_andNoGoal() {
    JsonNode standing = standing("goalSet=forecast&" + OCTOBER);
    JsonNode low = row(standing, "K1");
    assertThat(low.get("goal").isNull()).isTrue();
    assertThat(text(low, "goalLow")).isEqualTo("90.00");
    assertThat(text(low, "goalHigh")).isEqualTo("110.00");
    assertThat(text(low, "position")).isEqualTo("below");
    assertThat(text(low, "status")).isEqualTo("below");
    assertThat(text(low, "variance")).isEqualTo("-10.00");
    assertThat(text(row(standing, "K3"), "position")).isEqualTo("inside");
    assertThat(text(row(standing, "K2"), "excess")).isEqualTo("10.00");
    assertThat(headline(standing)).contains("Two of three reps are outside their range.");
    assertThat(standing.get("isRange").asBoolean()).isTrue();
  }

  @Test
  void rates_areQuotientsOfSums_withTheirOwnFigures() {
    JsonNode standing = standing("axis=product&measure=returnRate&goalSet=limits&" + OCTOBER);
    JsonNode cleat = row(standing, "P1");
    // 4.60 of 257.96
    assertThat(new BigDecimal(text(cleat, "actual")).doubleValue())
        .isCloseTo(0.017832, within(0.0000005));
    assertThat(text(cleat, "goal")).isEqualTo("0.015");
    assertThat(text(cleat.get("rate"), "actual")).isEqualTo("1.8");
    assertThat(text(cleat, "status")).isEqualTo("over");
    assertThat(standing.get("unit").asString()).isEqualTo("rate");
    JsonNode proof =
        api.get("/api/v1/standing/product/P1/proof?measure=returnRate&goalSet=limits&" + OCTOBER)
            .json();
    assertThat(proof.at("/formulas/0/formula").asString()).isEqualTo("4.60 ÷ 257.96");
    assertThat(proof.get("rows").size()).isEqualTo(4);
  }

  @Test
  void groups_haveSubtotals_andAGoalSetOfTheirOwnAxis() {
    JsonNode byRegion = standing("goalSet=quota&group=region&" + OCTOBER);
    assertThat(texts(byRegion.get("groups"), "key")).containsExactly("North", "South", "");
    assertThat(text(byRegion.at("/groups/0"), "actual")).isEqualTo("200.00");
    assertThat(text(byRegion.at("/groups/0"), "goal")).isEqualTo("200.00");
    assertThat(texts(byRegion.get("rows"), "group"))
        .containsExactly("North", "North", "South", "South");
    JsonNode withPlan = standing("goalSet=plan&group=region&" + OCTOBER);
    assertThat(text(withPlan.at("/groups/0"), "goal")).isEqualTo("180.00");
    assertThat(withPlan.at("/rows/0/goal").isNull()).isTrue();
    assertThat(text(withPlan.get("total"), "goal")).isEqualTo("300.00");
    assertThat(headline(withPlan)).contains("Only South is short");
  }

  @Test
  void secondBasis_standsBesideTheFirst_forRowsAndTotal() {
    JsonNode standing = standing("goalSet=quota&beside=prior-year&" + OCTOBER);
    assertThat(text(standing, "beside")).isEqualTo("last year");
    assertThat(text(row(standing, "K1").get("beside"), "variance")).isEqualTo("-20.00");
    assertThat(text(row(standing, "K1"), "variance")).isEqualTo("-20.00");
    assertThat(row(standing, "K3").at("/beside/variance").isNull()).isTrue();
    assertThat(text(standing.at("/total/beside"), "goal")).isEqualTo("180.00");
    JsonNode other = standing("beside=set:quota&basis=prior-year&text=ines&" + OCTOBER);
    assertThat(text(other.at("/total/beside"), "goal")).isEqualTo("100.00");
  }

  @ParameterizedTest
  @CsvSource({
    "text=jor, K2",
    "text=south, K3 K4",
    "only=K1&only=K3, K1 K3",
    "status=behind, K1",
    "status=no goal, K4",
    "status=near&status=behind, K1 K3",
    "top=1, K2",
    "bottom=1, K1",
    "bottom=2&by=actual, K1 K4",
    "missOver=0.04, K1",
    "missOver=0.03, K1 K3",
    "attainmentFrom=0.9&attainmentTo=1.2, K2 K3"
  })
  void narrowing_keepsTheRows_andRecomputesTheTotal(String query, String keys) {
    JsonNode standing = standing("goalSet=quota&" + OCTOBER + "&" + query.replace(" ", "%20"));
    assertThat(String.join(" ", texts(standing.get("rows"), "key"))).isEqualTo(keys);
    BigDecimal sum =
        texts(standing.get("rows"), "actual").stream()
            .map(BigDecimal::new)
            .reduce(BigDecimal.ZERO, BigDecimal::add);
    assertThat(new BigDecimal(text(standing.get("total"), "actual"))).isEqualByComparingTo(sum);
    assertThat(standing.at("/leftOut/members").asInt()).isEqualTo(4 - keys.split(" ").length);
  }

  @ParameterizedTest
  @CsvSource({
    "group=company, group",
    "beside=next-year, beside",
    "top=0, top",
    "top=1&bottom=1, bottom",
    "top=1&by=luck, by",
    "missOver=much, missOver",
    "only=K9, rep",
    "asOf=2026-09-30, asOf",
    "asOf=soon, asOf"
  })
  void unknownWish_is400_withItsName(String query, String name) {
    Api.Answer answer = api.get("/api/v1/standing?goalSet=quota&to=2026-10&" + query);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo("value-unknown");
    assertThat(answer.text("name")).isEqualTo(name);
  }

  @Test
  void emptyMonth_isTakenApartByNothing_andARunningOneBesideItIsJudgedToDate() {
    String december = "?goalSet=quota&from=2026-12&to=2026-12";
    JsonNode closeUp = api.get("/api/v1/standing/rep/K1/close-up" + december).json();
    assertThat(text(closeUp.get("reading"), "noReading")).contains("no actuals yet");
    assertThat(closeUp.get("parts")).as("no red for what is to come").isEmpty();
    assertThat(closeUp.get("lastYear").isNull()).isTrue();
    assertThat(closeUp.get("required").isNull()).isTrue();
    JsonNode november =
        api.get("/api/v1/standing/rep/K1/path" + december).json().get("months").get(4);
    assertThat(text(november, "month")).isEqualTo("2026-11");
    assertThat(text(november.at("/reading/spoken"), "kind")).isEqualTo("to-date");
    assertThat(text(november.at("/reading/toDate"), "asOf")).isEqualTo("2026-11-12");
  }

  @Test
  void openMonth_looksAhead_fromTheLastPostedDay() {
    JsonNode november = standing("goalSet=quota&from=2026-11&to=2026-11");
    // 12 November 2026 is the 8th working day of 20, the 11th being a holiday
    assertThat(text(november.get("openMonth"), "asOf")).isEqualTo("2026-11-12");
    assertThat(november.at("/openMonth/elapsed").asInt()).isEqualTo(8);
    assertThat(november.at("/openMonth/workingDays").asInt()).isEqualTo(20);
    assertThat(text(row(november, "K1").get("ahead"), "expected")).isEqualTo("40.00");
    assertThat(text(row(november, "K1").get("ahead"), "pace")).isEqualTo("0.5");
    assertThat(text(row(november, "K1").get("ahead"), "landing")).isEqualTo("50.00");
    assertThat(
            standing("goalSet=quota&from=2026-11&to=2026-11&asOf=none").get("openMonth").isNull())
        .isTrue();
    assertThat(standing("goalSet=quota&" + "from=2026-10&to=2026-10").get("openMonth").isNull())
        .isTrue();
    JsonNode early = standing("goalSet=quota&from=2026-11&to=2026-11&asOf=2026-11-02");
    assertThat(early.at("/openMonth/elapsed").asInt()).isEqualTo(1);
  }

  @Test
  void sheet_hasMonthsAcross_withTotalsBothWays() {
    JsonNode sheet = api.get("/api/v1/standing/sheet?goalSet=quota&from=2026-09&to=2026-10").json();
    assertThat(texts(sheet.get("months"), null)).containsExactly("2026-09", "2026-10");
    assertThat(texts(sheet.get("totals"), "actual")).containsExactly("190.00", "314.96");
    assertThat(text(sheet.get("total"), "actual")).isEqualTo("504.96");
    JsonNode ines = sheet.at("/rows/0");
    assertThat(text(ines.get("whole"), "actual")).isEqualTo("170.00");
    assertThat(texts(ines.get("cells"), "status")).containsExactly("near", "behind");
    assertThat(sheet.at("/rows/2/cells/0").isNull()).isTrue();
  }

  @Test
  void closeUp_hasRankMilestonesRequiredAndParts() {
    JsonNode ines = api.get("/api/v1/standing/rep/K1/close-up?goalSet=quota&" + OCTOBER).json();
    assertThat(ines.get("place").asInt()).isEqualTo(3);
    assertThat(ines.get("places").asInt()).isEqualTo(3);
    assertThat(ines.get("placeBefore").asInt()).isEqualTo(2);
    assertThat(text(ines.at("/milestones/0"), "name")).isEqualTo("near");
    assertThat(text(ines.at("/milestones/0"), "toGo")).isEqualTo("10.00");
    // quotas of 450 in the year, 170 sold to October, eight months left
    assertThat(text(ines.get("required"), "perMonth")).isEqualTo("35.00");
    JsonNode byLine = ines.at("/parts/0");
    assertThat(text(byLine, "split")).isEqualTo("last-years-mix");
    assertThat(texts(byLine.get("parts"), "variance")).containsExactly("-10.00", "-10.00");
    JsonNode north =
        api.get("/api/v1/standing/region/North/close-up?goalSet=plan&" + OCTOBER).json();
    assertThat(texts(north.get("assigned"), "goalSet")).contains("quota");
    assertThat(assigned(north, "quota", "amount")).isEqualTo("200.00");
    assertThat(new BigDecimal(assigned(north, "quota", "over")).doubleValue())
        .isCloseTo(0.111111, within(0.000001));
    JsonNode total = api.get("/api/v1/standing/rep/*/close-up?goalSet=quota&" + OCTOBER).json();
    assertThat(total.get("place").isNull()).isTrue();
    assertThat(text(total.at("/parts/0"), "axis")).isEqualTo("region");
    assertThat(text(total.at("/parts/0"), "split")).isEqualTo("own-goals");
  }

  private static String assigned(JsonNode closeUp, String set, String field) {
    for (JsonNode one : closeUp.get("assigned")) {
      if (one.get("goalSet").asString().equals(set)) {
        return one.get(field).asString();
      }
    }
    throw new AssertionError("no " + set);
  }

  @Test
  void narrowedTotal_isExplainedByWhatIsKept() {
    String query = "goalSet=quota&only=K1&only=K2&" + OCTOBER;
    JsonNode standing = standing(query);
    JsonNode closeUp = api.get("/api/v1/standing/rep/*/close-up?" + query).json();
    assertThat(text(closeUp.get("reading"), "actual"))
        .isEqualTo(text(standing.get("total"), "actual"))
        .isEqualTo("200.00");
    assertThat(closeUp.get("required").toString()).contains("\"yearGoal\":\"650.00\"");
    JsonNode path = api.get("/api/v1/standing/rep/*/path?" + query).json();
    assertThat(text(path.at("/months/3/reading"), "actual")).isEqualTo("200.00");
    JsonNode proof = api.get("/api/v1/standing/rep/*/proof?" + query).json();
    assertThat(proof.get("rowCount").asInt()).isEqualTo(3);
    assertThat(text(proof.get("inputs"), "actual")).isEqualTo("200.00");
  }

  @Test
  void path_hasSumsToDate_andEachMonthAmongAll() {
    JsonNode path =
        api.get("/api/v1/standing/region/North/path?goalSet=plan&atOrAbove=1&" + OCTOBER).json();
    JsonNode october = path.at("/months/3");
    assertThat(text(october, "month")).isEqualTo("2026-10");
    assertThat(text(october.get("toDate"), "actual")).isEqualTo("390.00");
    assertThat(text(october.get("among"), "average")).isEqualTo("154.98");
    assertThat(text(october.at("/among/highest"), "key")).isEqualTo("North");
    assertThat(text(october.at("/among/lowest"), "key")).isEqualTo("South");
    assertThat(october.at("/among/atOrAbove").asInt()).isEqualTo(1);
    assertThat(october.at("/among/withGoal").asInt()).isEqualTo(2);
  }

  @Test
  void claims_areBackedByRows_andNotesByReason() {
    write(
        "rep", "K1", "2026-10", "{\"reason\": \"stock-out\", \"text\": \"No cleats came.\"}", 204);
    JsonNode claims = api.get("/api/v1/standing/claims?goalSet=quota&" + OCTOBER).json();
    assertThat(texts(claims.get("claims"), "text"))
        .contains(
            "Ines accounts for 99.8\u00a0% of the shortfall.",
            "99.8\u00a0% of the shortfall: stock-out.");
    assertThat(text(claims.at("/reasons/0"), "shortfall")).isEqualTo("20.00");
    JsonNode row = row(standing("goalSet=quota&" + OCTOBER), "K1");
    assertThat(text(row.at("/notes/0"), "text")).isEqualTo("No cleats came.");
    assertThat(text(row.at("/notes/0"), "reasonName")).isEqualTo("stock-out");
    write("rep", "K1", "2026-10", "{}", 204);
    assertThat(row(standing("goalSet=quota&" + OCTOBER), "K1").has("notes")).isFalse();
  }

  @Test
  void badNotesAndReasons_areRefused_andNothingChanges() {
    assertThat(write("rep", "K9", "2026-10", "{\"text\": \"x\"}", 404)).isEqualTo("member-unknown");
    assertThat(write("company", "*", "2026-10", "{\"text\": \"x\"}", 404))
        .isEqualTo("member-unknown");
    assertThat(write("rep", "K1", "October", "{\"text\": \"x\"}", 400))
        .isEqualTo("month-unreadable");
    assertThat(write("rep", "K1", "2026-10", "{\"reason\": \"luck\"}", 400))
        .isEqualTo("value-unknown");
    assertThat(write("rep", "K1", "2026-10", "{\"text\": \"" + "x".repeat(2001) + "\"}", 400))
        .isEqualTo("note-too-long");
    write("rep", "K2", "2026-09", "{\"reason\": \"price\"}", 204);
    Api.Answer gone = api.put("/api/v1/reasons", "[{\"code\": \"other\", \"name\": \"other\"}]");
    assertThat(gone.status()).isEqualTo(409);
    assertThat(gone.code()).isEqualTo("reason-in-use");
    assertThat(api.put("/api/v1/reasons", "[{\"name\": \" \"}]").code())
        .isEqualTo("reasons-invalid");
    assertThat(api.put("/api/v1/reasons", "[{\"name\": \"a\"}, {\"name\": \"A\"}]").code())
        .isEqualTo("reasons-invalid");
    Api.Answer kept =
        api.put(
            "/api/v1/reasons",
            "[{\"code\": \"price\", \"name\": \"Price\"}, {\"name\": \"Fair weather!\"},"
                + " {\"code\": \"stock-out\", \"name\": \"stock-out\"}]");
    assertThat(texts(kept.json(), "code")).containsExactly("price", "fair-weather", "stock-out");
    write("rep", "K2", "2026-09", "{}", 204);
  }

  private static String write(String axis, String key, String month, String body, int status) {
    Api.Answer answer = api.put("/api/v1/notes/" + axis + "/" + key + "/" + month, body);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(status);
    return status == 204 ? null : answer.code();
  }

  @Test
  void ladder_isTriedBeforeItIsInForce_andEarlierMonthsKeepTheirs() {
    String ladder =
        "{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"since\": \"2026-10\", \"scale\":"
            + " \"percent-to-goal\", \"rungs\": [{\"name\": \"under\", \"tone\": \"bad\"},"
            + " {\"name\": \"fine\", \"tone\": \"good\", \"from\": \"0.75\"}]}";
    Api.Answer tried = api.post("/api/v1/standing/trial?goalSet=quota&" + OCTOBER, ladder);
    assertThat(tried.status()).isEqualTo(200);
    assertThat(texts(tried.json().get("flips"), "key")).containsExactly("K1", "K2", "K3");
    assertThat(tried.json().at("/rungs/1/rows").asInt()).isEqualTo(3);
    assertThat(tried.json().get("noReading").asInt()).isEqualTo(1);
    assertThat(text(row(standing("goalSet=quota&" + OCTOBER), "K1"), "status")).isEqualTo("behind");
    put("{\"ladders\": [" + ladder + "]}");
    JsonNode october = standing("goalSet=quota&" + OCTOBER);
    assertThat(text(row(october, "K1"), "status")).isEqualTo("fine");
    assertThat(text(october, "ladder")).isEqualTo("revenue against quota, since 2026-10");
    JsonNode september = standing("goalSet=quota&from=2026-09&to=2026-09");
    assertThat(text(row(september, "K1"), "status")).isEqualTo("near");
    put("{\"ladders\": [" + ladder.replace("\"since\": \"2026-10\", ", "") + "]}");
    assertThat(text(row(standing("goalSet=quota&from=2026-09&to=2026-09"), "K1"), "status"))
        .isEqualTo("fine");
    String usual =
        "{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"scale\": \"percent-to-goal\","
            + " \"rungs\": [{\"name\": \"behind\", \"tone\": \"bad\"}, {\"name\": \"near\","
            + " \"tone\": \"near\", \"from\": \"0.9\"}, {\"name\": \"reached\", \"tone\": \"good\","
            + " \"from\": \"1\"}, {\"name\": \"well past\", \"tone\": \"good\", \"from\":"
            + " \"1.2\"}]}";
    put("{\"ladders\": [" + usual + "]}");
    assertThat(text(row(standing("goalSet=quota&" + OCTOBER), "K1"), "status")).isEqualTo("behind");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\"measure\": \"revenue\", \"scale\": \"variance\", \"rungs\": []}",
        "{\"measure\": \"revenue\", \"scale\": \"variance\", \"rungs\": [{\"name\": \"a\", \"tone\":"
            + " \"bad\"}, {\"name\": \"b\", \"tone\": \"good\", \"from\": \"1\"}, {\"name\": \"c\","
            + " \"tone\": \"good\", \"from\": \"1\"}]}",
        "{\"measure\": \"revenue\", \"scale\": \"variance\", \"rungs\": [{\"name\": \"a\", \"tone\":"
            + " \"bad\"}, {\"name\": \"b\", \"tone\": \"good\", \"from\": \"much\"}]}",
        "{\"measure\": \"revenue\", \"since\": \"autumn\", \"scale\": \"variance\", \"rungs\":"
            + " [{\"name\": \"a\", \"tone\": \"bad\"}]}"
      })
  void brokenLadder_isRefusedWithItsPlace(String ladder) {
    Api.Answer answer = api.post("/api/v1/standing/trial?goalSet=quota&" + OCTOBER, ladder);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo("playbook-invalid");
    assertThat(answer.text("place")).startsWith("ladder");
  }

  @Test
  void shading_isAutomaticUntilALimitIsSet() {
    JsonNode before = standing("goalSet=quota&" + OCTOBER);
    assertThat(text(row(before, "K1").get("spoken"), "shade")).isEqualTo("-1.000");
    assertThat(before.at("/shading/isBadAutomatic").asBoolean()).isTrue();
    put("{\"shading\": [{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"bad\": \"40.00\"}]}");
    JsonNode after = standing("goalSet=quota&" + OCTOBER);
    assertThat(text(row(after, "K1").get("spoken"), "shade")).isEqualTo("-0.500");
    assertThat(text(after.get("shading"), "bad")).isEqualTo("40.00");
    Api.Answer refused =
        api.put("/api/v1/playbook", "{\"shading\": [{\"measure\": \"revenue\", \"bad\": \"-1\"}]}");
    assertThat(refused.code()).isEqualTo("playbook-invalid");
    assertThat(refused.text("place")).isEqualTo("shading[0].bad");
    put("{\"shading\": [{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"bad\": \"auto\"}]}");
  }

  @Test
  void rules_giveBackWhatTheyTake_alsoByTheirEarlierName() {
    Api.Answer rules = api.get("/api/v1/rules");
    assertThat(api.get("/api/v1/playbook").json()).isEqualTo(rules.json());
    assertThat(texts(rules.json().at("/calendar/holidays"), null)).containsExactly("2026-11-11");
    assertThat(rules.json().toString()).contains("\"quotient\":[\"returns\",\"revenue\"]");
    for (String name : List.of("rules", "playbook")) {
      assertThat(api.put("/api/v1/" + name, rules.json().toString()).json())
          .isEqualTo(rules.json());
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"measures\": [{\"code\": \"r\", \"quotient\": [\"joy\", \"revenue\"], \"direction\":"
            + " \"LOWER\"}]} | measures[0].quotient[0]",
        "{\"measures\": [{\"code\": \"r\", \"quotient\": [\"revenue\"], \"direction\": \"LOWER\"}]}"
            + " | measures[0].quotient",
        "{\"measures\": [{\"code\": \"r\", \"quotient\": [\"returnRate\", \"revenue\"],"
            + " \"direction\": \"LOWER\"}]} | measures[0].quotient",
        "{\"measures\": [{\"code\": \"a.low\", \"unit\": \"EUR\", \"scale\": 2, \"direction\":"
            + " \"LOWER\"}]} | measures[0].code",
        "{\"calendar\": {\"startMonth\": 7, \"holidays\": [\"Easter\"]}} | calendar.holidays[0]"
      })
  void brokenRule_namesItsPlace(String file, String place) {
    Api.Answer answer = api.put("/api/v1/playbook", file);
    assertThat(answer.code()).isEqualTo("playbook-invalid");
    assertThat(answer.text("place")).isEqualTo(place);
  }

  @Test
  void withoutALoad_theStandingIsAsBefore() {
    assertThat(text(row(standing("goalSet=quota&" + OCTOBER), "K4"), "actual")).isEqualTo("10.00");
    JsonNode before = standing("goalSet=quota&without=" + late + "&" + OCTOBER);
    assertThat(text(row(before, "K4"), "actual")).isEqualTo("7.00");
    assertThat(api.get("/api/v1/standing?without=999").code()).isEqualTo("load-unknown");
    assertThat(api.get("/api/v1/standing?without=x").code()).isEqualTo("load-unknown");
  }

  @Test
  void orders_areReadAgainstAThresholdPerRep_orTheirOwnGoal() {
    JsonNode ines =
        api.get("/api/v1/standing/rep/K1/orders?threshold=order%20size&" + OCTOBER).json();
    assertThat(text(ines, "per")).isEqualTo("threshold");
    assertThat(ines.get("judged").asInt()).isEqualTo(2);
    assertThat(ines.get("met").asInt()).isEqualTo(1);
    assertThat(text(ines.at("/orders/1"), "why")).isEqualTo("above 40.00, the threshold of Ines");
    JsonNode met =
        api.get("/api/v1/standing/rep/K1/orders?threshold=order%20size&onlyMet=true&" + OCTOBER)
            .json();
    assertThat(texts(met.get("orders"), "amount")).containsExactly("50.00");
    JsonNode plain = api.get("/api/v1/standing/rep/K1/orders?" + OCTOBER).json();
    assertThat(plain.get("per").isNull()).isTrue();
    assertThat(plain.at("/orders/0/isMet").isNull()).isTrue();
    assertThat(api.get("/api/v1/standing/rep/K1/orders?threshold=luck&" + OCTOBER).code())
        .isEqualTo("value-unknown");
    api.loadAndPost(
        "beside.csv",
        "date,rep,product,revenue,revenue goal\n2024-03-01,K1,P1,10.00,12.00\n"
            + "2024-03-02,K1,P1,20.00,20.00\n",
        "kind",
        "actuals",
        "goalSet",
        "per order",
        "axis",
        "rep");
    JsonNode own =
        api.get("/api/v1/standing/rep/K1/orders?goalSet=per%20order&from=2024-03&to=2024-03")
            .json();
    assertThat(text(own, "per")).isEqualTo("own-goal");
    assertThat(texts(own.get("orders"), "why"))
        .containsExactly("below 12.00, its own goal", "exactly 20.00, its own goal");
  }

  @Test
  void linesOfAnOrder_areSummedBeforeTheVerdict_andSayWhatTheirFileSays() {
    api.loadAndPost(
        "shipped.csv",
        "date,order,rep,product,revenue,customer\n2024-05-02,SO-7,K1,P1,30.00,Reef & Co\n"
            + "2024-05-09,SO-8,K1,P1,39.99,\n2024-05-03,so-7,K1,P2,15.00,Reef & Co\n"
            + "2024-05-04,,K1,P1,-5.00,\n",
        "kind",
        "actuals");
    api.loadAndPost(
        "thresholds.csv",
        "month,rep,revenue\n2024-05,K1,40.00\n",
        "kind",
        "goals",
        "goalSet",
        "order size",
        "axis",
        "rep");
    String path = "/api/v1/standing/rep/K1/orders";
    String query = "?threshold=order%20size&from=2024-05&to=2024-05";
    JsonNode orders = api.get(path + query).json();
    assertThat(orders.get("orderCount").asInt()).isEqualTo(3);
    assertThat(orders.get("lineCount").asInt()).isEqualTo(4);
    assertThat(orders.get("met").asInt()).isEqualTo(1);
    JsonNode first = orders.at("/orders/0");
    assertThat(text(first, "order")).isEqualTo("SO-7");
    assertThat(text(first, "date")).isEqualTo("2024-05-02");
    assertThat(text(first, "amount")).isEqualTo("45.00");
    assertThat(first.get("isMet").asBoolean()).isTrue();
    assertThat(first.get("product").isNull()).as("of two products").isTrue();
    assertThat(texts(first.get("lines"), "amount")).containsExactly("30.00", "15.00");
    assertThat(first.at("/lines/1/further/customer").asString()).isEqualTo("Reef & Co");
    assertThat(orders.at("/orders/2/order").isNull()).isTrue();
    assertThat(texts(api.get(path + query + "&sort=-amount&size=2").json().get("orders"), "amount"))
        .containsExactly("45.00", "39.99");
    assertThat(texts(api.get(path + query + "&sort=variance").json().get("orders"), "variance"))
        .containsExactly("-45.00", "-0.01", "5.00");
    assertThat(api.get(path + query + "&sort=luck").code()).isEqualTo("value-unknown");
    assertThat(
            texts(
                api.get(
                        "/api/v1/standing/product/P1/orders?measure=returnRate&goalSet=limits&"
                            + OCTOBER)
                    .json()
                    .get("orders"),
                "amount"))
        .as("of a rate the lines of its numerator, in its own decimals")
        .isNotEmpty()
        .allMatch(amount -> amount.matches("-?[0-9]+\\.[0-9]{2}"));
    String csv = api.raw(api.request(path + ".csv" + query + "&sort=date").GET().build()).body();
    assertThat(csv.lines().toList())
        .hasSize(5)
        .first()
        .asString()
        .endsWith("Goal met,File,Line,customer");
    assertThat(csv)
        .contains("SO-7,2024-05-03,2024-05,Ines,")
        .contains("15.00,45.00,40.00,5.00,yes,shipped.csv,4,Reef & Co");
  }

  @Test
  void savedViews_areKeptByName() {
    assertThat(
            api.put("/api/v1/views/My%20team", "{\"address\": \"/standing?axis=region\"}").status())
        .isEqualTo(200);
    Api.Answer again = api.put("/api/v1/views/my%20TEAM", "{\"address\": \"/standing?axis=rep\"}");
    assertThat(texts(again.json(), "name")).containsExactly("my TEAM");
    assertThat(texts(again.json(), "address")).containsExactly("/standing?axis=rep");
    assertThat(api.put("/api/v1/views/x", "{\"address\": \"https://elsewhere\"}").code())
        .isEqualTo("view-invalid");
    assertThat(api.put("/api/v1/views/%20", "{\"address\": \"/standing\"}").code())
        .isEqualTo("view-invalid");
    assertThat(api.delete("/api/v1/views/My%20Team").json().size()).isZero();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "goalSet=quota",
        "goalSet=forecast",
        "goalSet=quota&beside=prior-year",
        "basis=prior-year&factor=1.1",
        "goalSet=quota&group=region",
        "axis=product&measure=returnRate&goalSet=limits",
        "goalSet=quota&text=south"
      })
  void workbook_recomputedFromItsFormulas_saysTheSameAsTheApi(String query) throws Exception {
    JsonNode standing = standing(query + "&" + OCTOBER);
    Map<String, JsonNode> readings = new HashMap<>();
    standing.get("rows").forEach(row -> readings.put(text(row, "key"), row));
    byte[] file = download("/api/v1/standing/export.xlsx?" + query + "&" + OCTOBER);
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(file))) {
      FormulaEvaluator evaluator = book.getCreationHelper().createFormulaEvaluator();
      Sheet sheet = book.getSheetAt(0);
      assertThat(sheet.getPaneInformation().isFreezePane()).isTrue();
      List<String> titles = new ArrayList<>();
      sheet.getRow(0).forEach(cell -> titles.add(cell.getStringCellValue()));
      int formulas = 0;
      Map<String, JsonNode> left = new HashMap<>(readings);
      for (int at = 1; at <= sheet.getLastRowNum(); at++) {
        Row row = sheet.getRow(at);
        String key = row.getCell(1) == null ? "" : row.getCell(1).getStringCellValue();
        JsonNode reading = at == 1 ? standing.get("total") : left.remove(key);
        if (reading != null) {
          formulas += same(row, titles, "Actual", reading, "actual", evaluator);
          formulas += same(row, titles, "Variance", reading, "variance", evaluator);
          formulas += same(row, titles, "Variance %", reading, "variancePercent", evaluator);
          formulas += same(row, titles, "Percent-to-goal", reading, "attainment", evaluator);
        }
      }
      assertThat(left).isEmpty();
      assertThat(formulas).isGreaterThan(readings.size());
      assertThat(book.getSheet("About").getRow(0).getCell(1).getStringCellValue())
          .isEqualTo(headline(standing));
    }
  }

  /** Compares one cell with the wire, to the sixth place where that is no exact decimal. */
  private static int same(
      Row row,
      List<String> titles,
      String title,
      JsonNode reading,
      String field,
      FormulaEvaluator evaluator) {
    int at = -1;
    for (int i = 0; i < titles.size() && at < 0; i++) {
      at = titles.get(i).equals(title) || titles.get(i).startsWith(title + ",") ? i : -1;
    }
    Cell cell = row.getCell(at);
    JsonNode value = reading.get(field);
    boolean isEmpty = cell == null || cell.getCellType() == CellType.BLANK;
    assertThat(isEmpty).as("%s of %s", title, reading).isEqualTo(value.isNull());
    if (isEmpty) {
      return 0;
    }
    assertThat(cell.getNumericCellValue())
        .as("without calculating: %s of %s", title, reading)
        .isCloseTo(Double.parseDouble(value.asString()), within(0.0000011));
    assertThat(evaluator.evaluate(cell).getNumberValue())
        .as("%s of %s", title, reading)
        .isCloseTo(Double.parseDouble(value.asString()), within(0.0000011));
    return cell.getCellType() == CellType.FORMULA ? 1 : 0;
  }

  @Test
  void workbookOfMonths_addsUpAcross() throws Exception {
    byte[] file =
        download("/api/v1/standing/export.xlsx?byMonth=true&goalSet=quota&from=2026-09&to=2026-10");
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(file))) {
      FormulaEvaluator evaluator = book.getCreationHelper().createFormulaEvaluator();
      Row total = book.getSheetAt(0).getRow(1);
      assertThat(total.getCell(4).getNumericCellValue()).isCloseTo(504.96, within(0.000001));
      assertThat(evaluator.evaluate(total.getCell(4)).getNumberValue())
          .isCloseTo(504.96, within(0.000001));
    }
  }

  @Test
  void csv_isSortedAsTheScreen_andHoldsNoFormula() throws Exception {
    String csv =
        new String(
            download("/api/v1/standing/export.csv?goalSet=quota&sort=-favourable&" + OCTOBER),
            StandardCharsets.UTF_8);
    List<String> lines = csv.lines().toList();
    assertThat(lines.get(0)).startsWith("\ufeffRep,Key,Belongs to,\"Actual, EUR\"");
    assertThat(lines.get(1)).startsWith("All,,,314.96,300.00,14.96,0.049867,1.049867,");
    assertThat(lines.subList(2, 6))
        .extracting(line -> line.split(",")[1])
        .containsExactly("K2", "K3", "K1", "K4");
    assertThat(lines.get(3)).startsWith("'=SUM(A1),K3,South,99.96");
    assertThat(lines.get(6)).startsWith("1 line without a rep,,,5.00");
  }

  private static byte[] download(String path) throws IOException, InterruptedException {
    var answer =
        HttpClient.newHttpClient().send(api.request(path).build(), BodyHandlers.ofByteArray());
    assertThat(answer.statusCode()).isEqualTo(200);
    assertThat(answer.headers().firstValue("Content-Disposition").orElse(""))
        .contains("attachment");
    return answer.body();
  }

  private static JsonNode standing(String query) {
    Api.Answer answer = api.get("/api/v1/standing?" + query);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    return answer.json();
  }

  private static JsonNode row(JsonNode standing, String key) {
    for (JsonNode row : standing.get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row;
      }
    }
    throw new AssertionError("no row " + URLEncoder.encode(key, StandardCharsets.UTF_8));
  }

  private static String headline(JsonNode standing) {
    return String.join("", texts(standing.get("headline"), "text"));
  }

  private static String text(JsonNode node, String field) {
    return node.get(field).asString();
  }

  private static List<String> texts(JsonNode list, String field) {
    List<String> texts = new ArrayList<>();
    list.forEach(node -> texts.add((field == null ? node : node.get(field)).asString()));
    return texts;
  }
}
