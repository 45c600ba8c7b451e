package zealoustarget.core.intake.lines;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.YearMonth;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.Reconciliation.Part;
import zealoustarget.core.member.Axis;

/** Goals: by year, by month, of every axis, beside actuals, ranges and rates. */
class GoalLinesTest extends LineReading {
  @Test
  void wideActuals_makeARowPerMonthThatHasAnAmount() {
    ReadFile file = read(wide(LoadKind.ACTUALS, null), "rep,Sep-26,2026-10,Nov 2026", "K1,5,,-7");
    assertThat(file.line(2).rows())
        .extracting(row -> ((LoadRow.Actual) row).month())
        .containsExactly(OCTOBER - 1, OCTOBER + 1);
    assertThat(file.sums().sums().get(REVENUE).ready()).isEqualTo(-200);
  }

  @Test
  void goalsByFiscalYear_areSpreadToTheCent() {
    ReadFile file = read(goals(Axis.REP), "year,rep,revenue", "2027,K1,12000.05", "FY2027,K2,1");
    assertThat(file.line(2).rows()).hasSize(12);
    LoadRow.Goal first = (LoadRow.Goal) file.line(2).rows().get(0);
    assertThat(first.month()).isEqualTo(Months.number(YearMonth.of(2026, 7)));
    assertThat(first.amounts()).containsExactly(100_001L);
    assertThat(file.line(3).part()).isEqualTo(Part.READY);
    assertThat(file.sums().sums().get(REVENUE).ready()).isEqualTo(1_200_105);
    assertThat(read(goals(Axis.REP), "year,rep,revenue", "27,K1,1").code(2))
        .isEqualTo("year-unreadable");
  }

  @Test
  void goalGivenTwice_isHeld_alsoAcrossYearAndColumns() {
    ReadFile byMonth = read(goals(Axis.REP), "month,rep,revenue", "2026-10,K1,5", "Oct 2026,k1,6");
    assertThat(byMonth.line(3).part()).isEqualTo(Part.HELD);
    assertThat(byMonth.line(3).findings().get(0).message()).contains("2026-10", "line 2");
    ReadFile wide = read(wide(LoadKind.GOALS, Axis.REP), "rep,2026-10", "K1,5", "K1,5");
    assertThat(wide.code(3)).isEqualTo("goal-twice");
    ReadFile twoMeasures =
        read(goals(Axis.REP), "month,rep,revenue,units", "2026-10,K1,5,", "2026-10,K1,,3");
    assertThat(twoMeasures.line(3).part()).isEqualTo(Part.READY);
  }

  @Test
  void goalsOfAxesThatAreTheirOwnKeys_needNoRoster_andTheCompanyNoColumn() {
    assertThat(read(goals(Axis.REGION), "month,region,revenue", "2026-10,Far North,5").code(2))
        .isEqualTo("none");
    assertThat(read(goals(Axis.COMPANY), "month,revenue", "2026-10,5").line(2).rows()).hasSize(1);
    assertThat(read(goals(Axis.REP), "month,rep,revenue", "2026-10,,5").code(2))
        .isEqualTo("member-missing");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rep,P01,P02            | K1,5,6 | 2026-07 2026-08 | periods of fiscal year 2027",
        "rep,Period 1,Period 12 | K1,5,6 | 2026-07 2027-06 | written out",
        "rep,1,2,3,4,5,6        | K1,5,6,,,, | 2026-07 2026-08 | six bare numbers",
        "rep,Jul,Aug            | K1,5,6 | 2026-07 2026-08 | names of months without a year",
        "rep,revenue 2026-07,2026-08 revenue | K1,5,6 | 2026-07 2026-08 | measure and month",
        "rep,Jul-26,Aug 2026    | K1,5,6 | 2026-07 2026-08 | months with a year",
        "period,rep,revenue     | 2,K1,5 | 2026-08 | a period in each line",
        "year,period,rep,revenue | FY 2026,P12,K1,5 | 2026-06 | year and period in each line"
      })
  void months_areReadAsWritten(String header, String line, String months, String why) {
    ReadFile file = read(wide(LoadKind.ACTUALS, null), header, line);
    assertThat(file.line(2).rows())
        .as(why)
        .extracting(row -> Months.of(((LoadRow.Actual) row).month()).toString())
        .containsExactlyInAnyOrder(months.split(" "));
  }

  @Test
  void periodThatIsNone_holdsItsLine() {
    ReadFile file = read(actuals(), "period,rep,revenue", "13,K1,5", "Q1,K1,5");
    assertThat(file.code(2)).isEqualTo("period-unreadable");
    assertThat(file.code(3)).isEqualTo("period-unreadable");
  }

  @Test
  void goalsBesideActuals_becomeRowsOfTheirOwn_andStayOutOfTheSums() {
    LoadSpec beside = spec(LoadKind.ACTUALS, Axis.REP, null);
    ReadFile file = read(beside, "month,rep,revenue,revenue quota,units", "2026-10,K1,5.00,8.00,3");
    assertThat(file.line(2).rows()).hasSize(2);
    assertThat(((LoadRow.Actual) file.line(2).rows().get(0)).amounts()).containsExactly(500, 3);
    LoadRow.Goal goal = (LoadRow.Goal) file.line(2).rows().get(1);
    assertThat(goal.member()).isEqualTo(1);
    assertThat(goal.amounts()).containsExactly(800, Amounts.NONE);
    assertThat(file.sums().sums().get(REVENUE).file()).isEqualTo(500);
    assertThat(read(actuals(), "month,rep,revenue,quota", "2026-10,K1,5,8").header().findings())
        .as("without an axis a quota is a further column")
        .extracting(Finding::code)
        .containsExactly(FindingCode.COLUMN_IGNORED);
  }

  @ParameterizedTest
  @CsvSource({
    "REGION, 'month,region,revenue,goal', '2026-10,North,5,8', 100",
    "PRODUCT, 'month,product,revenue,target', '2026-10,P10,5,8', 10",
    "COMPANY, 'month,rep,revenue,budget', '2026-10,K1,5,8', 0"
  })
  void goalsBesideActuals_goToTheAxisThatWasSaid(
      Axis axis, String header, String line, int member) {
    ReadFile file = read(spec(LoadKind.ACTUALS, axis, null), header, line);
    assertThat(((LoadRow.Goal) file.line(2).rows().get(1)).member()).isEqualTo(member);
    ReadFile none = read(spec(LoadKind.ACTUALS, axis, null), header, line.replaceFirst("8$", ""));
    assertThat(none.line(2).rows()).hasSize(1);
  }

  @Test
  void goalsBesideActuals_inMonthColumns_areReadByMonth() {
    ReadFile file =
        read(
            spec(LoadKind.ACTUALS, Axis.REP, null),
            "rep,revenue 2026-09,revenue 2026-10,revenue quota 2026-10",
            "K1,5,,8");
    assertThat(file.line(2).rows())
        .extracting(row -> row.getClass().getSimpleName())
        .containsExactly("Actual", "Goal");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-10,K1,90.00,110.00 | READY | none | both ends",
        "2026-10,K1,90.00,90.00  | READY | none | a range of one amount",
        "2026-10,K1,90.00,       | HELD | range-open | no upper end",
        "2026-10,K1,,90.00       | HELD | range-open | no lower end",
        "2026-10,K1,110.00,90.00 | HELD | range-reversed | backwards",
        "2026-10,K1,,            | HELD | amount-missing | nothing"
      })
  void range_needsBothEndsInOrder(String line, Part part, String code, String why) {
    for (String header :
        List.of("month,rep,revenue.low,revenue.high", "month,rep,Revenue Low,revenue_HIGH")) {
      ReadFile file = read(goals(Axis.REP), header, line);
      assertThat(file.line(2).part()).as(why).isEqualTo(part);
      assertThat(file.code(2)).as(why).isEqualTo(code);
    }
  }

  @Test
  void range_ofAYear_isSpreadAtBothEnds() {
    ReadFile file =
        read(goals(Axis.REP), "year,rep,revenue.low,revenue.high", "2027,K1,1200.00,2400.00");
    assertThat(file.line(2).rows())
        .hasSize(12)
        .allSatisfy(
            row -> assertThat(((LoadRow.Goal) row).amounts()).containsExactly(100_00, 200_00));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "month,rep,revenue.low | revenue.high",
        "month,rep,revenue.high | revenue.low",
        "month,rep,revenue,revenue.low,revenue.high | ends of its range"
      })
  void range_withOneEnd_orBesideAnAmount_isRefused(String header, String named) {
    assertThatThrownBy(() -> read(goals(Axis.REP), header, "2026-10,K1,1,2"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining(named);
  }

  @ParameterizedTest
  @CsvSource({
    "0.0125, 1250000",
    "1.25 %, 1250000",
    "2%, 2000000",
    "0.5%, 500000",
    "-1 %, -1000000",
    "0.00000001, 1"
  })
  void rateGoal_isAPlainRatioOrAPercentage(String cell, long units) {
    ReadFile file = read(goals(Axis.PRODUCT), "month,product,returnRate", "2026-10,P10," + cell);
    assertThat(((LoadRow.Goal) file.line(2).rows().get(0)).amounts()).containsExactly(units);
  }

  @Test
  void rate_isNoColumnOfActuals() {
    ReadFile file = read(actuals(), "month,rep,revenue,returnRate", "2026-10,K1,5,0.1");
    assertThat(file.header().measures()).containsExactly(REVENUE);
    assertThat(file.header().findings())
        .extracting(f -> f.code().word())
        .contains("column-ignored");
  }

  @Test
  void missingAmount_isNeverZero() {
    ReadFile file = read(actuals(), "month,rep,revenue,units", "2026-10,K1,,3");
    assertThat(((LoadRow.Actual) file.line(2).rows().get(0)).amounts())
        .containsExactly(Amounts.NONE, 3L);
  }
}
