package zealoustarget.server.standing;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Locale;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.server.playbook.RungPart;

/**
 * A standing as it travels.
 *
 * @param goal words for what it is compared with; {@code beside} for the second basis
 * @param isDerived whether the goal is taken from earlier actuals
 * @param isRange whether the goals are ranges
 * @param group axis of the groups, null without; then {@code groups} are the subtotals and {@code
 *     rows} name their group
 * @param leftOut what narrowing took away
 * @param openMonth how far the span's last month is, null where it is over
 * @param rung the ladder that judged, with its scale
 * @param shading limits of full tone in force
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
record StandingAnswer(
    String axis,
    String measure,
    String unit,
    int scale,
    String direction,
    String from,
    String to,
    String goal,
    boolean isDerived,
    String beside,
    boolean isRange,
    String ladder,
    List<HeadlinePart> headline,
    ReadingAnswer total,
    NoGoal noGoal,
    Unassigned unassigned,
    LeftOut leftOut,
    OpenMonth openMonth,
    String group,
    List<ReadingAnswer> groups,
    List<ReadingAnswer> rows,
    Summary summary,
    LadderUsed rung,
    Limits shading) {

  StandingAnswer withRows(List<ReadingAnswer> others) {
    return new StandingAnswer(
        axis,
        measure,
        unit,
        scale,
        direction,
        from,
        to,
        goal,
        isDerived,
        beside,
        isRange,
        ladder,
        headline,
        total,
        noGoal,
        unassigned,
        leftOut,
        openMonth,
        group,
        groups,
        others,
        summary,
        rung,
        shading);
  }

  record HeadlinePart(String text, String tone) {
    static HeadlinePart of(Headline.Part part) {
      Tone tone = part.tone();
      return new HeadlinePart(
          part.text(), tone == null ? null : tone.name().toLowerCase(Locale.ROOT));
    }
  }

  /** What the total holds beyond the members with a goal. */
  record NoGoal(int members, String actual) {}

  /** The part of it that names no member of the axis at all. */
  record Unassigned(int lines, String actual) {}

  record LeftOut(int members, String actual) {}

  record OpenMonth(String asOf, int elapsed, int workingDays) {}

  record LadderUsed(String scale, List<RungPart> rungs) {}

  /**
   * Limits of full tone; {@code isAutomatic} of each side says whether it is the largest in view.
   */
  record Limits(String good, String bad, boolean isGoodAutomatic, boolean isBadAutomatic) {}

  record Extreme(String key, String name, String actual) {
    static Extreme of(Row row, Measure measure) {
      return row == null
          ? null
          : new Extreme(
              row.member().key(), row.member().name(), measure.text(row.reading().actual()));
    }
  }

  record Summary(
      int members,
      int membersWithGoal,
      int atOrAboveGoal,
      int reached,
      Extreme highest,
      Extreme lowest,
      String medianAttainment,
      String meanOfMembers,
      String attainmentOfAssigned,
      int shortfallHolders) {
    static Summary of(Standing standing) {
      Measure measure = standing.measure();
      return new Summary(
          standing.rows().size(),
          standing.membersWithGoal(),
          standing.atOrAbove(Ratio.ONE),
          standing.reached(),
          Extreme.of(standing.highest(), measure),
          Extreme.of(standing.lowest(), measure),
          ReadingAnswer.text(standing.medianAttainment()),
          ReadingAnswer.text(standing.meanOfMembers()),
          ReadingAnswer.text(standing.attainmentOfAssigned()),
          standing.shortfallHolders());
    }
  }
}
