package zealoustarget.core.ledger.sums;

import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;

/** What was posted in a span by place: amounts of one measure, or the two that a rate divides. */
public final class SpanSums {
  private final Tally over;
  private final @Nullable Tally under;
  private final Ratio unitsPerQuotient;

  /** {@code under} is the denominator of a rate, null for any other measure. */
  public SpanSums(Measure measure, Tally over, @Nullable Tally under) {
    this.over = over;
    this.under = under;
    Measure.Quotient quotient = measure.quotient();
    this.unitsPerQuotient =
        quotient == null
            ? Ratio.ONE
            : measure
                .unitsPerOne()
                .times(quotient.under().unitsPerOne())
                .dividedBy(quotient.over().unitsPerOne());
  }

  public boolean has(int place) {
    return over.lines(place) > 0 || (under != null && under.lines(place) > 0);
  }

  public int lines(int place) {
    return over.lines(place) + (under == null ? 0 : under.lines(place));
  }

  /** Number of the span's months with a posted line. */
  public int months(int place) {
    int months = 0;
    for (int month = 0; month < over.length(); month++) {
      months += hasLines(place, month) ? 1 : 0;
    }
    return months;
  }

  /** Whether a month of the span, numbered from 0, has a posted line. */
  public boolean hasLines(int place, int month) {
    return over.hasLines(place, month) || (under != null && under.hasLines(place, month));
  }

  /** The denominator of one month, numbered from 0 within the span; 1 where there is none. */
  public long weight(int place, int month) {
    return under == null ? 1 : under.sum(place, month);
  }

  /** The span's actual; 0 without lines, null for a rate without a denominator. */
  public @Nullable Ratio actual(int place) {
    return new Sum().add(place).actual();
  }

  public @Nullable Ratio orNull(int place) {
    return new Sum().add(place).orNull();
  }

  /** The actual of one month alone, numbered from 0; of a rate its numerator. */
  public long inMonth(int place, int month) {
    return over.sum(place, month);
  }

  /** The actual of some of the span's months; null for a rate without a denominator. */
  public @Nullable Ratio actual(int[] places, IntPredicate isTaken) {
    long overSum = 0;
    long underSum = 0;
    for (int month = 0; month < over.length(); month++) {
      for (int at = 0; isTaken.test(month) && at < places.length; at++) {
        overSum = Math.addExact(overSum, over.sum(places[at], month));
        underSum = under == null ? 0 : Math.addExact(underSum, under.sum(places[at], month));
      }
    }
    return quotient(overSum, underSum);
  }

  private @Nullable Ratio quotient(long overSum, long underSum) {
    if (under == null) {
      return Ratio.of(overSum);
    }
    return underSum == 0 ? null : Ratio.of(overSum, underSum).times(unitsPerQuotient);
  }

  public Sum sum() {
    return new Sum();
  }

  /** Several places added up before anything is divided. */
  public final class Sum {
    private long overSum;
    private long underSum;
    private int lines;
    private final boolean[] months = new boolean[over.length()];

    public Sum add(int place) {
      overSum = Math.addExact(overSum, over.sum(place));
      underSum = under == null ? 0 : Math.addExact(underSum, under.sum(place));
      lines += SpanSums.this.lines(place);
      return this;
    }

    /** As {@link #add}, and keeps which months have a line. */
    public Sum addWithMonths(int place) {
      for (int month = 0; month < months.length; month++) {
        months[month] |= hasLines(place, month);
      }
      return add(place);
    }

    /** How many of the span's months had lines in what was added with its months. */
    public int months() {
      int count = 0;
      for (boolean has : months) {
        count += has ? 1 : 0;
      }
      return count;
    }

    public @Nullable Ratio actual() {
      return quotient(overSum, underSum);
    }

    public @Nullable Ratio orNull() {
      return lines == 0 ? null : actual();
    }

    public Ratio over() {
      return Ratio.of(overSum);
    }

    public Ratio under() {
      return Ratio.of(underSum);
    }
  }
}
