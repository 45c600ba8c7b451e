package zealoustarget.server.goals;

import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.goals.GoalDeskAnswer.DraftAnswer;
import zealoustarget.server.goals.GoalDeskAnswer.GroupAnswer;
import zealoustarget.server.goals.GoalDeskAnswer.LineAnswer;
import zealoustarget.server.goals.GoalDeskAnswer.MonthAnswer;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.RulesService;

/** Puts a fiscal year's goal sheet together, the draft of whoever asks laid over it. */
@Service
class GoalDesk {
  private static final int MONTHS = 12;
  private static final int QUARTERS = 4;
  private static final int MOST_NAMED = 3;

  private final GoalSheets sheets;
  private final GoalDrafts drafts;
  private final GoalEffect effect;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final Seals seals;
  private final Clock clock;

  GoalDesk(
      GoalSheets sheets,
      GoalDrafts drafts,
      GoalEffect effect,
      LedgerService ledgers,
      RulesService companyRules,
      Seals seals,
      Clock clock) {
    this.sheets = sheets;
    this.drafts = drafts;
    this.effect = effect;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.seals = seals;
    this.clock = clock;
  }

  /**
   * Which sheet the desk shows.
   *
   * @param axis null for the set's own
   * @param measure null for revenue
   * @param year fiscal; null for the one of the last posted month
   * @param plan the goal set of the groups; null for the first there is
   * @param draft which draft of whoever asks, 1 to {@link GoalDrafts#MOST}; null for the first
   */
  record Asked(
      String goalSet,
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      @Nullable Integer draft) {}

  /** A request that is about a sheet; its parts as those of {@link Asked}. */
  interface OfSheet {
    @Nullable String axis();

    @Nullable String measure();

    @Nullable Integer year();

    @Nullable String plan();

    /** The sheet of a set with one of the drafts. */
    default Asked of(String goalSet, @Nullable Integer draft) {
      return new Asked(goalSet, axis(), measure(), year(), plan(), draft);
    }
  }

  /** The months of a fiscal year; value-unknown. */
  Span year(int year) {
    return companyRules.current().calendar().year(checked(year));
  }

  /** The sheet that is asked for, as it stands. */
  GoalSheet sheet(Asked asked) {
    FiscalCalendar calendar = companyRules.current().calendar();
    int year = asked.year() == null ? calendar.year(lastMonth()) : checked(asked.year());
    int slot = asked.draft() == null ? 1 : asked.draft();
    if (slot < 1 || slot > GoalDrafts.MOST) {
      throw Refusal.of("value-unknown", GoalsWords.draftsTo(GoalDrafts.MOST)).with("name", "draft");
    }
    return sheets
        .read(asked.goalSet(), asked.axis(), asked.measure(), calendar.year(year))
        .withSlot(slot);
  }

  private static int checked(int year) {
    if (year < 1900 || year > 2200) {
      throw Refusal.of("value-unknown", GoalsWords.isNotFiscalYear(year)).with("name", "year");
    }
    return year;
  }

  private YearMonth lastMonth() {
    Span posted = ledgers.current().monthsWithActuals();
    return posted == null ? YearMonth.now(clock) : posted.toInclusive();
  }

  /** A cell: a member's id and a month's number. */
  record Place(int member, int month) {}

  /** Some cells together; stretch in percent with one decimal. */
  record SumAnswer(
      int cells,
      @Nullable String before,
      @Nullable String after,
      @Nullable String lastYear,
      @Nullable String stretchBefore,
      @Nullable String stretchAfter) {}

  /** Whether a month has actuals of the sheet's measure and is not running any more. */
  boolean isOver(GoalSheet sheet, int number) {
    YearMonth month = Months.of(number);
    return month.isBefore(YearMonth.now(clock))
        && !sheet.ledger().emptyMonths(sheet.measure(), Span.of(month)).contains(month);
  }

  /** Adds cells up, as they stand and as the draft of whoever asks has them. */
  SumAnswer sum(GoalSheet sheet, List<Place> places) {
    GoalSheet drafted = drafts.drafted(sheet, drafts.cells(sheet));
    if (sheet.measure().isRate()) {
      return new SumAnswer(places.size(), null, null, null, null, null);
    }
    GoalSums.Added standing = sumOf(sheet, places);
    GoalSums.Added changed = sumOf(drafted, places);
    Ratio before = standing.total();
    Ratio after = changed.total();
    Ratio lastYear = null;
    boolean hasYearBefore =
        places.stream()
            .mapToInt(place -> place.month() - MONTHS)
            .distinct()
            .allMatch(month -> isOver(sheet, month));
    for (Place place : hasYearBefore ? places : List.<Place>of()) {
      Long actual =
          sheet
              .ledger()
              .actual(sheet.measure().code(), sheet.axis(), place.member(), place.month() - MONTHS);
      if (actual != null) {
        lastYear = (lastYear == null ? Ratio.ZERO : lastYear).plus(Ratio.of(actual));
      }
    }
    return new SumAnswer(
        places.size(),
        standing.text(0, 1),
        changed.text(0, 1),
        lastYear == null ? null : sheet.measure().text(lastYear),
        stretchText(before, lastYear),
        stretchText(after, lastYear));
  }

  private static GoalSums.Added sumOf(GoalSheet sheet, List<Place> places) {
    GoalSums.Added sum = new GoalSums.Added(sheet.measure(), sheet.isRange(), 1);
    for (Place place : places) {
      Amount amount = sheet.amount(place.member(), place.month());
      if (amount != null) {
        sum.add(0, amount);
      }
    }
    return sum;
  }

  private static @Nullable String stretchText(@Nullable Ratio goal, @Nullable Ratio lastYear) {
    Ratio stretch = GoalSpread.stretch(goal, lastYear);
    return stretch == null ? null : Shown.percent(stretch);
  }

  /**
   * What each goal asks beyond last year, or its part of its group, in percent with one decimal; by
   * key and month, null where that is unknown. Changes nothing.
   *
   * @param groups by the key of the group, of "" for those in none; a part is one of all
   * @param rows a part is one of the goals of the group that the row is in in that month
   */
  record PercentsAnswer(
      List<@Nullable String> total,
      Map<String, List<@Nullable String>> groups,
      Map<String, List<@Nullable String>> rows) {}

  /** The percentages of the sheet with the draft of whoever asks; none of a rate or a range. */
  PercentsAnswer percents(Asked asked, GoalPercents.Kind kind) {
    GoalSheet standing = sheet(asked);
    GoalSheet drafted = drafts.drafted(standing, drafts.cells(standing));
    return new GoalPercents(drafted, month -> isOver(standing, month)).answer(kind);
  }

  /** The desk's answer. */
  GoalDeskAnswer answer(Asked asked) {
    GoalSheet standing = sheet(asked);
    List<GoalDrafts.Cell> cells = drafts.cells(standing);
    return new Page(standing, drafts.drafted(standing, cells), cells, asked.plan()).answer();
  }

  /** One answer being made. */
  private final class Page {
    private final GoalSheet standing;
    private final GoalSheet drafted;
    private final List<GoalDrafts.Cell> changes;
    private final Measure measure;
    private final Ledger ledger;
    private final List<YearMonth> months;
    private final int first;
    private final @Nullable Axis groupAxis;
    private final @Nullable GoalBook plan;
    private final List<String> plans;
    private final Figures figures;
    private final Map<List<Integer>, GoalDrafts.Cell> changeAt = new HashMap<>();
    private final boolean isRange;
    private final GoalSums.Added total;
    private final Map<Integer, GoalSums.Added> byMember = new HashMap<>();
    private final Map<Integer, GoalSums.Added> byGroup = new HashMap<>();
    private final Map<Integer, GoalSums.Added> planByGroup = new HashMap<>();
    private final @Nullable RateSums rates;
    private final boolean hasYearBefore;

    Page(
        GoalSheet standing,
        GoalSheet drafted,
        List<GoalDrafts.Cell> changes,
        @Nullable String planName) {
      this.standing = standing;
      this.drafted = drafted;
      this.changes = changes;
      this.measure = standing.measure();
      this.ledger = standing.ledger();
      this.months = standing.span().months();
      this.first = Months.number(months.get(0));
      this.groupAxis = standing.groupAxis();
      this.isRange = drafted.isRange();
      this.total = noGoals();
      this.rates = measure.isRate() ? new RateSums(drafted) : null;
      this.figures = new Figures(companyRules.current().company().writing());
      List<GoalBook> books =
          ledger.goalBooks().values().stream()
              .filter(book -> book.axis() == groupAxis && !inYear(book).isEmpty())
              .filter(book -> !book.isRange(measure.code()))
              .sorted(Comparator.comparing(GoalBook::name))
              .toList();
      this.plans = books.stream().map(GoalBook::name).toList();
      this.plan =
          books.stream()
              .filter(book -> planName == null || planName.equals(book.name()))
              .findFirst()
              .orElse(null);
      changes.forEach(
          cell -> {
            Member member = GoalDrafts.known(standing, cell);
            if (member != null) {
              changeAt.put(List.of(member.id(), Months.number(cell.month())), cell);
            }
          });
      addUp();
      hasYearBefore = hasYearBefore();
    }

    private List<GoalBook.Cell> inYear(GoalBook book) {
      return book.cells(measure.code(), first, first + MONTHS - 1);
    }

    private GoalSums.Added noGoals() {
      return new GoalSums.Added(measure, isRange, MONTHS);
    }

    private void addUp() {
      if (measure.isRate()) {
        return; // rates are weighted, not added
      }
      for (GoalBook.Cell cell : drafted.cells()) {
        int at = cell.month() - first;
        Amount goal = GoalSheet.amount(cell);
        total.add(at, goal);
        byMember.computeIfAbsent(cell.member(), id -> noGoals()).add(at, goal);
        int group = standing.groupOf(cell.member(), cell.month());
        byGroup.computeIfAbsent(group, id -> noGoals()).add(at, goal);
      }
      if (plan != null) {
        for (GoalBook.Cell cell : inYear(plan)) {
          planByGroup
              .computeIfAbsent(cell.member(), id -> new GoalSums.Added(measure, false, MONTHS))
              .add(cell.month() - first, GoalSheet.amount(cell));
        }
      }
    }

    /** Where a row stands: its group in the last month of the year in which it has one. */
    private int homeOf(int member) {
      for (int at = MONTHS - 1; at >= 0; at--) {
        int group = standing.groupOf(member, first + at);
        if (group >= 0) {
          return group;
        }
      }
      return Members.NONE;
    }

    GoalDeskAnswer answer() {
      List<Member> rows = rows();
      Map<Integer, List<Member>> grouped = new LinkedHashMap<>();
      rows.forEach(
          row -> grouped.computeIfAbsent(homeOf(row.id()), id -> new ArrayList<>()).add(row));
      FiscalCalendar calendar = companyRules.current().calendar();
      List<LineAnswer> lines = rows.stream().map(this::line).toList();
      GoalSums whole = rates == null ? total : rates.of(null);
      LineAnswer all = sum("*", "All", whole, lastYearOfAll());
      return new GoalDeskAnswer(
          standing.goalSet(),
          standing.isNew(),
          standing.axis().word(),
          measure.code(),
          measure.unit(),
          measure.scale(),
          isRange,
          measure.isRate(),
          calendar.year(months.get(0)),
          months.stream().map(month -> month(month, calendar)).toList(),
          groupAxis == null ? null : groupAxis.word(),
          plan == null ? null : plan.name(),
          plans,
          years(calendar),
          GoalLevels.sources(standing, false),
          GoalLevels.sources(standing, true),
          GoalLevels.alike(standing),
          CurrentAccount.account().role() == Role.ANALYST,
          headline(grouped),
          insights(rows),
          all,
          groupAxis == null ? List.of() : groups(grouped),
          lines,
          drafts.slots(standing),
          changes.isEmpty() ? null : draft());
    }

    /** Members who are there in the year, or have a goal in it. */
    private List<Member> rows() {
      if (standing.axis() == Axis.COMPANY) {
        return List.of(Member.COMPANY);
      }
      Set<Integer> wanted = new TreeSet<>();
      drafted.cells().forEach(cell -> wanted.add(cell.member()));
      standing.cells().forEach(cell -> wanted.add(cell.member()));
      Members members = ledger.members();
      for (Member member : members.all(standing.axis())) {
        boolean isThere =
            standing.axis() != Axis.REP
                || IntStream.range(0, MONTHS)
                    .anyMatch(at -> members.isOnRoster(member.id(), first + at));
        if (isThere) {
          wanted.add(member.id());
        }
      }
      return wanted.stream()
          .map(id -> members.get(standing.axis(), id))
          .sorted(
              Comparator.comparing((Member row) -> groupName(homeOf(row.id())))
                  .thenComparing(Member::name)
                  .thenComparing(Member::key))
          .toList();
    }

    private String groupName(int group) {
      return groupAxis == null || group < 0 ? "" : ledger.members().get(groupAxis, group).name();
    }

    private MonthAnswer month(YearMonth month, FiscalCalendar calendar) {
      return new MonthAnswer(
          month.toString(),
          calendar.quarter(month),
          seals.find(month).isPresent(),
          !ledger.emptyMonths(measure, Span.of(month)).contains(month));
    }

    private List<Integer> years(FiscalCalendar calendar) {
      Set<Integer> years = new TreeSet<>();
      for (int month : ledger.postedMonths()) {
        years.add(calendar.year(Months.of(month)));
      }
      years.add(calendar.year(months.get(0)));
      years.add(calendar.year(lastMonth()) + 1);
      return List.copyOf(years);
    }

    private LineAnswer line(Member member) {
      List<@Nullable String> cells = new ArrayList<>();
      List<@Nullable String> was = new ArrayList<>();
      List<@Nullable String> places = new ArrayList<>();
      int home = homeOf(member.id());
      for (int at = 0; at < MONTHS; at++) {
        Amount goal = drafted.amount(member.id(), first + at);
        cells.add(goal == null ? null : goal.text(measure));
        GoalDrafts.Cell change = changeAt.get(List.of(member.id(), first + at));
        was.add(
            change == null ? null : change.before() == null ? "" : change.before().text(measure));
        int group = standing.groupOf(member.id(), first + at);
        places.add(group == home || group < 0 ? null : groupName(group));
      }
      GoalSums sums =
          rates == null ? byMember.getOrDefault(member.id(), noGoals()) : rates.of(member.id());
      return line(
          member.key(),
          member.name(),
          cells,
          was,
          places,
          sums,
          lastYear(standing.axis(), member.id()));
    }

    /** A line whose cells are the sums themselves. */
    private LineAnswer sum(String key, String name, GoalSums sums, @Nullable Ratio lastYear) {
      List<@Nullable String> none = Stream.generate(() -> (String) null).limit(MONTHS).toList();
      List<@Nullable String> cells = new ArrayList<>();
      for (int at = 0; at < MONTHS; at++) {
        cells.add(sums.text(at, at + 1));
      }
      return line(key, name, cells, none, none, sums, lastYear);
    }

    private LineAnswer line(
        String key,
        String name,
        List<@Nullable String> cells,
        List<@Nullable String> was,
        List<@Nullable String> places,
        GoalSums sums,
        @Nullable Ratio lastYear) {
      List<@Nullable String> quarters = new ArrayList<>();
      for (int quarter = 0; quarter < QUARTERS; quarter++) {
        quarters.add(sums.text(quarter * 3, quarter * 3 + 3));
      }
      Ratio goal = sums.total();
      Ratio all = total.total();
      Ratio share = goal == null || all == null || all.signum() <= 0 ? null : goal.dividedBy(all);
      Ratio stretch = GoalSpread.stretch(goal, lastYear);
      Ratio ratio =
          goal == null || goal.signum() <= 0 || lastYear == null ? null : lastYear.dividedBy(goal);
      return new LineAnswer(
          key,
          name,
          cells,
          was,
          places,
          quarters,
          sums.text(0, MONTHS),
          text(lastYear),
          stretch == null ? null : Shown.percent(stretch),
          share == null ? null : Shown.percent(share),
          ratio == null ? null : ratio.toText(0, 6));
    }

    private @Nullable String text(@Nullable Ratio units) {
      return units == null ? null : measure.text(units);
    }

    /** Whether every month that has a goal can be compared with the one a year before. */
    private boolean hasYearBefore() {
      return IntStream.range(0, MONTHS)
          .filter(at -> total.low(at, at + 1) != null)
          .allMatch(at -> isOver(standing, first + at - MONTHS));
    }

    /**
     * The actual of the same months a year before; null of a rate, where nothing was posted, or
     * where one of those months is not over: a part of a year is no year to compare with.
     */
    private @Nullable Ratio lastYear(Axis axis, int member) {
      if (measure.isRate() || !hasYearBefore) {
        return null;
      }
      return standing.actual(axis, member, first - MONTHS, first);
    }

    private @Nullable Ratio lastYearOfAll() {
      return lastYear(Axis.COMPANY, Member.COMPANY.id());
    }

    private List<GroupAnswer> groups(Map<Integer, List<Member>> grouped) {
      Set<Integer> ids =
          new TreeSet<>(Comparator.comparing(this::groupName).thenComparing(id -> id));
      ids.addAll(grouped.keySet());
      ids.addAll(planByGroup.keySet());
      return ids.stream().map(id -> group(id, grouped.getOrDefault(id, List.of()))).toList();
    }

    private GroupAnswer group(int id, List<Member> rows) {
      Axis axis = Objects.requireNonNull(groupAxis);
      String key = id < 0 ? "" : ledger.members().get(axis, id).key();
      GoalSums own = planByGroup.get(id);
      Ratio over = over(id);
      return new GroupAnswer(
          sum(
              key,
              groupName(id),
              byGroup.getOrDefault(id, noGoals()),
              id < 0 ? null : lastYear(axis, id)),
          own == null ? null : sum(key, plan == null ? "" : plan.name(), own, null),
          over == null ? null : Shown.percent(over),
          rows.stream().map(Member::key).toList());
    }

    /** How far a group's assigned goals pass its own; null where it has none. */
    private @Nullable Ratio over(int group) {
      GoalSums own = planByGroup.get(group);
      GoalSums assigned = byGroup.get(group);
      Ratio goal = own == null ? null : own.total();
      Ratio sum = assigned == null ? null : assigned.total();
      return goal == null || sum == null || goal.signum() <= 0
          ? null
          : sum.minus(goal).dividedBy(goal);
    }

    private List<String> headline(Map<Integer, List<Member>> grouped) {
      List<String> parts = new ArrayList<>();
      String year = GoalsWords.fiscal(companyRules.current().calendar().year(months.get(0)));
      Ratio goal = total.total();
      String set = "\u201c" + standing.goalSet() + "\u201d";
      if (goal == null) {
        parts.add(
            drafted.cells().isEmpty()
                ? GoalsWords.hasNoGoalsYet(set, year)
                : measure.isRate()
                    ? GoalsWords.ratesDoNotAddUp(set, year, measure.words())
                    : GoalsWords.rangeAddsUp(
                        set,
                        year,
                        figures.amount(Objects.requireNonNull(total.low(0, MONTHS)), measure),
                        figures.amount(Objects.requireNonNull(total.high(0, MONTHS)), measure)));
        return parts;
      }
      Ratio stretch = GoalSpread.stretch(goal, lastYearOfAll());
      parts.add(
          GoalsWords.addsUp(
              set, year, figures.amount(goal, measure), stretch == null ? null : beyond(stretch)));
      grouped.keySet().stream()
          .filter(id -> over(id) != null && Objects.requireNonNull(over(id)).signum() > 0)
          .max(Comparator.comparing(id -> Objects.requireNonNull(over(id))))
          .ifPresent(
              id ->
                  parts.add(
                      GoalsWords.isOverAssigned(
                          groupName(id),
                          percent(Objects.requireNonNull(over(id))),
                          Objects.requireNonNull(plan).name())));
      return parts;
    }

    private String beyond(Ratio stretch) {
      return stretch.signum() == 0
          ? GoalsWords.AS_MUCH_AS
          : GoalsWords.moreOrLess(percent(stretch.abs()), stretch.signum());
    }

    private String percent(Ratio part) {
      return figures.grouped(Shown.percent(part)) + " %";
    }

    private List<String> insights(List<Member> rows) {
      List<String> said = new ArrayList<>();
      if (drafted.cells().isEmpty()) {
        return said;
      }
      Set<Integer> with =
          drafted.cells().stream().map(GoalBook.Cell::member).collect(Collectors.toSet());
      List<Member> without = rows.stream().filter(row -> !with.contains(row.id())).toList();
      if (!without.isEmpty()) {
        said.add(
            without.size() <= MOST_NAMED
                ? GoalsWords.namesHaveNoGoal(
                    without.stream().map(Member::name).toList(), without.size())
                : GoalsWords.haveNoGoals(without.size(), standing.axis().word(2)));
      }
      Member most = null;
      Ratio highest = null;
      for (Member row : rows) {
        Ratio stretch = stretchOf(row);
        if (stretch != null && (highest == null || stretch.compareTo(highest) > 0)) {
          most = row;
          highest = stretch;
        }
      }
      if (most != null && highest != null) {
        said.add(GoalsWords.asksMost(most.name(), beyond(highest)));
      }
      return said;
    }

    private @Nullable Ratio stretchOf(Member row) {
      GoalSums sums = byMember.get(row.id());
      return sums == null
          ? null
          : GoalSpread.stretch(sums.total(), lastYear(standing.axis(), row.id()));
    }

    private DraftAnswer draft() {
      GoalSums.Added before = noGoals();
      if (!measure.isRate()) {
        standing.cells().forEach(cell -> before.add(cell.month() - first, GoalSheet.amount(cell)));
      }
      return effect.of(standing, drafted, changes, before.text(0, MONTHS), total.text(0, MONTHS));
    }
  }
}
