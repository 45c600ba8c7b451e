package zealoustarget.core.insight;

import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.insight.Insight.Kind;
import zealoustarget.core.insight.Insight.Show;
import zealoustarget.core.ledger.Breakdown;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;

/**
 * Finds what is worth saying about a standing beside its headline, at most five sentences. Each
 * states figures of the rows as they are spoken of and nothing else: of a running month those to
 * date, of months without a goal none. An empty span has nothing worth saying.
 */
public final class Insights {
  private static final int MOST = 5;
  private static final int MOST_NAMED = 3;
  private static final int MOST_TAKEN_APART = 5;
  private static final int SHORTEST_RUN = 3;
  private static final int LONGEST_RUN = 12;
  private static final Ratio TELLING_PART = Ratio.of(1, 4);
  private static final Ratio NEAR = Ratio.of(1, 100);
  private static final Ratio TELLING_FALL = Ratio.of(-1, 10);

  private final Ledger ledger;
  private final StandingQuery query;
  private final Standing whole;
  private final Standing standing;
  private final String goalWords;
  private final Figures figures;
  private final List<Insight> found = new ArrayList<>();

  private Insights(
      Ledger ledger, StandingQuery query, Standing standing, String goalWords, Figures figures) {
    this.ledger = ledger;
    this.query = query;
    this.whole = standing;
    this.standing = standing.asSpoken();
    this.goalWords = goalWords;
    this.figures = figures;
  }

  /**
   * The sentences, the most telling first.
   *
   * @param standing the query's
   * @param goalWords how a sentence calls the goal, such as "quota"
   * @param reasons the noted reasons, the largest first
   * @param figures how amounts are written
   */
  public static List<Insight> of(
      Ledger ledger,
      StandingQuery query,
      Standing standing,
      String goalWords,
      List<ReasonShare> reasons,
      Figures figures) {
    if (standing.total().status().noReading() == NoReading.EMPTY) {
      return List.of();
    }
    Insights insights = new Insights(ledger, query, standing, goalWords, figures);
    insights.part();
    insights.holders();
    insights.run();
    insights.outside();
    insights.landing();
    insights.reason(reasons);
    insights.nearMiss();
    insights.fall();
    insights.noGoal();
    return insights.found.stream().sorted(Comparator.comparing(Insight::kind)).limit(MOST).toList();
  }

  /** Of the members with the largest misses the one of which a single part is most. */
  private void part() {
    if (query.measure().direction() == Direction.NEAREST || query.measure().isRate()) {
      return;
    }
    List<Row> worst =
        standing.rows().stream()
            .filter(row -> miss(row).signum() > 0)
            .sorted(
                Comparator.comparing(Insights::miss)
                    .reversed()
                    .thenComparing(row -> row.member().key()))
            .limit(MOST_TAKEN_APART)
            .toList();
    Telling telling = null;
    for (Row row : worst) {
      for (Axis along : partAxes()) {
        Telling found = telling(row, along);
        if (found != null && (telling == null || found.share().compareTo(telling.share()) > 0)) {
          telling = found;
        }
      }
    }
    if (telling != null && telling.share().compareTo(TELLING_PART) >= 0) {
      say(telling);
    }
  }

  /** The largest part of a member's miss, as a share of it. */
  private record Telling(Row row, Axis along, Breakdown.Part part, Ratio share) {}

  private @Nullable Telling telling(Row row, Axis along) {
    Breakdown parts = Breakdown.of(ledger, query, row.member().id(), along);
    if (parts == null || parts.parts().size() < 2) {
      return null;
    }
    return parts.parts().stream()
        .filter(part -> part.member().id() >= 0)
        .min(Comparator.comparing(Breakdown.Part::favourable))
        .map(
            part -> new Telling(row, along, part, part.favourable().negated().dividedBy(miss(row))))
        .orElse(null);
  }

  private List<Axis> partAxes() {
    return query.axis() == Axis.PRODUCT || query.axis() == Axis.LINE
        ? List.of(Axis.REGION, Axis.REP)
        : List.of(Axis.LINE, Axis.PRODUCT);
  }

  private void say(Telling telling) {
    Row row = telling.row();
    String owner = row.member().name() + (row.member().name().endsWith("s") ? "’" : "’s");
    String name = Figures.capital(telling.part().member().name());
    Show show = new Show(List.of(), row.member().key(), telling.along(), null);
    if (telling.share().compareTo(Ratio.ONE) <= 0) {
      String percent = figures.share(telling.share());
      say(Kind.PART, name + " is " + percent + " % of " + owner + " miss.", show, percent);
    } else {
      String amount = amount(telling.part().favourable().abs());
      String whole = amount(miss(row));
      say(
          Kind.PART,
          name + " alone misses by " + amount + ", more than " + owner + " whole " + whole + ".",
          show,
          amount,
          whole);
    }
  }

  private void holders() {
    List<Row> shortRows = standing.shortRows();
    int holders = standing.shortfallHolders();
    if (query.axis() == Axis.COMPANY
        || query.measure().isRate()
        || holders == shortRows.size()
        || shortRows.size() < 2) {
      return;
    }
    List<Row> few = shortRows.subList(0, holders);
    Ratio held = few.stream().map(Standing::shortfall).reduce(Ratio.ZERO, Ratio::plus);
    String percent = figures.share(held.dividedBy(standing.sumOfShortfalls()));
    String who =
        holders <= MOST_NAMED
            ? names(few)
            : Figures.capital(figures.number(holders))
                + " of "
                + figures.number(shortRows.size())
                + " "
                + query.axis().word(shortRows.size());
    say(
        Kind.HOLDERS,
        who
            + (holders == 1 ? " accounts for " : " account for ")
            + percent
            + " % of the "
            + shortfallWord()
            + ".",
        Show.rows(keys(few)),
        percent);
  }

  /** The longest run of misses that ends with the last complete month, and who has one as long. */
  private void run() {
    YearMonth last = lastComplete();
    if (query.axis() == Axis.COMPANY || standing.membersWithGoal() == 0 || last == null) {
      return;
    }
    Map<Integer, Integer> runs = runs(last);
    int longest = runs.values().stream().mapToInt(run -> run).max().orElse(0);
    if (longest < SHORTEST_RUN) {
      return;
    }
    List<Row> rows =
        standing.rows().stream()
            .filter(row -> runs.getOrDefault(row.member().id(), 0) == longest)
            .toList();
    String who =
        rows.size() <= MOST_NAMED
            ? names(rows)
            : Figures.capital(figures.number(rows.size())) + " " + query.axis().word(rows.size());
    String atLeast = longest == LONGEST_RUN ? "at least " : "";
    String until = last.equals(query.span().toInclusive()) ? "" : ", up to " + SpanWords.name(last);
    say(
        Kind.RUN,
        who
            + " missed "
            + goalWords
            + " "
            + atLeast
            + figures.number(longest)
            + " months in a row"
            + until
            + ".",
        new Show(
            keys(rows),
            rows.size() == 1 ? keys(rows).get(0) : null,
            null,
            Span.ending(last, longest)),
        Integer.toString(longest));
  }

  /** The last month of the span that has actuals and is not running; null where none is. */
  private @Nullable YearMonth lastComplete() {
    List<YearMonth> empty = ledger.emptyMonths(query.measure(), query.span());
    return query.span().months().stream()
        .filter(month -> !empty.contains(month))
        .filter(month -> !isRunning() || !month.equals(query.span().toInclusive()))
        .reduce((first, second) -> second)
        .or(
            () ->
                isRunning()
                    ? Optional.of(query.span().fromInclusive().minusMonths(1))
                    : Optional.empty())
        .orElse(null);
  }

  private boolean isRunning() {
    return !query.atPace()
        && query.days() != null
        && query.days().elapsed() < query.days().workingDays();
  }

  private Map<Integer, Integer> runs(YearMonth last) {
    Map<Integer, Integer> runs = new HashMap<>();
    Set<Integer> going = new HashSet<>();
    standing.rows().forEach(row -> going.add(row.member().id()));
    for (int back = 0; back < LONGEST_RUN && !going.isEmpty(); back++) {
      Span month = Span.of(last.minusMonths(back));
      Set<Integer> missed = new HashSet<>();
      for (Row row : ledger.standing(query.withSpan(month).withNarrowing(Narrowing.NONE)).rows()) {
        boolean isJudged = row.status().noReading() != NoReading.EMPTY;
        if (isJudged && miss(row).signum() > 0) {
          missed.add(row.member().id());
        }
      }
      going.retainAll(missed);
      going.forEach(member -> runs.merge(member, 1, Integer::sum));
    }
    return runs;
  }

  private void outside() {
    List<Row> ranged =
        standing.rows().stream().filter(row -> row.reading().range() != null).toList();
    List<Row> out = ranged.stream().filter(row -> !row.reading().isReached()).toList();
    if (out.isEmpty() || query.axis() == Axis.COMPANY) {
      return;
    }
    int count = out.size();
    say(
        Kind.OUTSIDE,
        Figures.capital(figures.number(count))
            + " of "
            + figures.number(ranged.size())
            + " "
            + query.axis().word(ranged.size())
            + (count == 1 ? " is outside its range." : " are outside their range."),
        Show.rows(keys(out)),
        Integer.toString(count));
  }

  private void landing() {
    Pace outlook = whole.total().outlook();
    Ratio goal = whole.total().reading().goalAmount();
    if (!isRunning() || outlook == null || outlook.landing() == null || goal == null) {
      return;
    }
    Ratio landing = Objects.requireNonNull(outlook.landing());
    Ratio variance = landing.minus(goal);
    String month = SpanWords.name(query.span().toInclusive());
    String lands = amount(whole(landing));
    String how =
        variance.signum() == 0
            ? "exactly on "
            : amount(whole(variance.abs())) + (variance.signum() < 0 ? " under " : " over ");
    say(
        Kind.LANDING,
        "At the pace of "
            + month
            + " the projected actual is "
            + lands
            + ", "
            + how
            + goalWords
            + ".",
        Show.total(),
        lands);
  }

  private void reason(List<ReasonShare> reasons) {
    reasons.stream()
        .filter(share -> share.reason() != null)
        .findFirst()
        .ifPresent(
            share -> {
              String percent = figures.share(share.share());
              say(
                  Kind.REASON,
                  percent + " % of the " + shortfallWord() + ": " + share.reason() + ".",
                  Show.total(),
                  percent);
            });
  }

  private void nearMiss() {
    List<Row> near =
        standing.rows().stream()
            .filter(row -> miss(row).signum() > 0)
            .filter(row -> isNear(row.reading()))
            .toList();
    if (near.size() == 1) {
      String amount = amount(miss(near.get(0)));
      say(
          Kind.NEAR_MISS,
          near.get(0).member().name() + " is " + amount + nearWords() + ".",
          Show.rows(keys(near)),
          amount);
    } else if (near.size() > 1) {
      say(
          Kind.NEAR_MISS,
          Figures.capital(figures.number(near.size()))
              + " "
              + query.axis().word(near.size())
              + " are 1 % or less"
              + nearWords()
              + ".",
          Show.rows(keys(near)),
          Integer.toString(near.size()));
    }
  }

  private String nearWords() {
    boolean isHigher = query.measure().direction() == Direction.HIGHER;
    if (whole.total().spoken().kind() == Standing.Kind.TO_DATE) {
      return isHigher ? " behind pace" : " over pace";
    }
    return switch (query.measure().direction()) {
      case HIGHER -> " short of " + goalWords;
      case LOWER -> " over " + goalWords;
      case NEAREST -> " away from " + goalWords;
    };
  }

  private static boolean isNear(Reading reading) {
    Ratio share = reading.variancePercent();
    return share != null && share.abs().compareTo(NEAR) <= 0;
  }

  private void fall() {
    Row most =
        standing.rows().stream()
            .filter(row -> row.reading().growthOnYear() != null)
            .min(Comparator.comparing(row -> Objects.requireNonNull(row.reading().growthOnYear())))
            .orElse(null);
    Ratio growth = most == null ? null : most.reading().growthOnYear();
    if (most == null
        || growth == null
        || growth.compareTo(TELLING_FALL) > 0
        || query.axis() == Axis.COMPANY
        || isRunning() // a part of a month is not compared with a whole one
        || query.measure().direction() != Direction.HIGHER) {
      return;
    }
    String percent = figures.share(growth.abs());
    say(
        Kind.FALL,
        most.member().name() + " has the largest drop on last year, " + percent + " %.",
        Show.rows(List.of(most.member().key())),
        percent);
  }

  private void noGoal() {
    List<Row> without =
        standing.rows().stream()
            .filter(row -> !row.hasGoal())
            .filter(row -> row.reading().actual() != null)
            .toList();
    if (without.isEmpty() || standing.membersWithGoal() == 0 || query.measure().isRate()) {
      return;
    }
    Ratio sum =
        without.stream()
            .map(row -> Objects.requireNonNull(row.reading().actual()))
            .reduce(Ratio.ZERO, Ratio::plus);
    String who =
        without.size() <= MOST_NAMED
            ? names(without)
            : Figures.capital(figures.number(without.size()))
                + " "
                + query.axis().word(without.size());
    String amount = amount(sum);
    say(
        Kind.NO_GOAL,
        who + (without.size() == 1 ? " has" : " have") + " no goal, with " + amount + " posted.",
        Show.rows(keys(without)),
        amount);
  }

  private void say(Kind kind, String text, Show show, String... shares) {
    found.add(new Insight(kind, text.replace(" %", "\u00a0%"), List.of(shares), show));
  }

  private String shortfallWord() {
    return query.measure().direction() == Direction.LOWER ? "overspend" : "shortfall";
  }

  private String amount(Ratio smallestUnits) {
    return figures.amount(smallestUnits, query.measure());
  }

  private static Ratio whole(Ratio amount) {
    return Ratio.parse(amount.rounded(0, RoundingMode.HALF_UP).toPlainString());
  }

  private static Ratio miss(Row row) {
    return Objects.requireNonNullElse(row.reading().miss(), Ratio.ZERO);
  }

  private static List<String> keys(List<Row> rows) {
    return rows.stream().map(row -> row.member().key()).toList();
  }

  /** "A", "A and B", "A, B and C". */
  private static String names(List<Row> rows) {
    List<String> names = rows.stream().map(row -> row.member().name()).toList();
    int last = names.size() - 1;
    String firsts = String.join(", ", IntStream.range(0, last).mapToObj(names::get).toList());
    return firsts.isEmpty() ? names.get(last) : firsts + " and " + names.get(last);
  }
}
