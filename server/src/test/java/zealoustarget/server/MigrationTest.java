package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A database of the first version opens with the figures that it had. */
class MigrationTest {
  @Test
  void actualsOfTheFirstVersion_countAsBefore(@TempDir Path data) throws SQLException {
    String url = "jdbc:h2:file:" + data.resolve("zealous");
    Flyway.configure().dataSource(url, "sa", "").target("1").load().migrate();
    try (Connection connection = DriverManager.getConnection(url, "sa", "");
        Statement sql = connection.createStatement()) {
      sql.execute(
          "insert into member values (1, 'REP', 'K1', 'k1'), (2, 'REGION', 'North', 'north')");
      for (int load = 1; load <= 3; load++) {
        sql.execute(
            ("insert into load (id, kind, state, file_name, content_hash, line_count, ready, held,"
                    + " left_out, finding_count, staged_at, post_order, version) values (%d, '%s',"
                    + " 'POSTED', 'f.csv', repeat('0', 64), 1, 1, 0, 0, 0, now(), %d, 0)")
                .formatted(load, List.of("ROSTER", "ACTUALS", "GOALS").get(load - 1), load));
      }
      sql.execute("alter table load alter column id restart with 4");
      sql.execute("insert into goal_set values (1, 'quota', 'quota', 'REP')");
      sql.execute("update load set goal_set_id = 1 where id = 3");
      sql.execute("insert into load_sum values (3, 0, 'revenue', 0, 0, 0, null)");
      for (int row = 0; row < 5_000; row++) {
        sql.execute(
            "insert into goal_row values (%d, 3, %d, %d, 1, array[%d])"
                .formatted(3L * 4_294_967_296L + row, row + 2, 19_322 + row, 1_000_000 + row));
      }
      sql.execute("insert into load_sum values (2, 0, 'revenue', 5, 0, 0, null)");
      sql.execute(
          "insert into stay_row values (1 * 4294967296, 1, 2, 1, 'Ines', 2, -1, 24300, null)");
      for (int row = 0; row < 5_000; row++) {
        sql.execute(
            "insert into actual_row values (%d, 2, %d, 24321, '2026-10-05', 1, -1, -1, 'SO-%d', array[%d])"
                .formatted(2L * 4_294_967_296L + row, row + 2, row, row));
      }
    }
    try (RunningServer server = RunningServer.start(data)) {
      Api api = server.api();
      JsonNode standing = api.get("/api/v1/standing?from=2026-10&axis=region").json();
      assertThat(standing.at("/rows/0/actual").asString()).isEqualTo("124975.00");
      JsonNode quota = api.get("/api/v1/standing?from=2026-10&axis=rep&goalSet=quota").json();
      assertThat(quota.at("/rows/0/goal").asString()).isEqualTo("10049.99");
      JsonNode proof = api.get("/api/v1/standing/region/North/proof?from=2026-10").json();
      assertThat(proof.get("rowCount").asInt()).isEqualTo(5_000);
      assertThat(proof.at("/rows/0/line").asInt()).isEqualTo(2);
      assertThat(api.get("/api/v1/loads/2/sheet").code()).isEqualTo("sheet-gone");
      Api.Answer again =
          api.load("g.csv", "date,order,rep,revenue\n2026-10-05,so-7,K1,1\n", "kind", "actuals");
      assertThat(again.json().at("/findings/0/code").asString()).isEqualTo("already-posted");
      assertThat(api.post("/api/v1/loads/2/reverse").status()).isEqualTo(200);
    }
  }
}
