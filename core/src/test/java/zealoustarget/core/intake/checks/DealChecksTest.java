package zealoustarget.core.intake.checks;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.PostedDeals;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.outlook.Deal;

class DealChecksTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final int DECEMBER = 2026 * 12 + 11;

  /** Seven open deals of the middle of October, of which the rep's are usually 10.00. */
  private record Posted(@Nullable LocalDate asOf) implements PostedDeals {
    @Override
    public List<String> open() {
      return List.of("D1", "D2", "D3", "D4", "D5", "D6", "D7");
    }

    @Override
    public TypicalAmounts usual(String measure) {
      return TypicalAmounts.of(
          2,
          (most, line) -> {
            for (int at = 0; at < 20; at++) {
              line.see(1, 1_000);
            }
          });
    }
  }

  private static DealChecks checks(@Nullable String posted, String asOf) {
    LoadSpec spec =
        new LoadSpec(
            LoadKind.DEALS,
            null,
            null,
            List.of(REVENUE),
            FiscalCalendar.DEFAULT,
            2026,
            Map.of(),
            true,
            Writing.NONE,
            new LoadSpec.Snapshot(LocalDate.parse(asOf), Map.of()));
    return new DealChecks(
        new Posted(posted == null ? null : LocalDate.parse(posted)),
        spec,
        List.of(new Header.AmountColumn(2, "Worth", REVENUE, null, false, ColumnRule.AUTO)));
  }

  private static Deal deal(String key, long amount) {
    return new Deal(4, key, 1, -1, -1, 0, DECEMBER, Deal.State.OPEN, null, new long[] {amount});
  }

  @Test
  void dealsThatWereOpenAndAreNotHere_areGone_butNotThoseHeldBack() {
    DealChecks checks = checks("2026-10-15", "2026-11-15");
    checks.see(deal("d2", 1_000));
    assertThat(checks.findings(Set.of("D7")))
        .extracting(Finding::message)
        .containsExactly(
            "Deals that were open on 2026-10-15 are not in this file, and so neither open, won nor"
                + " lost: 5 (D1, D3, D4, D5, D6).");
    assertThat(checks.findings(Set.of()))
        .extracting(Finding::message)
        .allMatch(message -> message.contains("6 (D1, D3, D4, D5, D6 …)"));
  }

  @Test
  void olderSnapshot_isSaid_andNothingIsGoneFromIt() {
    assertThat(checks("2026-10-15", "2026-10-14").findings(Set.of()))
        .extracting(one -> one.code().word())
        .containsExactly("snapshot-older");
    assertThat(checks(null, "2026-10-14").findings(Set.of())).isEmpty();
  }

  @Test
  void amountFarFromTheRepsUsual_isSaidAtItsCell() {
    DealChecks checks = checks(null, "2026-11-15");
    checks.see(deal("D1", 10_000));
    checks.see(deal("D2", 9_000));
    assertThat(checks.findings(Set.of()))
        .containsExactly(
            new Finding(
                4,
                "Worth",
                zealoustarget.core.intake.FindingCode.UNUSUAL_AMOUNT,
                Map.of(
                    "value",
                    "100.00",
                    "times",
                    "10",
                    "usual",
                    "10.00",
                    "member",
                    "this rep's deals")));
  }
}
