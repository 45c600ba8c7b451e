package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A file from its arrival to its booking: told, settled, posted over others, taken up again. */
class IntakeTest extends IntakeServer {
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
    assertThat(csv.lines().toList().get(1))
        .startsWith("2026-10-01,SO-2,K9,7,")
        .contains("is not a known rep");
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
    assertThat(refused.text("detail")).contains("\"October\"", "Nothing was created.");
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
  void linesOnHold_areCheckedAgain_onceARosterOrANameIsThere() {
    int held =
        received("early.csv", "month,rep,revenue\n2026-10,N1,5.00\n2026-10,Nine,7.00\n")
            .get("id")
            .asInt();
    assertThat(onHold(held)).isEqualTo(2);
    int roster =
        received("roster.csv", "rep,name,region,manager,from\nN1,Nina Nine,North,M,2026-07\n")
            .get("id")
            .asInt();
    assertThat(onHold(held)).as("a staged roster says nothing yet").isEqualTo(2);
    assertThat(post(roster, "add").status()).isEqualTo(200);
    assertThat(onHold(held)).as("the rep is known now").isEqualTo(1);

    int other = received("other.csv", "month,rep,revenue\n2026-10,Nine,1.00\n").get("id").asInt();
    api.post(at(other, "/names"), "[{\"axis\":\"rep\",\"text\":\"Nine\",\"member\":\"N1\"}]");
    assertThat(onHold(other)).isZero();
    assertThat(onHold(held)).as("the name is accepted for every file").isZero();

    assertThat(api.post("/api/v1/loads/" + roster + "/reverse").status()).isEqualTo(200);
    assertThat(onHold(held)).as("%s", api.get(at(held, "")).json()).isZero();
    api.delete(at(held, ""));
    api.delete(at(other, ""));
  }

  private int onHold(int load) {
    return api.get(at(load, "")).json().get("held").asInt();
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
}
