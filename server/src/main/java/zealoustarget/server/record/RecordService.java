package zealoustarget.server.record;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import zealoustarget.server.audit.AuditLinks;
import zealoustarget.server.audit.HeadFile;
import zealoustarget.server.ledger.sealing.SealLinks;
import zealoustarget.server.platform.state.RecordState;
import zealoustarget.server.platform.storage.Snapshot;

/**
 * Whether trail and seals read as they were written: looked at when the application starts, and
 * whenever somebody asks. Rows of loads are looked at as they are read.
 */
@Service
@Order(-1)
public class RecordService implements ApplicationRunner {
  /**
   * What was found.
   *
   * @param entries of the audit log
   * @param head hash of the last entry, which stands for all of them
   * @param faults in words; empty where all is as it was written
   */
  public record RecordAnswer(
      long entries, int seals, String head, boolean isWhole, List<String> faults) {}

  private final DataSource database;
  private final RecordState state;
  private final HeadFile file;

  RecordService(DataSource database, RecordState state, HeadFile file) {
    this.file = file;
    this.database = database;
    this.state = state;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    verify();
  }

  /** Looks at everything that is linked, and withholds the figures where something is wrong. */
  public RecordAnswer verify() {
    long noted = file.read(); // before the state that is looked at, which can only have more
    try {
      return Snapshot.read(database, connection -> verify(connection, noted));
    } catch (SQLException | IOException failure) {
      throw new IllegalStateException(failure);
    }
  }

  private RecordAnswer verify(Connection connection, long noted) throws SQLException {
    AuditLinks.Verified trail = AuditLinks.verify(connection);
    SealLinks.Verified seals = SealLinks.verify(connection);
    trail.faults().forEach(state::damaged);
    if (trail.entries() < noted) {
      state.damaged(RecordWords.databaseEndsWithEntryOfAudit(trail.entries(), noted));
    }
    seals.faults().forEach(state::damaged);
    List<String> faults = state.faults();
    return new RecordAnswer(trail.entries(), seals.seals(), trail.head(), faults.isEmpty(), faults);
  }
}
