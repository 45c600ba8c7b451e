package zealoustarget.server.intake.upload;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.header.KindGuess;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.sheet.FormatRules;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.AliasStore;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.masterdata.MemberStore;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Completes what is said of a file by what was decided before and what the file itself says. */
@Component
public class Requests {
  private static final Pattern FISCAL_YEAR = Pattern.compile("(?i)fy[ _-]?(\\d{4}|\\d{2})(?!\\d)");

  private static final Pattern DAY =
      Pattern.compile("(?<!\\d)(20\\d\\d)[-_.]?(\\d\\d)[-_.]?(\\d\\d)(?!\\d)");

  private final RememberedHeaders remembered;
  private final GoalSets goalSets;
  private final RulesService companyRules;
  private final LedgerService ledgers;
  private final MemberStore members;
  private final AliasStore aliases;
  private final Clock clock;

  Requests(
      RememberedHeaders remembered,
      GoalSets goalSets,
      RulesService companyRules,
      LedgerService ledgers,
      MemberStore members,
      AliasStore aliases,
      Clock clock) {
    this.remembered = remembered;
    this.goalSets = goalSets;
    this.companyRules = companyRules;
    this.ledgers = ledgers;
    this.members = members;
    this.aliases = aliases;
    this.clock = clock;
  }

  /** What was decided for the header before, where nothing is said of its columns now. */
  LoadRequest complete(LoadRequest given, StoredSheet sheet, String fileName) {
    Optional<LoadRequest> before =
        remembered
            .find(sheet.titles())
            .map(RememberedHeaders.Remembered::request)
            .filter(request -> given.kind() == null || given.kind() == request.kind())
            .map(request -> FormatRules.unlessShown(request, sheet))
            .map(request -> unlessNamed(request, sheet, fileName));
    if (given.kind() != null) {
      return before
          .filter(request -> given.columns().isEmpty())
          .map(request -> given.withColumns(request.columns()))
          .orElse(given);
    }
    return before
        .map(request -> request.withControl(given.controlTotals(), given.isTrailerControl()))
        .map(request -> request.withSheet(given.sheet()))
        .map(request -> asOf(request, fileName))
        .orElseGet(() -> recognised(given, sheet, fileName));
  }

  private LoadRequest recognised(LoadRequest given, StoredSheet sheet, String fileName) {
    KindGuess guess =
        KindGuess.of(
            sheet.titles(),
            sheet.profiles(),
            fileName,
            companyRules.current().measures(),
            new StagingDirectory(ledgers.posted(), members, aliases),
            YearMonth.now(clock));
    String set = guess.axis() == null ? null : goalSet(guess, fileName);
    LoadRequest request = asOf(given.withKind(guess.kind(), set, guess.axis()), fileName);
    return Optional.ofNullable(set)
        .flatMap(goalSets::find)
        .map(known -> request.withKind(guess.kind(), set, known.axis()))
        .orElse(request);
  }

  /**
   * The same header may bring another set's goals: which one is kept only where the file names it,
   * else it is asked.
   */
  private static LoadRequest unlessNamed(LoadRequest request, StoredSheet sheet, String fileName) {
    boolean isOpen =
        request.kind() == LoadKind.GOALS
            && request.goalSet() != null
            && Stream.concat(Stream.of(fileName), sheet.titles().stream())
                .noneMatch(text -> words(text).contains(words(request.goalSet())));
    return isOpen ? request.withKind(request.kind(), null, request.axis()) : request;
  }

  /**
   * A set whose name the file's name has, else the word that it uses for goals; null where it says
   * none. Of goals beside actuals the title says one.
   */
  private @Nullable String goalSet(KindGuess guess, String fileName) {
    return goalSets.all().stream()
        .filter(set -> set.axis() == guess.axis())
        .map(GoalSets.GoalSet::name)
        .filter(name -> words(fileName).contains(words(name)))
        .findFirst()
        .orElse(
            guess.goalWord() != null && guess.goalWord().matches("goal|target")
                ? "quota"
                : guess.goalWord());
  }

  private static String words(String text) {
    return text.toLowerCase(Locale.ROOT).replaceAll("[-_.]+", " ");
  }

  /**
   * How the core is to read the file.
   *
   * @throws Refusal value-unknown if the measure is none
   */
  public LoadSpec spec(LoadRequest request, StoredSheet sheet, String fileName) {
    Rules rules = companyRules.current();
    return new LoadSpec(
        request.kind(),
        request.kind() == LoadKind.GOALS || request.kind() == LoadKind.ACTUALS
            ? request.axis()
            : null,
        request.measure() == null ? null : measure(request.measure(), rules),
        rules.measures(),
        rules.calendar(),
        request.fiscalYear() == null ? fiscalYear(fileName, rules) : request.fiscalYear(),
        request.columns(),
        sheet.isCommaGrouping(),
        rules.company().writing(),
        snapshot(request, rules));
  }

  private static LoadSpec.@Nullable Snapshot snapshot(LoadRequest request, Rules rules) {
    LocalDate asOf = request.snapshot() == null ? null : request.snapshot().asOf();
    return request.kind() != LoadKind.DEALS || asOf == null
        ? null
        : new LoadSpec.Snapshot(asOf, rules.company().likelihoods());
  }

  /** A snapshot's day is not that of an earlier file; a file's name may say it. */
  private LoadRequest asOf(LoadRequest request, String fileName) {
    if (request.kind() != LoadKind.DEALS) {
      return request.withSnapshot(null);
    }
    String source = request.snapshot() == null ? "" : request.snapshot().source();
    return request.withSnapshot(new LoadRequest.Snapshot(dayIn(fileName), source));
  }

  /** The day in a file's name, such as deals-2026-11-20.csv; null where it has none. */
  private static @Nullable LocalDate dayIn(String fileName) {
    Matcher day = DAY.matcher(fileName);
    try {
      return day.find()
          ? LocalDate.of(
              Integer.parseInt(day.group(1)),
              Integer.parseInt(day.group(2)),
              Integer.parseInt(day.group(3)))
          : null;
    } catch (DateTimeException noSuchDay) {
      return null;
    }
  }

  /** The fiscal year in a file's name, such as FY27, else today's. */
  public int fiscalYear(String fileName, Rules rules) {
    Matcher year = FISCAL_YEAR.matcher(fileName);
    if (year.find()) {
      int number = Integer.parseInt(year.group(1));
      return number < 100 ? 2000 + number : number;
    }
    return rules.calendar().year(YearMonth.from(LocalDate.now(clock)));
  }

  private static Measure measure(String code, Rules rules) {
    List<String> codes = rules.measures().stream().map(Measure::code).toList();
    return rules
        .findMeasure(code)
        .orElseThrow(
            () ->
                Refusal.of("value-unknown", UploadWords.isNotMeasureOfRules(code))
                    .with("name", "measure")
                    .with("allowed", codes));
  }
}
