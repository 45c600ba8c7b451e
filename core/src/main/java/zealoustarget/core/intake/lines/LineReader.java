package zealoustarget.core.intake.lines;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.member.Axis;

/**
 * Turns a file's lines, in their order, into typed rows and findings. Keeps per line only what
 * tells a repetition; the lines themselves are not kept.
 *
 * <p>Repeated headers and total lines are left out, lines with a fault that matters are held back.
 */
public final class LineReader {
  /** What is known of a line beside its cells. */
  public enum Decision {
    NONE,
    /** The file ended inside a quote that the line opened. */
    CUT_OFF,
    /** Someone decided to leave it out. */
    LEAVE_OUT,
    /** Someone decided that it counts, although it looks like a total. */
    COUNT
  }

  /** What one kind of file makes of a line with the right number of cells. */
  interface Kind {
    /** Whether it must look at lines before it reads the first one. */
    default boolean looksAhead() {
      return false;
    }

    /** Takes a line in before any is read. */
    default void lookAt(List<String> cells) {}

    void read(LineContext draft);
  }

  private static final Pattern TOTAL =
      Pattern.compile(
          "((grand|sub)[ -]?)?(total|totals|totaal|totale|sum)\\b.*|.+ total"
              + "|(zwischen|gesamt)?summe\\b.*|gesamt(betrag)?\\b.*|insgesamt\\b.*"
              + "|(sous-)?total(e|es|aux)?\\b.*|somme\\b.*|suma\\b.*|importe total\\b.*",
          Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);
  private static final List<String> TOTAL_BEGINNINGS =
      List.of("sum", "som", "zwischensum", "gesamt", "insgesamt");
  private static final int LONGEST_TOTAL = 60;
  private static final Set<Header.Role> KEY_ROLES =
      Set.of(
          Header.Role.DATE,
          Header.Role.MONTH,
          Header.Role.YEAR,
          Header.Role.REP,
          Header.Role.REGION,
          Header.Role.PRODUCT,
          Header.Role.LINE,
          Header.Role.MANAGER,
          Header.Role.COMPANY,
          Header.Role.ORDER,
          Header.Role.DEAL,
          Header.Role.NAME);

  private final Header header;
  private final ColumnFormats formats;
  private final Directory directory;
  private final Kind kind;
  private final List<String> foldedTitles;
  private final List<Header.Role> keyRoles;
  private final History history;
  private final @Nullable String timeTitle;

  /**
   * Begins to read a file with that header.
   *
   * @param profiles what the file's columns show, in their order
   * @param history what is posted already, for remarks about the unusual
   */
  public LineReader(
      Header header,
      List<ColumnProfile> profiles,
      Directory directory,
      History history,
      LoadSpec spec) {
    this.header = header;
    this.history = history;
    this.timeTitle =
        header.timePlace() < 0 ? null : Header.nameOf(header.titles(), header.timePlace());
    this.formats = new ColumnFormats(header, profiles, spec);
    this.directory = directory;
    this.keyRoles = KEY_ROLES.stream().filter(role -> header.place(role) >= 0).toList();
    this.foldedTitles = header.titles().stream().map(Header::fold).toList();
    this.kind =
        switch (spec.kind()) {
          case ACTUALS -> new ActualLines(header, spec, history);
          case GOALS -> new GoalLines(header, spec);
          case ROSTER -> new RosterLines(header);
          case PRODUCTS -> new ProductLines();
          case DEALS -> new DealLines(header, formats, Objects.requireNonNull(spec.snapshot()));
        };
  }

  /** Whether {@link #lookAt} wants more lines of the file before the first one is read. */
  public boolean looksAhead() {
    return kind.looksAhead();
  }

  /** Looks at a line as the file has it; one that will be left out says nothing of its columns. */
  public void lookAt(List<String> cells) {
    if (hasRightCells(cells) && !isRepeatedHeader(cells) && !isTotal(cells)) {
      kind.lookAt(cells);
    }
  }

  /**
   * Reads one line that is not empty.
   *
   * @param line its number in the file, of its first part where it runs over several
   */
  public LineOutcome read(int line, List<String> cells, Decision decision) {
    LineContext draft = new LineContext(header, formats, directory, line, cells);
    if (decision == Decision.LEAVE_OUT) {
      return draft.leftOut(FindingCode.LEFT_OUT);
    }
    if (isRepeatedHeader(cells)) {
      return draft.leftOut(FindingCode.REPEATED_HEADER);
    }
    if (decision != Decision.COUNT && isTotal(cells)) {
      return draft.leftOut(FindingCode.TOTAL_LINE);
    }
    if (decision == Decision.CUT_OFF) {
      draft.find(null, FindingCode.CUT_OFF);
    } else if (!hasRightCells(cells)) {
      draft.find(
          null,
          FindingCode.CELL_COUNT,
          "found",
          Integer.toString(cells.size()),
          "expected",
          Integer.toString(foldedTitles.size()));
    } else {
      kind.read(draft);
      draft.rows().forEach(row -> checkMonth(draft, row));
    }
    return draft.outcome();
  }

  /** A wrong year would open months that nobody closes; a stay may well begin long ago. */
  private void checkMonth(LineContext draft, LoadRow row) {
    int month;
    if (row instanceof LoadRow.Actual actual) {
      month = actual.month();
    } else if (row instanceof LoadRow.Goal goal) {
      month = goal.month();
    } else if (row instanceof LoadRow.OfDeal deal) {
      month = deal.deal().month();
    } else {
      return;
    }
    if (history.isFar(month)) {
      draft.find(timeTitle, FindingCode.MONTH_FAR, "month", Months.of(month).toString());
    }
  }

  private boolean hasRightCells(List<String> cells) {
    return cells.size() >= foldedTitles.size()
        && cells.subList(foldedTitles.size(), cells.size()).stream().allMatch(String::isBlank);
  }

  private boolean isRepeatedHeader(List<String> cells) {
    return cells.size() == foldedTitles.size()
        && cells.get(0).strip().equalsIgnoreCase(foldedTitles.get(0))
        && cells.stream().map(Header::fold).toList().equals(foldedTitles);
  }

  private boolean isTotal(List<String> cells) {
    for (Header.Role role : keyRoles) {
      int place = header.place(role);
      if (place < cells.size() && isTotal(role, cells.get(place).strip())) {
        return true;
      }
    }
    return false;
  }

  /** Whether a key cell says "total" and is not the name of a member that is known. */
  private boolean isTotal(Header.Role role, String text) {
    if (!mayBeTotal(text) || !TOTAL.matcher(text).matches()) {
      return false;
    }
    Axis axis = axisOf(role);
    return axis == null || axis.isItsOwnKey() || directory.find(axis, text) == Directory.UNKNOWN;
  }

  /** A quick look that spares nearly every cell the pattern; case makes no difference. */
  private static boolean mayBeTotal(String text) {
    if (text.length() > LONGEST_TOTAL) {
      return false;
    }
    for (int at = 0; at + 4 <= text.length(); at++) {
      char letter = text.charAt(at);
      if ((letter == 't' || letter == 'T') && text.regionMatches(true, at, "tota", 0, 4)) {
        return true;
      }
    }
    return TOTAL_BEGINNINGS.stream()
        .anyMatch(word -> text.regionMatches(true, 0, word, 0, word.length()));
  }

  private static @Nullable Axis axisOf(Header.Role role) {
    return Axis.findByWord(role.name()).orElse(null);
  }
}
