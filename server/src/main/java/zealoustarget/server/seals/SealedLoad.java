package zealoustarget.server.seals;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zealoustarget.core.ledger.PostMode;

/**
 * A load that was posted when a month was sealed.
 *
 * @param order place in the order of posting
 */
public record SealedLoad(int id, int order, PostMode mode) {
  static List<SealedLoad> readAll(String text) {
    return text.isEmpty() ? List.of() : Stream.of(text.split(",")).map(SealedLoad::read).toList();
  }

  private static SealedLoad read(String text) {
    String[] parts = text.split(":");
    return new SealedLoad(
        Integer.parseInt(parts[0]), Integer.parseInt(parts[1]), PostMode.valueOf(parts[2]));
  }

  static String text(List<SealedLoad> loads) {
    return loads.stream()
        .map(load -> load.id + ":" + load.order + ":" + load.mode)
        .collect(Collectors.joining(","));
  }
}
