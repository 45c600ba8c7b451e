package zealoustarget.core.ledger.columns;

/**
 * Tells orders apart by the source's order key, and order lines by it and the product, in eight
 * bytes.
 *
 * <p>A hash (FNV-1a) of the key without blanks around it, case apart; of a line mixed with the
 * product's id. Two different keys may count as equal once in about 10¹³ pairs.
 */
public final class OrderKey {
  /** A line without an order key. */
  public static final long NONE = 0;

  private static final long MIX = 0x9e3779b97f4a7c15L;

  private OrderKey() {}

  /** The key of an order line; {@link #NONE} where the text is empty. */
  public static long of(String order, int product) {
    return ofLine(ofOrder(order), product);
  }

  /** The key of an order's line with a product; {@link #NONE} where the order has none. */
  static long ofLine(long order, int product) {
    if (order == NONE) {
      return NONE;
    }
    long hash = (order ^ (product + 1)) * MIX;
    return hash == NONE ? 1 : hash;
  }

  /** The key of a whole order; {@link #NONE} where the text is empty. */
  public static long ofOrder(String order) {
    String text = order.strip();
    if (text.isEmpty()) {
      return NONE;
    }
    long hash = 0xcbf29ce484222325L;
    for (int i = 0; i < text.length(); i++) {
      hash = (hash ^ Character.toLowerCase(text.charAt(i))) * 0x100000001b3L;
    }
    return hash == NONE ? 1 : hash;
  }
}
