package zealoustarget.server.standing.view;

import java.time.YearMonth;
import java.util.Map;

/** Says where commission begins and ends, by the plans and credit shares that held then. */
public interface PayMarker {
  /**
   * The marks of a month's reps against their quotas, of closed months as closed; by key. Reps
   * whose plan reckons over a longer window, another measure or another goal set have none: its
   * bounds lie elsewhere.
   */
  Map<String, PayMarks> marks(YearMonth month, String measure, String goalSet);
}
