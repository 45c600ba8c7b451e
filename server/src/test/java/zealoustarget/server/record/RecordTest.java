package zealoustarget.server.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.audit.AuditLinks;
import zealoustarget.server.ledger.sealing.SealLinks;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.MigrationRun;
import zealoustarget.server.testing.RunningServer;

/** What is edited, removed or moved in the database is found and said. */
class RecordTest {
  private static final String STANDING = "/api/v1/standing?from=2026-10";
  @TempDir static Path base;
  private static final int FLIPS = 40;
  private static String head;

  @BeforeAll
  static void make() {
    try (RunningServer server = RunningServer.start(base)) {
      Api api = server.api();
      api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
      api.loadAndPost(
          "quota.csv",
          "month,rep,revenue\n2026-10,K1,5.00\n",
          "kind",
          "goals",
          "goalSet",
          "quota",
          "axis",
          "rep");
      api.loadAndPost("october.csv", "month,rep,revenue\n2026-10,K1,5.00\n", "kind", "actuals");
      assertThat(api.post("/api/v1/months/2026-09/seal").status()).isEqualTo(200);
      assertThat(api.post("/api/v1/months/2026-10/seal").status()).isEqualTo(200);
      JsonNode record = api.get("/api/v1/record").json();
      assertThat(record.get("isWhole").asBoolean()).as("%s", record).isTrue();
      assertThat(record.get("seals").asInt()).isEqualTo(2);
      head = record.get("head").asString();
      assertThat(api.get("/api/v1/audit").json().at("/0/hash").asString()).isEqualTo(head);
      assertThat(record.get("entries").asLong())
          .isEqualTo(api.get("/api/v1/audit").json().at("/0/id").asLong());
    }
  }

  private static Path copy(Path folder) throws IOException {
    for (String file : List.of("zealous.mv.db", "record.head")) {
      Files.copy(base.resolve(file), folder.resolve(file));
    }
    return folder;
  }

  private static Connection open(Path folder) throws SQLException {
    return DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("zealous"), "sa", "");
  }

  private static void edit(Path folder, String change) throws SQLException {
    try (Connection connection = open(folder);
        Statement statement = connection.createStatement()) {
      assertThat(statement.executeUpdate(change)).as(change).isPositive();
    }
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          update audit_entry set after_text = 'another' where place = 3                  | Entry 3
          update audit_entry set done_by = 'Bo' where place = 2                          | Entry 2
          delete from audit_entry where place = 3                                        | before entry 4
          delete from audit_entry where place >= (select max(place) from audit_entry)    | does not end
          update audit_entry set place = case place when 2 then 3 else 2 end where place in (2, 3) | gap before
          update seal set figures = x'00' where seal_month = 24321                       | closed figures of 2026-10
          update seal set posted_loads = '' where seal_month = 24320                     | seal of 2026-09
          update seal set sealed_by = 'Bo' where seal_month = 24321                      | seal of 2026-10
          update load set row_digest = 'ab' where id = 3                                 | rows that 2026-10
          delete from seal where seal_month = 24320                                      | before that of 2026-10
          update seal set unsealed_at = now(), unsealed_by = 'Bo' where seal_month = 24321 | opened again without
          """)
  void editedRecord_isFound(String change, String words, @TempDir Path folder) throws Exception {
    edit(copy(folder), change);
    List<String> faults = new ArrayList<>();
    try (Connection connection = open(folder)) {
      faults.addAll(AuditLinks.verify(connection).faults());
      faults.addAll(SealLinks.verify(connection).faults());
    }
    assertThat(String.join(" ", faults)).contains(words);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          delete from goal_part                              | quota.csv
          update stay_row set name = 'Bo'                    | roster.csv
          update actual_part set content = x'00'             | october.csv
          update audit_entry set subject = 'x' where place = 2 | Entry 2
          """)
  void damage_isNamed_andFiguresAreWithheld(String change, String words, @TempDir Path folder)
      throws Exception {
    edit(copy(folder), change);
    try (RunningServer server = RunningServer.start(folder)) {
      Api.Answer figures = server.api().get(STANDING);
      assertThat(figures.code()).isEqualTo("record-damaged");
      assertThat(figures.status()).isEqualTo(503);
      assertThat(figures.text("detail")).contains(words, "./run restore");
      JsonNode record = server.api().get("/api/v1/record").json();
      assertThat(record.get("isWhole").asBoolean()).isFalse();
      assertThat(record.get("faults").toString()).contains(words);
      assertThat(server.api().get("/api/v1/backups").status()).isEqualTo(200);
    }
  }

  @Test
  void databaseOfEarlier_isNotTakenForThePresentOne(@TempDir Path folder) throws Exception {
    Path data = copy(folder);
    try (RunningServer server = RunningServer.start(data)) {
      assertThat(server.api().get(STANDING).status()).isEqualTo(200);
      server.api().loadAndPost("n.csv", "month,rep,revenue\n2026-11,K1,5.00\n", "kind", "actuals");
    }
    Files.copy(
        base.resolve("zealous.mv.db"),
        data.resolve("zealous.mv.db"),
        java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    try (RunningServer server = RunningServer.start(data)) {
      assertThat(server.api().get(STANDING).text("detail")).contains("cut, or an older one");
    }
  }

  @Test
  void recordOfAnOlderVersion_isLinkedOnce_andStaysAsItWas(@TempDir Path folder) throws Exception {
    edit(copy(folder), "update audit_entry set place = null, previous_hash = null, hash = null");
    edit(folder, "update seal set previous_hash = null, hash = null");
    try (Connection connection = open(folder)) {
      MigrationRun.of(AuditLinks.migrations(), connection);
      MigrationRun.of(SealLinks.migrations(), connection);
    }
    try (RunningServer server = RunningServer.start(folder)) {
      JsonNode record = server.api().get("/api/v1/record").json();
      assertThat(record.get("isWhole").asBoolean()).as("%s", record).isTrue();
      String hashes = server.api().get("/api/v1/audit").json().toString();
      assertThat(hashes).as("the same links").contains(head);
    }
  }

  @Test
  void entriesThatAreAddedMeanwhile_areNoFault(@TempDir Path folder) throws Exception {
    try (RunningServer server = RunningServer.start(copy(folder))) {
      AtomicBoolean isOver = new AtomicBoolean();
      Thread writer =
          new Thread(
              () -> {
                for (int time = 0; !isOver.get(); time++) {
                  server
                      .api()
                      .put("/api/v1/notes/rep/K1/2026-11", "{\"text\": \"%d\"}".formatted(time));
                }
              });
      writer.start();
      try {
        for (int time = 0; time < 200; time++) {
          JsonNode record = server.api().get("/api/v1/record").json();
          assertThat(record.get("faults")).as("%s", record).isEmpty();
        }
      } finally {
        isOver.set(true);
        writer.join();
      }
    }
  }

  static LongStream flips() {
    return LongStream.range(0, Long.getLong("flips", 4));
  }

  /** Whatever the bits hit: the same figures, none, or no start; {@code -Dflips=26} tries more. */
  @ParameterizedTest
  @MethodSource("flips")
  void flippedBits_neverGiveOtherFigures(long seed, @TempDir Path folder) throws Exception {
    Path database = copy(folder).resolve("zealous.mv.db");
    byte[] bytes = Files.readAllBytes(database);
    Random random = new Random(seed * 7_919 + 5);
    for (int flip = 0; flip < FLIPS; flip++) {
      bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
    }
    Files.write(database, bytes);
    try (RunningServer server = RunningServer.start(folder)) {
      Api.Answer answer = server.api().get(STANDING);
      if (answer.status() == 200) {
        assertThat(answer.json().at("/total/actual").asString()).isEqualTo("5.00");
        assertThat(answer.json().at("/total/goal").asString()).isEqualTo("5.00");
        assertThat(answer.json().at("/rows/0/name").asString()).isEqualTo("Ines");
      } else {
        assertThat(answer.code()).isIn("record-damaged", "internal", "sign-in-failed");
      }
    } catch (RuntimeException refused) {
      // it does not start on such a database
    }
  }
}
