package zealoustarget.server.standing;

import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import zealoustarget.core.ledger.GoalBook;
import zealoustarget.server.ledger.LedgerService;
import zealoustarget.server.platform.Packed;

/** The standings of a month as they are frozen when it is sealed. */
@Component
public class Snapshots {
  private final StandingService standings;
  private final LedgerService ledgers;

  Snapshots(StandingService standings, LedgerService ledgers) {
    this.standings = standings;
    this.ledgers = ledgers;
  }

  /** Every goal set's standing of the month, by set and measure, packed. */
  public byte[] figures(YearMonth month) {
    Map<String, StandingAnswer> figures = new LinkedHashMap<>();
    for (GoalBook book : new TreeMap<>(ledgers.current().goalBooks()).values()) {
      for (String measure : book.measures()) {
        StandingParameters asked =
            StandingParameters.of(book.axis().word(), measure, month.toString(), book.name());
        figures.put(book.name() + "\n" + measure, standings.standing(asked));
      }
    }
    return Packed.deflated(figures);
  }

  /** What {@link #figures} packed, as a list of standings with their goal set and measure. */
  public static ArrayNode read(byte[] packed) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    Packed.fromDeflated(packed, JsonNode.class)
        .properties()
        .forEach(
            one -> {
              String[] names = one.getKey().split("\n", 2);
              all.addObject()
                  .put("goalSet", names[0])
                  .put("measure", names[1])
                  .set("standing", one.getValue());
            });
    return all;
  }
}
