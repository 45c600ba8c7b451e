package zealoustarget.server;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.server.ledger.storage.PackedRows;

/**
 * What the stored rows add up to, reckoned from the definitions as plainly as can be: one measure,
 * reps' actuals as posted now, goals of one set, and pay at one rate from the first unit on.
 */
final class PlainTwin {
  private record Load(int id, String kind, String mode) {}

  /** A row that counts, until a later load takes it out. */
  private record Line(LoadRow.Actual row) {
    long amount() {
      return row.amounts()[0];
    }
  }

  private record Place(int rep, int month) {}

  private final Connection connection;
  private final Map<Integer, String> keys = new HashMap<>();
  private final Map<Integer, TreeMap<Integer, Integer>> regions = new HashMap<>();
  private final Map<Place, Long> goals = new HashMap<>();
  private List<Line> lines = new ArrayList<>();

  /** Reads everything that is posted. */
  PlainTwin(Connection connection) throws SQLException {
    this.connection = connection;
    each("select id, member_key from member", row -> keys.put(row.getInt(1), row.getString(2)));
    List<Load> loads = new ArrayList<>();
    each(
        "select id, kind, mode from load where state = 'POSTED' order by post_order",
        row -> loads.add(new Load(row.getInt(1), row.getString(2), row.getString(3))));
    for (Load load : loads) {
      each(
          rows("rep_id, from_month, region_id", "stay_row", load),
          row ->
              regions
                  .computeIfAbsent(row.getInt(1), rep -> new TreeMap<>())
                  .put(row.getInt(2), row.getInt(3)));
    }
    for (Load load : loads) {
      lay(load);
    }
  }

  private interface Taker {
    void take(ResultSet row) throws SQLException;
  }

  private void each(String sql, Taker taker) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(sql)) {
      while (row.next()) {
        taker.take(row);
      }
    }
  }

  private static String rows(String columns, String table, Load load) {
    return "select %s from %s where load_id = %d order by id".formatted(columns, table, load.id);
  }

  private void lay(Load load) throws SQLException {
    List<Line> added = new ArrayList<>();
    each(
        rows("content", "actual_part", load),
        part -> PackedRows.unpack(part.getBytes(1)).forEach(row -> added.add(new Line(row))));
    each(
        rows("content", "goal_part", load),
        part ->
            PackedRows.eachGoal(
                part.getBytes(1),
                goal -> goals.put(new Place(goal.member(), goal.month()), goal.amounts()[0])));
    if ("CORRECT".equals(load.mode)) {
      Set<List<Object>> orders = new HashSet<>();
      added.forEach(line -> orders.add(order(line)));
      lines.removeIf(line -> line.row.order() != null && orders.contains(order(line)));
    } else if ("REPLACE".equals(load.mode)) {
      boolean isByRegion = added.stream().allMatch(line -> region(line) >= 0);
      Set<List<Integer>> covered = new HashSet<>();
      added.forEach(line -> covered.add(covered(line, isByRegion)));
      lines.removeIf(line -> covered.contains(covered(line, isByRegion)));
    }
    lines.addAll(added);
  }

  private static List<Object> order(Line line) {
    return List.of(line.row.order().strip().toLowerCase(), line.row.product());
  }

  private List<Integer> covered(Line line, boolean isByRegion) {
    return List.of(line.row.month(), isByRegion ? region(line) : line.row.rep());
  }

  private int region(Line line) {
    Map.Entry<Integer, Integer> stay =
        regions.getOrDefault(line.row.rep(), new TreeMap<>()).floorEntry(line.row.month());
    return stay == null ? -1 : stay.getValue();
  }

  /** Reps' actuals of some months in smallest units, by key; those without a line are missing. */
  Map<String, Long> actuals(int first, int last) {
    Map<String, Long> sums = new TreeMap<>();
    lines.stream()
        .filter(line -> line.row.month() >= first && line.row.month() <= last)
        .forEach(line -> sums.merge(keys.get(line.row.rep()), line.amount(), Long::sum));
    return sums;
  }

  /** Reps' goals of some months in smallest units, by key; those without are missing. */
  Map<String, Long> goals(int first, int last) {
    Map<String, Long> sums = new TreeMap<>();
    goals.forEach(
        (place, amount) -> {
          if (place.month >= first && place.month <= last) {
            sums.merge(keys.get(place.rep), amount, Long::sum);
          }
        });
    return sums;
  }
}
