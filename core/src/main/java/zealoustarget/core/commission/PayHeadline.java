package zealoustarget.core.commission;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Pace;

/** The sentence over a month's commission; it says nothing that the statements do not back. */
public final class PayHeadline {
  private static final Ratio NEAR = Ratio.of(1, 20);

  /**
   * A rep's month, as far as the sentence needs it.
   *
   * @param due cents; null without a plan and quota
   * @param next null where nothing more can be earned
   */
  public record Line(String name, @Nullable Long due, PayStatus status, @Nullable NextPay next) {}

  /**
   * What comes next.
   *
   * @param sales to go, and {@code quota}, in the measure's smallest units
   * @param pay that it adds, cents
   */
  public record NextPay(Measure measure, long sales, Ratio quota, long pay) {}

  private final String month;
  private final String currency;
  private final Pace.@Nullable Days days;
  private final Figures figures;

  private PayHeadline(String month, String currency, Pace.@Nullable Days days, Figures figures) {
    this.month = month;
    this.currency = currency;
    this.days = days;
    this.figures = figures;
  }

  /**
   * What a month pays, how many stay under their floor, and who is nearest to more.
   *
   * @param month such as "October 2026"
   * @param currency code that stands after sums of pay
   * @param days how far the month is, null where it is over: of a running month it says what is
   *     earned so far, never what it pays
   * @param figures how amounts are written
   */
  public static String of(
      String month, List<Line> lines, String currency, Pace.@Nullable Days days, Figures figures) {
    return new PayHeadline(month, currency, days, figures).of(lines);
  }

  /** The sentence over a month of which nothing is posted yet. */
  public static String ofEmpty(String month) {
    return month + " has no actuals yet.";
  }

  private String of(List<Line> lines) {
    List<Line> settled = lines.stream().filter(line -> line.due() != null).toList();
    if (settled.isEmpty()) {
      return month + " pays no commission yet: no rep has a plan and a quota.";
    }
    return pays(settled) + underFloor(settled) + nearest(lines);
  }

  private String pays(List<Line> settled) {
    List<Long> dues = settled.stream().map(Line::due).filter(Objects::nonNull).toList();
    long sum = dues.stream().mapToLong(Long::longValue).reduce(0, Math::addExact);
    int paid = (int) dues.stream().filter(due -> due > 0).count();
    if (days != null) {
      return month
          + ", day "
          + days.elapsed()
          + " of "
          + days.workingDays()
          + ": "
          + (paid == 0 || sum < 0
              ? "no pay is due so far."
              : money(sum)
                  + " due so far, to "
                  + figures.number(paid)
                  + (paid == 1 ? " rep." : " reps."));
    }
    if (sum < 0) {
      return month + " recovers " + money(-sum) + ".";
    }
    return paid == 0
        ? month + " pays nothing."
        : month
            + " pays "
            + money(sum)
            + " to "
            + figures.number(paid)
            + (paid == 1 ? " rep." : " reps.");
  }

  private String underFloor(List<Line> settled) {
    int under = (int) settled.stream().filter(one -> one.status() == PayStatus.BELOW_FLOOR).count();
    if (under == 0) {
      return "";
    }
    if (days != null) {
      return under == settled.size()
          ? " No rep has reached the threshold (floor) yet."
          : " "
              + Figures.capital(figures.number(under))
              + (under == 1 ? " has" : " have")
              + " not reached the threshold (floor) yet.";
    }
    return under == settled.size() && under > 1
        ? " All are below their threshold (floor)."
        : " "
            + Figures.capital(figures.number(under))
            + (under == 1
                ? " is below the threshold (floor)."
                : " are below their threshold (floor).");
  }

  /** The rep with the smallest share of quota to go to the next pay, where that is at most 5 %. */
  private String nearest(List<Line> lines) {
    String words = "";
    Ratio least = null;
    for (Line line : lines) {
      NextPay next = line.next();
      if (next != null && next.pay() > 0 && next.quota().signum() > 0) {
        Ratio toGo = Ratio.of(next.sales()).dividedBy(next.quota());
        if (toGo.compareTo(NEAR) <= 0 && (least == null || toGo.compareTo(least) < 0)) {
          least = toGo;
          words = nearest(line.name(), next);
        }
      }
    }
    return words;
  }

  private String nearest(String name, NextPay next) {
    String sales = figures.amount(Ratio.of(next.sales()), next.measure());
    boolean isCurrency = next.measure().isCurrency();
    return (isCurrency
            ? " A sale of " + sales + " separates "
            : " " + sales + " more " + next.measure().words() + " would bring ")
        + name
        + (isCurrency ? " from " : " ")
        + money(next.pay())
        + ".";
  }

  private String money(long cents) {
    return figures.grouped(BigDecimal.valueOf(cents, 2).toPlainString()) + " " + currency;
  }
}
