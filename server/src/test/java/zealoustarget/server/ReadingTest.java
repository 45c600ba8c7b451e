package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Standings, proofs, paths and rules over HTTP. */
class ReadingTest {
  @TempDir static Path data;
  private static RunningServer server;
  private static Api api;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.put("/api/v1/playbook", "{\"calendar\": {\"startMonth\": 7, \"yearNamedBy\": \"end\"}}");
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Ines,North,Tull,2025-01\nK2,Jorun,South,Oster,2025-01\n",
        "kind",
        "roster");
    api.loadAndPost("products.csv", "product,name,line\nP1,Cleat,deck\n", "kind", "products");
    StringBuilder lines = new StringBuilder("date,rep,product,region,revenue\n");
    for (int day = 1; day <= 28; day++) {
      lines.append("2026-10-%02d,K1,P1,,10.00\n".formatted(day));
    }
    lines.append("2026-10-01,K2,,North,99.96\n").append("2026-09-01,,P1,,7.00\n");
    api.loadAndPost("october.csv", lines.toString(), "kind", "actuals");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-10,K1,300\n2026-10,K2,100\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  @ParameterizedTest
  @CsvSource({
    "axis=team, value-unknown, axis",
    "measure=joy, value-unknown, measure",
    "goalSet=plan, value-unknown, goalSet",
    "basis=next-year, value-unknown, basis",
    "region=Mars, value-unknown, region",
    "rep=K9, value-unknown, rep",
    "from=2026-13, month-unreadable, from",
    "to=October, month-unreadable, to",
  })
  void unknownValue_is400_withItsName(String query, String code, String name) {
    Api.Answer answer = api.get("/api/v1/standing?" + query);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo(code);
    assertThat(answer.text("name")).isEqualTo(name);
    if (code.equals("value-unknown")) {
      assertThat(answer.json().get("allowed")).isNotNull();
    }
  }

  @ParameterizedTest
  @CsvSource({
    "from=2026-10&to=2026-09, span-backwards",
    "from=1990-01&to=2026-09, span-too-long",
    "basis=prior-year&factor=-1, factor-unreadable",
    "basis=prior-year&factor=0, factor-unreadable",
    "basis=prior-year&factor=1.1234567, factor-unreadable",
    "goalSet=quota&basis=prior-year, two-bases",
  })
  void contradictoryQuery_is400(String query, String code) {
    Api.Answer answer = api.get("/api/v1/standing?" + query);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo(code);
  }

  @Test
  void allowedValues_areNamed() {
    assertThat(api.get("/api/v1/standing?axis=team").json().get("allowed").toString())
        .isEqualTo("[\"rep\",\"region\",\"product\",\"line\",\"manager\",\"company\"]");
    assertThat(api.get("/api/v1/standing?region=Mars").text("detail")).contains("North, South");
  }

  @Test
  void withoutMonths_theLastPostedOneIsRead() {
    JsonNode standing = api.get("/api/v1/standing").json();
    assertThat(standing.get("from").asString()).isEqualTo("2026-10");
    assertThat(standing.at("/total/actual").asString()).isEqualTo("379.96");
  }

  @Test
  void nearMiss_isNotShownAsReached() {
    JsonNode row = row("/api/v1/standing?goalSet=quota", "K2");
    assertThat(row.get("percentShown").asString()).isEqualTo("99.96");
    assertThat(row.get("status").asString()).isEqualTo("near");
  }

  @Test
  void linesOwnRegion_winsOverTheRosters() {
    JsonNode rows = api.get("/api/v1/standing?axis=region&from=2026-10").json().get("rows");
    assertThat(rows).hasSize(1);
    assertThat(rows.get(0).get("actual").asString()).isEqualTo("379.96");
  }

  @Test
  void lineWithoutMemberOfTheAxis_countsInTheTotal_andIsSaid() {
    JsonNode standing = api.get("/api/v1/standing?axis=rep&from=2026-09").json();
    assertThat(standing.get("rows")).isEmpty();
    assertThat(standing.at("/total/actual").asString()).isEqualTo("7.00");
    assertThat(standing.at("/noGoal/actual").asString()).isEqualTo("7.00");
    assertThat(standing.at("/unassigned/lines").asInt()).isEqualTo(1);
  }

  @Test
  void companyAxis_hasOneRow() {
    JsonNode rows = api.get("/api/v1/standing?axis=company").json().get("rows");
    assertThat(rows).hasSize(1);
    assertThat(rows.get(0).get("actual").asString()).isEqualTo("379.96");
  }

  @Test
  void proof_hasInputsRungAndPagedSourceLines() {
    String path = "/api/v1/standing/rep/K1/proof?from=2026-10&goalSet=quota&size=10&page=2";
    JsonNode proof = api.get(path).json();
    assertThat(proof.at("/inputs/attainment").asString()).isEqualTo("0.933333");
    assertThat(proof.at("/rung/name").asString()).isEqualTo("near");
    assertThat(proof.at("/rung/number").asInt()).isEqualTo(2);
    assertThat(proof.at("/rung/from").asString()).isEqualTo("0.9");
    assertThat(proof.at("/rowCount").asInt()).isEqualTo(28);
    assertThat(proof.at("/rows")).hasSize(8);
    assertThat(proof.at("/rows/7/file").asString()).isEqualTo("october.csv");
    assertThat(proof.at("/rows/7/line").asInt()).isEqualTo(29);
    assertThat(proof.at("/rows/7/amount").asString()).isEqualTo("10.00");
    assertThat(proof.at("/goalRows/0/line").asInt()).isEqualTo(2);
  }

  @Test
  void proof_ofTheTotal_ofNobody_andOfABadPage() {
    assertThat(api.get("/api/v1/standing/rep/*/proof?from=2026-10").json().get("rowCount").asInt())
        .isEqualTo(29);
    assertThat(api.get("/api/v1/standing/rep/K9/proof").code()).isEqualTo("member-unknown");
    assertThat(api.get("/api/v1/standing/rep/K9/proof").status()).isEqualTo(404);
    assertThat(api.get("/api/v1/standing/team/K1/proof").status()).isEqualTo(400);
    assertThat(api.get("/api/v1/standing/rep/K1/proof?size=0").code()).isEqualTo("value-unknown");
    assertThat(api.get("/api/v1/standing/rep/K1/proof?page=x").status()).isEqualTo(400);
  }

  @Test
  void path_isTheFiscalYear_andTheStripSaysWhatIsPosted() {
    JsonNode path = api.get("/api/v1/standing/rep/K1/path?from=2026-10&goalSet=quota").json();
    assertThat(path.get("months")).hasSize(12);
    assertThat(path.at("/months/3/month").asString()).isEqualTo("2026-10");
    assertThat(path.at("/months/3/reading/goal").asString()).isEqualTo("300.00");
    JsonNode strip = api.get("/api/v1/months?year=2027&axis=region&goalSet=quota").json();
    assertThat(strip.at("/months/2/state").asString()).isEqualTo("open");
    assertThat(strip.at("/months/4/state").asString()).isEqualTo("empty");
    assertThat(strip.at("/months/3/reading/goal").asString()).isEqualTo("400.00");
  }

  @Test
  void membersAreFound_byPartOfNameOrKey() {
    assertThat(api.get("/api/v1/members?text=INE").json().toString())
        .isEqualTo("[{\"axis\":\"rep\",\"key\":\"K1\",\"name\":\"Ines\"}]");
    assertThat(api.get("/api/v1/members?text=deck").json()).hasSize(1);
    assertThat(api.get("/api/v1/members?text=zz").json()).isEmpty();
  }

  @Test
  void company_namesWhatCanBeChosen() {
    JsonNode company = api.get("/api/v1/company").json();
    assertThat(company.get("lastMonth").asString()).isEqualTo("2026-10");
    assertThat(company.at("/goalSets/0/measures/0").asString()).isEqualTo("revenue");
    assertThat(company.at("/calendar/startMonth").asInt()).isEqualTo(7);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"calendar\": {\"startMonth\": 13}} | calendar.startMonth",
        "{\"calendar\": {\"startMonth\": 7, \"moon\": 1}} | calendar.moon",
        "{\"measures\": [{\"code\": \"x\", \"unit\": \"EUR\", \"scale\": 9, \"direction\": \"LOWER\"}]} | measures[0]",
        "{\"measures\": [{\"code\": \"rep\", \"unit\": \"EUR\", \"scale\": 2, \"direction\": \"LOWER\"}]} | measures[0].code",
        "{\"measures\": [{\"code\": \"x\", \"unit\": \"EUR\", \"scale\": 2, \"direction\": \"UP\"}]} | measures[0].direction",
        "{\"ladders\": [{\"measure\": \"joy\", \"scale\": \"value\", \"rungs\": []}]} | ladders[0].measure",
        "{\"ladders\": [{\"measure\": \"revenue\", \"scale\": \"mood\", \"rungs\": []}]} | ladders[0].scale",
        "{\"ladders\": [{\"measure\": \"revenue\", \"scale\": \"value\", \"rungs\": []}]} | ladders[0].rungs",
        "{\"ladders\": [{\"measure\": \"revenue\", \"scale\": \"value\", \"rungs\": [{\"name\": \"a\", \"tone\": \"good\"}, {\"name\": \"b\", \"tone\": \"bad\", \"from\": \"x\"}]}]} | ladders[0].rungs[1].from",
        "{\"moods\": []} | moods",
        "[] | the file"
      })
  void playbookWithAFault_namesThePlace_andChangesNothing(String file, String place) {
    JsonNode before = api.get("/api/v1/playbook").json();
    Api.Answer answer = api.put("/api/v1/playbook", file);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo("playbook-invalid");
    assertThat(answer.text("place")).isEqualTo(place);
    assertThat(api.get("/api/v1/playbook").json()).isEqualTo(before);
  }

  @Test
  void playbook_partsAreAllOrNothing_andWhatIsGotCanBePut() {
    String half =
        "{\"company\": {\"name\": \"Half\"}, \"measures\": [{\"code\": \"revenue\","
            + " \"unit\": \"EUR\", \"scale\": 3, \"direction\": \"HIGHER\"}]}";
    assertThat(api.put("/api/v1/playbook", half).code()).isEqualTo("measure-in-use");
    JsonNode whole = api.get("/api/v1/playbook").json();
    assertThat(whole.at("/company/name").asString()).isEqualTo("My company");
    assertThat(api.put("/api/v1/playbook", whole.toString()).json().get("measures"))
        .isEqualTo(whole.get("measures"));
    assertThat(api.put("/api/v1/playbook", "{not json").code()).isEqualTo("request-unreadable");
  }

  @Test
  void closestLadder_judges() {
    String ladder =
        "{\"ladders\": [{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"axis\": \"company\","
            + " \"scale\": \"value\", \"rungs\": [{\"name\": \"small\", \"tone\": \"near\"},"
            + " {\"name\": \"large\", \"tone\": \"good\", \"from\": \"379.96\"}]}]}";
    assertThat(api.put("/api/v1/playbook", ladder).status()).isEqualTo(200);
    JsonNode company = api.get("/api/v1/standing?axis=company&goalSet=quota").json();
    assertThat(company.at("/rows/0/status").asString()).isEqualTo("large");
    assertThat(company.get("ladder").asString()).isEqualTo("revenue against quota by company");
    assertThat(row("/api/v1/standing?goalSet=quota", "K2").get("status").asString())
        .isEqualTo("near");
  }

  @Test
  void otherSites_andUnknownRoutes_areRefusedWithACode() {
    HttpRequest.Builder fromElsewhere =
        api.request("/api/v1/loads/1/reverse")
            .header("Origin", "http://elsewhere.example")
            .POST(BodyPublishers.noBody());
    HttpResponse<String> refused = api.raw(fromElsewhere.build());
    assertThat(refused.statusCode()).isEqualTo(403);
    assertThat(refused.body()).contains("cross-site");
    assertThat(api.get("/api/v1/nothing").code()).isEqualTo("not-found");
    assertThat(api.delete("/api/v1/standing").code()).isEqualTo("method-not-allowed");
    assertThat(api.get("/api/v1/loads/abc").code()).isEqualTo("request-unreadable");
  }

  @Test
  void description_namesEveryRoute() {
    JsonNode description = api.get("/v3/api-docs").json();
    assertThat(description.at("/info/title").asString()).isEqualTo("Zealous Target");
    assertThat(description.at("/components/securitySchemes/basic/scheme").asString())
        .isEqualTo("basic");
    JsonNode paths = description.get("paths");
    for (String path :
        new String[] {
          "/api/v1/health",
          "/api/v1/loads",
          "/api/v1/loads/{id}/post",
          "/api/v1/standing",
          "/api/v1/standing/{axis}/{key}/proof",
          "/api/v1/playbook",
          "/api/v1/months"
        }) {
      assertThat(paths.has(path)).as(path).isTrue();
    }
  }

  private static JsonNode row(String path, String key) {
    return api.get(path)
        .json()
        .get("rows")
        .valueStream()
        .filter(row -> row.get("key").asString().equals(key))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void writing_isThatOfSentencesAndExports_andReadsWhatAFileLeavesOpen() {
    write("{\"decimal\": \",\", \"grouping\": \".\", \"dates\": \"dmy\"}");
    try {
      JsonNode said = api.get("/api/v1/company").json().get("writing");
      assertThat(said.get("decimal").asString()).isEqualTo(",");
      assertThat(said.get("isSet").asBoolean()).isTrue();
      assertThat(api.get("/api/v1/standing?goalSet=quota").json().get("headline").toString())
          .contains("5,0")
          .doesNotContain("5.0");
      String csv =
          api.raw(api.request("/api/v1/standing/export.csv?goalSet=quota").GET().build()).body();
      assertThat(csv).contains("Jorun;K2;South;99,96;100,00;-0,04;");
      JsonNode staged =
          api.load(
                  "open.csv",
                  "date,rep,revenue\n03/02/2026,K1,1.250\n",
                  "kind",
                  "actuals",
                  "controlTotal",
                  "revenue=1.250")
              .json();
      assertThat(staged.at("/sums/revenue/ready").asString()).isEqualTo("1250.00");
      assertThat(staged.get("findings").toString())
          .contains("1.250,00 is 125 times the usual amount of K1 (10,00).");
      assertThat(staged.at("/controlTotal/met").toString()).contains("true");
    } finally {
      write("null");
    }
    assertThat(
            api.load("open.csv", "date,rep,revenue\n03/02/2026,K1,1.250\n", "kind", "actuals")
                .json()
                .at("/sums/revenue/held")
                .asString())
        .as("not set: an open mark and an open date are asked for")
        .isEqualTo("0.00");
  }

  private static void write(String writing) {
    String company = "{\"company\": {\"writing\": %s}}".formatted(writing);
    assertThat(api.put("/api/v1/playbook", company).status()).isEqualTo(200);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"name\": \"\"} | company.name",
        "{\"timeZone\": \"Mars/Base\"} | company.timeZone",
        "{\"writing\": {\"decimal\": \";\"}} | company.writing.decimal",
        "{\"writing\": {\"grouping\": \"_\"}} | company.writing.grouping",
        "{\"writing\": {\"dates\": \"ydm\"}} | company.writing.dates",
        "{\"writing\": {\"weekStart\": \"feast\"}} | company.writing.weekStart",
        "{\"writing\": {\"decimal\": \",\", \"grouping\": \",\"}} | company.writing",
      })
  void companyFault_isRefusedWithItsPlace(String company, String place) {
    Api.Answer answer = api.put("/api/v1/playbook", "{\"company\": %s}".formatted(company));
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.text("place")).isEqualTo(place);
  }

  @Test
  void companyParts_stayWhereTheyAreNotNamed() {
    String all =
        "{\"company\": {\"name\": \"Reef\", \"timeZone\": \"Europe/Lisbon\","
            + " \"writing\": {\"grouping\": \" \", \"weekStart\": \"Sunday\"}}}";
    assertThat(api.put("/api/v1/playbook", all).status()).isEqualTo(200);
    api.put("/api/v1/playbook", "{\"company\": {\"writing\": {\"decimal\": \",\"}}}");
    JsonNode company = api.get("/api/v1/playbook").json().get("company");
    assertThat(company.toString())
        .isEqualTo(
            "{\"name\":\"Reef\",\"timeZone\":\"Europe/Lisbon\",\"writing\":{\"decimal\":\",\","
                + "\"grouping\":\" \",\"weekStart\":\"sunday\"}}");
    api.put(
        "/api/v1/playbook",
        "{\"company\": {\"name\": \"My company\", \"timeZone\": null, \"writing\": null}}");
  }
}
