package zealoustarget.core.ledger.columns;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Each product's line; sealed months may have kept lines that products have left since. */
final class Lines {
  private final int[] now;
  private final Map<Integer, int[]> kept;

  private Lines(int[] now, Map<Integer, int[]> kept) {
    this.now = now;
    this.kept = Map.copyOf(kept);
  }

  /** Takes line ids by product id. */
  static Lines of(Map<Integer, Integer> lineOfProduct) {
    int[] lines = new int[size(lineOfProduct)];
    Arrays.fill(lines, Members.NONE);
    lineOfProduct.forEach((product, line) -> lines[product] = line);
    return new Lines(lines, Map.of());
  }

  /** The same, some products having other lines in some months. */
  Lines keeping(Map<Integer, Map<Integer, Integer>> byMonth) {
    Map<Integer, int[]> more = new HashMap<>(kept);
    byMonth.forEach(
        (month, lines) -> {
          int[] then = Arrays.copyOf(now, Math.max(now.length, size(lines)));
          Arrays.fill(then, now.length, then.length, Members.NONE);
          lines.forEach((product, line) -> then[product] = line);
          more.put(month, then);
        });
    return new Lines(now, more);
  }

  /** The line in which a product is in a month, or −1. */
  int of(int product, int month) {
    int[] lines = kept.isEmpty() ? now : kept.getOrDefault(month, now);
    return product < 0 || product >= lines.length ? Members.NONE : lines[product];
  }

  private static int size(Map<Integer, Integer> byProduct) {
    return byProduct.keySet().stream().mapToInt(product -> product + 1).max().orElse(0);
  }
}
