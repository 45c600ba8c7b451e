package zealoustarget.server.standing.query;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ledger.Corrections;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.AttachedStretches;
import zealoustarget.server.rules.Attachment;
import zealoustarget.server.rules.Rules;

/**
 * A standing's parameters as they were read, with the state of data and rules that they are read
 * against.
 *
 * @param ledger in the reading of closed months that was asked for
 * @param reading how closed months are read
 * @param beside the same query on a second basis, null without one
 * @param group axis of the groups, null without
 * @param asOf the day up to which the span's last month is posted, null where it is over
 * @param waiting members whose file of the last month has not come, with the file that came last;
 *     by member id
 * @param countsWaiting whether sentences count them in
 * @param atOrAbove percent-to-goal from which the summary counts members
 * @param trial what of the query is tried, not in force
 */
public record ResolvedQuery(
    Ledger ledger,
    ClosedReading reading,
    Rules rules,
    StandingQuery query,
    @Nullable StandingQuery beside,
    @Nullable Axis group,
    @Nullable LocalDate asOf,
    Map<Integer, Integer> waiting,
    boolean countsWaiting,
    Ratio atOrAbove,
    Trial trial) {

  /** How closed months are read, and what it takes to compare both readings. */
  public record ClosedReading(boolean isRestated, LedgerService.Readings both) {
    public String word() {
      return isRestated ? QueryReader.RESTATED : QueryReader.AS_CLOSED;
    }
  }

  /** The query that sentences speak of: without members that wait, where they are not counted. */
  public StandingQuery spoken() {
    return waiting.isEmpty() || countsWaiting
        ? query
        : query.withNarrowing(query.narrowing().leavingOut(waiting.keySet()));
  }

  /** Whether a month of the span may read differently since it was closed. */
  public boolean hasClosedMonths() {
    return query.span().months().stream()
        .anyMatch(month -> reading.both().months().contains(Months.number(month)));
  }

  /**
   * What closed months of the span lack inside the filters; null for rates, whose corrections do
   * not add up.
   */
  public @Nullable Corrections corrections() {
    if (query.measure().isRate()) {
      return null;
    }
    return Corrections.between(
        reading.both().closed(),
        reading.both().restated(),
        reading.isRestated() ? Set.of() : reading.both().months(),
        query,
        group);
  }

  /** What rules for these rows are attached to. */
  Attachment attachment() {
    return attachment(query);
  }

  static Attachment attachment(StandingQuery query) {
    String set = query.basis() instanceof Basis.Set named ? named.name() : null;
    return new Attachment(query.measure().code(), set, query.axis());
  }

  public boolean isRange() {
    return ledger.isRange(query.basis(), query.measure().code());
  }

  public String ladderWords() {
    return rules.ladderWords(query.measure(), attachment(), query.span().toInclusive(), isRange());
  }

  /** The ladder that would judge it by other rules. */
  public Ladder ladder(Rules other) {
    return other.ladder(query.measure(), attachment(), query.span().toInclusive(), isRange());
  }

  /** The full-tone rule of these rows; its automatic limits are not set yet. */
  public Shading shading() {
    return rules.shading(attachment());
  }

  /** Where lanes are parted; none without such a rule. */
  public Optional<AttachedStretches> stretches() {
    return rules.stretches(attachment());
  }

  public ResolvedQuery with(StandingQuery other) {
    return with(other, asOf);
  }

  /** The same for another query, whose last month is posted up to a day. */
  public ResolvedQuery with(StandingQuery other, @Nullable LocalDate day) {
    return new ResolvedQuery(
        ledger,
        reading,
        rules,
        other,
        beside,
        group,
        day,
        waiting,
        countsWaiting,
        atOrAbove,
        trial);
  }

  /** How the answer's sentences write figures. */
  public Figures figures() {
    return new Figures(rules.company().writing());
  }
}
