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
    if (standing.rows().isEmpty() && standing.outside().unassignedLines() == 0) {
      say("Nothing is posted for " + lowerFirst(words.span()) + " in this view.");
    } else if (total().actual() == null) {
      say(words.span() + (words.isPlural() ? " have " : " has ") + "nothing to divide by.");
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
  }

  private void sayWithoutGoal() {
    say(
        words.span()
            + (words.isPlural() ? " have " : " has ")
            + amount(Objects.requireNonNull(total().actual()))
            + (standing.measure().isRate() ? " as " : " of ")
            + standing.measure().code()
            + ", and no goal to compare it with.");
  }

  private Reading total() {
    return standing.total().reading();
  }

  private boolean hasRanges() {
    return total().range() != null;
  }

  private void sayTotal() {
    Ratio variance = Objects.requireNonNull(total().variance());
    say(words.span() + (words.isPlural() ? " are " : " is "));
    if (variance.signum() == 0) {
      say((hasRanges() ? "inside the range of " : "exactly on ") + words.goal(), Tone.GOOD);
    } else {
      say(size(total(), variance) + side(variance.signum() > 0) + words.goal(), tone());
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

  /** As a percentage where there is one, otherwise as an amount. */
  private String size(Reading total, Ratio variance) {
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

  private void sayWhoIsOutside() {
    int judged = standing.membersWithGoal();
    long out = standing.rows().stream().filter(Row::hasGoal).filter(Headline::isOutside).count();
    if (judged == 0 || axis == Axis.COMPANY) {
      return;
    }
    if (out == 0) {
      String all = judged == 1 ? "The one" : judged == 2 ? "Both" : "All " + Figures.number(judged);
      say(all + " " + axis.word(judged) + (judged == 1 ? " is" : " are") + " inside.");
    } else {
      int count = (int) out;
      say(
          Figures.capital(Figures.number(count))
              + " of "
              + Figures.number(judged)
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
    if (judged == 1) {
      say("The one " + axis.word() + " with a goal " + done);
    } else {
      String all = judged == 2 ? "Both" : "All " + Figures.number(judged);
      say(all + " " + axis.word(judged) + " with a goal " + done);
    }
  }

  private void sayHolders(List<Row> shortRows, String isShort) {
    int holders = standing.shortfallHolders();
    Ratio sum = standing.sumOfShortfalls();
    String what = isShort.equals("short") ? "shortfall" : "overspend";
    if (standing.measure().isRate()) {
      int over = shortRows.size();
      String words = " " + axis.word(over) + " are " + isShort + ".";
      say(Figures.capital(Figures.number(over)) + words);
      return;
    }
    if (holders == shortRows.size()) {
      say(
          Figures.capital(Figures.number(holders))
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
        Figures.capital(Figures.number(holders))
            + " of the "
            + Figures.number(shortRows.size())
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
    return Figures.amount(smallestUnits, standing.measure());
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

  private static String lowerFirst(String text) {
    return text.startsWith("The ") || text.startsWith("Fiscal ")
        ? Character.toLowerCase(text.charAt(0)) + text.substring(1)
        : text;
  }
}
