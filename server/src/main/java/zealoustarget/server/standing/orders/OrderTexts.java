package zealoustarget.server.standing.orders;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.columns.OrderBook;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Reading;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.sheet.FurtherColumns;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.standing.export.Exports;
import zealoustarget.server.standing.export.Exports.Cell;
import zealoustarget.server.standing.export.Exports.Column;
import zealoustarget.server.standing.export.Exports.Format;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.view.ReadingAnswer;

/** Puts some orders into words, with what their files say beside the figures. */
@Component
class OrderTexts {
  private static final int MOST_LINES = 100;
  private static final int MOST_EXPORTED = 200_000;

  private final LedgerService ledgers;
  private final LoadService loads;
  private final FurtherColumns columns;

  OrderTexts(LedgerService ledgers, LoadService loads, FurtherColumns columns) {
    this.ledgers = ledgers;
    this.loads = loads;
    this.columns = columns;
  }

  List<OrdersAnswer.Order> orders(ResolvedQuery asked, JudgedOrders judged, int[] wanted) {
    Words words = new Words(asked, judged, wanted, MOST_LINES);
    return IntStream.of(wanted).mapToObj(words::order).toList();
  }

  /**
   * A row per line.
   *
   * @throws Refusal export-too-large where there are more than 200,000 lines
   */
  Exports.Table table(ResolvedQuery asked, JudgedOrders judged, int[] wanted) {
    int count = judged.lineCount(wanted);
    if (count > MOST_EXPORTED) {
      throw Refusal.of(
          "export-too-large",
          "These are "
              + count
              + " lines; an export holds "
              + MOST_EXPORTED
              + ". Filter the standing or choose a shorter span.");
    }
    return new Words(asked, judged, wanted, Integer.MAX_VALUE).table(wanted);
  }

  /** The texts of some orders' lines, read once per load. */
  private final class Words {
    private final ResolvedQuery asked;
    private final JudgedOrders judged;
    private final Measure measure;
    private final int most;
    private final Map<Integer, String> files = loads.fileNames();
    private final Map<Long, String> orderKeys = new HashMap<>();
    private final Map<Long, Map<String, String>> further = new HashMap<>();

    Words(ResolvedQuery asked, JudgedOrders judged, int[] wanted, int most) {
      this.asked = asked;
      this.judged = judged;
      this.measure = judged.measure();
      this.most = most;
      Map<Integer, Set<Integer>> byLoad = new TreeMap<>();
      for (int order : wanted) {
        for (OrderBook.Line line : lines(order)) {
          byLoad.computeIfAbsent(line.loadId(), load -> new TreeSet<>()).add(line.line());
        }
      }
      byLoad.forEach(
          (load, lines) -> {
            ledgers
                .orderTexts(load, lines)
                .forEach((line, text) -> orderKeys.put(LedgerService.place(load, line), text));
            columns
                .of(load, lines)
                .forEach((line, cells) -> further.put(LedgerService.place(load, line), cells));
          });
    }

    private List<OrderBook.Line> lines(int order) {
      List<OrderBook.Line> all = judged.book().linesOf(order);
      return all.subList(0, Math.min(most, all.size()));
    }

    private OrdersAnswer.Order order(int order) {
      List<OrderBook.Line> lines = lines(order);
      OrderBook.Line first = lines.get(0);
      Reading reading = judged.reading(order);
      boolean isJudged = reading.hasGoal();
      boolean isOneProduct = lines.stream().allMatch(one -> one.product() == first.product());
      return new OrdersAnswer.Order(
          orderKeys.get(place(first)),
          month(first),
          date(first),
          name(Axis.REP, first.rep()),
          isOneProduct ? name(Axis.PRODUCT, first.product()) : null,
          measure.text(judged.book().sum(order)),
          ReadingAnswer.text(measure, reading.goalAmount()),
          ReadingAnswer.text(measure, reading.variance()),
          isJudged ? reading.isReached() : null,
          isJudged ? why(reading, first) : null,
          judged.book().lines(order),
          lines.stream().map(this::line).toList());
    }

    private OrdersAnswer.Line line(OrderBook.Line line) {
      return new OrdersAnswer.Line(
          line.loadId(),
          files.getOrDefault(line.loadId(), ""),
          line.line(),
          month(line),
          date(line),
          name(Axis.PRODUCT, line.product()),
          measure.text(line.amount()),
          further.getOrDefault(place(line), Map.of()));
    }

    private String why(Reading reading, OrderBook.Line first) {
      Writing writing = asked.rules().company().writing();
      int side = Objects.requireNonNull(reading.variance()).signum();
      String how = side == 0 ? "exactly " : side > 0 ? "above " : "below ";
      String goal =
          "threshold".equals(judged.per())
              ? "the threshold of " + name(Axis.REP, first.rep())
              : "its own goal";
      return how
          + writing.grouped(measure.text(Objects.requireNonNull(reading.goalAmount())))
          + ", "
          + goal;
    }

    private @Nullable String name(Axis axis, int member) {
      return member < 0 ? null : asked.ledger().members().get(axis, member).name();
    }

    private static String month(OrderBook.Line line) {
      return Months.of(line.month()).toString();
    }

    private static @Nullable String date(OrderBook.Line line) {
      if (line.day() == 0) {
        return null;
      }
      LocalDate day = Months.of(line.month()).atDay(line.day());
      return day.toString();
    }

    private static long place(OrderBook.Line line) {
      return LedgerService.place(line.loadId(), line.line());
    }

    private Exports.Table table(int[] wanted) {
      Set<String> titles = new LinkedHashSet<>();
      further.values().forEach(cells -> titles.addAll(cells.keySet()));
      Format amounts = measure.scale() == 0 ? Format.WHOLE : Format.MONEY;
      String unit = measure.isCurrency() ? ", " + measure.unit() : "";
      List<Column> heads = new ArrayList<>();
      for (String title : List.of("Order", "Date", "Month", "Rep", "Product")) {
        heads.add(new Column(title, Format.TEXT));
      }
      for (String title : List.of("Amount", "Order total", "Goal", "Variance")) {
        heads.add(new Column(title + unit, amounts));
      }
      for (String title : List.of("Goal met", "File", "Line")) {
        heads.add(new Column(title, Format.TEXT));
      }
      titles.forEach(title -> heads.add(new Column(title, Format.TEXT)));
      List<List<Cell>> rows = new ArrayList<>();
      for (int number : wanted) {
        OrdersAnswer.Order order = order(number);
        order.lines().forEach(line -> rows.add(row(order, line, titles)));
      }
      return new Exports.Table("Orders", heads, rows, 0, List.of());
    }

    private static List<Cell> row(
        OrdersAnswer.Order order, OrdersAnswer.Line line, Set<String> titles) {
      List<Cell> cells = new ArrayList<>();
      cells.add(Cell.of(order.order()));
      cells.add(Cell.of(line.date()));
      cells.add(Cell.of(line.month()));
      cells.add(Cell.of(order.rep()));
      cells.add(Cell.of(line.product()));
      cells.add(Cell.of(line.amount()));
      cells.add(Cell.of(order.amount()));
      cells.add(Cell.of(order.goal()));
      cells.add(Cell.of(order.variance()));
      cells.add(Cell.of(order.isMet() == null ? null : order.isMet() ? "yes" : "no"));
      cells.add(Cell.of(line.file()));
      cells.add(Cell.of(Integer.toString(line.line())));
      titles.forEach(title -> cells.add(Cell.of(line.further().get(title))));
      return cells;
    }
  }
}
