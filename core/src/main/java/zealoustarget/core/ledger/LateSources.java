package zealoustarget.core.ledger;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.query.RowFilter;
import zealoustarget.core.member.Axis;

/**
 * Sources that have not brought their lines of a month yet, and who waits for them;
 * docs/calculations.md, section 11.
 *
 * @param loads of the sources that are late, by source
 */
public record LateSources(Map<String, Set<Integer>> loads) {
  private static final int MONTHS_BEFORE = 3;

  /**
   * Sources that brought lines in each of the three months before and none in this one.
   *
   * @param whole everything that is posted, whoever asks
   * @param sourceOfLoad the source of each load by its number; loads without one are passed over
   * @param month its number
   */
  public static LateSources of(Ledger whole, Map<Integer, String> sourceOfLoad, int month) {
    Map<String, BitSet> brought = new HashMap<>();
    for (ActualBlock block : whole.blocksOf(month - MONTHS_BEFORE, month)) {
      String source = sourceOfLoad.get(block.loadId());
      if (source == null || block.size() == 0) {
        continue;
      }
      BitSet months = brought.computeIfAbsent(source, none -> new BitSet());
      for (int back = 0; back <= MONTHS_BEFORE; back++) {
        if (!months.get(back) && hasLines(block, month - back)) {
          months.set(back);
        }
      }
    }
    Map<String, Set<Integer>> late = new TreeMap<>();
    brought.forEach(
        (source, months) -> {
          if (!months.get(0) && months.cardinality() == MONTHS_BEFORE) {
            late.put(source, new HashSet<>());
          }
        });
    if (!late.isEmpty()) {
      for (ActualBlock block : whole.blocks()) {
        Set<Integer> loads = late.get(sourceOfLoad.getOrDefault(block.loadId(), ""));
        if (loads != null && block.size() > 0) {
          loads.add(block.loadId());
        }
      }
    }
    return new LateSources(late);
  }

  /** Keeps its own copy. */
  public LateSources {
    loads = Map.copyOf(loads);
  }

  private static boolean hasLines(ActualBlock block, int month) {
    int end = block.firstRowFrom(month + 1);
    for (int row = block.firstRowFrom(month); row < end; row++) {
      if (block.hasAmount(row)) {
        return true;
      }
    }
    return false;
  }

  /**
   * Members of whom all lines of the three months before came from late sources.
   *
   * @param measure of which lines are looked at; of a rate both of its measures
   * @param month its number
   * @return the sources they wait for, by member id
   */
  public Map<Integer, Set<String>> waiting(Ledger ledger, Axis axis, Measure measure, int month) {
    if (loads.isEmpty()) {
      return Map.of();
    }
    Map<Integer, String> late = new HashMap<>();
    loads.forEach((source, ids) -> ids.forEach(id -> late.put(id, source)));
    Map<Integer, Set<String>> waiting = new HashMap<>();
    Set<Integer> others = new HashSet<>();
    for (ActualBlock block : ledger.blocks()) {
      String source = late.get(block.loadId());
      for (long[] amounts : columns(block, measure)) {
        int end = block.firstRowFrom(month);
        for (int row = block.firstRowFrom(month - MONTHS_BEFORE); row < end; row++) {
          int member = RowFilter.place(block, row, axis, ledger.members());
          if (amounts[row] == Amounts.NONE || member < 0) {
            continue;
          }
          if (source == null) {
            others.add(member);
          } else {
            waiting.computeIfAbsent(member, none -> new TreeSet<>()).add(source);
          }
        }
      }
    }
    waiting.keySet().removeAll(others);
    return waiting;
  }

  private static List<long[]> columns(ActualBlock block, Measure measure) {
    Measure.Quotient quotient = measure.quotient();
    List<String> codes =
        quotient == null
            ? List.of(measure.code())
            : List.of(quotient.over().code(), quotient.under().code());
    List<long[]> columns = new ArrayList<>();
    for (String code : codes) {
      long[] amounts = block.amounts(code);
      if (amounts != null) {
        columns.add(amounts);
      }
    }
    return columns;
  }
}
