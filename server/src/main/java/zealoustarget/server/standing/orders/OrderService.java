package zealoustarget.server.standing.orders;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Service;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.OrderBook;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.standing.closeup.CloseUpService;
import zealoustarget.server.standing.export.Exports;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;

/**
 * Reads orders against goals of their own: the one that their file brings beside their lines, or a
 * threshold per rep and month.
 */
@Service
public class OrderService {
  private final QueryReader reader;
  private final LedgerService ledgers;
  private final OrderTexts texts;

  OrderService(QueryReader reader, LedgerService ledgers, OrderTexts texts) {
    this.reader = reader;
    this.ledgers = ledgers;
    this.texts = texts;
  }

  /**
   * A page of the orders behind a row.
   *
   * @param threshold a goal set by rep whose goals each order is to meet, or null for the goals
   *     that the files bring
   * @param onlyMet whether orders that do not meet their goal are passed over
   * @param sort see {@link JudgedOrders#sorted}
   */
  public OrdersAnswer orders(
      String key,
      StandingParameters parameters,
      String threshold,
      boolean onlyMet,
      String sort,
      int page,
      int size) {
    ResolvedQuery asked = reader.read(key, parameters);
    JudgedOrders judged = judged(asked, key, threshold);
    int[] shown = judged.sorted(sort, onlyMet);
    int from = (int) Math.min((long) page * size, shown.length);
    int[] wanted = java.util.Arrays.copyOfRange(shown, from, Math.min(from + size, shown.length));
    return new OrdersAnswer(
        judged.per(),
        thresholds(asked),
        page,
        size,
        shown.length,
        judged.lineCount(shown),
        judged.judgedCount(),
        judged.metCount(),
        texts.orders(asked, judged, wanted));
  }

  /**
   * All orders behind a row as a table, a row per line.
   *
   * @throws zealoustarget.core.Refusal export-too-large
   */
  public Exports.Table table(
      String key, StandingParameters parameters, String threshold, boolean onlyMet, String sort) {
    ResolvedQuery asked = reader.read(key, parameters);
    JudgedOrders judged = judged(asked, key, threshold);
    return texts.table(asked, judged, judged.sorted(sort, onlyMet));
  }

  private JudgedOrders judged(ResolvedQuery asked, String key, String threshold) {
    StandingQuery query = asked.query();
    Member member = CloseUpService.member(asked.ledger(), query.axis(), key);
    List<String> sets = thresholds(asked);
    boolean hasThreshold = QueryReader.isGiven(threshold);
    if (hasThreshold && !sets.contains(threshold)) {
      throw UnknownValue.of("threshold", threshold, sets);
    }
    OrderBook book = asked.ledger().orders(query, member == null ? null : member.id());
    if (hasThreshold) {
      return new JudgedOrders(book, counted(asked), "threshold", byRep(asked, threshold, book));
    }
    Map<Long, Long> own = ownGoals(query);
    return new JudgedOrders(
        book, counted(asked), own.isEmpty() ? null : "own-goal", ofLines(own, book));
  }

  /** What the lines count: of a rate its numerator. */
  private static Measure counted(ResolvedQuery asked) {
    Measure measure = asked.query().measure();
    return measure.quotient() == null ? measure : measure.quotient().over();
  }

  private Map<Long, Long> ownGoals(StandingQuery query) {
    return query.basis() instanceof Basis.Set set
        ? ledgers.lineGoals(set.name(), query.measure().code())
        : Map.of();
  }

  private static List<String> thresholds(ResolvedQuery asked) {
    return asked.ledger().goalBooks().values().stream()
        .filter(book -> book.axis() == Axis.REP)
        .filter(book -> book.measures().contains(counted(asked).code()))
        .map(GoalBook::name)
        .sorted()
        .toList();
  }

  /** The goals beside an order's lines add up; null where none of its lines has one. */
  private static JudgedOrders.GoalOfOrder ofLines(Map<Long, Long> own, OrderBook book) {
    return order -> {
      Long sum = null;
      for (OrderBook.Line line : book.linesOf(order)) {
        Long goal = own.get(LedgerService.place(line.loadId(), line.line()));
        sum = goal == null ? sum : Long.valueOf(Math.addExact(sum == null ? 0 : sum, goal));
      }
      return sum;
    };
  }

  private static JudgedOrders.GoalOfOrder byRep(
      ResolvedQuery asked, String threshold, OrderBook book) {
    Map<Ledger.MemberMonth, Long> byRep = new HashMap<>();
    Objects.requireNonNull(asked.ledger().goalBooks().get(threshold)).cells().stream()
        .filter(cell -> cell.measure().equals(counted(asked).code()))
        .forEach(
            cell -> byRep.put(new Ledger.MemberMonth(cell.member(), cell.month()), cell.amount()));
    return order -> byRep.get(new Ledger.MemberMonth(book.rep(order), book.month(order)));
  }
}
