package zealoustarget.server.standing.view;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.CompanyShare;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.rules.RungPart;
import zealoustarget.server.rules.StretchesPart;

/**
 * A standing as it travels.
 *
 * @param goal words for what it is compared with; {@code beside} for the second basis
 * @param isDerived whether the goal is taken from earlier actuals
 * @param isRange whether the goals are ranges
 * @param group axis of the groups, null without; then {@code groups} are the subtotals and {@code
 *     rows} name their group
 * @param closed how closed months are read: as-closed or restated
 * @param corrections what closed months of the span lack; null for rates
 * @param emptyMonths months of the span without any posted actual of the measure
 * @param unsplit goals that the groups do not split, null without
 * @param waiting members that headline and insights leave out, as their file has not come
 * @param spoken how many reached what headline and marks speak of
 * @param leftOut what narrowing took away
 * @param openMonth how far the span's last month is, null where it is over
 * @param rung the ladder that judged, with its scale; one per month unscaled
 * @param trial what of the query is tried and not in force, in words; null where nothing is
 * @param shading limits of full tone in force
 * @param stretches where lanes are parted, null for nowhere
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record StandingAnswer(
    @WordsOf(Axis.class) String axis,
    String measure,
    String measureName,
    String unit,
    int scale,
    @Schema(allowableValues = {"HIGHER", "LOWER", "NEAREST"}) String direction,
    String from,
    String to,
    String goal,
    boolean isDerived,
    @Nullable String beside,
    boolean isRange,
    String ladder,
    @Schema(allowableValues = {"as-closed", "restated"}) String closed,
    ReadingAnswer.@Nullable Correction corrections,
    List<String> emptyMonths,
    List<HeadlinePart> headline,
    ReadingAnswer total,
    NoGoal noGoal,
    Unassigned unassigned,
    LeftOut leftOut,
    @Nullable Unsplit unsplit,
    @Nullable Waiting waiting,
    SpokenCount spoken,
    @Nullable OpenMonth openMonth,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable CompanyGoal companyGoal,
    @WordsOf(Axis.class) @Nullable String group,
    @Nullable List<ReadingAnswer> groups,
    List<ReadingAnswer> rows,
    Summary summary,
    LadderUsed rung,
    @Nullable List<String> trial,
    Limits shading,
    @Nullable StretchesPart stretches) {

  /** The same standing with other rows. */
  public StandingAnswer withRows(List<ReadingAnswer> others) {
    return new StandingAnswer(
        axis,
        measure,
        measureName,
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
        closed,
        corrections,
        emptyMonths,
        headline,
        total,
        noGoal,
        unassigned,
        leftOut,
        unsplit,
        waiting,
        spoken,
        openMonth,
        companyGoal,
        group,
        groups,
        others,
        summary,
        rung,
        trial,
        shading,
        stretches);
  }

  public record HeadlinePart(String text, @WordsOf(Tone.class) @Nullable String tone) {
    static HeadlinePart plain(String text) {
      return new HeadlinePart(text, null);
    }

    public static HeadlinePart of(Headline.Part part) {
      Tone tone = part.tone();
      return new HeadlinePart(
          part.text(), tone == null ? null : tone.name().toLowerCase(Locale.ROOT));
    }
  }

  /** What the total holds beyond the members with a goal. */
  record NoGoal(int members, @Nullable String actual) {}

  /** The part of it that names no member of the axis at all. */
  public record Unassigned(int lines, @Nullable String actual) {}

  /**
   * What narrowing took away.
   *
   * @param shortfallShareShown what the rows that are shown hold of all rows' shortfall, in
   *     percent; null where nothing is left out or nothing is short
   */
  public record LeftOut(
      int members, @Nullable String actual, @Nullable String shortfallShareShown) {}

  /**
   * The company's goal where that is what its members are compared with; nobody is judged by it.
   *
   * @param remaining of the whole company, whatever is filtered
   */
  public record CompanyGoal(
      @Nullable String goal, @Nullable String actual, @Nullable String remaining) {
    static @Nullable CompanyGoal of(@Nullable CompanyShare share, Measure measure) {
      return share == null
          ? null
          : new CompanyGoal(
              measure.text(share.goal()),
              measure.text(share.actual()),
              measure.text(share.remaining()));
    }
  }

  /** Goals of members whose rows lie in several groups. */
  public record Unsplit(int members, @Nullable String goal) {}

  /** How many members reached what is spoken of, of those with a goal. */
  record SpokenCount(int withGoal, int reached) {
    static SpokenCount of(Standing spoken) {
      return new SpokenCount(spoken.membersWithGoal(), spoken.reached());
    }
  }

  /** Members whose file has not come; {@code isCounted} where sentences count them all the same. */
  record Waiting(int members, boolean isCounted) {}

  public record OpenMonth(String asOf, int elapsed, int workingDays) {}

  record LadderUsed(String scale, List<RungPart> rungs, boolean perMonth) {}

  /**
   * Limits of full tone; {@code isAutomatic} of each side says whether it is the largest in view.
   */
  record Limits(
      @Nullable String good,
      @Nullable String bad,
      boolean isGoodAutomatic,
      boolean isBadAutomatic) {}

  public record Extreme(String key, String name, String actual) {
    /** The member whose actual stands out, with that figure. */
    public static @Nullable Extreme of(@Nullable Row row, Measure measure) {
      return row == null
          ? null
          : new Extreme(
              row.member().key(),
              row.member().name(),
              measure.text(Objects.requireNonNull(row.reading().actual())));
    }
  }

  record Summary(
      int members,
      int membersWithGoal,
      int atOrAboveGoal,
      int reached,
      @Nullable Extreme highest,
      @Nullable Extreme lowest,
      @Nullable String medianAttainment,
      @Nullable String meanOfMembers,
      @Nullable String attainmentOfAssigned,
      int shortfallHolders) {
    public static Summary of(Standing standing, Ratio atOrAbove) {
      Measure measure = standing.measure();
      return new Summary(
          standing.rows().size(),
          standing.membersWithGoal(),
          standing.atOrAbove(atOrAbove),
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
