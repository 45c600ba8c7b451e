package zealoustarget.core.outlook;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Headline.Part;
import zealoustarget.core.reading.Headline.Words;

/**
 * The sentence above an outlook, computed from its rows.
 *
 * <p>Worked: "Quarter 2 of fiscal 2027 should end 4.1 % short of quota with its open deals. Two
 * reps could win every deal and still miss."
 */
public final class OutlookHeadline {
  private final OutlookTable table;
  private final Axis axis;
  private final Words words;
  private final List<Part> parts = new ArrayList<>();

  private OutlookHeadline(OutlookTable table, Axis axis, Words words) {
    this.table = table;
    this.axis = axis;
    this.words = words;
  }

  /**
   * The sentence in pieces, in reading order; never empty.
   *
   * @param asOf whether any snapshot is in force
   */
  public static List<Part> of(OutlookTable table, Axis axis, Words words, boolean asOf) {
    OutlookHeadline headline = new OutlookHeadline(table, axis, words);
    headline.compose(asOf);
    return List.copyOf(headline.parts);
  }

  private void compose(boolean hasSnapshot) {
    Outlook total = table.total().outlook();
    if (!hasSnapshot) {
      say("No deals are posted as of this day. Load a file of deals in Intake.", null);
      return;
    }
    if (total.deals().deals() == 0) {
      say(words.span() + (words.isPlural() ? " have" : " has") + " no open deals.", null);
      return;
    }
    Ratio goal = total.reading().goalAmount();
    Ratio expected = Objects.requireNonNull(total.expected());
    say(words.span() + " should end ", null);
    if (goal == null) {
      say(
          "at " + amount(expected) + withDeals() + ", and there is no goal to compare it with.",
          null);
      return;
    }
    Ratio variance = expected.minus(goal);
    String side = variance.signum() < 0 ? " short of " : " above ";
    say(
        variance.signum() == 0
            ? "exactly on " + words.goal()
            : size(variance, goal) + side + words.goal(),
        table.total().expected().tone());
    say(withDeals() + ". ", null);
    sayOutOfReach();
  }

  private String withDeals() {
    return " with " + (words.isPlural() ? "their" : "its") + " open deals";
  }

  private void sayOutOfReach() {
    int out = (int) table.rows().stream().filter(OutlookTable.Row::isOutOfReach).count();
    if (out > 0) {
      say(
          Figures.capital(words.figures().number(out))
              + " "
              + axis.word(out)
              + " could win every deal and still miss.",
          null);
    }
  }

  private String size(Ratio variance, Ratio goal) {
    Ratio size = variance.signum() < 0 ? Ratio.ZERO.minus(variance) : variance;
    return goal.signum() > 0
        ? words.figures().grouped(Shown.percent(size.dividedBy(goal))) + " %"
        : amount(size);
  }

  private String amount(Ratio units) {
    return words
        .figures()
        .amount(Ratio.of(units.rounded(0, RoundingMode.HALF_UP)), table.measure());
  }

  private void say(String text, @Nullable Tone tone) {
    parts.add(new Part(text, tone));
  }
}
