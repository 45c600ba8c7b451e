package zealoustarget.server.earnings.statements;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsRow.AdjustmentPart;
import zealoustarget.server.earnings.EarningsRow.ComponentPart;

/** A statement line by line: page, PDF and payroll file say the same. */
public final class StatementLines {
  private static final String NONE = "0.00";

  /**
   * One line.
   *
   * @param kind {@code fact} of sales and quota, {@code sum}, or what adds up to the due: {@code
   *     component}, {@code cap}, {@code settled}, {@code adjustment}, {@code held}
   * @param what of a component {@code slice 1}, {@code whole}, {@code bonus}; else the kind
   * @param figure decimal text, or a word
   * @param base sales that it is paid for, null unless a component has one; so is {@code rate}
   * @param through corrected month of an adjustment, null for others
   */
  public record Line(
      @Schema(
              allowableValues = {
                "fact",
                "sum",
                "component",
                "cap",
                "settled",
                "adjustment",
                "held"
              })
          String kind,
      String what,
      String words,
      String figure,
      @Nullable String base,
      @Nullable String rate,
      @Nullable String through) {
    boolean isPaid() {
      return !kind.equals("fact") && !kind.equals("sum");
    }
  }

  private final YearMonth month;
  private final Writing writing;

  private StatementLines(YearMonth month, Writing writing) {
    this.month = month;
    this.writing = writing;
  }

  public static List<Line> of(EarningsRow row, YearMonth month, Writing writing) {
    return new StatementLines(month, writing).of(row);
  }

  private List<Line> of(EarningsRow row) {
    List<Line> lines = new ArrayList<>();
    String span = span(row);
    if (row.earned() != null) {
      addFacts(row, span, lines);
      row.components().forEach(part -> lines.add(component(part, row.unit())));
      addUnlessZero("cap", StatementsWords.CAP_ON_PAY, negative(row.capped()), lines);
      lines.add(sum(StatementsWords.earned(span), row.earned()));
      addWindow(row, lines);
    }
    row.adjustments().forEach(one -> lines.add(adjustment(one)));
    addUnlessZero(
        "held",
        StatementsWords.CARRIED_AT_ZERO_BEFORE_RECOVERED_NOW,
        negative(row.heldBefore()),
        lines);
    addUnlessZero("held", StatementsWords.CARRIED_AT_ZERO_RECOVERED_LATER, row.held(), lines);
    if (row.due() != null) {
      lines.add(sum(StatementsWords.commissionDue(SpanWords.name(month)), row.due()));
    }
    return lines;
  }

  private String span(EarningsRow row) {
    YearMonth from = YearMonth.parse(row.windowFrom());
    return from.equals(month)
        ? SpanWords.name(month)
        : StatementsWords.to(SpanWords.name(from), SpanWords.name(month));
  }

  private void addFacts(EarningsRow row, String span, List<Line> lines) {
    lines.add(fact(StatementsWords.creditedSales(span), Objects.requireNonNull(row.credited())));
    if (new BigDecimal(row.notCredited()).signum() != 0) {
      lines.add(fact(StatementsWords.ABOVE_CEILING_NOT_CREDITED, row.notCredited()));
    }
    lines.add(fact("Quota", Objects.requireNonNull(row.quota())));
    if (row.floor() != null) {
      String floor = StatementsWords.floorAt(writing.grouped(row.floor()));
      lines.add(
          fact(
              floor,
              row.status().equals(StatementsWords.BELOW_FLOOR)
                  ? StatementsWords.NOT_REACHED
                  : "reached"));
    }
  }

  /** What of the window earned to date was settled before. */
  private void addWindow(EarningsRow row, List<Line> lines) {
    if (row.closedThrough() == null) {
      return;
    }
    String through = SpanWords.name(YearMonth.parse(row.closedThrough()));
    lines.add(
        line("settled", StatementsWords.earnedByAlreadyPaid(through), negative(row.closed())));
    lines.add(sum(StatementsWords.earnedIn(SpanWords.name(month)), row.part()));
  }

  private Line component(ComponentPart part, String unit) {
    return new Line(
        "component", part.what(), words(part, unit), part.amount(), part.base(), part.rate(), null);
  }

  private String words(ComponentPart part, String unit) {
    if (part.rate() == null) {
      return StatementsWords.ON_TARGET_BONUS;
    }
    String from = percent(Objects.requireNonNull(part.from())); // what has a rate begins somewhere
    String reach =
        part.what().equals("whole")
            ? StatementsWords.tierFrom(from)
            : part.until() == null
                ? StatementsWords.fromOfQuota(from)
                : StatementsWords.toOfQuota(from, percent(part.until()));
    return StatementsWords.atEach(
        reach,
        writing.grouped(Objects.requireNonNull(part.base())),
        unit.equals("count"),
        writing.grouped(part.rate()),
        percent(part.rate()));
  }

  private String percent(String share) {
    return writing.grouped(Ratio.parse(share).times(Ratio.of(100)).toText()) + " %";
  }

  private Line adjustment(AdjustmentPart one) {
    return new Line(
        "adjustment",
        "adjustment",
        StatementsWords.adjustmentCorrected(
            SpanWords.name(YearMonth.parse(one.through())),
            writing.grouped(one.earnedThen()),
            writing.grouped(one.earnedNow())),
        one.amount(),
        null,
        null,
        one.through());
  }

  private static void addUnlessZero(String kind, String words, String figure, List<Line> lines) {
    if (new BigDecimal(figure).signum() != 0) {
      lines.add(line(kind, words, figure));
    }
  }

  private static String negative(String figure) {
    return figure.equals(NONE) ? figure : new BigDecimal(figure).negate().toPlainString();
  }

  private static Line fact(String words, String figure) {
    return line("fact", words, figure);
  }

  private static Line sum(String words, String figure) {
    return line("sum", words, figure);
  }

  private static Line line(String kind, String words, String figure) {
    return new Line(kind, kind, words, figure, null, null, null);
  }
}
