package zealoustarget.server.ledger.sealing;

import java.util.List;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.server.platform.http.Link;

/**
 * A load that was posted when a month was sealed.
 *
 * @param order place in the order of posting
 */
public record SealedLoad(int id, int order, PostMode mode) {
  private static final String ROWS = "#";

  /** Reads what {@link #text} wrote, and what seals of earlier forms have. */
  static List<SealedLoad> readAll(String text) {
    String loads = text.split(ROWS, -1)[0];
    return loads.isEmpty() ? List.of() : Stream.of(loads.split(",")).map(SealedLoad::read).toList();
  }

  /** Digest of the rows of all loads of a text; null where its form has none. */
  static @Nullable String rowsOf(String text) {
    String[] parts = text.split(ROWS, -1);
    return parts.length == 1 ? null : parts[1];
  }

  /**
   * One digest for the rows of loads.
   *
   * @param digestOf digest of a load's rows by its number; null where there is none
   */
  public static String rows(List<SealedLoad> loads, IntFunction<String> digestOf) {
    return Link.hash(Link.NONE, loads.stream().map(load -> digestOf.apply(load.id)).toArray());
  }

  private static SealedLoad read(String text) {
    String[] parts = text.split(":");
    return new SealedLoad(
        Integer.parseInt(parts[0]), Integer.parseInt(parts[1]), PostMode.valueOf(parts[2]));
  }

  static String text(List<SealedLoad> loads, String rows) {
    return loads.stream()
            .map(load -> load.id + ":" + load.order + ":" + load.mode)
            .collect(Collectors.joining(","))
        + ROWS
        + rows;
  }
}
