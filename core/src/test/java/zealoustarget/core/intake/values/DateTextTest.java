package zealoustarget.core.intake.values;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.lines.ColumnWatch;
import zealoustarget.core.intake.values.DateText.Order;

class DateTextTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2025-09-23 | 2025-09-23 | ISO",
        "2025-09-23T10:15:00Z | 2025-09-23 | with a time",
        "2025-09-23 10:15 | 2025-09-23 | with a time behind a blank",
        "2025/9/3 | 2025-09-03 | slashes, year first",
        "20250923 | 2025-09-23 | no marks",
        "23.09.2025 | 2025-09-23 | points: the day comes first",
        "01.02.2025 | 2025-02-01 | points: also where both would do",
        "3.9.25 | 2025-09-03 | short year",
        "09/23/2025 | 2025-09-23 | day over 12, month first",
        "23/09/2025 | 2025-09-23 | day over 12, day first",
        "05/05/2025 | 2025-05-05 | the same either way",
        "23-Sep-2025 | 2025-09-23 | month by name",
        "23 September 2025 | 2025-09-23 | month in full",
        "2025-09 | 2025-09 | month",
        "2025/9 | 2025-09 | month with a slash",
        "202509 | 2025-09 | month without a mark",
        "09/2025 | 2025-09 | month first",
        "09.2025 | 2025-09 | month first with a point",
        "Sep 2025 | 2025-09 | name and year",
        "Sept. 2025 | 2025-09 | other short form",
        "SEP-25 | 2025-09 | capitals",
        "September 2025 | 2025-09 | in full",
        "'' | date-missing | empty",
        "soon | date-unreadable | text",
        "Foo 2025 | date-unreadable | no month's name",
        "2025-02-30 | day-does-not-exist | February",
        "31.09.2025 | day-does-not-exist | September",
        "2025-13 | month-outside-calendar | month 13",
        "2025-13-01 | month-outside-calendar | month 13 with a day",
        "1899-12-31 | month-outside-calendar | before the calendar",
        "31/31/2025 | month-outside-calendar | neither way",
        "October 31, 2026 | 2026-10-31 | name first",
        "Oct 3rd, 2026 | 2026-10-03 | name first, an ordinal",
        "01/02/2025 | date-ambiguous | either way"
      })
  void oneCell_readAsPlainlyMeant(String cell, String expected, String why) {
    DateText.Result read = DateText.read(cell, Order.UNKNOWN);
    assertThat(shown(read)).as(why).isEqualTo(expected);
  }

  @Test
  void ambiguousDate_namesBothReadings() {
    DateText.Result read = DateText.read("01/02/2025", Order.UNKNOWN);
    assertThat(read.first()).isEqualTo(LocalDate.of(2025, 2, 1));
    assertThat(read.second()).isEqualTo(LocalDate.of(2025, 1, 2));
  }

  @ParameterizedTest
  @CsvSource({
    "09/23/2025, MONTH_FIRST, 2025-01-02",
    "23/09/2025, DAY_FIRST, 2025-02-01",
    "02/03/2025, UNKNOWN, date-ambiguous",
    "2025-09-23, UNKNOWN, date-ambiguous"
  })
  void column_decidesWhichComesFirst_onlyIfItIsOfOneForm(
      String other, Order order, String expected) {
    Order shown = order("01/02/2025", other);
    assertThat(shown).isEqualTo(order);
    assertThat(shown(DateText.read("01/02/2025", shown))).isEqualTo(expected);
  }

  @Test
  void columnThatContradictsItself_decidesNothing() {
    assertThat(order("23/09/2025", "09/23/2025")).isEqualTo(Order.UNKNOWN);
  }

  @Test
  void rule_decidesWhatTheColumnLeavesOpen() {
    ColumnRule monthFirst =
        ColumnRule.AUTO.written(ColumnRule.Decimals.AUTO, ColumnRule.Dates.MONTH_FIRST);
    Order order = ColumnProfile.NONE.dates(monthFirst);
    assertThat(shown(DateText.read("01/02/2025", order))).isEqualTo("2025-01-02");
  }

  private static Order order(String... cells) {
    ColumnWatch watch = new ColumnWatch();
    Stream.of(cells).forEach(cell -> watch.see(List.of(cell)));
    return watch.profiles().get(0).dates(ColumnRule.AUTO);
  }

  @Test
  void monthHeaders_areMonths_andNothingElseIs() {
    assertThat(DateText.monthHeader("Jul-26")).isEqualTo(YearMonth.of(2026, 7));
    assertThat(DateText.monthHeader("2026-07")).isEqualTo(YearMonth.of(2026, 7));
    assertThat(DateText.monthHeader("Jul 2026")).isEqualTo(YearMonth.of(2026, 7));
    assertThat(DateText.monthHeader("2026-07-01")).isNull();
    assertThat(DateText.monthHeader("region")).isNull();
    assertThat(DateText.monthHeader("Q1")).isNull();
  }

  private static String shown(DateText.Result read) {
    if (read.fault() != null) {
      return read.fault().word();
    }
    return String.valueOf(read.day() == null ? read.month() : read.day());
  }

  @ParameterizedTest
  @CsvSource({
    "03/02/2026, DMY, DAY_FIRST",
    "03/02/2026, MDY, MONTH_FIRST",
    "03/02/2026, YMD, UNKNOWN",
    "13/02/2026, MDY, DAY_FIRST",
  })
  void openOrder_isTheCompanysUnlessTheColumnShowsAnother(
      String cell, Writing.Dates dates, Order expected) {
    ColumnWatch watch = new ColumnWatch();
    watch.see(List.of(cell));
    Writing writing = new Writing(null, null, dates, null);
    assertThat(watch.profiles().get(0).dates(ColumnRule.AUTO, writing)).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource({"31/12/99", "31.12.99", "31-Dec-99"})
  void yearOfTwoDigits_atTheEndOfACentury_isAFinding(String cell) {
    DateText.Result read = DateText.read(cell, Order.DAY_FIRST);
    assertThat(read.month()).isNull();
    assertThat(read.fault()).isEqualTo(FindingCode.DATE_AMBIGUOUS);
    assertThat(read.first()).isEqualTo("1999-12-31");
    assertThat(DateText.read("31/12/26", Order.DAY_FIRST).day()).isEqualTo("2026-12-31");
    assertThat(DateText.read("Dec-99", Order.UNKNOWN).fault())
        .isEqualTo(FindingCode.DATE_UNREADABLE);
  }
}
