package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.RunningServer;

/** Where files come from: pulls, originals, templates, long readings. */
class SourcesTest extends IntakeServer {
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
  void pullOfDeals_isASnapshotOfItsDay_overSeveralPages() throws Exception {
    HttpServer deals =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    String head = "deal,rep,revenue,likelihood,closes\n";
    deals.createContext(
        "/deals",
        exchange -> {
          String query = exchange.getRequestURI().getQuery();
          boolean isSecond = query.contains("page=2");
          exchange.getResponseHeaders().set("ETag", "\"" + query + "\"");
          if (exchange.getRequestHeaders().containsKey("If-None-Match")) {
            exchange.sendResponseHeaders(304, -1);
            return;
          }
          if (!isSecond) {
            exchange.getResponseHeaders().set("Link", "</deals?" + query + "&page=2>; rel=next");
          }
          String line = isSecond ? "D2,K2,50.00,40,2026-12\n" : "D1,K1,100.00,60,2026-12\n";
          byte[] body = (head + line).getBytes(StandardCharsets.UTF_8);
          exchange.sendResponseHeaders(200, body.length);
          exchange.getResponseBody().write(body);
          exchange.close();
        });
    deals.start();
    String url = "http://127.0.0.1:" + deals.getAddress().getPort() + "/deals?day={day}";
    server.close();
    server = RunningServer.start(data, "zealous.pull.sources.crm=" + url);
    api = server.api();
    try {
      assertThat(api.get("/api/v1/sources").json().at("/0/isOfDeals").asBoolean()).isTrue();
      String day = "{\"source\":\"crm\",\"day\":\"2026-11-30\"}";
      JsonNode pulled = api.post("/api/v1/pulls", day).json();
      int load = pulled.at("/load/id").asInt();
      assertThat(pulled.at("/load/ready").asInt()).as("%s", pulled).isEqualTo(2);
      api.post("/api/v1/loads/" + load + "/post");
      JsonNode outlook =
          api.get("/api/v1/outlook?axis=rep&measure=revenue&from=2026-12&to=2026-12").json();
      assertThat(outlook.get("asOf").asString()).isEqualTo("2026-11-30");
      assertThat(outlook.at("/total/weighted").asString()).isEqualTo("80.00");
      assertThat(api.post("/api/v1/pulls", day).json().get("unchanged").asBoolean()).isTrue();
      assertThat(api.post("/api/v1/pulls", "{\"source\":\"crm\",\"month\":\"2026-11\"}").code())
          .as("a deal system is asked for a day")
          .isEqualTo("day-unreadable");
    } finally {
      deals.stop(0);
    }
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
}
