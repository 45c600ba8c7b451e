package zealoustarget.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Blob;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.CRC32;
import javax.sql.DataSource;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.http.HttpMethod;
import zealoustarget.server.access.authorization.RouteRules;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.transfer.backup.TableSums;

/** Refused means that nothing changed: every changing route, asked in many wrong ways. */
class RefusedTest {
  private static final List<String> BODIES =
      List.of(
          "",
          "{}",
          "[]",
          "null",
          "{",
          "{\"text\": \"x\", \"reason\": \"none\"}",
          "{\"action\": \"rewrite\", \"lines\": [2], \"column\": 2, \"value\": \"9\"}",
          "{\"action\": \"leave\", \"lines\": [2]}",
          "{\"totals\": {\"revenue\": \"x\"}, \"trailer\": false}",
          "{\"kind\": \"goals\", \"goalSet\": \"quota\", \"columns\": {\"rep\": {\"target\": \"zz\"}}}",
          "[{\"axis\": \"rep\", \"text\": \"Ynes\", \"member\": \"K1\"}]",
          "[{\"axis\": \"rep\", \"key\": \"K9\", \"name\": \"New\", \"fromMonth\": \"2026-01\"},"
              + " {\"axis\": \"rep\", \"key\": \"K1\", \"fromMonth\": \"2026-01\"}]",
          "[{\"name\": \"a fair\"}, {\"name\": \"a fair\"}]",
          "{\"name\": \"Bo\", \"role\": \"emperor\"}",
          "{\"name\": \"Bo\", \"role\": \"rep\", \"member\": \"K77\"}",
          "{\"name\": \"t\", \"scope\": \"everything\"}",
          "{\"now\": \"wrong\", \"next\": \"another long one\"}",
          "{\"measures\": [{\"code\": \"x y\"}]}",
          "{\"company\": {\"name\": \"C\", \"timeZone\": \"Nowhere\"}}",
          "{\"reason\": \"\"}",
          "{\"address\": \"https://elsewhere\"}");

  /** Failures to sign in are noted; that is what they change. */
  private static final Set<String> NOTED = Set.of("/api/v1/session", "/api/v1/session/password");

  @TempDir static Path data;
  private static RunningServer server;
  private static List<Integer> loads;
  private static List<String> tables;

  @BeforeAll
  static void start() throws SQLException {
    server = RunningServer.start(data);
    Api api = server.api();
    api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
    int posted =
        api.loadAndPost("o.csv", "month,rep,revenue\n2026-10,K1,5.00\n", "kind", "actuals");
    int reversed =
        api.loadAndPost("r.csv", "month,rep,revenue\n2026-10,K1,7.00\n", "kind", "actuals");
    assertThat(api.post("/api/v1/loads/" + reversed + "/reverse").status()).isEqualTo(200);
    int staged =
        api.load("s.csv", "month,rep,revenue\n2026-11,Ynes,x\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    assertThat(api.post("/api/v1/months/2026-09/seal").status()).isEqualTo(200);
    assertThat(api.post("/api/v1/months/2026-10/seal").status()).isEqualTo(200);
    try (Connection connection = server.bean(DataSource.class).getConnection()) {
      tables = List.copyOf(TableSums.of(connection).keySet());
    }
    loads = List.of(posted, reversed, staged, 999_999);
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  /** A number for what stands in each table, in whatever order. */
  private static Map<String, Long> sums(Connection connection) throws SQLException {
    Map<String, Long> sums = new TreeMap<>();
    for (String table : tables) {
      long sum = 0;
      try (Statement statement = connection.createStatement();
          ResultSet row = statement.executeQuery("select * from \"" + table + "\"")) {
        int columns = row.getMetaData().getColumnCount();
        while (row.next()) {
          CRC32 digest = new CRC32();
          for (int column = 1; column <= columns; column++) {
            Object value = row.getObject(column);
            boolean isBytes = value instanceof byte[] || value instanceof Blob;
            digest.update(isBytes ? row.getBytes(column) : String.valueOf(value).getBytes(UTF_8));
            digest.update(column);
          }
          sum += digest.getValue() + 1;
        }
      }
      sums.put(table, sum);
    }
    return sums;
  }

  private static List<String> paths(String pattern) {
    List<String> paths = new ArrayList<>();
    for (int load : loads) {
      for (String month : List.of("2026-09", "9999-12", "x")) {
        paths.add(
            pattern
                .replace("{id}", Integer.toString(load))
                .replace("{month}", month)
                .replace("{axis}", "rep")
                .replace("{key}", month.equals("x") ? "K77" : "K1")
                .replace("{name}", "a%20view")
                .replace("{remark}", "7")
                .replace("{line}", "reasons")
                .replace("{goalSet}", "quota")
                .replace("{deal}", "D-1001")
                .replace("{rep}", "K1"));
      }
    }
    return paths.stream().distinct().toList();
  }

  @Test
  void answerOf400OrMore_leavesEveryTableAsItWas() throws Exception {
    Api analyst = server.api();
    Api rep = server.as("rep", "K1");
    List<String> changed = new ArrayList<>();
    int refused = 0;
    Connection connection = server.bean(DataSource.class).getConnection();
    Map<String, Long> before = sums(connection);
    for (RouteRules.Rule rule : RouteRules.all()) {
      if (rule.method().equals(HttpMethod.GET) || NOTED.contains(rule.pattern())) {
        continue;
      }
      for (String path : paths(rule.pattern())) {
        for (String body : BODIES) {
          for (Api api : body.equals("{}") ? List.of(analyst, rep) : List.of(analyst)) {
            HttpResponse<String> answer =
                api.raw(
                    api.request(path)
                        .header("Content-Type", "application/json")
                        .method(rule.method().name(), BodyPublishers.ofString(body))
                        .build());
            Map<String, Long> after = sums(connection);
            if (answer.statusCode() >= 400 && answer.statusCode() != 401) {
              refused++;
              if (!after.equals(before)) {
                changed.add(rule.method() + " " + path + " " + body + ": " + answer.statusCode());
              }
            }
            before = after;
          }
        }
      }
    }
    connection.close();
    assertThat(changed).isEmpty();
    assertThat(refused).isGreaterThan(1_000);
  }
}
