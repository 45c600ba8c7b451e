package zealoustarget.core.intake.lines;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.Reconciliation.Part;
import zealoustarget.core.intake.header.Header;

class LineReaderTest extends LineReading {
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
        .isEqualTo("5000.00 is 50 times the usual amount of K1 (100.00).");
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
        .containsExactly("Column \"Remark\" matches no field and is ignored.");
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
}
