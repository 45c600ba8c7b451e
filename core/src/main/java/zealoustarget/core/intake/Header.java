package zealoustarget.core.intake;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.member.Axis;

/**
 * What each column of a file is, recognised from its header line; docs/formats.md lists the names.
 *
 * <p>Case and order make no difference. A header that lacks what its kind needs, or has it twice,
 * is refused by a sentence that names the column.
 */
public final class Header {
  /** What a column holds. */
  public enum Role {
    DATE,
    MONTH,
    YEAR,
    REP,
    REGION,
    PRODUCT,
    LINE,
    MANAGER,
    COMPANY,
    ORDER,
    NAME,
    FROM,
    UNTIL
  }

  /** A column of amounts: of a measure, and in a wide file of one month. */
  public record AmountColumn(int at, String title, Measure measure, @Nullable YearMonth month) {}

  private static final Map<LoadKind, Set<Role>> ROLES =
      Map.of(
          LoadKind.ACTUALS,
          EnumSet.of(Role.DATE, Role.MONTH, Role.REP, Role.REGION, Role.PRODUCT, Role.ORDER),
          LoadKind.GOALS,
          EnumSet.of(Role.DATE, Role.MONTH, Role.YEAR),
          LoadKind.ROSTER,
          EnumSet.of(Role.REP, Role.NAME, Role.REGION, Role.MANAGER, Role.FROM, Role.UNTIL),
          LoadKind.PRODUCTS,
          EnumSet.of(Role.PRODUCT, Role.NAME, Role.LINE));

  private final List<String> titles;
  private final Map<Role, Integer> places = new EnumMap<>(Role.class);
  private final List<AmountColumn> amounts = new ArrayList<>();
  private final List<Finding> findings = new ArrayList<>();
  private final LoadSpec spec;
  private List<Measure> measures = List.of();

  private Header(List<String> titles, LoadSpec spec) {
    this.titles = titles.stream().map(String::strip).toList();
    this.spec = spec;
  }

  /**
   * Recognises the columns.
   *
   * @throws Refusal column-missing, column-twice, month-column-missing, month-twice,
   *     measure-missing
   */
  public static Header of(List<String> titles, LoadSpec spec) {
    Header header = new Header(titles, spec);
    header.recognise();
    header.check();
    header.measures = header.amounts.stream().map(AmountColumn::measure).distinct().toList();
    return header;
  }

  public List<String> titles() {
    return titles;
  }

  /** Remarks about columns that are not read. */
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

  public boolean isWide() {
    return amounts.stream().anyMatch(column -> column.month() != null);
  }

  /** The place of a role's column, or −1. */
  public int place(Role role) {
    return places.getOrDefault(role, -1);
  }

  /** The place of the column with the date, month or fiscal year, or −1 in a wide file. */
  public int timePlace() {
    for (Role role : new Role[] {Role.DATE, Role.MONTH, Role.YEAR}) {
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

  private void recognise() {
    boolean isLong = titles.stream().map(this::roleOf).anyMatch(Header::isTime);
    Map<YearMonth, String> monthColumns = new HashMap<>();
    Map<Measure, String> measureColumns = new HashMap<>();
    for (int at = 0; at < titles.size(); at++) {
      String title = titles.get(at);
      Role role = roleOf(title);
      Measure measure = measureOf(title);
      YearMonth month = isLong || !hasAmounts() ? null : DateText.monthHeader(ours(title));
      if (role != null) {
        refuseTwice(places.put(role, at) != null, title);
      } else if (measure != null) {
        refuseTwice(measureColumns.put(measure, title) != null, title);
        amounts.add(new AmountColumn(at, title, measure, null));
      } else if (month != null) {
        refuseMonthTwice(monthColumns.put(month, title), title, month);
        amounts.add(new AmountColumn(at, title, wideMeasure(), month));
      } else {
        String shown = title.isEmpty() ? "column " + (at + 1) : title;
        findings.add(Finding.of(1, shown, FindingCode.COLUMN_IGNORED, "column", shown));
      }
    }
  }

  private boolean hasAmounts() {
    return spec.kind() == LoadKind.ACTUALS || spec.kind() == LoadKind.GOALS;
  }

  private @Nullable Role roleOf(String title) {
    String name = fold(ours(title));
    for (Role role : Role.values()) {
      if (role.name().toLowerCase(Locale.ROOT).equals(name) && isAllowed(role)) {
        return role;
      }
    }
    return null;
  }

  private boolean isAllowed(Role role) {
    Axis axis = spec.axis();
    boolean isGoalAxis = axis != null && role.name().equals(axis.name());
    return isGoalAxis || Objects.requireNonNull(ROLES.get(spec.kind())).contains(role);
  }

  private static boolean isTime(@Nullable Role role) {
    return role == Role.DATE || role == Role.MONTH || role == Role.YEAR;
  }

  private @Nullable Measure measureOf(String title) {
    if (!hasAmounts()) {
      return null;
    }
    String name = fold(ours(title));
    return spec.measures().stream()
        .filter(measure -> fold(measure.code()).equals(name))
        .findFirst()
        .orElse(null);
  }

  private Measure wideMeasure() {
    Measure measure = spec.wideMeasure();
    if (measure == null) {
      throw Refusal.of(
          "measure-missing",
          "The file has months as columns. Say with \"measure\" what they count, such as revenue.");
    }
    return measure;
  }

  /** Their header under our name, where the upload maps it, whichever of the two it puts first. */
  private String ours(String title) {
    for (Map.Entry<String, String> entry : spec.renamed().entrySet()) {
      if (fold(entry.getKey()).equals(fold(title))) {
        return entry.getValue();
      }
      if (!entry.getValue().isBlank() && fold(entry.getValue()).equals(fold(title))) {
        return entry.getKey();
      }
    }
    return title;
  }

  private void check() {
    switch (spec.kind()) {
      case ROSTER -> need(Role.REP, Role.NAME, Role.FROM);
      case PRODUCTS -> need(Role.PRODUCT, Role.NAME, Role.LINE);
      case GOALS -> {
        checkTimeAndAmounts();
        Axis axis = Objects.requireNonNull(spec.axis());
        if (axis != Axis.COMPANY) {
          need(Role.valueOf(axis.name()));
        }
      }
      case ACTUALS -> {
        checkTimeAndAmounts();
        if (Math.max(place(Role.REP), Math.max(place(Role.REGION), place(Role.PRODUCT))) < 0) {
          throw missing("rep, region or product", "column-missing");
        }
      }
    }
  }

  private void checkTimeAndAmounts() {
    if (!isWide() && timePlace() < 0) {
      throw missing(
          spec.kind() == LoadKind.GOALS ? "month or year" : "date or month",
          "month-column-missing");
    }
    if (amounts.isEmpty()) {
      String codes =
          String.join(" or ", spec.measures().stream().map(Measure::code).sorted().toList());
      throw missing(codes, "column-missing");
    }
  }

  private void need(Role... roles) {
    for (Role role : roles) {
      if (place(role) < 0) {
        throw missing(role.name().toLowerCase(Locale.ROOT), "column-missing");
      }
    }
  }

  private Refusal missing(String wanted, String code) {
    return Refusal.of(
            code,
            "The header has no column \""
                + wanted
                + "\". It has: "
                + String.join(", ", titles.stream().limit(30).toList())
                + ". Rename the column, or say in \"mapping\" which one it is.")
        .with("wanted", wanted)
        .with("found", titles.stream().limit(30).toList());
  }

  private static void refuseTwice(boolean isTwice, String title) {
    if (isTwice) {
      throw Refusal.of(
              "column-twice",
              "The header has the column \"" + title + "\" twice. Take one of them out.")
          .with("column", title);
    }
  }

  private static void refuseMonthTwice(@Nullable String first, String second, YearMonth month) {
    if (first != null) {
      throw Refusal.of(
              "month-twice",
              "The header has the month "
                  + month
                  + " twice, as \""
                  + first
                  + "\" and \""
                  + second
                  + "\". Take one of them out.")
          .with("month", month.toString());
    }
  }

  static String fold(String text) {
    return text.strip().toLowerCase(Locale.ROOT);
  }
}
