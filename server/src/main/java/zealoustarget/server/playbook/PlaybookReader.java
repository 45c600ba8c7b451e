package zealoustarget.server.playbook;

import java.math.BigInteger;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.core.intake.Header;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;

/**
 * Reads a playbook file's parts onto the rules in force. Every fault is refused as {@code
 * playbook-invalid} with its place, such as {@code ladders[0].rungs[2].from}; nothing is guessed.
 */
final class PlaybookReader {
  private static final Set<String> PARTS =
      Set.of("company", "calendar", "measures", "ladders", "shading");

  private final Playbook before;

  PlaybookReader(Playbook before) {
    this.before = before;
  }

  /** The rules with the file's parts in place of the former ones. */
  Playbook read(JsonNode file) {
    Playbook after = before;
    allowOnly(file, "", PARTS);
    if (file.has("company")) {
      after = after.withCompanyName(company(file.get("company")));
    }
    if (file.has("calendar")) {
      after = after.withCalendar(calendar(file.get("calendar")), workingDays(file.get("calendar")));
    }
    for (Place place : places(file, "measures")) {
      after = after.withMeasure(measure(place, after));
    }
    for (Place place : places(file, "ladders")) {
      after = after.withLadder(ladder(place, after));
    }
    for (Place place : places(file, "shading")) {
      after = after.withShading(shading(place, after));
    }
    return after;
  }

  /** One ladder of a file that holds nothing else, to be tried. */
  AttachedLadder readLadder(JsonNode node) {
    return ladder(new Place(node, "ladder"), before);
  }

  private static String company(JsonNode node) {
    Place place = new Place(node, "company");
    allowOnly(node, place.path(), Set.of("name"));
    String name = place.text("name").strip();
    if (name.isEmpty() || name.length() > 120) {
      throw place.fault("name", "must have 1 to 120 characters");
    }
    return name;
  }

  private static FiscalCalendar calendar(JsonNode node) {
    Place place = new Place(node, "calendar");
    allowOnly(node, place.path(), Set.of("startMonth", "yearNamedBy", "holidays"));
    YearNamedBy namedBy =
        node.has("yearNamedBy")
            ? place.word("yearNamedBy", YearNamedBy.values(), Enum::name)
            : YearNamedBy.END;
    return place.checked(
        "startMonth", () -> new FiscalCalendar(place.whole("startMonth"), namedBy));
  }

  /** The holidays given, else those in force. */
  private WorkingDays workingDays(JsonNode node) {
    if (!node.has("holidays")) {
      return before.workingDays();
    }
    Set<LocalDate> days = new HashSet<>();
    for (Place day : new Place(node, "calendar").children("holidays")) {
      try {
        days.add(LocalDate.parse(day.node().asString("")));
      } catch (DateTimeException noDay) {
        throw day.fault("", "must be a day such as 2026-12-25");
      }
    }
    return new WorkingDays(days);
  }

  private static Measure measure(Place place, Playbook playbook) {
    allowOnly(place.node(), place.path(), Set.of("code", "unit", "scale", "direction", "quotient"));
    Direction direction = place.word("direction", Direction.values(), Enum::name);
    if (isColumnName(place.text("code"))) {
      throw place.fault("code", "is the name of another column in files; take another");
    }
    if (place.text("code").indexOf('.') >= 0) {
      throw place.fault("code", "must not have a point; that is for the ends of ranges");
    }
    if (place.node().has("quotient")) {
      return rate(place, direction, playbook);
    }
    return place.checked(
        "",
        () -> new Measure(place.text("code"), place.text("unit"), place.whole("scale"), direction));
  }

  private static Measure rate(Place place, Direction direction, Playbook playbook) {
    List<Measure> parts = new ArrayList<>();
    for (Place part : place.children("quotient")) {
      String code = part.node().asString("");
      parts.add(
          playbook
              .findMeasure(code)
              .filter(measure -> !measure.code().equalsIgnoreCase(place.text("code")))
              .orElseThrow(() -> part.fault("", "\"" + code + "\" is no measure")));
    }
    if (parts.size() != 2) {
      throw place.fault("quotient", "must be two measures, such as [\"returns\", \"revenue\"]");
    }
    return place.checked(
        "quotient", () -> Measure.rate(place.text("code"), parts.get(0), parts.get(1), direction));
  }

  private static AttachedShading shading(Place place, Playbook playbook) {
    allowOnly(place.node(), place.path(), Set.of("measure", "goalSet", "axis", "good", "bad"));
    Attachment to = attachment(place, playbook);
    Measure measure = playbook.findMeasure(to.measure()).orElseThrow();
    return new AttachedShading(
        to, new Shading(limit(place, "good", measure), limit(place, "bad", measure)));
  }

  /** A limit in whole units of the measure, or automatic. */
  private static Ratio limit(Place place, String name, Measure measure) {
    if (!isSet(place, name) || place.text(name).strip().equalsIgnoreCase("auto")) {
      return null;
    }
    Ratio units =
        place.checked(
            name, () -> Ratio.parse(place.text(name).strip()).times(measure.unitsPerOne()));
    boolean isWhole = units.under().equals(BigInteger.ONE) && units.signum() >= 0;
    if (!isWhole || units.over().bitLength() > 62) {
      throw place.fault(
          name, "must be auto or an amount of 0 or more with at most the measure's decimals");
    }
    return units;
  }

  private static boolean isColumnName(String code) {
    return Stream.of(Header.Role.values()).anyMatch(role -> role.name().equalsIgnoreCase(code));
  }

  private static AttachedLadder ladder(Place place, Playbook playbook) {
    allowOnly(
        place.node(),
        place.path(),
        Set.of("measure", "goalSet", "axis", "since", "scale", "rungs"));
    Attachment to = attachment(place, playbook);
    Scale scale =
        Scale.findByWord(place.text("scale"))
            .orElseThrow(
                () ->
                    place.fault(
                        "scale",
                        "must be one of "
                            + String.join(
                                ", ", List.of(Scale.values()).stream().map(Scale::word).toList())));
    List<Rung> rungs = new ArrayList<>();
    for (Place rung : place.children("rungs")) {
      rungs.add(rung(rung));
    }
    return new AttachedLadder(
        to, since(place), place.checked("rungs", () -> new Ladder(scale, rungs)));
  }

  private static YearMonth since(Place place) {
    if (!isSet(place, "since")) {
      return null;
    }
    try {
      return YearMonth.parse(place.text("since").strip());
    } catch (DateTimeException noMonth) {
      throw place.fault("since", "must be a month such as 2026-10");
    }
  }

  /** What a rule is attached to. */
  private static Attachment attachment(Place place, Playbook playbook) {
    String code = place.text("measure");
    Measure measure =
        playbook
            .findMeasure(code)
            .orElseThrow(() -> place.fault("measure", "\"" + code + "\" is no measure"));
    return new Attachment(
        measure.code(),
        isSet(place, "goalSet") ? place.text("goalSet") : null,
        isSet(place, "axis") ? place.word("axis", Axis.values(), Axis::word) : null);
  }

  private static boolean isSet(Place place, String name) {
    return place.node().has(name) && !place.node().get(name).isNull();
  }

  private static Rung rung(Place place) {
    allowOnly(place.node(), place.path(), Set.of("name", "tone", "from", "bound"));
    String name = place.text("name").strip();
    if (name.length() > 60) {
      throw place.fault("name", "must have at most 60 characters");
    }
    Tone tone = place.word("tone", Tone.values(), Enum::name);
    if (!isSet(place, "from")) {
      return Rung.first(name, tone);
    }
    Ratio from = place.checked("from", () -> Ratio.parse(place.text("from")));
    return isAbove(place) ? Rung.above(name, tone, from) : Rung.from(name, tone, from);
  }

  private static boolean isAbove(Place place) {
    if (!isSet(place, "bound")) {
      return false;
    }
    return switch (place.text("bound").strip().toLowerCase(Locale.ROOT)) {
      case "above" -> true;
      case "at or above" -> false;
      default -> throw place.fault("bound", "must be \"at or above\" or \"above\"");
    };
  }

  private static List<Place> places(JsonNode file, String part) {
    return file.has(part) ? new Place(file, "").children(part) : List.of();
  }

  private static void allowOnly(JsonNode node, String path, Set<String> names) {
    if (!node.isObject()) {
      throw invalid(path.isEmpty() ? "the file" : path, "must be an object");
    }
    for (String name : node.propertyNames()) {
      if (!names.contains(name)) {
        String at = path.isEmpty() ? name : path + "." + name;
        throw invalid(
            at, "is not known here; known are " + String.join(", ", new TreeSet<>(names)));
      }
    }
  }

  private static Refusal invalid(String path, String rule) {
    return Refusal.of("playbook-invalid", path + " " + rule + ". Nothing was changed.")
        .with("place", path);
  }

  /** A node and where it stands in the file. */
  private record Place(JsonNode node, String path) {
    Refusal fault(String name, String rule) {
      return invalid(at(name), rule);
    }

    String at(String name) {
      return name.isEmpty() ? path : path.isEmpty() ? name : path + "." + name;
    }

    String text(String name) {
      JsonNode value = node.get(name);
      if (value == null || !(value.isString() || value.isNumber())) {
        throw fault(name, "must be a text");
      }
      return value.asString();
    }

    int whole(String name) {
      JsonNode value = node.get(name);
      if (value == null || !value.isInt()) {
        throw fault(name, "must be a whole number");
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
      throw fault(name, "must be one of " + String.join(", ", words) + ", was \"" + text + "\"");
    }

    List<Place> children(String name) {
      JsonNode list = node.get(name);
      if (list == null || !list.isArray()) {
        throw fault(name, "must be a list");
      }
      List<Place> places = new ArrayList<>();
      for (JsonNode child : list) {
        places.add(new Place(child, at(name) + "[" + places.size() + "]"));
      }
      return places;
    }

    /** Builds a value whose constructor checks; its message becomes the fault's rule. */
    <T> T checked(String name, java.util.function.Supplier<T> build) {
      try {
        return build.get();
      } catch (IllegalArgumentException broken) {
        throw invalid(at(name), ": " + broken.getMessage());
      }
    }
  }
}
