package zealoustarget.core.intake;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.member.Axis;

/**
 * How a file is to be read.
 *
 * @param axis whose goals the file brings; null for other kinds
 * @param wideMeasure what the month columns of a wide file count; null where none was given
 * @param measures all measures of the company
 * @param calendar for goals given by fiscal year
 * @param renamed our column name by their header, for headers that are not ours; empty for a column
 *     that is not to be read; case makes no difference
 * @param isCommaGrouping whether a lone comma before three digits may be taken for thousands, as in
 *     files that do not separate by semicolon
 */
public record LoadSpec(
    LoadKind kind,
    @Nullable Axis axis,
    @Nullable Measure wideMeasure,
    List<Measure> measures,
    FiscalCalendar calendar,
    Map<String, String> renamed,
    boolean isCommaGrouping) {}
