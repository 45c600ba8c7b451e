package zealoustarget.core.ledger;

/**
 * Tells order lines apart by the source's order key and the product, in eight bytes.
 *
 * <p>A hash (FNV-1a) of the key without blanks around it, case apart, mixed with the product's id;
 * two different keys may count as equal once in about 10¹³ pairs.
 */
public final class OrderKey {
  /** A line without an order key. */
  public static final long NONE = 0;

  private OrderKey() {}

  /** The key of an order line; {@link #NONE} where the text is empty. */
  public static long of(String order, int product) {
    String text = order.strip();
    if (text.isEmpty()) {
      return NONE;
    }
    long hash = 0xcbf29ce484222325L;
    for (int i = 0; i < text.length(); i++) {
      hash = (hash ^ Character.toLowerCase(text.charAt(i))) * 0x100000001b3L;
    }
    hash = (hash ^ (product + 1)) * 0x9e3779b97f4a7c15L;
    return hash == NONE ? 1 : hash;
  }
}
