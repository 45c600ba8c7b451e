package zealoustarget.server.ledger.storage;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.outlook.Deal;

/** Rows as a database part holds them, for what reads and writes whole databases. */
public final class PackedRows {
  /** Rows of one part; only a load's last has fewer. */
  public static final int SIZE = Gatherer.SIZE;

  /** The form of loads of earlier versions; what is written now has {@link #FORM}. */
  public static final int FIRST_FORM = ActualPart.COLUMNS;

  public static final int FORM = ActualPart.PLANES;

  private PackedRows() {}

  /** The rows of one part, in their order. */
  public static List<LoadRow.Actual> unpack(byte[] content) {
    return ActualPart.unpack(content).rows();
  }

  /** Goals of one part, in their order. */
  public static void eachGoal(byte[] content, Consumer<LoadRow.Goal> to) {
    GoalPart.each(content, to);
  }

  /** Deals of one part, in their order. */
  public static void eachDeal(byte[] content, Consumer<Deal> to) {
    DealPart.each(content, UnaryOperator.identity(), to);
  }

  /** One part of at most {@link #SIZE} deals of one load, at least one. */
  public static byte[] packDeals(List<Deal> rows) {
    return DealPart.pack(rows);
  }

  /** One part of at most {@link #SIZE} goals of one load, at least one. */
  public static byte[] packGoals(List<LoadRow.Goal> rows) {
    return GoalPart.pack(rows);
  }

  /** The form of a part; all parts of a load have the same. */
  public static int formOf(byte[] content) {
    return ActualPart.formOf(content);
  }

  /** One part of at most {@link #SIZE} rows of one load, at least one. */
  public static byte[] pack(List<LoadRow.Actual> rows, int form) {
    return ActualPart.of(rows).packed(form);
  }
}
