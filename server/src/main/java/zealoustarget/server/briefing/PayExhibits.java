package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.briefing.ExhibitData.Bar;
import zealoustarget.server.briefing.ExhibitData.Column;
import zealoustarget.server.briefing.ExhibitData.Point;
import zealoustarget.server.briefing.ExhibitData.Row;
import zealoustarget.server.briefing.ExhibitData.Stair;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsService;

/** A month of commission, as on Earnings. */
final class PayExhibits {
  private PayExhibits() {}

  static ExhibitData pay(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    EarningsService.Month month = answers.earnings(exhibit.view());
    List<EarningsRow> rows = month.rows().stream().filter(row -> row.due() != null).toList();
    if (rows.isEmpty()) {
      return ExhibitData.gone(address);
    }
    BigDecimal most =
        rows.stream()
            .map(row -> new BigDecimal(Objects.requireNonNull(row.due())).abs())
            .max(BigDecimal::compareTo)
            .orElse(BigDecimal.ONE);
    List<Row> lines = new ArrayList<>();
    BigDecimal sum = BigDecimal.ZERO;
    for (EarningsRow row : rows) {
      BigDecimal due = new BigDecimal(Objects.requireNonNull(row.due()));
      sum = sum.add(due);
      Bar bar =
          most.signum() == 0
              ? null
              : new Bar("0", ExhibitRows.share(due.max(BigDecimal.ZERO), most), null, row.tone());
      lines.add(
          new Row(
              Arrays.asList(row.name(), row.quota(), row.actual(), row.due(), row.status()),
              List.of(
                  row.name(),
                  ExhibitRows.shown(answers.figures(), row.quota()),
                  answers.figures().grouped(row.actual()),
                  answers.figures().grouped(due.toPlainString()),
                  row.status()),
              bar,
              false));
    }
    String total = sum.toPlainString();
    lines.add(
        new Row(
            Arrays.asList("All", null, null, total, ""),
            List.of("All", "", "", answers.figures().grouped(total), ""),
            null,
            true));
    return new ExhibitData(
        period(exhibit),
        rows.get(0).unit(),
        source(month),
        address,
        false,
        "0",
        List.of(
            new Column("Rep", "text", null),
            new Column("Quota", "amount", null),
            new Column("Actual", "amount", null),
            new Column("Due", "amount", null),
            new Column("Status", "text", null)),
        lines);
  }

  /** Each rep's pay above its sales: where it stands on the steps of its plan. */
  static ExhibitData stairs(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    EarningsService.Month month = answers.earnings(exhibit.view());
    List<Row> lines =
        month.rows().stream()
            .filter(row -> row.earned() != null)
            .limit(ExhibitRows.MOST_ROWS)
            .map(row -> stair(row, answers.figures()))
            .toList();
    if (lines.isEmpty()) {
      return ExhibitData.gone(address);
    }
    return new ExhibitData(
        period(exhibit),
        month.rows().get(0).unit(),
        source(month),
        address,
        false,
        ExhibitRows.share(BigDecimal.ONE, ExhibitRows.WIDEST),
        List.of(
            new Column("Rep", "text", null),
            new Column("Quota", "amount", null),
            new Column("Actual", "amount", null),
            new Column(BriefingWords.OF_QUOTA, "percent", "C#/B#"),
            new Column("Earned", "amount", null),
            new Column("Status", "text", null)),
        lines);
  }

  private static String period(Block.Exhibit exhibit) {
    return SpanWords.name(YearMonth.parse(String.valueOf(exhibit.view().get("month"))));
  }

  private static String source(EarningsService.Month month) {
    return month.isSealed() ? BriefingWords.EARNINGS_CLOSED : BriefingWords.EARNINGS_NOT_CLOSED_YET;
  }

  private static Row stair(EarningsRow row, Figures figures) {
    String quota = row.quota();
    Ratio counted = quota == null ? Ratio.ZERO : Ratio.parse(quota);
    String ratio =
        counted.signum() > 0 ? Ratio.parse(row.actual()).dividedBy(counted).toText() : null;
    return new Row(
        Arrays.asList(row.name(), quota, row.actual(), ratio, row.earned(), row.status()),
        List.of(
            row.name(),
            ExhibitRows.shown(figures, quota),
            figures.grouped(row.actual()),
            ExhibitRows.percent(figures, ratio),
            ExhibitRows.shown(figures, row.earned()),
            row.status()),
        null,
        false,
        quota == null || ratio == null || row.curve().isEmpty()
            ? null
            : stair(row, new BigDecimal(quota)));
  }

  /** The curve as far as the lane reaches, as high as it climbs there or the rep has come. */
  private static Stair stair(EarningsRow row, BigDecimal quota) {
    BigDecimal widest = quota.multiply(ExhibitRows.WIDEST);
    BigDecimal earned = new BigDecimal(Objects.requireNonNull(row.earned()));
    List<EarningsRow.PointPart> seen =
        row.curve().stream()
            .filter(point -> new BigDecimal(point.sales()).compareTo(widest) <= 0)
            .toList();
    BigDecimal most =
        Stream.concat(
                seen.stream().map(point -> new BigDecimal(point.pay())),
                Stream.of(earned, BigDecimal.ONE))
            .max(BigDecimal::compareTo)
            .orElseThrow();
    return new Stair(
        seen.stream()
            .map(
                point ->
                    new Point(
                        ExhibitRows.share(new BigDecimal(point.sales()), widest),
                        ExhibitRows.share(new BigDecimal(point.pay()), most)))
            .toList(),
        new Point(
            ExhibitRows.share(new BigDecimal(row.actual()), widest),
            ExhibitRows.share(earned, most)),
        share(row.floor(), widest),
        share(row.ceiling(), widest),
        row.tone());
  }

  private static @Nullable String share(@Nullable String sales, BigDecimal widest) {
    return sales == null || new BigDecimal(sales).compareTo(widest) > 0
        ? null
        : ExhibitRows.share(new BigDecimal(sales), widest);
  }
}
