package zealoustarget.core.intake.header;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.member.KeyText;

/**
 * What each column of a file is, recognised from its header line; docs/formats.md lists the names.
 *
 * <p>Case and order make no difference.
 */
public final class Header {
  /** What a column holds. */
  public enum Role {
    DATE,
    MONTH,
    YEAR,
    PERIOD,
    REP,
    REGION,
    PRODUCT,
    LINE,
    MANAGER,
    COMPANY,
    ORDER,
    NAME,
    FROM,
    UNTIL,
    MAIL("email", "e-mail"),
    DEAL,
    LIKELIHOOD,
    CLOSES,
    STATE,
    STAGE;

    private final Set<String> otherNames;

    Role(String... otherNames) {
      this.otherNames = Set.of(otherNames);
    }

    /** Whether a column is plainly of this role by its name, folded. */
    boolean isCalled(String name) {
      return word().equals(name) || otherNames.contains(name);
    }

    /** Our name of such a column: {@code date}. */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * A column of amounts: of a measure, and in a wide file of one month.
   *
   * @param isGoal whether the amounts are goals that stand beside actuals
   */
  public record AmountColumn(
      int at,
      String title,
      Measure measure,
      @Nullable YearMonth month,
      boolean isGoal,
      ColumnRule rule) {}

  private static final Role[] TIMES = {Role.DATE, Role.MONTH, Role.PERIOD, Role.YEAR, Role.CLOSES};

  private final int line;
  private final List<String> titles;
  private final List<ColumnRule> rules;
  final Map<Role, Integer> places = new EnumMap<>(Role.class);
  final List<AmountColumn> amounts = new ArrayList<>();
  final List<Finding> findings = new ArrayList<>();
  private List<Measure> measures = List.of();
  private int[] measurePlaces = new int[0];

  Header(int line, List<String> titles, LoadSpec spec) {
    this.line = line;
    this.titles = titles.stream().map(String::strip).toList();
    this.rules = new ArrayList<>();
    for (int at = 0; at < this.titles.size(); at++) {
      rules.add(rule(spec, nameOf(this.titles, at)));
    }
  }

  /**
   * Recognises the columns.
   *
   * @param line of the file
   * @throws Refusal column-missing, column-twice, month-column-missing, month-twice,
   *     measure-missing
   */
  public static Header of(int line, List<String> titles, LoadSpec spec) {
    Header header = new Header(line, titles, spec);
    new HeaderReader(header, spec).read();
    header.measures = header.amounts.stream().map(AmountColumn::measure).distinct().toList();
    header.measurePlaces =
        header.amounts.stream().mapToInt(c -> header.measures.indexOf(c.measure())).toArray();
    return header;
  }

  /** What a column is called in rules and findings: its title, "column 3" where it has none. */
  public static String nameOf(List<String> titles, int at) {
    String title = titles.get(at).strip();
    return title.isEmpty() ? "column " + (at + 1) : title;
  }

  /** The line of the file. */
  public int line() {
    return line;
  }

  public List<String> titles() {
    return titles;
  }

  /** Remarks about columns that are not read or were guessed. */
  public List<Finding> findings() {
    return findings;
  }

  /** Columns of amounts, in the file's order; empty for rosters and product lists. */
  public List<AmountColumn> amounts() {
    return amounts;
  }

  /** Measures that the file brings, in the order of their first column. */
  public List<Measure> measures() {
    return measures;
  }

  /** The place in {@link #measures} of the measure of an amount column, by that column's place. */
  public int measurePlace(int amountColumn) {
    return measurePlaces[amountColumn];
  }

  public boolean isWide() {
    return amounts.stream().anyMatch(column -> column.month() != null);
  }

  public boolean hasGoalsBeside() {
    return amounts.stream().anyMatch(AmountColumn::isGoal);
  }

  /** The place of a role's column, or −1. */
  public int place(Role role) {
    return places.getOrDefault(role, -1);
  }

  /** A line's cell of a role as a key is read; empty where the file or the line has none. */
  public String cell(Role role, List<String> cells) {
    int place = place(role);
    return place < 0 || place >= cells.size() ? "" : KeyText.normal(cells.get(place));
  }

  /**
   * The place of the column with the date, month, period, fiscal year or the month in which a deal
   * closes; −1 in a wide file.
   */
  public int timePlace() {
    for (Role role : TIMES) {
      if (place(role) >= 0) {
        return place(role);
      }
    }
    return -1;
  }

  /** The title of a column as the file has it. */
  public String title(int place) {
    return titles.get(place);
  }

  /** How a column is read. */
  public ColumnRule rule(int place) {
    return rules.get(place);
  }

  /** Our name for each column, in their order: a role, a measure, a month; empty where not read. */
  public List<String> targets() {
    List<String> targets = new ArrayList<>();
    titles.forEach(title -> targets.add(""));
    places.forEach((role, at) -> targets.set(at, role.word()));
    for (AmountColumn column : amounts) {
      String month = column.month() == null ? "" : " " + column.month();
      String goal = column.isGoal() ? " goal" : "";
      targets.set(column.at(), column.measure().code() + goal + month);
    }
    return targets;
  }

  /** A rule by their header or, as senders write it both ways, by our name for it. */
  private static ColumnRule rule(LoadSpec spec, String name) {
    for (Map.Entry<String, ColumnRule> entry : spec.columns().entrySet()) {
      String target = entry.getValue().target();
      if (fold(entry.getKey()).equals(fold(name))) {
        return entry.getValue();
      }
      if (target != null && !target.isBlank() && fold(target).equals(fold(name))) {
        return ColumnRule.to(entry.getKey());
      }
    }
    return ColumnRule.AUTO;
  }

  public static String fold(String text) {
    return text.strip().toLowerCase(Locale.ROOT);
  }
}
