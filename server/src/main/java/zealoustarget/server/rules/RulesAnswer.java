package zealoustarget.server.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.server.rules.reading.ClosingPart;
import zealoustarget.server.rules.reading.CompanyReader;
import zealoustarget.server.rules.reading.RulesReader;
import zealoustarget.server.rules.reading.StagePart;

/** The rules in the form that {@code PUT /api/v1/rules} takes. */
record RulesAnswer(
    CompanyPart company,
    Calendar calendar,
    List<MeasurePart> measures,
    List<LadderPart> ladders,
    List<ShadingPart> shading,
    List<StretchesPart> stretches,
    List<StagePart> stages,
    ClosingPart closing,
    List<PlanPart> plans,
    List<PlanPart.AssignmentPart> assignments,
    List<PlanPart.SharedPart> credits,
    Approval approval) {
  /** The company; {@code writing} holds what is set of it, null where nothing is. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record CompanyPart(String name, @Nullable String timeZone, @Nullable WritingPart writing) {
    static CompanyPart of(Company company) {
      return new CompanyPart(
          company.name(),
          company.timeZone() == null ? null : company.timeZone().getId(),
          WritingPart.of(company.writing()));
    }
  }

  /** How the company writes numbers and dates, in the words of the file. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record WritingPart(
      @Nullable String decimal,
      @Nullable String grouping,
      @Nullable String dates,
      @Nullable String weekStart) {
    static @Nullable WritingPart of(Writing writing) {
      return writing.equals(Writing.NONE)
          ? null
          : new WritingPart(
              writing.decimal() == null ? null : Character.toString(writing.decimal().mark()),
              writing.grouping(),
              writing.dates() == null ? null : CompanyReader.word(writing.dates()),
              writing.weekStart() == null ? null : CompanyReader.word(writing.weekStart()));
    }
  }

  record Calendar(int startMonth, String yearNamedBy, List<String> holidays) {}

  /** A measure that is counted has a unit and decimals, a rate the two that it divides. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record MeasurePart(
      String code,
      @Nullable String name,
      @Nullable String unit,
      @Nullable Integer scale,
      String direction,
      @Nullable List<String> quotient,
      @Nullable String fedBy) {
    /** A name may change after a month is closed; it is none of what the month was read by. */
    MeasurePart withoutName() {
      return new MeasurePart(code, null, unit, scale, direction, quotient, fedBy);
    }

    static MeasurePart of(Measure measure, Company company) {
      String name = company.givenName(measure.code());
      return measure.isRate()
          ? new MeasurePart(
              measure.code(),
              name,
              null,
              null,
              measure.direction().name(),
              List.of(
                  Objects.requireNonNull(measure.quotient()).over().code(),
                  measure.quotient().under().code()),
              null)
          : new MeasurePart(
              measure.code(),
              name,
              measure.unit(),
              measure.scale(),
              measure.direction().name(),
              null,
              company.fedByDeals().contains(measure.code()) ? RulesReader.WON_DEALS : null);
    }
  }

  /** Limits in whole units, or auto. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ShadingPart(
      String measure, @Nullable String goalSet, @Nullable String axis, String good, String bad) {
    static ShadingPart of(AttachedShading attached, Rules rules) {
      Measure measure = rules.findMeasure(attached.to().measure()).orElseThrow();
      return new ShadingPart(
          measure.code(),
          attached.to().goalSet(),
          attached.to().axis() == null ? null : attached.to().axis().word(),
          text(attached.shading().goodLimit(), measure),
          text(attached.shading().badLimit(), measure));
    }

    private static String text(@Nullable Ratio limit, Measure measure) {
      return limit == null ? "auto" : measure.text(limit);
    }
  }

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record LadderPart(
      String measure,
      @Nullable String goalSet,
      @Nullable String axis,
      @Nullable String since,
      @Nullable String scale,
      @Nullable Boolean perMonth,
      List<RungPart> rungs) {}

  static RulesAnswer of(Rules rules) {
    return new RulesAnswer(
        CompanyPart.of(rules.company()),
        new Calendar(
            rules.calendar().startMonth(),
            rules.calendar().yearNamedBy().name().toLowerCase(Locale.ROOT),
            rules.workingDays().holidays().stream().sorted().map(LocalDate::toString).toList()),
        rules.measures().stream().map(one -> MeasurePart.of(one, rules.company())).toList(),
        Stream.concat(
                rules.measures().stream()
                    .filter(measure -> !isReplaced(rules, measure))
                    .map(
                        m ->
                            ladder(
                                new AttachedLadder(
                                    new Attachment(m.code(), null, null),
                                    null,
                                    Ladder.defaultOf(m.direction())))),
                rules.ladders().stream().map(RulesAnswer::ladder))
            .toList(),
        rules.shadings().stream().map(s -> ShadingPart.of(s, rules)).toList(),
        rules.stretches().stream().map(StretchesPart::of).toList(),
        rules.company().stages().stream().map(StagePart::of).toList(),
        ClosingPart.of(rules.company().closing()),
        rules.commission().plans().versions().stream().map(PlanPart::of).toList(),
        rules.commission().plans().assignments().stream().map(PlanPart.AssignmentPart::of).toList(),
        rules.commission().shared().stream().map(PlanPart.SharedPart::of).toList(),
        rules.approval());
  }

  /**
   * What is frozen with a month: measures, calendar, the ladders that replace a default, shading
   * and commission. Seals of the first form have ladders and commission only.
   */
  record Frozen(
      Calendar calendar,
      List<MeasurePart> measures,
      List<LadderPart> ladders,
      List<ShadingPart> shading,
      List<PlanPart> plans,
      List<PlanPart.AssignmentPart> assignments,
      List<PlanPart.SharedPart> credits) {
    static Frozen of(Rules rules) {
      RulesAnswer whole = RulesAnswer.of(rules);
      return new Frozen(
          whole.calendar(),
          whole.measures().stream().map(MeasurePart::withoutName).toList(),
          rules.ladders().stream().map(RulesAnswer::ladder).toList(),
          whole.shading(),
          whole.plans(),
          whole.assignments(),
          whole.credits());
    }
  }

  /** Whether a ladder for every goal set and axis stands in place of the measure's default. */
  private static boolean isReplaced(Rules rules, Measure measure) {
    return rules.ladders().stream()
        .anyMatch(
            a ->
                a.to().measure().equals(measure.code())
                    && a.to().closeness() == 0
                    && a.since() == null);
  }

  private static LadderPart ladder(AttachedLadder attached) {
    Attachment to = attached.to();
    return new LadderPart(
        to.measure(),
        to.goalSet(),
        to.axis() == null ? null : to.axis().word(),
        attached.since() == null ? null : attached.since().toString(),
        attached.ladder().scale().word(),
        attached.ladder().perMonth() ? true : null,
        attached.ladder().rungs().stream().map(RungPart::of).toList());
  }
}
