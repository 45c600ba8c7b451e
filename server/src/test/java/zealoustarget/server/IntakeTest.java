package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A file from its arrival to its booking: told, settled, posted over others, taken up again. */
class IntakeTest {
  private static final String ROSTER =
      """
      rep,name,region,manager,from
      K1,Dario Venn,North,Tull,2025-01
      K2,Mina Castellan,North,Tull,2025-01
      K3,Kaia Thorsby,South,Oster,2025-01
      """;
  private static final String LATE =
      """
      Booking dt;Acct mgr;Net EUR;Ref
      31/10/2026;Venn, Dario;1.234,50;SO-1
      01/10/2026;D. Ven;200,00;SO-2
      02/10/2026;Mina Castellan;3OO,00;SO-3
      03/10/2026;Mina Castellan;50,00;SO-4
      """;

  @TempDir Path data;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
  }

  @AfterEach
  void stop() {
    server.close();
  }

  @Test
  void faultyFile_isRecognised_settledInPlace_andItsHeaderRemembered() {
    JsonNode load = received("late.csv", LATE);
    assertThat(load.get("kind").asString()).isEqualTo("actuals");
    assertThat(load.get("held").asInt()).as("%s", load).isEqualTo(3);
    int id = load.get("id").asInt();
    JsonNode names = api.get(at(id, "/checks")).json().get("names");
    assertThat(names.valueStream().map(n -> n.get("text").asString()))
        .containsExactly("Venn, Dario", "D. Ven");
    assertThat(names.at("/0/proposals/0/key").asString()).isEqualTo("K1");

    JsonNode named =
        api.post(
                at(id, "/names"),
                "[{\"axis\":\"rep\",\"text\":\"Venn, Dario\",\"member\":\"K1\"},"
                    + "{\"axis\":\"rep\",\"text\":\"D. Ven\",\"member\":\"K1\"}]")
            .json();
    assertThat(named.get("held").asInt()).as("%s", named).isEqualTo(1);
    JsonNode fixed =
        api.post(
                at(id, "/fixes"),
                "{\"action\":\"rewrite\",\"lines\":[4],\"column\":2,\"value\":\"300,00\"}")
            .json();
    assertThat(fixed.get("held").asInt()).isZero();
    assertThat(fixed.at("/sums/revenue/ready").asString()).isEqualTo("1784.50");
    JsonNode sheet = api.get(at(id, "/sheet?line=4&count=1")).json();
    assertThat(sheet.at("/lines/0/cells/2").asString()).isEqualTo("300,00");
    assertThat(sheet.at("/lines/0/rewritten/0").asInt()).isEqualTo(2);
    assertThat(sheet.at("/columns/1/target").asString()).isEqualTo("rep");
    assertThat(post(id, "add").status()).isEqualTo(200);

    JsonNode next =
        received("next.csv", "Booking dt;Acct mgr;Net EUR;Ref\n05/11/2026;D. Ven;1.250;SO-9\n");
    assertThat(next.get("ready").asInt()).as("no question: %s", next).isEqualTo(1);
    assertThat(next.at("/sums/revenue/ready").asString()).isEqualTo("1250.00");
    assertThat(next.get("firstMonth").asString()).isEqualTo("2026-11");
  }

  @Test
  void lines_areLeftOut_counted_accepted_andTakenBack() {
    String twice = "month,rep,revenue\n2026-10,K1,5\n2026-10,K1,5\nTotal,,10\n";
    int id = received("f.csv", twice).get("id").asInt();
    JsonNode left =
        api.post(at(id, "/fixes"), "{\"action\":\"leave\",\"code\":\"duplicate-line\"}").json();
    assertThat(left.get("ready").asInt()).as("%s", left).isEqualTo(1);
    assertThat(left.get("leftOut").asInt()).isEqualTo(2);
    assertThat(left.at("/sums/revenue/file").asString()).isEqualTo("20.00");
    assertThat(api.delete(at(id, "/fixes")).json().get("ready").asInt()).isEqualTo(2);
    api.post(at(id, "/fixes"), "{\"action\":\"accept\",\"code\":\"duplicate-line\"}");
    JsonNode groups = api.get(at(id, "/checks")).json().get("groups");
    JsonNode duplicates =
        groups
            .valueStream()
            .filter(g -> g.get("code").asString().equals("duplicate-line"))
            .findFirst()
            .orElseThrow();
    assertThat(duplicates.get("open").asInt()).isZero();
    assertThat(duplicates.at("/findings/0/accepted").asBoolean()).isTrue();
    assertThat(
            api.post(at(id, "/fixes"), "{\"action\":\"accept\",\"code\":\"member-unknown\"}")
                .code())
        .isEqualTo("value-unknown");
    assertThat(api.post(at(id, "/fixes"), "{\"action\":\"dance\",\"lines\":[2]}").code())
        .isEqualTo("value-unknown");
    assertThat(
            api.post(
                    at(id, "/fixes"),
                    "{\"action\":\"rewrite\",\"column\":0,\"from\":\"2026-10\",\"value\":\"2026-09\"}")
                .json()
                .get("lastMonth")
                .asString())
        .isEqualTo("2026-09");
  }

  @Test
  void regionsFileThatComesAgain_isProposedToReplace_andReversingGivesTheOldBack() {
    api.loadAndPost(
        "first.csv", orders("SO-1,K1,100", "SO-2,K2,200", "SO-3,K3,400"), "kind", "actuals");
    int again = id("again.csv", orders("SO-1,K1,110", "SO-4,K1,5"));
    JsonNode changes = api.get(at(again, "/changes")).json();
    assertThat(changes.get("proposed").asString()).as("%s", changes).isEqualTo("replace");
    JsonNode replaced = api.get(at(again, "/changes?mode=replace")).json();
    assertThat(replaced.get("covered").toString()).isEqualTo("[\"North\"]");
    assertThat(
            replaced
                .get("changes")
                .valueStream()
                .map(
                    c ->
                        c.get("key").asString()
                            + " "
                            + c.get("before").asString()
                            + " → "
                            + c.get("after")))
        .containsExactly("K2 200.00 → null", "K1 100.00 → \"115.00\"");
    assertThat(total()).isEqualTo("700.00");
    post(again, "replace");
    assertThat(total()).isEqualTo("515.00");
    api.post(at(again, "/reverse"));
    assertThat(total()).isEqualTo("700.00");
    int correction = id("fix.csv", orders("so-2,K2,250"));
    post(correction, "correct");
    assertThat(total()).isEqualTo("750.00");
    server.close();
    server = RunningServer.start(data);
    api = server.api();
    assertThat(total()).as("after a restart").isEqualTo("750.00");
    assertThat(api.post(at(correction, "/post?mode=twice")).code()).isEqualTo("value-unknown");
  }

  @Test
  void heldLines_becomeARemainder_thatIsSettledWithoutTouchingTheGoodOnes() throws Exception {
    int id = id("f.csv", orders("SO-1,K1,100", "SO-2,K9,7", "SO-3,K3,4OO"));
    assertThat(api.post(at(id, "/remainder")).code()).isEqualTo("load-not-posted");
    api.post(at(id, "/post?held=leave"));
    String csv = api.raw(api.request(at(id, "/remainder.csv")).GET().build()).body();
    assertThat(csv.lines().toList().get(0)).isEqualTo("date,order,rep,revenue,reason");
    assertThat(csv.lines().toList().get(1)).startsWith("2026-10-01,SO-2,K9,7,").contains("no rep");
    assertThat(csv.lines().count()).isEqualTo(3);

    JsonNode rest = api.post(at(id, "/remainder")).json();
    assertThat(rest.get("remainderOf").asInt()).isEqualTo(id);
    int restId = rest.get("id").asInt();
    api.post(at(restId, "/names"), "[{\"axis\":\"rep\",\"text\":\"K9\",\"member\":\"K2\"}]");
    api.post(
        at(restId, "/fixes"),
        "{\"action\":\"rewrite\",\"lines\":[3],\"column\":3,\"value\":\"400\"}");
    assertThat(post(restId, "add").status()).isEqualTo(200);
    assertThat(total()).isEqualTo("507.00");
    JsonNode edited =
        api.load("edited.csv", csv.replace("K9", "K1").replace("4OO", "1"), "kind", "actuals")
            .json();
    assertThat(edited.get("ready").asInt()).as("loaded by hand: %s", edited).isEqualTo(2);
  }

  @Test
  void memberMadeOnTheSpot_isAListOfItsOwn() {
    int id = id("f.csv", orders("SO-1,K7,100"));
    String made =
        "[{\"axis\":\"rep\",\"key\":\"K7\",\"name\":\"Otto Brand\",\"region\":\"South\",\"fromMonth\":\"2026-10\"}]";
    assertThat(api.post(at(id, "/members"), made).json().get("ready").asInt()).isEqualTo(1);
    assertThat(api.post(at(id, "/members"), made).code()).isEqualTo("member-exists");
    assertThat(api.post(at(id, "/members"), "[{\"axis\":\"rep\",\"key\":\"K8\"}]").code())
        .isEqualTo("value-missing");
    assertThat(api.get("/api/v1/loads").json().get(0).get("file").asString())
        .isEqualTo("made while loading f.csv");
  }

  @Test
  void whatIsRefused_changesNothing() {
    int id = id("f.csv", orders("SO-1,K1,100"));
    api.post(
        at(id, "/fixes"), "{\"action\":\"rewrite\",\"lines\":[2],\"column\":3,\"value\":\"99\"}");
    assertThat(post(id, "add").status()).isEqualTo(200);
    JsonNode before = api.get(at(id, "/sheet")).json();
    assertThat(before.at("/lines/0/rewritten")).as("the trace of it").isNotEmpty();
    assertThat(api.delete(at(id, "/fixes")).code()).isEqualTo("load-not-staged");
    assertThat(api.get(at(id, "/sheet")).json()).isEqualTo(before);
    String made = "[{\"axis\":\"rep\",\"key\":\"K66\",\"fromMonth\":\"2026-10\"}]";
    int loads = api.get("/api/v1/loads").json().size();
    assertThat(api.post(at(id, "/members"), made).code()).isEqualTo("load-not-staged");
    assertThat(api.get("/api/v1/loads").json()).hasSize(loads);
    String alias = "[{\"axis\":\"rep\",\"text\":\"Kay One\",\"member\":\"K1\"}]";
    assertThat(api.post("/api/v1/loads/999999/names", alias).code()).isEqualTo("load-unknown");
    assertThat(api.load("g.csv", orders("SO-9,Kay One,5"), "kind", "actuals").json().get("held"))
        .as("the name is not known for it")
        .hasToString("1");
  }

  @Test
  void manyMembers_areMadeAtOnce_allOrNone() {
    int id = id("f.csv", orders("SO-1,K7,100", "SO-2,K8,50"));
    int before = api.get("/api/v1/loads").json().size();
    String reps =
        "{\"axis\":\"rep\",\"key\":\"K7\",\"region\":\"South\",\"fromMonth\":\"2026-10\"},"
            + "{\"axis\":\"rep\",\"key\":\"K8\",\"name\":\"Ebba\",\"fromMonth\":\"%s\"}";
    String product = ",{\"axis\":\"product\",\"key\":\"P77\",\"name\":\"Cleat\",\"line\":\"deck\"}";
    Api.Answer refused =
        api.post(at(id, "/members"), "[" + reps.formatted("October") + product + "]");
    assertThat(refused.code()).isEqualTo("value-unknown");
    assertThat(refused.text("detail")).contains("\"October\"", "Nothing was made.");
    assertThat(api.get("/api/v1/loads").json()).as("no list is left behind").hasSize(before);
    assertThat(
            api.post(at(id, "/members"), "[" + reps.formatted("2026-10") + product + product + "]")
                .code())
        .isEqualTo("member-exists");
    JsonNode load =
        api.post(at(id, "/members"), "[" + reps.formatted("2026-10") + product + "]").json();
    assertThat(load.get("ready").asInt()).isEqualTo(2);
    assertThat(api.get("/api/v1/loads").json())
        .as("one roster and one product list")
        .hasSize(before + 2);
  }

  @Test
  void controlTotal_comesFromTheTrailer_aFile_orByHand() {
    String file = orders("SO-1,K1,100", "SO-2,K2,50").stripTrailing() + "\nTotal,,,151\n";
    JsonNode load = received("f.csv", file);
    int id = load.get("id").asInt();
    assertThat(load.at("/controlTotal/given").asString()).as("%s", load).isEqualTo("151.00");
    assertThat(load.at("/controlTotal/met").asBoolean()).isFalse();
    assertThat(post(id, "add").code()).isEqualTo("control-total-differs");
    JsonNode typed =
        api.put(at(id, "/control"), "{\"totals\":{\"revenue\":\"150\"},\"trailer\":false}").json();
    assertThat(typed.at("/controlTotal/met").asBoolean()).isTrue();
    byte[] control = "measure;total\nrevenue;149.00\n".getBytes(StandardCharsets.UTF_8);
    JsonNode read = api.multipart(at(id, "/control"), "c.csv", control, Map.of()).json();
    assertThat(read.at("/controlTotal/given").asString()).isEqualTo("149.00");
    JsonNode plain = api.load("g.csv", file, "kind", "actuals").json();
    assertThat(plain.get("controlTotal").isNull()).as("a script must ask for it").isTrue();
    assertThat(
            api.load("h.csv", file, "kind", "actuals", "controlTotal", "trailer")
                .json()
                .at("/controlTotal/given")
                .asString())
        .isEqualTo("151.00");
  }

  @Test
  void fileThatIsNotUnderstood_waitsUntilItIsTold() {
    JsonNode load = received("what.csv", "when;who;how much\n31.10.2026;K1;5,00\n");
    assertThat(load.get("state").asString()).as("%s", load).isEqualTo("staged");
    JsonNode unknown = received("odd.csv", "a;b;c\nx;y;z\n");
    int id = unknown.get("id").asInt();
    assertThat(unknown.get("state").asString()).isEqualTo("received");
    assertThat(unknown.at("/problem/code").asString()).isEqualTo("month-column-missing");
    assertThat(api.get(at(id, "/sheet")).json().get("recordCount").asInt()).isEqualTo(1);
    JsonNode told =
        api.put(
                at(id, "/reading"),
                "{\"columns\":{\"a\":\"date\",\"b\":\"rep\",\"c\":{\"column\":\"revenue\",\"power\":3}}}")
            .json();
    assertThat(told.get("state").asString()).as("%s", told).isEqualTo("staged");
    assertThat(told.get("held").asInt()).isEqualTo(1);
    JsonNode goals =
        api.put(at(id, "/reading"), "{\"kind\":\"goals\",\"axis\":\"region\",\"goalSet\":\"plan\"}")
            .json();
    assertThat(goals.path("code").asString()).isEqualTo("column-missing");
    assertThat(api.get(at(id, "")).json().get("kind").asString())
        .as("what was staged stays")
        .isEqualTo("actuals");
    assertThat(api.delete(at(id, "")).status()).isEqualTo(204);
  }

  @Test
  void anotherSheet_isReadAnew_andOneThatIsNone_leavesNothingStaged() {
    byte[] workbook =
        Workbooks.of(
            book -> {
              String[][] lines = {{"month", "rep", "revenue"}, {"2026-10", "K1", "5.00"}};
              var sheet = book.newWorksheet("Data");
              for (int row = 0; row < lines.length; row++) {
                for (int at = 0; at < lines[row].length; at++) {
                  sheet.value(row, at, lines[row][at]);
                }
              }
              book.newWorksheet("Notes").value(0, 0, "a word");
            });
    int id = api.receive("b.xlsx", workbook).json().get("id").asInt();
    JsonNode notes = api.put(at(id, "/reading"), "{\"sheet\":\"Notes\"}").json();
    assertThat(notes.get("state").asString()).as("%s", notes).isEqualTo("received");
    assertThat(api.post(at(id, "/post")).code()).isEqualTo("load-not-staged");
    JsonNode data = api.put(at(id, "/reading"), "{\"sheet\":\"Data\"}").json();
    assertThat(data.get("ready").asInt()).as("%s", data).isEqualTo(1);
    assertThat(post(id, "add").status()).isEqualTo(200);
    assertThat(api.put(at(id, "/reading"), "{\"sheet\":\"Notes\"}").code())
        .isEqualTo("load-not-staged");
  }

  @Test
  void goalsBesideActuals_areBoth() {
    JsonNode load =
        received("both.csv", "month,rep,revenue,quota\n2026-10,K1,90,100\n2026-10,K2,50,\n");
    assertThat(load.get("goalSet").asString()).isEqualTo("quota");
    post(load.get("id").asInt(), "add");
    JsonNode standing = api.get("/api/v1/standing?from=2026-10&goalSet=quota").json();
    assertThat(standing.at("/total/actual").asString()).isEqualTo("140.00");
    assertThat(standing.at("/total/goal").asString()).isEqualTo("100.00");
  }

  @Test
  void original_isKeptByteForByte_andTemplatesAreBlank() {
    int id = received("late.csv", LATE).get("id").asInt();
    assertThat(api.raw(api.request(at(id, "/original")).GET().build()).body()).isEqualTo(LATE);
    for (String kind : List.of("actuals", "goals", "roster", "products")) {
      String blank =
          api.raw(api.request("/api/v1/templates/" + kind + ".csv").GET().build()).body();
      assertThat(api.load("t.csv", blank, "kind", kind, "goalSet", "q", "axis", "rep").code())
          .as(kind)
          .isEqualTo("file-only-header");
    }
    assertThat(api.get("/api/v1/templates/pay.csv").code()).isEqualTo("value-unknown");
  }

  @Test
  void pull_readsAllPages_andSaysAnUnchangedMonth() throws Exception {
    HttpServer orders =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    AtomicReference<String> tag = new AtomicReference<>("\"one\"");
    orders.createContext(
        "/orders",
        exchange -> {
          boolean isSecond = exchange.getRequestURI().getQuery().contains("page=2");
          exchange.getResponseHeaders().set("ETag", tag.get());
          if (tag.get().equals(exchange.getRequestHeaders().getFirst("If-None-Match"))) {
            exchange.sendResponseHeaders(304, -1);
            return;
          }
          if (!isSecond) {
            exchange
                .getResponseHeaders()
                .set("Link", "</orders?month=2026-10&page=2>; rel=\"next\"");
          }
          byte[] body =
              orders(isSecond ? "SO-2,K2,50" : "SO-1,K1,100").getBytes(StandardCharsets.UTF_8);
          exchange.sendResponseHeaders(200, body.length);
          exchange.getResponseBody().write(body);
          exchange.close();
        });
    orders.start();
    String url = "http://127.0.0.1:" + orders.getAddress().getPort() + "/orders?month={month}";
    server.close();
    server = RunningServer.start(data, "zealous.pull.sources.erp=" + url);
    api = server.api();
    String october = "{\"source\":\"erp\",\"month\":\"2026-10\"}";
    try {
      JsonNode pulled = api.post("/api/v1/pulls", october).json();
      assertThat(pulled.at("/load/ready").asInt()).as("%s", pulled).isEqualTo(2);
      assertThat(pulled.at("/load/leftOut").asInt()).isZero();
      JsonNode again = api.post("/api/v1/pulls", october).json();
      assertThat(again.get("unchanged").asBoolean()).isTrue();
      assertThat(again.at("/load/id")).isEqualTo(pulled.at("/load/id"));
      tag.set("\"two\"");
      assertThat(api.post("/api/v1/pulls", october).json().get("unchanged").asBoolean()).isFalse();
    } finally {
      orders.stop(0);
    }
    assertThat(api.post("/api/v1/pulls", october).code()).isEqualTo("pull-failed");
    assertThat(api.post("/api/v1/pulls", "{\"source\":\"other\",\"month\":\"2026-10\"}").code())
        .isEqualTo("source-unknown");
    assertThat(api.post("/api/v1/pulls", "{\"source\":\"erp\",\"month\":\"October\"}").code())
        .isEqualTo("month-unreadable");
  }

  @Test
  void longReading_isFollowed_stopped_andReadAgain() throws Exception {
    StringBuilder many = new StringBuilder("date,order,rep,revenue\n");
    for (int line = 0; line < 900_000; line++) {
      many.append("2026-10-01,SO-").append(line).append(",K1,1\n");
    }
    JsonNode load = received("many.csv", many.toString());
    int id = load.get("id").asInt();
    assertThat(load.get("progress").isNull()).as("%s", load).isFalse();
    assertThat(api.post(at(id, "/post")).code()).isEqualTo("load-busy");
    assertThat(api.get("/api/v1/standing?from=2026-10").status()).as("others go on").isEqualTo(200);
    api.post(at(id, "/cancel"));
    String events = api.raw(api.request(at(id, "/progress")).GET().build()).body();
    assertThat(events).contains("event:done");
    JsonNode stopped = api.get(at(id, "")).json();
    assertThat(stopped.get("state").asString()).isEqualTo("received");
    assertThat(stopped.at("/problem/code").asString()).isEqualTo("load-cancelled");
    api.post(at(id, "/read"));
    String all = api.raw(api.request(at(id, "/progress")).GET().build()).body();
    assertThat(all).contains("event:progress").contains("\"percent\":");
    assertThat(api.get(at(id, "")).json().get("ready").asInt()).isEqualTo(900_000);
    JsonNode around = api.get(at(id, "/sheet?line=300001&count=11")).json();
    assertThat(around.at("/lines/5/line").asInt()).isEqualTo(300_001);
    assertThat(around.at("/lines/5/cells/1").asString()).isEqualTo("SO-299999");
  }

  private JsonNode received(String name, String content) {
    Api.Answer answer = api.receive(name, content.getBytes(StandardCharsets.UTF_8));
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(202);
    return answer.json();
  }

  private int id(String name, String content) {
    return api.load(name, content, "kind", "actuals").json().get("id").asInt();
  }

  private Api.Answer post(int id, String mode) {
    return api.post(at(id, "/post?held=refuse&mode=" + mode));
  }

  private String total() {
    return api.get("/api/v1/standing?from=2026-10").json().at("/total/actual").asString();
  }

  private static String at(int id, String path) {
    return "/api/v1/loads/" + id + path;
  }

  private static String orders(String... lines) {
    StringBuilder csv = new StringBuilder("date,order,rep,revenue\n");
    for (String line : lines) {
      csv.append("2026-10-01,").append(line).append('\n');
    }
    return csv.toString();
  }
}
