package zealoustarget.server.goals;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.http.WordsOf;

/**
 * A fiscal year's goal sheet as the Goals desk shows it, with the draft of whoever asks laid over
 * what stands. Amounts are decimal strings in the measure's decimals; of a range cells have both
 * ends and sums are missing. Lists of months have one entry per month of the year, in order.
 *
 * @param plan the goal set of the groups that they are compared with; null for none
 * @param plans goal sets of the groups' axis that have goals of the measure
 * @param others what there is to compare: the years that have goals or actuals
 * @param downFrom goal sets of groups, or of the company, whose goals can be spread over the rows
 * @param copyFrom goal sets of the same axis that can be copied, of whatever year
 * @param upFrom goal sets of members of the rows, whose goals can be added up
 * @param drafts numbers of the drafts that whoever asks has of these goals
 * @param canDraft whether whoever asks may change goals
 */
record GoalDeskAnswer(
    String goalSet,
    boolean isNew,
    @WordsOf(Axis.class) String axis,
    String measure,
    String unit,
    int scale,
    boolean isRange,
    boolean isRate,
    int year,
    List<MonthAnswer> months,
    @WordsOf(Axis.class) @Nullable String group,
    @Nullable String plan,
    List<String> plans,
    List<Integer> others,
    List<String> downFrom,
    List<String> upFrom,
    List<String> copyFrom,
    boolean canDraft,
    List<String> headline,
    List<String> insights,
    LineAnswer total,
    List<GroupAnswer> groups,
    List<LineAnswer> rows,
    List<Integer> drafts,
    @Nullable DraftAnswer draft) {
  /**
   * A month of the year.
   *
   * @param isClosed whether its goals stay as they are
   * @param hasActuals whether anything is posted of the measure
   */
  record MonthAnswer(String month, int quarter, boolean isClosed, boolean hasActuals) {}

  /**
   * A row, a subtotal or the total.
   *
   * @param cells null where there is no goal; as "low – high" of a range
   * @param was per month what stands where the draft changes it, "" for no goal; null elsewhere
   * @param places per month the group in which it counts where that is another than its own
   * @param quarters null where there is no goal
   * @param lastYear actual of the same months a year before
   * @param stretch what the goal asks beyond last year, in percent with one decimal
   * @param share of the total of all rows, in percent with one decimal
   * @param ratio the goal by last year, 1 is as much; for drawing
   */
  record LineAnswer(
      String key,
      String name,
      List<@Nullable String> cells,
      List<@Nullable String> was,
      List<@Nullable String> places,
      List<@Nullable String> quarters,
      @Nullable String total,
      @Nullable String lastYear,
      @Nullable String stretch,
      @Nullable String share,
      @Nullable String ratio) {}

  /**
   * A group with the sum of its rows' goals.
   *
   * @param own the group's goals in the plan; null without
   * @param over how far the sum passes them, in percent with one decimal; null where there is none
   * @param rows keys of its rows
   */
  record GroupAnswer(
      LineAnswer sum, @Nullable LineAnswer own, @Nullable String over, List<String> rows) {}

  /**
   * What a draft would change, in months that are open and have actuals.
   *
   * @param changed number of cells
   * @param stale what others changed since, in sentences; it has to be discarded or changed again
   * @param sentence what the draft does
   */
  record DraftAnswer(
      int changed,
      @Nullable String before,
      @Nullable String after,
      List<String> stale,
      String sentence,
      List<MoveAnswer> moves,
      List<PayAnswer> pays,
      @Nullable String payChange) {}

  /** A row whose status differs in a month. */
  record MoveAnswer(
      String key,
      String name,
      String month,
      String before,
      @WordsOf(Tone.class) String toneBefore,
      String after,
      @WordsOf(Tone.class) String toneAfter,
      @Nullable String attainmentBefore,
      @Nullable String attainmentAfter) {}

  /** A rep whose pay for a month differs; amounts with two decimals. */
  record PayAnswer(
      String key, String name, String month, String before, String after, String change) {}
}
