package zealoustarget.core.ladder;

import static zealoustarget.core.ladder.Tone.BAD;
import static zealoustarget.core.ladder.Tone.GOOD;
import static zealoustarget.core.ladder.Tone.NEAR;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;

/**
 * Ordered rungs on one scale: every number lands on exactly one of them.
 *
 * <p>Defined in docs/calculations.md, section 4. Bounds are exact; a status is decided on the exact
 * figure, never on the one shown.
 *
 * @param scale the figure that is read
 * @param rungs ascending; only the first has no lower bound
 * @param perMonth whether bounds in amounts are those of one month, scaled by the number of months
 *     with actuals in the span
 */
public record Ladder(Scale scale, List<Rung> rungs, boolean perMonth) {
  /** Checks order, bounds and names, so that gaps and overlaps cannot be held. */
  public Ladder {
    rungs = List.copyOf(rungs);
    if (perMonth && !scale.isAmount()) {
      throw new IllegalArgumentException(
          "perMonth is for thresholds based on amounts, not " + scale.word());
    }
    if (rungs.isEmpty()) {
      throw new IllegalArgumentException("rungs must not be empty");
    }
    Set<String> names = new HashSet<>();
    for (int i = 0; i < rungs.size(); i++) {
      Rung rung = rungs.get(i);
      if (rung.name().isBlank() || !names.add(rung.name().toLowerCase(Locale.ROOT))) {
        throw new IllegalArgumentException(
            "threshold " + (i + 1) + " needs a name of its own, was \"" + rung.name() + "\"");
      }
      if (i == 0 && rung.lowerBound() != null) {
        throw new IllegalArgumentException(
            "threshold 1 must have no lower bound, so that every number has a status");
      }
      if (i > 0 && !rung.beginsAfter(rungs.get(i - 1))) {
        throw new IllegalArgumentException(
            "threshold "
                + (i + 1)
                + " \""
                + rung.name()
                + "\" must start above the threshold before it");
      }
    }
  }

  public Ladder(Scale scale, List<Rung> rungs) {
    this(scale, rungs, false);
  }

  /**
   * The ladder that judges a span.
   *
   * <p>Worked: 500.00 per month is 1 500.00 over three months with actuals.
   *
   * @param months with actuals; where there are none, nothing is judged anyway
   */
  public Ladder over(int months) {
    if (!perMonth) {
      return this;
    }
    Ratio times = Ratio.of(Math.max(months, 1));
    return new Ladder(
        scale,
        rungs.stream()
            .map(
                rung ->
                    rung.lowerBound() == null
                        ? rung
                        : new Rung(
                            rung.name(), rung.tone(), rung.lowerBound().times(times), rung.above()))
            .toList());
  }

  /**
   * The same statuses beginning elsewhere.
   *
   * @param bounds one for each rung but the first, ascending
   * @throws IllegalArgumentException where they do not fit the rungs
   */
  public Ladder withBounds(List<Ratio> bounds) {
    if (bounds.size() != rungs.size() - 1) {
      throw new IllegalArgumentException(
          "there are " + (rungs.size() - 1) + " thresholds, not " + bounds.size());
    }
    List<Rung> moved = new ArrayList<>();
    moved.add(rungs.get(0));
    for (int i = 1; i < rungs.size(); i++) {
      Rung rung = rungs.get(i);
      moved.add(new Rung(rung.name(), rung.tone(), bounds.get(i - 1), rung.above()));
    }
    return new Ladder(scale, moved, perMonth);
  }

  /** The default of a direction, on percent-to-goal. */
  public static Ladder defaultOf(Direction direction) {
    return switch (direction) {
      case HIGHER ->
          new Ladder(
              Scale.PERCENT_TO_GOAL,
              List.of(
                  Rung.first("behind", BAD),
                  Rung.from("near", NEAR, Ratio.of(9, 10)),
                  Rung.from("reached", GOOD, Ratio.ONE),
                  Rung.from("well past", GOOD, Ratio.of(12, 10))));
      case LOWER ->
          new Ladder(
              Scale.PERCENT_TO_GOAL,
              List.of(
                  Rung.first("within", GOOD),
                  Rung.from("close", NEAR, Ratio.of(3, 4)),
                  Rung.from("tight", NEAR, Ratio.of(9, 10)),
                  Rung.above("over", BAD, Ratio.ONE)));
      case NEAREST -> threeWay("below", "level", "above", BAD, BAD);
    };
  }

  /**
   * What judges a range goal, by its signed distance: below, inside (0), above. The side that the
   * direction favours is near, the other bad; docs/calculations.md, section 2.
   */
  public static Ladder ofRange(Direction direction) {
    return threeWay(
        "below",
        "inside",
        "above",
        direction == Direction.LOWER ? NEAR : BAD,
        direction == Direction.HIGHER ? NEAR : BAD);
  }

  /** The three-way ladder on the variance: below, level (exactly equal), above. */
  public static Ladder threeWay() {
    return threeWay("below", "level", "above", BAD, GOOD);
  }

  private static Ladder threeWay(String under, String at, String over, Tone below, Tone above) {
    return new Ladder(
        Scale.VARIANCE,
        List.of(
            Rung.first(under, below),
            Rung.from(at, GOOD, Ratio.ZERO),
            Rung.above(over, above, Ratio.ZERO)));
  }

  /** The rung on which an exact value lands. */
  public Rung rungOf(Ratio value) {
    Rung found = rungs.get(0);
    for (Rung rung : rungs) {
      if (rung.isReachedBy(value)) {
        found = rung;
      }
    }
    return found;
  }
}
