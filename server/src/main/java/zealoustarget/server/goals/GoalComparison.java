package zealoustarget.server.goals;

import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.server.goals.GoalDeskAnswer.DraftAnswer;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/**
 * A year's goals side by side: a draft beside other drafts, other sets and years, last year's
 * actuals and the year as it is projected; docs/calculations.md, section 8.
 */
@Service
class GoalComparison {
  private static final int MOST_COLUMNS = 4;
  private static final int MONTHS = 12;
  private static final Pattern OF_DRAFT = Pattern.compile("draft:([1-3])");
  private static final Pattern OF_SET = Pattern.compile("set:(\\d{4}):(.+)");

  private final GoalSheets sheets;
  private final GoalDrafts drafts;
  private final GoalEffect effects;
  private final RulesService companyRules;
  private final Clock clock;

  GoalComparison(
      GoalSheets sheets,
      GoalDrafts drafts,
      GoalEffect effects,
      RulesService companyRules,
      Clock clock) {
    this.sheets = sheets;
    this.drafts = drafts;
    this.effects = effects;
    this.companyRules = companyRules;
    this.clock = clock;
  }

  /**
   * What stands side by side: the first column is the draft of whoever asks.
   *
   * @param rows the total first, then the members by name
   */
  record Answer(int year, List<Column> columns, List<Line> rows) {}

  /**
   * A column.
   *
   * @param word as it was asked for
   * @param changed cells that a draft changes; null of anything else
   * @param sentence what a draft does in open months; null of anything else
   * @param payChange of all pay, two decimals; null where none changes
   */
  record Column(
      String word,
      String name,
      @Nullable Integer changed,
      @Nullable String sentence,
      @Nullable String payChange) {}

  /** A member's year; {@code *} is the total of all. */
  record Line(String key, String name, List<Cell> cells) {}

  /**
   * A year's sum.
   *
   * @param amount null where there is none
   * @param change what the first column is beyond it, in percent with one decimal; null in the
   *     first column, and where one of both is missing or it is 0
   */
  record Cell(@Nullable String amount, @Nullable String change) {}

  /** What a column holds, in smallest units by member. */
  private record Sums(Column column, Map<Integer, Ratio> byMember) {
    @Nullable Ratio total() {
      return byMember.values().stream().reduce(Ratio::plus).orElse(null);
    }
  }

  /**
   * Puts goals side by side.
   *
   * @param sheet with the draft that comes first
   * @param with words of the other columns, at most four
   * @throws Refusal value-unknown, also for rates and ranges, whose goals do not add up
   */
  Answer compare(GoalSheet sheet, List<String> with) {
    if (sheet.measure().isRate() || sheet.isRange()) {
      throw Refusal.of("value-unknown", GoalsWords.goalsOfDoNotAddUp(sheet.measure().words()))
          .with("name", "measure");
    }
    if (with.size() > MOST_COLUMNS) {
      throw Refusal.of("value-unknown", GoalsWords.compareWithAtMostOthers(MOST_COLUMNS))
          .with("name", "with");
    }
    List<Sums> columns = new ArrayList<>();
    columns.add(ofDraft(sheet));
    with.forEach(word -> columns.add(column(sheet, word)));
    Set<Integer> members = new TreeSet<>();
    columns.forEach(column -> members.addAll(column.byMember().keySet()));
    List<Line> rows = new ArrayList<>();
    rows.add(line(sheet, Member.COMPANY, "*", columns.stream().map(Sums::total).toList()));
    members.stream()
        .map(sheet::row)
        .sorted(Comparator.comparing(Member::name).thenComparing(Member::key))
        .forEach(
            member -> {
              List<@Nullable Ratio> cells = new ArrayList<>();
              columns.forEach(column -> cells.add(column.byMember().get(member.id())));
              rows.add(line(sheet, member, member.key(), cells));
            });
    FiscalCalendar calendar = companyRules.current().calendar();
    return new Answer(
        calendar.year(sheet.span().fromInclusive()),
        columns.stream().map(Sums::column).toList(),
        rows);
  }

  private static Line line(GoalSheet sheet, Member member, String key, List<@Nullable Ratio> sums) {
    List<Cell> cells = new ArrayList<>();
    for (int at = 0; at < sums.size(); at++) {
      Ratio sum = sums.get(at);
      Ratio beyond = at == 0 ? null : GoalSpread.stretch(sums.get(0), sum);
      cells.add(
          new Cell(
              sum == null ? null : sheet.measure().text(sum),
              beyond == null ? null : Shown.percent(beyond)));
    }
    return new Line(key, member.name(), cells);
  }

  private Sums column(GoalSheet sheet, String word) {
    Matcher ofDraft = OF_DRAFT.matcher(word);
    Matcher ofSet = OF_SET.matcher(word);
    if (word.equals("stands")) {
      return new Sums(named(word, GoalsWords.AS_IT_STANDS), ofGoals(sheet));
    } else if (word.equals("last-year")) {
      return new Sums(named(word, GoalsWords.LAST_YEARS_ACTUALS), lastYear(sheet));
    } else if (word.equals("projected")) {
      return new Sums(named(word, GoalsWords.THIS_YEAR_AT_ITS_PACE), projected(sheet));
    } else if (ofDraft.matches()) {
      return ofDraft(sheet.withSlot(Integer.parseInt(ofDraft.group(1))));
    } else if (ofSet.matches()) {
      return ofSet(sheet, word, Integer.parseInt(ofSet.group(1)), ofSet.group(2));
    }
    throw UnknownValue.of(
        "with", word, List.of("stands", "draft:2", "set:2026:quota", "last-year", "projected"));
  }

  private static Column named(String word, String name) {
    return new Column(word, name, null, null, null);
  }

  private Sums ofDraft(GoalSheet sheet) {
    List<GoalDrafts.Cell> cells = drafts.cells(sheet);
    GoalSheet drafted = drafts.drafted(sheet, cells);
    DraftAnswer effect = cells.isEmpty() ? null : effects.of(sheet, drafted, cells, null, null);
    return new Sums(
        new Column(
            "draft:" + sheet.slot(),
            GoalsWords.draft(sheet.slot()),
            cells.size(),
            effect == null ? GoalsWords.NOTHING_IS_CHANGED : effect.sentence(),
            effect == null ? null : effect.payChange()),
        ofGoals(drafted));
  }

  private Sums ofSet(GoalSheet sheet, String word, int year, String name) {
    Span span = companyRules.current().calendar().year(year);
    GoalSheet other = sheets.read(name, sheet.axis().word(), sheet.measure().code(), span);
    if (other.isNew()) {
      throw Refusal.of("value-unknown", GoalsWords.noGoalSet(name)).with("name", "with");
    }
    return new Sums(named(word, GoalsWords.setOfYear(other.goalSet(), year)), ofGoals(other));
  }

  private static Map<Integer, Ratio> ofGoals(GoalSheet sheet) {
    Map<Integer, Ratio> sums = new HashMap<>();
    for (GoalBook.Cell cell : sheet.cells()) {
      sums.merge(cell.member(), Ratio.of(cell.amount()), Ratio::plus);
    }
    return sums;
  }

  private static Map<Integer, Ratio> lastYear(GoalSheet sheet) {
    Map<Integer, Ratio> sums = new HashMap<>();
    int first = Months.number(sheet.span().fromInclusive()) - MONTHS;
    for (Member member : sheet.members()) {
      Ratio sum = sheet.actual(sheet.axis(), member.id(), first, first + MONTHS);
      if (sum != null) {
        sums.put(member.id(), sum);
      }
    }
    return sums;
  }

  /**
   * The year so far, a running month at its landing, times last year's whole ÷ last year's same
   * months; missing for members that had nothing above 0 then, or where nothing is posted.
   */
  private Map<Integer, Ratio> projected(GoalSheet sheet) {
    Ledger ledger = sheet.ledger();
    List<YearMonth> months = sheet.span().months();
    List<YearMonth> empty = ledger.emptyMonths(sheet.measure(), sheet.span());
    YearMonth last = null;
    for (YearMonth month : months) {
      last = empty.contains(month) ? last : month;
    }
    Map<Integer, Ratio> sums = new HashMap<>();
    if (last == null) {
      return sums;
    }
    Rules rules = companyRules.current();
    LocalDate posted = last.isBefore(YearMonth.now(clock)) ? null : ledger.lastPostedDay(last);
    Pace.Days days = posted == null ? null : rules.days(last, posted);
    int first = Months.number(months.get(0));
    int end = Months.number(last) + 1;
    for (Member member : sheet.members()) {
      Ratio so = sheet.actual(sheet.axis(), member.id(), first, end);
      Ratio then = sheet.actual(sheet.axis(), member.id(), first - MONTHS, end - MONTHS);
      Ratio whole = sheet.actual(sheet.axis(), member.id(), first - MONTHS, first);
      if (so == null || then == null || whole == null || then.signum() <= 0) {
        continue;
      }
      Ratio open = sheet.actual(sheet.axis(), member.id(), end - 1, end);
      Ratio atEnd = days == null || open == null ? so : Pace.atEnd(so, days, open);
      sums.put(member.id(), atEnd.times(whole).dividedBy(then));
    }
    return sums;
  }
}
