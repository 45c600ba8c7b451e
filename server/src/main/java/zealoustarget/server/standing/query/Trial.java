package zealoustarget.server.standing.query;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Pace;

/**
 * What a standing is read by instead of what is in force, without anything being saved;
 * docs/calculations.md, section 8.
 *
 * @param factor what goals are multiplied with; 1 leaves them
 * @param bounds where the statuses begin, one for each but the first; empty leaves them
 * @param atPace whether a running month is read as if it ended at its pace
 */
public record Trial(Ratio factor, List<Ratio> bounds, boolean atPace) {
  /** Nothing is tried. */
  static final Trial NONE = new Trial(Ratio.ONE, List.of(), false);

  /** Thresholds as they were given. */
  public Trial {
    bounds = List.copyOf(bounds);
  }

  public boolean isNone() {
    return equals(NONE);
  }

  /** Thresholds on trial, where as many are in force. */
  Ladder moved(Ladder ladder) {
    return bounds.size() == ladder.rungs().size() - 1 ? ladder.withBounds(bounds) : ladder;
  }

  /** What is tried, in words; a running month's pace only where there is one. */
  public List<String> words(StandingQuery query, Figures figures) {
    List<String> words = new ArrayList<>();
    if (!factor.equals(Ratio.ONE)) {
      words.add(
          query.basis() == Basis.NONE
              ? QueryWords.goalsWithoutEffect(factor.toText())
              : "goals \u00d7 " + factor.toText());
    }
    if (!bounds.isEmpty()) {
      words.add(
          QueryWords.thresholds(
              String.join(
                  ", ", bounds.stream().map(bound -> shown(bound, query, figures)).toList())));
    }
    if (atPace) {
      words.add(pace(query.span().toInclusive(), query.days()));
    }
    return words;
  }

  private static String shown(Ratio bound, StandingQuery query, Figures figures) {
    return query.ladder().scale().isAmount()
        ? figures.grouped(query.measure().text(bound.times(query.measure().unitsPerOne())))
        : bound.times(Ratio.of(100)).toText() + " %";
  }

  /** What a month at its pace is, in words; that it changes nothing where the month is over. */
  public static String pace(YearMonth month, Pace.@Nullable Days days) {
    String name = SpanWords.name(month);
    return days == null
        ? QueryWords.isOver(name)
        : QueryWords.endsAtItsPace(name, days.elapsed(), days.workingDays());
  }

  /** Says of every figure that follows that it is none in force; ends with a blank. */
  public static String sentence(List<String> words) {
    return QueryWords.trialNothingIsSaved(String.join("; ", words));
  }
}
