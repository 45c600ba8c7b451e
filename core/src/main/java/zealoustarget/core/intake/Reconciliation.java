package zealoustarget.core.intake;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;

/**
 * The equation of a file: lines and sums in the file = ready + held back + left out. It balances by
 * construction, as each line is added to exactly one part and the file is their sum.
 *
 * <p>Sums are of the amounts that can be read, in smallest units.
 */
public final class Reconciliation {
  /** The part that a line belongs to. */
  public enum Part {
    READY,
    HELD,
    LEFT_OUT
  }

  /** Sums of one measure by part, in smallest units. */
  public record Sums(long ready, long held, long leftOut) {
    /** All parts together. */
    public long file() {
      return Math.addExact(data(), leftOut);
    }

    /** Without the lines left out: what a sender's control total speaks of. */
    public long data() {
      return Math.addExact(ready, held);
    }
  }

  private final List<Measure> measures;
  private final int[] lines = new int[Part.values().length];
  private final List<long[]> sums = new ArrayList<>();

  /** Begins with nothing read. */
  public Reconciliation(List<Measure> measures) {
    this.measures = List.copyOf(measures);
    Arrays.stream(Part.values()).forEach(part -> sums.add(new long[measures.size()]));
  }

  /**
   * Adds one line.
   *
   * @param amounts one per measure, 0 where there is none or it cannot be read
   */
  public void add(Part part, long[] amounts) {
    lines[part.ordinal()]++;
    long[] partSums = sums.get(part.ordinal());
    for (int m = 0; m < partSums.length; m++) {
      try {
        partSums[m] = Math.addExact(partSums[m], amounts[m]);
      } catch (ArithmeticException tooLarge) {
        throw Refusal.of(
            "sum-too-large",
            "The sum of "
                + measures.get(m).code()
                + " in this file is larger than can be kept. Split the file or correct the amounts.");
      }
    }
  }

  public int lines(Part part) {
    return lines[part.ordinal()];
  }

  public int lines() {
    return Arrays.stream(lines).sum();
  }

  /** Sums per measure, in the file's order of columns. */
  public Map<Measure, Sums> sums() {
    Map<Measure, Sums> byMeasure = new LinkedHashMap<>();
    for (int m = 0; m < measures.size(); m++) {
      byMeasure.put(
          measures.get(m),
          new Sums(
              sums.get(Part.READY.ordinal())[m],
              sums.get(Part.HELD.ordinal())[m],
              sums.get(Part.LEFT_OUT.ordinal())[m]));
    }
    return byMeasure;
  }
}
