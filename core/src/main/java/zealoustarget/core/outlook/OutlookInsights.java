package zealoustarget.core.outlook;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.outlook.OutlookTable.Row;
import zealoustarget.core.reading.Figures;

/** Finds what is worth saying about an outlook beside its headline: plain counts of its rows. */
public final class OutlookInsights {
  private static final int MOST_NAMED = 3;
  private static final int ENOUGH_DEALS = 5;
  private static final Ratio FAR = Ratio.of(1, 5);

  /**
   * One sentence and the rows that show it.
   *
   * @param keys of the members; empty for all
   */
  public record Sentence(String text, List<String> keys) {}

  private final OutlookTable table;
  private final Figures figures;
  private final List<Sentence> found = new ArrayList<>();

  private OutlookInsights(OutlookTable table, Figures figures) {
    this.table = table;
    this.figures = figures;
  }

  /**
   * The sentences: what is open, what is overdue, who falls short, on what it hangs.
   *
   * @param largest by member id
   */
  public static List<Sentence> of(
      OutlookTable table, Figures figures, Map<Integer, OpenDeals.Largest> largest) {
    OutlookInsights insights = new OutlookInsights(table, figures);
    insights.open();
    insights.overdue();
    insights.tooFew();
    insights.narrow();
    insights.hanging(largest);
    return List.copyOf(insights.found);
  }

  private void open() {
    OpenDeals deals = table.total().outlook().deals();
    if (deals.deals() > 0) {
      say(
          Figures.capital(figures.number(deals.deals()))
              + (deals.deals() == 1 ? " open deal holds " : " open deals hold ")
              + amount(Ratio.of(deals.open()))
              + ".",
          List.of());
    }
  }

  private void overdue() {
    OpenDeals deals = table.total().outlook().deals();
    if (deals.overdueDeals() > 0) {
      List<Row> rows =
          table.rows().stream().filter(row -> row.outlook().deals().overdueDeals() > 0).toList();
      say(
          amount(Ratio.of(deals.overdue()))
              + (deals.overdueDeals() == 1 ? " is overdue." : " are overdue."),
          keys(rows));
    }
  }

  /** Whose open deals together do not fill what is to go. */
  private void tooFew() {
    List<Row> rows =
        table.rows().stream()
            .filter(Row::isOutOfReach)
            .sorted(Comparator.comparing(OutlookInsights::missing).reversed())
            .toList();
    if (!rows.isEmpty()) {
      say(names(rows) + (rows.size() == 1 ? " has" : " have") + " too few deals.", keys(rows));
    }
  }

  private static Ratio missing(Row row) {
    return Objects.requireNonNull(row.outlook().toGo())
        .minus(Ratio.of(row.outlook().deals().open()));
  }

  /** Who should miss by least. */
  private void narrow() {
    table.rows().stream()
        .filter(row -> row.hasGoal() && !row.isExpectedToReach() && !row.isOutOfReach())
        .min(Comparator.comparing(OutlookInsights::shortBy))
        .ifPresent(
            row ->
                say(
                    row.member().name() + " should miss by " + amount(shortBy(row)) + ".",
                    keys(List.of(row))));
  }

  private static Ratio shortBy(Row row) {
    return Objects.requireNonNull(row.outlook().reading().goalAmount())
        .minus(Objects.requireNonNull(row.outlook().expected()));
  }

  /** Who reaches the goal at best, but not without the largest deal: the one with the largest. */
  private void hanging(Map<Integer, OpenDeals.Largest> ofMembers) {
    Row most = null;
    OpenDeals.Largest decides = null;
    for (Row row : table.rows()) {
      Ratio toGo = row.outlook().toGo();
      if (toGo == null || toGo.signum() == 0 || row.isOutOfReach()) {
        continue;
      }
      OpenDeals.Largest largest = ofMembers.get(row.member().id());
      if (largest != null
          && toGo.compareTo(Ratio.of(row.outlook().deals().open() - largest.amount())) > 0
          && (decides == null || largest.amount() > decides.amount())) {
        most = row;
        decides = largest;
      }
    }
    if (most != null && decides != null) {
      say(
          most.member().name()
              + " reaches the goal only with deal "
              + decides.deal()
              + " ("
              + amount(Ratio.of(decides.amount()))
              + ").",
          keys(List.of(most)));
    }
  }

  /**
   * Whose stated likelihoods are farthest from what was won, of those with enough deals; null where
   * nobody's are far.
   *
   * @param ended how deals that were open in earlier snapshots ended, by member id
   */
  public static @Nullable Sentence ofLikelihoods(
      OutlookTable table, Figures figures, Map<Integer, Accuracy> byMember) {
    Row most = null;
    Ratio farthest = FAR;
    for (Row row : table.rows()) {
      Accuracy of = byMember.get(row.member().id());
      Accuracy.Band band = of == null ? null : of.ended();
      if (band != null && band.deals() >= ENOUGH_DEALS) {
        Ratio apart = apart(band);
        if (apart.compareTo(farthest) >= 0) {
          most = row;
          farthest = apart;
        }
      }
    }
    if (most == null) {
      return null;
    }
    Accuracy.Band band = Objects.requireNonNull(byMember.get(most.member().id())).ended();
    return new Sentence(
        most.member().name()
            + " won "
            + figures.share(Objects.requireNonNull(band.wonShare()))
            + " % of "
            + figures.number(band.deals())
            + " deals that were put at "
            + figures.share(Objects.requireNonNull(band.stated()))
            + " %.",
        keys(List.of(most)));
  }

  private static Ratio apart(Accuracy.Band band) {
    Ratio apart =
        Objects.requireNonNull(band.wonShare()).minus(Objects.requireNonNull(band.stated()));
    return apart.signum() < 0 ? Ratio.ZERO.minus(apart) : apart;
  }

  private void say(String text, List<String> keys) {
    found.add(new Sentence(text, keys));
  }

  private static List<String> keys(List<Row> rows) {
    return rows.stream().map(row -> row.member().key()).distinct().toList();
  }

  private String names(List<Row> rows) {
    List<String> names = rows.stream().map(row -> row.member().name()).distinct().toList();
    if (names.size() == 1) {
      return names.get(0);
    }
    int shown = Math.min(names.size() - 1, MOST_NAMED - 1);
    boolean isAll = names.size() <= MOST_NAMED;
    String last =
        isAll ? names.get(names.size() - 1) : figures.number(names.size() - shown) + " more";
    return String.join(", ", names.subList(0, shown)) + " and " + last;
  }

  private String amount(Ratio units) {
    Measure measure = table.measure();
    return figures.amount(units, measure);
  }
}
