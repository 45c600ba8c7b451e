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
 * <p>Worked: "October 2026 is 4.5 % short of quota. Three of seven reps that are short hold 84 % of
 * the shortfall."
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
   */
  public record Words(String span, boolean isPlural, String goal) {}

  private static final String[] NUMBERS = {
    "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven",
    "twelve"
  };

  private final Standing standing;
  private final Axis axis;
  private final Words words;
  private final List<Part> parts = new ArrayList<>();

  private Headline(Standing standing, Axis axis, Words words) {
    this.standing = standing;
    this.axis = axis;
    this.words = words;
  }

  /** The sentence in pieces, in reading order; never empty. */
  public static List<Part> of(Standing standing, Axis axis, Words words) {
    Headline headline = new Headline(standing, axis, words);
    headline.compose();
    return List.copyOf(headline.parts);
  }

  private void compose() {
    if (standing.rows().isEmpty() && standing.unassignedLines() == 0) {
      say("Nothing is posted for " + lowerFirst(words.span()) + " in this view.");
    } else if (standing.total().goalAmount() == null) {
      sayWithoutGoal();
    } else {
      sayTotal();
      sayWhoIsShort();
    }
  }

  private void sayWithoutGoal() {
    say(
        words.span()
            + (words.isPlural() ? " have " : " has ")
            + amount(standing.total().actual())
            + " of "
            + standing.measure().code()
            + ", and no goal to compare it with.");
  }

  private void sayTotal() {
    Reading total = standing.total();
    Ratio variance = Objects.requireNonNull(total.variance());
    say(words.span() + (words.isPlural() ? " are " : " is "));
    if (variance.signum() == 0) {
      say("exactly on " + words.goal(), Tone.GOOD);
    } else {
      boolean isHigher = total.direction() == Direction.HIGHER;
      String side =
          variance.signum() > 0
              ? (isHigher ? " ahead of " : " over ")
              : (isHigher ? " short of " : " under ");
      say(size(total, variance) + side + words.goal(), tone());
    }
    say(". ");
  }

  /** As a percentage where there is one, otherwise as an amount. */
  private String size(Reading total, Ratio variance) {
    Ratio share = total.variancePercent();
    return share == null || total.attainment() == null
        ? amount(variance.abs())
        : percent(share.abs()) + " %";
  }

  private Tone tone() {
    Tone judged = standing.totalStatus().tone();
    if (judged != Tone.NEUTRAL) {
      return judged;
    }
    return standing.total().isReached() ? Tone.GOOD : Tone.BAD;
  }

  private void sayWhoIsShort() {
    List<Row> shortRows = standing.shortRows();
    int judged = standing.membersWithGoal();
    if (judged == 0 || axis == Axis.COMPANY) {
      return;
    }
    boolean isHigher = standing.total().direction() == Direction.HIGHER;
    String isShort = isHigher ? "short" : "over";
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

  private void sayNoneShort(int judged, boolean isHigher) {
    String done = isHigher ? "reached the goal." : "stayed within the goal.";
    if (judged == 1) {
      say("The one " + axis.word() + " with a goal " + done);
    } else {
      String all = judged == 2 ? "Both" : "All " + number(judged);
      say(all + " " + axis.word(judged) + " with a goal " + done);
    }
  }

  private void sayHolders(List<Row> shortRows, String isShort) {
    int holders = standing.shortfallHolders();
    Ratio sum = standing.sumOfShortfalls();
    String what = isShort.equals("short") ? "shortfall" : "overspend";
    if (holders == shortRows.size()) {
      say(
          capital(number(holders))
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
        capital(number(holders))
            + " of the "
            + number(shortRows.size())
            + " "
            + axis.word(shortRows.size())
            + " that are "
            + isShort
            + (holders == 1 ? " holds " : " hold ")
            + held.times(Ratio.of(100)).rounded(0, RoundingMode.FLOOR).toPlainString()
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

  private String amount(Ratio smallestUnits) {
    String digits = standing.measure().text(smallestUnits);
    return Figures.grouped(digits)
        + (standing.measure().isCurrency() ? " " + standing.measure().unit() : "");
  }

  /** One decimal, or as many, up to four, as keep a difference from looking like none. */
  private static String percent(Ratio share) {
    Ratio percent = share.times(Ratio.of(100));
    for (int decimals = 1; decimals <= 4; decimals++) {
      var shown = percent.rounded(decimals, RoundingMode.HALF_UP);
      if (shown.signum() != 0) {
        return Figures.grouped(shown.toPlainString());
      }
    }
    return "under 0.0001";
  }

  private static String number(int count) {
    return count < NUMBERS.length ? NUMBERS[count] : Figures.grouped(Integer.toString(count));
  }

  private static String capital(String text) {
    return Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  private static String lowerFirst(String text) {
    return text.startsWith("The ") || text.startsWith("Fiscal ")
        ? Character.toLowerCase(text.charAt(0)) + text.substring(1)
        : text;
  }
}
