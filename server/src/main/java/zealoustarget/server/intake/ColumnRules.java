package zealoustarget.server.intake;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.intake.ColumnRule;

/**
 * Column rules as JSON: {@code {"Booking dt": "date"}}, or with more to say {@code {"Net":
 * {"column": "revenue", "decimals": "comma", "dates": "day-first", "power": 3, "flip": true}}}.
 */
final class ColumnRules {
  private ColumnRules() {}

  /** Reads a mapping; anything else than such an object is an IllegalArgumentException. */
  static Map<String, ColumnRule> read(JsonNode mapping) {
    if (!mapping.isObject()) {
      throw new IllegalArgumentException("a mapping must be an object, was " + mapping);
    }
    Map<String, ColumnRule> rules = new HashMap<>();
    mapping.properties().forEach(entry -> rules.put(entry.getKey(), rule(entry.getValue())));
    return rules;
  }

  /** Reads one column's rule. */
  static ColumnRule rule(JsonNode said) {
    if (said.isNull() || said.isString()) {
      return ColumnRule.to(said.isNull() ? "" : said.asString());
    }
    if (!said.isObject()) {
      throw new IllegalArgumentException("a column must be a name or an object, was " + said);
    }
    JsonNode column = said.path("column");
    return new ColumnRule(
        column.isString() ? column.asString() : null,
        value(ColumnRule.Decimals.class, said.path("decimals")),
        value(ColumnRule.Dates.class, said.path("dates")),
        said.path("power").asInt(0),
        said.path("flip").asBoolean(false),
        false);
  }

  static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static <E extends Enum<E>> E value(Class<E> type, JsonNode said) {
    String name = said.isMissingNode() || said.isNull() ? "auto" : said.asString();
    return Enum.valueOf(type, name.toUpperCase(Locale.ROOT).replace('-', '_'));
  }
}
