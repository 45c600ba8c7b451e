package zealoustarget.server.rules.reading;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.member.MailAddress;
import zealoustarget.server.rules.Closing;

/**
 * What is wanted before a month is closed, in a rules file.
 *
 * @param off codes of the lines that are not asked for
 * @param missesAbove a share such as 0.1
 * @param overPlanAbove a share such as 0.04
 * @param dueDay a working day from 1
 */
public record ClosingPart(
    List<String> off,
    String missesAbove,
    String overPlanAbove,
    int dueDay,
    boolean requireChecked,
    List<String> tell) {
  /** Codes of the lines that can be left out. */
  public static final Set<String> LINES =
      Set.of(
          "arrivals",
          "staged",
          "held",
          "control-totals",
          "quotas",
          "region-goals",
          "plans",
          "reasons",
          "adjustments",
          "follow-ups",
          "briefing");

  private static final int LATEST_DAY = 60;
  private static final int MOST_ADDRESSES = 20;

  public static ClosingPart of(Closing closing) {
    return new ClosingPart(
        List.copyOf(new TreeSet<>(closing.off())),
        closing.missesAbove().toText(),
        closing.overPlanAbove().toText(),
        closing.dueDay(),
        closing.requiresChecked(),
        closing.tell());
  }

  /** What is not named stays. */
  public static Closing read(Place place, Closing before) {
    place.allowOnly(
        Set.of("off", "missesAbove", "overPlanAbove", "dueDay", "requireChecked", "tell"));
    return new Closing(
        place.isSet("off") ? off(place) : before.off(),
        share(place, "missesAbove", before.missesAbove()),
        share(place, "overPlanAbove", before.overPlanAbove()),
        place.isSet("dueDay") ? dueDay(place) : before.dueDay(),
        place.isSet("requireChecked") ? place.bool("requireChecked") : before.requiresChecked(),
        place.isSet("tell") ? addresses(place) : before.tell());
  }

  private static Set<String> off(Place place) {
    Set<String> off = new TreeSet<>(place.texts("off"));
    for (String line : off) {
      if (!LINES.contains(line)) {
        throw place.fault(
            "off", ReadingWords.mustHoldCloseLines(String.join(", ", new TreeSet<>(LINES)), line));
      }
    }
    return off;
  }

  private static Ratio share(Place place, String name, Ratio before) {
    if (!place.isSet(name)) {
      return before;
    }
    String text = place.text(name).strip();
    try {
      Ratio share = Ratio.parse(text);
      if (share.signum() >= 0 && share.compareTo(Ratio.ONE) <= 0) {
        return share;
      }
    } catch (ArithmeticException | IllegalArgumentException noShare) {
      // falls through to the one refusal
    }
    throw place.fault(name, ReadingWords.mustBeShare(text));
  }

  private static int dueDay(Place place) {
    int day = place.whole("dueDay");
    if (day < 1 || day > LATEST_DAY) {
      throw place.fault("dueDay", ReadingWords.mustBeWorkingDay(LATEST_DAY));
    }
    return day;
  }

  private static List<String> addresses(Place place) {
    List<String> all = place.texts("tell").stream().map(String::strip).distinct().toList();
    if (all.size() > MOST_ADDRESSES) {
      throw place.fault("tell", ReadingWords.mustHoldAtMostAddresses(MOST_ADDRESSES));
    }
    for (String address : all) {
      if (!MailAddress.isOne(address)) {
        throw place.fault("tell", ReadingWords.mustHoldMailAddresses(address));
      }
    }
    return all;
  }
}
