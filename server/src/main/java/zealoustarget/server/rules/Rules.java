package zealoustarget.server.rules;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.reading.Pace;

/**
 * The company's rules in force. Immutable.
 *
 * @param measures by code
 * @param ladders those that replace a default, the later versions last
 */
public record Rules(
    Company company,
    FiscalCalendar calendar,
    WorkingDays workingDays,
    List<Measure> measures,
    List<AttachedLadder> ladders,
    List<AttachedShading> shadings,
    List<AttachedStretches> stretches,
    Commission commission,
    Approval approval) {

  /** How far a month is on a day; null where all its working days are gone. */
  public Pace.@Nullable Days days(YearMonth month, LocalDate asOf) {
    int all = workingDays.in(month);
    int elapsed = workingDays.elapsed(month, asOf);
    return elapsed >= all ? null : new Pace.Days(elapsed, all);
  }

  /** Finds a measure by its code, or an end of its range; case makes no difference. */
  public Optional<Measure> findMeasure(String code) {
    String own = Measure.ownCode(code.strip().toLowerCase(Locale.ROOT));
    return measures.stream()
        .filter(m -> m.code().equalsIgnoreCase(own))
        .findFirst()
        .map(m -> Measure.isEnd(code) ? (Measure.isLowEnd(code) ? m.lowEnd() : m.highEnd()) : m);
  }

  /**
   * The ladder that judges a month: the most closely attached one in its latest version, else the
   * direction's default.
   *
   * @param isRange whether goals are ranges; those are judged by one attached to their set, else by
   *     below, inside, above
   */
  public Ladder ladder(Measure measure, Attachment asked, YearMonth month, boolean isRange) {
    return attached(asked, month, isRange)
        .map(AttachedLadder::ladder)
        .orElseGet(
            () ->
                isRange
                    ? Ladder.ofRange(measure.direction())
                    : Ladder.defaultOf(measure.direction()));
  }

  /** The words for what the deciding ladder is attached to, or that it is the default. */
  public String ladderWords(Measure measure, Attachment asked, YearMonth month, boolean isRange) {
    return attached(asked, month, isRange)
        .map(AttachedLadder::words)
        .orElse(
            RulesWords.defaultInsideRangeIsBest(
                isRange,
                switch (measure.direction()) {
                  case HIGHER -> RulesWords.HIGHER_IS_BETTER;
                  case LOWER -> RulesWords.LOWER_IS_BETTER;
                  case NEAREST -> RulesWords.CLOSEST_TO_GOAL_IS_BEST;
                }));
  }

  private Optional<AttachedLadder> attached(Attachment asked, YearMonth month, boolean isRange) {
    return covering(asked, month, isRange).stream().findFirst();
  }

  /** Ladders that could judge a month, the one that does first; empty where the default does. */
  public List<AttachedLadder> covering(Attachment asked, YearMonth month, boolean isRange) {
    return ladders.stream()
        .filter(one -> one.to().covers(asked) && one.isInForce(month))
        .filter(one -> !isRange || one.to().goalSet() != null)
        .sorted(
            Comparator.comparingInt((AttachedLadder one) -> one.to().closeness())
                .thenComparing(
                    AttachedLadder::since, Comparator.nullsFirst(Comparator.naturalOrder()))
                .reversed())
        .toList();
  }

  /** The stretches that are drawn: the most closely attached ones; none without. */
  public Optional<AttachedStretches> stretches(Attachment asked) {
    return stretches.stream()
        .filter(one -> one.to().covers(asked))
        .max(Comparator.comparingInt(one -> one.to().closeness()));
  }

  /** The full-tone limits that hold: the most closely attached ones, else automatic ones. */
  public Shading shading(Attachment asked) {
    return shadings.stream()
        .filter(one -> one.to().covers(asked))
        .max(Comparator.comparingInt(one -> one.to().closeness()))
        .map(AttachedShading::shading)
        .orElse(Shading.AUTOMATIC);
  }

  public Rules withCompany(Company other) {
    return new Rules(
        other, calendar, workingDays, measures, ladders, shadings, stretches, commission, approval);
  }

  public Rules withCalendar(FiscalCalendar other, WorkingDays days) {
    return new Rules(
        company, other, days, measures, ladders, shadings, stretches, commission, approval);
  }

  /** With a measure added, or replaced where the code is there; rates divide the new one. */
  public Rules withMeasure(Measure measure) {
    List<Measure> all =
        with(measures, known -> known.code().equalsIgnoreCase(measure.code()), measure);
    all.replaceAll(known -> known.isRate() ? dividing(known, measure) : known);
    all.sort(Comparator.comparing(Measure::code));
    return new Rules(
        company,
        calendar,
        workingDays,
        List.copyOf(all),
        ladders,
        shadings,
        stretches,
        commission,
        approval);
  }

  private static Measure dividing(Measure rate, Measure changed) {
    Measure over = Objects.requireNonNull(rate.quotient()).over();
    Measure under = rate.quotient().under();
    return Measure.rate(
        rate.code(),
        over.code().equals(changed.code()) ? changed : over,
        under.code().equals(changed.code()) ? changed : under,
        rate.direction());
  }

  /** With a ladder added, or in place of the versions that it replaces. */
  public Rules withLadder(AttachedLadder ladder) {
    return new Rules(
        company,
        calendar,
        workingDays,
        measures,
        List.copyOf(with(ladders, known -> known.isReplacedBy(ladder), ladder)),
        shadings,
        stretches,
        commission,
        approval);
  }

  /** With limits added, or replaced where some are attached in the same way. */
  public Rules withShading(AttachedShading shading) {
    return new Rules(
        company,
        calendar,
        workingDays,
        measures,
        ladders,
        List.copyOf(with(shadings, known -> known.to().isSame(shading.to()), shading)),
        stretches,
        commission,
        approval);
  }

  /** With stretches added, or replaced where some are attached in the same way. */
  public Rules withStretches(AttachedStretches added) {
    return withStretches(
        List.copyOf(with(stretches, known -> known.to().isSame(added.to()), added)));
  }

  /** The same rules with other stretches in place of all. */
  public Rules withStretches(List<AttachedStretches> others) {
    return new Rules(
        company, calendar, workingDays, measures, ladders, shadings, others, commission, approval);
  }

  /** The same rules with other ladders in place of all. */
  public Rules withLadders(List<AttachedLadder> others) {
    return new Rules(
        company,
        calendar,
        workingDays,
        measures,
        others,
        shadings,
        stretches,
        commission,
        approval);
  }

  public Rules withCommission(Commission other) {
    return new Rules(
        company, calendar, workingDays, measures, ladders, shadings, stretches, other, approval);
  }

  public Rules withApproval(Approval other) {
    return new Rules(
        company, calendar, workingDays, measures, ladders, shadings, stretches, commission, other);
  }

  private static <T> List<T> with(List<T> known, Predicate<T> isReplaced, T added) {
    List<T> all = new ArrayList<>(known);
    all.removeIf(isReplaced);
    all.add(added);
    return all;
  }
}
