package zealoustarget.server.platform.http;

/** Lists in pages. */
public final class Pages {
  private Pages() {}

  /**
   * Place of a page's first entry, from 0; a page that cannot be there begins behind all of them.
   */
  public static int first(int page, int size) {
    return (int) Math.min((long) Math.max(page, 0) * size, Integer.MAX_VALUE - size);
  }
}
