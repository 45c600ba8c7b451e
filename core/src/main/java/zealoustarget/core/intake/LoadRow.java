package zealoustarget.core.intake;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.outlook.Deal;

/** A typed row made of a file's line; ids as in the directory, −1 where the line names none. */
public sealed interface LoadRow {
  /** The line of the file. */
  int line();

  /**
   * What was sold or spent.
   *
   * @param month numbered year × 12 + month − 1
   * @param day null where the file gives months
   * @param order the source's key, null where it gives none
   * @param amounts one per measure of the file in smallest units, Long.MIN_VALUE where there is
   *     none
   */
  record Actual(
      int line,
      int month,
      @Nullable LocalDate day,
      int rep,
      int region,
      int product,
      @Nullable String order,
      long[] amounts)
      implements LoadRow {}

  /** What was promised; amounts as in {@link Actual}. */
  record Goal(int line, int month, int member, long[] amounts) implements LoadRow {}

  /**
   * A rep's place from a month on.
   *
   * @param untilMonth null where it is open
   * @param mail the rep's mail address, null where the line gives none
   */
  record RosterAssignment(
      int line,
      int rep,
      String name,
      int region,
      int manager,
      int fromMonth,
      @Nullable Integer untilMonth,
      @Nullable String mail)
      implements LoadRow {}

  /** A deal of a snapshot. */
  record OfDeal(Deal deal) implements LoadRow {
    @Override
    public int line() {
      return deal.line();
    }
  }

  /** A product and its line. */
  record Product(int line, int product, String name, int productLine) implements LoadRow {}
}
