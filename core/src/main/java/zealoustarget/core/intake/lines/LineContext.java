package zealoustarget.core.intake.lines;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.intake.values.NumberText;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;

/** One line while it is read: its cells, what was found so far, whether it must be held back. */
final class LineContext {
  static final int NONE = -1;
  static final int LONGEST_NAME = 120;
  private static final Pattern YEAR_WORD = Pattern.compile("(?i)^FY ?");
  private static final Pattern PERIOD_WORD = Pattern.compile("(?i)^(p|per\\.?|period)[ -]?");

  private final Header header;
  private final ColumnFormats formats;
  private final Directory directory;
  private final int line;
  private final List<String> cells;
  private final List<Finding> findings = new ArrayList<>();
  private final List<LoadRow> rows = new ArrayList<>();
  private final long[] sums;
  private boolean isHeld;

  LineContext(
      Header header, ColumnFormats formats, Directory directory, int line, List<String> cells) {
    this.header = header;
    this.formats = formats;
    this.directory = directory;
    this.line = line;
    this.cells = cells;
    this.sums = new long[header.measures().size()];
  }

  int line() {
    return line;
  }

  boolean isHeld() {
    return isHeld;
  }

  /** The cell of a role, composed and without blanks around it; empty without such a column. */
  String cell(Header.Role role) {
    return header.cell(role, cells);
  }

  void find(@Nullable String column, FindingCode code, String... namesAndValues) {
    findings.add(Finding.of(line, column, code, namesAndValues));
    isHeld |= code.isHolding();
  }

  /** The title of a role's column, or null where the file has none. */
  @Nullable String title(Header.Role role) {
    int place = header.place(role);
    return place < 0 ? null : header.title(place);
  }

  /** Tells lines apart: equal for lines whose cells are all equal. */
  long fingerprint() {
    return FirstSeen.hash(cells);
  }

  List<LoadRow> rows() {
    return rows;
  }

  void add(LoadRow row) {
    rows.add(row);
  }

  /** A date or month, or null with a finding. */
  DateText.@Nullable Result date(int place) {
    String cell = cells.get(place);
    DateText.Result read = DateText.read(cell, formats.dates(place));
    FindingCode fault = read.fault();
    if (fault == null) {
      return read;
    }
    find(
        header.title(place),
        fault,
        "value",
        cell.strip(),
        "first",
        String.valueOf(read.first()),
        "second",
        String.valueOf(read.second()));
    return null;
  }

  /** The month number of the line's date, month or period, or −1 with a finding. */
  int time() {
    int place = header.timePlace();
    return place == header.place(Header.Role.PERIOD) ? period(place) : month(place);
  }

  private int period(int place) {
    String text = cells.get(place).strip();
    String digits = PERIOD_WORD.matcher(text).replaceFirst("");
    int year = header.place(Header.Role.YEAR) < 0 ? formats.fiscalYear() : fiscalYear();
    if (!digits.matches("0?[1-9]|1[0-2]")) {
      find(header.title(place), FindingCode.PERIOD_UNREADABLE, "value", text);
      return NONE;
    }
    return year < 0
        ? NONE
        : Months.number(formats.calendar().year(year).months().get(Integer.parseInt(digits) - 1));
  }

  /** The fiscal year of the year column, or −1 with a finding. */
  int fiscalYear() {
    String text = cell(Header.Role.YEAR);
    String digits = YEAR_WORD.matcher(text).replaceFirst("");
    if (!digits.matches("(19|20)\\d\\d")) {
      find(title(Header.Role.YEAR), FindingCode.YEAR_UNREADABLE, "value", text);
      return NONE;
    }
    return Integer.parseInt(digits);
  }

  /** The month number of a date or month, or −1 with a finding. */
  int month(int place) {
    DateText.Result read = date(place);
    return read == null ? NONE : Months.number(Objects.requireNonNull(read.month()));
  }

  /** A member's id; −1 where the file has no such column or the cell is empty or unknown. */
  int member(Axis axis, boolean isNeeded) {
    Header.Role role = Header.Role.valueOf(axis.name());
    String text = cell(role);
    if (header.place(role) < 0) {
      return NONE;
    }
    if (text.isEmpty()) {
      find(
          title(role),
          isNeeded ? FindingCode.MEMBER_MISSING : FindingCode.MEMBER_BLANK,
          "axis",
          axis.word());
      return NONE;
    }
    if (isUnfit(role, text, LONGEST_NAME)) {
      return NONE;
    }
    int id = directory.find(axis, text);
    if (id >= 0) {
      remarkLike(axis, text);
      return id;
    }
    find(
        title(role),
        id == Directory.AMBIGUOUS ? FindingCode.MEMBER_AMBIGUOUS : FindingCode.MEMBER_UNKNOWN,
        "value",
        text,
        "axis",
        axis.word());
    return NONE;
  }

  /** A region, manager or line that is new and nearly spelled like one that is known. */
  private void remarkLike(Axis axis, String text) {
    String known = axis.isItsOwnKey() ? directory.findLike(axis, text) : null;
    if (known != null) {
      find(
          title(Header.Role.valueOf(axis.name())),
          FindingCode.MEMBER_LIKE,
          "value",
          text,
          "axis",
          axis.word(),
          "known",
          known);
    }
  }

  /** A member that the file itself introduces; −1 with a finding where its key is missing. */
  int ownMember(Axis axis) {
    Header.Role role = Header.Role.valueOf(axis.name());
    String key = cell(role);
    if (key.isEmpty()) {
      find(title(role), FindingCode.MEMBER_MISSING, "axis", axis.word());
      return NONE;
    }
    return isUnfit(role, key, LONGEST_NAME) || isHeld ? NONE : directory.findOrAdd(axis, key);
  }

  /** A name; the key where the cell is empty. */
  String name(String key) {
    String name = cell(Header.Role.NAME);
    isUnfit(Header.Role.NAME, name, LONGEST_NAME);
    return name.isEmpty() ? key : name;
  }

  /** Reads every column of amounts; the sums take in whatever can be read. */
  long[] amounts() {
    long[] amounts = new long[header.amounts().size()];
    for (int i = 0; i < amounts.length; i++) {
      amounts[i] = amount(i);
    }
    if (!isHeld && !Amounts.hasAny(amounts)) {
      find(header.amounts().get(0).title(), FindingCode.AMOUNT_MISSING);
    }
    return amounts;
  }

  LineOutcome outcome() {
    Reconciliation.Part part = isHeld ? Reconciliation.Part.HELD : Reconciliation.Part.READY;
    return new LineOutcome(part, isHeld ? List.of() : rows, findings, sums);
  }

  /** The line as one that is left out, with the amounts that can be read. */
  LineOutcome leftOut(FindingCode code) {
    List<Finding> only = List.of(Finding.of(line, null, code));
    if (code != FindingCode.REPEATED_HEADER && cells.size() >= header.titles().size()) {
      for (int i = 0; i < header.amounts().size(); i++) {
        amount(i);
      }
    }
    return new LineOutcome(Reconciliation.Part.LEFT_OUT, List.of(), only, sums);
  }

  private long amount(int amountColumn) {
    Header.AmountColumn column = header.amounts().get(amountColumn);
    String cell = cells.get(column.at());
    if (cell.isBlank()) {
      return Amounts.NONE;
    }
    Measure measure = column.measure();
    NumberText.Result read = NumberText.read(cell, measure, formats.numbers(column.at()));
    long units = column.rule().isFlipped() ? -read.units() : read.units();
    FindingCode fault = read.fault();
    if (fault != null) {
      findAmount(column, cell, read, fault);
      return Amounts.NONE;
    }
    if (read.isOtherCurrency()) {
      find(
          column.title(),
          FindingCode.OTHER_CURRENCY,
          "value",
          cell.strip(),
          "unit",
          measure.unit());
    }
    if (!column.isGoal()) {
      int at = header.measurePlace(amountColumn);
      sums[at] = Math.addExact(sums[at], units);
    }
    return units;
  }

  private void findAmount(
      Header.AmountColumn column, String cell, NumberText.Result read, FindingCode fault) {
    Measure measure = column.measure();
    find(
        column.title(),
        fault,
        "value",
        cell.strip(),
        "measure",
        measure.code(),
        "scale",
        Integer.toString(measure.scale()),
        "largest",
        formats.largest(measure),
        "first",
        String.valueOf(read.first()),
        "second",
        String.valueOf(read.second()));
  }

  /** Holds the line back where a key or name is too long or has a character that nobody sees. */
  boolean isUnfit(Header.Role role, String text, int most) {
    if (text.length() > most) {
      find(title(role), FindingCode.NAME_TOO_LONG, "value", text, "most", Integer.toString(most));
      return true;
    }
    int unseen = KeyText.findUnseen(text);
    if (unseen != KeyText.NONE) {
      find(
          title(role),
          FindingCode.NAME_UNSEEN,
          "value",
          text,
          "character",
          "U+%04X".formatted(unseen));
    }
    return unseen != KeyText.NONE;
  }

  /** Adds a remark where a rep is not on the roster in a month; the line stays booked. */
  void checkRoster(int rep, int month) {
    if (rep < 0 || directory.isOnRoster(rep, month)) {
      return;
    }
    Directory.Tenure tenure = directory.tenure(rep);
    Integer last = tenure == null ? null : tenure.lastMonth();
    FindingCode code = FindingCode.NOT_ON_ROSTER;
    if (tenure != null && month < tenure.firstMonth()) {
      code = FindingCode.MEMBER_NOT_BEGUN;
    } else if (last != null && month > last) {
      code = FindingCode.MEMBER_LEFT;
    }
    find(
        title(Header.Role.REP),
        code,
        "value",
        cell(Header.Role.REP),
        "month",
        Months.of(month).toString(),
        "from",
        tenure == null ? "" : Months.of(tenure.firstMonth()).toString(),
        "until",
        last == null ? "" : Months.of(last).toString());
  }
}
