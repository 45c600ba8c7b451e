package zealoustarget.server.audit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.amount.Ratio;

/**
 * What an entry of the audit log says before and after, in words. Rules are kept in it as they are
 * saved, one object to a line; here each becomes a line a person can read, and of a rule that was
 * changed only what changed.
 */
public final class AuditWords {
  private static final JsonMapper JSON = new JsonMapper();

  /** What tells one rule from another, the first that it has. */
  private static final List<List<String>> IDENTITIES =
      List.of(
          List.of("code"),
          List.of("rep", "plan", "from"),
          List.of("rep", "from"),
          List.of("name", "since"),
          List.of("name"),
          List.of("measure", "goalSet", "axis", "since", "rungs"));

  private static final Map<String, String> NAMES =
      Map.ofEntries(
          Map.entry("since", "effective from"),
          Map.entry("goalSet", "goal set"),
          Map.entry("window", "measurement period"),
          Map.entry("floor", "threshold (floor)"),
          Map.entry("ceiling", "maximum (ceiling)"),
          Map.entry("paidFrom", "commission starts"),
          Map.entry("method", "rates apply"),
          Map.entry("steps", "tiers"),
          Map.entry("bonusPaid", "bonus is paid"),
          Map.entry("negativeDue", "negative commission"),
          Map.entry("rungs", "status thresholds"),
          Map.entry("perMonth", "per month"),
          Map.entry("lowerBound", "from"),
          Map.entry("tone", "colour"),
          Map.entry("startMonth", "fiscal year starts in month"),
          Map.entry("timeZone", "time zone"),
          Map.entry("weekStart", "first day of the week"),
          Map.entry("writing", "way of writing"),
          Map.entry("goals", "goals need a second person"),
          Map.entry("plans", "commission plans need a second person"),
          Map.entry("ladders", "status thresholds need a second person"),
          Map.entry("shares", "credit split"),
          Map.entry("quotient", "divides"));

  private static final Set<String> SHARES = Set.of("rate", "percent");

  static final String AUDIT_LOG_CSV = "audit log.csv";
  static final String AUDIT_LOG_DOES_NOT_END_WITH =
      "The audit log does not end with the entry that was added last.";
  static final String PAYROLL_FILE = "payroll file";
  static final String ALL_STATEMENTS = "all statements";
  static final String CLOSED_FIGURES = "closed figures";
  static final String EXPORT_OF_COMPANY = "export of the company";
  static final String STANDING_AS_CSV = "standing as CSV";
  static final String STANDING_AS_WORKBOOK = "standing as a workbook";
  static final String ORDERS_AS_CSV = "orders as CSV";
  static final String AUDIT_LOG = "audit log";

  private AuditWords() {}

  /** What was and what is, in words. */
  public record Change(@Nullable String before, @Nullable String after) {}

  /** An entry with what it says before and after in words. */
  static Audit.Entry of(Audit.Entry entry) {
    Change words = of(entry.before(), entry.after());
    return new Audit.Entry(
        entry.id(),
        entry.at(),
        entry.by(),
        entry.kind(),
        entry.subject(),
        words.before(),
        words.after(),
        entry.hash());
  }

  /** Rules as they are kept, in words; a text that holds none stays. */
  public static Change of(@Nullable String rulesBefore, @Nullable String rulesAfter) {
    Map<String, JsonNode> before = rules(rulesBefore);
    Map<String, JsonNode> after = rules(rulesAfter);
    if (before.isEmpty() && after.isEmpty()) {
      return new Change(rulesBefore, rulesAfter);
    }
    List<String> then = new ArrayList<>();
    List<String> now = new ArrayList<>();
    before.forEach((name, rule) -> addChanged(then, name, rule, after.get(name)));
    after.forEach((name, rule) -> addChanged(now, name, rule, before.get(name)));
    return new Change(
        before.isEmpty() ? rulesBefore : String.join("\n", then),
        after.isEmpty() ? rulesAfter : String.join("\n", now));
  }

  /** The rules of a text by what tells them apart; empty where the text is words already. */
  private static Map<String, JsonNode> rules(@Nullable String text) {
    Map<String, JsonNode> rules = new LinkedHashMap<>();
    if (text == null || !text.startsWith("{")) {
      return rules;
    }
    try {
      for (String line : text.split("\n")) {
        JsonNode rule = JSON.readTree(line);
        if (!rule.isObject()) {
          return Map.of();
        }
        String name = identity(rule);
        rules.put(rules.containsKey(name) ? rule.toString() : name, rule);
      }
    } catch (JacksonException words) {
      return Map.of();
    }
    return rules;
  }

  private static String identity(JsonNode rule) {
    return IDENTITIES.stream()
        .filter(names -> rule.has(names.get(0)) && (names.size() == 1 || hasOne(rule, names)))
        .findFirst()
        .map(
            names ->
                String.join(
                    ", ",
                    names.stream()
                        .filter(rule::has)
                        .filter(name -> rule.get(name).isValueNode())
                        .map(name -> name(name) + " " + rule.get(name).asString())
                        .toList()))
        .orElse("");
  }

  private static boolean hasOne(JsonNode rule, List<String> names) {
    return names.stream().skip(1).anyMatch(rule::has);
  }

  private static void addChanged(
      List<String> lines, String name, JsonNode rule, @Nullable JsonNode other) {
    List<String> parts = new ArrayList<>();
    rule.properties()
        .forEach(
            part -> {
              boolean isSame =
                  other != null && Objects.equals(other.get(part.getKey()), part.getValue());
              if (!isSame && !part.getValue().isNull()) {
                parts.add(words(part.getKey(), part.getValue()));
              }
            });
    if (!parts.isEmpty()) {
      String words = String.join("; ", parts);
      lines.add(other == null || name.isEmpty() ? words : name + ": " + words);
    } else if (other != null && !rule.equals(other)) {
      lines.add(name);
    }
  }

  private static String words(String key, JsonNode value) {
    return name(key) + " " + value(key, value);
  }

  private static String name(String key) {
    return NAMES.getOrDefault(key, key);
  }

  private static String value(String key, JsonNode value) {
    if (value.isArray()) {
      List<String> items = new ArrayList<>();
      value.forEach(item -> items.add(value(key, item)));
      return String.join(", ", items);
    }
    if (value.isObject()) {
      List<String> parts = new ArrayList<>();
      boolean isTier = value.has("from") && value.has("rate");
      value
          .properties()
          .forEach(
              part ->
                  parts.add(
                      isTier && part.getKey().equals("from")
                          ? "from " + percent(part.getValue().asString())
                          : words(part.getKey(), part.getValue())));
      return String.join(" ", parts);
    }
    String text = value.asString();
    return SHARES.contains(key) ? percent(text) : text;
  }

  private static String percent(String ratio) {
    try {
      return Ratio.parse(ratio).times(Ratio.of(100)).toText() + " %";
    } catch (IllegalArgumentException noRatio) {
      return ratio;
    }
  }

  static String isNotKindAllowedAre(String word, String kinds) {
    return "\"" + word + "\" is not a kind; allowed are " + kinds + ".";
  }

  static String auditLogHasGapBeforeEntry(long entry, Instant at) {
    return "The audit log has a gap before entry "
        + entry
        + " of "
        + at
        + ": entries were removed, added or moved.";
  }

  static String entryOfAuditLogDoesNot(long entry, String text) {
    return "Entry " + entry + " of the audit log does not read as it was written: " + text + ".";
  }
}
