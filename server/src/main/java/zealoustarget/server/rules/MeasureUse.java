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
}
