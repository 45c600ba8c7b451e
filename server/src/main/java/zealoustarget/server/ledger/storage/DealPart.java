package zealoustarget.server.ledger.storage;

import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.outlook.Deal;
import zealoustarget.server.platform.storage.Packed;

/**
 * Some thousand deals, column by column as {@link Planes}, as they are stored: CBOR, deflated.
 *
 * @param lines of the file
 * @param keys one after the other
 * @param keyLengths characters of each key
 * @param likelihoods of {@link Deal#CERTAIN}
 * @param months numbered year × 12 + month − 1
 * @param states 0 open, 1 won, 2 lost
 * @param stages one after the other
 * @param stageLengths characters of each stage, −1 where there is none
 * @param amounts one column per measure of the load, Long.MIN_VALUE where there is none
 */
record DealPart(
    byte[] lines,
    String keys,
    byte[] keyLengths,
    byte[] reps,
    byte[] products,
    byte[] regions,
    byte[] likelihoods,
    byte[] months,
    byte[] states,
    String stages,
    byte[] stageLengths,
    byte[][] amounts) {
  private static final Deal.State[] STATES = {Deal.State.OPEN, Deal.State.WON, Deal.State.LOST};

  /** One part of rows that belong to one load, at least one. */
  static byte[] pack(List<Deal> rows) {
    byte[][] amounts = new byte[rows.get(0).amounts().length][];
    for (int m = 0; m < amounts.length; m++) {
      int measure = m;
      amounts[m] = Planes.of(rows.stream().mapToLong(row -> row.amounts()[measure]).toArray());
    }
    return Packed.deflated(
        new DealPart(
            ints(rows, Deal::line),
            texts(rows, Deal::key),
            lengths(rows, Deal::key),
            ints(rows, Deal::rep),
            ints(rows, Deal::product),
            ints(rows, Deal::region),
            ints(rows, Deal::likelihood),
            ints(rows, Deal::month),
            ints(rows, row -> Arrays.asList(STATES).indexOf(row.state())),
            texts(rows, Deal::stage),
            lengths(rows, Deal::stage),
            amounts));
  }

  private static byte[] ints(List<Deal> rows, ToIntFunction<Deal> figure) {
    return Planes.of(rows.stream().mapToInt(figure).toArray());
  }

  private static String texts(List<Deal> rows, Function<Deal, @Nullable String> text) {
    StringBuilder all = new StringBuilder();
    rows.stream().map(text).filter(one -> one != null).forEach(all::append);
    return all.toString();
  }

  private static byte[] lengths(List<Deal> rows, Function<Deal, @Nullable String> text) {
    return ints(
        rows,
        row -> {
          String one = text.apply(row);
          return one == null ? -1 : one.length();
        });
  }

  /** The rows of a part, in their order; {@code shared} may give another copy of a text. */
  static void each(byte[] content, UnaryOperator<String> shared, Consumer<Deal> to) {
    DealPart part = Packed.fromDeflated(content, DealPart.class);
    int[] lines = Planes.ints(part.lines);
    int[] reps = Planes.ints(part.reps);
    int[] products = Planes.ints(part.products);
    int[] regions = Planes.ints(part.regions);
    int[] likelihoods = Planes.ints(part.likelihoods);
    int[] months = Planes.ints(part.months);
    int[] states = Planes.ints(part.states);
    @Nullable String[] keys = split(part.keys, part.keyLengths, shared);
    @Nullable String[] stages = split(part.stages, part.stageLengths, shared);
    long[][] columns = Arrays.stream(part.amounts).map(Planes::longs).toArray(long[][]::new);
    for (int at = 0; at < lines.length; at++) {
      long[] amounts = new long[columns.length];
      for (int m = 0; m < amounts.length; m++) {
        amounts[m] = columns[m][at];
      }
      to.accept(
          new Deal(
              lines[at],
              String.valueOf(keys[at]),
              reps[at],
              products[at],
              regions[at],
              likelihoods[at],
              months[at],
              STATES[states[at]],
              stages[at],
              amounts));
    }
  }

  private static @Nullable String[] split(
      String texts, byte[] lengths, UnaryOperator<String> shared) {
    int[] sizes = Planes.ints(lengths);
    @Nullable String[] split = new String[sizes.length];
    for (int at = 0, from = 0; at < sizes.length; at++) {
      if (sizes[at] >= 0) {
        split[at] = shared.apply(texts.substring(from, from + sizes[at]));
        from += sizes[at];
      }
    }
    return split;
  }
}
