package zealoustarget.core.intake;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.member.Axis;

/** Lines of actuals: order lines, monthly sums, or one column per month. */
final class ActualLines implements LineReader.Kind {
  private static final int LONGEST_ORDER = 60;

  private final Header header;
  private final FirstSeen lines = new FirstSeen();
  private final Set<Long> askedRoster = new HashSet<>();

  ActualLines(Header header) {
    this.header = header;
  }

  @Override
  public void read(Draft draft) {
    int rep = draft.member(Axis.REP, false);
    int region = draft.member(Axis.REGION, false);
    int product = draft.member(Axis.PRODUCT, false);
    if (!draft.isHeld() && rep < 0 && region < 0 && product < 0) {
      draft.find(null, FindingCode.MEMBER_MISSING, "axis", "rep, region or product");
    }
    int month = -1;
    LocalDate day = null;
    if (!header.isWide()) {
      DateText.Result date = draft.date(header.timePlace());
      month = date == null ? -1 : Months.number(Objects.requireNonNull(date.month()));
      day = date == null ? null : date.day();
    }
    long[] amounts = draft.amounts();
    String order = order(draft);
    if (draft.isHeld()) {
      return;
    }
    remark(draft, amounts);
    if (header.isWide()) {
      addByMonth(
          draft, new Row.Actual(draft.line(), -1, null, rep, region, product, order, amounts));
    } else {
      askRoster(draft, rep, month);
      draft.add(new Row.Actual(draft.line(), month, day, rep, region, product, order, amounts));
    }
  }

  /** One row for each month column that has an amount. */
  private void addByMonth(Draft draft, Row.Actual line) {
    List<Header.AmountColumn> columns = header.amounts();
    for (int i = 0; i < columns.size(); i++) {
      YearMonth month = columns.get(i).month();
      if (month != null && line.amounts()[i] != ActualBlock.NO_AMOUNT) {
        int number = Months.number(month);
        askRoster(draft, line.rep(), number);
        draft.add(
            new Row.Actual(
                line.line(),
                number,
                null,
                line.rep(),
                line.region(),
                line.product(),
                line.order(),
                new long[] {line.amounts()[i]}));
      }
    }
  }

  private static @Nullable String order(Draft draft) {
    String order = draft.cell(Header.Role.ORDER);
    if (order.length() > LONGEST_ORDER) {
      draft.find(
          draft.title(Header.Role.ORDER),
          FindingCode.NAME_TOO_LONG,
          "value",
          order,
          "most",
          Integer.toString(LONGEST_ORDER));
    }
    return order.isEmpty() ? null : order;
  }

  private void remark(Draft draft, long[] amounts) {
    int first = lines.seenOrAdd(draft.fingerprint(), draft.line());
    if (first > 0) {
      draft.find(null, FindingCode.DUPLICATE_LINE, "first", Integer.toString(first));
    }
    if (!header.isWide() && hasOppositeSigns(amounts)) {
      draft.find(null, FindingCode.SIGNS_DIFFER);
    }
  }

  private boolean hasOppositeSigns(long[] amounts) {
    int money = 0;
    int pieces = 0;
    for (int i = 0; i < amounts.length; i++) {
      Measure measure = header.amounts().get(i).measure();
      int sign = amounts[i] == ActualBlock.NO_AMOUNT ? 0 : Long.signum(amounts[i]);
      if (measure.isCurrency()
          && measure.direction() == zealoustarget.core.amount.Direction.HIGHER) {
        money = money == 0 ? sign : money;
      } else if (!measure.isCurrency()) {
        pieces = pieces == 0 ? sign : pieces;
      }
    }
    return money * pieces < 0;
  }

  /** Says once per rep and month that the roster does not have them. */
  private void askRoster(Draft draft, int rep, int month) {
    if (rep >= 0 && askedRoster.add((long) rep << 32 | month)) {
      draft.checkRoster(rep, month);
    }
  }
}
