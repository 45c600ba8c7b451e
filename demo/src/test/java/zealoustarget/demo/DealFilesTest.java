package zealoustarget.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The planted cases of the demo company's deals. */
class DealFilesTest {
  private record Line(
      String deal, String rep, long amount, String likelihood, String closes, String state) {}

  private static final List<Map<String, Line>> SNAPSHOTS = snapshots();

  private static List<Map<String, Line>> snapshots() {
    List<Map<String, Line>> all = new ArrayList<>();
    DealFiles.DAYS.forEach(
        day -> {
          Map<String, Line> lines = new HashMap<>();
          SaltmarshFiles.all()
              .get("deals-" + day + ".csv")
              .lines()
              .skip(1)
              .map(text -> text.split(",", -1))
              .map(
                  cell ->
                      new Line(
                          cell[0],
                          cell[1],
                          Long.parseLong(cell[3].replace(".00", "")),
                          cell[4],
                          cell[6],
                          cell[7]))
              .forEach(line -> assertThat(lines.put(line.deal(), line)).as(line.deal()).isNull());
          all.add(lines);
        });
    return all;
  }

  private static List<Line> open(int snapshot, String rep) {
    return SNAPSHOTS.get(snapshot).values().stream()
        .filter(line -> line.rep().equals(rep) && line.state().equals("open"))
        .toList();
  }

  @Test
  void snapshots_growAndKeepWhatEnded() {
    for (int at = 1; at < SNAPSHOTS.size(); at++) {
      Map<String, Line> before = SNAPSHOTS.get(at - 1);
      Map<String, Line> now = SNAPSHOTS.get(at);
      assertThat(now.size()).isGreaterThan(before.size());
      before.values().stream()
          .filter(line -> line.state().equals("won"))
          .forEach(line -> assertThat(now.get(line.deal()).state()).isEqualTo("won"));
    }
    assertThat(SNAPSHOTS.get(3).values().stream().map(Line::rep).collect(Collectors.toSet()))
        .hasSize(Company.REPS.size());
  }

  @Test
  void quarterOfOneRep_hangsOnASingleDeal() {
    long largest = open(3, "R05").stream().mapToLong(Line::amount).max().orElseThrow();
    long all = open(3, "R05").stream().mapToLong(Line::amount).sum();
    assertThat(largest * 10).isGreaterThan(all * 7);
  }

  @Test
  void overdueMovedReopenedAndGoneDeals_areThere() {
    assertThat(open(3, "R15").stream().filter(line -> line.closes().equals("2026-10"))).hasSize(2);
    assertThat(
            open(0, "R02").stream()
                .map(Line::deal)
                .filter(deal -> SNAPSHOTS.stream().allMatch(one -> one.containsKey(deal)))
                .map(deal -> SNAPSHOTS.stream().map(one -> one.get(deal).closes()).toList()))
        .contains(List.of("2026-10", "2026-11", "2026-12", "2027-01"));
    Set<String> lost =
        SNAPSHOTS.get(1).values().stream()
            .filter(line -> line.state().equals("lost"))
            .map(Line::deal)
            .collect(Collectors.toSet());
    assertThat(open(3, "R11").stream().filter(line -> lost.contains(line.deal()))).hasSize(1);
    assertThat(
            SNAPSHOTS.get(1).values().stream()
                .filter(line -> line.state().equals("open"))
                .filter(line -> !SNAPSHOTS.get(2).containsKey(line.deal()))
                .map(Line::rep))
        .containsExactlyInAnyOrder("R10", "R14");
  }
}
