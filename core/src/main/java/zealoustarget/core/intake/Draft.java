package zealoustarget.core.intake;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.member.Axis;

/** One line while it is read: its cells, what was found so far, whether it must be held back. */
final class Draft {
  static final int NONE = -1;
  static final int LONGEST_NAME = 120;

  private final Header header;
  private final ColumnFormats formats;
  private final Directory directory;
  private final int line;
  private final List<String> cells;
  private final List<Finding> findings = new ArrayList<>();
  private final List<Row> rows = new ArrayList<>();
  private final long[] sums;
  private boolean isHeld;

  Draft(Header header, ColumnFormats formats, Directory directory, int line, List<String> cells) {
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

  /** The cell of a role without blanks around it; empty where the file has no such column. */
  String cell(Header.Role role) {
    int place = header.place(role);
    return place < 0 ? "" : cells.get(place).strip();
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

  void add(Row row) {
    rows.add(row);
  }

  /** A date or month, or null with a finding. */
  DateText.@Nullable Result date(int place) {
    String cell = cells.get(place);
    DateText.Result read = DateText.read(cell, formats.dateOrder(place));
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
    if (isTooLong(role, text)) {
      return NONE;
    }
    int id = directory.find(axis, text);
    if (id >= 0) {
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

  /** A member that the file itself introduces; −1 with a finding where its key is missing. */
  int ownMember(Axis axis) {
    Header.Role role = Header.Role.valueOf(axis.name());
    String key = cell(role);
    if (key.isEmpty()) {
      find(title(role), FindingCode.MEMBER_MISSING, "axis", axis.word());
      return NONE;
    }
    return isTooLong(role, key) || isHeld ? NONE : directory.findOrAdd(axis, key);
  }

  /** A name; the key where the cell is empty. */
  String name(String key) {
    String name = cell(Header.Role.NAME);
    isTooLong(Header.Role.NAME, name);
    return name.isEmpty() ? key : name;
  }

  /** Reads every column of amounts; the sums take in whatever can be read. */
  long[] amounts() {
    long[] amounts = new long[header.amounts().size()];
    for (int i = 0; i < amounts.length; i++) {
      amounts[i] = amount(header.amounts().get(i));
    }
    if (!isHeld && Arrays.stream(amounts).allMatch(amount -> amount == ActualBlock.NO_AMOUNT)) {
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
    if (code == FindingCode.TOTAL_LINE && cells.size() >= header.titles().size()) {
      header.amounts().forEach(this::amount);
    }
    return new LineOutcome(Reconciliation.Part.LEFT_OUT, List.of(), only, sums);
  }

  private long amount(Header.AmountColumn column) {
    String cell = cells.get(column.at());
    if (cell.isBlank()) {
      return ActualBlock.NO_AMOUNT;
    }
    Measure measure = column.measure();
    NumberText.Result read = NumberText.read(cell, measure, formats.numbers(column.at()));
    FindingCode fault = read.fault();
    if (fault != null) {
      findAmount(column, cell, read, fault);
      return ActualBlock.NO_AMOUNT;
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
    int at = header.measures().indexOf(measure);
    sums[at] = Math.addExact(sums[at], read.units());
    return read.units();
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
        measure.text(Measure.LARGEST_AMOUNT),
        "first",
        String.valueOf(read.first()),
        "second",
        String.valueOf(read.second()));
  }

  private boolean isTooLong(Header.Role role, String text) {
    boolean isTooLong = text.length() > LONGEST_NAME;
    if (isTooLong) {
      find(
          title(role),
          FindingCode.NAME_TOO_LONG,
          "value",
          text,
          "most",
          Integer.toString(LONGEST_NAME));
    }
    return isTooLong;
  }

  /** Adds a remark where a rep is not on the roster in a month; the line stays booked. */
  void checkRoster(int rep, int month) {
    if (rep >= 0 && !directory.isOnRoster(rep, month)) {
      YearMonth shown = Months.of(month);
      find(
          title(Header.Role.REP),
          FindingCode.NOT_ON_ROSTER,
          "value",
          cell(Header.Role.REP),
          "month",
          shown.toString());
    }
  }
}
