package zealoustarget.server.goals;

import java.math.BigDecimal;
import java.util.List;
import java.util.function.ToLongFunction;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;

/**
 * The goals of a set for one measure over some months, as they stand.
 *
 * @param goalSet its name as it is written
 * @param isNew whether no goal set has that name
 * @param ledger the state of the data that it was read from
 * @param slot which of a person's drafts is meant, from 1
 */
public record GoalSheet(
    String goalSet, boolean isNew, Axis axis, Measure measure, Span span, Ledger ledger, int slot) {
  static final Pattern DECIMAL = Pattern.compile("-?\\d{1,16}(\\.\\d{1,12})?");

  /** The same sheet with another of a person's drafts. */
  GoalSheet withSlot(int other) {
    return new GoalSheet(goalSet, isNew, axis, measure, span, ledger, other);
  }

  /** The set's goals; an empty one where it has none yet. */
  GoalBook book() {
    GoalBook book = ledger.goalBooks().get(goalSet);
    return book == null ? GoalBook.of(goalSet, axis, List.of()) : book;
  }

  /** The sheet's cells, by month. */
  List<GoalBook.Cell> cells() {
    return book()
        .cells(
            measure.code(), Months.number(span.fromInclusive()), Months.number(span.toInclusive()));
  }

  /** The same sheet with some cells changed, as a draft has them; nothing is entered. */
  GoalSheet changed(List<GoalDrafts.Change> changes) {
    if (changes.isEmpty()) {
      return this;
    }
    List<GoalBook.Cell> cells = changes.stream().map(this::cell).toList();
    return new GoalSheet(
        goalSet, isNew, axis, measure, span, ledger.withGoals(book().with(cells)), slot);
  }

  private GoalBook.Cell cell(GoalDrafts.Change change) {
    Amount after = change.after();
    return new GoalBook.Cell(
        measure.code(),
        Months.number(change.month()),
        change.member().id(),
        after == null ? Amounts.CLEARED : after.low(),
        after == null ? null : after.high(),
        0,
        0);
  }

  boolean isRange() {
    return book().isRange(measure.code());
  }

  /** The goal that stands in a cell; null where there is none. */
  @Nullable Amount amount(int member, int month) {
    GoalBook.Cell cell = book().cell(measure.code(), month, member);
    return cell == null ? null : amount(cell);
  }

  static Amount amount(GoalBook.Cell cell) {
    return new Amount(cell.amount(), cell.high());
  }

  /** A goal, of a range its lower end, in smallest units; 0 where there is none. */
  long goal(int member, int month) {
    return goal(member, month, Amount::low);
  }

  /** The same by one end of a range. */
  long goal(int member, int month, ToLongFunction<Amount> end) {
    Amount amount = amount(member, month);
    return amount == null ? 0 : end.applyAsLong(amount);
  }

  /**
   * What a cell weighs by last year: its actual a year before in smallest units; 0 where nothing
   * was posted or the sum is negative.
   */
  long lastYear(int member, int month) {
    Long actual = ledger.actual(measure.code(), axis, member, month - 12);
    return actual == null ? 0 : Math.max(actual, 0);
  }

  /** What a standing of some of its months against these goals asks; for goals that it weighs. */
  StandingQuery against(Span months) {
    return new StandingQuery(
        axis,
        measure,
        months,
        new Basis.Set(goalSet),
        Filters.NONE,
        Ladder.defaultOf(measure.direction()));
  }

  /** The axis by which its rows are grouped; null where they are in no groups. */
  @Nullable Axis groupAxis() {
    return switch (axis) {
      case REP -> Axis.REGION;
      case PRODUCT -> Axis.LINE;
      default -> null;
    };
  }

  /** The group that a row is in in a month, by its id; {@link Members#NONE} without. */
  int groupOf(int member, int month) {
    return switch (axis) {
      case REP -> ledger.members().regionOf(member, month);
      case PRODUCT -> ledger.members().lineOf(member, month);
      default -> Members.NONE;
    };
  }

  /** A member of the sheet by its id. */
  Member row(int id) {
    return axis == Axis.COMPANY ? Member.COMPANY : ledger.members().get(axis, id);
  }

  /** Everybody who could have a goal of the sheet's axis, on it or not. */
  List<Member> members() {
    return axis == Axis.COMPANY ? List.of(Member.COMPANY) : ledger.members().all(axis);
  }

  /**
   * What a member of any axis has of the sheet's measure in some months, in smallest units; null
   * where nothing is posted.
   *
   * @param until the month after the last
   */
  @Nullable Ratio actual(Axis of, int member, int from, int until) {
    Ratio sum = null;
    for (int month = from; month < until; month++) {
      Long actual = ledger.actual(measure.code(), of, member, month);
      if (actual != null) {
        sum = (sum == null ? Ratio.ZERO : sum).plus(Ratio.of(actual));
      }
    }
    return sum;
  }

  /**
   * A member of the sheet by its key.
   *
   * @throws Refusal goal-member-unknown
   */
  Member member(@Nullable String key) {
    if (axis == Axis.COMPANY) {
      return Member.COMPANY;
    }
    return ledger
        .members()
        .findByKey(axis, key == null ? "" : key)
        .orElseThrow(
            () ->
                Refusal.of("goal-member-unknown", GoalsWords.no(axis.word(), key))
                    .with("key", key == null ? "" : key));
  }

  /**
   * An amount in smallest units.
   *
   * @param where what it is of, for the refusal
   * @throws Refusal value-unknown
   */
  static long units(String text, Measure measure, String where) {
    if (text == null || !DECIMAL.matcher(text.strip()).matches()) {
      throw unreadable(text, where, GoalsWords.IS_NOT_AMOUNT);
    }
    BigDecimal amount = new BigDecimal(text.strip());
    if (amount.stripTrailingZeros().scale() > measure.scale()) {
      throw unreadable(text, where, GoalsWords.hasMoreDecimals(measure.words(), measure.scale()));
    }
    BigDecimal units = amount.movePointRight(measure.scale());
    if (units.abs().compareTo(BigDecimal.valueOf(Measure.LARGEST_AMOUNT)) > 0) {
      throw unreadable(text, where, GoalsWords.IS_TOO_LARGE);
    }
    return units.longValueExact();
  }

  private static Refusal unreadable(@Nullable String text, String where, String rule) {
    return Refusal.of("value-unknown", where + ": \"" + text + "\" " + rule)
        .with("name", "amount")
        .with("where", where);
  }
}
