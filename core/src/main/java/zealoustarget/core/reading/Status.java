package zealoustarget.core.reading;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Tone;

/**
 * What a ladder says of a reading.
 *
 * @param word the rung's name, or "no reading"
 * @param tone the rung's tone, neutral without a reading
 * @param rung the deciding rung, null without a reading
 * @param scaleValue the exact figure that was judged, in the ladder's scale; null without a reading
 * @param noReading why there is none, null where a rung decided
 */
public record Status(
    String word,
    Tone tone,
    @Nullable Rung rung,
    @Nullable Ratio scaleValue,
    @Nullable NoReading noReading) {
  public static final String NO_READING = "no reading";

  /** Of a span in which nothing is posted of the measure: its figures stand, nothing is judged. */
  public static final Status OF_EMPTY =
      new Status(NO_READING, Tone.NEUTRAL, null, null, NoReading.EMPTY);

  /**
   * Judges a reading by a ladder, on exact figures.
   *
   * @param unitsPerOne smallest units in one whole unit of the measure, as bounds are in whole
   *     units
   * @param highest actual of the highest row, for the share of it; null where no row shares it
   */
  public static Status of(
      Reading reading, Ladder ladder, Ratio unitsPerOne, @Nullable Ratio highest) {
    Ratio value = valueOf(reading, ladder.scale(), unitsPerOne, highest);
    if (value == null) {
      NoReading reason = reading.noReading();
      return new Status(
          NO_READING, Tone.NEUTRAL, null, null, reason == null ? NoReading.NO_HIGHEST : reason);
    }
    Rung rung = ladder.rungOf(value);
    return new Status(rung.name(), rung.tone(), rung, value, null);
  }

  private static @Nullable Ratio valueOf(
      Reading reading, Scale scale, Ratio unitsPerOne, @Nullable Ratio highest) {
    return switch (scale) {
      case PERCENT_TO_GOAL -> reading.attainment();
      case VARIANCE_PERCENT -> reading.variancePercent();
      case VALUE -> reading.actual() == null ? null : reading.actual().dividedBy(unitsPerOne);
      case VARIANCE -> {
        Ratio variance = reading.variance();
        yield variance == null ? null : variance.dividedBy(unitsPerOne);
      }
      case SHARE_OF_HIGHEST ->
          reading.actual() == null || highest == null || highest.signum() <= 0
              ? null
              : reading.actual().dividedBy(highest);
    };
  }
}
