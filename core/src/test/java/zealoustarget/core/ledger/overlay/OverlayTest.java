package zealoustarget.core.ledger.overlay;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.ledger.Change;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.OrderKey;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

class OverlayTest {
  private static final int MONTH = 24_000;
  private static final int NORTH = 7;
  private static final int SOUTH = 8;
  private static final Members MEMBERS =
      new Members(
          Map.of(
              Axis.REP,
              List.of(
                  new Member(1, "A", "Ann"), new Member(2, "B", "Bo"), new Member(3, "C", "Cy")),
              Axis.REGION,
              List.of(new Member(NORTH, "North", "North"), new Member(SOUTH, "South", "South"))),
          List.of(
              new Members.RosterAssignment(1, MONTH - 5, null, NORTH, -1),
              new Members.RosterAssignment(2, MONTH - 5, null, NORTH, -1),
              new Members.RosterAssignment(3, MONTH - 5, null, SOUTH, -1)),
          Map.of());

  /** A row as plain as it can be. */
  private record Plain(int load, int month, int rep, long order, long revenue, long units) {}

  @Test
  void regionsFileThatComesAgain_replacesThatRegionAlone_itsMissingRepsIncluded() {
    ActualBlock first =
        block(1, row(MONTH, 1, 0, 100), row(MONTH, 2, 0, 200), row(MONTH, 3, 0, 400));
    ActualBlock again = block(2, row(MONTH, 1, 0, 110));
    assertThat(sums(layer(first, PostMode.ADD), layer(again, PostMode.REPLACE)))
        .isEqualTo(Map.of(1, 110L, 3, 400L));
    assertThat(sums(layer(first, PostMode.ADD))).isEqualTo(Map.of(1, 100L, 2, 200L, 3, 400L));
  }

  @Test
  void correction_replacesItsOrdersAlone() {
    ActualBlock first = block(1, row(MONTH, 1, 11, 100), row(MONTH, 1, 12, 200));
    ActualBlock corrected = block(2, row(MONTH, 1, 12, 250), row(MONTH, 1, 13, 5));
    assertThat(sums(layer(first, PostMode.ADD), layer(corrected, PostMode.CORRECT)))
        .isEqualTo(Map.of(1, 355L));
  }

  @Test
  void otherMeasures_stayAsTheyWere() {
    ActualBlock both =
        new ActualBlock.Builder(1, List.of("revenue", "units"))
            .add(2, MONTH, 1, -1, -1, 100, 3)
            .build();
    ActualBlock units =
        new ActualBlock.Builder(2, List.of("units")).add(2, MONTH, 1, -1, -1, 4).build();
    Ledger ledger = ledger(layer(both, PostMode.ADD), layer(units, PostMode.REPLACE));
    assertThat(ledger.sums(Axis.REP, "revenue").values()).containsExactly(100L);
    assertThat(ledger.sums(Axis.REP, "units").values()).containsExactly(4L);
  }

  @ParameterizedTest
  @ValueSource(longs = {61, 62, 63, 64})
  void anySequence_equalsItsSlowTwin_andTakingOneOutGivesItsRowsBack(long seed) {
    Random random = new Random(seed);
    List<List<Plain>> loads = new ArrayList<>();
    List<PostMode> modes = new ArrayList<>();
    for (int load = 0; load < 6; load++) {
      List<Plain> rows = new ArrayList<>();
      for (int i = 0; i < 1 + random.nextInt(8); i++) {
        rows.add(
            new Plain(
                load,
                MONTH + random.nextInt(3),
                1 + random.nextInt(3),
                1 + random.nextInt(9),
                random.nextInt(1_000),
                random.nextInt(10)));
      }
      loads.add(rows);
      modes.add(PostMode.values()[random.nextInt(3)]);
    }
    assertSame(seed, loads, modes);
    int out = random.nextInt(loads.size());
    loads.remove(out);
    modes.remove(out);
    assertSame(seed, loads, modes);
  }

  private static void assertSame(long seed, List<List<Plain>> loads, List<PostMode> modes) {
    List<Overlay.Layer> layers = new ArrayList<>();
    List<Plain> counting = new ArrayList<>();
    for (int at = 0; at < loads.size(); at++) {
      List<Plain> rows = loads.get(at);
      PostMode mode = modes.get(at);
      layers.add(layer(block(at, rows.toArray(Plain[]::new)), mode));
      counting.removeIf(
          earlier ->
              mode != PostMode.ADD
                  && rows.stream()
                      .anyMatch(
                          row ->
                              mode == PostMode.CORRECT
                                  ? row.order == earlier.order
                                  : row.month == earlier.month && region(row) == region(earlier)));
      counting.addAll(rows);
    }
    Map<Integer, Long> slow = new TreeMap<>();
    counting.forEach(row -> slow.merge(row.rep, row.revenue, Long::sum));
    assertThat(sums(layers.toArray(Overlay.Layer[]::new))).as("seed %d", seed).isEqualTo(slow);
    Ledger onTop = ledger();
    for (Overlay.Layer layer : layers) {
      onTop =
          new Ledger(MEMBERS, Overlay.onTop(onTop.blocks(), layer, MEMBERS), List.of())
              .sharing(onTop, Set.of());
      onTop.sums(Axis.REP, "revenue"); // summed before the next one comes
    }
    assertThat(sums(onTop)).as("one after the other, seed %d", seed).isEqualTo(slow);
    List<ActualBlock> month = Overlay.of(layers, MEMBERS, one -> one == MONTH);
    assertThat(new Ledger(MEMBERS, month, List.of()).sums(Axis.REP, "revenue"))
        .as("one month, seed %d", seed)
        .isEqualTo(
            onTop.sums(Axis.REP, "revenue").entrySet().stream()
                .filter(sum -> sum.getKey().month() == MONTH)
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
  }

  private static int region(Plain row) {
    return MEMBERS.regionOf(row.rep, row.month);
  }

  @ParameterizedTest
  @CsvSource({
    "false, 0, ADD, nothing of its region is posted",
    "true, 0, ADD, late orders",
    "true, 1, CORRECT, one of four orders again",
    "true, 3, REPLACE, most of them again"
  })
  void mode_isProposedByWhatIsPosted(boolean isPosted, int again, PostMode expected, String why) {
    ActualBlock posted =
        isPosted
            ? block(
                1,
                row(MONTH, 1, 11, 1),
                row(MONTH, 1, 12, 1),
                row(MONTH, 2, 13, 1),
                row(MONTH, 2, 14, 1))
            : block(1, row(MONTH, 3, 11, 1));
    List<Plain> rows = new ArrayList<>(List.of(row(MONTH, 1, 99, 5)));
    for (int order = 11; order < 11 + again; order++) {
      rows.add(row(MONTH, 1, order, 5));
    }
    assertThat(
            Overlay.proposed(
                List.of(block(2, rows.toArray(Plain[]::new))), ledger(layer(posted, PostMode.ADD))))
        .as(why)
        .isEqualTo(expected);
  }

  @Test
  void monthlySums_thatArePosted_areProposedToBeReplaced() {
    ActualBlock posted = block(1, row(MONTH, 1, 0, 1));
    assertThat(
            Overlay.proposed(
                List.of(block(2, row(MONTH, 1, 0, 2))), ledger(layer(posted, PostMode.ADD))))
        .isEqualTo(PostMode.REPLACE);
  }

  @Test
  void changes_areWhatDiffers_theLargestFirst() {
    ActualBlock first = block(1, row(MONTH, 1, 0, 100), row(MONTH, 3, 0, 400));
    ActualBlock again = block(2, row(MONTH, 1, 0, 130), row(MONTH + 1, 1, 0, 90));
    List<Change> changes =
        Change.ofActuals(
            ledger(layer(first, PostMode.ADD)),
            ledger(layer(first, PostMode.ADD), layer(again, PostMode.REPLACE)),
            Axis.REP,
            List.of("revenue"));
    assertThat(changes)
        .containsExactly(
            new Change(1, MONTH + 1, "revenue", null, 90L),
            new Change(1, MONTH, "revenue", 100L, 130L));
  }

  private static Overlay.Layer layer(ActualBlock block, PostMode mode) {
    return new Overlay.Layer(block.byMonth(), mode);
  }

  private static Ledger ledger(Overlay.Layer... layers) {
    return new Ledger(MEMBERS, Overlay.of(List.of(layers), MEMBERS), List.of());
  }

  private static Map<Integer, Long> sums(Overlay.Layer... layers) {
    return sums(ledger(layers));
  }

  private static Map<Integer, Long> sums(Ledger ledger) {
    Map<Integer, Long> byRep = new TreeMap<>();
    ledger.sums(Axis.REP, "revenue").forEach((at, sum) -> byRep.merge(at.member(), sum, Long::sum));
    return byRep;
  }

  private static Plain row(int month, int rep, int order, long revenue) {
    return new Plain(0, month, rep, order, revenue, 0);
  }

  private static ActualBlock block(int load, Plain... rows) {
    ActualBlock.Builder block = new ActualBlock.Builder(load, List.of("revenue"));
    int line = 2;
    for (Plain row : rows) {
      block.add(line++, row.month, row.rep, -1, -1, row.revenue);
      if (row.order != 0) {
        block.order(OrderKey.ofOrder("SO-" + row.order));
      }
    }
    return block.build();
  }
}
