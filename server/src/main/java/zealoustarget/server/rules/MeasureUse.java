package zealoustarget.server.rules;

import jakarta.persistence.EntityManager;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Which measures have amounts in a load, posted or not. */
@Component
class MeasureUse {
  private final EntityManager entities;

  MeasureUse(EntityManager entities) {
    this.entities = entities;
  }

  @SuppressWarnings("unchecked")
  Set<String> measuresWithAmounts() {
    return Set.copyOf(
        entities.createNativeQuery("select distinct measure from load_sum").getResultList());
  }

  /** Those of which files bring actuals. */
  @SuppressWarnings("unchecked")
  Set<String> measuresOfActuals() {
    return Set.copyOf(
        entities
            .createNativeQuery(
                "select distinct s.measure from load_sum s join load l on l.id = s.load_id"
                    + " where l.kind = 'ACTUALS'")
            .getResultList());
  }

  /** Whether any month was ever closed. */
  boolean hasClosedMonths() {
    return !entities.createNativeQuery("select 1 from seal limit 1").getResultList().isEmpty();
  }
}
