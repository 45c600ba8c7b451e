package zealoustarget.core.intake.checks;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.PostedCompany;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/**
 * Holds a whole file against what is known: who is missing from it, and whether the goals of the
 * reps of a region add to the region's own. Fed with every ready row; findings about no line.
 */
public final class FileChecks {
  private static final int MOST = 200;
  private static final int SAMPLE = 10_000;
  private static final int FEWEST = 5;
  private static final long TIMES = 100;

  private record Goal(String measure, int month, int member) {}

  private final PostedCompany company;
  private final LoadSpec spec;
  private final List<Measure> measures;
  private final String goalSet;
  private final Map<Integer, BitSet> repsByMonth = new TreeMap<>();
  private final Map<Integer, BitSet> regionsByMonth = new TreeMap<>();
  private final Map<Goal, Long> goals = new HashMap<>();
  private final long[][] samples;
  private final int[] sampled;
  private final History history;
  private int lastMonth = -1;
  private BitSet lastReps = new BitSet();
  private BitSet lastRegions = new BitSet();

  /** Begins with a file's measures; {@code goalSet} is empty for files without goals. */
  public FileChecks(
      PostedCompany company,
      History history,
      LoadSpec spec,
      List<Measure> measures,
      String goalSet) {
    this.company = company;
    this.history = history;
    this.samples = new long[measures.size()][SAMPLE];
    this.sampled = new int[measures.size()];
    this.spec = spec;
    this.measures = measures;
    this.goalSet = goalSet;
  }

  /** Takes in one ready row. */
  public void see(LoadRow row) {
    if (row instanceof LoadRow.Actual actual) {
      int region =
          actual.region() >= 0 ? actual.region() : company.regionOf(actual.rep(), actual.month());
      if (actual.month() != lastMonth) {
        lastMonth = actual.month();
        lastReps = repsByMonth.computeIfAbsent(lastMonth, month -> new BitSet());
        lastRegions = regionsByMonth.computeIfAbsent(lastMonth, month -> new BitSet());
      }
      sample(actual.amounts());
      set(lastReps, actual.rep());
      set(lastRegions, region);
    } else if (row instanceof LoadRow.Goal goal) {
      for (int m = 0; m < goal.amounts().length; m++) {
        if (goal.amounts()[m] != Amounts.NONE) {
          goals.put(
              new Goal(measures.get(m).code(), goal.month(), goal.member()), goal.amounts()[m]);
        }
      }
    }
  }

  /** What is worth a look, in the order of months; at most 200 of a kind. */
  public List<Finding> findings() {
    List<Finding> found = new ArrayList<>(mixed());
    found.addAll(absent());
    if (spec.axis() == Axis.REP) {
      found.addAll(withoutGoal());
      found.addAll(differing());
    }
    return found;
  }

  private void sample(long[] amounts) {
    for (int m = 0; m < amounts.length; m++) {
      if (amounts[m] != Amounts.NONE && sampled[m] < SAMPLE) {
        samples[m][sampled[m]++] = Math.abs(amounts[m]);
      }
    }
  }

  /** Measures whose lines are a hundred times, or a hundredth of, what posted lines usually are. */
  private List<Finding> mixed() {
    List<Finding> found = new ArrayList<>();
    for (int m = 0; m < sampled.length; m++) {
      Measure measure = measures.get(m);
      TypicalAmounts posted = sampled[m] < FEWEST ? null : history.usual(measure.code());
      long usual = posted == null ? 0 : posted.overall();
      long[] ordered = Arrays.copyOf(samples[m], sampled[m]);
      Arrays.sort(ordered);
      long here = ordered.length == 0 ? 0 : ordered[ordered.length / 2];
      if (usual > 0 && here > 0 && (here / TIMES >= usual || usual / TIMES >= here)) {
        found.add(
            ofFile(
                FindingCode.UNITS_MIXED,
                "measure",
                measure.code(),
                "here",
                spec.shown(measure, here),
                "usual",
                spec.shown(measure, usual)));
      }
    }
    return found;
  }

  /** Reps of the regions that the file covers who have no line in a month of it. */
  private List<Finding> absent() {
    List<Finding> found = new ArrayList<>();
    repsByMonth.forEach(
        (month, present) -> {
          BitSet regions = regionsByMonth.getOrDefault(month, new BitSet());
          for (Member rep : company.repsOn(month)) {
            int region = company.regionOf(rep.id(), month);
            boolean isExpected = region >= 0 && regions.get(region);
            if (isExpected && !present.get(rep.id()) && found.size() < MOST) {
              found.add(
                  ofFile(
                      FindingCode.MEMBER_ABSENT,
                      "member",
                      rep.name(),
                      "month",
                      Months.of(month).toString()));
            }
          }
        });
    return found;
  }

  /** Reps on the roster in a month of the goals who have none, here or posted before. */
  private List<Finding> withoutGoal() {
    Map<Integer, BitSet> having = new TreeMap<>();
    goals.keySet().forEach(goal -> mark(having, goal.month(), goal.member()));
    List<Finding> found = new ArrayList<>();
    having.forEach(
        (month, members) -> {
          company.goals(goalSet).stream()
              .filter(cell -> cell.month() == month)
              .forEach(cell -> members.set(cell.member()));
          for (Member rep : company.repsOn(month)) {
            if (!members.get(rep.id()) && found.size() < MOST) {
              found.add(
                  ofFile(
                      FindingCode.GOAL_ABSENT,
                      "member",
                      rep.name(),
                      "month",
                      Months.of(month).toString()));
            }
          }
        });
    return found;
  }

  /** Regions whose reps' goals, with those posted before, do not add to the region's own goal. */
  private List<Finding> differing() {
    Map<Goal, Long> byRegion = new HashMap<>();
    Map<Goal, Long> all = new HashMap<>();
    company
        .goals(goalSet)
        .forEach(
            cell -> all.put(new Goal(cell.measure(), cell.month(), cell.member()), cell.amount()));
    all.putAll(goals);
    all.keySet().removeIf(goal -> !isSummable(goal.measure()));
    all.forEach(
        (goal, amount) -> {
          int region = company.regionOf(goal.member(), goal.month());
          byRegion.merge(new Goal(goal.measure(), goal.month(), region), amount, Math::addExact);
        });
    Set<Integer> months = goals.keySet().stream().map(Goal::month).collect(Collectors.toSet());
    List<Finding> found = new ArrayList<>();
    for (PostedCompany.Goal goal : company.regionGoals()) {
      Long assigned = byRegion.get(new Goal(goal.measure(), goal.month(), goal.member()));
      boolean isTouched = months.contains(goal.month());
      if (isTouched && assigned != null && assigned != goal.amount() && found.size() < MOST) {
        found.add(differing(goal, assigned));
      }
    }
    return found;
  }

  /** Whether goals of members add up to that of their group: not those of rates or ranges. */
  private boolean isSummable(String code) {
    return spec.measures().stream().anyMatch(m -> m.code().equals(code) && !m.isRate());
  }

  private Finding differing(PostedCompany.Goal goal, long assigned) {
    Measure measure =
        spec.measures().stream()
            .filter(one -> one.code().equals(goal.measure()))
            .findFirst()
            .orElseThrow();
    return ofFile(
        FindingCode.GOALS_DIFFER,
        "member",
        company.regionName(goal.member()),
        "month",
        Months.of(goal.month()).toString(),
        "measure",
        measure.code(),
        "assigned",
        spec.shown(measure, assigned),
        "set",
        goal.set(),
        "goal",
        spec.shown(measure, goal.amount()),
        "over",
        over(assigned, goal.amount()));
  }

  /** Over-assignment, docs/calculations.md section 3: assigned ÷ region goal − 100 %. */
  private String over(long assigned, long goal) {
    if (goal <= 0) {
      return "no percentage of that";
    }
    Ratio ratio = Ratio.of(assigned, goal).minus(Ratio.ONE).times(Ratio.of(100));
    String sign = ratio.signum() < 0 ? "" : "+";
    return sign
        + spec.writing().inWords(ratio.rounded(1, RoundingMode.HALF_UP).toPlainString())
        + " %";
  }

  private static Finding ofFile(FindingCode code, String... details) {
    return Finding.of(1, null, code, details);
  }

  private static void mark(Map<Integer, BitSet> byMonth, int month, int member) {
    set(byMonth.computeIfAbsent(month, none -> new BitSet()), member);
  }

  private static void set(BitSet members, int member) {
    if (member >= 0) {
      members.set(member);
    }
  }
}
