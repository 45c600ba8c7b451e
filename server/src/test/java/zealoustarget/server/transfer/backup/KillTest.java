package zealoustarget.server.transfer.backup;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import javax.sql.DataSource;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.subethamail.smtp.server.SMTPServer;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.StoppableMonth;

/**
 * Kills the application at random moments of a month's work. What is found again is wholly the
 * state before the change that was under way, or wholly the one after: every table and the figures.
 * {@code -Dkills=50} takes more moments than the few of each run.
 */
class KillTest {
  /** Times of change differ from run to run, and so do links over them; they are not compared. */
  private static final String TIMES = ".*_AT$|HASH|PREVIOUS_HASH";

  /** Of accounts the hashes differ, of originals and views nothing is changed here. */
  private static final String OUTSIDE = "flyway_schema_history|ACCOUNT|AUDIT_ENTRY|RECORD_HEAD";

  /** What counts and what is ruled; staging and sending do not touch it. */
  private static final Set<String> RULING =
      Set.of("SEAL", "RULE_PART", "LADDER", "RUNG", "MEASURE", "SETTING", "NOTE", "SHADING");

  /** What a state is told by: the tables, and what the pages would show. */
  private record State(Map<String, String> tables, String figures) {}

  private static final List<State> STATES = new ArrayList<>();
  private static SMTPServer catcher;

  /** Takes the whole way once without a kill, and notes every state. */
  @BeforeAll
  static void noteStates(@TempDir Path data) throws Exception {
    catcher = SMTPServer.port(0).messageHandler((context, from, to, text) -> {}).build();
    catcher.start();
    try (RunningServer server =
        RunningServer.start(data, StoppableMonth.mail(catcher.getPortAllocated()))) {
      STATES.add(state(server));
      for (StoppableMonth.Step step : StoppableMonth.steps()) {
        Api.Answer answer = step.take(server.api());
        assertThat(answer.status()).as("%s", answer).isLessThan(300);
        STATES.add(state(server));
      }
    }
  }

  @AfterAll
  static void stop() {
    catcher.stop();
  }

  static LongStream seeds() {
    return LongStream.range(0, Long.getLong("kills", 2));
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void killedAtAnyMoment_isWhollyBeforeOrWhollyAfter(long seed, @TempDir Path data)
      throws Exception {
    Random random = new Random(seed * 7_919 + 13);
    int steps = STATES.size() - 1;
    int target = (int) (seed * 5 % steps);
    Process child = StoppableMonth.start(data, catcher.getPortAllocated());
    int begun = 0;
    try (BufferedReader said =
        new BufferedReader(new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
      for (String line = said.readLine(); line != null; line = said.readLine()) {
        if (line.startsWith("begin ")) {
          begun = Integer.parseInt(line.substring("begin ".length()));
          if (begun == target) {
            break;
          }
        }
      }
      assertThat(begun).as("the child came so far").isEqualTo(target);
      TimeUnit.MICROSECONDS.sleep(random.nextInt(120_000));
      child.toHandle().destroyForcibly(); // what it said last stays readable
      child.waitFor();
      for (String line = said.readLine(); line != null; line = said.readLine()) {
        begun = line.startsWith("begin ") ? Integer.parseInt(line.substring(6)) : begun;
      }
    }
    try (RunningServer server = RunningServer.start(data)) {
      State found = state(server);
      State before = STATES.get(begun);
      State after = STATES.get(Math.min(begun + 1, steps));
      if (found.equals(before) || found.equals(after)) {
        return;
      }
      // a file half taken in waits to be read again, and of the mails some are sent: no figure and
      // no rule differs, and no entry of the trail
      assertThat(StoppableMonth.isGradual(begun)).as("seed %d, step %d", seed, begun).isTrue();
      assertThat(found.figures()).isEqualTo(before.figures());
      assertThat(found.tables())
          .containsAllEntriesOf(
              before.tables().entrySet().stream()
                  .filter(table -> RULING.contains(table.getKey()))
                  .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
    }
  }

  private static State state(RunningServer server) throws Exception {
    Api api = server.api();
    StringBuilder figures = new StringBuilder();
    for (String path :
        List.of(
            "/api/v1/standing?axis=rep&goalSet=quota&from=2025-01&to=2025-03",
            "/api/v1/earnings?month=2025-01",
            "/api/v1/earnings?month=2025-02",
            "/api/v1/earnings?month=2025-03")) {
      Api.Answer answer = api.get(path);
      figures.append(answer.status() == 200 ? answer.json() : answer.code()).append('\n');
    }
    try (Connection connection = server.bean(DataSource.class).getConnection()) {
      return new State(tables(connection), figures.toString());
    }
  }

  /** The sum of each table without its times. */
  private static Map<String, String> tables(Connection connection) throws Exception {
    Map<String, List<String>> columns = new TreeMap<>();
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select table_name, column_name from information_schema.columns"
                    + " where table_schema = 'PUBLIC' order by table_name, ordinal_position")) {
      while (row.next()) {
        if (!row.getString(1).matches(OUTSIDE) && !row.getString(2).matches(TIMES)) {
          columns
              .computeIfAbsent(row.getString(1), table -> new ArrayList<>())
              .add(row.getString(2));
        }
      }
    }
    Map<String, String> sums = new TreeMap<>();
    for (Map.Entry<String, List<String>> table : columns.entrySet()) {
      String all = "\"" + String.join("\", \"", table.getValue()) + "\"";
      sums.put(table.getKey(), TableSums.sum(connection, table.getKey(), all).toString());
    }
    sums.put("AUDIT_ENTRY", trail(connection));
    return sums;
  }

  /** What was done, but for the signing in of who asks here. */
  private static String trail(Connection connection) throws Exception {
    StringBuilder trail = new StringBuilder();
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select kind, subject, before_text, after_text from audit_entry"
                    + " where kind <> 'SIGN_IN' order by id")) {
      while (row.next()) {
        for (int column = 1; column <= 4; column++) {
          // a seal's hash is of its time, too
          String text = String.valueOf(row.getString(column));
          trail.append(text.replaceAll("seal [0-9a-f]{64}", "seal")).append('\n');
        }
      }
    }
    return trail.toString();
  }
}
