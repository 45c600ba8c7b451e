package zealoustarget.core.intake.header;

import java.util.List;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.intake.values.NumberText;
import zealoustarget.core.member.Axis;

/**
 * What a whole column of a file shows of itself, whatever it is called.
 *
 * @param filled cells that are not blank
 * @param numbers how many of the cells looked at are numbers
 * @param dates how many of the cells looked at are dates or months
 * @param looked how many filled cells were looked at, the first 200
 * @param hasPoints whether a decimal point is certain somewhere in the column
 * @param hasCommas whether a decimal comma is certain somewhere in the column
 * @param hasDayFirst whether some date can only be read with the day first
 * @param hasMonthFirst whether some date can only be read with the month first
 * @param hasOtherDates whether some filled cell is no date of two numbers and a year
 * @param samples the first distinct values, at most 60
 */
public record ColumnProfile(
    int filled,
    int numbers,
    int dates,
    int looked,
    boolean hasPoints,
    boolean hasCommas,
    boolean hasDayFirst,
    boolean hasMonthFirst,
    boolean hasOtherDates,
    List<String> samples) {
  /** A column of which nothing is known. */
  public static final ColumnProfile NONE =
      new ColumnProfile(0, 0, 0, 0, false, false, false, false, true, List.of());

  public static final int MOST_SAMPLES = 60;
  private static final int ENOUGH = 6;
  private static final int MOSTLY = 8;
  private static final int OF = 10;

  /** Whether eight in ten of the cells looked at are numbers. */
  public boolean holdsNumbers() {
    return looked > 0 && numbers * OF >= looked * MOSTLY;
  }

  /** Whether eight in ten of the cells looked at are dates or months. */
  public boolean holdsDates() {
    return looked > 0 && dates * OF >= looked * MOSTLY;
  }

  /** Whether at least six in ten of the values are keys or names of known members. */
  boolean holdsMembers(Axis axis, Directory directory) {
    long known = samples.stream().filter(sample -> directory.isKnown(axis, sample)).count();
    return !samples.isEmpty() && known * OF >= (long) samples.size() * ENOUGH;
  }

  /** Whether the cells are text of which none comes twice, as keys and names are. */
  boolean holdsDistinctText() {
    return looked > 1
        && !holdsNumbers()
        && !holdsDates()
        && filled == looked
        && samples.size() == Math.min(filled, MOST_SAMPLES);
  }

  /** Whether at least half of the cells looked at are numbers. */
  boolean mayHoldNumbers() {
    return numbers > 0 && numbers * 2 >= looked;
  }

  /** Whether no cell has decimals or a mark. */
  boolean isWhole() {
    return holdsNumbers() && !hasPoints && !hasCommas;
  }

  /** A rule with the decimal mark and the order of dates that the column shows beyond doubt. */
  public ColumnRule settle(ColumnRule rule) {
    ColumnRule.Decimals shown = hasPoints ? ColumnRule.Decimals.POINT : ColumnRule.Decimals.COMMA;
    boolean isAuto = rule.decimals() == ColumnRule.Decimals.AUTO;
    return rule.written(
        isAuto && showsDecimals() ? shown : rule.decimals(),
        switch (dates(rule)) {
          case UNKNOWN -> rule.dates();
          case DAY_FIRST -> ColumnRule.Dates.DAY_FIRST;
          case MONTH_FIRST -> ColumnRule.Dates.MONTH_FIRST;
        });
  }

  /** A rule of an earlier file, without what this column shows beyond doubt by itself. */
  public ColumnRule unlessShown(ColumnRule earlier) {
    ColumnRule.Dates own =
        dates(ColumnRule.AUTO) == DateText.Order.UNKNOWN ? earlier.dates() : ColumnRule.Dates.AUTO;
    return earlier.written(showsDecimals() ? ColumnRule.Decimals.AUTO : earlier.decimals(), own);
  }

  private boolean showsDecimals() {
    return mayHoldNumbers() && hasPoints != hasCommas;
  }

  /** What was said comes first, then what the column shows, then the company's way of writing. */
  public NumberText.Way numbers(ColumnRule rule, boolean isCommaGrouping, Writing writing) {
    return new NumberText.Way(
        hasPoints,
        hasCommas,
        isCommaGrouping,
        rule.decimals(),
        writing.decimal(),
        rule.powerOfTen());
  }

  /** As {@link #dates(ColumnRule)}; the company's order where the column leaves it open. */
  public DateText.Order dates(ColumnRule rule, Writing writing) {
    DateText.Order shown = dates(rule);
    boolean isOpen = shown == DateText.Order.UNKNOWN && hasDayFirst == hasMonthFirst;
    if (!isOpen || writing.dates() == null || hasDayFirst) {
      return shown;
    }
    return switch (writing.dates()) {
      case DMY -> DateText.Order.DAY_FIRST;
      case MDY -> DateText.Order.MONTH_FIRST;
      case YMD -> shown;
    };
  }

  /** Known where it was said, or every date has the same form and none contradicts. */
  public DateText.Order dates(ColumnRule rule) {
    if (rule.dates() != ColumnRule.Dates.AUTO) {
      return rule.dates() == ColumnRule.Dates.DAY_FIRST
          ? DateText.Order.DAY_FIRST
          : DateText.Order.MONTH_FIRST;
    }
    if (hasOtherDates || hasDayFirst == hasMonthFirst) {
      return DateText.Order.UNKNOWN;
    }
    return hasDayFirst ? DateText.Order.DAY_FIRST : DateText.Order.MONTH_FIRST;
  }
}
