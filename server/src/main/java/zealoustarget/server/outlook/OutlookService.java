package zealoustarget.server.outlook;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Member;
import zealoustarget.core.outlook.DealOverride;
import zealoustarget.core.outlook.DealScope;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.core.outlook.OpenDeals;
import zealoustarget.core.outlook.Outlook;
import zealoustarget.core.outlook.OutlookHeadline;
import zealoustarget.core.outlook.OutlookInsights;
import zealoustarget.core.outlook.OutlookTable;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Status;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.outlook.OutlookAnswer.InsightAnswer;
import zealoustarget.server.outlook.OutlookAnswer.RowAnswer;
import zealoustarget.server.outlook.OutlookAnswer.SnapshotAnswer;
import zealoustarget.server.standing.query.GoalWords;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;
import zealoustarget.server.standing.view.ReadingAnswer;
import zealoustarget.server.standing.view.StandingAnswer.HeadlinePart;

/** Answers outlooks; core computes every figure. */
@Service
public class OutlookService {
  private final OutlookReader reader;
  private final SnapshotFinder snapshots;

  OutlookService(OutlookReader reader, SnapshotFinder snapshots) {
    this.reader = reader;
    this.snapshots = snapshots;
  }

  /** The outlook of an axis in a span as of the snapshots in force. */
  public OutlookAnswer outlook(StandingParameters parameters) {
    return outlook(parameters, null);
  }

  /**
   * The same with deals as they are tried.
   *
   * @param tryDeal as {@link DealTrials} reads them; null for none
   */
  OutlookAnswer outlook(StandingParameters parameters, @Nullable List<String> tryDeal) {
    OutlookReader.Asked asked = reader.read(parameters).trying(tryDeal);
    ResolvedQuery resolved = asked.query();
    StandingQuery query = resolved.query();
    OutlookTable table = asked.table();
    Measure measure = query.measure();
    SpanWords span = SpanWords.of(query.span(), resolved.rules().calendar());
    Headline.Words words =
        new Headline.Words(
            span.text(), span.isPlural(), GoalWords.of(query.basis()), resolved.figures());
    return new OutlookAnswer(
        query.axis().word(),
        measure.code(),
        measure.unit(),
        measure.scale(),
        query.span().fromInclusive().toString(),
        query.span().toInclusive().toString(),
        GoalWords.of(query.basis()),
        resolved.reading().word(),
        asked.inForce().isEmpty() ? null : String.valueOf(DealSnapshot.day(asked.inForce())),
        snapshots.posted().stream()
            .sorted(Comparator.comparing(DealSnapshot::asOf).reversed())
            .map(OutlookService::snapshot)
            .toList(),
        OutlookHeadline.of(table, query.axis(), words, !asked.inForce().isEmpty()).stream()
            .map(HeadlinePart::of)
            .toList(),
        insights(asked, table).stream()
            .map(one -> new InsightAnswer(one.text(), one.keys()))
            .toList(),
        asked.tried(),
        difference(table, resolved),
        overridden(asked),
        (int) table.withGoal(),
        (int) table.expectedToReach(),
        resolved.group() == null ? null : resolved.group().word(),
        row(table.total(), table, resolved),
        table.groups() == null
            ? null
            : table.groups().stream().map(row -> row(row, table, resolved)).toList(),
        table.rows().stream().map(row -> row(row, table, resolved)).toList());
  }

  /** Without a snapshot nothing is known, which is not that somebody has no deals. */
  private static List<OutlookInsights.Sentence> insights(
      OutlookReader.Asked asked, OutlookTable table) {
    return asked.inForce().isEmpty()
        ? List.of()
        : OutlookInsights.of(table, asked.query().figures(), asked.largest());
  }

  private static SnapshotAnswer snapshot(DealSnapshot one) {
    return new SnapshotAnswer(
        one.asOf().toString(), SourceName.nameOf(one.source()), one.origin().load(), one.size());
  }

  private OutlookAnswer.@Nullable Overridden overridden(OutlookReader.Asked asked) {
    DealScope scope = asked.scope();
    DealOverride.Overridden all = snapshots.overridden();
    List<DealSnapshot> sources = new ArrayList<>();
    int deals = 0;
    for (DealSnapshot snapshot : asked.inForce()) {
      DealSnapshot source = snapshots.asPosted(snapshot);
      sources.add(source);
      for (String key : all.marked().getOrDefault(snapshot.origin().load(), Map.of()).keySet()) {
        int now = snapshot.find(key);
        int then = source.find(key);
        boolean isHere =
            now >= 0 && scope.contains(snapshot, now) || then >= 0 && scope.contains(source, then);
        deals += isHere ? 1 : 0;
      }
    }
    return deals == 0
        ? null
        : new OutlookAnswer.Overridden(
            deals,
            Objects.requireNonNull(
                rounded(
                    asked.query().query().measure(), OpenDeals.total(sources, scope).weighted())));
  }

  /** Why the rows' "to go" do not add up to that of the total; null where they do. */
  private static @Nullable String difference(OutlookTable table, ResolvedQuery asked) {
    Ratio ofTotal = table.total().outlook().toGo();
    Ratio ofRows =
        Ratio.sum(table.rows().stream().map(row -> row.outlook().toGo()).filter(Objects::nonNull));
    if (ofTotal == null || ofTotal.equals(ofRows)) {
      return null;
    }
    String rows = asked.figures().amount(ofRows, table.measure());
    Ratio apart = ofRows.minus(ofTotal);
    return OutlookWords.rowsAndTotalDiffer(
        rows,
        asked
            .figures()
            .amount(apart.signum() < 0 ? Ratio.ZERO.minus(apart) : apart, table.measure()),
        apart.signum());
  }

  private static RowAnswer row(OutlookTable.Row row, OutlookTable table, ResolvedQuery asked) {
    Measure measure = table.measure();
    Outlook outlook = row.outlook();
    Reading reading = outlook.reading();
    boolean isTotal = row.member().equals(Standing.ALL);
    Member place = isTotal ? null : place(row.member(), asked);
    Status expected = row.expected();
    return new RowAnswer(
        isTotal ? null : row.member().key(),
        isTotal ? null : row.member().name(),
        place == null ? null : place.name(),
        row.group(),
        ReadingAnswer.text(measure, reading.actual()),
        ReadingAnswer.text(measure, reading.goalAmount()),
        measure.text(outlook.deals().open()),
        measure.text(outlook.deals().weighted()),
        measure.text(outlook.deals().overdue()),
        ReadingAnswer.text(measure, outlook.expected()),
        ReadingAnswer.text(measure, outlook.atBest()),
        ReadingAnswer.text(measure, outlook.toGo()),
        ReadingAnswer.text(outlook.coverage()),
        ReadingAnswer.text(outlook.likelihoodNeeded()),
        expected.word(),
        expected.tone().name().toLowerCase(Locale.ROOT),
        expected.rung() == null ? null : table.ladder().rungs().indexOf(expected.rung()),
        expected.noReading() == null ? null : expected.noReading().words(),
        outlook.deals().deals(),
        outlook.deals().overdueDeals(),
        row.isOutOfReach(),
        ReadingAnswer.text(outlook.deals().likelihood()),
        shown(outlook, table.ladder(), measure));
  }

  private static @Nullable Member place(Member member, ResolvedQuery asked) {
    int last = Months.number(asked.query().span().toInclusive());
    return asked.ledger().members().placeOf(asked.query().axis(), member.id(), last);
  }

  private static OutlookAnswer.Shown shown(Outlook outlook, Ladder ladder, Measure measure) {
    Ratio goal = outlook.reading().goalAmount();
    Ratio attainment = outlook.expectedReading().attainment();
    Ratio expected = outlook.expected();
    return new OutlookAnswer.Shown(
        Objects.requireNonNull(rounded(measure, outlook.deals().weighted())),
        rounded(measure, expected),
        percent(outlook.reading().actual(), goal),
        attainment == null
            ? null
            : ladder.scale() == Scale.PERCENT_TO_GOAL
                ? Shown.percent(attainment, ladder)
                : Shown.percent(attainment),
        percent(outlook.atBest(), goal),
        goal == null || expected == null ? null : rounded(measure, expected.minus(goal)),
        percent(outlook.coverage()),
        percent(outlook.deals().likelihood()),
        percent(outlook.likelihoodNeeded()));
  }

  private static @Nullable String percent(@Nullable Ratio share) {
    return share == null ? null : Shown.percent(share);
  }

  private static @Nullable String percent(@Nullable Ratio part, @Nullable Ratio goal) {
    return part == null || goal == null || goal.signum() <= 0
        ? null
        : Shown.percent(part.dividedBy(goal));
  }

  static @Nullable String rounded(Measure measure, @Nullable Ratio units) {
    return units == null ? null : measure.text(Ratio.of(units.rounded(0, RoundingMode.HALF_UP)));
  }
}
