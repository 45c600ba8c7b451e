package zealoustarget.server.rules.reading;

import java.math.BigInteger;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.core.commission.PlanBook.Assignment;
import zealoustarget.core.commission.PlanBook.Version;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.server.rules.Approval;
import zealoustarget.server.rules.AttachedLadder;
import zealoustarget.server.rules.AttachedShading;
import zealoustarget.server.rules.AttachedStretches;
import zealoustarget.server.rules.AttachedStretches.Of;
import zealoustarget.server.rules.Attachment;
import zealoustarget.server.rules.Closing;
import zealoustarget.server.rules.Commission;
import zealoustarget.server.rules.Company.Stage;
import zealoustarget.server.rules.Rules;

/**
 * Reads a rules file's parts onto the rules in force. Every fault is refused as {@code
 * playbook-invalid} with its place, such as {@code ladders[0].rungs[2].from}; nothing is guessed.
 */
public final class RulesReader {
  private static final Set<String> PARTS =
      Set.of(
          "company",
          "calendar",
          "measures",
          "ladders",
          "shading",
          "stretches",
          "stages",
          "closing",
          "plans",
          "assignments",
          "credits",
          "approval");

  /** How the rules say that a measure's actuals are won deals. */
  public static final String WON_DEALS = "won-deals";

  private static final int LONGEST_NAME = 60;

  private final Rules before;

  public RulesReader(Rules before) {
    this.before = before;
  }

  /** The rules with the file's parts in place of the former ones. */
  public Rules read(JsonNode file) {
    Rules after = before;
    new Place(file, "").allowOnly(PARTS);
    if (file.has("company")) {
      after =
          after.withCompany(
              CompanyReader.read(new Place(file.get("company"), "company"), after.company()));
    }
    if (file.has("calendar")) {
      after = after.withCalendar(calendar(file.get("calendar")), workingDays(file.get("calendar")));
    }
    for (Place place : Place.list(file, "measures")) {
      Measure measure = measure(place, after);
      after = after.withMeasure(measure);
      if (place.node().has("name")) {
        after = after.withCompany(after.company().withMeasureName(measure.code(), name(place)));
      }
      if (place.node().has("fedBy")) {
        after =
            after.withCompany(
                after.company().withFedByDeals(measure.code(), isFedByDeals(place, measure)));
      } else if (measure.direction() != Direction.HIGHER
          && after.company().fedByDeals().contains(measure.code())) {
        throw place.fault("direction", ReadingWords.MUST_BE_HIGHER_WHILE_WON_DEALS);
      }
    }
    for (Place place : Place.list(file, "ladders")) {
      after =
          place.isSet("remove")
              ? withoutLadder(place, after)
              : after.withLadder(ladder(place, after));
    }
    for (Place place : Place.list(file, "shading")) {
      after = after.withShading(shading(place, after));
    }
    for (Place place : Place.list(file, "stretches")) {
      after =
          place.isSet("remove")
              ? withoutStretches(place, after)
              : after.withStretches(stretches(place, after));
    }
    if (file.has("stages")) {
      List<Stage> stages = StagePart.read(Place.list(file, "stages"));
      after = after.withCompany(after.company().withStages(stages));
    }
    if (file.has("closing")) {
      Place place = new Place(file.get("closing"), "closing");
      Closing closing = ClosingPart.read(place, after.company().closing());
      after = after.withCompany(after.company().withClosing(closing));
    }
    if (file.has("approval")) {
      after = after.withApproval(approval(new Place(file.get("approval"), "approval")));
    }
    return after.withCommission(commission(file, after));
  }

  /** What is not named stays. */
  private Approval approval(Place place) {
    place.allowOnly(Set.of("goals", "plans", "ladders"));
    Approval now = before.approval();
    return new Approval(
        place.isSet("goals") ? place.bool("goals") : now.goals(),
        place.isSet("plans") ? place.bool("plans") : now.plans(),
        place.isSet("ladders") ? place.bool("ladders") : now.ladders());
  }

  /** Plans are added or replaced one by one; assignments and shared credit as whole lists. */
  private static Commission commission(JsonNode file, Rules rules) {
    PlanReader reader = new PlanReader(rules);
    Commission after = rules.commission();
    for (Place place : Place.list(file, "plans")) {
      if (place.isSet("remove")) {
        Commission before = after;
        after = place.checked("remove", () -> before.without(PlanReader.removed(place)));
        continue;
      }
      Version version = reader.version(place);
      after = after.withVersion(version);
      if (place.isSet("reps")) {
        Commission before = after;
        after =
            place.checked(
                "reps",
                () ->
                    before.withAssignments(version.plan().name(), PlanReader.reps(place, version)));
      }
    }
    if (file.has("assignments")) {
      Commission before = after;
      List<Assignment> all =
          Place.list(file, "assignments").stream().map(reader::assignment).toList();
      after = new Place(file, "").checked("assignments", () -> before.withAssignments(all));
    }
    return file.has("credits") ? after.withShared(shared(file, reader)) : after;
  }

  private static List<Commission.SharedCredit> shared(JsonNode file, PlanReader reader) {
    List<Commission.SharedCredit> all = new ArrayList<>();
    for (Place place : Place.list(file, "credits")) {
      Commission.SharedCredit one = reader.shared(place);
      if (all.stream().anyMatch(one::meets)) {
        throw place.fault("rep", ReadingWords.IS_SHARED_TWICE_IN_ONE_MONTH);
      }
      all.add(one);
    }
    return all;
  }

  /** One ladder of a file that holds nothing else, to be tried. */
  public AttachedLadder readLadder(JsonNode node) {
    return ladder(new Place(node, "ladder"), before);
  }

  private static FiscalCalendar calendar(JsonNode node) {
    Place place = new Place(node, "calendar");
    place.allowOnly(Set.of("startMonth", "yearNamedBy", "holidays"));
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
        throw day.fault("", ReadingWords.MUST_BE_DAY);
      }
    }
    return new WorkingDays(days);
  }

  private static Measure measure(Place place, Rules rules) {
    place.allowOnly(Set.of("code", "name", "unit", "scale", "direction", "quotient", "fedBy"));
    Direction direction = place.word("direction", Direction.values(), Enum::name);
    if (isColumnName(place.text("code"))) {
      throw place.fault("code", ReadingWords.IS_NAME_OF_ANOTHER_COLUMN);
    }
    if (place.text("code").indexOf('.') >= 0) {
      throw place.fault("code", ReadingWords.MUST_NOT_HAVE_POINT);
    }
    if (place.node().has("quotient")) {
      return rate(place, direction, rules);
    }
    return place.checked(
        "",
        () -> new Measure(place.text("code"), place.text("unit"), place.whole("scale"), direction));
  }

  /** Whether a measure's actuals are won deals; null or blank is by files. */
  private static boolean isFedByDeals(Place place, Measure measure) {
    if (!place.isSet("fedBy") || place.text("fedBy").isBlank()) {
      return false;
    }
    if (!place.text("fedBy").equals(WON_DEALS)) {
      throw place.fault("fedBy", ReadingWords.mustBeOrNullForFiles(WON_DEALS));
    }
    if (measure.isRate() || measure.direction() != Direction.HIGHER) {
      throw place.fault("fedBy", ReadingWords.IS_FOR_MEASURES_THAT_ARE_COUNTED);
    }
    return true;
  }

  /** What a measure is called; null or blank takes the name away. */
  private static @Nullable String name(Place place) {
    if (!place.isSet("name")) {
      return null;
    }
    String name = place.text("name").strip();
    if (name.length() > LONGEST_NAME) {
      throw place.fault("name", ReadingWords.mustHaveAtMostCharacters(LONGEST_NAME));
    }
    return name.isEmpty() ? null : name;
  }

  private static Measure rate(Place place, Direction direction, Rules rules) {
    List<Measure> parts = new ArrayList<>();
    for (Place part : place.children("quotient")) {
      String code = part.node().asString("");
      parts.add(
          rules
              .findMeasure(code)
              .filter(measure -> !measure.code().equalsIgnoreCase(place.text("code")))
              .orElseThrow(() -> part.fault("", ReadingWords.isNotMeasure(code))));
    }
    if (parts.size() != 2) {
      throw place.fault("quotient", ReadingWords.MUST_BE_TWO_MEASURES);
    }
    return place.checked(
        "quotient", () -> Measure.rate(place.text("code"), parts.get(0), parts.get(1), direction));
  }

  private static AttachedShading shading(Place place, Rules rules) {
    place.allowOnly(Set.of("measure", "goalSet", "axis", "good", "bad"));
    Attachment to = attachment(place, rules);
    Measure measure = rules.findMeasure(to.measure()).orElseThrow();
    return new AttachedShading(
        to, new Shading(limit(place, "good", measure), limit(place, "bad", measure)));
  }

  /** As the file and the store have them. */
  public static AttachedStretches stretches(Place place, Rules rules) {
    place.allowOnly(Set.of("measure", "goalSet", "axis", "of", "at"));
    Attachment to = attachment(place, rules);
    Of of = place.word("of", Of.values(), Of::word);
    return place.checked(
        "at",
        () ->
            new AttachedStretches(
                to, of, place.texts("at").stream().map(String::strip).map(Ratio::parse).toList()));
  }

  private static Rules withoutStretches(Place place, Rules rules) {
    Attachment to = removed(place, rules);
    return rules.withStretches(
        rules.stretches().stream().filter(one -> !one.to().isSame(to)).toList());
  }

  /** What a rule is attached to that is to go. */
  private static Attachment removed(Place place, Rules rules) {
    place.allowOnly(Set.of("measure", "goalSet", "axis", "remove"));
    if (!place.bool("remove")) {
      throw place.fault("remove", ReadingWords.MUST_BE_TRUE_OR_LEFT_OUT);
    }
    return attachment(place, rules);
  }

  /** A limit in whole units of the measure, or automatic. */
  private static @Nullable Ratio limit(Place place, String name, Measure measure) {
    if (!place.isSet(name) || place.text(name).strip().equalsIgnoreCase("auto")) {
      return null;
    }
    Ratio units =
        place.checked(
            name, () -> Ratio.parse(place.text(name).strip()).times(measure.unitsPerOne()));
    boolean isWhole = units.under().equals(BigInteger.ONE) && units.signum() >= 0;
    if (!isWhole || units.over().bitLength() > 62) {
      throw place.fault(name, ReadingWords.MUST_BE_AUTO_OR_AMOUNT);
    }
    return units;
  }

  private static boolean isColumnName(String code) {
    return Stream.of(Header.Role.values()).anyMatch(role -> role.name().equalsIgnoreCase(code));
  }

  private static AttachedLadder ladder(Place place, Rules rules) {
    place.allowOnly(Set.of("measure", "goalSet", "axis", "since", "scale", "perMonth", "rungs"));
    Attachment to = attachment(place, rules);
    Scale scale =
        Scale.findByWord(place.text("scale"))
            .orElseThrow(
                () ->
                    place.fault(
                        "scale",
                        ReadingWords.mustBeOneOf(
                            String.join(
                                ", ",
                                List.of(Scale.values()).stream().map(Scale::word).toList()))));
    boolean perMonth = place.isSet("perMonth") && place.bool("perMonth");
    if (perMonth && !scale.isAmount()) {
      throw place.fault("perMonth", ReadingWords.IS_FOR_THRESHOLDS_BASED_ON_AMOUNTS);
    }
    List<Rung> rungs = new ArrayList<>();
    for (Place rung : place.children("rungs")) {
      rungs.add(rung(rung));
    }
    return new AttachedLadder(
        to, since(place), place.checked("rungs", () -> new Ladder(scale, rungs, perMonth)));
  }

  /** Back to the default: every version that is attached in just that way goes. */
  private static Rules withoutLadder(Place place, Rules rules) {
    Attachment to = removed(place, rules);
    return rules.withLadders(rules.ladders().stream().filter(one -> !one.to().isSame(to)).toList());
  }

  private static @Nullable YearMonth since(Place place) {
    return place.isSet("since") ? place.month("since") : null;
  }

  /** What a rule is attached to. */
  private static Attachment attachment(Place place, Rules rules) {
    String code = place.text("measure");
    Measure measure =
        rules
            .findMeasure(code)
            .orElseThrow(() -> place.fault("measure", ReadingWords.isNotMeasure(code)));
    return new Attachment(
        measure.code(),
        place.isSet("goalSet") ? place.text("goalSet") : null,
        place.isSet("axis") ? place.word("axis", Axis.values(), Axis::word) : null);
  }

  private static Rung rung(Place place) {
    place.allowOnly(Set.of("name", "tone", "from", "bound"));
    String name = place.text("name").strip();
    if (name.length() > 60) {
      throw place.fault("name", ReadingWords.MUST_HAVE_AT_MOST_CHARACTERS);
    }
    Tone tone = place.word("tone", Tone.values(), Enum::name);
    if (!place.isSet("from")) {
      return Rung.first(name, tone);
    }
    Ratio from = place.checked("from", () -> Ratio.parse(place.text("from")));
    return isAbove(place) ? Rung.above(name, tone, from) : Rung.from(name, tone, from);
  }

  private static boolean isAbove(Place place) {
    if (!place.isSet("bound")) {
      return false;
    }
    return switch (place.text("bound").strip().toLowerCase(Locale.ROOT)) {
      case "above" -> true;
      case ReadingWords.AT_OR_ABOVE -> false;
      default -> throw place.fault("bound", ReadingWords.MUST_BE_AT_OR_ABOVE);
    };
  }
}
