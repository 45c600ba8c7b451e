package zealoustarget.server.rules.reading;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Bound;
import zealoustarget.core.commission.CreditShares;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.Plan.BonusPaid;
import zealoustarget.core.commission.Plan.Method;
import zealoustarget.core.commission.Plan.NegativeDue;
import zealoustarget.core.commission.Plan.PaidFrom;
import zealoustarget.core.commission.Plan.Window;
import zealoustarget.core.commission.Plan.Worded;
import zealoustarget.core.commission.PlanBook.Assignment;
import zealoustarget.core.commission.PlanBook.Version;
import zealoustarget.core.commission.PlanFault;
import zealoustarget.core.commission.Step;
import zealoustarget.server.rules.Commission;
import zealoustarget.server.rules.Rules;

/** Reads plans, their assignments and shared credit out of a rules file. */
public final class PlanReader {
  private static final Ratio CENTS = Ratio.of(100);
  private static final int LONGEST_NAME = 80;
  private static final int MOST_STEPS = 50;

  private final Rules rules;

  public PlanReader(Rules rules) {
    this.rules = rules;
  }

  /** One version; the parts that are left out are those of a plain monthly plan. */
  public Version version(Place place) {
    place.allowOnly(
        Set.of(
            "name",
            "since",
            "measure",
            "goalSet",
            "window",
            "floor",
            "paidFrom",
            "method",
            "steps",
            "bonus",
            "bonusPaid",
            "ceiling",
            "cap",
            "negativeDue",
            "reps"));
    String name = place.text("name").strip();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw place.fault("name", ReadingWords.mustHaveToCharacters(LONGEST_NAME));
    }
    Measure measure = measure(place);
    List<Step> steps = steps(place);
    Long bonus = place.isSet("bonus") ? money(place, "bonus") : null;
    try {
      Plan plan =
          new Plan(
              name,
              measure,
              place.text("goalSet").strip(),
              word(place, "window", Window.values()),
              bound(place, "floor", measure),
              word(place, "paidFrom", PaidFrom.values()),
              word(place, "method", Method.values()),
              steps,
              bonus == null ? 0 : bonus,
              word(place, "bonusPaid", BonusPaid.values()),
              bound(place, "ceiling", measure),
              place.isSet("cap") ? money(place, "cap") : null,
              word(place, "negativeDue", NegativeDue.values()));
      return new Version(plan, since(place));
    } catch (PlanFault fault) {
      throw place.fault(fault.part(), ": " + fault.getMessage());
    }
  }

  /**
   * A version that goes, by its name and first month.
   *
   * @param since first month number; {@link Integer#MIN_VALUE} for every month
   */
  public record Removed(String name, int since) {}

  static Removed removed(Place place) {
    place.allowOnly(Set.of("name", "since", "remove"));
    if (!place.bool("remove")) {
      throw place.fault("remove", ReadingWords.MUST_BE_TRUE);
    }
    return new Removed(place.text("name").strip(), since(place));
  }

  private static int since(Place place) {
    return place.isSet("since") ? Months.number(place.month("since")) : Integer.MIN_VALUE;
  }

  private Measure measure(Place place) {
    String code = place.isSet("measure") ? place.text("measure") : "revenue";
    return rules
        .findMeasure(code)
        .orElseThrow(() -> place.fault("measure", ReadingWords.isNotMeasure(code)));
  }

  private static <T extends Worded> T word(Place place, String name, T[] values) {
    return place.isSet(name) ? place.word(name, values, Worded::word) : values[0];
  }

  private static List<Step> steps(Place place) {
    List<Step> steps = new ArrayList<>();
    for (Place step : place.children("steps")) {
      step.allowOnly(Set.of("from", "rate"));
      steps.add(new Step(share(step, "from"), share(step, "rate")));
    }
    if (steps.size() > MOST_STEPS) {
      throw place.fault("steps", ReadingWords.mustBeAtMost(MOST_STEPS));
    }
    return steps;
  }

  private static Ratio share(Place place, String name) {
    return place.checked(name, () -> Ratio.parse(place.text(name).strip()));
  }

  private static @Nullable Bound bound(Place place, String name, Measure measure) {
    if (!place.isSet(name)) {
      return null;
    }
    Place bound = place.child(name);
    bound.allowOnly(Set.of("amount", "percent", "goalSet"));
    if (bound.node().size() != 1) {
      throw place.fault(name, ReadingWords.MUST_HAVE_ONE_BOUND);
    }
    if (bound.isSet("amount")) {
      return new Bound.Amount(whole(bound, "amount", measure.unitsPerOne()));
    }
    return bound.isSet("percent")
        ? new Bound.Share(share(bound, "percent"))
        : new Bound.OfSet(bound.text("goalSet").strip());
  }

  private static long money(Place place, String name) {
    return whole(place, name, CENTS);
  }

  private static long whole(Place place, String name, Ratio unitsPerOne) {
    Ratio units = share(place, name).times(unitsPerOne);
    if (!units.under().equals(BigInteger.ONE)) {
      throw place.fault(name, ReadingWords.HAS_MORE_DECIMALS_THAN_ITS_UNIT);
    }
    if (units.abs().compareTo(Ratio.of(Measure.LARGEST_AMOUNT)) > 0) {
      throw place.fault(name, ReadingWords.IS_TOO_LARGE);
    }
    return units.over().longValueExact();
  }

  /** The reps that a plan names without months: they have it for all of them. */
  static List<Assignment> reps(Place place, Version version) {
    List<Assignment> assignments = new ArrayList<>();
    for (Place rep : place.children("reps")) {
      assignments.add(
          new Assignment(
              key(rep.node().asString("").strip(), rep, ""),
              version.plan().name(),
              Integer.MIN_VALUE,
              null,
              List.of()));
    }
    return assignments;
  }

  /** Reads from when on a rep is paid by a plan. */
  public Assignment assignment(Place place) {
    place.allowOnly(Set.of("rep", "plan", "from", "until", "ramp"));
    List<Ratio> ramp = new ArrayList<>();
    if (place.isSet("ramp")) {
      for (Place share : place.children("ramp")) {
        ramp.add(share.checked("", () -> Ratio.parse(share.node().asString("").strip())));
      }
    }
    return place.checked(
        "",
        () ->
            new Assignment(
                key(place.text("rep").strip(), place, "rep"),
                place.text("plan").strip(),
                place.isSet("from") ? Months.number(place.month("from")) : Integer.MIN_VALUE,
                place.isSet("until") ? Months.number(place.month("until")) : null,
                ramp));
  }

  private static String key(String text, Place place, String name) {
    if (text.isEmpty() || text.length() > LONGEST_NAME) {
      throw place.fault(name, ReadingWords.MUST_BE_REPS_KEY);
    }
    return text;
  }

  /** Reads how a rep's credit is shared; the shares add up to 1. */
  public Commission.SharedCredit shared(Place place) {
    place.allowOnly(Set.of("rep", "from", "until", "shares"));
    Place shares = place.child("shares");
    if (shares.node() == null || !shares.node().isObject()) {
      throw place.fault("shares", ReadingWords.MUST_BE_OBJECT_OF_REPS);
    }
    Map<String, Ratio> byRep = new HashMap<>();
    for (String rep : shares.node().propertyNames()) {
      byRep.put(key(rep.strip(), shares, rep), fraction(shares, rep));
    }
    return place.checked(
        "shares",
        () ->
            new Commission.SharedCredit(
                key(place.text("rep").strip(), place, "rep"),
                place.isSet("from") ? place.month("from") : null,
                place.isSet("until") ? place.month("until") : null,
                new CreditShares<>(byRep)));
  }

  /** A share as a decimal or, where none ends, a fraction such as 1/3. */
  private static Ratio fraction(Place place, String name) {
    String[] parts = place.text(name).split("/", -1);
    return place.checked(
        name,
        () -> {
          Ratio over = Ratio.parse(parts[0].strip());
          if (parts.length == 1) {
            return over;
          }
          Ratio under = Ratio.parse(parts[1].strip());
          if (parts.length > 2 || under.signum() == 0) {
            throw new IllegalArgumentException(ReadingWords.isNoShare(place.text(name)));
          }
          return over.dividedBy(under);
        });
  }
}
