package zealoustarget.core.intake.header;

import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.values.DateText;

/**
 * Reads the titles of columns of amounts: a measure, a month, or both; a goal beside an actual.
 *
 * <p>Months are written as 2026-07, Jul 2026, Jul-26 or, as periods of a fiscal year, P01, Period
 * 1, Jul or a bare 1 where at least six columns have one.
 */
final class MonthTitles {
  /** What a column of amounts is; the measure is null where only a month is named. */
  record Amount(@Nullable Measure measure, @Nullable YearMonth month, boolean isGoal) {}

  private static final Pattern PERIOD =
      Pattern.compile("(?i)(?:p|per\\.?|period)[ -]?0?(1[0-2]|[1-9])");
  private static final Pattern NUMBER = Pattern.compile("0?(1[0-2]|[1-9])");
  private static final Pattern GOAL = Pattern.compile("(?i)goal|quota|budget|target|plan");
  private static final String BETWEEN = " ._-";
  private static final int FEWEST_NUMBERS = 6;

  private final LoadSpec spec;
  private final List<Measure> readable;
  private final boolean isWideAllowed;
  private final boolean isByPeriod;
  private final boolean hasBareNumbers;

  /** {@code isTimeless} says that no column gives the time of a line. */
  MonthTitles(List<String> titles, LoadSpec spec, boolean isTimeless) {
    this.spec = spec;
    this.readable = spec.readable();
    this.isWideAllowed = isTimeless && spec.hasAmounts();
    this.hasBareNumbers =
        titles.stream().filter(title -> NUMBER.matcher(title.strip()).matches()).count()
            >= FEWEST_NUMBERS;
    boolean hasMonths = titles.stream().anyMatch(title -> DateText.monthHeader(title) != null);
    this.isByPeriod =
        isWideAllowed && !hasMonths && titles.stream().anyMatch(title -> period(title) != null);
  }

  /** Whether months are named by their period alone. */
  boolean isByPeriod() {
    return isByPeriod;
  }

  /** What a title says, or null where it is no column of amounts. */
  @Nullable Amount amount(String title) {
    if (!spec.hasAmounts()) {
      return null;
    }
    Amount plain = measureAndMonth(title, false);
    if (plain != null || !spec.hasGoalsBeside()) {
      return plain;
    }
    Matcher goal = GOAL.matcher(title.strip());
    if (!goal.find()) {
      return null;
    }
    String before = withoutEnd(title.strip().substring(0, goal.start()));
    String after = withoutBeginning(title.strip().substring(goal.end()));
    String rest = (before + " " + after).strip();
    return rest.isEmpty() ? new Amount(onlyMeasure(), null, true) : measureAndMonth(rest, true);
  }

  private @Nullable Amount measureAndMonth(String title, boolean isGoal) {
    Measure measure = measure(title);
    if (measure != null) {
      return new Amount(measure, null, isGoal);
    }
    YearMonth month = month(title);
    if (month != null) {
      return new Amount(null, month, isGoal);
    }
    for (Measure each : readable) {
      String code = Header.fold(each.code());
      String folded = Header.fold(title);
      boolean isFirst = folded.startsWith(code + " ");
      if (isFirst || folded.endsWith(" " + code)) {
        String rest =
            isFirst
                ? title.strip().substring(code.length())
                : title.strip().substring(0, title.strip().length() - code.length());
        YearMonth named = month(rest.strip());
        if (named != null) {
          return new Amount(each, named, isGoal);
        }
      }
    }
    return null;
  }

  private @Nullable Measure measure(String title) {
    String name = withPointBeforeEnd(Header.fold(title));
    return readable.stream()
        .filter(measure -> Header.fold(measure.code()).equals(name))
        .findFirst()
        .orElse(null);
  }

  /** "cost low" and "cost_low" as the measure's name has it, "cost.low". */
  private static String withPointBeforeEnd(String folded) {
    for (String end : List.of("low", "high")) {
      String before = withoutEnd(folded.substring(0, Math.max(0, folded.length() - end.length())));
      if (folded.endsWith(end) && folded.length() > before.length() + end.length()) {
        return before + "." + end;
      }
    }
    return folded;
  }

  private static String withoutEnd(String text) {
    int end = text.length();
    while (end > 0 && BETWEEN.indexOf(text.charAt(end - 1)) >= 0) {
      end--;
    }
    return text.substring(0, end);
  }

  private static String withoutBeginning(String text) {
    int at = 0;
    while (at < text.length() && BETWEEN.indexOf(text.charAt(at)) >= 0) {
      at++;
    }
    return text.substring(at);
  }

  /** What a goal without a measure's name is of: the measure given, else the company's first. */
  private @Nullable Measure onlyMeasure() {
    if (spec.wideMeasure() != null) {
      return spec.wideMeasure();
    }
    Measure revenue = measure("revenue");
    return revenue == null ? readable.get(0) : revenue;
  }

  private @Nullable YearMonth month(String title) {
    if (!isWideAllowed) {
      return null;
    }
    return isByPeriod ? period(title) : DateText.monthHeader(title);
  }

  private @Nullable YearMonth period(String title) {
    Matcher period = PERIOD.matcher(title.strip());
    Matcher number = NUMBER.matcher(title.strip());
    int at = 0;
    if (period.matches()) {
      at = Integer.parseInt(period.group(1));
    } else if (hasBareNumbers && number.matches()) {
      at = Integer.parseInt(number.group(1));
    }
    List<YearMonth> months = spec.calendar().year(spec.fiscalYear()).months();
    if (at > 0) {
      return months.get(at - 1);
    }
    int named = DateText.monthByName(title.strip().replace(".", "").toLowerCase(Locale.ROOT));
    return months.stream().filter(month -> month.getMonthValue() == named).findFirst().orElse(null);
  }
}
