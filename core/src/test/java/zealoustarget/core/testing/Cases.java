package zealoustarget.core.testing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.amount.Ratio;

/** Worked figures that were made apart from the code. */
public final class Cases {
  private Cases() {}

  /** The case of that name from the test resources. */
  public static JsonNode read(String name) {
    try (InputStream in = Cases.class.getResourceAsStream("/cases/" + name + ".json")) {
      return new JsonMapper().readTree(in);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /** A ratio such as "0.9545" or "31/27"; null for null. */
  public static Ratio ratio(JsonNode node) {
    if (node.isNull()) {
      return null;
    }
    String[] parts = node.asString().split("/", -1);
    Ratio over = Ratio.parse(parts[0]);
    return parts.length == 1 ? over : over.dividedBy(Ratio.parse(parts[1]));
  }

  /** An amount with two decimals in cents; null for null. */
  public static Ratio cents(JsonNode node) {
    return node.isNull() ? null : Ratio.parse(node.asString()).times(Ratio.of(100));
  }
}
