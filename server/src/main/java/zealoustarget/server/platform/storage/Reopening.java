package zealoustarget.server.platform.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Set;
import java.util.function.Supplier;
import javax.sql.DataSource;
import org.h2.api.ErrorCode;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * The database closes itself when it cannot write, as on a full disk, so that nothing half-written
 * counts. Once there is room again, the application is started anew in the same process: it reads
 * what was stored, and goes on.
 */
public final class Reopening {
  private static final Logger LOG = LoggerFactory.getLogger(Reopening.class);
  private static final Duration BETWEEN = Duration.ofSeconds(2);
  private static final Set<Integer> CLOSED =
      Set.of(ErrorCode.DATABASE_IS_CLOSED, ErrorCode.DATABASE_CALLED_AT_SHUTDOWN);

  private Reopening() {}

  /**
   * Starts the application, and starts it anew whenever its database is closed and can be opened.
   */
  public static void keepOpen(Supplier<ConfigurableApplicationContext> start) {
    ConfigurableApplicationContext first = start.get();
    if (first instanceof WebServerApplicationContext) {
      new Thread(() -> watch(first, start), "reopening").start();
    }
  }

  private static void watch(
      ConfigurableApplicationContext first, Supplier<ConfigurableApplicationContext> start) {
    ConfigurableApplicationContext running = first;
    while (running.isActive()) {
      awaitRoomAfterClosing(running);
      if (running.isActive()) {
        LOG.warn("the database closed itself as it could not write; there is room again");
        running.close();
        running = startedAgain(start);
      }
    }
  }

  /** Returns once the database has closed itself and there is room, or the application stops. */
  private static void awaitRoomAfterClosing(ConfigurableApplicationContext running) {
    DataSource database = running.getBean(DataSource.class);
    Space space = running.getBean(Space.class);
    do {
      pause();
    } while (running.isActive() && !(isClosed(database) && space.isThere()));
  }

  private static ConfigurableApplicationContext startedAgain(
      Supplier<ConfigurableApplicationContext> start) {
    while (true) {
      try {
        return start.get();
      } catch (RuntimeException stillFull) {
        pause(); // its own words are in the log
      }
    }
  }

  private static boolean isClosed(DataSource database) {
    try (Connection connection = database.getConnection();
        Statement statement = connection.createStatement()) {
      statement.execute("select 1 from setting fetch first row only");
      return false;
    } catch (SQLException failure) {
      return CLOSED.contains(failure.getErrorCode()) || Space.isFull(failure);
    }
  }

  private static void pause() {
    try {
      Thread.sleep(BETWEEN.toMillis());
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
  }
}
