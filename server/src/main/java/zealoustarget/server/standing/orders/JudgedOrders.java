package zealoustarget.server.standing.orders;

import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToLongFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.columns.OrderBook;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Reading;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.standing.query.QueryReader;

/** Orders with the goal that each is to meet; texts are made only of those that are shown. */
final class JudgedOrders {
  /** What an order is compared with; null where it has no goal. */
  interface GoalOfOrder {
    @Nullable Long of(int order);
  }

  private static final List<String> SORTS = List.of("date", "amount", "variance", "rep");

  private final OrderBook book;
  private final Measure measure;
  private final @Nullable String per;
  private final Long[] goals;
  private final BitSet met = new BitSet();
  private final int judgedCount;

  /** Judges every order once: the counts, the filter and the sort are of all of them. */
  JudgedOrders(OrderBook book, Measure measure, @Nullable String per, GoalOfOrder goals) {
    this.book = book;
    this.measure = measure;
    this.per = per;
    this.goals = new Long[book.size()];
    int judged = 0;
    for (int order = 0; per != null && order < book.size(); order++) {
      this.goals[order] = goals.of(order);
      if (this.goals[order] != null) {
        judged++;
        met.set(order, reading(order).isReached());
      }
    }
    this.judgedCount = judged;
  }

  OrderBook book() {
    return book;
  }

  Measure measure() {
    return measure;
  }

  @Nullable String per() {
    return per;
  }

  int judgedCount() {
    return judgedCount;
  }

  int metCount() {
    return met.cardinality();
  }

  Reading reading(int order) {
    Long goal = goals[order];
    return new Reading(
        measure.direction(),
        Ratio.of(book.sum(order)),
        goal == null ? Goal.MISSING : Goal.of(goal),
        1,
        null,
        null);
  }

  int lineCount(int[] orders) {
    return IntStream.of(orders).map(book::lines).sum();
  }

  /**
   * Numbers of orders.
   *
   * @param sort {@code date}, {@code amount}, {@code variance} or {@code rep}, falling with a minus
   *     before; null for the order in which they were posted. Orders without a goal come last by
   *     variance.
   * @throws zealoustarget.core.Refusal value-unknown
   */
  int[] sorted(String sort, boolean onlyMet) {
    IntStream shown = onlyMet ? met.stream() : IntStream.range(0, book.size());
    if (!QueryReader.isGiven(sort)) {
      return shown.toArray();
    }
    boolean isFalling = sort.startsWith("-");
    Comparator<Integer> by = by(isFalling ? sort.substring(1) : sort, isFalling);
    return shown.boxed().sorted(by).mapToInt(Integer::intValue).toArray();
  }

  private Comparator<Integer> by(String key, boolean isFalling) {
    return switch (key) {
      case "amount" -> directed(book::sum, isFalling);
      case "date" -> directed(order -> book.month(order) * 32L + book.day(order), isFalling);
      case "rep" -> directed(book::rep, isFalling);
      case "variance" ->
          Comparator.comparing((Integer order) -> goals[order] == null)
              .thenComparing(directed(this::variance, isFalling));
      default -> throw UnknownValue.of("sort", key, SORTS);
    };
  }

  private static Comparator<Integer> directed(ToLongFunction<Integer> figure, boolean isFalling) {
    Comparator<Integer> rising = Comparator.comparingLong(figure);
    return isFalling ? rising.reversed() : rising;
  }

  private long variance(int order) {
    Long goal = goals[order];
    return goal == null ? 0 : Math.subtractExact(book.sum(order), goal);
  }
}
