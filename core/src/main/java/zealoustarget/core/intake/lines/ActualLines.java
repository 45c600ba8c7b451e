package zealoustarget.core.intake.lines;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/** Lines of actuals: order lines, monthly sums, or one column per month. */
final class ActualLines implements LineReader.Kind {
  private static final int LONGEST_ORDER = 60;

  private final Header header;
  private final LoadSpec spec;
  private final History history;
  private final List<Header.AmountColumn> columns;
  private final List<@Nullable TypicalAmounts> usuals = new ArrayList<>();
  private final FirstSeen lines = new FirstSeen();
  private final FirstSeen askedRoster = new FirstSeen();
  private final boolean isPlain;

  ActualLines(Header header, LoadSpec spec, History history) {
    this.header = header;
    this.spec = spec;
    this.history = history;
    this.columns = header.amounts();
    this.isPlain = !header.isWide() && !header.hasGoalsBeside();
    for (Header.AmountColumn column : columns) {
      usuals.add(header.isWide() ? null : history.usual(column.measure().code()));
    }
  }

  @Override
  public void read(LineContext draft) {
    int rep = draft.member(Axis.REP, false);
    int region = draft.member(Axis.REGION, false);
    int product = draft.member(Axis.PRODUCT, false);
    if (!draft.isHeld() && rep < 0 && region < 0 && product < 0) {
      draft.find(null, FindingCode.MEMBER_MISSING, "axis", "rep, region or product");
    }
    int month = -1;
    LocalDate day = null;
    if (!header.isWide() && header.timePlace() == header.place(Header.Role.PERIOD)) {
      month = draft.time();
    } else if (!header.isWide()) {
      DateText.Result date = draft.date(header.timePlace());
      month = date == null ? -1 : Months.number(Objects.requireNonNull(date.month()));
      day = date == null ? null : date.day();
    }
    long[] amounts = draft.amounts();
    String order = order(draft);
    if (draft.isHeld()) {
      return;
    }
    LoadRow.Actual line =
        new LoadRow.Actual(draft.line(), month, day, rep, region, product, order, amounts);
    remark(draft, line);
    if (isPlain) {
      askRoster(draft, rep, month);
      draft.add(line);
    } else if (header.isWide()) {
      addByMonth(draft, line);
    } else {
      askRoster(draft, rep, month);
      add(draft, line, month, at -> columns.get(at).month() == null);
    }
  }

  /** Rows for each month that has an amount in its columns. */
  private void addByMonth(LineContext draft, LoadRow.Actual line) {
    Set<YearMonth> months = new TreeSet<>();
    for (int i = 0; i < columns.size(); i++) {
      YearMonth month = columns.get(i).month();
      if (month != null && line.amounts()[i] != Amounts.NONE) {
        months.add(month);
      }
    }
    for (YearMonth month : months) {
      askRoster(draft, line.rep(), Months.number(month));
      add(draft, line, Months.number(month), at -> month.equals(columns.get(at).month()));
    }
  }

  /** A row of the actuals of some columns, and one of the goals beside them. */
  private void add(LineContext draft, LoadRow.Actual line, int month, IntPredicate isTaken) {
    long[] actuals = amounts(line, isTaken, false);
    long[] goals = amounts(line, isTaken, true);
    if (Amounts.hasAny(actuals)) {
      draft.add(
          new LoadRow.Actual(
              line.line(),
              month,
              line.day(),
              line.rep(),
              line.region(),
              line.product(),
              line.order(),
              actuals));
    }
    if (Amounts.hasAny(goals) && goalMember(line) >= 0) {
      draft.add(new LoadRow.Goal(line.line(), month, goalMember(line), goals));
    }
  }

  /** Amounts by measure, of the actual or the goal columns that are taken. */
  private long[] amounts(LoadRow.Actual line, IntPredicate isTaken, boolean isGoal) {
    long[] amounts = new long[header.measures().size()];
    Arrays.fill(amounts, Amounts.NONE);
    for (int i = 0; i < columns.size(); i++) {
      if (columns.get(i).isGoal() == isGoal && isTaken.test(i)) {
        amounts[header.measurePlace(i)] = line.amounts()[i];
      }
    }
    return amounts;
  }

  private int goalMember(LoadRow.Actual line) {
    return switch (Objects.requireNonNull(spec.axis())) {
      case REP -> line.rep();
      case REGION -> line.region();
      case PRODUCT -> line.product();
      default -> Member.COMPANY.id();
    };
  }

  private static @Nullable String order(LineContext draft) {
    String order = draft.cell(Header.Role.ORDER);
    draft.isUnfit(Header.Role.ORDER, order, LONGEST_ORDER);
    return order.isEmpty() ? null : order;
  }

  private void remark(LineContext draft, LoadRow.Actual line) {
    int first = lines.seenOrAdd(draft.fingerprint(), draft.line());
    if (first > 0) {
      draft.find(null, FindingCode.DUPLICATE_LINE, "first", Integer.toString(first));
    }
    String order = line.order();
    if (order != null && history.hasOrder(order, line.product())) {
      draft.find(draft.title(Header.Role.ORDER), FindingCode.ALREADY_POSTED, "value", order);
    }
    if (!header.isWide()) {
      remarkUnusual(draft, line);
    }
    if (!header.isWide() && hasOppositeSigns(line.amounts())) {
      draft.find(null, FindingCode.SIGNS_DIFFER);
    }
  }

  private void remarkUnusual(LineContext draft, LoadRow.Actual line) {
    for (int i = 0; i < columns.size(); i++) {
      TypicalAmounts usual = usuals.get(i);
      long amount = line.amounts()[i];
      if (usual == null || columns.get(i).isGoal() || amount == Amounts.NONE) {
        continue;
      }
      boolean isFar = usual.isFar(line.rep(), amount);
      if (isFar || (usual.isWrongSign(line.rep(), amount) && !isReturn(line.amounts()))) {
        Measure measure = columns.get(i).measure();
        long median = usual.median(line.rep());
        draft.find(
            columns.get(i).title(),
            isFar ? FindingCode.UNUSUAL_AMOUNT : FindingCode.UNUSUAL_SIGN,
            "value",
            spec.shown(measure, amount),
            "times",
            Long.toString(Math.abs(amount) / median),
            "usual",
            spec.shown(measure, median),
            "member",
            draft.cell(Header.Role.REP));
      }
    }
  }

  /** Several measures that are all negative: goods that came back. */
  private static boolean isReturn(long[] amounts) {
    int given = 0;
    for (long amount : amounts) {
      if (amount != Amounts.NONE && amount >= 0) {
        return false;
      }
      given += amount == Amounts.NONE ? 0 : 1;
    }
    return given > 1;
  }

  private boolean hasOppositeSigns(long[] amounts) {
    int money = 0;
    int pieces = 0;
    for (int i = 0; i < amounts.length; i++) {
      Measure measure = header.amounts().get(i).measure();
      boolean isGiven = amounts[i] != Amounts.NONE && !header.amounts().get(i).isGoal();
      int sign = isGiven ? Long.signum(amounts[i]) : 0;
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
  private void askRoster(LineContext draft, int rep, int month) {
    if (rep >= 0 && askedRoster.seenOrAdd((long) rep << 32 | month, 1) == 0) {
      draft.checkRoster(rep, month);
    }
  }
}
