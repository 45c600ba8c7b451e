package zealoustarget.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.intake.Reconciliation.Part;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.member.Axis;

class LineReaderTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final Measure UNITS = new Measure("units", "count", 0, Direction.HIGHER);
  private static final int OCTOBER = Months.number(YearMonth.of(2026, 10));

  /** A file read whole: outcomes by line, and their reconciliation. */
  private record ReadFile(Header header, List<LineOutcome> outcomes, Reconciliation sums) {
    LineOutcome line(int line) {
      return outcomes.get(line - 2);
    }

    String code(int line) {
      return line(line).findings().isEmpty() ? "none" : line(line).findings().get(0).code().word();
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-10-01,O1,K1,P10,5.00,1     | READY | none | plain",
        "2026-10-01,O1, k1 ,p10,5.00,1   | READY | none | blanks and other case",
        "2026-10-01,O1,Ines Brackwater,P10,5.00,1 | READY | none | by name",
        "2026-10-01,O1,K9,P10,5.00,1     | HELD | member-unknown | unknown rep",
        "2026-10-01,O1,K1,P99,5.00,1     | HELD | member-unknown | unknown product",
        "2026-10-01,O1,Twin,P10,5.00,1   | HELD | member-ambiguous | name of two reps",
        "2026-10-01,O1,,P10,5.00,1       | READY | member-blank | counts for its product",
        "2026-10-01,O1,,,5.00,1          | HELD | member-blank | counts nowhere",
        "2026-10-01,O1,K1,P10,,          | HELD | amount-missing | nothing to book",
        "2026-10-01,O1,K1,P10,,3         | READY | none | one of two measures",
        "2026-10-01,O1,K1,P10,5.00,1.5   | HELD | amount-decimals | half a piece",
        "2026-10-01,O1,K1,P10,-5.00,-1   | READY | none | a return",
        "2026-10-01,O1,K1,P10,-5.00,1    | READY | signs-differ | opposite signs",
        "2026-10-01,O1,K1,P10,$5.00,1    | READY | other-currency | another currency's sign",
        ",O1,K1,P10,5.00,1               | HELD | date-missing | no date",
        "2026-02-30,O1,K1,P10,5.00,1     | HELD | day-does-not-exist | no such day",
        "2026-10-01,O1,K1,P10,5.00       | HELD | cell-count | too few cells",
        "2026-10-01,O1,K1,P10,5.00,1,x   | HELD | cell-count | too many cells",
        "2026-10-01,O1,K1,P10,5.00,1,,   | READY | none | blank cells behind do no harm",
        "Date,Order,Rep,Product,Revenue,Units | LEFT_OUT | repeated-header | header again",
        "Total,,,,5.00,1                 | LEFT_OUT | total-line | total",
        "  sum ,,,,5.00,1                | LEFT_OUT | total-line | blanks around it",
        ",,North tOtAl,,5.00,1           | LEFT_OUT | total-line | any case, behind a name",
        ",,Grand total,,5.00,1           | LEFT_OUT | total-line | total in another column",
        "2026-10-01,O1,Sum Tingwell,P10,5.00,1 | READY | none | a rep whose name begins so"
      })
  void actualLine_goesWhereItBelongs(String line, Part part, String code, String why) {
    ReadFile file = read(actuals(), "date,order,rep,product,revenue,units", line);
    assertThat(file.line(2).part()).as(why).isEqualTo(part);
    assertThat(file.code(2)).as(why).isEqualTo(code);
    assertThat(file.line(2).rows()).as(why).hasSize(part == Part.READY ? 1 : 0);
    assertThat(file.sums().lines(part)).isEqualTo(1);
  }

  @Test
  void secondOfTwoEqualLines_isBooked_andNamesTheFirst() {
    ReadFile file =
        read(actuals(), "month,rep,revenue", "2026-10,K1,5", "2026-10,K2,5", "2026-10,K1,5");
    assertThat(file.line(4).part()).isEqualTo(Part.READY);
    assertThat(file.line(4).findings().get(0).message())
        .isEqualTo("The line is the same as line 2.");
  }

  @Test
  void sums_balance_andCountWhatCanBeRead_ofHeldLinesToo() {
    ReadFile file =
        read(
            actuals(),
            "month,rep,revenue,units",
            "2026-10,K1,10.00,1",
            "2026-10,K9,20.00,2",
            "2026-10,K1,x,3",
            "Total,,30.00,6");
    Reconciliation.Sums revenue = file.sums().sums().get(REVENUE);
    assertThat(revenue).isEqualTo(new Reconciliation.Sums(1000, 2000, 3000));
    assertThat(revenue.file()).isEqualTo(6000);
    assertThat(revenue.data()).isEqualTo(3000);
    assertThat(file.sums().sums().get(UNITS)).isEqualTo(new Reconciliation.Sums(1, 5, 6));
    assertThat(file.sums().lines()).isEqualTo(4);
  }

  @Test
  void sums_beyondALong_areRefused() {
    Reconciliation sums = new Reconciliation(List.of(REVENUE));
    sums.add(Part.READY, new long[] {Long.MAX_VALUE});
    assertThatThrownBy(() -> sums.add(Part.READY, new long[] {1}))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("revenue");
  }

  @Test
  void wideActuals_makeARowPerMonthThatHasAnAmount() {
    ReadFile file = read(wide(LoadKind.ACTUALS, null), "rep,Sep-26,2026-10,Nov 2026", "K1,5,,-7");
    assertThat(file.line(2).rows())
        .extracting(row -> ((Row.Actual) row).month())
        .containsExactly(OCTOBER - 1, OCTOBER + 1);
    assertThat(file.sums().sums().get(REVENUE).ready()).isEqualTo(-200);
  }

  @Test
  void goalsByFiscalYear_areSpreadToTheCent() {
    ReadFile file = read(goals(Axis.REP), "year,rep,revenue", "2027,K1,12000.05", "FY2027,K2,1");
    assertThat(file.line(2).rows()).hasSize(12);
    Row.Goal first = (Row.Goal) file.line(2).rows().get(0);
    assertThat(first.month()).isEqualTo(Months.number(YearMonth.of(2026, 7)));
    assertThat(first.amounts()).containsExactly(100_001L);
    assertThat(file.line(3).part()).isEqualTo(Part.READY);
    assertThat(file.sums().sums().get(REVENUE).ready()).isEqualTo(1_200_105);
    assertThat(read(goals(Axis.REP), "year,rep,revenue", "27,K1,1").code(2))
        .isEqualTo("year-unreadable");
  }

  @Test
  void goalGivenTwice_isHeld_alsoAcrossYearAndColumns() {
    ReadFile byMonth = read(goals(Axis.REP), "month,rep,revenue", "2026-10,K1,5", "Oct 2026,k1,6");
    assertThat(byMonth.line(3).part()).isEqualTo(Part.HELD);
    assertThat(byMonth.line(3).findings().get(0).message()).contains("2026-10", "line 2");
    ReadFile wide = read(wide(LoadKind.GOALS, Axis.REP), "rep,2026-10", "K1,5", "K1,5");
    assertThat(wide.code(3)).isEqualTo("goal-twice");
    ReadFile twoMeasures =
        read(goals(Axis.REP), "month,rep,revenue,units", "2026-10,K1,5,", "2026-10,K1,,3");
    assertThat(twoMeasures.line(3).part()).isEqualTo(Part.READY);
  }

  @Test
  void goalsOfAxesThatAreTheirOwnKeys_needNoRoster_andTheCompanyNoColumn() {
    assertThat(read(goals(Axis.REGION), "month,region,revenue", "2026-10,Far North,5").code(2))
        .isEqualTo("none");
    assertThat(read(goals(Axis.COMPANY), "month,revenue", "2026-10,5").line(2).rows()).hasSize(1);
    assertThat(read(goals(Axis.REP), "month,rep,revenue", "2026-10,,5").code(2))
        .isEqualTo("member-missing");
  }

  @Test
  void roster_movesAreLines_faultsAreHeld() {
    ReadFile file =
        read(
            spec(LoadKind.ROSTER, null, null),
            "rep,name,region,manager,from,until",
            "V1,Nela Strand,North,Tull,2025-07,",
            "V1,Nela Strand,South,Oster,2025-10,2025-12",
            "V1,Nela Strand,West,Oster,2025-10,",
            "V2,,,,2025-07,2025-06",
            ",Nobody,North,Tull,2025-07,",
            "V3,Ivo Kessel,North,Tull,,");
    assertThat(file.line(2).rows()).hasSize(1);
    Row.Stay move = (Row.Stay) file.line(3).rows().get(0);
    assertThat(move.untilMonth()).isEqualTo(Months.number(YearMonth.of(2025, 12)));
    assertThat(file.code(4)).isEqualTo("stay-twice");
    assertThat(file.code(5)).isEqualTo("until-before-from");
    assertThat(file.code(6)).isEqualTo("member-missing");
    assertThat(file.code(7)).isEqualTo("date-missing");
  }

  @Test
  void products_twiceAreHeld_longNamesToo() {
    ReadFile file =
        read(
            spec(LoadKind.PRODUCTS, null, null),
            "product,name,line",
            "N1,Rope,rope",
            "n1,Rope again,rope",
            "N2," + "x".repeat(121) + ",rope");
    assertThat(file.line(2).part()).isEqualTo(Part.READY);
    assertThat(file.code(3)).isEqualTo("product-twice");
    assertThat(file.code(4)).isEqualTo("name-too-long");
  }

  @Test
  void cutOffLine_isHeld() {
    LineReader reader = reader(actuals(), "month,rep,revenue");
    LineOutcome outcome = reader.read(2, List.of("2026-10", "K1", "5"), true);
    assertThat(outcome.part()).isEqualTo(Part.HELD);
    assertThat(outcome.findings().get(0).code()).isEqualTo(FindingCode.CUT_OFF);
  }

  @Test
  void repNotOnRosterThen_isBooked_andSaidOncePerMonth() {
    ReadFile file =
        read(actuals(), "month,rep,revenue", "2020-01,K1,5", "2020-01,K1,6", "2020-02,K1,7");
    assertThat(file.code(2)).isEqualTo("not-on-roster");
    assertThat(file.code(3)).isEqualTo("none");
    assertThat(file.code(4)).isEqualTo("not-on-roster");
    assertThat(file.sums().lines(Part.READY)).isEqualTo(3);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rep,revenue | month-column-missing | no month",
        "month,rep | column-missing | no measure",
        "month,revenue | column-missing | no member",
        "month,rep,Revenue,revenue | column-twice | measure twice",
        "rep,Rep,month,revenue | column-twice | rep twice",
        "rep,2026-07,Jul-26 | month-twice | month twice",
        "rep,2026-07 | measure-missing | wide, but of what?"
      })
  void header_lackingOrDoubling_isRefused(String header, String code, String why) {
    LoadSpec spec = code.equals("month-twice") ? wide(LoadKind.ACTUALS, null) : actuals();
    assertThatThrownBy(() -> reader(spec, header))
        .as(why)
        .isInstanceOfSatisfying(
            Refusal.class, refusal -> assertThat(refusal.code()).isEqualTo(code));
  }

  @Test
  void header_inAnyOrderAndCase_furtherColumnsAreSaid_mappingRenames() {
    ReadFile file = read(actuals(), "UNITS,Remark,Rep,Month", "3,x,K1,2026-10");
    assertThat(file.line(2).part()).isEqualTo(Part.READY);
    assertThat(file.header().findings())
        .extracting(Finding::message)
        .containsExactly("Column \"Remark\" is not one of ours and was not read.");
    LoadSpec mapped =
        new LoadSpec(
            LoadKind.ACTUALS,
            null,
            null,
            List.of(REVENUE),
            FiscalCalendar.DEFAULT,
            Map.of("Acct mgr", "rep", "revenue", "Net EUR", "Rep", ""),
            true);
    assertThat(read(mapped, "month,acct mgr,NET EUR,rep", "2026-10,K1,5,K9").line(2).part())
        .as("either name may come first, and an empty one leaves a column out")
        .isEqualTo(Part.READY);
  }

  @Test
  void firstSeen_growsAndRemembersEveryKey() {
    FirstSeen seen = new FirstSeen();
    for (int line = 1; line <= 5_000; line++) {
      assertThat(seen.seenOrAdd(line * 31L, line)).isZero();
    }
    for (int line = 1; line <= 5_000; line++) {
      assertThat(seen.seenOrAdd(line * 31L, 9_999)).isEqualTo(line);
    }
  }

  @Test
  void everyFinding_fillsItsSentence() {
    ReadFile file =
        read(
            actuals(),
            "date,rep,revenue",
            "x,K9,1%",
            "01/02/2026,Twin,1.2.3",
            "2026-13,,1e99",
            "2026-10-01,K1",
            "2026-10-01,K1,12.345");
    assertThat(file.outcomes().stream().flatMap(o -> o.findings().stream()))
        .hasSizeGreaterThan(7)
        .allSatisfy(finding -> assertThat(finding.message()).doesNotContain("{", "null"));
    assertThat(FindingCode.values()).extracting(FindingCode::word).doesNotHaveDuplicates();
  }

  private static ReadFile read(LoadSpec spec, String header, String... lines) {
    Header read = Header.of(cells(header), spec);
    ColumnFormats formats = new ColumnFormats(read, spec);
    Stream.of(lines).forEach(line -> formats.see(cells(line)));
    LineReader reader = new LineReader(read, formats, new Known(), spec);
    Reconciliation sums = new Reconciliation(read.measures());
    List<LineOutcome> outcomes = new ArrayList<>();
    for (String line : lines) {
      LineOutcome outcome = reader.read(outcomes.size() + 2, cells(line), false);
      sums.add(outcome.part(), outcome.amounts());
      outcomes.add(outcome);
    }
    return new ReadFile(read, outcomes, sums);
  }

  private static LineReader reader(LoadSpec spec, String header) {
    Header read = Header.of(cells(header), spec);
    return new LineReader(read, new ColumnFormats(read, spec), new Known(), spec);
  }

  private static List<String> cells(String line) {
    return List.of(line.split(",", -1));
  }

  private static LoadSpec actuals() {
    return spec(LoadKind.ACTUALS, null, null);
  }

  private static LoadSpec goals(Axis axis) {
    return spec(LoadKind.GOALS, axis, null);
  }

  private static LoadSpec wide(LoadKind kind, Axis axis) {
    return spec(kind, axis, REVENUE);
  }

  private static LoadSpec spec(LoadKind kind, Axis axis, Measure wide) {
    return new LoadSpec(
        kind,
        axis,
        wide,
        List.of(REVENUE, UNITS),
        new FiscalCalendar(7, YearNamedBy.END),
        Map.of(),
        true);
  }

  /** K1, K2, two reps called Twin and one called Sum Tingwell; products P10 and P20. */
  private static final class Known implements Directory {
    private static final Map<String, Integer> REPS =
        Map.of("k1", 1, "k2", 2, "ines brackwater", 1, "twin", AMBIGUOUS, "sum tingwell", 3);
    private static final Map<String, Integer> PRODUCTS = Map.of("p10", 10, "p20", 20);
    private final Map<String, Integer> added = new HashMap<>();

    @Override
    public int find(Axis axis, String text) {
      String folded = text.strip().toLowerCase(Locale.ROOT);
      return switch (axis) {
        case REP -> REPS.getOrDefault(folded, UNKNOWN);
        case PRODUCT -> PRODUCTS.getOrDefault(folded, UNKNOWN);
        default -> findOrAdd(axis, text);
      };
    }

    @Override
    public int findOrAdd(Axis axis, String key) {
      return added.computeIfAbsent(
          axis + key.strip().toLowerCase(Locale.ROOT), text -> 100 + added.size());
    }

    @Override
    public boolean isOnRoster(int rep, int month) {
      return month >= Months.number(YearMonth.of(2025, 1));
    }
  }

  @Test
  void missingAmount_isNeverZero() {
    ReadFile file = read(actuals(), "month,rep,revenue,units", "2026-10,K1,,3");
    assertThat(((Row.Actual) file.line(2).rows().get(0)).amounts())
        .containsExactly(ActualBlock.NO_AMOUNT, 3L);
  }
}
