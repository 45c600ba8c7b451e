package zealoustarget.server.standing;

import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.commission.Bound;
import zealoustarget.core.commission.PayCurve;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.Terms;
import zealoustarget.core.ledger.Basis;
import zealoustarget.core.ledger.GoalBook;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.ledger.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Standing.Row;

/**
 * Where a rep's commission begins and ends on the lane: amounts as decimal text, null where the
 * plan has none.
 */
record PayMarks(String floor, String ceiling) {
  /**
   * The marks of a rep's month against the quota of the plan; null for anything else, also where
   * the plan reckons over a longer window, whose bounds lie elsewhere.
   */
  static PayMarks of(Asked asked, Row row) {
    StandingQuery query = asked.query();
    boolean isMonth = query.axis() == Axis.REP && query.span().length() == 1;
    Ratio goal = row.reading().goalAmount();
    if (!isMonth || goal == null || goal.signum() <= 0) {
      return null;
    }
    int month = Months.number(query.span().toInclusive());
    Terms terms = asked.playbook().commission().plans().terms(row.member().key(), month);
    if (terms == null || !isRead(terms.plan(), query)) {
      return null;
    }
    Plan plan = terms.plan();
    PayCurve curve =
        new PayCurve(
            plan, goal.times(terms.rampIn(month)), ceilingOfSet(plan, asked, row, month), true);
    if (curve.floor() == null && curve.ceiling() == null) {
      return null;
    }
    Measure measure = query.measure();
    return new PayMarks(
        ReadingAnswer.text(measure, curve.floor()), ReadingAnswer.text(measure, curve.ceiling()));
  }

  private static boolean isRead(Plan plan, StandingQuery query) {
    return plan.window() == Plan.Window.MONTH
        && plan.measure().code().equals(query.measure().code())
        && query.basis() instanceof Basis.Set set
        && set.name().equals(plan.goalSet());
  }

  private static Ratio ceilingOfSet(Plan plan, Asked asked, Row row, int month) {
    GoalBook book =
        plan.ceiling() instanceof Bound.OfSet set
            ? asked.ledger().goalBooks().get(set.goalSet())
            : null;
    GoalBook.Cell cell =
        book == null ? null : book.cell(plan.measure().code(), month, row.member().id());
    return cell == null ? null : Ratio.of(cell.amount());
  }
}
