package zealoustarget.core.intake;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Everything that can be found about a line or a column, with the sentence that helps. */
public enum FindingCode {
  COLUMN_IGNORED(false, "Column \"{column}\" matches no field and is ignored."),
  COLUMN_GUESSED(false, "Column \"{column}\" is taken as {target}."),
  LINES_ABOVE(false, "Lines above the header are ignored: {count}."),
  ENCODING_GUESSED(false, "The file is not UTF-8; it was read as {encoding}."),
  MACROS_IGNORED(false, "The workbook has macros; they were not run."),
  PERIODS_READ(false, "Period columns were read as the months of fiscal year {year}."),
  AMOUNT_UNREADABLE(true, "\"{value}\" is not an amount. Correct it to a number such as 1234.56."),
  AMOUNT_PERCENT(true, "\"{value}\" is a percentage; {measure} takes an amount."),
  AMOUNT_MISSING(true, "The line has no amount. Enter one, or leave the line out."),
  AMOUNT_TOO_LARGE(true, "\"{value}\" is larger than the largest possible amount ({largest})."),
  AMOUNT_DECIMALS(true, "\"{value}\" has more decimals than {measure} has ({scale})."),
  AMOUNT_AMBIGUOUS(
      true, "\"{value}\" can be read as {first} or {second}. Write it without a thousands mark."),
  OTHER_CURRENCY(false, "\"{value}\" carries the sign of another currency; {unit} was taken."),
  SIGNS_DIFFER(false, "The amount and the quantity have opposite signs."),
  DATE_MISSING(true, "The line has no date. Enter one such as 2026-10-31."),
  DATE_UNREADABLE(true, "\"{value}\" is not a date or a month. Write it as 2026-10-31 or 2026-10."),
  DATE_AMBIGUOUS(true, "\"{value}\" can be {first} or {second}. Write it as 2026-10-31."),
  DAY_DOES_NOT_EXIST(true, "\"{value}\" is a day that does not exist."),
  MONTH_OUTSIDE_CALENDAR(true, "\"{value}\" lies outside the calendar (1990 to 2100)."),
  MONTH_FAR(
      true,
      "{month} is more than 60 months from every posted month and from today. Correct the date, or"
          + " post the months between first."),
  PERIOD_UNREADABLE(true, "\"{value}\" is not a period from 1 to 12."),
  YEAR_UNREADABLE(true, "\"{value}\" is not a fiscal year such as 2027."),
  MEMBER_UNKNOWN(true, "\"{value}\" is not a known {axis}. Load it first, or correct the name."),
  MEMBER_AMBIGUOUS(true, "More than one {axis} is called \"{value}\". Use the ID instead."),
  MEMBER_MISSING(true, "The line has no {axis}."),
  MEMBER_BLANK(false, "The line has no {axis}; it counts in the other views only."),
  NAME_TOO_LONG(true, "\"{value}\" is longer than {most} characters."),
  NAME_UNSEEN(
      true, "\"{value}\" has a character that cannot be seen ({character}). Type it again."),
  NOT_ON_ROSTER(
      false, "\"{value}\" is not on the roster in {month}; no region or manager is known."),
  MEMBER_LEFT(false, "\"{value}\" left in {until}; the line is of {month}."),
  MEMBER_NOT_BEGUN(false, "\"{value}\" begins in {from}; the line is of {month}."),
  MEMBER_LIKE(false, "\"{value}\" is a new {axis}; {known} is spelled nearly the same."),
  UNUSUAL_AMOUNT(false, "{value} is {times} times the usual amount of {member} ({usual})."),
  UNUSUAL_SIGN(false, "{value} is negative; no posted line of {member} is negative."),
  ALREADY_POSTED(false, "Order {value} is already posted with the same product."),
  CELL_COUNT(true, "The line has {found} cells where the header has {expected}."),
  CUT_OFF(true, "A quote that opens here is never closed; the file may be cut off."),
  DUPLICATE_LINE(false, "The line is the same as line {first}."),
  GOAL_TWICE(true, "{member} already has a goal for {month} in line {first}."),
  RANGE_OPEN(true, "The range of {measure} has only one end. Enter both, or neither."),
  RANGE_REVERSED(true, "The range of {measure} runs backwards, from {low} to {high}."),
  STAY_TWICE(true, "{member} already has an assignment from {month} in line {first}."),
  PRODUCT_TWICE(true, "{member} is already in line {first}."),
  UNTIL_BEFORE_FROM(true, "The assignment ends in {until}, before it starts in {from}."),
  MAIL_UNREADABLE(false, "\"{value}\" is not an e-mail address; the line counts without it."),
  DEAL_MISSING(true, "The line has no deal. Enter its ID."),
  DEAL_TWICE(true, "Deal {value} is already in line {first}."),
  AMOUNT_BELOW_ZERO(true, "{value} is below 0; the amount of a deal is 0 or more."),
  LIKELIHOOD_MISSING(true, "The line has no likelihood. Enter one such as 60 %."),
  LIKELIHOOD_UNREADABLE(true, "\"{value}\" is not a likelihood. Write it as 60 % or 0.6."),
  LIKELIHOOD_OUTSIDE(true, "{value} is outside 0 to 100 %."),
  STATE_UNKNOWN(true, "\"{value}\" is not a state. Write open, won or lost."),
  DEAL_OVERDUE(
      false, "Open, and expected in {month}, before the snapshot's month; it counts as overdue."),
  DEALS_GONE(
      false,
      "Deals that were open on {day} are not in this file, and so neither open, won nor lost:"
          + " {count} ({deals}).",
      true),
  SNAPSHOT_OLDER(
      false,
      "A later snapshot of this source, of {day}, is posted; this one will count for earlier days"
          + " only.",
      true),
  REPEATED_HEADER(false, "The line repeats the header and was left out."),
  TOTAL_LINE(false, "The line is a total and was left out."),
  LEFT_OUT(false, "The line was left out by hand."),
  SAME_FILE(false, "The same content is already here as load {load}, {state}."),
  TRAILER_DIFFERS(
      false, "The total line says {given} {measure}, the lines before it add to {found}.", true),
  UNITS_MIXED(
      false,
      "Lines of {measure} are about {here} here, and usually about {usual}. Are they in thousands or"
          + " in cents?",
      true),
  MEMBER_ABSENT(false, "{member} is on the roster in {month} and has no line here.", true),
  GOAL_ABSENT(false, "{member} is on the roster in {month} and has no goal.", true),
  GOALS_DIFFER(
      false,
      "The goals of the reps of {member} add up to {assigned} {measure} in {month}; {set} is {goal} ({over}).",
      true);

  private final boolean isHolding;
  private final String sentence;
  private final boolean isOfFile;

  FindingCode(boolean isHolding, String sentence) {
    this(isHolding, sentence, false);
  }

  FindingCode(boolean isHolding, String sentence, boolean isOfFile) {
    this.isHolding = isHolding;
    this.sentence = sentence;
    this.isOfFile = isOfFile;
  }

  /** Whether it is a check of the file as a whole against what is known, and of no line. */
  public boolean isOfFile() {
    return isOfFile;
  }

  /** The stable word on the wire: {@code member-unknown}. */
  public String word() {
    return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }

  /** The code of that word, if there is one. */
  public static Optional<FindingCode> findByWord(String word) {
    return Stream.of(values()).filter(code -> code.word().equals(word)).findFirst();
  }

  /** Whether it holds its line back. */
  public boolean isHolding() {
    return isHolding;
  }

  /** Whether the sentence names that detail. */
  boolean names(String detail) {
    return sentence.contains("{" + detail + "}");
  }

  /** The sentence with its details filled in. */
  public String message(Map<String, String> details) {
    String text = sentence;
    for (Map.Entry<String, String> detail : details.entrySet()) {
      text = text.replace("{" + detail.getKey() + "}", detail.getValue());
    }
    return text;
  }
}
