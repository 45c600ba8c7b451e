package zealoustarget.core.reading;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Standing.Row;

/**
 * The sentence above the table, computed from the standing so that it says what the rows say.
 *
 * <p>It speaks of what the marks show: the goal to date of a running month, the months with a goal
 * where not all have one, else the whole (docs/calculations.md, section 2), and says which.
 *
 * <p>Worked: "October 2026 is 4.5 % short of quota. Three of the seven reps that are short account
 * for 84 % of the shortfall."
 */
public final class Headline {
  /**
   * A piece of the sentence.
   *
   * @param text as it is read, blanks included
   * @param tone how it is marked, null for plain text
   */
  public record Part(String text, @Nullable Tone tone) {}

  /**
   * How the sentence speaks of the span and of the goal.
   *
   * @param span such as "October 2026" or "The twelve months to October 2026"
   * @param isPlural whether the span takes "are"
   * @param goal such as "quota" or "last year"
   * @param figures how amounts are written
   */
  public record Words(String span, boolean isPlural, String goal, Figures figures) {}

  /**
   * What the sentence has to say beside the figures.
   *
   * @param last the span's last month, such as "November 2026"
   * @param days how far that is, null where it is over
   * @param months how many months the span has
   * @param empty names of the months without any actual, where the span has others
   * @param waiting names of the members that are left out, as their file has not come
   * @param isRestated whether closed months are read with what was posted since
   * @param corrections what the closed months lack, smallest units; null where nothing was posted
   *     since
   * @param ofCompany the company's goal where that is what is compared with; null elsewhere
   */
  public record Scope(
      String last,
      Pace.@Nullable Days days,
      int months,
      List<String> empty,
      List<String> waiting,
      boolean isRestated,
      @Nullable Ratio corrections,
      @Nullable CompanyShare ofCompany) {
    /** A span of one month that is over, of which there is nothing more to say. */
    public static Scope plain(String month) {
      return new Scope(month, null, 1, List.of(), List.of(), false, null, null);
    }
  }

  private static final int MOST_NAMED = 3;

  private final Standing whole;
  private final Standing standing;
  private final Axis axis;
  private final Words words;
  private final Scope scope;
  private final List<Part> parts = new ArrayList<>();

  private Headline(Standing whole, Axis axis, Words words, Scope scope) {
    this.whole = whole;
    this.standing = whole.asSpoken();
    this.axis = axis;
    this.words = words;
    this.scope = scope;
  }

  /** The sentence in pieces, in reading order; never empty. */
  public static List<Part> of(Standing whole, Axis axis, Words words, Scope scope) {
    Headline headline = new Headline(whole, axis, words, scope);
    headline.compose();
    return List.copyOf(headline.parts);
  }

  private void compose() {
    if (isEmpty()) {
      sayEmpty();
    } else if (standing.rows().isEmpty() && standing.outside().unassignedLines() == 0) {
      say("Nothing is posted for " + lowerFirst(words.span()) + " in this view.");
    } else if (total().actual() == null) {
      say(span() + have() + "nothing to divide by.");
    } else if (!total().hasGoal()) {
      sayWithoutGoal();
    } else {
      sayTotal();
      if (hasRanges()) {
        sayWhoIsOutside();
      } else if (total().direction() != Direction.NEAREST) {
        sayWhoIsShort();
      }
    }
    sayWhatIsLeftOut();
  }

  private boolean isEmpty() {
    return whole.total().status().noReading() == NoReading.EMPTY;
  }

  private void sayEmpty() {
    say(words.span() + have() + "no actuals yet.");
    Ratio goal = whole.total().reading().goalAmount();
    if (goal != null) {
      say(" The goal (" + words.goal() + ") is " + amount(goal) + ".");
    }
  }

  /** Empty months, waiting members, and what came after a close. */
  private void sayWhatIsLeftOut() {
    if (!scope.empty().isEmpty() && !isEmpty()) {
      int count = scope.empty().size();
      String who =
          count <= MOST_NAMED ? names(scope.empty()) : Figures.capital(figures().number(count));
      say(" " + who + (count <= MOST_NAMED ? "" : " months"));
      say((count == 1 ? " has" : " have") + " no actuals yet.");
    }
    if (!scope.waiting().isEmpty()) {
      int count = scope.waiting().size();
      String who =
          count <= MOST_NAMED
              ? names(scope.waiting())
              : figures().number(count) + " " + axis.word(count);
      say(" Without " + who + ", whose " + (count == 1 ? "file has" : "files have") + " not come.");
    }
    if (scope.isRestated()) {
      say(" Closed months are restated.");
    } else if (scope.corrections() != null && scope.corrections().signum() != 0) {
      Ratio sum = scope.corrections();
      String amount = (sum.signum() > 0 ? "+" : "") + amount(sum);
      say(" Corrections since close, " + amount + ", are not included.");
    }
  }

  private static String names(List<String> names) {
    int last = names.size() - 1;
    return last == 0
        ? names.get(0)
        : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
  }

  private String have() {
    return words.isPlural() ? " have " : " has ";
  }

  /** The span; where it ends in a running month, how far that is. */
  private String span() {
    Pace.Days days = scope.days();
    if (days == null) {
      return words.span();
    }
    String day = "day " + days.elapsed() + " of " + days.workingDays();
    return words.span()
        + ", "
        + (scope.months() == 1 ? day : day + " of " + scope.last())
        + (isToDate() ? ":" : ",");
  }

  private boolean isToDate() {
    return kind() == Standing.Kind.TO_DATE;
  }

  private Standing.Kind kind() {
    return whole.total().spoken().kind();
  }

  private void sayWithoutGoal() {
    say(
        span()
            + have()
            + amount(Objects.requireNonNull(total().actual()))
            + (standing.measure().isRate() ? " as " : " of ")
            + standing.measure().words()
            + (scope.ofCompany() == null
                ? ", and no goal to compare it with."
                : ", "
                    + words.figures().grouped(scope.ofCompany().percent(total().actual()))
                    + " % of the company's goal of "
                    + amount(scope.ofCompany().goal())
                    + "."));
  }

  private Reading total() {
    return standing.total().reading();
  }

  private boolean hasRanges() {
    return total().range() != null;
  }

  private void sayTotal() {
    Ratio variance = Objects.requireNonNull(total().variance());
    if (isToDate()) {
      sayPace(variance);
      return;
    }
    say(span() + (words.isPlural() ? " are " : " is "));
    if (variance.signum() == 0) {
      say((hasRanges() ? "inside the range of " : "exactly on ") + words.goal(), Tone.GOOD);
    } else {
      say(size(total(), variance) + side(variance.signum() > 0) + words.goal(), tone());
    }
    if (kind() == Standing.Kind.COMPARABLE) {
      say(" (goal for " + total().goalMonths() + " of " + scope.months() + " months)");
    }
    say(". ");
  }

  /** Against what was expected so far, and what of the whole goal is left. */
  private void sayPace(Ratio variance) {
    say(span() + " ");
    boolean isAbove = variance.signum() > 0;
    if (hasRanges()) {
      say(
          variance.signum() == 0
              ? "inside the range to date"
              : size(total(), variance) + (isAbove ? " above" : " below") + " the range to date",
          tone());
    } else if (total().noReading() == NoReading.ZERO_GOAL) {
      say("nothing is expected so far");
    } else if (variance.signum() == 0) {
      say("exactly on pace", Tone.GOOD);
    } else {
      String side =
          switch (total().direction()) {
            case HIGHER -> isAbove ? " ahead of pace" : " behind pace";
            case LOWER -> isAbove ? " over pace" : " under pace";
            case NEAREST -> isAbove ? " above pace" : " below pace";
          };
      say(size(total(), variance) + side, tone());
    }
    Ratio left = whole.total().reading().remaining();
    if (left != null && !hasRanges() && total().direction() != Direction.NEAREST) {
      boolean isHigher = total().direction() == Direction.HIGHER;
      say(
          left.signum() > 0
              ? "; " + percent(left) + " % of " + words.goal() + (isHigher ? " to go" : " left")
              : "; " + words.goal() + (isHigher ? " is reached" : " is used up"));
    }
    say(". ");
  }

  private String side(boolean isAbove) {
    if (hasRanges()) {
      return (isAbove ? " above" : " below") + " the range of ";
    }
    return switch (total().direction()) {
      case HIGHER -> isAbove ? " ahead of " : " short of ";
      case LOWER -> isAbove ? " over " : " under ";
      case NEAREST -> isAbove ? " above " : " below ";
    };
  }

  /** As a percentage where there is one, otherwise as an amount; of a rate in points. */
  private String size(Reading total, Ratio variance) {
    if (standing.measure().isRate()) {
      return figures().points(variance.abs(), standing.measure());
    }
    Ratio share = total.variancePercent();
    return share == null || total.attainment() == null
        ? amount(variance.abs())
        : percent(share.abs()) + " %";
  }

  private Tone tone() {
    Tone judged = standing.total().status().tone();
    if (judged != Tone.NEUTRAL) {
      return judged;
    }
    return total().isReached() ? Tone.GOOD : Tone.BAD;
  }

  private void sayWhoIsShort() {
    List<Row> shortRows = standing.shortRows();
    int judged = standing.membersWithGoal();
    if (judged == 0 || axis == Axis.COMPANY) {
      return;
    }
    boolean isHigher = total().direction() == Direction.HIGHER;
    String isShort =
        isToDate() ? (isHigher ? "behind pace" : "over pace") : isHigher ? "short" : "over";
    if (shortRows.isEmpty()) {
      sayNoneShort(judged, isHigher);
    } else if (shortRows.size() == 1) {
      Row only = shortRows.get(0);
      String name = only.member().name();
      say(
          judged == 1
              ? name + " is " + isShort + " by "
              : "Only " + name + " is " + isShort + ", by ");
      say(amount(Standing.shortfall(only)) + ".");
    } else {
      sayHolders(shortRows, isShort);
    }
  }

  private void sayWhoIsOutside() {
    int judged = standing.membersWithGoal();
    long out = standing.rows().stream().filter(Row::hasGoal).filter(Headline::isOutside).count();
    if (judged == 0 || axis == Axis.COMPANY) {
      return;
    }
    if (out == 0) {
      String all =
          judged == 1 ? "The one" : judged == 2 ? "Both" : "All " + figures().number(judged);
      say(all + " " + axis.word(judged) + (judged == 1 ? " is" : " are") + " inside.");
    } else {
      int count = (int) out;
      say(
          Figures.capital(figures().number(count))
              + " of "
              + figures().number(judged)
              + " "
              + axis.word(judged));
      say((count == 1 ? " is" : " are") + " outside " + (count == 1 ? "its" : "their") + " range.");
    }
  }

  private static boolean isOutside(Row row) {
    return !row.reading().isReached();
  }

  private void sayNoneShort(int judged, boolean isHigher) {
    String done = isHigher ? "reached the goal." : "stayed within the goal.";
    if (isToDate()) {
      done = isHigher ? "keep pace." : "stay within pace.";
      done = judged == 1 ? done.replaceFirst("(keep|stay)", "$1s") : done;
    }
    if (judged == 1) {
      say("The one " + axis.word() + " with a goal " + done);
    } else {
      String all = judged == 2 ? "Both" : "All " + figures().number(judged);
      say(all + " " + axis.word(judged) + " with a goal " + done);
    }
  }

  private void sayHolders(List<Row> shortRows, String isShort) {
    int holders = standing.shortfallHolders();
    Ratio sum = standing.sumOfShortfalls();
    String what = total().direction() == Direction.HIGHER ? "shortfall" : "overspend";
    if (standing.measure().isRate()) {
      int over = shortRows.size();
      String words = " " + axis.word(over) + " are " + isShort + ".";
      say(Figures.capital(figures().number(over)) + words);
      return;
    }
    if (holders == shortRows.size()) {
      say(
          Figures.capital(figures().number(holders))
              + " "
              + axis.word(holders)
              + " are "
              + isShort
              + ", by "
              + amount(sum)
              + " together.");
      return;
    }
    Ratio held =
        shortRows.stream()
            .limit(holders)
            .map(Standing::shortfall)
            .reduce(Ratio.ZERO, Ratio::plus)
            .dividedBy(sum);
    say(
        Figures.capital(figures().number(holders))
            + " of the "
            + figures().number(shortRows.size())
            + " "
            + axis.word(shortRows.size())
            + " that are "
            + isShort
            + (holders == 1 ? " accounts for " : " account for ")
            + figures().share(held)
            + " % of the "
            + what
            + ".");
  }

  private void say(String text) {
    parts.add(new Part(unbroken(text), null));
  }

  private void say(String text, Tone tone) {
    parts.add(new Part(unbroken(text), tone));
  }

  /** A percent sign stays on the line of its figure. */
  private static String unbroken(String text) {
    return text.replace(" %", "\u00a0%");
  }

  private Figures figures() {
    return words.figures();
  }

  private String amount(Ratio smallestUnits) {
    return figures().amount(smallestUnits, standing.measure());
  }

  /** One decimal, or as many, up to four, as keep a difference from looking like none. */
  private String percent(Ratio share) {
    Ratio percent = share.times(Ratio.of(100));
    for (int decimals = 1; decimals <= 4; decimals++) {
      var shown = percent.rounded(decimals, RoundingMode.HALF_UP);
      if (shown.signum() != 0) {
        return figures().grouped(shown.toPlainString());
      }
    }
    return "under " + figures().grouped("0.0001");
  }

  private static String lowerFirst(String text) {
    return text.startsWith("The ") || text.startsWith("Fiscal ")
        ? Character.toLowerCase(text.charAt(0)) + text.substring(1)
        : text;
  }
}
