package zealoustarget.core.insight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * How much of the members' monthly shortfalls is noted with one reason; docs/calculations.md,
 * section 3.
 *
 * @param reason its code; null where none is noted
 * @param shortfall sum of the monthly shortfalls noted so, smallest units
 * @param share of all monthly shortfalls
 * @param months how many members' months that are
 */
public record ReasonShare(@Nullable String reason, Ratio shortfall, Ratio share, int months) {
  /** One member's shortfall of one month and its reason. */
  public record Noted(@Nullable String reason, Ratio shortfall) {}

  /**
   * Sums shortfalls by reason, the largest first and what has none last; empty without shortfall.
   *
   * <p>Worked: 41 noted "stock-out" and 59 not noted are 41 % and 59 %.
   */
  public static List<ReasonShare> of(List<Noted> noted) {
    Ratio all = noted.stream().map(Noted::shortfall).reduce(Ratio.ZERO, Ratio::plus);
    Map<String, List<Noted>> byReason = new LinkedHashMap<>();
    for (Noted one : noted) {
      if (one.shortfall().signum() > 0) {
        String code = one.reason() == null ? "" : one.reason();
        byReason.computeIfAbsent(code, reason -> new ArrayList<>()).add(one);
      }
    }
    return byReason.entrySet().stream()
        .map(
            entry -> {
              Ratio sum =
                  entry.getValue().stream().map(Noted::shortfall).reduce(Ratio.ZERO, Ratio::plus);
              return new ReasonShare(
                  entry.getKey().isEmpty() ? null : entry.getKey(),
                  sum,
                  sum.dividedBy(all),
                  entry.getValue().size());
            })
        .sorted(
            Comparator.comparing((ReasonShare share) -> share.reason() == null)
                .thenComparing(ReasonShare::shortfall, Comparator.reverseOrder()))
        .toList();
  }
}
