package zealoustarget.server.goals;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.server.goals.GoalDraftController.PartBody;
import zealoustarget.server.goals.GoalDraftController.SpreadBody;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;

/**
 * Spreads over cells of a draft: an amount; of a range both ends, by the same weights; a rate does
 * not add, so it is put into every cell. docs/calculations.md, section 6.
 */
@Component
class DraftSpreads {
  private final GoalSpreads spreads;

  DraftSpreads(GoalSpreads spreads) {
    this.spreads = spreads;
  }

  /**
   * The cells that are not locked as they are to be.
   *
   * @throws Refusal as {@link GoalSpreads#spread}; value-unknown where a range's upper end would be
   *     below its lower
   */
  List<GoalSheets.CellBody> cells(SpreadBody body, GoalSheet drafted) {
    List<PartBody> parts = Objects.requireNonNullElse(body.parts(), List.of());
    if (drafted.measure().isRate()) {
      return rates(body, parts, drafted);
    }
    List<String> lower = spread(body, body.whole(), parts, drafted, Amount::low);
    List<String> upper =
        drafted.isRange()
            ? spread(body, body.high(), parts, drafted, DraftSpreads::upper)
            : List.of();
    List<GoalSheets.CellBody> cells = new ArrayList<>();
    for (int at = 0; at < parts.size(); at++) {
      PartBody part = parts.get(at);
      if (isLocked(part)) {
        continue;
      }
      String low = lower.get(at);
      if (upper.isEmpty()) {
        cells.add(new GoalSheets.CellBody(part.key(), part.month(), low, null, null));
      } else {
        String high = upper.get(at);
        if (Ratio.parse(low).compareTo(Ratio.parse(high)) > 0) {
          throw Refusal.of(
                  "value-unknown",
                  GoalsWords.wouldRange(part.key() + ", " + part.month(), low, high))
              .with("name", "high");
        }
        cells.add(new GoalSheets.CellBody(part.key(), part.month(), null, low, high));
      }
    }
    return cells;
  }

  private static long upper(Amount amount) {
    return Objects.requireNonNullElse(amount.high(), amount.low());
  }

  private List<String> spread(
      SpreadBody body,
      @Nullable String whole,
      List<PartBody> parts,
      GoalSheet drafted,
      ToLongFunction<Amount> end) {
    CellReader reader = new CellReader(drafted);
    List<GoalSpreads.PartBody> asParts = new ArrayList<>();
    for (PartBody part : parts) {
      String kept = null;
      if (isLocked(part)) {
        int member = reader.member(part.key()).id();
        kept = drafted.measure().text(drafted.goal(member, reader.number(part.month()), end));
      }
      asParts.add(new GoalSpreads.PartBody(part.key(), part.month(), part.weight(), kept));
    }
    GoalSpreads.Body asked =
        new GoalSpreads.Body(
            whole, null, body.kind(), asParts, body.step(), body.factor(), null, null, null);
    return spreads.spread(asked, drafted, end).parts().stream()
        .map(GoalSpreads.PartAnswer::amount)
        .toList();
  }

  /** One rate in every cell, or each as it stands times a factor, rounded half up to the step. */
  private static List<GoalSheets.CellBody> rates(
      SpreadBody body, List<PartBody> parts, GoalSheet drafted) {
    Measure measure = drafted.measure();
    boolean hasFactor = body.factor() != null && !body.factor().isBlank();
    if (hasFactor == (body.whole() != null)) {
      throw Refusal.of("value-missing", GoalsWords.GIVE_RATE_OR_FACTOR).with("name", "whole");
    }
    Ratio factor = hasFactor ? GoalSpreads.factor(Objects.requireNonNull(body.factor())) : null;
    CellReader reader = new CellReader(drafted);
    GoalSpread rounding =
        new GoalSpread(GoalSpreads.step(body.step(), measure.scale()), measure.scale());
    List<GoalSheets.CellBody> cells = new ArrayList<>();
    for (PartBody part : parts) {
      if (isLocked(part)) {
        continue;
      }
      String rate = body.whole();
      if (factor != null) {
        Amount now = drafted.amount(reader.member(part.key()).id(), reader.number(part.month()));
        if (now == null) {
          continue; // nothing stands there to be multiplied
        }
        rate = measure.text(rounding.times(now.low(), factor));
      }
      cells.add(new GoalSheets.CellBody(part.key(), part.month(), rate, null, null));
    }
    return cells;
  }

  private static boolean isLocked(PartBody part) {
    return Boolean.TRUE.equals(part.locked());
  }
}
