package zealoustarget.server.rules.reading;

import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;

/**
 * A node of a rules file and where it stands; every fault is refused as {@code playbook-invalid}
 * with that place.
 */
public record Place(JsonNode node, String path) {
  Refusal fault(String name, String rule) {
    return invalid(at(name), " ", rule);
  }

  String at(String name) {
    return name.isEmpty() ? path : path.isEmpty() ? name : path + "." + name;
  }

  String text(String name) {
    JsonNode value = node.get(name);
    if (value == null || !(value.isString() || value.isNumber())) {
      throw fault(name, ReadingWords.MUST_BE_TEXT);
    }
    return value.asString();
  }

  List<String> texts(String name) {
    List<String> texts = new ArrayList<>();
    for (Place one : children(name)) {
      if (!one.node.isString() && !one.node.isNumber()) {
        throw fault(name, ReadingWords.MUST_BE_LIST_OF_TEXTS);
      }
      texts.add(one.node.asString());
    }
    return texts;
  }

  int whole(String name) {
    JsonNode value = node.get(name);
    if (value == null || !value.isInt()) {
      throw fault(name, ReadingWords.MUST_BE_WHOLE_NUMBER);
    }
    return value.asInt();
  }

  <T> T word(String name, T[] values, Function<T, String> wordOf) {
    String text = text(name).strip();
    for (T value : values) {
      if (wordOf.apply(value).equalsIgnoreCase(text)) {
        return value;
      }
    }
    List<String> words = List.of(values).stream().map(wordOf).toList();
    throw fault(name, ReadingWords.mustBeOneOfWas(String.join(", ", words), text));
  }

  List<Place> children(String name) {
    JsonNode list = node.get(name);
    if (list == null || !list.isArray()) {
      throw fault(name, ReadingWords.MUST_BE_LIST);
    }
    List<Place> places = new ArrayList<>();
    for (JsonNode child : list) {
      places.add(new Place(child, at(name) + "[" + places.size() + "]"));
    }
    return places;
  }

  /** Builds a value whose constructor checks; its message becomes the fault's rule. */
  <T> T checked(String name, Supplier<T> build) {
    try {
      return build.get();
    } catch (IllegalArgumentException broken) {
      throw invalid(at(name), ": ", broken.getMessage());
    }
  }

  /** The members of a list that may be missing. */
  static List<Place> list(JsonNode file, String part) {
    return file.has(part) ? new Place(file, "").children(part) : List.of();
  }

  /** A field that must be true or false. */
  boolean bool(String name) {
    if (!node.get(name).isBoolean()) {
      throw fault(name, ReadingWords.MUST_BE_TRUE_OR_FALSE);
    }
    return node.get(name).asBoolean();
  }

  boolean isSet(String name) {
    return node.has(name) && !node.get(name).isNull();
  }

  Place child(String name) {
    return new Place(node.get(name), at(name));
  }

  void allowOnly(Set<String> names) {
    if (!node.isObject()) {
      throw invalid(path.isEmpty() ? ReadingWords.FILE : path, " ", ReadingWords.MUST_BE_OBJECT);
    }
    for (String name : node.propertyNames()) {
      if (!names.contains(name)) {
        throw fault(name, ReadingWords.isNotKnown(String.join(", ", new TreeSet<>(names))));
      }
    }
  }

  /** A form shows the rule at its field, so it comes without the place too. */
  private static Refusal invalid(String path, String between, @Nullable String rule) {
    return Refusal.of("playbook-invalid", ReadingWords.nothingWasChanged(path + between + rule))
        .with("place", path)
        .with("rule", String.valueOf(rule));
  }

  /** A month such as 2026-10. */
  YearMonth month(String name) {
    try {
      return YearMonth.parse(text(name).strip());
    } catch (DateTimeException noMonth) {
      throw fault(name, ReadingWords.MUST_BE_MONTH);
    }
  }
}
