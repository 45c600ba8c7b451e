package zealoustarget.core.intake;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.member.Axis;

/**
 * How a file is to be read.
 *
 * @param axis whose goals the file brings; for actuals, whose goals stand beside them, or null
 * @param wideMeasure what the month columns of a wide file count; null where none was given
 * @param measures all measures of the company
 * @param calendar for goals given by fiscal year, and periods
 * @param fiscalYear which year's periods the file means where it has no column for it
 * @param columns rules by their header, case apart; a column without a title goes by "column 3"
 * @param isCommaGrouping whether a lone comma before three digits may be taken for thousands, as in
 *     files that do not separate by semicolon
 * @param writing decides what a column leaves open, where the company has set it
 * @param snapshot of a file of deals; null for others
 */
public record LoadSpec(
    LoadKind kind,
    @Nullable Axis axis,
    @Nullable Measure wideMeasure,
    List<Measure> measures,
    FiscalCalendar calendar,
    int fiscalYear,
    Map<String, ColumnRule> columns,
    boolean isCommaGrouping,
    Writing writing,
    @Nullable Snapshot snapshot) {
  /**
   * What a file of deals does not say itself.
   *
   * @param asOf the day as of which its source knew them
   * @param stages how likely deals of a stage are by the company's own rules, of {@link
   *     zealoustarget.core.outlook.Deal#CERTAIN}; by the stage's word, folded
   */
  public record Snapshot(LocalDate asOf, Map<String, Integer> stages) {
    /** Keeps its own copy of the stages. */
    public Snapshot {
      stages = Map.copyOf(stages);
    }
  }

  /** How a file that is no snapshot of deals is to be read. */
  public LoadSpec(
      LoadKind kind,
      @Nullable Axis axis,
      @Nullable Measure wideMeasure,
      List<Measure> measures,
      FiscalCalendar calendar,
      int fiscalYear,
      Map<String, ColumnRule> columns,
      boolean isCommaGrouping,
      Writing writing) {
    this(
        kind,
        axis,
        wideMeasure,
        measures,
        calendar,
        fiscalYear,
        columns,
        isCommaGrouping,
        writing,
        null);
  }

  /**
   * The measures that a file of this kind can have columns of: no rates among actuals, as they are
   * computed; for goals also both ends of ranges; of deals those of which more is better.
   */
  public List<Measure> readable() {
    return switch (kind) {
      case GOALS -> measures.stream().flatMap(m -> Stream.of(m, m.lowEnd(), m.highEnd())).toList();
      case ACTUALS -> measures.stream().filter(measure -> !measure.isRate()).toList();
      case DEALS ->
          measures.stream()
              .filter(measure -> !measure.isRate() && measure.direction() == Direction.HIGHER)
              .toList();
      case ROSTER, PRODUCTS -> List.of();
    };
  }

  /** An amount as a finding says it. */
  public String shown(Measure measure, long smallestUnits) {
    return writing.inWords(measure.text(smallestUnits));
  }

  /** Whether the kind has columns of amounts. */
  public boolean hasAmounts() {
    return kind == LoadKind.ACTUALS || kind == LoadKind.GOALS || kind == LoadKind.DEALS;
  }

  /** Whether goals may stand beside the actuals. */
  public boolean hasGoalsBeside() {
    return kind == LoadKind.ACTUALS && axis != null;
  }

  /** The same with names that were guessed for columns which have none yet. */
  public LoadSpec withGuesses(Map<String, String> targets) {
    Map<String, ColumnRule> all = new HashMap<>(columns);
    targets.forEach(
        (title, target) ->
            all.put(title, columns.getOrDefault(title, ColumnRule.AUTO).guessed(target)));
    return new LoadSpec(
        kind,
        axis,
        wideMeasure,
        measures,
        calendar,
        fiscalYear,
        all,
        isCommaGrouping,
        writing,
        snapshot);
  }
}
