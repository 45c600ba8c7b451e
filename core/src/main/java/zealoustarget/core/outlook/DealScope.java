package zealoustarget.core.outlook;

import java.util.Map;
import java.util.Set;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/**
 * Which deals are meant: those with an amount of a measure that are expected in a span, inside a
 * filter. A deal's region is its own, else that of its rep in the month in which it is expected.
 *
 * @param measure code
 */
public record DealScope(String measure, Span span, Filters filters, Members members) {
  /** Whether a deal is meant, whatever its state. */
  public boolean contains(DealSnapshot snapshot, int at) {
    int month = snapshot.month(at);
    int from = Months.number(span.fromInclusive());
    if (month < from
        || month >= from + span.length()
        || snapshot.amount(snapshot.measure(measure), at) == Amounts.NONE) {
      return false;
    }
    for (Map.Entry<Axis, Set<Integer>> filter : filters.kept().entrySet()) {
      if (!filter.getValue().contains(placeOf(snapshot, at, filter.getKey()))) {
        return false;
      }
    }
    return true;
  }

  /** The member of an axis that a deal is of, by id; {@link Members#NONE} where it is of none. */
  public int placeOf(DealSnapshot snapshot, int at, Axis axis) {
    int rep = snapshot.rep(at);
    int product = snapshot.product(at);
    int region = snapshot.region(at);
    int month = snapshot.month(at);
    return switch (axis) {
      case REP -> rep;
      case PRODUCT -> product;
      case REGION -> region == Members.NONE ? members.regionOf(rep, month) : region;
      case MANAGER -> members.managerOf(rep, month);
      case LINE -> product == Members.NONE ? Members.NONE : members.lineOf(product, month);
      case COMPANY -> Member.COMPANY.id();
    };
  }

  /** The same of one member only. */
  public DealScope of(Axis axis, int member) {
    return axis == Axis.COMPANY
        ? this
        : new DealScope(measure, span, filters.and(axis, member), members);
  }
}
