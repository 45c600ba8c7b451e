package zealoustarget.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

class TypicalAmountsTest {
  private static final int MONTH = 24_000;

  @Test
  void farIs_tenTimesTheMedian_andTwiceTheLargest_fromTwentyLinesOn() {
    TypicalAmounts usual = usual(ledger(1, 20, 100, 600), "revenue");
    assertThat(usual.isFar(1, 1_200)).as("twice the largest").isFalse();
    assertThat(usual.isFar(1, 1_202)).isTrue();
    assertThat(usual.isFar(1, -1_202)).as("either way").isTrue();
    assertThat(usual.median(1)).isEqualTo(100);
    assertThat(usual.overall()).isEqualTo(100);
    assertThat(usual(ledger(1, 19, 100, 100), "revenue").isFar(1, 9_999)).isFalse();
    assertThat(usual.isFar(-1, 9_999)).as("nobody").isFalse();
    assertThat(usual.isFar(7, 9_999)).as("not known then").isFalse();
    assertThat(usual(ledger(1, 20, 100, 600), "units").overall()).isZero();
  }

  @Test
  void negative_isWrong_onlyWhereNoneWasBefore() {
    TypicalAmounts never = usual(ledger(1, 20, 100, 600), "revenue");
    assertThat(never.isWrongSign(1, -5)).isTrue();
    assertThat(never.isWrongSign(1, 5)).isFalse();
    assertThat(never.isWrongSign(-1, -5)).isFalse();
    assertThat(usual(ledger(1, 20, 100, -600), "revenue").isWrongSign(1, -5)).isFalse();
  }

  @Test
  void linesOfTheTwelveLatestMonths_areLookedAt() {
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    for (int month = 0; month < 13; month++) {
      for (int line = 0; line < 20; line++) {
        block.add(20 * month + line + 2, MONTH + 2 * month, 1, -1, -1, month == 0 ? -9_000 : 100);
      }
    }
    Members members =
        new Members(Map.of(Axis.REP, List.of(new Member(1, "K", "K"))), List.of(), Map.of());
    TypicalAmounts usual = usual(new Ledger(members, List.of(block.build()), List.of()), "revenue");
    assertThat(usual.isFar(1, 1_000)).isTrue();
    assertThat(usual.isWrongSign(1, -5)).isTrue();
  }

  /** One rep with so many lines of an amount, the last of another; one line names nobody. */
  private static Ledger ledger(int rep, int lines, long amount, long last) {
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    for (int line = 1; line < lines; line++) {
      block.add(line + 1, MONTH, rep, -1, -1, amount);
    }
    block.add(lines + 1, MONTH, rep, -1, -1, last);
    block.add(lines + 2, MONTH, -1, -1, -1, 1_000_000);
    block.add(lines + 3, MONTH, rep, -1, -1, Amounts.NONE);
    Members members =
        new Members(Map.of(Axis.REP, List.of(new Member(rep, "K", "K"))), List.of(), Map.of());
    return new Ledger(members, List.of(block.build()), List.of());
  }

  private static TypicalAmounts usual(Ledger ledger, String measure) {
    return TypicalAmounts.of(
        ledger.members().size(Axis.REP),
        (mostMonths, line) -> ledger.eachLateRow(mostMonths, measure, line::see));
  }
}
