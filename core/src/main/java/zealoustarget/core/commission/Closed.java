package zealoustarget.core.commission;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a sealed month settled for one rep; a later correction is reckoned against it.
 *
 * @param month number
 * @param terms that held; null without a plan
 * @param windowFrom first month number of the window as far as these terms reach
 * @param facts to date from which was earned; null without a quota
 * @param earned cents to date
 * @param held cents that were held at 0 and are not made up yet
 */
public record Closed(
    int month,
    @Nullable Terms terms,
    int windowFrom,
    @Nullable Facts facts,
    long earned,
    long held,
    List<Adjustment> adjustments) {
  public Closed {
    adjustments = List.copyOf(adjustments);
  }
}
