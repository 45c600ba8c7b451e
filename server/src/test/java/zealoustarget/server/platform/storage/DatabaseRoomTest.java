package zealoustarget.server.platform.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DatabaseRoomTest {
  private static final int ROWS = 120;
  private static final int BYTES = 50_000;

  private static final String SUM =
      "select count(*) || ' ' || listagg(rawtohex(hash('SHA-256', content)), ' ')"
          + " within group (order by id) from part";

  @TempDir Path folder;
  private String kept;

  private String url() {
    return "jdbc:h2:file:" + folder.resolve("zealous");
  }

  /** Rows that are written, and most of them written again. */
  private void fill() throws Exception {
    Random random = new Random(3);
    byte[] content = new byte[BYTES];
    String live = "jdbc:h2:file:" + folder.resolve("live") + ";WRITE_DELAY=0";
    try (Connection connection = DriverManager.getConnection(live, "sa", "");
        Statement sql = connection.createStatement()) {
      sql.execute("create table part (id int primary key, content varbinary(100000))");
      for (int round = 0; round < 2; round++) {
        try (PreparedStatement put =
            connection.prepareStatement("merge into part key (id) values (?, ?)")) {
          for (int row = 0; row < ROWS; row++) {
            random.nextBytes(content);
            put.setInt(1, row);
            put.setBytes(2, content);
            put.execute();
          }
        }
      }
      sql.execute("delete from part where id > 20");
      try (ResultSet row = sql.executeQuery(SUM)) {
        row.next();
        kept = row.getString(1);
      }
      sql.execute("checkpoint sync");
      Files.copy(
          folder.resolve("live.mv.db"), folder.resolve("zealous.mv.db")); // before it is tidied
    }
  }

  private String rows() throws SQLException {
    try (Connection connection = DriverManager.getConnection(url(), "sa", "");
        Statement sql = connection.createStatement();
        ResultSet row = sql.executeQuery(SUM)) {
      row.next();
      return row.getString(1);
    }
  }

  private long size() throws Exception {
    return Files.size(folder.resolve("zealous.mv.db"));
  }

  @Test
  void roomThatIsNotNeeded_isGivenBack_andTheRowsStay() throws Exception {
    fill();
    long large = size();
    new DatabaseRoom(folder, url(), Long.MAX_VALUE).giveBack();
    assertThat(size()).as("a small file is left alone").isEqualTo(large);
    new DatabaseRoom(folder, url(), 1).giveBack();
    assertThat(size()).as("of %d", large).isLessThan(large).isBetween(20L * BYTES, 24L * BYTES);
    assertThat(rows()).isEqualTo(kept).startsWith("21 ");
  }

  @Test
  void folderWithoutADatabase_staysSo() {
    new DatabaseRoom(folder, url(), 0).giveBack();
    assertThat(folder).isEmptyDirectory();
  }
}
