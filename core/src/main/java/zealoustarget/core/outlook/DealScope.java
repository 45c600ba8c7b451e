package zealoustarget.core.outlook;

import java.util.Map;
import java.util.Set;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/**
 * Which deals are meant: those expected in a span, inside a filter. A deal's region is its own,
 * else that of its rep in the month in which it is expected.
 */
public record DealScope(Span span, Filters filters, Members members) {
  /** Whether a deal is of the span and inside the filter, whatever its state. */
  public boolean contains(Deal deal) {
    int from = Months.number(span.fromInclusive());
    if (deal.month() < from || deal.month() >= from + span.length()) {
      return false;
    }
    for (Map.Entry<Axis, Set<Integer>> filter : filters.kept().entrySet()) {
      if (!filter.getValue().contains(placeOf(deal, filter.getKey()))) {
        return false;
      }
    }
    return true;
  }

  /** The member of an axis that a deal is of, by id; {@link Members#NONE} where it is of none. */
  public int placeOf(Deal deal, Axis axis) {
    return switch (axis) {
      case REP -> deal.rep();
      case PRODUCT -> deal.product();
      case REGION ->
          deal.region() == Members.NONE
              ? members.regionOf(deal.rep(), deal.month())
              : deal.region();
      case MANAGER -> members.managerOf(deal.rep(), deal.month());
      case LINE ->
          deal.product() == Members.NONE
              ? Members.NONE
              : members.lineOf(deal.product(), deal.month());
      case COMPANY -> Member.COMPANY.id();
    };
  }

  /** The same of one member only. */
  public DealScope of(Axis axis, int member) {
    return axis == Axis.COMPANY ? this : new DealScope(span, filters.and(axis, member), members);
  }
}
