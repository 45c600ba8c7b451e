package zealoustarget.server.outlook;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.outlook.Bridge;
import zealoustarget.core.outlook.Bridge.Step;

/**
 * What became of the open deals between two snapshots: before + new + movedIn + raised − lowered −
 * won − lost − movedOut − gone = after. All amounts are 0 or more.
 *
 * @param since day of the earlier snapshot; null where there are not two
 * @param asOf day of the later one; null where there are not two
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record BridgeAnswer(
    @Nullable String since,
    @Nullable String asOf,
    String before,
    @JsonProperty("new") String added,
    String movedIn,
    String raised,
    String lowered,
    String won,
    String lost,
    String movedOut,
    String gone,
    String after) {
  static BridgeAnswer of(
      @Nullable String since, @Nullable String asOf, Bridge bridge, Measure measure) {
    return new BridgeAnswer(
        since,
        asOf,
        measure.text(bridge.before()),
        measure.text(bridge.of(Step.NEW)),
        measure.text(bridge.of(Step.MOVED_IN)),
        measure.text(bridge.of(Step.RAISED)),
        measure.text(bridge.of(Step.LOWERED)),
        measure.text(bridge.of(Step.WON)),
        measure.text(bridge.of(Step.LOST)),
        measure.text(bridge.of(Step.MOVED_OUT)),
        measure.text(bridge.of(Step.GONE)),
        measure.text(bridge.after()));
  }
}
