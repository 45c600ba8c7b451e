package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** An empty server of its own for every test, with a roster loaded. */
abstract class IntakeServer {
  static final String ROSTER =
      """
      rep,name,region,manager,from
      K1,Dario Venn,North,Tull,2025-01
      K2,Mina Castellan,North,Tull,2025-01
      K3,Kaia Thorsby,South,Oster,2025-01
      """;
  static final String LATE =
      """
      Booking dt;Acct mgr;Net EUR;Ref
      31/10/2026;Venn, Dario;1.234,50;SO-1
      01/10/2026;D. Ven;200,00;SO-2
      02/10/2026;Mina Castellan;3OO,00;SO-3
      03/10/2026;Mina Castellan;50,00;SO-4
      """;

  @TempDir Path data;
  RunningServer server;
  Api api;

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

  JsonNode received(String name, String content) {
    Api.Answer answer = api.receive(name, content.getBytes(StandardCharsets.UTF_8));
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(202);
    return answer.json();
  }

  int id(String name, String content) {
    return api.load(name, content, "kind", "actuals").json().get("id").asInt();
  }

  Api.Answer post(int id, String mode) {
    return api.post(at(id, "/post?held=refuse&mode=" + mode));
  }

  String total() {
    return api.get("/api/v1/standing?from=2026-10").json().at("/total/actual").asString();
  }

  static String at(int id, String path) {
    return "/api/v1/loads/" + id + path;
  }

  static String orders(String... lines) {
    StringBuilder csv = new StringBuilder("date,order,rep,revenue\n");
    for (String line : lines) {
      csv.append("2026-10-01,").append(line).append('\n');
    }
    return csv.toString();
  }
}
