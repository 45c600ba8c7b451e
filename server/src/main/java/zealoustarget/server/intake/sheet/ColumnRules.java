package zealoustarget.server.intake.sheet;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.intake.ColumnRule;

/**
 * Column rules as JSON: {@code {"Booking dt": "date"}}, or with more to say {@code {"Net":
 * {"column": "revenue", "decimals": "comma", "dates": "day-first", "power": 3, "flip": true}}}.
 */
public final class ColumnRules {
  private ColumnRules() {}

  /** Reads a mapping; anything else than such an object is an IllegalArgumentException. */
  public static Map<String, ColumnRule> read(JsonNode mapping) {
    if (!mapping.isObject()) {
      throw new IllegalArgumentException(SheetWords.mappingMustBeObject(mapping));
    }
    Map<String, ColumnRule> rules = new HashMap<>();
    mapping.properties().forEach(entry -> rules.put(entry.getKey(), rule(entry.getValue())));
    return rules;
  }

  /** Reads one column's rule. */
  public static ColumnRule rule(JsonNode said) {
    return rule(said, ColumnRule.AUTO);
  }

  /** The rule of a column after something was said of it; what is not said stays. */
  public static ColumnRule rule(JsonNode said, ColumnRule before) {
    if (said.isNull() || said.isString()) {
      return ColumnRule.to(said.isNull() ? "" : said.asString());
    }
    if (!said.isObject()) {
      throw new IllegalArgumentException(SheetWords.columnMustBeNameOrObject(said));
    }
    return new ColumnRule(
        said.has("column") ? said.get("column").asString() : before.target(),
        value(said.path("decimals"), before.decimals()),
        value(said.path("dates"), before.dates()),
        said.path("power").asInt(before.powerOfTen()),
        said.path("flip").asBoolean(before.isFlipped()),
        false);
  }

  public static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static <E extends Enum<E>> E value(JsonNode said, E before) {
    return said.isMissingNode() || said.isNull()
        ? before
        : Enum.valueOf(
            before.getDeclaringClass(), said.asString().toUpperCase(Locale.ROOT).replace('-', '_'));
  }
}
