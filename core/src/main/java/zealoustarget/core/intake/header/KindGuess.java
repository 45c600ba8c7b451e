package zealoustarget.core.intake.header;

import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.member.Axis;

/**
 * What a file most likely brings, by its header and name, and where these say nothing by what its
 * columns hold; whoever loads it may say otherwise.
 *
 * @param axis whose goals it brings, null where it brings none
 * @param goalWord quota, budget, plan or the like, where a title or the name says one
 */
public record KindGuess(LoadKind kind, @Nullable Axis axis, @Nullable String goalWord) {
  private static final Pattern GOAL_WORD =
      Pattern.compile(
          "(?i)(quota|budget|forecast|target|goal|plan|limit)s?|quoten?\\b|objectif|objetivo|presupuesto|soll\\b|ziel(e|wert)?\\b");

  private static final Map<String, String> OTHER_WORDS =
      Map.of("quote", "quota", "presupuesto", "budget");

  /**
   * Guesses from the header's titles and the file's name, then from the columns.
   *
   * @param directory who is known
   * @param today the current month: amounts of months that are all to come are goals
   */
  public static KindGuess of(
      List<String> titles,
      List<ColumnProfile> profiles,
      String fileName,
      List<Measure> measures,
      Directory directory,
      YearMonth today) {
    KindGuess told = of(titles, fileName, measures);
    boolean isOpen =
        told.kind() == LoadKind.ACTUALS
            && told.axis() == null
            && titles.stream()
                .noneMatch(t -> isActual(t, measures) || DateText.monthHeader(t) != null);
    KindGuess held = isOpen ? ofContent(profiles, directory, today) : null;
    if (held != null) {
      return held;
    }
    boolean isUntitled =
        told.kind() == LoadKind.GOALS && told.axis() == Axis.REP && !has(titles, Header.Role.REP);
    Axis named = isUntitled ? heldAxis(profiles, directory) : null;
    return named == null ? told : new KindGuess(LoadKind.GOALS, named, told.goalWord());
  }

  private static @Nullable KindGuess ofContent(
      List<ColumnProfile> profiles, Directory directory, YearMonth today) {
    boolean hasAmounts =
        IntStream.range(0, profiles.size())
            .mapToObj(at -> at == 0 && profiles.get(at).isWhole() ? null : profiles.get(at))
            .anyMatch(p -> p != null && p.holdsNumbers() && !p.holdsDates());
    List<ColumnProfile> times = profiles.stream().filter(ColumnProfile::holdsDates).toList();
    if (!hasAmounts) {
      boolean isOfProducts =
          profiles.stream().anyMatch(p -> p.holdsMembers(Axis.PRODUCT, directory));
      boolean isOfReps = profiles.stream().anyMatch(p -> p.holdsMembers(Axis.REP, directory));
      return !times.isEmpty() || (isOfReps && !isOfProducts)
          ? new KindGuess(LoadKind.ROSTER, null, null)
          : isOfProducts ? new KindGuess(LoadKind.PRODUCTS, null, null) : null;
    }
    boolean isToCome =
        times.size() == 1
            && times.get(0).samples().stream()
                .map(text -> DateText.read(text, times.get(0).dates(ColumnRule.AUTO)).month())
                .allMatch(month -> month != null && month.isAfter(today));
    if (!isToCome) {
      return null;
    }
    Axis axis = heldAxis(profiles, directory);
    return new KindGuess(LoadKind.GOALS, axis == null ? Axis.REP : axis, null);
  }

  /** The axis of which a column holds known members. */
  private static @Nullable Axis heldAxis(List<ColumnProfile> profiles, Directory directory) {
    return Stream.of(Axis.REP, Axis.REGION, Axis.PRODUCT, Axis.LINE, Axis.MANAGER)
        .filter(axis -> profiles.stream().anyMatch(p -> p.holdsMembers(axis, directory)))
        .findFirst()
        .orElse(null);
  }

  /** Guesses from the header's titles and the file's name. */
  public static KindGuess of(List<String> titles, String fileName, List<Measure> measures) {
    if (has(titles, Header.Role.DEAL)
        && has(titles, Header.Role.REP)
        && (has(titles, Header.Role.LIKELIHOOD) || has(titles, Header.Role.STAGE))) {
      return new KindGuess(LoadKind.DEALS, null, null);
    }
    boolean hasActual = titles.stream().anyMatch(title -> isActual(title, measures));
    String titleWord =
        titles.stream().map(KindGuess::goalWord).filter(w -> w != null).findFirst().orElse(null);
    boolean hasMonthColumns = titles.stream().anyMatch(t -> DateText.monthHeader(t) != null);
    if (!hasActual && !hasMonthColumns) {
      if (has(titles, Header.Role.REP) && has(titles, Header.Role.FROM)) {
        return new KindGuess(LoadKind.ROSTER, null, null);
      }
      boolean isProducts =
          has(titles, Header.Role.PRODUCT)
              && (has(titles, Header.Role.LINE) || has(titles, Header.Role.NAME));
      if (isProducts && !hasTime(titles)) {
        return new KindGuess(LoadKind.PRODUCTS, null, null);
      }
    }
    String nameWord = goalWord(fileName);
    if (hasGoalColumns(titles, measures)) {
      return new KindGuess(
          LoadKind.GOALS, axis(titles, 5), nameWord == null ? titleWord : nameWord);
    }
    boolean isYearly = has(titles, Header.Role.YEAR) && !has(titles, Header.Role.PERIOD);
    if (hasActual && titleWord != null && nameWord == null) {
      return new KindGuess(LoadKind.ACTUALS, axis(titles, 3), titleWord);
    }
    if (nameWord != null || isYearly || (titleWord != null && !hasActual)) {
      return new KindGuess(
          LoadKind.GOALS, axis(titles, 5), nameWord == null ? titleWord : nameWord);
    }
    return new KindGuess(LoadKind.ACTUALS, null, null);
  }

  private static @Nullable String goalWord(String text) {
    Matcher word = GOAL_WORD.matcher(text);
    if (!word.find()) {
      return null;
    }
    return word.group(1) != null
        ? word.group(1).toLowerCase(Locale.ROOT)
        : OTHER_WORDS.entrySet().stream()
            .filter(other -> word.group().toLowerCase(Locale.ROOT).startsWith(other.getKey()))
            .map(Map.Entry::getValue)
            .findFirst()
            .orElse("goal");
  }

  private static boolean isActual(String title, List<Measure> measures) {
    String folded = Header.fold(title);
    return measures.stream().anyMatch(measure -> Header.fold(measure.code()).equals(folded))
        || ColumnGuess.isUsualAmount(title);
  }

  /** Whether columns can only be of goals: a range's end, or a rate. */
  private static boolean hasGoalColumns(List<String> titles, List<Measure> measures) {
    List<String> folded = titles.stream().map(Header::fold).toList();
    boolean hasCounted =
        measures.stream().anyMatch(m -> !m.isRate() && folded.contains(Header.fold(m.code())));
    return measures.stream()
        .anyMatch(
            measure ->
                folded.contains(Header.fold(measure.lowEnd().code()))
                    || (measure.isRate()
                        && !hasCounted
                        && folded.contains(Header.fold(measure.code()))));
  }

  private static boolean hasTime(List<String> titles) {
    return has(titles, Header.Role.DATE)
        || has(titles, Header.Role.MONTH)
        || has(titles, Header.Role.YEAR);
  }

  /** The first axis that has a column, of the first so many; reps where none has. */
  private static Axis axis(List<String> titles, int most) {
    Axis[] order = {Axis.REP, Axis.REGION, Axis.PRODUCT, Axis.LINE, Axis.MANAGER};
    for (int at = 0; at < most; at++) {
      if (has(titles, Header.Role.valueOf(order[at].name()))) {
        return order[at];
      }
    }
    return most > 3 && has(titles, Header.Role.COMPANY) ? Axis.COMPANY : Axis.REP;
  }

  private static boolean has(List<String> titles, Header.Role role) {
    return titles.stream().anyMatch(title -> ColumnGuess.isUsual(title, role));
  }
}
