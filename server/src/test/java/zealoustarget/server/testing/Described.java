package zealoustarget.server.testing;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;

/** Holds answers against the description of the routes: what is there, its kind, null, words. */
public final class Described {
  private final JsonNode description;
  private final Set<String> faults = new TreeSet<>();

  public Described(JsonNode description) {
    this.description = description;
  }

  /** The faults found so far, each with the schema and the property. */
  public Set<String> faults() {
    return faults;
  }

  /** Holds the answer of a route such as {@code /api/v1/loads/{id}} against what is said of it. */
  public void check(String route, JsonNode answer) {
    JsonNode schema =
        description
            .at("/paths/" + route.replace("/", "~1") + "/get/responses/200/content")
            .valueStream()
            .findFirst()
            .orElseThrow(() -> new AssertionError(route + " says nothing of its answer"))
            .get("schema");
    check(answer, schema, route);
  }

  private void check(JsonNode value, JsonNode schema, String where) {
    if (schema.has("$ref")) {
      String name = schema.get("$ref").asString().replaceFirst(".*/", "");
      check(value, description.at("/components/schemas/" + name), name);
    } else if (schema.has("anyOf")) {
      JsonNode either = schema.get("anyOf");
      if (!value.isNull()) {
        check(value, either.get(0), where);
      } else if (either.valueStream().noneMatch(one -> kinds(one).contains("null"))) {
        faults.add(where + " is null");
      }
    } else {
      checkPlain(value, schema, where);
    }
  }

  private void checkPlain(JsonNode value, JsonNode schema, String where) {
    Set<String> kinds = kinds(schema);
    String kind = kind(value);
    boolean isKnown = kinds.contains(kind) || kind.equals("integer") && kinds.contains("number");
    if (!kinds.isEmpty() && !isKnown) {
      faults.add(where + " is " + kind + " and not " + kinds);
      return;
    }
    if (schema.has("enum") && schema.get("enum").valueStream().noneMatch(value::equals)) {
      faults.add(where + " is " + value);
    }
    if (value.isArray()) {
      value.forEach(one -> check(one, schema.get("items"), where + "[]"));
    } else if (value.isObject() && schema.has("properties")) {
      checkProperties(value, schema, where);
    } else if (value.isObject() && schema.has("additionalProperties")) {
      value.forEach(one -> check(one, schema.get("additionalProperties"), where + ".*"));
    }
  }

  private void checkProperties(JsonNode value, JsonNode schema, String where) {
    schema
        .path("required")
        .valueStream()
        .map(JsonNode::asString)
        .filter(name -> !value.has(name))
        .forEach(name -> faults.add(where + " has no " + name));
    for (Map.Entry<String, JsonNode> property : value.properties()) {
      JsonNode known = schema.get("properties").get(property.getKey());
      if (known == null) {
        faults.add(where + " has " + property.getKey() + " too");
      } else {
        check(property.getValue(), known, where + "." + property.getKey());
      }
    }
  }

  private static Set<String> kinds(JsonNode schema) {
    JsonNode type = schema.path("type");
    Set<String> kinds = new TreeSet<>();
    type.forEach(one -> kinds.add(one.asString()));
    if (type.isString()) {
      kinds.add(type.asString());
    }
    return kinds;
  }

  private static String kind(JsonNode value) {
    return switch (value.getNodeType()) {
      case NULL -> "null";
      case STRING -> "string";
      case BOOLEAN -> "boolean";
      case ARRAY -> "array";
      case NUMBER -> value.isIntegralNumber() ? "integer" : "number";
      default -> "object";
    };
  }
}
