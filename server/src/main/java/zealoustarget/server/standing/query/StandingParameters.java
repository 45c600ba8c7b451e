package zealoustarget.server.standing.query;

import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Span;

/**
 * The query of a standing as it came, one field per parameter; {@link QueryReader} reads it.
 *
 * @param axis default rep
 * @param measure default revenue
 * @param from default the month of {@code to}
 * @param to default the month of {@code from}, or the last one with a posted line
 * @param beside a second basis: {@code set:NAME}, {@code prior-year} or {@code prior-period}
 * @param group axis of the groups that rows stand in
 * @param text part of a name, key or place
 * @param only keys of rows to keep
 * @param status status words to keep
 * @param top how many of the best rows to keep, by {@code by}
 * @param bottom how many of the worst rows to keep, by {@code by}
 * @param by variance (the default), attainment or actual
 * @param missOver rows that miss by more than that, in whole units of the measure
 * @param attainmentFrom least percent-to-goal to keep, as a ratio
 * @param attainmentTo most percent-to-goal to keep, as a ratio
 * @param asOf a day of the span's last month, or {@code none}; default the last posted day where
 *     that month is the last with a posted line
 * @param without a posted load to leave out
 * @param closed {@code as-closed} (the default) or {@code restated}: how closed months are read
 * @param judge {@code whole}: headline, marks and narrowing speak of the whole goal of a running
 *     month, not of the goal to date
 * @param waiting {@code counted}: headline and insights count members in whose file has not come
 * @param atOrAbove least percent-to-goal of members that the summary counts, as a ratio; default 1
 * @param trialFactor a trial: what goals are multiplied with, above 0
 * @param trialThresholds a trial: where the statuses begin instead, one number for each but the
 *     first, ascending, separated by commas; as in {@code rung}
 * @param trialPace {@code end}, a trial: a running month is read as if it ended at its pace
 */
public record StandingParameters(
    String axis,
    @Nullable String measure,
    String from,
    String to,
    @Nullable String goalSet,
    @Nullable String basis,
    @Nullable String factor,
    @Nullable List<String> rep,
    @Nullable List<String> region,
    @Nullable List<String> product,
    @Nullable List<String> line,
    @Nullable List<String> manager,
    @Nullable String beside,
    @Nullable String besideFactor,
    @Nullable String group,
    @Nullable String text,
    @Nullable List<String> only,
    @Nullable List<String> status,
    @Nullable String top,
    @Nullable String bottom,
    @Nullable String by,
    @Nullable String missOver,
    @Nullable String attainmentFrom,
    @Nullable String attainmentTo,
    @Nullable String asOf,
    @Nullable String without,
    @Nullable String closed,
    @Nullable String judge,
    @Nullable String waiting,
    @Nullable String atOrAbove,
    @Nullable String trialFactor,
    @Nullable String trialThresholds,
    @Nullable String trialPace) {

  /** A month of an axis against a goal set, and nothing else. */
  public static StandingParameters of(
      String axis, @Nullable String measure, String month, String goalSet) {
    return plain(axis, measure, month, goalSet, null);
  }

  /** A month of an axis against the same month a year before. */
  public static StandingParameters onLastYear(String axis, String measure, String month) {
    return plain(axis, measure, month, null, "prior-year");
  }

  private static StandingParameters plain(
      String axis,
      @Nullable String measure,
      String month,
      @Nullable String goalSet,
      @Nullable String basis) {
    return new StandingParameters(
        axis, measure, month, month, goalSet, basis, null, null, null, null, null, null, null, null,
        null, null, null, null, null, null, null, null, null, null, null, null, null, null, null,
        null, null, null, null);
  }

  public StandingParameters on(String otherAxis) {
    return changed(otherAxis, from, to, beside, besideFactor, group, asOf, without);
  }

  /** One month against a goal set, all members. */
  public static StandingParameters of(
      String axis, String measure, YearMonth month, String goalSet) {
    return plain(axis, measure, month.toString(), goalSet, null);
  }

  /** Without groups and a second basis. */
  public StandingParameters ungrouped() {
    return changed(axis, from, to, null, null, null, asOf, without);
  }

  /** Of another span; a day is one of the first and not asked for. */
  public StandingParameters in(Span other) {
    String first = other.fromInclusive().toString();
    String last = other.toInclusive().toString();
    return changed(axis, first, last, beside, besideFactor, group, null, without);
  }

  /** As of another day, or of none. */
  public StandingParameters asOfDay(@Nullable String day) {
    return changed(axis, from, to, beside, besideFactor, group, day, without);
  }

  /** Without a posted load. */
  public StandingParameters without(String load) {
    return changed(axis, from, to, beside, besideFactor, group, asOf, load);
  }

  /** The same question but for what the methods above change. */
  private StandingParameters changed(
      String newAxis,
      String newFrom,
      String newTo,
      @Nullable String newBeside,
      @Nullable String newBesideFactor,
      @Nullable String newGroup,
      @Nullable String newAsOf,
      @Nullable String newWithout) {
    return new StandingParameters(
        newAxis,
        measure,
        newFrom,
        newTo,
        goalSet,
        basis,
        factor,
        rep,
        region,
        product,
        line,
        manager,
        newBeside,
        newBesideFactor,
        newGroup,
        text,
        only,
        status,
        top,
        bottom,
        by,
        missOver,
        attainmentFrom,
        attainmentTo,
        newAsOf,
        newWithout,
        closed,
        judge,
        waiting,
        atOrAbove,
        trialFactor,
        trialThresholds,
        trialPace);
  }
}
