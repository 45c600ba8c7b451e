package zealoustarget.server.intake;

import java.util.HashMap;
import java.util.Map;
import zealoustarget.core.intake.History;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.OrderSet;
import zealoustarget.core.ledger.Usual;

/** What is posted at the moment a file is checked; worked out when it is first asked. */
final class PostedHistory implements History {
  private final Ledger ledger;
  private final Map<String, Usual> usuals = new HashMap<>();
  private OrderSet orders;

  PostedHistory(Ledger ledger) {
    this.ledger = ledger;
  }

  @Override
  public boolean hasOrder(long orderKey) {
    if (orders == null) {
      orders = OrderSet.of(ledger.blocks());
    }
    return orders.contains(orderKey);
  }

  @Override
  public Usual usual(String measure) {
    return usuals.computeIfAbsent(measure, code -> Usual.of(ledger, code));
  }
}
