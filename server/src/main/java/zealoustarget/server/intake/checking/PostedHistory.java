package zealoustarget.server.intake.checking;

import java.time.YearMonth;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.OrderKey;
import zealoustarget.core.ledger.columns.OrderSet;
import zealoustarget.core.member.Axis;

/** What is posted at the moment a file is checked; worked out when it is first asked. */
final class PostedHistory implements History {
  private static final int FARTHEST = 60;

  private final Ledger ledger;
  private final Map<String, TypicalAmounts> usuals = new HashMap<>();
  private final int today;
  private final @Nullable OrderSet asked;
  private @Nullable OrderSet orders;
  private int @Nullable [] months;
  private int askedLast = Integer.MIN_VALUE;
  private boolean wasFar;

  /**
   * What is posted in a ledger.
   *
   * @param asked the orders that will be asked for; null where that is not known
   */
  PostedHistory(Ledger ledger, YearMonth today, @Nullable OrderSet asked) {
    this.asked = asked;
    this.ledger = ledger;
    this.today = Months.number(today);
  }

  @Override
  public boolean isFar(int month) {
    if (month != askedLast) {
      askedLast = month;
      wasFar = Math.abs(month - today) > FARTHEST && isFarFromPosted(month);
    }
    return wasFar;
  }

  private boolean isFarFromPosted(int month) {
    if (months == null) {
      months = ledger.postedMonths();
    }
    return Arrays.stream(months).allMatch(posted -> Math.abs(month - posted) > FARTHEST);
  }

  @Override
  public boolean hasOrder(String order, int product) {
    if (orders == null) {
      orders =
          asked == null ? OrderSet.of(ledger.blocks()) : OrderSet.among(asked, ledger.blocks());
    }
    return orders.contains(OrderKey.of(order, product));
  }

  @Override
  public TypicalAmounts usual(String measure) {
    return usuals.computeIfAbsent(measure, this::typical);
  }

  private TypicalAmounts typical(String measure) {
    return TypicalAmounts.of(
        ledger.members().size(Axis.REP),
        (mostMonths, line) -> ledger.eachLateRow(mostMonths, measure, line::see));
  }
}
