package zealoustarget.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.YearMonth;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.testing.Cases;

class FiscalCalendarTest {
  static Stream<JsonNode> worked() {
    return Cases.read("fiscal-july").at("/core/calendars").valueStream();
  }

  @ParameterizedTest
  @MethodSource("worked")
  void numbersAndSpans_asWorked(JsonNode worked) {
    FiscalCalendar calendar =
        new FiscalCalendar(
            worked.get("startMonth").asInt(),
            YearNamedBy.valueOf(worked.get("yearNamedBy").asString().toUpperCase(Locale.ROOT)));
    YearMonth month = YearMonth.parse(worked.get("month").asString());
    assertThat(calendar.year(month)).isEqualTo(worked.get("year").asInt());
    assertThat(calendar.number(month)).isEqualTo(worked.get("number").asInt());
    assertThat(calendar.quarter(month)).isEqualTo(worked.get("quarter").asInt());
    JsonNode spans = worked.get("spans");
    assertThat(Span.of(month)).isEqualTo(span(spans.get("month")));
    assertThat(calendar.quarterToDate(month)).isEqualTo(span(spans.get("quarterToDate")));
    assertThat(calendar.yearToDate(month)).isEqualTo(span(spans.get("yearToDate")));
    assertThat(calendar.trailingTwelve(month)).isEqualTo(span(spans.get("trailingTwelve")));
  }

  @Test
  void everyMonth_liesInTheYearOfItsName_onceInTwelve() {
    for (int start = 1; start <= 12; start++) {
      for (YearNamedBy namedBy : YearNamedBy.values()) {
        FiscalCalendar calendar = new FiscalCalendar(start, namedBy);
        for (YearMonth month : new Span(YearMonth.of(2023, 1), YearMonth.of(2026, 12)).months()) {
          Span year = calendar.year(calendar.year(month));
          assertThat(year.contains(month)).isTrue();
          assertThat(year.length()).isEqualTo(12);
          assertThat(year.months().get(calendar.number(month) - 1)).isEqualTo(month);
        }
      }
    }
  }

  @Test
  void startMonth13_refused() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new FiscalCalendar(13, YearNamedBy.END))
        .withMessage("startMonth must be 1 to 12, was 13");
  }

  @Test
  void backwardsSpan_refusedWithBothEnds() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Span(YearMonth.of(2026, 2), YearMonth.of(2026, 1)))
        .withMessageContaining("2026-02 to 2026-01");
  }

  @Test
  void spansAround_haveEqualLength() {
    Span span = new Span(YearMonth.of(2026, 1), YearMonth.of(2026, 3));
    assertThat(span.before()).isEqualTo(new Span(YearMonth.of(2025, 10), YearMonth.of(2025, 12)));
    assertThat(span.yearBefore()).isEqualTo(new Span(YearMonth.of(2025, 1), YearMonth.of(2025, 3)));
  }

  @ParameterizedTest
  @CsvSource({
    "2026-10, 2026-10, October 2026, false",
    "2026-07, 2026-10, 'Four months in, fiscal 2027', false",
    "2026-07, 2027-06, Fiscal 2027, false",
    "2026-10, 2026-11, Quarter 2 of fiscal 2027 to November 2026, false",
    "2026-10, 2026-12, Quarter 2 of fiscal 2027, false",
    "2025-11, 2026-10, The twelve months to October 2026, true",
    "2026-05, 2026-08, The 4 months from May 2026 to August 2026, true"
  })
  void spanWords_sayWhatTheSpanIs(YearMonth from, YearMonth to, String text, boolean isPlural) {
    assertThat(SpanWords.of(new Span(from, to), new FiscalCalendar(7, YearNamedBy.END)))
        .isEqualTo(new SpanWords(text, isPlural));
  }

  private static Span span(JsonNode ends) {
    return new Span(
        YearMonth.parse(ends.get(0).asString()), YearMonth.parse(ends.get(1).asString()));
  }
}
