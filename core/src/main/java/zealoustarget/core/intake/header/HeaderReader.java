package zealoustarget.core.intake.header;

import java.time.YearMonth;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.member.Axis;

/**
 * Recognises a header's columns. One that lacks what its kind needs, or has it twice, is refused by
 * a sentence that names the column.
 */
final class HeaderReader {
  private static final Map<LoadKind, Set<Header.Role>> ROLES =
      Map.of(
          LoadKind.ACTUALS,
          EnumSet.of(
              Header.Role.DATE,
              Header.Role.MONTH,
              Header.Role.YEAR,
              Header.Role.PERIOD,
              Header.Role.REP,
              Header.Role.REGION,
              Header.Role.PRODUCT,
              Header.Role.ORDER),
          LoadKind.GOALS,
          EnumSet.of(Header.Role.DATE, Header.Role.MONTH, Header.Role.YEAR, Header.Role.PERIOD),
          LoadKind.ROSTER,
          EnumSet.of(
              Header.Role.REP,
              Header.Role.NAME,
              Header.Role.REGION,
              Header.Role.MANAGER,
              Header.Role.FROM,
              Header.Role.UNTIL,
              Header.Role.MAIL),
          LoadKind.PRODUCTS,
          EnumSet.of(Header.Role.PRODUCT, Header.Role.NAME, Header.Role.LINE),
          LoadKind.DEALS,
          EnumSet.of(
              Header.Role.DEAL,
              Header.Role.REP,
              Header.Role.REGION,
              Header.Role.PRODUCT,
              Header.Role.LIKELIHOOD,
              Header.Role.CLOSES,
              Header.Role.STATE,
              Header.Role.STAGE));

  private static final Set<Header.Role> TIMES =
      EnumSet.of(
          Header.Role.DATE,
          Header.Role.MONTH,
          Header.Role.YEAR,
          Header.Role.PERIOD,
          Header.Role.CLOSES);

  private final Header header;
  private final LoadSpec spec;
  private final List<String> targets;
  private final Set<Header.Role> roles;
  private final MonthTitles months;

  HeaderReader(Header header, LoadSpec spec) {
    this.header = header;
    this.spec = spec;
    this.targets = IntStream.range(0, header.titles().size()).mapToObj(this::ours).toList();
    this.roles = EnumSet.noneOf(Header.Role.class);
    targets.stream().map(this::roleOf).filter(Objects::nonNull).forEach(roles::add);
    this.months = new MonthTitles(targets, spec, Collections.disjoint(roles, TIMES));
  }

  void read() {
    Map<String, String> amountTitles = new HashMap<>();
    for (int at = 0; at < targets.size(); at++) {
      String title = header.title(at);
      String target = targets.get(at);
      Header.Role role = usedRole(target);
      MonthTitles.Amount amount = months.amount(target);
      if (role != null) {
        refuseTwice(header.places.put(role, at) != null, title);
      } else if (amount != null) {
        add(at, title, amount, amountTitles);
      } else {
        String shown = Header.nameOf(header.titles(), at);
        find(FindingCode.COLUMN_IGNORED, shown, "column", shown);
        continue;
      }
      if (header.rule(at).isGuessed()) {
        find(FindingCode.COLUMN_GUESSED, title, "column", title, "target", target);
      }
    }
    if (months.isByPeriod()) {
      find(FindingCode.PERIODS_READ, null, "year", Integer.toString(spec.fiscalYear()));
    }
    check();
  }

  private void add(
      int at, String title, MonthTitles.Amount amount, Map<String, String> amountTitles) {
    Measure measure = amount.measure() == null ? wideMeasure() : amount.measure();
    String place = measure.code() + " " + amount.isGoal() + " " + amount.month();
    String first = amountTitles.put(place, title);
    if (amount.month() == null) {
      refuseTwice(first != null, title);
    } else {
      refuseMonthTwice(first, title, amount.month());
    }
    header.amounts.add(
        new Header.AmountColumn(
            at, title, measure, amount.month(), amount.isGoal(), header.rule(at)));
  }

  private void find(FindingCode code, @Nullable String column, String... details) {
    header.findings.add(Finding.of(header.line(), column, code, details));
  }

  /** Their header under our name, where a rule gives one. */
  private String ours(int at) {
    String target = header.rule(at).target();
    return target == null ? header.title(at) : target;
  }

  /** The role that a column plays in this file; a period is none beside dates. */
  private Header.@Nullable Role usedRole(String target) {
    Header.Role role = roleOf(target);
    boolean hasDates = roles.contains(Header.Role.DATE) || roles.contains(Header.Role.MONTH);
    boolean isSpare =
        (role == Header.Role.PERIOD && hasDates)
            || (role == Header.Role.YEAR
                && spec.kind() == LoadKind.ACTUALS
                && (hasDates || !roles.contains(Header.Role.PERIOD)));
    return isSpare ? null : role;
  }

  private Header.@Nullable Role roleOf(String target) {
    String name = Header.fold(target);
    return Arrays.stream(Header.Role.values())
        .filter(role -> role.isCalled(name) && isAllowed(role, spec))
        .findFirst()
        .orElse(null);
  }

  /** Whether a file of that kind may have such a column. */
  static boolean isAllowed(Header.Role role, LoadSpec spec) {
    Axis axis = spec.axis();
    boolean isGoalAxis = axis != null && role.name().equals(axis.name());
    return isGoalAxis || Objects.requireNonNull(ROLES.get(spec.kind())).contains(role);
  }

  private Measure wideMeasure() {
    Measure measure = spec.wideMeasure();
    if (measure == null) {
      throw Refusal.of(
          "measure-missing",
          "The file has months as columns. Set \"Month columns contain\" above, such as revenue.");
    }
    return measure;
  }

  private void check() {
    switch (spec.kind()) {
      case ROSTER -> need(Header.Role.REP, Header.Role.NAME, Header.Role.FROM);
      case PRODUCTS -> need(Header.Role.PRODUCT, Header.Role.NAME, Header.Role.LINE);
      case DEALS -> {
        need(Header.Role.DEAL, Header.Role.REP, Header.Role.CLOSES);
        if (header.place(Header.Role.STAGE) < 0) {
          need(Header.Role.LIKELIHOOD);
        }
        checkTimeAndAmounts();
      }
      case GOALS -> {
        checkTimeAndAmounts();
        Axis axis = Objects.requireNonNull(spec.axis());
        if (axis != Axis.COMPANY) {
          need(Header.Role.valueOf(axis.name()));
        }
      }
      case ACTUALS -> {
        checkTimeAndAmounts();
        if (header.place(Header.Role.REP) < 0
            && header.place(Header.Role.REGION) < 0
            && header.place(Header.Role.PRODUCT) < 0) {
          throw missing("rep, region or product", "column-missing");
        }
        Axis axis = spec.axis();
        if (header.hasGoalsBeside() && axis != null && axis != Axis.COMPANY) {
          need(Header.Role.valueOf(axis.name()));
        }
      }
    }
  }

  private void checkTimeAndAmounts() {
    if (!header.isWide() && header.timePlace() < 0) {
      throw missing(
          spec.kind() == LoadKind.GOALS ? "month or year" : "date or month",
          "month-column-missing");
    }
    if (header.amounts.stream().allMatch(Header.AmountColumn::isGoal)) {
      String codes =
          String.join(
              " or ",
              spec.readable().stream()
                  .filter(m -> !Measure.isEnd(m.code()))
                  .map(Measure::code)
                  .sorted()
                  .toList());
      throw missing(codes, "column-missing");
    }
    checkRangeEnds();
  }

  /** A range needs both ends, and no single amount beside them. */
  private void checkRangeEnds() {
    Set<String> codes = new HashSet<>();
    header.amounts.forEach(column -> codes.add(column.measure().code()));
    for (Measure measure : spec.measures()) {
      String low = measure.lowEnd().code();
      String high = measure.highEnd().code();
      boolean hasLow = codes.contains(low);
      if (hasLow != codes.contains(high)) {
        throw missing(hasLow ? high : low, "column-missing");
      }
      if (hasLow && codes.contains(measure.code())) {
        throw Refusal.of(
                "column-twice",
                "The header has the column \""
                    + measure.code()
                    + "\" and the ends of its range. Remove one or the other.")
            .with("column", measure.code());
      }
    }
  }

  private void need(Header.Role... roles) {
    for (Header.Role role : roles) {
      if (header.place(role) < 0) {
        throw missing(role.word(), "column-missing");
      }
    }
  }

  private Refusal missing(String wanted, String code) {
    List<String> found = header.titles().stream().limit(30).toList();
    return Refusal.of(
            code,
            "The header has no column \""
                + wanted
                + "\". It has: "
                + String.join(", ", found)
                + ". Rename the column, or set \"Maps to\" over the column that it is.")
        .with("wanted", wanted)
        .with("found", found);
  }

  private static void refuseTwice(boolean isTwice, String title) {
    if (isTwice) {
      throw Refusal.of(
              "column-twice",
              "The header has the column \"" + title + "\" twice. Remove one of them.")
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
                  + "\". Remove one of them.")
          .with("month", month.toString());
    }
  }
}
