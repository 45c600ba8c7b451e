package zealoustarget.core.intake.checks;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.PostedCompany;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

class FileChecksTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final int OCTOBER = Months.number(YearMonth.of(2026, 10));
  private static final int NORTH = 7;
  private static final int SOUTH = 8;

  @Test
  void repsOfTheRegionsCovered_whoHaveNoLine_areSaid() {
    FileChecks checks = checks(LoadKind.ACTUALS, null);
    checks.see(actual(1, -1));
    assertThat(checks.findings())
        .extracting(Finding::message)
        .containsExactly("Bo is on the roster in 2026-10 and has no line here.");
    checks.see(actual(2, -1));
    assertThat(checks.findings()).isEmpty();
  }

  @Test
  void repsWithoutGoal_andQuotasThatDoNotAddToTheRegions_areSaid() {
    FileChecks checks = checks(LoadKind.GOALS, Axis.REP);
    checks.see(new LoadRow.Goal(2, OCTOBER, 1, new long[] {60_000}));
    checks.see(new LoadRow.Goal(3, OCTOBER, 2, new long[] {50_000}));
    assertThat(checks.findings())
        .extracting(Finding::message)
        .containsExactly(
            "Cy is on the roster in 2026-10 and has no goal.",
            "The goals of the reps of North add up to 1100.00 revenue in 2026-10; region plan is 1000.00"
                + " (+10.0 %).");
    assertThat(checks.findings()).allMatch(finding -> finding.code().isOfFile());
  }

  private static LoadRow.Actual actual(int rep, int region) {
    return new LoadRow.Actual(2, OCTOBER, null, rep, region, -1, null, new long[] {100});
  }

  /** Ann and Bo in North, Cy in South; North has a goal of 1,000.00. */
  private static FileChecks checks(LoadKind kind, Axis axis, PostedCompany.Goal... posted) {
    LoadSpec spec =
        new LoadSpec(
            kind,
            axis,
            null,
            List.of(REVENUE),
            FiscalCalendar.DEFAULT,
            2026,
            Map.of(),
            true,
            Writing.NONE);
    return new FileChecks(
        new Regions(List.of(posted)), new TwentyLines(), spec, List.of(REVENUE), "quota");
  }

  private record Regions(List<Goal> quota) implements PostedCompany {
    @Override
    public List<Member> repsOn(int month) {
      return List.of(new Member(1, "A", "Ann"), new Member(2, "B", "Bo"), new Member(3, "C", "Cy"));
    }

    @Override
    public int regionOf(int rep, int month) {
      return rep < 0 ? -1 : rep == 3 ? SOUTH : NORTH;
    }

    @Override
    public String regionName(int region) {
      return region == NORTH ? "North" : "South";
    }

    @Override
    public List<Goal> goals(String set) {
      return set.equals("quota") ? quota : List.of();
    }

    @Override
    public List<Goal> regionGoals() {
      return List.of(new Goal("region plan", "revenue", OCTOBER, NORTH, 100_000));
    }
  }

  /** Twenty posted lines of 500.00 of Ann. */
  private static final class TwentyLines implements History {
    @Override
    public boolean hasOrder(String order, int product) {
      return false;
    }

    @Override
    public TypicalAmounts usual(String measure) {
      return TypicalAmounts.of(
          2,
          (mostMonths, line) -> {
            for (int i = 0; i < 20; i++) {
              line.see(1, 50_000);
            }
          });
    }
  }

  @Test
  void goalsPostedBefore_countWithThoseOfTheFile() {
    FileChecks checks =
        checks(
            LoadKind.GOALS,
            Axis.REP,
            new PostedCompany.Goal("quota", "revenue", OCTOBER, 2, 40_000),
            new PostedCompany.Goal("quota", "revenue", OCTOBER, 3, 40_000));
    checks.see(new LoadRow.Goal(2, OCTOBER, 1, new long[] {60_000}));
    checks.see(new LoadRow.Goal(3, OCTOBER, 2, new long[] {Amounts.NONE}));
    assertThat(checks.findings()).as("600.00 and 400.00 are North's 1000.00").isEmpty();
  }

  @Test
  void lineThatNamesItsOwnRegion_makesThatRegionCovered() {
    FileChecks checks = checks(LoadKind.ACTUALS, null);
    checks.see(actual(-1, SOUTH));
    checks.see(new LoadRow.RosterAssignment(3, 1, "Ann", NORTH, -1, OCTOBER, null, null));
    assertThat(checks.findings())
        .extracting(Finding::message)
        .containsExactly("Cy is on the roster in 2026-10 and has no line here.");
  }

  @Test
  void fileInThousands_isSaid() {
    FileChecks checks = checks(LoadKind.ACTUALS, null);
    for (int line = 0; line < 5; line++) {
      checks.see(new LoadRow.Actual(2, OCTOBER, null, 1, SOUTH, -1, null, new long[] {50}));
    }
    assertThat(checks.findings().get(0).message())
        .startsWith("Lines of revenue are about 0.50 here, and usually about 500.00.");
  }
}
