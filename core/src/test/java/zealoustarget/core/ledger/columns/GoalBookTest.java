package zealoustarget.core.ledger.columns;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.member.Axis;

class GoalBookTest {
  private static final int JULY = 24_318;

  private static GoalBook.Cell cell(int month, int member, long amount) {
    return new GoalBook.Cell("revenue", month, member, amount, 1, 2);
  }

  @Test
  void clearedCell_takesTheGoalAway_andALaterOneBringsItBack() {
    GoalBook book = GoalBook.of("quota", Axis.REP, List.of(cell(JULY, 1, 100), cell(JULY, 2, 0)));
    GoalBook cleared = book.with(List.of(cell(JULY, 1, Amounts.CLEARED)));
    assertThat(cleared.cell("revenue", JULY, 1)).isNull();
    assertThat(cleared.cells()).hasSize(1);
    assertThat(cleared.cell("revenue", JULY, 2)).isEqualTo(cell(JULY, 2, 0));
    assertThat(cleared.with(List.of(cell(JULY, 1, 7))).cell("revenue", JULY, 1))
        .isEqualTo(cell(JULY, 1, 7));
    assertThat(book.cell("revenue", JULY, 1)).as("is as it was").isEqualTo(cell(JULY, 1, 100));
  }

  @Test
  void clearedRange_isNoRangeAnyMore() {
    GoalBook range =
        GoalBook.of(
            "forecast", Axis.REP, List.of(new GoalBook.Cell("revenue", JULY, 1, 5, 9L, 1, 2)));
    assertThat(range.isRange("revenue")).isTrue();
    assertThat(
            range
                .with(
                    List.of(
                        new GoalBook.Cell(
                            "revenue", JULY, 1, Amounts.CLEARED, Amounts.CLEARED, 2, 2)))
                .isRange("revenue"))
        .isFalse();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void cells_areTheLastOfTheirPlace_asAMapHasThem(long seed) {
    Random random = new Random(seed);
    List<GoalBook.Cell> posted = new ArrayList<>();
    Map<List<Integer>, Long> last = new HashMap<>();
    for (int at = 0; at < 500; at++) {
      int month = JULY + random.nextInt(4);
      int member = random.nextInt(12);
      long amount = random.nextInt(3) == 0 ? Amounts.CLEARED : random.nextInt(100);
      posted.add(cell(month, member, amount));
      last.put(List.of(month, member), amount);
    }
    last.values().removeIf(amount -> amount == Amounts.CLEARED);
    Map<List<Integer>, Long> found = new HashMap<>();
    GoalBook.of("quota", Axis.REP, posted)
        .cells()
        .forEach(cell -> found.put(List.of(cell.month(), cell.member()), cell.amount()));
    assertThat(found).isEqualTo(last);
  }
}
