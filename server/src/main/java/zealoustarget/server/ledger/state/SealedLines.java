package zealoustarget.server.ledger.state;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.IntFunction;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.columns.LinesOfMonths;
import zealoustarget.core.member.Member;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.SealedLoad;
import zealoustarget.server.ledger.storage.ProductRowEntity;

/**
 * The lines in which products were when a month was sealed. Lines have no months of their own, so a
 * product list that moves a product would otherwise move it in sealed months too.
 */
final class SealedLines {
  private final Function<SealedLoad, List<ProductRowEntity>> productsOf;
  private final IntFunction<String> keyOf;

  SealedLines(Function<SealedLoad, List<ProductRowEntity>> productsOf, IntFunction<String> keyOf) {
    this.productsOf = productsOf;
    this.keyOf = keyOf;
  }

  /**
   * What sealed months keep.
   *
   * @param now loads that are posted, in their order
   */
  LinesOfMonths kept(List<Seal> seals, List<SealedLoad> now) {
    Map<Integer, Integer> lines = lines(now);
    Map<Integer, Map<Integer, Integer>> byMonth = new HashMap<>();
    Map<Integer, Member> named = new TreeMap<>();
    for (Seal seal : seals) {
      Map<Integer, Integer> moved = lines(seal.loads());
      moved.entrySet().removeIf(then -> then.getValue().equals(lines.get(then.getKey())));
      if (!moved.isEmpty()) {
        byMonth.put(Months.number(seal.month()), moved);
        moved.values().stream()
            .filter(line -> line >= 0)
            .forEach(
                line -> named.put(line, new Member(line, keyOf.apply(line), keyOf.apply(line))));
      }
    }
    return new LinesOfMonths(byMonth, List.copyOf(named.values()));
  }

  private Map<Integer, Integer> lines(List<SealedLoad> inOrder) {
    Map<Integer, Integer> lines = new HashMap<>();
    inOrder.forEach(
        load ->
            productsOf
                .apply(load)
                .forEach(product -> lines.put(product.productId, product.lineId)));
    return lines;
  }
}
