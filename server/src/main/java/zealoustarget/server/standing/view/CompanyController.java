package zealoustarget.server.standing.view;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.access.authorization.RowAccess;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** What a reader can choose from: measures, goal sets, months, members. */
@RestController
@RequestMapping("/api/v1")
class CompanyController {
  private static final int MOST_FOUND = 20;

  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final GoalSets goalSets;
  private final RowAccess rowAccess;
  private final Clock clock;

  CompanyController(
      LedgerService ledgers,
      RulesService companyRules,
      GoalSets goalSets,
      RowAccess rowAccess,
      Clock clock) {
    this.rowAccess = rowAccess;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.goalSets = goalSets;
    this.clock = clock;
  }

  /**
   * The company as the interface needs it first.
   *
   * @param lastMonth last with a posted line, or null where nothing is posted
   */
  record CompanyAnswer(
      String name,
      boolean isNamed,
      @Nullable String timeZone,
      WritingAnswer writing,
      CalendarPart calendar,
      List<MeasurePart> measures,
      List<GoalSetPart> goalSets,
      List<MemberPart> regions,
      @Nullable String firstMonth,
      @Nullable String lastMonth,
      String thisMonth) {}

  /**
   * How figures and days are shown, and what fields take first.
   *
   * @param grouping the mark between thousands, empty for none
   * @param dates {@code dmy}, {@code mdy} or {@code ymd}
   * @param isSet whether the company chose its marks; else a field refuses what could be read in
   *     two ways
   */
  record WritingAnswer(
      @Schema(allowableValues = {".", ","}) String decimal,
      String grouping,
      @Schema(allowableValues = {"dmy", "mdy", "ymd"}) String dates,
      boolean isSet) {
    static WritingAnswer of(Writing writing) {
      return new WritingAnswer(
          Character.toString(writing.decimalMark()),
          writing.groupingMark(),
          writing.dates() == null ? "ymd" : writing.dates().name().toLowerCase(Locale.ROOT),
          writing.decimal() != null);
    }
  }

  record CalendarPart(
      int startMonth, @Schema(allowableValues = {"start", "end"}) String yearNamedBy) {}

  record MeasurePart(
      String code,
      String name,
      String unit,
      int scale,
      @Schema(allowableValues = {"HIGHER", "LOWER", "NEAREST"}) String direction,
      boolean hasActuals) {}

  /**
   * A goal set; of the measures in {@code ranges} its goals are ranges; a retired one is not
   * offered.
   */
  record GoalSetPart(
      String name,
      @WordsOf(Axis.class) String axis,
      List<String> measures,
      List<String> ranges,
      boolean isRetired) {}

  record MemberPart(@WordsOf(Axis.class) String axis, String key, String name) {}

  /** Name, calendar, measures, goal sets, regions and the months with posted lines. */
  @GetMapping("/company")
  CompanyAnswer company() {
    Ledger ledger = ledgers.current();
    boolean seesAll = rowAccess.isEverything();
    Rules rules = companyRules.current();
    Set<String> used = ledger.measuresWithActuals();
    Span posted = ledger.monthsWithActuals();
    return new CompanyAnswer(
        rules.company().name(),
        rules.company().isNamed(),
        rules.company().timeZone() == null ? null : rules.company().timeZone().getId(),
        WritingAnswer.of(rules.company().writing()),
        new CalendarPart(
            rules.calendar().startMonth(),
            rules.calendar().yearNamedBy().name().toLowerCase(Locale.ROOT)),
        rules.measures().stream()
            .map(
                m ->
                    new MeasurePart(
                        m.code(),
                        rules.company().nameOf(m.code()),
                        m.unit(),
                        m.scale(),
                        m.direction().name(),
                        m.isRate()
                            ? used.contains(Objects.requireNonNull(m.quotient()).under().code())
                            : used.contains(m.code())))
            .toList(),
        goalSets.all().stream()
            .filter(set -> seesAll || ledger.goalBooks().containsKey(set.name()))
            .map(set -> part(set, ledger))
            .toList(),
        ledger.members().all(Axis.REGION).stream().map(m -> part(Axis.REGION, m)).toList(),
        posted == null ? null : posted.fromInclusive().toString(),
        posted == null ? null : posted.toInclusive().toString(),
        YearMonth.now(clock).toString());
  }

  /** Members whose key or name holds the text, names that begin with it first; at most 20. */
  @GetMapping("/members")
  List<MemberPart> members(@RequestParam(defaultValue = "") String text) {
    String wanted = text.strip().toLowerCase(Locale.ROOT);
    List<MemberPart> found = new ArrayList<>();
    for (Axis axis : List.of(Axis.REP, Axis.REGION, Axis.PRODUCT, Axis.LINE, Axis.MANAGER)) {
      ledgers.current().members().all(axis).stream()
          .filter(member -> place(member, wanted) >= 0)
          .forEach(member -> found.add(part(axis, member)));
    }
    found.sort(Comparator.comparingInt(part -> place(part.name(), wanted) == 0 ? 0 : 1));
    return found.stream().limit(MOST_FOUND).toList();
  }

  private static int place(Member member, String wanted) {
    return Math.max(place(member.name(), wanted), place(member.key(), wanted));
  }

  private static int place(String text, String wanted) {
    return text.toLowerCase(Locale.ROOT).indexOf(wanted);
  }

  private static MemberPart part(Axis axis, Member member) {
    return new MemberPart(axis.word(), member.key(), member.name());
  }

  private static GoalSetPart part(GoalSets.GoalSet set, Ledger ledger) {
    GoalBook book = ledger.goalBooks().get(set.name());
    return new GoalSetPart(
        set.name(),
        set.axis().word(),
        book == null ? List.of() : book.measures(),
        book == null ? List.of() : book.measures().stream().filter(book::isRange).toList(),
        set.isRetired());
  }
}
