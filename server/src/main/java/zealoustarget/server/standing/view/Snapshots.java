package zealoustarget.server.standing.view;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.storage.Packed;
import zealoustarget.server.standing.query.StandingParameters;

/** The standings of a month as they are frozen when it is sealed. */
@Component
public class Snapshots {
  private final StandingService standings;
  private final LedgerService ledgers;

  Snapshots(StandingService standings, LedgerService ledgers) {
    this.standings = standings;
    this.ledgers = ledgers;
  }

  /** Every goal set's standing of the month by its measures, packed. */
  public byte[] figures(YearMonth month) {
    List<SealedStanding> figures = new ArrayList<>();
    for (GoalBook book : new TreeMap<>(ledgers.current().goalBooks()).values()) {
      for (String measure : book.measures()) {
        StandingParameters asked =
            StandingParameters.of(book.axis().word(), measure, month.toString(), book.name());
        figures.add(SealedStanding.of(book.name(), standings.standing(asked)));
      }
    }
    return Packed.deflated(figures);
  }

  /**
   * What {@link #figures} packed, as a list; earlier forms of seals hold standings as they were
   * answered, by goal set and measure.
   */
  public static ArrayNode read(byte[] packed) {
    JsonNode figures = Packed.fromDeflated(packed, JsonNode.class);
    if (figures.isArray()) {
      return (ArrayNode) figures;
    }
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    figures
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
