package zealoustarget.core.intake.lines;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.Reconciliation.Part;
import zealoustarget.core.outlook.Deal;

class DealLinesTest extends LineReading {
  private static final String HEADER = "deal,rep,revenue,likelihood,closes,state,stage";

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      value = {
        "D1,K1,5.00,60 %,2026-11,open, | READY | none",
        "D1,K1,5.00,60%,2026-11-30,, | READY | none",
        "D1,K1,5.00,0.6,2026-11,WON, | READY | none",
        "D1,K1,5.00,0.6,2026-11,verloren, | READY | none",
        "D1,K1,5.00,,2026-11,open,Offer  out | READY | none",
        "D1,K1,5.00,,2026-11,open,talks | HELD | likelihood-missing",
        "D1,K1,5.00,,2026-11,open, | HELD | likelihood-missing",
        "D1,K1,5.00,likely,2026-11,open, | HELD | likelihood-unreadable",
        "D1,K1,5.00,101 %,2026-11,open, | HELD | likelihood-outside",
        "D1,K1,5.00,-0.1,2026-11,open, | HELD | likelihood-outside",
        "D1,K1,-5.00,0.6,2026-11,open, | HELD | amount-below-zero",
        "D1,K1,0.00,0.6,2026-11,open, | READY | none",
        "D1,K1,,0.6,2026-11,open, | HELD | amount-missing",
        "D1,K9,5.00,0.6,2026-11,open, | HELD | member-unknown",
        "D1,,5.00,0.6,2026-11,open, | HELD | member-missing",
        ",K1,5.00,0.6,2026-11,open, | HELD | deal-missing",
        "D1,K1,5.00,0.6,,open, | HELD | date-missing",
        "D1,K1,5.00,0.6,soon,open, | HELD | date-unreadable",
        "D1,K1,5.00,0.6,2026-11,stalled, | HELD | state-unknown",
        "D1,K1,5.00,0.6,2026-09,open, | READY | deal-overdue",
        "D1,K1,5.00,0.6,2026-09,won, | READY | none",
        "Total,,5.00,,,, | LEFT_OUT | total-line"
      })
  void line_isBookedOrHeldBack_withItsFinding(String line, Part part, String finding) {
    LineOutcome outcome = read(deals(), HEADER, line).outcomes().get(0);
    assertThat(outcome.part()).as("%s", outcome.findings()).isEqualTo(part);
    assertThat(outcome.findings())
        .extracting(one -> one.code().word())
        .containsExactlyElementsOf(finding.equals("none") ? List.of() : List.of(finding));
  }

  @Test
  void deal_hasAllThatItsLineSays() {
    Deal deal =
        deal(
            read(
                deals(),
                "Deal,Rep,Product,Region,Units,Revenue,Likelihood,Closes,State",
                " D  7 ,k1,P10,North,3,12.50,12.345678 %,2026-12-31,won"),
            0);
    assertThat(deal.key()).isEqualTo("D 7");
    assertThat(deal.line()).isEqualTo(2);
    assertThat(deal.rep()).isEqualTo(1);
    assertThat(deal.product()).isEqualTo(10);
    assertThat(deal.region()).isGreaterThanOrEqualTo(100);
    assertThat(deal.amounts()).containsExactly(3, 1_250);
    assertThat(deal.likelihood()).isEqualTo(12_345_678);
    assertThat(Months.of(deal.month())).hasToString("2026-12");
    assertThat(deal.state()).isEqualTo(Deal.State.WON);
    assertThat(deal.stage()).isNull();
  }

  @ParameterizedTest(name = "{0} beside {1}")
  @CsvSource({
    "0.7, 0.5, 70000000",
    "0.7, 60, 700000",
    "0.7, 60 %, 70000000",
    "70 %, 60, 70000000",
    "1, 0.5, 100000000",
    "1, 2, 1000000",
    "1.0, 1, 100000000"
  })
  void plainLikelihoods_arePercents_whereOneOfTheColumnIsAboveOne(
      String likelihood, String other, int read) {
    String line = "D1,K1,5.00," + likelihood + ",2026-11,open,";
    String beside = "D2,K1,5.00," + other + ",2026-11,open,";
    assertThat(deal(read(deals(), HEADER, line, beside), 0).likelihood()).isEqualTo(read);
    assertThat(deal(read(deals(), HEADER, beside, line), 1).likelihood()).isEqualTo(read);
  }

  @Test
  void totalLine_saysNothingOfTheColumn() {
    ReadFile file =
        read(
            deals(),
            HEADER,
            "D1,K1,5.00,0.7,2026-11,open,",
            "Total,,5.00,1.4,,,",
            "D2,K1,5.00,0.7,2026-11,open,");
    assertThat(deal(file, 0).likelihood()).isEqualTo(70_000_000);
  }

  @Test
  void secondLineOfADeal_isHeldBack_alsoWhereTheFirstIs() {
    ReadFile file =
        read(
            deals(),
            HEADER,
            "D1,K9,5.00,0.7,2026-11,open,",
            "d1 ,K1,5.00,0.7,2026-11,open,",
            "D1,K1,5.00,0.7,2026-12,won,");
    assertThat(file.outcomes()).allMatch(outcome -> outcome.part() == Part.HELD);
    assertThat(file.outcomes().get(2).findings())
        .extracting(Finding::message)
        .containsExactly("Deal D1 is already in line 2.");
  }

  @Test
  void stageWithoutALikelihoodColumn_isEnough_neitherIsNot() {
    ReadFile file = read(deals(), "deal,rep,revenue,closes,stage", "D1,K1,5.00,2026-11,offer out");
    assertThat(deal(file, 0).likelihood()).isEqualTo(Deal.CERTAIN / 4);
    assertThat(deal(file, 0).stage()).isEqualTo("offer out");
    assertThatThrownBy(() -> read(deals(), "deal,rep,revenue,closes", "D1,K1,5.00,2026-11"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("likelihood");
    assertThatThrownBy(() -> read(deals(), "deal,rep,revenue,likelihood", "D1,K1,5.00,0.5"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("closes");
    assertThatThrownBy(() -> read(deals(), "deal,rep,closes,likelihood", "D1,K1,2026-11,0.5"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("revenue");
  }

  @Test
  void amountsOfSeveralMeasures_mayBeMissingOneByOne() {
    ReadFile file =
        read(deals(), "deal,rep,revenue,units,likelihood,closes", "D1,K1,,4,0.5,2026-11");
    assertThat(deal(file, 0).amounts()).containsExactly(Amounts.NONE, 4);
  }

  private static Deal deal(ReadFile file, int line) {
    return ((LoadRow.OfDeal) file.outcomes().get(line).rows().get(0)).deal();
  }
}
