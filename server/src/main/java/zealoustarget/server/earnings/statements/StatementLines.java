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
      addUnlessZero("cap", "Cap on pay", negative(row.capped()), lines);
      lines.add(sum("Earned, " + span, row.earned()));
      addWindow(row, lines);
    }
    row.adjustments().forEach(one -> lines.add(adjustment(one)));
    addUnlessZero(
        "held", "Carried at zero before, recovered now", negative(row.heldBefore()), lines);
    addUnlessZero("held", "Carried at zero, recovered later", row.held(), lines);
    if (row.due() != null) {
      lines.add(sum("Commission due with " + SpanWords.name(month), row.due()));
    }
    return lines;
  }

  private String span(EarningsRow row) {
    YearMonth from = YearMonth.parse(row.windowFrom());
    return from.equals(month)
        ? SpanWords.name(month)
        : SpanWords.name(from) + " to " + SpanWords.name(month);
  }

  private void addFacts(EarningsRow row, String span, List<Line> lines) {
    lines.add(fact("Credited sales, " + span, Objects.requireNonNull(row.credited())));
    if (new BigDecimal(row.notCredited()).signum() != 0) {
      lines.add(fact("Above the ceiling, not credited", row.notCredited()));
    }
    lines.add(fact("Quota", Objects.requireNonNull(row.quota())));
    if (row.floor() != null) {
      String floor = "Floor at " + writing.grouped(row.floor());
      lines.add(fact(floor, row.status().equals("below floor") ? "not reached" : "reached"));
    }
  }

  /** What of the window earned to date was settled before. */
  private void addWindow(EarningsRow row, List<Line> lines) {
    if (row.closedThrough() == null) {
      return;
    }
    String through = SpanWords.name(YearMonth.parse(row.closedThrough()));
    lines.add(line("settled", "Earned by " + through + ", already paid", negative(row.closed())));
    lines.add(sum("Earned in " + SpanWords.name(month), row.part()));
  }

  private Line component(ComponentPart part, String unit) {
    return new Line(
        "component", part.what(), words(part, unit), part.amount(), part.base(), part.rate(), null);
  }

  private String words(ComponentPart part, String unit) {
    if (part.rate() == null) {
      return "On-target bonus";
    }
    String from = percent(Objects.requireNonNull(part.from())); // what has a rate begins somewhere
    String reach =
        part.what().equals("whole")
            ? "Tier from " + from
            : part.until() == null
                ? "From " + from + " of quota"
                : from + " to " + percent(part.until()) + " of quota";
    return reach
        + ": "
        + writing.grouped(Objects.requireNonNull(part.base()))
        + (unit.equals("count")
            ? " at " + writing.grouped(part.rate()) + " each"
            : " at " + percent(part.rate()));
  }

  private String percent(String share) {
    return writing.grouped(Ratio.parse(share).times(Ratio.of(100)).toText()) + " %";
  }

  private Line adjustment(AdjustmentPart one) {
    return new Line(
        "adjustment",
        "adjustment",
        "Adjustment: "
            + SpanWords.name(YearMonth.parse(one.through()))
            + " corrected, "
            + writing.grouped(one.earnedThen())
            + " → "
            + writing.grouped(one.earnedNow()),
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
