package zealoustarget.server.earnings;

import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import zealoustarget.core.commission.Plan;
import zealoustarget.server.standing.view.PayMarker;
import zealoustarget.server.standing.view.PayMarks;

/** Floors and ceilings as the statements have them. */
@Component
class EarningsMarks implements PayMarker {
  private final EarningsService earnings;

  EarningsMarks(EarningsService earnings) {
    this.earnings = earnings;
  }

  @Override
  public Map<String, PayMarks> marks(YearMonth month, String measure, String goalSet) {
    if (!earnings.mayReadMonthly(month, goalSet)) {
      return Map.of();
    }
    Map<String, PayMarks> marks = new HashMap<>();
    for (EarningsRow row : earnings.month(month).rows()) {
      boolean hasMark = row.floor() != null || row.ceiling() != null;
      if (hasMark && row.measure().equals(measure) && isReadBy(row, month, goalSet)) {
        marks.put(row.rep(), new PayMarks(row.floor(), row.ceiling()));
      }
    }
    return marks;
  }

  private boolean isReadBy(EarningsRow row, YearMonth month, String goalSet) {
    Plan plan = earnings.plan(row, month);
    return plan != null && EarningsService.isMonthly(plan, goalSet);
  }
}
