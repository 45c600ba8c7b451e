package zealoustarget.core.commission;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.reading.Figures;

/** The sentence over a month's commission; it says nothing that the statements do not back. */
public final class PayHeadline {
  private static final Ratio NEAR = Ratio.of(1, 20);

  /** A statement and the rep's name. */
  public record Named(String name, Statement statement) {}

  private PayHeadline() {}

  /**
   * What a month pays, how many stay under their floor, and who is nearest to more.
   *
   * @param month such as "October 2026"
   * @param currency code that stands after sums of pay
   */
  public static String of(String month, List<Named> rows, String currency) {
    List<Statement> settled =
        rows.stream().map(Named::statement).filter(one -> one.due() != null).toList();
    if (settled.isEmpty()) {
      return month + " pays nobody yet: no rep has a plan and a quota.";
    }
    return pays(month, settled, currency)
        + underFloor(settled)
        + nearest(rows).map(row -> nearest(row, currency)).orElse("");
  }

  private static String pays(String month, List<Statement> settled, String currency) {
    List<Long> dues = settled.stream().map(Statement::due).toList();
    long sum = dues.stream().mapToLong(Long::longValue).reduce(0, Math::addExact);
    int paid = (int) dues.stream().filter(due -> due > 0).count();
    if (sum < 0) {
      return month + " takes back " + money(-sum, currency) + ".";
    }
    return paid == 0
        ? month + " pays nothing."
        : month
            + " pays "
            + money(sum, currency)
            + " to "
            + Figures.number(paid)
            + (paid == 1 ? " rep." : " reps.");
  }

  private static String underFloor(List<Statement> settled) {
    int under = (int) settled.stream().filter(one -> one.status() == PayStatus.BELOW_FLOOR).count();
    if (under == 0) {
      return "";
    }
    return under == settled.size() && under > 1
        ? " All stay under their floor."
        : " "
            + Figures.capital(Figures.number(under))
            + (under == 1 ? " stays under the floor." : " stay under their floors.");
  }

  /** The rep with the smallest share of quota to go to the next pay, where that is at most 5 %. */
  private static Optional<Named> nearest(List<Named> rows) {
    return rows.stream()
        .filter(row -> toGo(row.statement()).compareTo(NEAR) <= 0)
        .min(Comparator.comparing(row -> toGo(row.statement())));
  }

  private static Ratio toGo(Statement statement) {
    Pay pay = statement.pay();
    PayCurve curve = statement.curve();
    Pay.Next next = pay == null ? null : pay.next();
    return next == null || curve == null || next.pay() <= 0
        ? Ratio.ONE
        : Ratio.of(next.sales()).dividedBy(curve.quota());
  }

  private static String nearest(Named row, String currency) {
    Pay pay = row.statement().pay();
    Terms terms = row.statement().terms();
    if (pay == null || pay.next() == null || terms == null) {
      return "";
    }
    Measure measure = terms.plan().measure();
    String sales = Figures.amount(Ratio.of(pay.next().sales()), measure);
    return (measure.isCurrency()
            ? " A sale of " + sales + " separates "
            : " " + sales + " more " + measure.code() + " would bring ")
        + row.name()
        + (measure.isCurrency() ? " from " : " ")
        + money(pay.next().pay(), currency)
        + ".";
  }

  private static String money(long cents, String currency) {
    return Figures.grouped(BigDecimal.valueOf(cents, 2).toPlainString()) + " " + currency;
  }
}
