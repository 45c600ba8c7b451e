package zealoustarget.server.outlook;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealKey;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.core.outlook.DealTrial;

/** Reads what is tried of deals: {@code D1:0.9} at another likelihood, {@code D1:out} left out. */
final class DealTrials {
  private static final int MOST = 50;
  private static final String OUT = "out";

  private DealTrials() {}

  /**
   * What is tried.
   *
   * @throws Refusal value-unknown for any other form; deal-unknown if no snapshot in force has it
   */
  static List<DealTrial> read(@Nullable List<String> texts, List<DealSnapshot> inForce) {
    List<DealTrial> trials = new ArrayList<>();
    for (String text : texts == null ? List.<String>of() : texts) {
      int at = text.lastIndexOf(':');
      if (at <= 0 || trials.size() >= MOST) {
        throw unreadable(text);
      }
      String deal = DealKey.fold(text.substring(0, at));
      if (inForce.stream().noneMatch(snapshot -> snapshot.find(deal) >= 0)) {
        throw Refusal.of(
            "deal-unknown", OutlookWords.noSnapshotInForceHasDeal(text.substring(0, at)));
      }
      String value = text.substring(at + 1);
      trials.add(new DealTrial(deal, value.equals(OUT) ? null : likelihood(value, text)));
    }
    return trials;
  }

  private static int likelihood(String value, String text) {
    try {
      return Deal.likelihoodOf(value);
    } catch (IllegalArgumentException noLikelihood) {
      throw unreadable(text);
    }
  }

  private static Refusal unreadable(String text) {
    return Refusal.of("value-unknown", OutlookWords.cannotBeTried(text, MOST))
        .with("name", "tryDeal");
  }

  /** What is tried, in words: "D-104 at 90 %", "D-207 left out". */
  static List<String> words(List<DealTrial> trials, List<DealSnapshot> inForce, Writing writing) {
    return trials.stream().map(trial -> words(trial, inForce, writing)).toList();
  }

  private static String words(DealTrial trial, List<DealSnapshot> inForce, Writing writing) {
    String key =
        inForce.stream()
            .filter(snapshot -> snapshot.find(trial.deal()) >= 0)
            .map(snapshot -> snapshot.key(snapshot.find(trial.deal())))
            .findFirst()
            .orElse(trial.deal());
    Integer likelihood = trial.likelihood();
    return likelihood == null
        ? OutlookWords.leftOut(key)
        : OutlookWords.at(
            key,
            writing.plain(BigDecimal.valueOf(likelihood, 6).stripTrailingZeros().toPlainString()));
  }
}
