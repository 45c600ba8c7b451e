package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;

/** Reads that belong together: every query sees the state of the first one. */
public final class Snapshot {
  private static final int LEVEL = 6; // the database's own, beside those of the standard

  /** What is read. */
  public interface Reading<T> {
    T read(Connection connection) throws SQLException, IOException;
  }

  private Snapshot() {}

  /** Reads in a transaction of its own, which changes nothing. */
  public static <T> T read(DataSource database, Reading<T> reading)
      throws SQLException, IOException {
    try (Connection connection = database.getConnection()) {
      connection.setAutoCommit(false);
      connection.setTransactionIsolation(LEVEL);
      try {
        return reading.read(connection);
      } finally {
        connection.rollback();
      }
    }
  }
}
