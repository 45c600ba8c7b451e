package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Gives back what the database file holds and does not need, when the server is stopped: while it
 * runs the file only grows. About a second for 100 MB that are kept; a halt in between leaves the
 * file as it was.
 */
@Component
class DatabaseRoom {
  private static final Logger LOG = LoggerFactory.getLogger(DatabaseRoom.class);
  private static final long SMALL = 32L << 20;
  private static final long LARGE = 4L << 30; // longer than whoever stops a service waits
  private static final int WELL_FILLED = 85;

  private final Path folder;
  private final String url;
  private final long small;

  @Autowired
  DatabaseRoom(
      @Value("${zealous.data-dir}") String folder, @Value("${spring.datasource.url}") String url) {
    this(Path.of(folder), url, SMALL);
  }

  DatabaseRoom(Path folder, String url, long small) {
    this.folder = folder;
    this.url = url;
    this.small = small;
  }

  @EventListener(ApplicationReadyEvent.class)
  void giveBackAtTheEnd() {
    SpringApplication.getShutdownHandlers().add(this::giveBack); // after everything is closed
  }

  /** Writes the file anew where less than 85 % of it is in use. */
  void giveBack() {
    try {
      if (!isWorthIt()) {
        return;
      }
      try (Connection connection = DriverManager.getConnection(url, "sa", "");
          Statement statement = connection.createStatement()) {
        if (fillRate(statement) < WELL_FILLED) {
          statement.execute("shutdown compact");
        }
      }
    } catch (IOException | SQLException failure) {
      LOG.warn("the database file could not be made smaller; it stays as it is", failure);
    }
  }

  private boolean isWorthIt() throws IOException {
    Path file = folder.resolve("zealous.mv.db");
    if (!Files.exists(file)) {
      return false;
    }
    long size = Files.size(file);
    return size >= small && size < LARGE && Files.getFileStore(folder).getUsableSpace() > size;
  }

  private static int fillRate(Statement statement) throws SQLException {
    try (ResultSet row =
        statement.executeQuery(
            "select setting_value from information_schema.settings"
                + " where setting_name = 'info.FILL_RATE'")) {
      return row.next() ? row.getInt(1) : 100;
    }
  }
}
