package zealoustarget.server.rules;

import java.time.YearMonth;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Ladder;

/**
 * A ladder and what it is attached to.
 *
 * @param since first month that it judges; null for every month
 */
public record AttachedLadder(Attachment to, @Nullable YearMonth since, Ladder ladder) {
  /** Whether it is in force for a month. */
  boolean isInForce(YearMonth month) {
    return since == null || !month.isBefore(since);
  }

  /** Whether {@code later} takes its place: one for every month takes that of all versions. */
  boolean isReplacedBy(AttachedLadder later) {
    return to.isSame(later.to)
        && (later.since == null || (since != null && since.equals(later.since)));
  }

  /** What it is attached to, in words: "revenue against quota by rep, since 2026-10". */
  String words() {
    return RulesWords.since(to.words(), since);
  }
}
