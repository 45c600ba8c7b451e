package zealoustarget.server.ledger;

import java.util.List;
import zealoustarget.core.intake.Row;

/** Rows of actuals as a database part holds them, for what reads and writes whole databases. */
public final class PackedActuals {
  /** Rows of one part; only a load's last has fewer. */
  public static final int SIZE = ActualPart.SIZE;

  private PackedActuals() {}

  /** The rows of one part, in their order. */
  public static List<Row.Actual> unpack(byte[] content) {
    return ActualPart.unpack(content).rows();
  }

  /** One part of at most {@link #SIZE} rows of one load, at least one. */
  public static byte[] pack(List<Row.Actual> rows) {
    return ActualPart.of(rows).packed();
  }
}
