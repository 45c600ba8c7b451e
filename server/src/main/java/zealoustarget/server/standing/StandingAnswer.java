package zealoustarget.server.standing;

import java.util.List;
import java.util.Locale;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;

/** A standing as it travels. */
record StandingAnswer(
    String axis,
    String measure,
    String unit,
    int scale,
    String direction,
    String from,
    String to,
    String goal,
    String ladder,
    List<HeadlinePart> headline,
    ReadingAnswer total,
    NoGoal noGoal,
    Unassigned unassigned,
    List<ReadingAnswer> rows,
    Summary summary) {

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
          ReadingAnswer.text(standing.attainmentOfAssigned()),
          standing.shortfallHolders());
    }
  }
}
