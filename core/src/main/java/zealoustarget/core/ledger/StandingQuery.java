package zealoustarget.core.ledger;

import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Axis;

/**
 * What is asked of the ledger.
 *
 * @param axis what the rows are
 * @param ladder what judges them
 */
public record StandingQuery(
    Axis axis, Measure measure, Span span, Basis basis, Filters filters, Ladder ladder) {
  public StandingQuery withSpan(Span other) {
    return new StandingQuery(axis, measure, other, basis, filters, ladder);
  }
}
