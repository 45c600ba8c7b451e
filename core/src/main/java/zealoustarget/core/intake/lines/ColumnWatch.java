package zealoustarget.core.intake.lines;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.intake.values.NumberText;

/**
 * Watches every column of a file, line by line, and says in the end what they show. A column whose
 * first 200 filled cells hold no number and no date is not looked at closely any more.
 */
public final class ColumnWatch {
  private static final int LOOKED = 200;
  private static final int LONGEST_SAMPLE = 80;

  /** One column while it is watched. */
  private static final class Column {
    private final Set<String> samples = new LinkedHashSet<>();
    private int filled;
    private int looked;
    private int numbers;
    private int dates;
    private int ordered;
    private boolean hasPoints;
    private boolean hasCommas;
    private boolean hasDayFirst;
    private boolean hasMonthFirst;
    private boolean hasOtherDates;

    void see(String cell) {
      if (cell.isBlank()) {
        return;
      }
      filled++;
      if (samples.size() < ColumnProfile.MOST_SAMPLES) {
        String text = cell.strip();
        samples.add(
            text.length() > LONGEST_SAMPLE ? text.substring(0, LONGEST_SAMPLE) + "…" : text);
      }
      boolean isEarly = looked < LOOKED;
      looked += isEarly ? 1 : 0;
      if (isEarly || numbers > 0) {
        seeNumber(NumberText.hint(cell), isEarly);
      }
      if (isEarly || ordered > 0) {
        seeDate(cell, isEarly);
      }
    }

    private void seeNumber(NumberText.Hint hint, boolean isEarly) {
      numbers += isEarly && hint != NumberText.Hint.NO_NUMBER ? 1 : 0;
      hasPoints |= hint == NumberText.Hint.POINT;
      hasCommas |= hint == NumberText.Hint.COMMA;
    }

    private void seeDate(String cell, boolean isEarly) {
      DateText.Hint hint = DateText.hint(cell);
      hasDayFirst |= hint == DateText.Hint.DAY_FIRST;
      hasMonthFirst |= hint == DateText.Hint.MONTH_FIRST;
      boolean isDate = hint != null || isOtherDate(cell);
      hasOtherDates |= hint == null && isDate;
      if (isEarly) {
        ordered += hint == null ? 0 : 1;
        dates += isDate ? 1 : 0;
      }
    }

    /** A date or month in another form; a word such as the "Total" of a last line is none. */
    private static boolean isOtherDate(String cell) {
      FindingCode fault = DateText.read(cell, DateText.Order.UNKNOWN).fault();
      return fault != FindingCode.DATE_UNREADABLE
          && fault != FindingCode.DATE_MISSING
          && fault != FindingCode.MONTH_OUTSIDE_CALENDAR;
    }

    ColumnProfile profile() {
      return new ColumnProfile(
          filled,
          numbers,
          dates,
          looked,
          hasPoints,
          hasCommas,
          hasDayFirst,
          hasMonthFirst,
          hasOtherDates,
          List.copyOf(samples));
    }
  }

  private final List<Column> columns = new ArrayList<>();

  /** Takes in one line. */
  public void see(List<String> cells) {
    while (columns.size() < cells.size()) {
      columns.add(new Column());
    }
    for (int at = 0; at < cells.size(); at++) {
      columns.get(at).see(cells.get(at));
    }
  }

  /** One profile per column, in their order. */
  public List<ColumnProfile> profiles() {
    return columns.stream().map(Column::profile).toList();
  }
}
