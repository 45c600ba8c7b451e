package zealoustarget.server.intake.posting;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.LoadKind;

/** Files to begin with: the header of each kind, and a sample that can be loaded as it is. */
final class FileTemplates {
  private static final int GOAL = 1000;
  private static final int ACTUAL = 940;
  private static final int GOAL_IN_UNITS = 20;
  private static final int ACTUAL_IN_UNITS = 18;

  private FileTemplates() {}

  /** The columns of a kind, with one for each measure that is counted. */
  static String header(LoadKind kind, List<Measure> measures) {
    String codes = measures.stream().map(Measure::code).collect(Collectors.joining(","));
    return switch (kind) {
      case ROSTER -> "rep,name,region,manager,from,until,mail";
      case PRODUCTS -> "product,name,line";
      case GOALS -> "month,rep," + codes;
      case DEALS -> "deal,rep,product," + codes + ",likelihood,closes,state";
      case ACTUALS -> "date,order,rep,region,product," + codes;
    };
  }

  /** A sample's name: that of goals says their set, as files of goals are read by it. */
  static String nameOf(LoadKind kind) {
    return kind == LoadKind.GOALS ? "quota" : kind.word();
  }

  /** Header and made-up lines that fit together: two reps, two products, their goals and orders. */
  static List<String> sample(LoadKind kind, List<Measure> measures, YearMonth month) {
    List<String> lines = new ArrayList<>();
    lines.add(header(kind, measures));
    String goal = amounts(measures, GOAL, GOAL_IN_UNITS);
    String actual = amounts(measures, ACTUAL, ACTUAL_IN_UNITS);
    switch (kind) {
      case ROSTER -> {
        String since = month.minusMonths(1).toString();
        lines.add("R01,Ines Brackwater,North,Orla Tull," + since + ",,ines@example.com");
        lines.add("R02,Jorun Pike,South,Orla Tull," + since + ",,jorun@example.com");
      }
      case PRODUCTS -> {
        lines.add("P01,Anchor 10 kg,Deck");
        lines.add("P02,Chart plotter 9in,Navigation");
      }
      case GOALS -> {
        lines.add(month + ",R01," + goal);
        lines.add(month + ",R02," + goal);
      }
      case DEALS -> {
        lines.add("D-1,R01,P01," + goal + ",60 %," + month.plusMonths(1) + ",open");
        lines.add("D-2,R02,P02," + actual + ",25 %," + month.plusMonths(2) + ",open");
      }
      case ACTUALS -> {
        lines.add(month.atDay(1) + ",SO-1,R01,North,P01," + actual);
        lines.add(month.atDay(1) + ",SO-2,R02,South,P02," + actual);
      }
    }
    lines.add("");
    return lines;
  }

  private static String amounts(List<Measure> measures, int amount, int units) {
    return measures.stream()
        .map(
            measure ->
                measure.isCurrency()
                    ? BigDecimal.valueOf(amount).setScale(measure.scale()).toPlainString()
                    : Integer.toString(units))
        .collect(Collectors.joining(","));
  }
}
