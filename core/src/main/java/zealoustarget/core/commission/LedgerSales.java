package zealoustarget.core.commission;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;

/** Sales and quotas as they are posted, shared where credit is shared. */
public final class LedgerSales implements SalesBook {
  /**
   * Sales and quota of one rep that are credited to several.
   *
   * @param from first month number; {@link Integer#MIN_VALUE} for every month before
   * @param until last month number; null where it is open
   */
  public record Shared(int rep, int from, @Nullable Integer until, CreditShares<Integer> shares) {
    boolean covers(int month) {
      return month >= from && (until == null || month <= until);
    }
  }

  private interface Own {
    @Nullable Long of(int rep);
  }

  private final Ledger ledger;
  private final Map<Integer, List<Shared>> touching = new HashMap<>();

  /** Takes shares whose times for one rep do not overlap. */
  public LedgerSales(Ledger ledger, List<Shared> shared) {
    this.ledger = ledger;
    for (Shared one : shared) {
      touching.computeIfAbsent(one.rep(), rep -> new ArrayList<>()).add(one);
      one.shares().shares().keySet().stream()
          .filter(rep -> rep != one.rep())
          .forEach(rep -> touching.computeIfAbsent(rep, key -> new ArrayList<>()).add(one));
    }
  }

  @Override
  public long sales(String measure, int rep, int month) {
    Long sales = shared(rep, month, one -> ledger.actual(measure, Axis.REP, one, month));
    return sales == null ? 0 : sales;
  }

  @Override
  public @Nullable Ratio quota(String goalSet, String measure, int rep, int month) {
    GoalBook book = ledger.goalBooks().get(goalSet);
    if (book == null || book.axis() != Axis.REP) {
      return null;
    }
    Long quota = shared(rep, month, one -> amount(book.cell(measure, month, one)));
    return quota == null ? null : Ratio.of(quota);
  }

  private static @Nullable Long amount(GoalBook.@Nullable Cell cell) {
    return cell == null ? null : cell.amount();
  }

  /** Own figures less what others are credited with, and a share of theirs. */
  private @Nullable Long shared(int rep, int month, Own own) {
    Long sum = own.of(rep);
    for (Shared one : touching.getOrDefault(rep, List.of())) {
      Long whole = one.covers(month) ? own.of(one.rep()) : null;
      if (whole != null) {
        long part = one.shares().split(whole).getOrDefault(rep, 0L);
        long before = one.rep() == rep ? whole : 0;
        sum = Math.addExact(sum == null ? 0 : sum, part - before);
      }
    }
    return sum;
  }
}
