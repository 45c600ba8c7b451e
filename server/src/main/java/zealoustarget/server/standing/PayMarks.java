package zealoustarget.server.standing;

import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.commission.Bound;
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
    Ratio quota = goal.times(terms.rampIn(month));
    PayMarks marks =
        new PayMarks(
            text(plan.floor(), quota, asked, row, month),
            text(plan.ceiling(), quota, asked, row, month));
    return marks.floor == null && marks.ceiling == null ? null : marks;
  }

  private static boolean isRead(Plan plan, StandingQuery query) {
    return plan.window() == Plan.Window.MONTH
        && plan.measure().code().equals(query.measure().code())
        && query.basis() instanceof Basis.Set set
        && set.name().equals(plan.goalSet());
  }

  private static String text(Bound bound, Ratio quota, Asked asked, Row row, int month) {
    Measure measure = asked.query().measure();
    if (bound instanceof Bound.Amount amount) {
      return measure.text(amount.units());
    }
    if (bound instanceof Bound.Share share) {
      return measure.text(quota.times(share.ofQuota()));
    }
    GoalBook book =
        bound instanceof Bound.OfSet set ? asked.ledger().goalBooks().get(set.goalSet()) : null;
    GoalBook.Cell cell = book == null ? null : book.cell(measure.code(), month, row.member().id());
    return cell == null ? null : measure.text(cell.amount());
  }
}
