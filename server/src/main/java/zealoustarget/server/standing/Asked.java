package zealoustarget.server.standing;

import java.time.LocalDate;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ledger.Basis;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.server.playbook.Attachment;
import zealoustarget.server.playbook.Playbook;

/**
 * A standing's parameters as they were read, with the state of data and rules that they are read
 * against.
 *
 * @param beside the same query on a second basis, null without one
 * @param group axis of the groups, null without
 * @param asOf the day up to which the span's last month is posted, null where it is over
 */
record Asked(
    Ledger ledger,
    Playbook playbook,
    StandingQuery query,
    StandingQuery beside,
    Axis group,
    LocalDate asOf) {

  /** What rules for these rows are attached to. */
  Attachment attachment() {
    return attachment(query);
  }

  static Attachment attachment(StandingQuery query) {
    String set = query.basis() instanceof Basis.Set named ? named.name() : null;
    return new Attachment(query.measure().code(), set, query.axis());
  }

  boolean isRange() {
    return ledger.isRange(query.basis(), query.measure().code());
  }

  String ladderWords() {
    return playbook.ladderWords(
        query.measure(), attachment(), query.span().toInclusive(), isRange());
  }

  /** The full-tone rule of these rows; its automatic limits are not set yet. */
  Shading shading() {
    return playbook.shading(attachment());
  }

  Asked with(StandingQuery other) {
    return new Asked(ledger, playbook, other, beside, group, asOf);
  }
}
