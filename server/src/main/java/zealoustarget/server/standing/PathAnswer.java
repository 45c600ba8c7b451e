package zealoustarget.server.standing;

import java.util.List;

/** A member's months against their goals, and in the strip the company's. */
record PathAnswer(String name, int fiscalYear, List<MonthAnswer> months) {
  /**
   * One month.
   *
   * @param state empty or open; of the strip only
   */
  record MonthAnswer(String month, int number, int quarter, String state, ReadingAnswer reading) {}
}
