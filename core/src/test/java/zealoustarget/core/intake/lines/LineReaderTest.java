package zealoustarget.core.intake.lines;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.Reconciliation.Part;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.OrderKey;
import zealoustarget.core.ledger.columns.OrderSet;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

class LineReaderTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final Measure UNITS = new Measure("units", "count", 0, Direction.HIGHER);
  private static final Measure RATE = Measure.rate("returnRate", UNITS, REVENUE, Direction.LOWER);
  private static final int OCTOBER = Months.number(YearMonth.of(2026, 10));

  private static final int JOINED = Months.number(YearMonth.of(2025, 1));

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
        "Summe,,,,5.00,1                 | LEFT_OUT | total-line | German",
        "Gesamt,,,,5.00,1                | LEFT_OUT | total-line | German",
        "Zwischensumme North,,,,5.00,1   | LEFT_OUT | total-line | German",
        "Total général,,,,5.00,1         | LEFT_OUT | total-line | French",
        "Somme,,,,5.00,1                 | LEFT_OUT | total-line | French",
        "Suma,,,,5.00,1                  | LEFT_OUT | total-line | Spanish",
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
        .extracting(row -> ((LoadRow.Actual) row).month())
        .containsExactly(OCTOBER - 1, OCTOBER + 1);
    assertThat(file.sums().sums().get(REVENUE).ready()).isEqualTo(-200);
  }

  @Test
  void goalsByFiscalYear_areSpreadToTheCent() {
    ReadFile file = read(goals(Axis.REP), "year,rep,revenue", "2027,K1,12000.05", "FY2027,K2,1");
    assertThat(file.line(2).rows()).hasSize(12);
    LoadRow.Goal first = (LoadRow.Goal) file.line(2).rows().get(0);
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
    LoadRow.RosterAssignment move = (LoadRow.RosterAssignment) file.line(3).rows().get(0);
    assertThat(move.untilMonth()).isEqualTo(Months.number(YearMonth.of(2025, 12)));
    assertThat(file.code(4)).isEqualTo("stay-twice");
    assertThat(file.code(5)).isEqualTo("until-before-from");
    assertThat(file.code(6)).isEqualTo("member-missing");
    assertThat(file.code(7)).isEqualTo("date-missing");
  }

  @Test
  void rosterLine_withAMailAddressThatIsNone_isTakenWithoutIt() {
    ReadFile file =
        read(
            spec(LoadKind.ROSTER, null, null),
            "rep,name,region,manager,from,E-Mail",
            "V1,,North,Tull,2025-07,nela.strand@mail.example",
            "V2,,North,Tull,2025-07,nela at mail.example",
            "V3,,North,Tull,2025-07,a@b.example;c@d.example",
            "V4,,North,Tull,2025-07,",
            "V5,,North,Tull,2025-07,Zoë O'Hara <z@b.example>",
            "V6,,North,Tull,2025-07,zoë.o'hara+pay@b-1.example");
    assertThat(
            IntStream.rangeClosed(2, 7)
                .mapToObj(
                    line -> ((LoadRow.RosterAssignment) file.line(line).rows().get(0)).mail()))
        .containsExactly(
            "nela.strand@mail.example", null, null, null, null, "zoë.o'hara+pay@b-1.example");
    assertThat(IntStream.rangeClosed(2, 7).mapToObj(file::code))
        .containsExactly(
            "none", "mail-unreadable", "mail-unreadable", "none", "mail-unreadable", "none");
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
    LineOutcome outcome = decided(LineReader.Decision.CUT_OFF, "month,rep,revenue", "2026-10,K1,5");
    assertThat(outcome.part()).isEqualTo(Part.HELD);
    assertThat(outcome.findings().get(0).code()).isEqualTo(FindingCode.CUT_OFF);
  }

  @Test
  void lineLeftOutByHand_keepsItsAmounts_andTotalThatCounts_isReadAsALine() {
    LineOutcome left = decided(LineReader.Decision.LEAVE_OUT, "month,rep,revenue", "2026-10,K1,5");
    assertThat(left.part()).isEqualTo(Part.LEFT_OUT);
    assertThat(left.amounts()).containsExactly(500);
    LineOutcome total =
        decided(LineReader.Decision.COUNT, "month,rep,region,revenue", "2026-10,K1,Sum total,5");
    assertThat(total.part()).isEqualTo(Part.READY);
  }

  private static LineOutcome decided(LineReader.Decision decision, String header, String line) {
    Header read = Header.of(1, cells(header), actuals());
    return new LineReader(read, List.of(), new Known(), History.NONE, actuals())
        .read(2, cells(line), decision);
  }

  @Test
  void repWhoLeft_isSaid_andSoIsARegionSpelledNearlyLikeAnother() {
    ReadFile file =
        read(actuals(), "month,rep,region,revenue", "2026-11,K2,,5", "2026-10,K1,Nort,5");
    assertThat(file.line(2).findings())
        .extracting(Finding::message)
        .contains("\"K2\" left in 2026-10; the line is of 2026-11.");
    assertThat(file.code(3)).isEqualTo("member-like");
    assertThat(file.sums().lines(Part.READY)).isEqualTo(2);
  }

  @Test
  void orderThatIsPosted_andUnusualAmounts_areBookedAndSaid() {
    ReadFile file =
        read(
            actuals(),
            history(),
            "month,order,rep,revenue",
            "2026-10,so-1,K1,100.00",
            "2026-10,SO-9,K1,5000.00",
            "2026-10,SO-8,K1,-100.00",
            "2026-10,SO-7,K1,900.00");
    assertThat(file.code(2)).isEqualTo("already-posted");
    assertThat(file.line(3).findings().get(0).message())
        .isEqualTo("5000.00 is 50 times what a line of K1 usually is (100.00).");
    assertThat(file.code(4)).isEqualTo("unusual-sign");
    assertThat(file.code(5)).as("nine times is not far").isEqualTo("none");
    assertThat(file.sums().lines(Part.READY)).isEqualTo(4);
  }

  @Test
  void monthFarFromAllOthers_isHeldBack() {
    ReadFile file =
        read(actuals(), history(), "month,rep,revenue", "2099-01,K1,100.00", "2026-10,K1,100.00");
    assertThat(file.code(2)).isEqualTo("month-far");
    assertThat(file.line(2).findings().get(0).column()).isEqualTo("month");
    assertThat(file.line(2).rows()).isEmpty();
    assertThat(file.code(3)).isEqualTo("none");
  }

  /** Twenty posted lines of 100.00 of K1, one of them order SO-1. */
  private static History history() {
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    for (int i = 0; i < 20; i++) {
      block.add(i + 2, OCTOBER - 1, 1, -1, -1, 10_000);
    }
    block.order(OrderKey.ofOrder("SO-1"));
    Members members =
        new Members(
            Map.of(Axis.REP, List.of(new Member(1, "K1", "Ines Brackwater"))), List.of(), Map.of());
    Ledger ledger = new Ledger(members, List.of(block.build()), List.of());
    OrderSet orders = OrderSet.of(ledger.blocks());
    return new History() {
      @Override
      public boolean hasOrder(String order, int product) {
        return orders.contains(OrderKey.of(order, product));
      }

      @Override
      public TypicalAmounts usual(String measure) {
        return TypicalAmounts.of(2, (most, line) -> ledger.eachLateRow(most, measure, line::see));
      }

      @Override
      public boolean isFar(int month) {
        return month > OCTOBER + 60;
      }
    };
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rep,P01,P02            | K1,5,6 | 2026-07 2026-08 | periods of fiscal year 2027",
        "rep,Period 1,Period 12 | K1,5,6 | 2026-07 2027-06 | written out",
        "rep,1,2,3,4,5,6        | K1,5,6,,,, | 2026-07 2026-08 | six bare numbers",
        "rep,Jul,Aug            | K1,5,6 | 2026-07 2026-08 | names of months without a year",
        "rep,revenue 2026-07,2026-08 revenue | K1,5,6 | 2026-07 2026-08 | measure and month",
        "rep,Jul-26,Aug 2026    | K1,5,6 | 2026-07 2026-08 | months with a year",
        "period,rep,revenue     | 2,K1,5 | 2026-08 | a period in each line",
        "year,period,rep,revenue | FY 2026,P12,K1,5 | 2026-06 | year and period in each line"
      })
  void months_areReadAsWritten(String header, String line, String months, String why) {
    ReadFile file = read(wide(LoadKind.ACTUALS, null), header, line);
    assertThat(file.line(2).rows())
        .as(why)
        .extracting(row -> Months.of(((LoadRow.Actual) row).month()).toString())
        .containsExactlyInAnyOrder(months.split(" "));
  }

  @Test
  void periodThatIsNone_holdsItsLine() {
    ReadFile file = read(actuals(), "period,rep,revenue", "13,K1,5", "Q1,K1,5");
    assertThat(file.code(2)).isEqualTo("period-unreadable");
    assertThat(file.code(3)).isEqualTo("period-unreadable");
  }

  @Test
  void goalsBesideActuals_becomeRowsOfTheirOwn_andStayOutOfTheSums() {
    LoadSpec beside = spec(LoadKind.ACTUALS, Axis.REP, null);
    ReadFile file = read(beside, "month,rep,revenue,revenue quota,units", "2026-10,K1,5.00,8.00,3");
    assertThat(file.line(2).rows()).hasSize(2);
    assertThat(((LoadRow.Actual) file.line(2).rows().get(0)).amounts()).containsExactly(500, 3);
    LoadRow.Goal goal = (LoadRow.Goal) file.line(2).rows().get(1);
    assertThat(goal.member()).isEqualTo(1);
    assertThat(goal.amounts()).containsExactly(800, Amounts.NONE);
    assertThat(file.sums().sums().get(REVENUE).file()).isEqualTo(500);
    assertThat(read(actuals(), "month,rep,revenue,quota", "2026-10,K1,5,8").header().findings())
        .as("without an axis a quota is a further column")
        .extracting(Finding::code)
        .containsExactly(FindingCode.COLUMN_IGNORED);
  }

  @ParameterizedTest
  @CsvSource({
    "REGION, 'month,region,revenue,goal', '2026-10,North,5,8', 100",
    "PRODUCT, 'month,product,revenue,target', '2026-10,P10,5,8', 10",
    "COMPANY, 'month,rep,revenue,budget', '2026-10,K1,5,8', 0"
  })
  void goalsBesideActuals_goToTheAxisThatWasSaid(
      Axis axis, String header, String line, int member) {
    ReadFile file = read(spec(LoadKind.ACTUALS, axis, null), header, line);
    assertThat(((LoadRow.Goal) file.line(2).rows().get(1)).member()).isEqualTo(member);
    ReadFile none = read(spec(LoadKind.ACTUALS, axis, null), header, line.replaceFirst("8$", ""));
    assertThat(none.line(2).rows()).hasSize(1);
  }

  @Test
  void goalsBesideActuals_inMonthColumns_areReadByMonth() {
    ReadFile file =
        read(
            spec(LoadKind.ACTUALS, Axis.REP, null),
            "rep,revenue 2026-09,revenue 2026-10,revenue quota 2026-10",
            "K1,5,,8");
    assertThat(file.line(2).rows())
        .extracting(row -> row.getClass().getSimpleName())
        .containsExactly("Actual", "Goal");
  }

  @Test
  void flippedColumn_turnsSigns_andSums() {
    LoadSpec flipped =
        new LoadSpec(
            LoadKind.ACTUALS,
            null,
            null,
            List.of(REVENUE),
            FiscalCalendar.DEFAULT,
            2026,
            Map.of(
                "Credit",
                new ColumnRule(
                    "revenue", ColumnRule.Decimals.AUTO, ColumnRule.Dates.AUTO, 3, true, false)),
            true,
            Writing.NONE);
    ReadFile file = read(flipped, "month,rep,credit", "2026-10,K1,-1.5");
    assertThat(((LoadRow.Actual) file.line(2).rows().get(0)).amounts()).containsExactly(150_000);
    assertThat(file.sums().sums().get(REVENUE).ready()).isEqualTo(150_000);
  }

  @Test
  void repNotOnRosterThen_isBooked_andSaidOncePerMonth() {
    ReadFile file =
        read(actuals(), "month,rep,revenue", "2020-01,K1,5", "2020-01,K1,6", "2020-02,K1,7");
    assertThat(file.code(2)).isEqualTo("member-not-begun");
    assertThat(file.code(3)).isEqualTo("none");
    assertThat(file.code(4)).isEqualTo("member-not-begun");
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
    assertThatThrownBy(() -> Header.of(1, cells(header), spec))
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
            2026,
            Map.of(
                "Acct mgr",
                ColumnRule.to("rep"),
                "revenue",
                ColumnRule.to("Net EUR"),
                "Rep",
                ColumnRule.to("")),
            true,
            Writing.NONE);
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
    return read(spec, History.NONE, header, lines);
  }

  private static ReadFile read(LoadSpec spec, History history, String header, String... lines) {
    ColumnWatch watch = new ColumnWatch();
    Stream.of(lines).forEach(line -> watch.see(cells(line)));
    Header read = Header.of(1, cells(header), spec);
    LineReader reader = new LineReader(read, watch.profiles(), new Known(), history, spec);
    Reconciliation sums = new Reconciliation(read.measures());
    List<LineOutcome> outcomes = new ArrayList<>();
    for (String line : lines) {
      LineOutcome outcome = reader.read(outcomes.size() + 2, cells(line), LineReader.Decision.NONE);
      sums.add(outcome.part(), outcome.amounts());
      outcomes.add(outcome);
    }
    return new ReadFile(read, outcomes, sums);
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
        List.of(REVENUE, UNITS, RATE),
        new FiscalCalendar(7, YearNamedBy.END),
        2027,
        Map.of(),
        true,
        Writing.NONE);
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
      return month >= JOINED && (rep != 2 || month <= OCTOBER);
    }

    @Override
    public boolean isKnown(Axis axis, String text) {
      return find(axis, text) >= 0;
    }

    @Override
    public Tenure tenure(int rep) {
      return new Tenure(JOINED, rep == 2 ? OCTOBER : null);
    }

    @Override
    public String findLike(Axis axis, String text) {
      return text.equals("Nort") ? "North" : null;
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-10,K1,90.00,110.00 | READY | none | both ends",
        "2026-10,K1,90.00,90.00  | READY | none | a range of one amount",
        "2026-10,K1,90.00,       | HELD | range-open | no upper end",
        "2026-10,K1,,90.00       | HELD | range-open | no lower end",
        "2026-10,K1,110.00,90.00 | HELD | range-reversed | backwards",
        "2026-10,K1,,            | HELD | amount-missing | nothing"
      })
  void range_needsBothEndsInOrder(String line, Part part, String code, String why) {
    for (String header :
        List.of("month,rep,revenue.low,revenue.high", "month,rep,Revenue Low,revenue_HIGH")) {
      ReadFile file = read(goals(Axis.REP), header, line);
      assertThat(file.line(2).part()).as(why).isEqualTo(part);
      assertThat(file.code(2)).as(why).isEqualTo(code);
    }
  }

  @Test
  void range_ofAYear_isSpreadAtBothEnds() {
    ReadFile file =
        read(goals(Axis.REP), "year,rep,revenue.low,revenue.high", "2027,K1,1200.00,2400.00");
    assertThat(file.line(2).rows())
        .hasSize(12)
        .allSatisfy(
            row -> assertThat(((LoadRow.Goal) row).amounts()).containsExactly(100_00, 200_00));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "month,rep,revenue.low | revenue.high",
        "month,rep,revenue.high | revenue.low",
        "month,rep,revenue,revenue.low,revenue.high | ends of its range"
      })
  void range_withOneEnd_orBesideAnAmount_isRefused(String header, String named) {
    assertThatThrownBy(() -> read(goals(Axis.REP), header, "2026-10,K1,1,2"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining(named);
  }

  @ParameterizedTest
  @CsvSource({
    "0.0125, 1250000",
    "1.25 %, 1250000",
    "2%, 2000000",
    "0.5%, 500000",
    "-1 %, -1000000",
    "0.00000001, 1"
  })
  void rateGoal_isAPlainRatioOrAPercentage(String cell, long units) {
    ReadFile file = read(goals(Axis.PRODUCT), "month,product,returnRate", "2026-10,P10," + cell);
    assertThat(((LoadRow.Goal) file.line(2).rows().get(0)).amounts()).containsExactly(units);
  }

  @Test
  void rate_isNoColumnOfActuals() {
    ReadFile file = read(actuals(), "month,rep,revenue,returnRate", "2026-10,K1,5,0.1");
    assertThat(file.header().measures()).containsExactly(REVENUE);
    assertThat(file.header().findings())
        .extracting(f -> f.code().word())
        .contains("column-ignored");
  }

  @Test
  void missingAmount_isNeverZero() {
    ReadFile file = read(actuals(), "month,rep,revenue,units", "2026-10,K1,,3");
    assertThat(((LoadRow.Actual) file.line(2).rows().get(0)).amounts())
        .containsExactly(Amounts.NONE, 3L);
  }
}
