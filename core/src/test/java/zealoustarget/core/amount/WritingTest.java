package zealoustarget.core.amount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.amount.Writing.Dates;
import zealoustarget.core.amount.Writing.Decimal;

class WritingTest {
  @ParameterizedTest
  @CsvSource({
    "POINT, ',', '−1,234,567.50'",
    "COMMA, '.', '−1.234.567,50'",
    "COMMA, '''', '−1''234''567,50'",
    "POINT, '', '−1234567.50'",
    ", '.', '−1.234.567,50'",
    ", ',', '−1,234,567.50'",
  })
  void figures_haveTheCompanysMarks(Decimal decimal, String grouping, String expected) {
    Writing writing = new Writing(decimal, grouping, null, null);
    assertThat(writing.grouped("-1234567.50")).isEqualTo(expected);
  }

  @Test
  void nothingSet_isNarrowBlanksAndAPoint() {
    assertThat(Writing.NONE.grouped("13650.00")).isEqualTo("13\u202f650.00");
    assertThat(Writing.NONE.day(LocalDate.of(2026, 11, 5))).isEqualTo("2026-11-05");
    assertThat(new Writing(Decimal.COMMA, " ", null, null).grouped("13650.00"))
        .isEqualTo("13\u202f650,00");
  }

  @ParameterizedTest
  @CsvSource({"DMY, 5 Nov 2026", "MDY, 'Nov 5, 2026'", "YMD, 2026-11-05"})
  void days_haveTheCompanysOrder(Dates dates, String expected) {
    assertThat(new Writing(null, null, dates, null).day(LocalDate.of(2026, 11, 5)))
        .isEqualTo(expected);
  }

  @Test
  void marks_mustDiffer() {
    assertThatThrownBy(() -> new Writing(Decimal.COMMA, ",", null, null))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("different marks");
  }

  @Test
  void messages_useTheCompanysMarks_onceTheyAreSet() {
    assertThat(Writing.NONE.inWords("-1234.50")).isEqualTo("-1234.50");
    assertThat(new Writing(Decimal.COMMA, ".", null, null).inWords("-1234.50"))
        .isEqualTo("−1.234,50");
  }
}
