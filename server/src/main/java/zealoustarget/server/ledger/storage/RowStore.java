package zealoustarget.server.ledger.storage;

import com.github.benmanes.caffeine.cache.Interner;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.query.SelectionQuery;
import org.springframework.stereotype.Component;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.ledger.state.LoadedRows;
import zealoustarget.server.ledger.state.PostedLoad;
import zealoustarget.server.platform.Sha256;

/** Reads the rows of loads, in sets: a load's rows are one range of the primary key. */
@Component
public class RowStore {
  private static final int FETCH_SIZE = 5_000;
  private static final int PARTS = 16;

  private final SessionFactory sessions;

  /** Keys and stages come again in every snapshot. */
  private final Interner<String> dealTexts = Interner.newWeakInterner();

  RowStore(SessionFactory sessions) {
    this.sessions = sessions;
  }

  /** Writes a load's rows in the transaction of a session, in place of those it had. */
  public RowWriter writer(StatelessSession session, int loadId) {
    delete(session, loadId);
    return new RowWriter(session, loadId);
  }

  /** Deletes all rows of a load. */
  public void delete(int loadId) {
    sessions.inStatelessTransaction(session -> delete(session, loadId));
  }

  private static void delete(StatelessSession session, int loadId) {
    for (String entity :
        List.of(
            "ActualPartEntity",
            "GoalPartEntity",
            "StayRowEntity",
            "ProductRowEntity",
            "DealPartEntity")) {
      session
          .createMutationQuery("delete from " + entity + " where id between :first and :last")
          .setParameter("first", firstId(loadId))
          .setParameter("last", firstId(loadId + 1) - 1)
          .executeUpdate();
    }
  }

  /** Reads what a load adds to the ledger. */
  public LoadedRows read(PostedLoad load) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      MessageDigest digest = Sha256.begin();
      List<StayRowEntity> stays = list(session, load, StayRowEntity.class);
      List<ProductRowEntity> products = list(session, load, ProductRowEntity.class);
      List<ActualBlock> actuals =
          load.kind() == LoadKind.ACTUALS ? actuals(session, load, digest).byMonth() : List.of();
      List<LoadRow.Goal> goals = new ArrayList<>();
      eachGoal(
          session,
          load,
          row -> {
            digest.update(GoalPart.text(row).getBytes(StandardCharsets.UTF_8));
            goals.add(row);
          });
      stays.forEach(row -> digest.update(row.text().getBytes(StandardCharsets.UTF_8)));
      products.forEach(row -> digest.update(row.text().getBytes(StandardCharsets.UTF_8)));
      DealSnapshot deals = load.kind() == LoadKind.DEALS ? deals(session, load, digest) : null;
      return new LoadedRows(
          load, actuals, goals(goals, load), stays, products, deals, Sha256.end(digest));
    }
  }

  private DealSnapshot deals(StatelessSession session, PostedLoad load, MessageDigest digest) {
    List<Deal> deals = new ArrayList<>();
    eachPart(
        session,
        load.id(),
        DealPartEntity.class,
        content -> {
          digest.update(content);
          DealPart.each(content, dealTexts::intern, deals::add);
        });
    return DealSnapshot.of(
        new DealSnapshot.Origin(
            Objects.requireNonNull(load.source()),
            Objects.requireNonNull(load.asOf()),
            load.id(),
            load.measures()),
        deals);
  }

  /** A load's rows are numbered from here on. */
  public static long firstId(int loadId) {
    return (long) loadId << 32;
  }

  private static ActualBlock actuals(
      StatelessSession session, PostedLoad load, MessageDigest digest) {
    ActualBlock.Builder block = new ActualBlock.Builder(load.id(), load.measures());
    eachPart(
        session,
        load.id(),
        ActualPartEntity.class,
        content -> {
          digest.update(content);
          ActualPart.unpack(content).addTo(block);
        });
    return block.build();
  }

  /** The source's order keys of some lines of a load, by line; lines without one are missing. */
  public Map<Integer, String> orders(int loadId, Set<Integer> lines) {
    Map<Integer, String> found = new HashMap<>();
    try (StatelessSession session = sessions.openStatelessSession()) {
      eachPart(
          session,
          loadId,
          ActualPartEntity.class,
          content -> ActualPart.unpack(content).addOrders(lines, found));
    }
    return found;
  }

  private static void eachGoal(
      StatelessSession session, PostedLoad load, Consumer<LoadRow.Goal> to) {
    eachPart(session, load.id(), GoalPartEntity.class, content -> GoalPart.each(content, to));
  }

  /** A load's parts one after the other, in their order. */
  private static <T extends PartEntity> void eachPart(
      StatelessSession session, int loadId, Class<T> entity, Consumer<byte[]> to) {
    try (Stream<T> parts = ofLoad(session, loadId, entity, PARTS).getResultStream()) {
      parts.forEach(part -> to.accept(part.content));
    }
  }

  /** The goals beside a load's lines, by line; a wide file's months of a line add up. */
  public Map<Integer, Long> lineGoals(PostedLoad load, String measure) {
    int at = load.measures().indexOf(measure);
    Map<Integer, Long> goals = new LinkedHashMap<>();
    try (StatelessSession session = sessions.openStatelessSession()) {
      eachGoal(
          session,
          load,
          row -> {
            if (row.amounts()[at] != Amounts.NONE) {
              goals.merge(row.line(), row.amounts()[at], Math::addExact);
            }
          });
    }
    return goals;
  }

  /** Goals that stand beside actuals add up over a file's lines of a member and month. */
  private static List<GoalBook.Cell> goals(List<LoadRow.Goal> rows, PostedLoad load) {
    List<GoalBook.Cell> cells = new ArrayList<>(rows.size() * load.measures().size());
    for (int at = 0; at < load.measures().size(); at++) {
      String code = load.measures().get(at);
      if (!Measure.isHighEnd(code)) {
        addCells(rows, load, at, cells);
      }
    }
    if (load.kind() != LoadKind.ACTUALS) {
      return cells;
    }
    Map<List<Object>, GoalBook.Cell> sums = new LinkedHashMap<>();
    cells.forEach(
        cell ->
            sums.merge(
                List.of(cell.measure(), cell.month(), cell.member()), cell, GoalBook.Cell::plus));
    return List.copyOf(sums.values());
  }

  private static void addCells(
      List<LoadRow.Goal> rows, PostedLoad load, int at, List<GoalBook.Cell> to) {
    String code = load.measures().get(at);
    String measure = Measure.ownCode(code);
    int highEnd = Measure.isLowEnd(code) ? load.measures().indexOf(Measure.highEndOf(measure)) : -1;
    for (LoadRow.Goal row : rows) {
      if (row.amounts()[at] != Amounts.NONE) {
        to.add(
            new GoalBook.Cell(
                measure,
                row.month(),
                row.member(),
                row.amounts()[at],
                highEnd < 0 ? null : row.amounts()[highEnd],
                load.id(),
                row.line()));
      }
    }
  }

  private static <T> List<T> list(StatelessSession session, PostedLoad load, Class<T> entity) {
    return ofLoad(session, load.id(), entity, FETCH_SIZE).list();
  }

  private static <T> SelectionQuery<T> ofLoad(
      StatelessSession session, int loadId, Class<T> entity, int fetched) {
    return session
        .createSelectionQuery(
            "from " + entity.getSimpleName() + " where id between :first and :last order by id",
            entity)
        .setParameter("first", firstId(loadId))
        .setParameter("last", firstId(loadId + 1) - 1)
        .setFetchSize(fetched);
  }
}
