package zealoustarget.core.intake.lines;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.spread.Spread;

/** Lines of goals by month, by fiscal year (spread evenly), or with one column per month. */
final class GoalLines implements LineReader.Kind {
  private final Header header;
  private final LoadSpec spec;
  private final Axis axis;
  private final FirstSeen goals = new FirstSeen();
  private final boolean hasRanges;

  GoalLines(Header header, LoadSpec spec) {
    this.header = header;
    this.spec = spec;
    this.axis = Objects.requireNonNull(spec.axis());
    this.hasRanges = header.measures().stream().anyMatch(m -> Measure.isEnd(m.code()));
  }

  @Override
  public void read(LineContext draft) {
    int member = axis == Axis.COMPANY ? Member.COMPANY.id() : draft.member(axis, true);
    List<YearMonth> months = header.isWide() ? List.of() : months(draft);
    long[] amounts = draft.amounts();
    if (draft.isHeld()) {
      return;
    }
    List<LoadRow.Goal> rows =
        header.isWide()
            ? byColumn(draft, member, amounts)
            : byMonths(draft, member, months, amounts);
    rows.forEach(row -> findTwice(draft, row));
    if (hasRanges && !draft.isHeld()) {
      rows.forEach(row -> findBrokenRange(draft, row));
    }
    if (!draft.isHeld()) {
      rows.forEach(draft::add);
    }
  }

  /** The months that a line speaks of: one, or a fiscal year's twelve. */
  private List<YearMonth> months(LineContext draft) {
    if (header.timePlace() == header.place(Header.Role.YEAR)) {
      int year = draft.fiscalYear();
      return year < 0 ? List.of() : spec.calendar().year(year).months();
    }
    int month = draft.time();
    return month < 0 ? List.of() : List.of(Months.of(month));
  }

  private List<LoadRow.Goal> byColumn(LineContext draft, int member, long[] amounts) {
    Map<Integer, long[]> byMonth = new TreeMap<>();
    for (int i = 0; i < amounts.length; i++) {
      Header.AmountColumn column = header.amounts().get(i);
      if (column.month() != null && amounts[i] != Amounts.NONE) {
        byMonth
                .computeIfAbsent(Months.number(column.month()), month -> none())[
                header.measures().indexOf(column.measure())] =
            amounts[i];
      }
    }
    List<LoadRow.Goal> rows = new ArrayList<>();
    byMonth.forEach((month, of) -> rows.add(new LoadRow.Goal(draft.line(), month, member, of)));
    return rows;
  }

  private long[] none() {
    long[] amounts = new long[header.measures().size()];
    Arrays.fill(amounts, Amounts.NONE);
    return amounts;
  }

  private static List<LoadRow.Goal> byMonths(
      LineContext draft, int member, List<YearMonth> months, long[] amounts) {
    List<List<Long>> parts = new ArrayList<>();
    for (long amount : amounts) {
      parts.add(amount == Amounts.NONE ? List.of() : Spread.evenly(amount, months.size()));
    }
    List<LoadRow.Goal> rows = new ArrayList<>();
    for (int m = 0; m < months.size(); m++) {
      int at = m;
      long[] monthAmounts =
          parts.stream().mapToLong(part -> part.isEmpty() ? Amounts.NONE : part.get(at)).toArray();
      rows.add(new LoadRow.Goal(draft.line(), Months.number(months.get(m)), member, monthAmounts));
    }
    return rows;
  }

  /** Finds a range that lacks an end, or whose ends run backwards. */
  private void findBrokenRange(LineContext draft, LoadRow.Goal row) {
    List<String> codes = header.measures().stream().map(Measure::code).toList();
    for (int low = 0; low < codes.size() && !draft.isHeld(); low++) {
      if (Measure.isLowEnd(codes.get(low))) {
        String own = Measure.ownCode(codes.get(low));
        int high = codes.indexOf(Measure.highEndOf(own));
        long lowest = row.amounts()[low];
        long highest = row.amounts()[high];
        boolean hasLow = lowest != Amounts.NONE;
        if (hasLow != (highest != Amounts.NONE)) {
          draft.find(null, FindingCode.RANGE_OPEN, "measure", own);
        } else if (hasLow && lowest > highest) {
          Measure measure = header.measures().get(low);
          draft.find(
              null,
              FindingCode.RANGE_REVERSED,
              "measure",
              own,
              "low",
              spec.shown(measure, lowest),
              "high",
              spec.shown(measure, highest));
        }
      }
    }
  }

  /** Finds a line before that gives the same member a goal of the same measure and month. */
  private void findTwice(LineContext draft, LoadRow.Goal row) {
    for (int i = 0; i < row.amounts().length && !draft.isHeld(); i++) {
      long key = ((long) row.month() * 256 + i) << 32 | row.member();
      int first = row.amounts()[i] == Amounts.NONE ? 0 : goals.seenOrAdd(key, draft.line());
      if (first != 0 && first != draft.line()) {
        draft.find(
            draft.title(Header.Role.valueOf(axis.name())),
            FindingCode.GOAL_TWICE,
            "member",
            axis == Axis.COMPANY ? "The company" : draft.cell(Header.Role.valueOf(axis.name())),
            "month",
            Months.of(row.month()).toString(),
            "first",
            Integer.toString(first));
      }
    }
  }
}
