package zealoustarget.core.commission;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;

/**
 * Reckons commission month by month: earned to date in the window, what of it is due, and what
 * corrections of sealed months add. Defined in docs/calculations.md, section 7.
 */
public final class Earnings {
  /** What holds for a rep in a month. */
  public interface TermsOf {
    @Nullable Terms terms(int rep, int month);
  }

  private record Window(int from, int through) {}

  private final FiscalCalendar calendar;
  private final TermsOf rules;
  private final SalesBook book;
  private final String usualMeasure;
  private final @Nullable Integer nextOpen;

  /**
   * Takes the rules and what is posted now.
   *
   * @param usualMeasure whose sales are shown for a rep without a plan
   * @param nextOpen the month number in which corrections of sealed months are settled; null while
   *     none is sealed
   */
  public Earnings(
      FiscalCalendar calendar,
      TermsOf rules,
      SalesBook book,
      String usualMeasure,
      @Nullable Integer nextOpen) {
    this.calendar = calendar;
    this.rules = rules;
    this.book = book;
    this.usualMeasure = usualMeasure;
    this.nextOpen = nextOpen;
  }

  /**
   * A rep's statement of a month that is not sealed.
   *
   * @param settled the rep's sealed months, any order
   */
  public Statement statement(int rep, int month, List<Closed> settled) {
    TreeMap<Integer, Closed> closed = new TreeMap<>();
    settled.stream()
        .filter(one -> one.month() < month)
        .forEach(one -> closed.put(one.month(), one));
    Terms terms = rules.terms(rep, month);
    List<Adjustment> adjustments =
        nextOpen != null && nextOpen == month ? adjustments(rep, closed) : List.of();
    if (terms == null) {
      long sales = book.sales(usualMeasure, rep, month);
      return settle(rep, month, null, month, new Facts(sales, null, null), null, null, adjustments);
    }
    int from = windowFrom(rep, month, terms, closed);
    Map.Entry<Integer, Closed> last = closed.lastEntry();
    Closed before = last != null && last.getKey() >= from ? last.getValue() : null;
    Facts facts = facts(terms, rep, from, month);
    PayCurve curve = curve(terms, facts, month);
    return settle(rep, month, terms, from, facts, curve, before, adjustments);
  }

  private Statement settle(
      int rep,
      int month,
      @Nullable Terms terms,
      int from,
      Facts facts,
      @Nullable PayCurve curve,
      @Nullable Closed before,
      List<Adjustment> adjustments) {
    Pay pay = curve == null ? null : curve.at(facts.sales());
    long earned = pay == null ? 0 : pay.earned();
    long closed = before == null ? 0 : earnedNow(rep, before);
    long heldBefore = before == null ? 0 : before.held();
    long part = pay == null ? 0 : Math.subtractExact(earned, closed);
    long total = Math.subtractExact(part, heldBefore);
    for (Adjustment adjustment : adjustments) {
      total = Math.addExact(total, adjustment.amount());
    }
    boolean isHeld =
        terms != null && terms.plan().negativeDue() == Plan.NegativeDue.HOLD && total < 0;
    boolean isSettled = pay != null || !adjustments.isEmpty();
    return new Statement(
        rep,
        month,
        terms,
        from,
        facts,
        terms == null ? null : facts(terms, rep, month, month).quota(),
        curve,
        pay,
        before == null ? null : before.month(),
        closed,
        part,
        adjustments,
        heldBefore,
        isHeld ? -total : 0,
        isSettled ? Long.valueOf(isHeld ? 0 : total) : null);
  }

  /** Where these terms begin within the window: a change of plan splits it at the month. */
  private int windowFrom(int rep, int month, Terms terms, TreeMap<Integer, Closed> closed) {
    int first = windowStart(terms.plan().window(), month);
    int from = month;
    while (from > first && terms.equals(termsThen(rep, from - 1, closed))) {
      from--;
    }
    return from;
  }

  private @Nullable Terms termsThen(int rep, int month, TreeMap<Integer, Closed> closed) {
    Closed settled = closed.get(month);
    return settled == null ? rules.terms(rep, month) : settled.terms();
  }

  private int windowStart(Plan.Window window, int month) {
    Span toDate =
        switch (window) {
          case MONTH -> Span.of(Months.of(month));
          case QUARTER -> calendar.quarterToDate(Months.of(month));
          case YEAR -> calendar.yearToDate(Months.of(month));
        };
    return Months.number(toDate.fromInclusive());
  }

  private boolean isWindowEnd(Plan.Window window, int month) {
    return windowStart(window, month) != windowStart(window, month + 1);
  }

  private Facts facts(Terms terms, int rep, int from, int month) {
    Plan plan = terms.plan();
    String code = plan.measure().code();
    long sales = 0;
    Ratio quota = null;
    Ratio ceiling = null;
    for (int at = from; at <= month; at++) {
      sales = Math.addExact(sales, book.sales(code, rep, at));
      Ratio goal = book.quota(plan.goalSet(), code, rep, at);
      if (goal != null) {
        Ratio ramped = goal.times(terms.rampIn(at));
        quota = quota == null ? ramped : quota.plus(ramped);
      }
      Ratio limit =
          plan.ceiling() instanceof Bound.OfSet set
              ? book.quota(set.goalSet(), code, rep, at)
              : null;
      if (limit != null) {
        ceiling = (ceiling == null ? Ratio.ZERO : ceiling).plus(limit);
      }
    }
    return new Facts(sales, quota, ceiling);
  }

  private @Nullable PayCurve curve(Terms terms, Facts facts, int month) {
    Ratio quota = facts.quota();
    return quota == null || quota.signum() <= 0
        ? null
        : new PayCurve(
            terms.plan(), quota, facts.ceilingOfSet(), isWindowEnd(terms.plan().window(), month));
  }

  /**
   * Cents that a settled window has earned by its sealed month on what is posted now, under the
   * terms of then.
   */
  public long earnedNow(int rep, Closed settled) {
    Terms terms = settled.terms();
    if (terms == null) {
      return 0;
    }
    Facts now = facts(terms, rep, settled.windowFrom(), settled.month());
    if (now.equals(settled.facts())) {
      return settled.earned();
    }
    PayCurve curve = curve(terms, now, settled.month());
    return curve == null ? 0 : curve.earnedAt(now.sales());
  }

  /** Per settled window the difference to what is posted now, less what was adjusted before. */
  private List<Adjustment> adjustments(int rep, TreeMap<Integer, Closed> closed) {
    Map<Integer, Closed> lastOfWindow = new LinkedHashMap<>();
    Map<Window, Long> adjusted = new LinkedHashMap<>();
    for (Closed one : closed.values()) {
      lastOfWindow.put(one.windowFrom(), one);
      for (Adjustment adjustment : one.adjustments()) {
        adjusted.merge(
            new Window(adjustment.windowFrom(), adjustment.through()),
            adjustment.amount(),
            Math::addExact);
      }
    }
    List<Adjustment> found = new ArrayList<>();
    for (Closed last : lastOfWindow.values()) {
      long now = earnedNow(rep, last);
      // an adjustment through an earlier month is already in what its last month earned to date
      long since = adjusted.getOrDefault(new Window(last.windowFrom(), last.month()), 0L);
      long then = Math.addExact(last.earned(), since);
      if (now != then) {
        found.add(new Adjustment(last.windowFrom(), last.month(), then, now));
      }
    }
    return found;
  }
}
