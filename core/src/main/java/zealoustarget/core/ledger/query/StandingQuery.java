package zealoustarget.core.ledger.query;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Pace;

/**
 * What is asked of the ledger.
 *
 * @param axis what the rows are
 * @param span at most {@link #LONGEST_SPAN} months
 * @param ladder what judges them
 * @param days how far the span's last month is, where it is running; null where it is not
 * @param atPace a trial: the span's last month, where it is running, is read as if it ended at its
 *     pace; docs/calculations.md, section 8
 * @param isWhole whether sentences, marks and narrowing speak of the whole goal of a running month
 */
public record StandingQuery(
    Axis axis,
    Measure measure,
    Span span,
    Basis basis,
    Filters filters,
    Ladder ladder,
    Narrowing narrowing,
    Pace.@Nullable Days days,
    boolean isWhole,
    boolean atPace) {
  public static final int LONGEST_SPAN = 128;

  /** Checks the span's length. */
  public StandingQuery {
    if (span.length() > LONGEST_SPAN) {
      throw new IllegalArgumentException(
          "a span may have " + LONGEST_SPAN + " months, was " + span.length());
    }
  }

  public StandingQuery(
      Axis axis, Measure measure, Span span, Basis basis, Filters filters, Ladder ladder) {
    this(axis, measure, span, basis, filters, ladder, Narrowing.NONE, null, false, false);
  }

  /** Another span; how far its last month is, is not known of it. */
  public StandingQuery withSpan(Span other) {
    return new StandingQuery(
        axis,
        measure,
        other,
        basis,
        filters,
        ladder,
        narrowing,
        other.toInclusive().equals(span.toInclusive()) ? days : null,
        isWhole,
        atPace);
  }

  public StandingQuery withAxis(Axis other) {
    return new StandingQuery(
        other, measure, span, basis, filters, ladder, Narrowing.NONE, days, isWhole, atPace);
  }

  /** The same of a measure as other rules have it. */
  public StandingQuery withMeasure(Measure other) {
    return new StandingQuery(
        axis, other, span, basis, filters, ladder, narrowing, days, isWhole, atPace);
  }

  public StandingQuery withFilters(Filters other) {
    return new StandingQuery(
        axis, measure, span, basis, other, ladder, narrowing, days, isWhole, atPace);
  }

  public StandingQuery withBasis(Basis other, Ladder judging) {
    return new StandingQuery(
        axis, measure, span, other, filters, judging, narrowing, days, isWhole, atPace);
  }

  public StandingQuery withLadder(Ladder other) {
    return new StandingQuery(
        axis, measure, span, basis, filters, other, narrowing, days, isWhole, atPace);
  }

  public StandingQuery withNarrowing(Narrowing other) {
    return new StandingQuery(
        axis, measure, span, basis, filters, ladder, other, days, isWhole, atPace);
  }

  /** The same, read on a day of the span's last month. */
  public StandingQuery withDays(Pace.@Nullable Days other) {
    return new StandingQuery(
        axis, measure, span, basis, filters, ladder, narrowing, other, isWhole, atPace);
  }

  /** The same, spoken of against the whole goal or not. */
  public StandingQuery withWhole(boolean other) {
    return new StandingQuery(
        axis, measure, span, basis, filters, ladder, narrowing, days, other, atPace);
  }

  /** The same with a running month read as if it ended at its pace, or not. */
  public StandingQuery withAtPace(boolean other) {
    return new StandingQuery(
        axis, measure, span, basis, filters, ladder, narrowing, days, isWhole, other);
  }
}
