package zealoustarget.server.outlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Snapshots of deals from their files to the outlook, over HTTP. */
class OutlookTest {
  private static final String QUARTER = "from=2026-10&to=2026-12&goalSet=quota";
  private static final String OCTOBER =
      """
      deal,rep,product,revenue,likelihood,closes,state
      D1,K1,P1,300.00,50 %,2026-11,open
      D2,K1,P2,200.00,80 %,2026-12,open
      D3,K2,P1,900.00,10 %,2026-12,open
      D4,K3,,50.00,40 %,2026-12,open
      """;
  private static final String NOVEMBER =
      """
      deal,rep,product,revenue,likelihood,closes,state
      D1,K1,P1,300.00,100 %,2026-11,won
      D2,K1,P2,250.00,80 %,2026-12,open
      D3,K2,P1,900.00,10 %,2026-10,open
      D5,K3,,70.00,40 %,2026-12,open
      """;

  @TempDir Path data;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost(
        "roster.csv",
        """
        rep,name,region,manager,from
        K1,Dario Venn,North,Tull,2025-01
        K2,Mina Castellan,North,Tull,2025-01
        K3,Kaia Thorsby,South,Oster,2025-01
        """,
        "kind",
        "roster");
    api.loadAndPost(
        "products.csv",
        "product,name,line\nP1,Anchor,Deck\nP2,Plotter,Navigation\n",
        "kind",
        "products");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-10,K1,1000.00\n2026-10,K2,1000.00\n2026-10,K3,100.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    api.loadAndPost(
        "sold.csv", "month,rep,revenue\n2026-10,K1,600.00\n2026-10,K2,200.00\n", "kind", "actuals");
  }

  @AfterEach
  void stop() {
    server.close();
  }

  private int snapshot(String day, String lines) {
    return api.loadAndPost("deals.csv", lines, "kind", "deals", "asOf", day);
  }

  private JsonNode outlook(String more) {
    Api.Answer answer = api.get("/api/v1/outlook?" + QUARTER + more);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    return answer.json();
  }

  private static JsonNode row(JsonNode answer, String key) {
    for (JsonNode row : answer.get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row;
      }
    }
    throw new AssertionError("no row " + key);
  }

  private static List<String> texts(JsonNode list, String name) {
    List<String> texts = new ArrayList<>();
    list.forEach(one -> texts.add(one.get(name).asString()));
    return texts;
  }

  @Test
  void snapshotTakenBack_leavesNoTrace() {
    JsonNode none = outlook("");
    assertThat(none.get("asOf").isNull()).isTrue();
    assertThat(none.at("/total/open").asString()).isEqualTo("0.00");
    snapshot("2026-10-20", OCTOBER);
    JsonNode before = outlook("");
    JsonNode standing = api.get("/api/v1/standing?" + QUARTER).json();
    int later = snapshot("2026-11-20", NOVEMBER);
    assertThat(outlook("")).isNotEqualTo(before);
    assertThat(api.get("/api/v1/standing?" + QUARTER).json()).isEqualTo(standing);
    assertThat(api.post("/api/v1/loads/" + later + "/reverse").status()).isEqualTo(200);
    assertThat(outlook("")).isEqualTo(before);
  }

  @Test
  void outlook_isOfTheSnapshotInForce_inSentencesToo() {
    snapshot("2026-11-20", NOVEMBER);
    snapshot("2026-10-20", OCTOBER);
    JsonNode latest = outlook("");
    assertThat(latest.get("asOf").asString()).isEqualTo("2026-11-20");
    assertThat(texts(latest.get("snapshots"), "asOf")).containsExactly("2026-11-20", "2026-10-20");
    assertThat(row(latest, "K1").get("weighted").asString()).isEqualTo("200.00");
    assertThat(row(latest, "K2").get("overdue").asString()).isEqualTo("900.00");
    assertThat(row(latest, "K2").at("/shown/expectedPercent").asString()).isEqualTo("20.0");
    assertThat(String.join("", texts(latest.get("headline"), "text")))
        .isEqualTo(
            "Quarter 4 of fiscal 2026 should end 51.0 % short of quota with its open deals. Three"
                + " reps could win every deal and still miss.");
    assertThat(texts(latest.get("insights"), "text"))
        .containsExactly(
            "Two open deals hold 320.00 EUR.",
            "900.00 EUR is overdue.",
            "Mina Castellan, Dario Venn and Kaia Thorsby have too few deals.");
    JsonNode early = outlook("&asOf=2026-11-19");
    assertThat(early.get("asOf").asString()).isEqualTo("2026-10-20");
    assertThat(texts(early.get("insights"), "text"))
        .contains("Mina Castellan reaches the goal only with deal D3 (900.00 EUR).");
    JsonNode before = outlook("&asOf=2026-10-01");
    assertThat(before.get("asOf").isNull()).isTrue();
    assertThat(String.join("", texts(before.get("headline"), "text"))).contains("No deals");
  }

  @ParameterizedTest(name = "{0} in {1}")
  @CsvSource({
    "product, , P1|P2, 1200.00|200.00",
    "region, , North|South, 1400.00|50.00",
    "line, , Deck|Navigation, 1200.00|200.00",
    "rep, line, K1|K2|K3|K1|K2|K1, 0.00|0.00|50.00|300.00|900.00|200.00"
  })
  void anyAxis_andGroups(String axis, String group, String keys, String open) {
    snapshot("2026-10-20", OCTOBER);
    JsonNode answer =
        api.get(
                "/api/v1/outlook?from=2026-10&to=2026-12&axis="
                    + axis
                    + (group == null ? "" : "&group=" + group))
            .json();
    assertThat(texts(answer.get("rows"), "key")).containsExactly(keys.split("\\|"));
    assertThat(texts(answer.get("rows"), "open")).containsExactly(open.split("\\|"));
    assertThat(answer.at("/total/open").asString()).isEqualTo("1450.00");
  }

  @Test
  void narrowedRows_haveATotalOfThemselves() {
    snapshot("2026-10-20", OCTOBER);
    JsonNode some = outlook("&text=kaia");
    assertThat(texts(some.get("rows"), "key")).containsExactly("K3");
    assertThat(some.at("/total/open").asString()).isEqualTo("50.00");
    JsonNode north = outlook("&region=North");
    assertThat(north.at("/total/open").asString()).isEqualTo("1400.00");
  }

  @Test
  void linesThatWereHeldBack_joinTheirSnapshot() {
    String broken = NOVEMBER.replace("D5,K3,,70.00,40 %", "D5,K3,,70.00,often");
    Api.Answer staged = api.load("deals.csv", broken, "kind", "deals", "asOf", "2026-11-20");
    int id = staged.json().get("id").asInt();
    assertThat(staged.json().get("held").asInt()).isOne();
    assertThat(staged.json().get("asOf").asString()).isEqualTo("2026-11-20");
    api.post("/api/v1/loads/" + id + "/post?held=leave");
    assertThat(outlook("").at("/total/open").asString()).isEqualTo("250.00");
    int rest = api.post("/api/v1/loads/" + id + "/remainder").json().get("id").asInt();
    Api.Answer mended =
        api.post(
            "/api/v1/loads/" + rest + "/fixes",
            "{\"action\": \"rewrite\", \"lines\": [2], \"column\": 4, \"value\": \"40 %\"}");
    assertThat(mended.status()).as("%s", mended.json()).isEqualTo(200);
    assertThat(api.post("/api/v1/loads/" + rest + "/post").status()).isEqualTo(200);
    JsonNode whole = outlook("");
    assertThat(whole.at("/total/open").asString()).isEqualTo("320.00");
    assertThat(whole.get("snapshots")).hasSize(1);
    JsonNode deals = api.get("/api/v1/outlook/rep/K3/deals?" + QUARTER).json().get("deals");
    assertThat(deals.get(0).get("load").asInt()).isEqualTo(rest);
    assertThat(api.post("/api/v1/loads/" + rest + "/reverse").status()).isEqualTo(200);
    assertThat(outlook("").at("/total/open").asString()).isEqualTo("250.00");
  }

  @Test
  void deals_areListedWithTheirProof_byKindAndByStep() {
    int first = snapshot("2026-10-20", OCTOBER);
    int second = snapshot("2026-11-20", NOVEMBER);
    String at = "/api/v1/outlook/rep/*/deals?" + QUARTER;
    JsonNode open = api.get(at).json();
    assertThat(texts(open.get("deals"), "deal")).containsExactly("D2", "D5");
    assertThat(open.get("sum").asString()).isEqualTo("320.00");
    assertThat(open.get("likelihoodShown").asString()).isEqualTo("71.3");
    JsonNode one = open.get("deals").get(0);
    assertThat(one.get("load").asInt()).isEqualTo(second);
    assertThat(one.get("line").asInt()).isEqualTo(3);
    assertThat(one.get("productName").asString()).isEqualTo("Plotter");
    assertThat(texts(api.get(at + "&kind=overdue").json().get("deals"), "deal"))
        .containsExactly("D3");
    assertThat(texts(api.get(at + "&kind=raised").json().get("deals"), "moved"))
        .containsExactly("50.00");
    JsonNode gone = api.get(at + "&kind=gone").json().get("deals").get(0);
    assertThat(gone.get("deal").asString()).isEqualTo("D4");
    assertThat(gone.get("load").asInt()).isEqualTo(first);
    assertThat(api.get(at + "&kind=sideways").code()).isEqualTo("value-unknown");
    JsonNode history = api.get("/api/v1/outlook/deals/d2/history?" + QUARTER).json();
    assertThat(texts(history.get("snapshots"), "asOf")).containsExactly("2026-11-20", "2026-10-20");
    assertThat(history.at("/snapshots/1/deal/amount").asString()).isEqualTo("200.00");
    assertThat(api.get("/api/v1/outlook/deals/D9/history").code()).isEqualTo("deal-unknown");
  }

  @Test
  void bridge_isOfTheLatestTwo_unlessDaysAreGiven() {
    assertThat(api.get("/api/v1/outlook/bridge?" + QUARTER).json().get("since").isNull()).isTrue();
    snapshot("2026-10-20", OCTOBER);
    snapshot("2026-11-20", NOVEMBER);
    JsonNode bridge = api.get("/api/v1/outlook/bridge?" + QUARTER).json();
    assertThat(bridge.get("since").asString()).isEqualTo("2026-10-20");
    assertThat(bridge.get("before").asString()).isEqualTo("1450.00");
    assertThat(bridge.get("movedOut").asString()).isEqualTo("900.00");
    assertThat(bridge.get("won").asString()).isEqualTo("300.00");
    assertThat(bridge.get("after").asString()).isEqualTo("320.00");
    assertThat(
            api.get("/api/v1/outlook/bridge?" + QUARTER + "&asOf=2026-10-20")
                .json()
                .get("since")
                .isNull())
        .as("nothing before it")
        .isTrue();
    String days = "/api/v1/outlook/bridge?" + QUARTER + "&since=%s&asOf=%s";
    assertThat(api.get(days.formatted("2026-10-21", "2026-11-20")).code())
        .isEqualTo("snapshot-unknown");
    assertThat(api.get(days.formatted("2026-11-20", "2026-10-20")).code())
        .isEqualTo("snapshot-unknown");
    assertThat(api.get(days.formatted("soon", "2026-10-20")).code()).isEqualTo("day-unreadable");
  }

  @Test
  void repSeesOwnDeals_managerThoseOfTheTeam_andBridgesOfThem() {
    snapshot("2026-10-20", OCTOBER);
    snapshot("2026-11-20", NOVEMBER);
    Api rep = server.as("rep", "K3");
    Api manager = server.as("manager", "Tull");
    String at = "/api/v1/outlook?" + QUARTER;
    assertThat(texts(rep.get(at).json().get("rows"), "key")).containsExactly("K3");
    assertThat(rep.get(at).json().at("/total/open").asString()).isEqualTo("70.00");
    assertThat(texts(manager.get(at).json().get("rows"), "key")).containsExactly("K1", "K2");
    assertThat(manager.get(at).json().at("/total/open").asString()).isEqualTo("250.00");
    String bridge = "/api/v1/outlook/bridge?" + QUARTER;
    assertThat(rep.get(bridge).json().get("before").asString()).isEqualTo("50.00");
    assertThat(manager.get(bridge).json().get("before").asString()).isEqualTo("1400.00");
    String deals = "/api/v1/outlook/rep/*/deals?" + QUARTER;
    assertThat(texts(rep.get(deals).json().get("deals"), "deal")).containsExactly("D5");
    assertThat(rep.get("/api/v1/outlook/deals/D1/history?" + QUARTER).code())
        .isEqualTo("deal-unknown");
    assertThat(rep.get("/api/v1/outlook/rep/K1/deals?" + QUARTER).code())
        .isEqualTo("value-unknown");
  }

  private static Api.Answer override(Api as, String deal, String body) {
    return as.put("/api/v1/outlook/deals/" + deal + "/override", body);
  }

  @Test
  void override_countsUntilTheSourceSaysSomethingElse_andIsMarkedAndInTheTrail() {
    snapshot("2026-10-20", OCTOBER);
    JsonNode before = outlook("");
    assertThat(
            override(
                    api,
                    "d2",
                    "{\"likelihood\": \"0.25\", \"amount\": \"100.00\", \"closes\": \"2026-11\","
                        + " \"reason\": \"Budget was cut\"}")
                .status())
        .isEqualTo(204);
    JsonNode now = outlook("");
    assertThat(row(now, "K1").get("open").asString()).isEqualTo("400.00");
    assertThat(row(now, "K1").get("weighted").asString()).isEqualTo("175.00");
    assertThat(now.at("/overridden/deals").asInt()).isOne();
    assertThat(now.at("/overridden/weighted").asString())
        .isEqualTo(before.at("/total/weighted").asString());
    JsonNode deal = api.get("/api/v1/outlook/rep/K1/deals?" + QUARTER).json().get("deals").get(1);
    assertThat(deal.get("amount").asString()).isEqualTo("100.00");
    assertThat(deal.at("/override/amount").asString()).isEqualTo("200.00");
    assertThat(deal.at("/override/likelihoodShown").asString()).isEqualTo("80.0");
    assertThat(deal.at("/override/closes").asString()).isEqualTo("2026-12");
    assertThat(deal.at("/override/reason").asString()).isEqualTo("Budget was cut");
    assertThat(
            api.get("/api/v1/outlook/deals/D2/history?" + QUARTER)
                .json()
                .at("/snapshots/0/deal/likelihoodShown")
                .asString())
        .as("what the snapshot said")
        .isEqualTo("80.0");
    JsonNode trail = api.get("/api/v1/audit").json();
    assertThat(trail.toString())
        .contains("deal D2 (Dario Venn)")
        .contains("80.0 % → 25.0 %, 2026-12 → 2026-11, 200.00 → 100.00: Budget was cut");
    int later = snapshot("2026-11-20", NOVEMBER);
    assertThat(row(outlook(""), "K1").get("weighted").asString())
        .as("likelihood and month are as they were, the amount is another")
        .isEqualTo("62.50");
    api.post("/api/v1/loads/" + later + "/reverse");
    assertThat(api.delete("/api/v1/outlook/deals/D2/override").status()).isEqualTo(204);
    assertThat(outlook("")).isEqualTo(before);
  }

  @Test
  void override_isForOpenDeals_withAReason_byWhoMayOnly() {
    snapshot("2026-11-20", NOVEMBER);
    String fair = "{\"likelihood\": \"0.5\", \"reason\": \"told so\"}";
    assertThat(override(api, "D1", fair).code()).isEqualTo("deal-not-open");
    assertThat(override(api, "D9", fair).code()).isEqualTo("deal-unknown");
    for (String body :
        List.of(
            "{\"likelihood\": \"0.5\"}",
            "{\"likelihood\": \"1.5\", \"reason\": \"x\"}",
            "{\"likelihood\": \"half\", \"reason\": \"x\"}",
            "{\"amount\": \"-1\", \"reason\": \"x\"}",
            "{\"amount\": \"1\", \"measure\": \"units\", \"reason\": \"x\"}",
            "{\"amount\": \"1.001\", \"reason\": \"x\"}")) {
      assertThat(override(api, "D2", body).code()).as(body).isEqualTo("override-invalid");
    }
    assertThat(override(api, "D2", "{\"closes\": \"soon\", \"reason\": \"x\"}").code())
        .isEqualTo("month-unreadable");
    assertThat(override(server.as("rep", "K1"), "D2", fair).status()).isEqualTo(204);
    assertThat(override(server.as("rep", "K3"), "D2", fair).code()).isEqualTo("deal-unknown");
    assertThat(override(server.as("manager", "Tull"), "D2", fair).code()).isEqualTo("not-allowed");
    assertThat(override(server.as("approver", null), "D2", fair).code()).isEqualTo("not-allowed");
  }

  private static final String BOOKINGS =
      "{\"measures\": [{\"code\": \"bookings\", \"unit\": \"EUR\", \"scale\": 2, \"direction\":"
          + " \"HIGHER\", \"fedBy\": %s}]}";

  private void feed(String by) {
    assertThat(api.put("/api/v1/rules", BOOKINGS.formatted(by)).status()).isEqualTo(200);
  }

  private String booked(String months) {
    return api.get("/api/v1/standing?measure=bookings&" + months)
        .json()
        .at("/total/actual")
        .asString();
  }

  @Test
  void measureFedByWonDeals_isReadFromTheSnapshotInForce_alsoForQuotas() {
    feed("\"won-deals\"");
    String first =
        OCTOBER.replace(",revenue,", ",bookings,").replace("10 %,2026-12,open", "0 %,2026-10,won");
    String second = NOVEMBER.replace(",revenue,", ",bookings,");
    snapshot("2026-10-20", first);
    assertThat(booked("from=2026-10&to=2026-12")).isEqualTo("900.00");
    int later = snapshot("2026-11-20", second);
    assertThat(booked("from=2026-10")).isEqualTo("0.00");
    assertThat(booked("from=2026-11")).isEqualTo("300.00");
    api.loadAndPost(
        "bookings quota.csv",
        "month,rep,bookings\n2026-11,K1,400.00\n",
        "kind",
        "goals",
        "goalSet",
        "bookings",
        "axis",
        "rep");
    JsonNode outlook =
        api.get("/api/v1/outlook?measure=bookings&from=2026-10&to=2026-12&goalSet=bookings").json();
    assertThat(row(outlook, "K1").get("actual").asString()).isEqualTo("300.00");
    assertThat(row(outlook, "K1").get("expected").asString()).isEqualTo("500.00");
    JsonNode proof = api.get("/api/v1/standing/rep/K1/proof?measure=bookings&from=2026-11").json();
    assertThat(proof.toString()).contains("\"load\":" + later).contains("\"line\":2");
    assertThat(api.get("/api/v1/rules").json().toString()).contains("\"fedBy\":\"won-deals\"");
    api.post("/api/v1/loads/" + later + "/reverse");
    assertThat(booked("from=2026-10")).isEqualTo("900.00");
  }

  @Test
  void wonDealThatChangesAClosedMonth_isACorrection() {
    feed("\"won-deals\"");
    snapshot(
        "2026-10-20",
        OCTOBER.replace(",revenue,", ",bookings,").replace("10 %,2026-12,open", "0 %,2026-10,won"));
    assertThat(api.post("/api/v1/months/2026-10/seal").status()).isEqualTo(200);
    snapshot("2026-11-20", NOVEMBER.replace(",revenue,", ",bookings,"));
    assertThat(booked("from=2026-10")).isEqualTo("900.00");
    assertThat(booked("from=2026-10&closed=restated")).isEqualTo("0.00");
    assertThat(
            api.get("/api/v1/standing?measure=bookings&from=2026-10")
                .json()
                .at("/corrections/actual")
                .asString())
        .isEqualTo("-900.00");
    assertThat(api.put("/api/v1/rules", BOOKINGS.formatted("null")).code())
        .isEqualTo("measure-in-use");
  }

  @Test
  void measureFedByWonDeals_takesNoLinesOfFiles() {
    feed("\"won-deals\"");
    assertThat(
            api.load("sold.csv", "month,rep,bookings\n2026-10,K1,5.00\n", "kind", "actuals")
                .status())
        .isEqualTo(422);
    feed("null");
    api.loadAndPost("sold.csv", "month,rep,bookings\n2026-10,K1,5.00\n", "kind", "actuals");
    assertThat(api.put("/api/v1/rules", BOOKINGS.formatted("\"won-deals\"")).code())
        .isEqualTo("measure-in-use");
    assertThat(api.put("/api/v1/rules", BOOKINGS.formatted("\"orders\"")).code())
        .isEqualTo("playbook-invalid");
  }

  @Test
  void accuracy_isOfTheSnapshotsBefore_byWhatBecameOfTheirDeals() {
    snapshot("2026-10-20", OCTOBER.replace("10 %,2026-12", "10 %,2026-10"));
    snapshot("2026-11-20", NOVEMBER);
    JsonNode all = api.get("/api/v1/outlook/rep/*/accuracy?" + QUARTER).json();
    assertThat(all.at("/snapshots/0/asOf").asString()).isEqualTo("2026-10-20");
    assertThat(all.at("/snapshots/0/expected").asString()).isEqualTo("90.00");
    assertThat(all.at("/snapshots/0/came").asString()).isEqualTo("0.00");
    assertThat(texts(all.get("bands"), "deals")).containsExactly("0", "0", "1", "0", "0");
    assertThat(all.at("/bands/2/wonShown").asString()).isEqualTo("100.0");
    assertThat(all.at("/bands/2/statedShown").asString()).isEqualTo("50.0");
    assertThat(all.get("slipShown").asString()).isEqualTo("0.0");
    assertThat(all.get("farthest").isNull()).as("too few deals").isTrue();
    Api rep = server.as("rep", "K3");
    assertThat(rep.get("/api/v1/outlook/rep/*/accuracy?" + QUARTER).json().get("snapshots"))
        .isEmpty();
  }

  @Test
  void stages_giveTheCompanysLikelihood_whereAFileHasNone() {
    String file =
        "deal,rep,revenue,stage,likelihood,closes\nD1,K1,100.00,Offer Out,,2026-12\n"
            + "D2,K1,200.00,offer out,90 %,2026-12\nD3,K1,50.00,first call,,2026-12\n";
    JsonNode held = api.load("deals.csv", file, "kind", "deals", "asOf", "2026-11-20").json();
    assertThat(held.get("held").asInt()).as("no stage is known").isEqualTo(2);
    assertThat(
            api.put("/api/v1/rules", "{\"stages\": [{\"stage\": \"x\", \"likelihood\": \"1.5\"}]}")
                .text("place"))
        .isEqualTo("stages[0].likelihood");
    api.put("/api/v1/rules", "{\"stages\": [{\"stage\": \"offer out\", \"likelihood\": \"0.6\"}]}");
    assertThat(api.get("/api/v1/rules").json().at("/stages/0/likelihood").asString())
        .isEqualTo("0.6");
    JsonNode staged = api.load("deals.csv", file, "kind", "deals", "asOf", "2026-11-20").json();
    assertThat(staged.get("held").asInt()).as("first call").isEqualTo(1);
    api.post("/api/v1/loads/" + staged.get("id").asInt() + "/post?held=leave");
    assertThat(row(outlook(""), "K1").get("weighted").asString()).isEqualTo("240.00");
  }

  @Test
  void whatCannotBeAsked_isRefusedWithWhatToDo() {
    Api.Answer undated = api.load("deals.csv", OCTOBER, "kind", "deals");
    assertThat(undated.code()).isEqualTo("value-missing");
    assertThat(api.load("deals.csv", OCTOBER, "kind", "deals", "asOf", "20 Oct").code())
        .isEqualTo("day-unreadable");
    api.put(
        "/api/v1/rules",
        "{\"measures\": [{\"code\": \"cost\", \"unit\": \"EUR\", \"scale\": 2,"
            + " \"direction\": \"LOWER\"}]}");
    assertThat(api.get("/api/v1/outlook?from=2026-10&measure=cost").code())
        .isEqualTo("measure-without-outlook");
  }

  @Test
  void receivedFile_isKnownByItsColumns_andItsDayByItsName() {
    Api.Answer named =
        api.receive(
            "deals 2026-11-20.csv", NOVEMBER.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    int id = named.json().get("id").asInt();
    JsonNode load = settled(id);
    assertThat(load.get("state").asString()).isEqualTo("staged");
    assertThat(load.get("kind").asString()).isEqualTo("deals");
    assertThat(load.get("asOf").asString()).isEqualTo("2026-11-20");
    int plain =
        api.receive("deals.csv", NOVEMBER.getBytes(java.nio.charset.StandardCharsets.UTF_8))
            .json()
            .get("id")
            .asInt();
    assertThat(settled(plain).at("/problem/code").asString()).isEqualTo("as-of-missing");
    api.put("/api/v1/loads/" + plain + "/reading", "{\"asOf\": \"2026-11-21\"}");
    assertThat(settled(plain).get("asOf").asString()).isEqualTo("2026-11-21");
  }

  private JsonNode settled(int id) {
    return await()
        .until(
            () -> api.get("/api/v1/loads/" + id).json(),
            load ->
                load.get("progress").isNull() && !load.get("state").asString().equals("reading"));
  }
}
