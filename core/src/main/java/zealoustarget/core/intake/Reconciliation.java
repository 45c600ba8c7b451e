package zealoustarget.core.intake;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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

  /** One part of the equation while it is added up. */
  private static final class Counted {
    private int lines;
    private final long[] sums;

    Counted(int measures) {
      sums = new long[measures];
    }
  }

  private final List<Measure> measures;
  private final Map<Part, Counted> parts = new EnumMap<>(Part.class);

  /** Begins with nothing read. */
  public Reconciliation(List<Measure> measures) {
    this.measures = List.copyOf(measures);
    for (Part part : Part.values()) {
      parts.put(part, new Counted(measures.size()));
    }
  }

  /**
   * Adds one line.
   *
   * @param amounts one per measure, 0 where there is none or it cannot be read
   */
  public void add(Part part, long[] amounts) {
    Counted counted = counted(part);
    counted.lines++;
    for (int m = 0; m < amounts.length; m++) {
      try {
        counted.sums[m] = Math.addExact(counted.sums[m], amounts[m]);
      } catch (ArithmeticException tooLarge) {
        throw Refusal.of(
            "sum-too-large",
            "The sum of "
                + measures.get(m).words()
                + " in this file is larger than can be kept. Split the file or correct the amounts.");
      }
    }
  }

  public int lines(Part part) {
    return counted(part).lines;
  }

  public int lines() {
    return parts.values().stream().mapToInt(counted -> counted.lines).sum();
  }

  /** Sums per measure, in the file's order of columns. */
  public Map<Measure, Sums> sums() {
    Map<Measure, Sums> byMeasure = new LinkedHashMap<>();
    for (int m = 0; m < measures.size(); m++) {
      byMeasure.put(
          measures.get(m),
          new Sums(
              counted(Part.READY).sums[m],
              counted(Part.HELD).sums[m],
              counted(Part.LEFT_OUT).sums[m]));
    }
    return byMeasure;
  }

  private Counted counted(Part part) {
    return Objects.requireNonNull(parts.get(part));
  }
}
