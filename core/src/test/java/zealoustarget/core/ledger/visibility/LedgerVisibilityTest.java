package zealoustarget.core.ledger.visibility;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

class LedgerVisibilityTest {
  private static final List<String> MONTHS = List.of("2026-07", "2026-08", "2026-09", "2026-10");
  private static final List<String> REPS = List.of("A", "B", "C", "D");
  private static final List<String> MANAGERS = List.of("M1", "M2");

  /** Reps that move between managers and regions, with sales, quotas and goals of all axes. */
  private static Company random(Random random) {
    Company company = new Company("revenue").product("P", "L");
    for (String rep : REPS) {
      company.rep(rep, "R" + random.nextInt(3), MANAGERS.get(random.nextInt(2)), MONTHS.get(0));
      if (random.nextBoolean()) {
        company.rep(
            rep,
            "R" + random.nextInt(3),
            MANAGERS.get(random.nextInt(2)),
            MONTHS.get(1 + random.nextInt(3)));
      }
    }
    for (int line = 0; line < 60; line++) {
      String rep = random.nextInt(10) == 0 ? null : REPS.get(random.nextInt(4));
      company.sold(MONTHS.get(random.nextInt(4)), rep, "P", random.nextInt(9_000) - 1_000L);
    }
    for (String month : MONTHS) {
      REPS.forEach(
          rep -> company.goal("quota", Axis.REP, "revenue", month, rep, random.nextInt(9_000)));
      MANAGERS.forEach(m -> company.goal("teams", Axis.MANAGER, "revenue", month, m, 20_000));
      company.goal("regions", Axis.REGION, "revenue", month, "R0", 30_000);
      company.goal("plan", Axis.PRODUCT, "revenue", month, "P", 40_000);
      company.goal("whole", Axis.COMPANY, "revenue", month, null, 50_000);
    }
    return company;
  }

  private static Standing standing(Ledger ledger, Axis axis, String month, String set) {
    return ledger.standing(Company.query(axis, Company.REVENUE, month, month, set));
  }

  private static Set<String> keys(Standing standing) {
    return standing.rows().stream().map(row -> row.member().key()).collect(Collectors.toSet());
  }

  private static Map<String, String> figures(Standing standing) {
    return standing.rows().stream()
        .collect(
            Collectors.toMap(
                row -> row.member().key(),
                row -> row.reading().actual() + " of " + row.reading().goal()));
  }

  static LongStream seeds() {
    return LongStream.range(0, 60);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void manager_seesTheOwnRepsOfEachMonth_withTheirFiguresAndNothingElse(long seed) {
    Company company = random(new Random(seed));
    Ledger whole = company.ledger();
    Ledger seen = LedgerVisibility.byManager(whole, "m1");
    int manager = company.id(Axis.MANAGER, "M1");
    for (String month : MONTHS) {
      int number = Months.number(java.time.YearMonth.parse(month));
      Set<String> own =
          whole.members().all(Axis.REP).stream()
              .filter(rep -> whole.members().managerOf(rep.id(), number) == manager)
              .map(Member::key)
              .collect(Collectors.toSet());
      Map<String, String> expected = figures(standing(whole, Axis.REP, month, "quota"));
      expected.keySet().retainAll(own);
      Standing rows = standing(seen, Axis.REP, month, "quota");
      assertThat(figures(rows)).as("seed %d, %s", seed, month).isEqualTo(expected);
      Ratio sum =
          rows.rows().stream()
              .map(row -> row.reading().actual())
              .filter(actual -> actual != null)
              .map(Ratio::summable)
              .reduce(Ratio.ZERO, Ratio::plus);
      Object total = rows.total().reading().actual();
      assertThat(total == null ? "0" : total.toString())
          .as("no line of others")
          .isEqualTo(sum.toString());
      assertThat(keys(standing(seen, Axis.MANAGER, month, "teams"))).isSubsetOf("M1");
      boolean isOnlyTeam =
          whole.members().all(Axis.REP).stream()
              .filter(rep -> name(whole, rep, number).equals("R0"))
              .allMatch(rep -> own.contains(rep.key()));
      boolean hasGoal = standing(seen, Axis.REGION, month, "regions").membersWithGoal() > 0;
      assertThat(hasGoal && !isOnlyTeam).as("seed %d, region of two teams", seed).isFalse();
      assertThat(standing(seen, Axis.PRODUCT, month, "plan").membersWithGoal()).isZero();
      assertThat(standing(seen, Axis.COMPANY, month, "whole").membersWithGoal()).isZero();
    }
  }

  private static String name(Ledger ledger, Member rep, int month) {
    Member place = ledger.members().placeOf(Axis.REP, rep.id(), month);
    return place == null ? "" : place.key();
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void rep_seesTheOwnRowsOnly_onEveryAxis(long seed) {
    Ledger whole = random(new Random(seed)).ledger();
    Ledger seen = LedgerVisibility.byRep(whole, "B");
    Set<Integer> reps = new HashSet<>();
    for (String month : MONTHS) {
      Standing rows = standing(seen, Axis.REP, month, "quota");
      Map<String, String> expected = figures(standing(whole, Axis.REP, month, "quota"));
      expected.keySet().retainAll(Set.of("B"));
      assertThat(figures(rows)).isEqualTo(expected);
      for (Axis axis : Axis.values()) {
        seen.actualSources(Company.query(axis, Company.REVENUE, month, month, null), null)
            .forEach(source -> reps.add(source.rep()));
      }
      assertThat(standing(seen, Axis.REGION, month, "regions").membersWithGoal()).isZero();
      assertThat(standing(seen, Axis.MANAGER, month, "teams").membersWithGoal()).isZero();
    }
    assertThat(seen.members().all(Axis.REP)).extracting(Member::key).containsExactly("B");
    assertThat(reps).hasSizeLessThanOrEqualTo(1);
  }

  @Test
  void unknownKey_seesNothing() {
    Ledger whole = random(new Random(1)).ledger();
    assertThat(LedgerVisibility.byRep(whole, "Z").blocks()).isEmpty();
    assertThat(LedgerVisibility.byManager(whole, "A").members().all(Axis.REP)).isEmpty();
  }
}
