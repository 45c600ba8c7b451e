package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.briefing.ExhibitData.Bar;
import zealoustarget.server.briefing.ExhibitData.Row;

/** How rows of exhibits are made: exact values, the same as they are read, and what is drawn. */
final class ExhibitRows {
  static final BigDecimal WIDEST = new BigDecimal("1.5"); // of the goal
  static final int MOST_ROWS = 60;

  private static final int PLACES = 4;

  private ExhibitRows() {}

  /** Six columns: a name, three amounts, a ratio, a status. */
  static Row row(
      Figures figures,
      @Nullable Bar bar,
      boolean isTotal,
      String name,
      @Nullable String first,
      @Nullable String second,
      @Nullable String third,
      @Nullable String ratio,
      String status) {
    return new Row(
        Arrays.asList(name, first, second, third, ratio, status),
        List.of(
            name,
            shown(figures, first),
            shown(figures, second),
            shown(figures, third),
            percent(figures, ratio),
            status),
        bar,
        isTotal);
  }

  static String shown(Figures figures, @Nullable String amount) {
    return amount == null ? "–" : figures.grouped(amount);
  }

  static String percent(Figures figures, @Nullable String ratio) {
    return ratio == null ? "–" : figures.grouped(Shown.percent(Ratio.parse(ratio)));
  }

  /** A part of a whole from 0 to 1, beyond that 1. */
  static String share(BigDecimal part, BigDecimal whole) {
    return text(
        part.divide(whole, 8, RoundingMode.HALF_UP).min(BigDecimal.ONE).max(BigDecimal.ZERO));
  }

  static String text(BigDecimal share) {
    return share.setScale(PLACES, RoundingMode.HALF_UP).toPlainString();
  }

  static @Nullable String text(JsonNode node, String pointer) {
    JsonNode found = node.at(pointer);
    return found.isNull() || found.isMissingNode() ? null : found.asString();
  }

  /** Months from one to another, in words. */
  static String period(FiscalCalendar calendar, String from, String to) {
    return SpanWords.of(new Span(YearMonth.parse(from), YearMonth.parse(to)), calendar).text();
  }
}
