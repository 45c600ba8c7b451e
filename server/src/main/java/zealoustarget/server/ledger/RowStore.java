package zealoustarget.server.ledger;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.query.SelectionQuery;
import org.springframework.stereotype.Component;
import zealoustarget.core.intake.Row;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.GoalBook;

/** Writes and reads the rows of loads, in sets: a load's rows are one range of the primary key. */
@Component
public class RowStore {
  private static final int FETCH_SIZE = 5_000;
  private static final String INSERT_ACTUAL =
      "insert into actual_row (id, load_id, line, booking_month, booking_day, rep_id, region_id,"
          + " product_id, order_key, amounts) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";

  private final SessionFactory sessions;

  RowStore(SessionFactory sessions) {
    this.sessions = sessions;
  }

  /**
   * Writes rows of a load that nobody can see yet, in one batched transaction.
   *
   * @param firstNumber number of the first of them within the load, from 0
   */
  public void write(int loadId, long firstNumber, List<Row> rows) {
    long firstId = firstId(loadId) + firstNumber;
    if (!rows.isEmpty() && rows.get(0) instanceof Row.Actual) {
      sessions.inStatelessTransaction(
          session -> session.doWork(connection -> insert(connection, loadId, firstId, rows)));
      return;
    }
    List<Object> entities = new ArrayList<>(rows.size());
    long id = firstId;
    for (Row row : rows) {
      entities.add(entity(id++, loadId, row));
    }
    sessions.inStatelessTransaction(session -> session.insertMultiple(entities));
  }

  /** Actuals come by the million: a batch on Hibernate's connection spares an entity for each. */
  private static void insert(Connection connection, int loadId, long firstId, List<Row> rows)
      throws SQLException {
    try (PreparedStatement insert = connection.prepareStatement(INSERT_ACTUAL)) {
      long id = firstId;
      for (Row row : rows) {
        Row.Actual actual = (Row.Actual) row;
        insert.setLong(1, id++);
        insert.setInt(2, loadId);
        insert.setInt(3, actual.line());
        insert.setInt(4, actual.month());
        insert.setObject(5, actual.day());
        insert.setInt(6, actual.rep());
        insert.setInt(7, actual.region());
        insert.setInt(8, actual.product());
        insert.setString(9, actual.order());
        insert.setObject(10, Arrays.stream(actual.amounts()).boxed().toArray(Long[]::new));
        insert.addBatch();
      }
      insert.executeBatch();
    }
  }

  /** Deletes all rows of a load. */
  public void delete(int loadId) {
    sessions.inStatelessTransaction(
        session -> {
          for (String entity :
              List.of("ActualRowEntity", "GoalRowEntity", "StayRowEntity", "ProductRowEntity")) {
            session
                .createMutationQuery("delete from " + entity + " where id between :first and :last")
                .setParameter("first", firstId(loadId))
                .setParameter("last", firstId(loadId + 1) - 1)
                .executeUpdate();
          }
        });
  }

  /** Reads what a load adds to the ledger. */
  LoadedRows read(PostedLoad load) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return switch (load.kind()) {
        case ACTUALS -> LoadedRows.of(load, actuals(session, load));
        case GOALS -> LoadedRows.ofGoals(load, goals(session, load));
        case ROSTER -> LoadedRows.ofStays(load, list(session, load, StayRowEntity.class));
        case PRODUCTS -> LoadedRows.ofProducts(load, list(session, load, ProductRowEntity.class));
      };
    }
  }

  /** A load's rows are numbered from here on. */
  static long firstId(int loadId) {
    return (long) loadId << 32;
  }

  private static Object entity(long id, int loadId, Row row) {
    if (row instanceof Row.Goal goal) {
      return new GoalRowEntity(id, loadId, goal);
    }
    return row instanceof Row.Stay stay
        ? new StayRowEntity(id, loadId, stay)
        : new ProductRowEntity(id, loadId, (Row.Product) row);
  }

  private static ActualBlock actuals(StatelessSession session, PostedLoad load) {
    ActualBlock.Builder block = new ActualBlock.Builder(load.id(), load.measures());
    SelectionQuery<Object[]> query =
        session.createSelectionQuery(
            "select line, bookingMonth, repId, regionId, productId, amounts from ActualRowEntity"
                + " where id between :first and :last order by id",
            Object[].class);
    try (Stream<Object[]> rows = range(query, load.id()).getResultStream()) {
      rows.forEach(
          row ->
              block.add(
                  (int) row[0],
                  (int) row[1],
                  (int) row[2],
                  (int) row[3],
                  (int) row[4],
                  (long[]) row[5]));
    }
    return block.build();
  }

  private static List<GoalBook.Cell> goals(StatelessSession session, PostedLoad load) {
    return list(session, load, GoalRowEntity.class).stream()
        .flatMap(row -> cells(load, row))
        .toList();
  }

  private static Stream<GoalBook.Cell> cells(PostedLoad load, GoalRowEntity row) {
    List<GoalBook.Cell> cells = new ArrayList<>();
    for (int i = 0; i < row.amounts.length; i++) {
      if (row.amounts[i] != ActualBlock.NO_AMOUNT) {
        String measure = load.measures().get(i);
        cells.add(
            new GoalBook.Cell(
                measure, row.goalMonth, row.memberId, row.amounts[i], load.id(), row.line));
      }
    }
    return cells.stream();
  }

  private static <T> List<T> list(StatelessSession session, PostedLoad load, Class<T> entity) {
    return range(
            session.createSelectionQuery(
                "from " + entity.getSimpleName() + " where id between :first and :last order by id",
                entity),
            load.id())
        .list();
  }

  private static <T> SelectionQuery<T> range(SelectionQuery<T> query, int loadId) {
    return query
        .setParameter("first", firstId(loadId))
        .setParameter("last", firstId(loadId + 1) - 1)
        .setFetchSize(FETCH_SIZE);
  }
}
