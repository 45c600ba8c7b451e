package zealoustarget.server.platform.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.diagnostics.FailureAnalysis;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.transfer.backup.TableSums;

class NewerDataTest {
  @Test
  void dataOfANewerVersion_areRefusedInWords_andStayAsTheyAre(@TempDir Path data) throws Exception {
    RunningServer.start(data).close();
    String url = "jdbc:h2:file:" + data.resolve("zealous");
    Map<String, TableSums.Sum> before;
    try (Connection connection = DriverManager.getConnection(url, "sa", "");
        Statement statement = connection.createStatement()) {
      statement.execute(
          "insert into \"flyway_schema_history\" select 1000, '999', 'of the future', \"type\","
              + " \"script\", \"checksum\", \"installed_by\", \"installed_on\", \"execution_time\","
              + " \"success\" from \"flyway_schema_history\" where \"version\" = '6'");
      before = TableSums.of(connection);
    }
    Throwable refused = catchThrowable(() -> RunningServer.start(data));
    FailureAnalysis words = new NewerData().analyze(refused);
    assertThat(words).isNotNull();
    assertThat(words.getDescription()).contains("newer version").contains("Nothing was changed");
    assertThat(words.getAction()).contains("Start that version");
    try (Connection connection = DriverManager.getConnection(url, "sa", "")) {
      assertThat(TableSums.of(connection)).isEqualTo(before);
    }
  }
}
