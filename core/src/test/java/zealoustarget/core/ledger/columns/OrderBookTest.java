package zealoustarget.core.ledger.columns;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

class OrderBookTest {
  private static final int MONTH = 24_000;
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final Members MEMBERS =
      new Members(
          Map.of(Axis.REP, List.of(new Member(1, "A", "Ann"), new Member(2, "B", "Bo"))),
          List.of(),
          Map.of());

  private static OrderBook book(Integer member, ActualBlock... blocks) {
    YearMonth from = Months.of(MONTH);
    StandingQuery query =
        new StandingQuery(
            Axis.REP,
            REVENUE,
            new Span(from, from.plusMonths(2)),
            Basis.NONE,
            Filters.NONE,
            Ladder.defaultOf(Direction.HIGHER));
    return new Ledger(MEMBERS, List.of(blocks), List.of()).orders(query, member);
  }

  private static void add(ActualBlock.Builder block, int line, int rep, String order, long amount) {
    block.add(line, MONTH, rep, -1, line % 5, amount).day(line % 28 + 1);
    block.order(OrderKey.ofOrder(order));
  }

  @Test
  void linesOfAnOrder_areSummed_alsoOverLoads() {
    ActualBlock.Builder first = new ActualBlock.Builder(1, List.of("revenue"));
    add(first, 2, 1, "SO-1", 100);
    add(first, 3, 1, "so-1 ", 50);
    add(first, 4, 2, "SO-1", 7);
    add(first, 5, 1, "", 1);
    add(first, 6, 1, "", 2);
    ActualBlock.Builder second = new ActualBlock.Builder(2, List.of("revenue"));
    add(second, 2, 1, "SO-1", -30);
    OrderBook book = book(null, first.build(), second.build());
    assertThat(book.size()).as("two of Ann without a key, SO-1 of each rep").isEqualTo(4);
    assertThat(book.lineCount()).isEqualTo(6);
    assertThat(book.sum(0)).isEqualTo(120);
    assertThat(book.linesOf(0))
        .extracting(OrderBook.Line::loadId, OrderBook.Line::line, OrderBook.Line::day)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(1, 2, 3),
            org.assertj.core.groups.Tuple.tuple(1, 3, 4),
            org.assertj.core.groups.Tuple.tuple(2, 2, 3));
    assertThat(book.rep(1)).isEqualTo(2);
    assertThat(List.of(book.sum(2), book.sum(3))).containsExactly(1L, 2L);
    assertThat(book(2, first.build()).size()).isEqualTo(1);
  }

  @ParameterizedTest
  @ValueSource(longs = {71, 72, 73})
  void anyLines_areGroupedAsOneWouldByHand(long seed) {
    Random random = new Random(seed);
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    Map<String, List<Long>> byHand = new LinkedHashMap<>();
    for (int line = 2; line < 3_000; line++) {
      int rep = 1 + random.nextInt(2);
      String order = random.nextInt(10) == 0 ? "" : "SO-" + random.nextInt(900);
      long amount = random.nextInt(1_000) - 100;
      add(block, line, rep, order, amount);
      byHand
          .computeIfAbsent(
              order.isEmpty() ? "line " + line : order + "/" + rep, k -> new ArrayList<>())
          .add(amount);
    }
    OrderBook book = book(null, block.build());
    assertThat(book.size()).isEqualTo(byHand.size());
    int order = 0;
    for (List<Long> amounts : byHand.values()) {
      assertThat(book.sum(order)).isEqualTo(amounts.stream().mapToLong(Long::longValue).sum());
      assertThat(book.linesOf(order)).extracting(OrderBook.Line::amount).isEqualTo(amounts);
      order++;
    }
  }
}
