package zealoustarget.server.closing;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.close.Arrivals;
import zealoustarget.core.close.SourceRhythm;
import zealoustarget.core.ledger.LateSources;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.member.Axis;
import zealoustarget.server.intake.load.MonthLoads;
import zealoustarget.server.intake.load.MonthLoads.MonthLoad;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.SourceRhythms;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.rules.RulesService;

/** When each source's lines came, and whose are missing; docs/calculations.md, section 11. */
@Component
class SourceArrivals {
  private static final int MONTHS_BEFORE = 3;
  private static final int MONTHS_SHOWN = 12;
  private static final int MOST_SOURCES = 60;
  private static final int QUARTER = 3;

  private final LedgerService ledgers;
  private final MonthLoads loads;
  private final SourceRhythms rhythms;
  private final RulesService companyRules;
  private final CompanyClock clock;

  SourceArrivals(
      LedgerService ledgers,
      MonthLoads loads,
      SourceRhythms rhythms,
      RulesService companyRules,
      CompanyClock clock) {
    this.ledgers = ledgers;
    this.loads = loads;
    this.rhythms = rhythms;
    this.companyRules = companyRules;
    this.clock = clock;
  }

  /** Sources of a month, those that are missing first, then by name. */
  List<CloseAnswer.Source> of(YearMonth month) {
    Ledger posted = ledgers.posted();
    Map<Integer, MonthLoad> byId = new HashMap<>();
    Map<Integer, String> sourceOf = new HashMap<>();
    Map<String, String> names = new HashMap<>();
    for (MonthLoad load : inOrder()) {
      if (load.source() != null) {
        byId.put(load.id(), load);
        sourceOf.put(load.id(), load.source());
        names.put(load.source(), load.file());
      }
    }
    LocalDate today = LocalDate.now(clock);
    int number = Months.number(month);
    Set<String> missing = LateSources.of(posted, sourceOf, number).loads().keySet();
    List<CloseAnswer.Source> sources = new ArrayList<>();
    Arrivals.of(posted.blocks(), sourceOf::get, id -> day(byId.get(id)))
        .forEach(
            (source, arrivals) -> {
              if (isOfLate(arrivals, number)) {
                sources.add(source(source, name(source, names), arrivals, missing, month, today));
              }
            });
    sources.sort(Comparator.comparing(CloseAnswer.Source::name));
    return sources.stream().limit(MOST_SOURCES).toList();
  }

  /** Posted loads in the order in which they came. */
  private List<MonthLoad> inOrder() {
    return loads.posted().stream().sorted(Comparator.comparing(MonthLoad::cameAt)).toList();
  }

  /** Members whose lines of a month wait for a source that is late; none of a month without any. */
  Set<Integer> waiting(Axis axis, Measure measure, YearMonth month) {
    Ledger posted = ledgers.posted();
    if (posted.emptyMonths(measure, Span.of(month)).contains(month)) {
      return Set.of();
    }
    Map<Integer, String> monthly = new HashMap<>();
    for (MonthLoad load : loads.posted()) {
      if (load.source() != null && rhythms.of(load.source()) == SourceRhythm.MONTHLY) {
        monthly.put(load.id(), load.source());
      }
    }
    int number = Months.number(month);
    return LateSources.of(posted, monthly, number).waiting(posted, axis, measure, number).keySet();
  }

  /** Sources that brought nothing for a year are history. */
  private static boolean isOfLate(Arrivals arrivals, int month) {
    return !arrivals.days().subMap(month - MONTHS_SHOWN, true, month, true).isEmpty();
  }

  private @Nullable LocalDate day(@Nullable MonthLoad load) {
    return load == null ? null : load.cameAt().atZone(clock.getZone()).toLocalDate();
  }

  /** A pulled system by its name, files by the last one's. */
  private static String name(String source, Map<String, String> lastFiles) {
    return source.startsWith("pull: ")
        ? source.substring("pull: ".length())
        : lastFiles.getOrDefault(source, source);
  }

  private CloseAnswer.Source source(
      String source,
      String name,
      Arrivals arrivals,
      Set<String> missing,
      YearMonth month,
      LocalDate today) {
    SourceRhythm rhythm = rhythms.of(source);
    int number = Months.number(month);
    List<CloseAnswer.Arrival> months =
        IntStream.rangeClosed(number - MONTHS_SHOWN + 1, number)
            .mapToObj(
                one ->
                    arrival(
                        arrivals,
                        one,
                        today,
                        one == number
                            ? isExpected(rhythm, arrivals, number, missing.contains(source))
                            : false))
            .toList();
    CloseAnswer.Arrival last = months.get(months.size() - 1);
    int behind = arrivals.behind(number, today).orElse(0);
    return new CloseAnswer.Source(
        source,
        name,
        source.replaceFirst("^(columns|pull): ", ""),
        rhythm.word(),
        last.isLate(),
        CloseWords.arrival(last, behind, arrivals.usualDay(number).isPresent()),
        months);
  }

  private boolean isExpected(
      SourceRhythm rhythm, Arrivals arrivals, int number, boolean isFollowingAndMissing) {
    YearMonth month = Months.of(number);
    var calendar = companyRules.current().calendar();
    boolean isQuarterEnd = calendar.quarter(month) != calendar.quarter(month.plusMonths(1));
    return rhythm.expects(
        isFollowingAndMissing, isQuarterEnd, arrivals.days().containsKey(number - QUARTER));
  }

  private static CloseAnswer.Arrival arrival(
      Arrivals arrivals, int number, LocalDate today, boolean isExpected) {
    Integer came = arrivals.days().get(number);
    OptionalInt usual = arrivals.usualDay(number);
    boolean isDue = came == null && isExpected;
    boolean isLate =
        (came != null || isDue)
            && arrivals.behind(number, today).orElse(Integer.MIN_VALUE) > Arrivals.GRACE;
    return new CloseAnswer.Arrival(
        Months.of(number).toString(),
        usual.isPresent() ? usual.getAsInt() : null,
        came,
        came == null ? null : Months.of(number).atEndOfMonth().plusDays(came).toString(),
        isLate,
        isDue);
  }

  /** Sources whose lines of a month are expected: those that came, and those that are missing. */
  static boolean isExpected(CloseAnswer.Source source) {
    List<CloseAnswer.Arrival> months = source.months();
    CloseAnswer.Arrival last = months.get(months.size() - 1);
    boolean isFollowing =
        months.subList(months.size() - 1 - MONTHS_BEFORE, months.size() - 1).stream()
            .map(CloseAnswer.Arrival::came)
            .allMatch(Objects::nonNull);
    return last.isDue() || (last.came() != null && isFollowing);
  }

  static boolean isMissing(CloseAnswer.Source source) {
    return source.months().get(source.months().size() - 1).isDue();
  }
}
