package zealoustarget.server.goals;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A year's goals changed in a draft, spread, tried, applied, and taken back. */
class GoalDraftTest {
  private static final String QUOTA = "/api/v1/goals/quota";
  private static final String DESK = QUOTA + "/desk?year=2027";

  @TempDir Path data;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.put("/api/v1/rules", "{\"calendar\": {\"startMonth\": 7}}");
    api.loadAndPost(
        "roster.csv",
        """
        rep,name,region,manager,from
        A,Ada Lund,North,M1,2025-01
        B,Bo Lind,North,M1,2025-01
        C,Cleo Ask,South,M2,2025-01
        """,
        "kind",
        "roster");
    goals(
        "quota",
        "rep",
        "month,rep,revenue\n2026-07,A,1000.00\n2026-08,A,1000.00\n2026-07,B,500.00\n");
    goals("plan", "region", "month,region,revenue\n2026-07,North,1200.00\n2026-08,North,1000.00\n");
    api.loadAndPost(
        "sold.csv",
        """
        month,rep,revenue
        2025-07,A,800.00
        2025-08,A,400.00
        2025-08,B,300.00
        2026-07,A,1000.00
        2026-07,B,450.00
        """,
        "kind",
        "actuals");
  }

  private void goals(String set, String axis, String lines) {
    api.loadAndPost(set + ".csv", lines, "kind", "goals", "goalSet", set, "axis", axis);
  }

  @AfterEach
  void stop() {
    server.close();
  }

  private String cell(String key, String month) {
    JsonNode desk = api.get(DESK).json();
    int at = 0;
    while (!desk.get("months").get(at).get("month").asString().equals(month)) {
      at++;
    }
    for (JsonNode row : desk.get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row.get("cells").get(at).asString("none");
      }
    }
    return "no row";
  }

  private Api.Answer takeover(String body) {
    return api.post(QUOTA + "/draft/takeover", "{\"year\": 2027, " + body + "}");
  }

  /** Whatever is typed, spread or emptied: applied and reversed, the sheet is what it was. */
  @Test
  void anyDraft_appliedThenReversed_leavesNoTrace() {
    Random random = new Random(20261129);
    String before = api.get(QUOTA + "?from=2026-07&to=2027-06").json().toString();
    String standing =
        api.get("/api/v1/standing?axis=rep&from=2026-07&to=2026-08&goalSet=quota")
            .json()
            .toString();
    for (int round = 0; round < 6; round++) {
      List<String> typed = new ArrayList<>();
      Set<String> seen = new HashSet<>();
      for (int cell = 0; cell < 1 + random.nextInt(20); cell++) {
        String key = List.of("A", "B", "C").get(random.nextInt(3));
        String month = YearMonth.of(2026, 7).plusMonths(random.nextInt(12)).toString();
        if (seen.add(key + month)) {
          typed.add(key);
          typed.add(month);
          typed.add(random.nextInt(4) == 0 ? null : random.nextInt(100_000) + ".25");
        }
      }
      Api.Answer drafted = api.put(QUOTA + "/draft", cells(typed.toArray(String[]::new)));
      assertThat(drafted.status()).isEqualTo(200);
      assertThat(api.get(QUOTA + "?from=2026-07&to=2027-06").json().toString())
          .as("a draft counts nowhere")
          .isEqualTo(before);
      if (drafted.json().get("draft").isNull()) {
        continue; // it changed nothing
      }
      Api.Answer applied = api.post(QUOTA + "/draft/apply", "{\"year\": 2027}");
      int load = applied.json().get("load").get("id").asInt();
      assertThat(api.get(QUOTA + "?from=2026-07&to=2027-06").json().toString())
          .isNotEqualTo(before);
      assertThat(api.post("/api/v1/loads/" + load + "/reverse").status()).isEqualTo(200);
      JsonNode after = api.get(QUOTA + "?from=2026-07&to=2027-06").json();
      assertThat(withoutTag(after)).as("round " + round).isEqualTo(withoutTag(before));
      assertThat(
              api.get("/api/v1/standing?axis=rep&from=2026-07&to=2026-08&goalSet=quota")
                  .json()
                  .toString())
          .isEqualTo(standing);
      before = after.toString();
    }
  }

  private static String withoutTag(Object sheet) {
    return sheet.toString().replaceFirst("\"tag\":\"[^\"]*\"", "");
  }

  @Test
  void whoLeaves_handsTheRemainingGoalsOverWithinTheRegion() {
    assertThat(takeover("\"kind\": \"leaves\", \"key\": \"A\", \"from\": \"2026-07\"").code())
        .isEqualTo("nothing-to-spread-over"); // nobody else of North has a goal in August
    api.put(QUOTA + "/draft", cells("B", "2026-08", "500.00", "C", "2026-08", "700.00"));
    Api.Answer desk = takeover("\"kind\": \"leaves\", \"key\": \"A\", \"from\": \"2026-08\"");
    assertThat(desk.status()).as("%s", desk).isEqualTo(200);
    assertThat(cell("A", "2026-07")).isEqualTo("1000.00");
    assertThat(cell("A", "2026-08")).isEqualTo("none");
    assertThat(cell("B", "2026-08")).isEqualTo("1500.00");
    assertThat(cell("C", "2026-08")).isEqualTo("700.00"); // of another region
  }

  @Test
  void whatALeaverHandsOver_canLieByLastYearOrEvenly() {
    api.put(QUOTA + "/draft", cells("B", "2026-08", "500.00"));
    takeover(
        "\"kind\": \"leaves\", \"key\": \"A\", \"from\": \"2026-07\", \"over\": \"last-year\"");
    // A's 2 000.00 by North's 800.00 and 700.00 of last year
    assertThat(cell("B", "2026-07")).isEqualTo("1566.67");
    assertThat(cell("B", "2026-08")).isEqualTo("1433.33");
  }

  @Test
  void whoJoins_takesOverByARampAndTheSumStays() {
    api.put(QUOTA + "/draft", cells("C", "2026-08", "300.00"));
    Api.Answer desk =
        takeover(
            "\"kind\": \"joins\", \"key\": \"B\", \"from\": \"2026-07\", \"goal\": \"400\","
                + " \"ramp\": [\"25\"], \"others\": [\"A\"]");
    assertThat(desk.status()).as("%s", desk).isEqualTo(400); // A has no goal in September
    assertThat(desk.code()).isEqualTo("takes-too-much");
    assertThat(desk.text("detail")).contains("September 2026").contains("400.00").contains("0.00");
    String year = "";
    for (int month = 1; month <= 12; month++) {
      YearMonth at = YearMonth.of(2026, 6).plusMonths(month);
      year = at.toString();
      api.put(QUOTA + "/draft", cells("A", year, "1000.00"));
    }
    assertThat(
            takeover(
                    "\"kind\": \"joins\", \"key\": \"B\", \"from\": \"2026-07\", \"goal\":"
                        + " \"400\", \"ramp\": [\"25\"], \"others\": [\"A\"]")
                .status())
        .isEqualTo(200);
    assertThat(cell("A", "2026-07")).isEqualTo("900.00");
    assertThat(cell("B", "2026-07")).isEqualTo("600.00");
    assertThat(cell("A", "2026-08")).isEqualTo("600.00");
    assertThat(cell("B", "2026-08")).isEqualTo("400.00");
    assertThat(cell("A", year)).isEqualTo("600.00");
    assertThat(cell("B", year)).isEqualTo("400.00");
  }

  private static String cells(String... keyMonthAmount) {
    StringBuilder cells = new StringBuilder();
    for (int at = 0; at < keyMonthAmount.length; at += 3) {
      String amount = keyMonthAmount[at + 2];
      cells
          .append(at == 0 ? "" : ",")
          .append(
              "{\"key\": \"%s\", \"month\": \"%s\", \"amount\": %s}"
                  .formatted(
                      keyMonthAmount[at],
                      keyMonthAmount[at + 1],
                      amount == null ? "null" : "\"" + amount + "\""));
    }
    return "{\"year\": 2027, \"cells\": [" + cells + "]}";
  }

  private static JsonNode row(JsonNode desk, String key) {
    for (JsonNode row : desk.get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row;
      }
    }
    throw new AssertionError("no row " + key + " in " + desk);
  }

  @Test
  void desk_showsTheYear_itsGroupsAndTheirOwnGoals() {
    JsonNode desk = api.get(DESK).json();
    assertThat(desk.get("months")).hasSize(12);
    assertThat(desk.at("/months/0/month").asString()).isEqualTo("2026-07");
    assertThat(desk.at("/months/3/quarter").asInt()).isEqualTo(2);
    assertThat(desk.at("/total/total").asString()).isEqualTo("2500.00");
    assertThat(desk.at("/total/lastYear").asString()).isEqualTo("1500.00");
    assertThat(desk.at("/total/stretch").asString()).isEqualTo("66.7");
    assertThat(desk.at("/plan").asString()).isEqualTo("plan");
    assertThat(desk.at("/groups/0/sum/total").asString()).isEqualTo("2500.00");
    assertThat(desk.at("/groups/0/own/total").asString()).isEqualTo("2200.00");
    assertThat(desk.at("/groups/0/over").asString()).isEqualTo("13.6");
    assertThat(row(desk, "A").at("/quarters/0").asString()).isEqualTo("2000.00");
    assertThat(row(desk, "A").at("/share").asString()).isEqualTo("80.0");
    assertThat(row(desk, "C").at("/total").isNull()).isTrue();
    assertThat(desk.get("insights").toString()).contains("Cleo Ask has no goal.");
    assertThat(desk.get("headline").toString())
        .contains("66.7 % more than last year")
        .contains("North is assigned 13.6 % more than its own goals in plan.");
    assertThat(desk.get("draft").isNull()).isTrue();
  }

  @Test
  void draft_countsNowhere_saysItsEffect_andIsGoneWhereItIsAsBefore() {
    JsonNode desk =
        api.put(QUOTA + "/draft", cells("B", "2026-07", "450", "C", "2026-09", "9.5")).json();
    assertThat(row(desk, "B").at("/cells/0").asString()).isEqualTo("450.00");
    assertThat(row(desk, "B").at("/was/0").asString()).isEqualTo("500.00");
    assertThat(row(desk, "C").at("/was/2").asString()).isEmpty();
    assertThat(desk.at("/draft/changed").asInt()).isEqualTo(2);
    assertThat(desk.at("/draft/before").asString()).isEqualTo("2500.00");
    assertThat(desk.at("/draft/after").asString()).isEqualTo("2459.50");
    assertThat(desk.at("/draft/moves")).hasSize(1);
    assertThat(desk.at("/draft/moves/0/name").asString()).isEqualTo("Bo Lind");
    assertThat(desk.at("/draft/moves/0/after").asString()).isEqualTo("reached");
    assertThat(desk.at("/draft/moves/0/attainmentBefore").asString()).isEqualTo("90.0");
    assertThat(desk.at("/draft/sentence").asString()).contains("Bo Lind moves to reached");
    String standing = "/api/v1/standing?axis=rep&from=2026-07&to=2026-07&goalSet=quota";
    assertThat(api.get(standing).json().at("/total/goal").asString()).isEqualTo("1500.00");
    assertThat(api.get(DESK).json().at("/draft/changed").asInt()).isEqualTo(2);

    JsonNode back =
        api.put(QUOTA + "/draft", cells("B", "2026-07", "500", "C", "2026-09", null)).json();
    assertThat(back.get("draft").isNull()).isTrue();
  }

  @Test
  void applied_isALoadWithOneLinePerCell_andReversedLeavesNoTrace() {
    JsonNode before = api.get(DESK).json();
    api.put(QUOTA + "/draft", cells("A", "2026-08", "1100", "B", "2026-07", null));
    Api.Answer applied = api.post(QUOTA + "/draft/apply", "{\"year\": 2027}");
    assertThat(applied.status()).as("%s", applied.json()).isEqualTo(200);
    int load = applied.json().at("/load/id").asInt();
    assertThat(applied.json().at("/load/lines").asInt()).isEqualTo(2);
    assertThat(applied.json().at("/load/enteredBy").asString()).isEqualTo(Api.NAME);
    assertThat(applied.json().at("/desk/draft").isNull()).isTrue();
    assertThat(row(applied.json().get("desk"), "B").at("/cells/0").isNull()).isTrue();

    String proof =
        api.get("/api/v1/standing/rep/A/proof?from=2026-08&to=2026-08&goalSet=quota")
            .json()
            .toString();
    assertThat(proof).contains("entered by " + Api.NAME);
    JsonNode sheet = api.get("/api/v1/loads/" + load + "/sheet").json();
    assertThat(sheet.toString()).contains("1000.00").contains("1100.00").contains(Api.NAME);
    assertThat(api.get("/api/v1/audit?text=Ada%20Lund").json().toString())
        .contains("quota of Ada Lund, 2026-08")
        .contains("1000.00")
        .contains("1100.00");
    JsonNode past = api.get(QUOTA + "/history?key=B&month=2026-07").json();
    assertThat(past).hasSize(2);
    assertThat(past.at("/0/amount").isNull()).as("taken away").isTrue();
    assertThat(past.at("/0/enteredBy").asString()).isEqualTo(Api.NAME);
    assertThat(past.at("/1/amount").asString()).isEqualTo("500.00");
    assertThat(past.at("/1/file").asString()).isEqualTo("quota.csv");

    assertThat(api.post("/api/v1/loads/" + load + "/reverse").status()).isEqualTo(200);
    assertThat(api.get(DESK).json()).isEqualTo(before);
    assertThat(api.post(QUOTA + "/draft/apply", "{\"year\": 2027}").code())
        .isEqualTo("draft-empty");
  }

  @Test
  void spread_keepsLockedCells_andRefusalsChangeNothing() {
    String parts =
        "\"parts\": [{\"key\": \"A\", \"month\": \"2026-07\"}, {\"key\": \"A\", \"month\": \"2026-08\"},"
            + " {\"key\": \"B\", \"month\": \"2026-07\", \"locked\": true}]";
    JsonNode desk =
        api.post(
                QUOTA + "/draft/spread",
                "{\"year\": 2027, \"kind\": \"last-year\", \"whole\": \"3500\", \"step\": \"500\", "
                    + parts
                    + "}")
            .json();
    assertThat(row(desk, "A").at("/cells/0").asString()).isEqualTo("2000.00");
    assertThat(row(desk, "A").at("/cells/1").asString()).isEqualTo("1000.00");
    assertThat(row(desk, "B").at("/was/0").isNull()).isTrue();
    JsonNode scaled =
        api.post(
                QUOTA + "/draft/spread",
                "{\"year\": 2027, \"kind\": \"as-it-stands\", \"factor\": \"1.1\", " + parts + "}")
            .json();
    assertThat(row(scaled, "A").at("/total").asString())
        .as("of 3500 as drafted")
        .isEqualTo("3350.00");
    Api.Answer refused =
        api.post(
            QUOTA + "/draft/spread",
            "{\"year\": 2027, \"kind\": \"even\", \"whole\": \"400\", " + parts + "}");
    assertThat(refused.code()).isEqualTo("locked-exceed-whole");
    assertThat(refused.text("detail")).contains("500.00").contains("400.00");
    assertThat(api.get(DESK).json()).isEqualTo(scaled);
  }

  @Test
  void topDown_eachMonthAddsToTheRegionsGoal_andBottomUp_takesTheSums() {
    String down =
        "{\"year\": 2027, \"direction\": \"down\", \"from\": \"plan\", \"kind\": \"%s\", \"step\": \"50\","
            + " \"locked\": [{\"key\": \"B\", \"month\": \"2026-07\"}]}";
    JsonNode desk = api.post(QUOTA + "/draft/levels", down.formatted("last-year")).json();
    assertThat(row(desk, "B").at("/cells/0").asString()).as("locked").isEqualTo("500.00");
    assertThat(row(desk, "A").at("/cells/0").asString()).isEqualTo("700.00");
    assertThat(row(desk, "A").at("/cells/1").asString()).isEqualTo("550.00");
    assertThat(row(desk, "B").at("/cells/1").asString()).isEqualTo("450.00");
    assertThat(desk.at("/groups/0/over").asString()).isEqualTo("0.0");

    goals("plan", "region", "month,region,revenue\n2026-07,South,300.00\n");
    Api.Answer refused = api.post(QUOTA + "/draft/levels", down.formatted("last-year"));
    assertThat(refused.code()).isEqualTo("weights-all-zero");
    assertThat(refused.text("detail")).startsWith("South, 2026-07: ");

    String up = "{\"year\": 2027, \"direction\": \"up\", \"from\": \"%s\"}";
    JsonNode plan = api.post("/api/v1/goals/plan/draft/levels", up.formatted("quota")).json();
    assertThat(row(plan, "North").at("/cells/0").asString()).isEqualTo("1500.00");
    assertThat(row(plan, "North").at("/was/1").isNull()).as("is so already").isTrue();
    assertThat(row(plan, "South").at("/was/0").isNull()).isTrue();
    Api.Answer unknown = api.post("/api/v1/goals/plan/draft/levels", up.formatted("plan"));
    assertThat(unknown.code()).isEqualTo("value-unknown");
    assertThat(unknown.text("detail")).contains("quota");
  }

  @Test
  void topDownThroughALevelBetween_addsExactlyOnEach_orChangesNeither() {
    goals("target", "company", "month,revenue\n2026-07,2000.05\n2026-08,1000.00\n");
    String body =
        "{\"year\": 2027, \"direction\": \"down\", \"from\": \"target\", \"through\": \"%s\","
            + " \"kind\": \"%s\"}";
    JsonNode desk = api.post(QUOTA + "/draft/levels", body.formatted("plan", "even")).json();
    JsonNode plan = api.get("/api/v1/goals/plan/desk?year=2027").json();
    assertThat(row(plan, "North").at("/cells/0").asString()).isEqualTo("1000.03");
    assertThat(row(plan, "South").at("/cells/0").asString()).isEqualTo("1000.02");
    assertThat(plan.at("/total/total").asString()).isEqualTo("3000.05");
    assertThat(desk.at("/groups/0/sum/cells/0").asString()).as("North's reps").isEqualTo("1000.03");
    assertThat(row(desk, "C").at("/cells/0").asString()).isEqualTo("1000.02");
    assertThat(desk.at("/total/total").asString()).isEqualTo("3000.05");
    goals("plan", "region", "month,region,revenue\n2026-10,North,77.00\n");
    desk = api.post(QUOTA + "/draft/levels", body.formatted("plan", "even")).json();
    assertThat(row(desk, "A").at("/cells/3").isNull()).as("not a month of the target").isTrue();
    plan = api.get("/api/v1/goals/plan/desk?year=2027").json();

    String locked =
        body.formatted("plan", "last-year")
            .replace("}", ", \"locked\": [{\"key\": \"C\", \"month\": \"2026-07\"}]}");
    Api.Answer refused = api.post(QUOTA + "/draft/levels", locked);
    assertThat(refused.code()).as("all of South is locked").isEqualTo("nothing-to-spread-over");
    assertThat(refused.text("detail")).startsWith("South, 2026-07: ");
    assertThat(api.get("/api/v1/goals/plan/desk?year=2027").json()).isEqualTo(plan);
    Api.Answer wrong = api.post(QUOTA + "/draft/levels", body.formatted("quota", "even"));
    assertThat(wrong.code()).isEqualTo("axis-differs");
    assertThat(wrong.text("detail")).contains("goals by rep");
  }

  @Test
  void percents_areOfLastYearOrTheGroup_inTheMonthsThatHaveThem() {
    String percents = QUOTA + "/desk/percents?year=2027&show=";
    JsonNode stretch = api.get(percents + "stretch").json();
    assertThat(stretch.at("/rows/A/0").asString()).as("1000 on 800").isEqualTo("25.0");
    assertThat(stretch.at("/rows/B/0").isNull()).as("sold nothing then").isTrue();
    assertThat(stretch.at("/groups/North/0").asString()).as("1500 on 800").isEqualTo("87.5");
    assertThat(stretch.at("/total/1").asString()).as("1000 on 700").isEqualTo("42.9");
    JsonNode share = api.get(percents + "share").json();
    assertThat(share.at("/rows/A/0").asString()).as("1000 of 1500").isEqualTo("66.7");
    assertThat(share.at("/rows/A/1").asString()).isEqualTo("100.0");
    assertThat(share.at("/groups/North/0").asString()).isEqualTo("100.0");
    api.put(
        QUOTA + "/draft",
        "{\"year\": 2027, \"cells\": [{\"key\": \"A\", \"month\": \"2026-07\", \"amount\": \"500\"}]}");
    assertThat(api.get(percents + "share").json().at("/rows/A/0").asString())
        .as("with the draft")
        .isEqualTo("50.0");
    assertThat(api.get(percents + "half").code()).isEqualTo("value-unknown");
  }

  @Test
  void copy_laysAnotherYearTimesAFactorOnOpenMonths_addingExactly() {
    assertThat(api.post("/api/v1/months/2026-07/seal").status()).isEqualTo(200);
    JsonNode next =
        api.post(
                QUOTA + "/draft/levels",
                "{\"year\": 2028, \"direction\": \"copy\", \"from\": \"quota\","
                    + " \"fromYear\": 2027, \"factor\": \"1.05\", \"step\": \"10\"}")
            .json();
    assertThat(next.at("/months/0/month").asString()).isEqualTo("2027-07");
    assertThat(next.at("/total/total").asString()).as("2500 × 1.05 = 2625").isEqualTo("2630.00");
    assertThat(row(next, "B").at("/cells/0").asString()).isEqualTo("530.00");
    assertThat(next.at("/total/stretch").isNull()).as("August 2026 has no actuals").isTrue();
    assertThat(next.get("headline").toString()).doesNotContain("last year");
    assertThat(row(next, "A").at("/cells/0").asString()).isEqualTo("1050.00");
    api.delete(QUOTA + "/draft?year=2028");
    JsonNode same =
        api.post(
                QUOTA + "/draft/levels",
                "{\"year\": 2027, \"direction\": \"copy\", \"from\": \"quota\", \"factor\": \"2\"}")
            .json();
    assertThat(row(same, "A").at("/cells/0").asString()).as("closed").isEqualTo("1000.00");
    assertThat(row(same, "A").at("/cells/1").asString()).isEqualTo("2000.00");
    Api.Answer none =
        api.post(
            QUOTA + "/draft/levels",
            "{\"year\": 2027, \"direction\": \"copy\", \"from\": \"quota\", \"fromYear\": 2020}");
    assertThat(none.text("detail")).contains("has no goals from 2019-07 to 2020-06");
  }

  @Test
  void export_canBeLoadedAsItIs_andItsWorkbookAddsUpByItself() throws Exception {
    HttpResponse<byte[]> csv =
        HttpClient.newHttpClient()
            .send(api.request(QUOTA + "/sheet.csv?year=2027").build(), BodyHandlers.ofByteArray());
    String text = new String(csv.body(), StandardCharsets.UTF_8);
    assertThat(text.lines().findFirst().orElseThrow())
        .isEqualTo(
            "\ufeffrep,name,region,2026-07,2026-08,2026-09,2026-10,2026-11,2026-12,2027-01,2027-02,2027-03,2027-04,2027-05,2027-06");
    assertThat(text).contains("A,Ada Lund,North,1000.00,1000.00,").contains("C,Cleo Ask,South,,");
    Api.Answer again =
        api.load(
            "quota again.csv",
            csv.body(),
            "kind",
            "goals",
            "goalSet",
            "quota again",
            "axis",
            "rep",
            "measure",
            "revenue");
    assertThat(again.status()).as("%s", again.json()).isEqualTo(201);
    assertThat(again.json().at("/sums/revenue/ready").asString()).isEqualTo("2500.00");

    HttpResponse<byte[]> workbook =
        HttpClient.newHttpClient()
            .send(api.request(QUOTA + "/sheet.xlsx?year=2027").build(), BodyHandlers.ofByteArray());
    try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(workbook.body()))) {
      List<Row> rows = book.getFirstSheet().read();
      assertThat(rows.get(1).getCell(19).getFormula()).isEqualTo("SUM(T3:T5)");
      assertThat(rows.get(1).getCell(19).getText()).isEqualTo("2500.00");
      assertThat(rows.get(2).getCell(15).getFormula()).isEqualTo("SUM(D3:F3)");
      assertThat(rows.get(2).getCell(19).getFormula()).isEqualTo("SUM(D3:O3)");
    }
  }

  private Api.Answer take(String name, String content) {
    return api.multipart(
        QUOTA + "/draft/file",
        name,
        content.getBytes(StandardCharsets.UTF_8),
        Map.of("year", "2027"));
  }

  @Test
  void sheetEditedElsewhere_comesBackAsADraftOfItsDifferences() {
    JsonNode desk =
        take(
                "quota.csv",
                """
                rep;name;2026-07;2026-08;FY
                ;Total;1;1;2
                A;Ada Lund;1000,00;1.234,50;x
                C;Cleo Ask;;50,00;
                """)
            .json();
    assertThat(desk.at("/draft/changed").asInt()).as("%s", desk).isEqualTo(2);
    assertThat(row(desk, "A").at("/cells/1").asString()).isEqualTo("1234.50");
    assertThat(row(desk, "C").at("/was/1").asString()).isEmpty();
    assertThat(row(desk, "B").at("/cells/0").asString()).as("not in the file").isEqualTo("500.00");

    Api.Answer bad = take("quota.csv", "rep,2026-07\nA,much\nZ,1\nA,2\n");
    assertThat(bad.code()).isEqualTo("value-unknown");
    assertThat(bad.text("detail"))
        .contains("line 2, 2026-07: \"much\" is not an amount")
        .contains("line 3: there is no rep \"Z\"")
        .contains("line 4: A is given twice");
    assertThat(take("quota.csv", "rep,2030-07\nA,1\n").code()).isEqualTo("column-missing");
    assertThat(take("quota.csv", "who,2026-07\nA,1\n").code()).isEqualTo("column-missing");
    assertThat(api.get(DESK).json()).as("nothing was changed").isEqualTo(desk);

    api.post("/api/v1/months/2026-07/seal");
    assertThat(take("quota.csv", "rep,2026-07\nB,1\n").code()).isEqualTo("month-sealed");
    assertThat(take("quota.csv", "rep,2026-07\nB,500\n").status()).as("unchanged").isEqualTo(200);
  }

  @Test
  void staleDraft_namesTheCellAndWhoChangedIt_andClosedMonthsCannotBeReached() {
    api.put(QUOTA + "/draft", cells("A", "2026-07", "1200"));
    goals("quota", "rep", "month,rep,revenue\n2026-07,A,1001.00\n");
    JsonNode desk = api.get(DESK).json();
    assertThat(desk.at("/draft/stale/0").asString())
        .isEqualTo("Ada Lund, 2026-07 was changed since (quota.csv).");
    Api.Answer refused = api.post(QUOTA + "/draft/apply", "{\"year\": 2027}");
    assertThat(refused.status()).isEqualTo(412);
    assertThat(refused.text("detail")).contains("Ada Lund, 2026-07").contains("quota.csv");
    assertThat(api.delete(QUOTA + "/draft?year=2027").json().get("draft").isNull()).isTrue();

    api.put(QUOTA + "/draft", cells("A", "2026-07", "1200"));
    assertThat(api.post("/api/v1/months/2026-07/seal").status()).isEqualTo(200);
    assertThat(api.post(QUOTA + "/draft/apply", "{\"year\": 2027}").code())
        .isEqualTo("month-sealed");
    assertThat(api.put(QUOTA + "/draft", cells("B", "2026-07", "1")).code())
        .isEqualTo("month-sealed");
    String spread =
        "{\"year\": 2027, \"kind\": \"even\", \"whole\": \"4\", \"parts\": [{\"key\": \"B\", \"month\": \"2026-07\"}]}";
    assertThat(api.post(QUOTA + "/draft/spread", spread).code()).isEqualTo("month-sealed");
  }

  @Test
  void drafts_belongToOnePerson() {
    api.put(QUOTA + "/draft", cells("A", "2026-07", "1200"));
    Api other = server.as("analyst", null);
    assertThat(other.get(DESK).json().get("draft").isNull()).isTrue();
    Api approver = server.as("approver", null);
    assertThat(approver.get(DESK).json().get("canDraft").asBoolean()).isFalse();
    assertThat(approver.put(QUOTA + "/draft", cells("A", "2026-07", "1")).status()).isEqualTo(403);
  }

  @Test
  void badCells_areRefusedAsAWhole_withTheirPlace() {
    for (List<String> bad :
        List.of(
            List.of("A", "2026-07", "12a"),
            List.of("A", "2026-07", "1.005"),
            List.of("A", "2026-07", "99999999999999999"),
            List.of("A", "2030-01", "1"),
            List.of("A", "2026-7", "1"),
            List.of("Z", "2026-07", "1"))) {
      Api.Answer refused =
          api.put(QUOTA + "/draft", cells("B", "2026-08", "1", bad.get(0), bad.get(1), bad.get(2)));
      assertThat(refused.status()).as("%s %s", bad, refused.json()).isBetween(400, 409);
      assertThat(refused.text("detail")).isNotEmpty();
    }
    assertThat(api.get(DESK).json().get("draft").isNull()).isTrue();
  }

  @Test
  void rangesAndRates_areEntered_andRead() {
    String range =
        "{\"axis\": \"rep\", \"measure\": \"revenue\", \"tag\": \"%s\", \"cells\":"
            + " [{\"key\": \"A\", \"month\": \"2026-07\", \"low\": \"90\", \"high\": \"110.5\"}]}";
    String forecast = "/api/v1/goals/forecast?axis=rep&from=2026-07&to=2026-08";
    Api.Answer saved =
        api.put("/api/v1/goals/forecast", range.formatted(api.get(forecast).text("tag")));
    assertThat(saved.status()).as("%s", saved.json()).isEqualTo(200);
    JsonNode read = api.get(forecast).json();
    assertThat(read.at("/rows/0/cells/2026-07/high").asString()).isEqualTo("110.50");
    assertThat(read.at("/totals/2026-07/low").asString()).isEqualTo("90.00");
    api.put(
        "/api/v1/goals/forecast/draft",
        "{\"year\": 2027, \"cells\": [{\"key\": \"A\", \"month\": \"2026-09\", \"low\": \"10\","
            + " \"high\": \"20\"}]}");
    JsonNode ranges = api.get("/api/v1/goals/forecast/desk?year=2027").json();
    assertThat(ranges.at("/rows/0/cells/0").asString()).isEqualTo("90.00 – 110.50");
    assertThat(ranges.at("/rows/0/total").asString()).as("both ends").isEqualTo("100.00 – 130.50");
    assertThat(ranges.at("/total/quarters/0").asString()).isEqualTo("100.00 – 130.50");
    assertThat(ranges.at("/headline/0").asString())
        .contains("adds up to 100.00 EUR at least and 130.50 EUR at most");
    String spread =
        "{\"year\": 2027, \"kind\": \"weights\", \"whole\": \"%s\", \"high\": \"%s\", \"parts\":"
            + " [{\"key\": \"A\", \"month\": \"2026-07\", \"locked\": true},"
            + " {\"key\": \"A\", \"month\": \"2026-08\", \"weight\": \"1\"},"
            + " {\"key\": \"A\", \"month\": \"2026-09\", \"weight\": \"2\"}]}";
    String over = "/api/v1/goals/forecast/draft/spread";
    JsonNode wide = api.post(over, spread.formatted("150.00", "260.50")).json();
    assertThat(wide.at("/rows/0/cells/0").asString()).as("locked").isEqualTo("90.00 – 110.50");
    assertThat(wide.at("/rows/0/cells/1").asString())
        .as("60 and 150 beside the locked one, one to two")
        .isEqualTo("20.00 – 50.00");
    assertThat(wide.at("/rows/0/cells/2").asString()).isEqualTo("40.00 – 100.00");
    assertThat(wide.at("/rows/0/total").asString()).isEqualTo("150.00 – 260.50");
    Api.Answer crossed = api.post(over, spread.formatted("150.00", "140.50"));
    assertThat(crossed.code()).isEqualTo("value-unknown");
    assertThat(crossed.text("detail")).contains("would range from 20.00 to 10.00");
    JsonNode scaled =
        api.post(
                over,
                "{\"year\": 2027, \"kind\": \"as-it-stands\", \"factor\": \"1.1\", \"parts\":"
                    + " [{\"key\": \"A\", \"month\": \"2026-08\"}]}")
            .json();
    assertThat(scaled.at("/rows/0/cells/1").asString()).isEqualTo("22.00 – 55.00");
    api.delete("/api/v1/goals/forecast/draft?year=2027");
    assertThat(
            api.get("/api/v1/standing?axis=rep&from=2026-07&to=2026-07&goalSet=forecast")
                .json()
                .at("/rows/0/goalHigh")
                .asString())
        .isEqualTo("110.50");

    api.put(
        "/api/v1/rules",
        """
        {"measures": [{"code": "returns", "unit": "EUR", "scale": 2, "direction": "LOWER"},
          {"code": "returnRate", "quotient": ["returns", "revenue"], "direction": "LOWER"}]}
        """);
    String limits = "/api/v1/goals/limits?axis=rep&measure=returnRate&from=2026-07&to=2026-08";
    Api.Answer rate =
        api.put(
            "/api/v1/goals/limits",
            ("{\"axis\": \"rep\", \"measure\": \"returnRate\", \"tag\": \"%s\", \"cells\":"
                    + " [{\"key\": \"A\", \"month\": \"2026-07\", \"amount\": \"0.012\"},"
                    + " {\"key\": \"C\", \"month\": \"2026-08\", \"amount\": \"0.02\"}]}")
                .formatted(api.get(limits).text("tag")));
    assertThat(rate.status()).as("%s", rate.json()).isEqualTo(200);
    JsonNode limit = api.get(limits).json();
    assertThat(limit.at("/rows/0/total").asString()).isEqualTo("0.012");
    assertThat(limit.at("/rows/1/total").isNull()).as("nothing to divide by").isTrue();
    JsonNode desk = api.get("/api/v1/goals/limits/desk?measure=returnRate&year=2027").json();
    assertThat(row(desk, "A").at("/total").asString()).isEqualTo("0.012");
    assertThat(row(desk, "C").at("/total").isNull()).isTrue();
    assertThat(desk.at("/total/quarters/0").asString()).isEqualTo("0.012");

    String rates =
        "{\"year\": 2027, \"measure\": \"returnRate\", %s, \"parts\":"
            + " [{\"key\": \"A\", \"month\": \"2026-07\"}, {\"key\": \"A\", \"month\": \"2026-08\"}]}";
    String into = "/api/v1/goals/limits/draft/spread";
    JsonNode set = api.post(into, rates.formatted("\"whole\": \"0.03\"")).json();
    assertThat(row(set, "A").at("/cells/0").asString()).isEqualTo("0.03");
    assertThat(row(set, "A").at("/cells/1").asString()).as("the same in each").isEqualTo("0.03");
    JsonNode half = api.post(into, rates.formatted("\"factor\": \"0.5\"")).json();
    assertThat(row(half, "A").at("/cells/1").asString()).isEqualTo("0.015");
    assertThat(api.post(into, rates.formatted("\"step\": \"0.001\"")).text("detail"))
        .contains("Give either a rate");
  }
}
