package zealoustarget.core.ledger;

import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.ledger.sums.Places;
import zealoustarget.core.ledger.sums.SpanSums;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.spread.Spread;

/**
 * What a variance is made of along another axis; the parts add to exactly the whole. Defined in
 * docs/calculations.md, section 3.
 *
 * @param split how the goal came to the parts
 * @param whole variance of the member or total, smallest units
 * @param parts in the order of their keys, what names no member of the axis last
 */
public record Breakdown(Axis axis, Split split, Ratio whole, List<Part> parts) {
  /** Where the parts' goals come from. */
  public enum Split {
    /** Each part has goals of its own. */
    OWN_GOALS,
    /** The goal spread in proportion to what the parts were a year before. */
    LAST_YEARS_MIX,
    /**
     * The goal spread in proportion to what the parts of everything in scope were a year before.
     */
    WHOLE_MIX,
    /** Of a rate: what each part's numerator is beyond the goal's share of its denominator. */
    RATE_EFFECT
  }

  /**
   * One part.
   *
   * @param variance actual − goal; of a rate its effect on the whole
   * @param favourable the same turned by direction, of the side on which the whole lies
   */
  public record Part(
      Member member,
      @Nullable Ratio actual,
      @Nullable Ratio goal,
      Ratio variance,
      Ratio favourable) {
    private Part plus(Part other) {
      return new Part(
          member,
          sum(actual, other.actual),
          sum(goal, other.goal),
          variance.plus(other.variance),
          favourable.plus(other.favourable));
    }

    private static @Nullable Ratio sum(@Nullable Ratio one, @Nullable Ratio other) {
      return one == null || other == null ? (one == null ? other : one) : one.plus(other);
    }
  }

  /**
   * Takes a member's variance apart, or the total's: the one that is spoken of, so of a running
   * month the one to date, and where not all months have a goal that of the months with one.
   *
   * @param member id on the query's axis, or null for everything in scope
   * @return null where there is no goal, where the actual lies inside its range, or where nothing
   *     says how the goal would be split
   */
  public static @Nullable Breakdown of(
      Ledger ledger, StandingQuery query, @Nullable Integer member, Axis along) {
    Standing.Judged spoken =
        (member == null ? ledger.total(query) : ledger.reading(query, member)).spoken();
    if (spoken.kind() == Standing.Kind.COMPARABLE) {
      return ofMonths(ledger, query, member, along);
    }
    Reading reading = spoken.reading();
    Ratio variance = reading.variance();
    if (variance == null || (reading.range() != null && variance.signum() == 0)) {
      return null;
    }
    Filters inside = member == null ? query.filters() : query.filters().and(query.axis(), member);
    return new Taker(ledger, query, member, along, inside, reading).take(variance);
  }

  /** Of the months that have a goal: as one span where they follow each other, else added up. */
  private static @Nullable Breakdown ofMonths(
      Ledger ledger, StandingQuery query, @Nullable Integer member, Axis along) {
    List<YearMonth> with =
        query.span().months().stream()
            .filter(
                month -> {
                  StandingQuery one = query.withSpan(Span.of(month));
                  return (member == null ? ledger.total(one) : ledger.reading(one, member))
                      .hasGoal();
                })
            .toList();
    Span span = new Span(with.get(0), with.get(with.size() - 1));
    if (span.length() == with.size()) {
      return of(ledger, query.withSpan(span), member, along);
    }
    if (query.measure().isRate() || ledger.isRange(query.basis(), query.measure().code())) {
      return null; // neither rates nor distances to a range add up
    }
    Breakdown sum = null;
    for (YearMonth month : with) {
      Breakdown one = of(ledger, query.withSpan(Span.of(month)), member, along);
      if (one == null) {
        return null;
      }
      sum = sum == null ? one : sum.plus(one);
    }
    return sum;
  }

  private Breakdown plus(Breakdown other) {
    Map<Member, Part> sums = new LinkedHashMap<>();
    Stream.concat(parts.stream(), other.parts.stream())
        .forEach(part -> sums.merge(part.member(), part, Part::plus));
    return new Breakdown(
        axis,
        split.compareTo(other.split) > 0 ? split : other.split,
        whole.plus(other.whole),
        Taker.sorted(new ArrayList<>(sums.values())));
  }

  /** Takes one variance apart. */
  private record Taker(
      Ledger ledger,
      StandingQuery query,
      @Nullable Integer member,
      Axis along,
      Filters inside,
      Reading reading) {

    @Nullable Breakdown take(Ratio variance) {
      StandingQuery parts = query.withAxis(along).withFilters(inside);
      if (query.measure().isRate()) {
        return ofRate(parts, variance);
      }
      boolean isOwn = !(query.basis() instanceof Basis.Set) || hasOwnGoals();
      if (isOwn && reading.range() == null) {
        QueryFigures own =
            new QueryFigures(ledger, parts, new Places.Plain(along, ledger.members(), true));
        return new Breakdown(along, Split.OWN_GOALS, variance, ownParts(own));
      }
      return bySpread(variance);
    }

    private boolean hasOwnGoals() {
      GoalBook book = ledger.goalBook(query.basis());
      return book != null && book.axis() == query.axis() && Filters.isPlaced(book.axis(), along);
    }

    private List<Part> ownParts(QueryFigures figures) {
      List<Part> parts = new ArrayList<>();
      for (int place = -1; place < figures.places(); place++) {
        if (figures.hasRow(place)) {
          Standing.Unjudged read = figures.read(memberAt(place), place);
          boolean isToDate = !query.isWhole() && read.toDate() != null;
          Reading part = isToDate ? Objects.requireNonNull(read.toDate()) : read.reading();
          Ratio goal = part.goalAmount();
          Ratio actual = Objects.requireNonNull(part.actual());
          parts.add(
              part(memberAt(place), actual, goal, goal == null ? actual : actual.minus(goal)));
        }
      }
      return sorted(parts);
    }

    /** Splits the goal, or the end of a range that was missed, by a year-before mix. */
    private @Nullable Breakdown bySpread(Ratio variance) {
      Ratio goal = Objects.requireNonNull(reading.actual()).minus(variance);
      StandingQuery own = query.withAxis(along).withFilters(inside);
      StandingQuery all = query.withAxis(along);
      Places places = new Places.Plain(along, ledger.members());
      SpanSums actual = ledger.sums(own, own.span(), places);
      List<Integer> taken = new ArrayList<>();
      List<Long> weights = weights(own, places);
      Split split = Split.LAST_YEARS_MIX;
      if (isZero(weights)) {
        weights = weights(all, places);
        split = Split.WHOLE_MIX;
      }
      if (isZero(weights)) {
        return null;
      }
      List<Integer> order = order(places);
      List<Long> ordered = new ArrayList<>();
      for (int place : order) {
        long weight = weights.get(place + 1);
        if (weight > 0 || actual.has(place)) {
          taken.add(place);
          ordered.add(weight);
        }
      }
      // a goal to date has parts of a cent: they go to the part with the largest weight
      Ratio whole = Ratio.parse(goal.rounded(0, RoundingMode.DOWN).toPlainString());
      List<Long> goals = Spread.byWeights(whole.over().longValueExact(), ordered);
      int largest = ordered.indexOf(Collections.max(ordered));
      List<Part> parts = new ArrayList<>();
      for (int at = 0; at < taken.size(); at++) {
        int place = taken.get(at);
        Ratio sold = sold(actual, place);
        Ratio share = Ratio.of(goals.get(at));
        share = at == largest ? share.plus(goal.minus(whole)) : share;
        parts.add(part(memberAt(place), sold, share, sold.minus(share)));
      }
      return new Breakdown(along, split, variance, parts);
    }

    /** A place's actual, on trial as if a running month ended at its pace. */
    private Ratio sold(SpanSums actual, int place) {
      Ratio sold = Objects.requireNonNull(actual.actual(place));
      Pace.Days days = query.days();
      if (!query.atPace() || days == null) {
        return sold;
      }
      Ratio open = Ratio.of(actual.inMonth(place, query.span().length() - 1));
      return Pace.atEnd(sold, days, open);
    }

    /** What each place was a year before, nothing where that was below 0; by place + 1. */
    private List<Long> weights(StandingQuery of, Places places) {
      SpanSums before = ledger.sums(of, of.span().yearBefore(), places);
      List<Long> weights = new ArrayList<>();
      for (int place = -1; place < places.size(); place++) {
        Ratio was = before.orNull(place);
        weights.add(was == null ? 0 : Math.max(0, was.over().longValueExact()));
      }
      return weights;
    }

    private static boolean isZero(List<Long> weights) {
      return weights.stream().allMatch(weight -> weight == 0);
    }

    private List<Integer> order(Places places) {
      List<Integer> order = new ArrayList<>();
      for (int place = -1; place < places.size(); place++) {
        order.add(place);
      }
      order.sort(
          Comparator.comparing((Integer place) -> place < 0)
              .thenComparing(place -> memberAt(place).key()));
      return order;
    }

    /** Each part's effect: (numerator − goal × denominator) ÷ the whole's denominator. */
    private @Nullable Breakdown ofRate(StandingQuery of, Ratio variance) {
      Ratio goal = Objects.requireNonNull(reading.actual()).minus(variance);
      Measure.Quotient quotient = Objects.requireNonNull(query.measure().quotient());
      Places places = new Places.Plain(along, ledger.members());
      SpanSums sums = ledger.sums(of, of.span(), places);
      Ratio overUnit = quotient.over().unitsPerOne();
      Ratio underUnit = quotient.under().unitsPerOne();
      Ratio whole = Ratio.ZERO;
      for (int place = -1; place < places.size(); place++) {
        whole = whole.plus(sums.sum().add(place).under().dividedBy(underUnit));
      }
      List<Part> parts = new ArrayList<>();
      for (int place = -1; place < places.size(); place++) {
        if (sums.has(place)) {
          SpanSums.Sum one = sums.sum().add(place);
          Ratio over = one.over().dividedBy(overUnit).times(query.measure().unitsPerOne());
          Ratio under = one.under().dividedBy(underUnit);
          Ratio effect = over.minus(goal.times(under)).dividedBy(whole);
          parts.add(part(memberAt(place), one.actual(), null, effect));
        }
      }
      return new Breakdown(along, Split.RATE_EFFECT, variance, sorted(parts));
    }

    private Part part(Member of, @Nullable Ratio actual, @Nullable Ratio goal, Ratio variance) {
      Ratio whole = Objects.requireNonNull(reading.variance());
      Direction direction = query.measure().direction();
      boolean isDistance = direction == Direction.NEAREST || reading.range() != null;
      boolean isTurned = isDistance ? whole.signum() > 0 : direction == Direction.LOWER;
      return new Part(of, actual, goal, variance, isTurned ? variance.negated() : variance);
    }

    private Member memberAt(int place) {
      return place < 0
          ? new Member(Members.NONE, "", "No " + along.word())
          : ledger.members().get(along, place);
    }

    private static List<Part> sorted(List<Part> parts) {
      parts.sort(
          Comparator.comparing((Part part) -> part.member().id() < 0)
              .thenComparing(part -> part.member().key()));
      return parts;
    }
  }
}
