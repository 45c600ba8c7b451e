package zealoustarget.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.intake.header.ColumnGuess;
import zealoustarget.core.intake.header.HeaderFinder;
import zealoustarget.core.intake.header.KindGuess;
import zealoustarget.core.intake.lines.ColumnWatch;
import zealoustarget.core.member.Axis;

/** What a file says of itself: where its header is, what it brings, what its columns are. */
class RecognitionTest {
  private static final List<Measure> MEASURES =
      List.of(
          new Measure("revenue", "EUR", 2, Direction.HIGHER),
          new Measure("units", "count", 0, Direction.HIGHER));

  @Test
  void header_isFoundBelowTitles_andIsTheFirstOfTwoEqualOnes() {
    List<List<String>> lines =
        List.of(
            List.of("Sales report October 2026", "", "", ""),
            List.of("printed", "2026-11-02", "", ""),
            List.of("Booking dt", "Acct mgr", "Net EUR", "Qty"),
            List.of("2026-10-01", "Dario Venn", "12.50", "3"),
            List.of("Booking dt", "Acct mgr", "Net EUR", "Qty"));
    Set<String> known = ColumnGuess.knownTitles(MEASURES);
    assertThat(HeaderFinder.find(lines, known)).isEqualTo(2);
    assertThat(HeaderFinder.find(lines.subList(2, 5), known)).isZero();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "month,rep,revenue      | 2026-10,K1,5.00  | 0 | three of ours",
        "a,b,c                  | x,y,z            | 0 | nothing known: the first",
        "rep,,revenue           | 2026-10,K1,5.00  | 0 | a title missing",
        "rep,2026-07,2026-08    | K1,5,6           | 0 | months as titles",
        "rep,name,region,from   | R1,Ines,North,2025-01 | 0 | lines full of words"
      })
  void firstLine_isTheHeader_ofAPlainFile(String header, String line, int place, String why) {
    assertThat(
            HeaderFinder.find(
                List.of(cells(header), cells(line), cells(line)),
                ColumnGuess.knownTitles(MEASURES)))
        .as(why)
        .isEqualTo(place);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "none",
      value = {
        "date,rep,product,revenue | orders.csv       | ACTUALS | none | none",
        "rep,Jul-26,Aug-26        | lines.csv        | ACTUALS | none | none",
        "rep,Jul-26,Aug-26        | quotas-fy27.csv  | GOALS | REP | quota",
        "month,region,revenue     | region plan.csv  | GOALS | REGION | plan",
        "year,product,revenue     | x.csv            | GOALS | PRODUCT | none",
        "month,rep,quota          | x.csv            | GOALS | REP | quota",
        "month,rep,revenue,quota  | x.csv            | ACTUALS | REP | quota",
        "rep,name,region,from     | x.csv            | ROSTER | none | none",
        "product,name,line        | x.csv            | PRODUCTS | none | none",
        "Item,Description,Category | x.csv           | PRODUCTS | none | none",
        "product,name,month       | x.csv            | ACTUALS | none | none",
        "product,name,date        | x.csv            | ACTUALS | none | none",
        "rep,region               | x.csv            | ACTUALS | none | none",
        "date,Agent,Net,Target    | x.csv            | ACTUALS | REP | target",
        "month,manager,revenue    | budget.csv       | GOALS | MANAGER | budget",
        "month,line,revenue       | plan.csv         | GOALS | LINE | plan",
        "month,revenue            | forecast.csv     | GOALS | REP | forecast",
        "year,period,rep,revenue  | x.csv            | ACTUALS | none | none",
        "year,company,revenue     | x.csv            | GOALS | COMPANY | none",
        "Employee ID,Sales rep,Territory,Manager,Start | x.csv | ROSTER | none | none",
        "Personalnummer,Verkäufer,Gebiet,Vorgesetzter,Eintritt | x.csv | ROSTER | none | none",
        "Vendeur,Région,Responsable,Début | x.csv | ROSTER | none | none",
        "Vendedor,Zona,Jefe,Desde  | x.csv            | ROSTER | none | none",
        "Artikelnummer,Bezeichnung,Warengruppe | x.csv | PRODUCTS | none | none",
        "Référence,Libellé,Famille | x.csv            | PRODUCTS | none | none",
        "Artículo,Descripción,Familia | x.csv         | PRODUCTS | none | none",
        "Monat,Gebiet,Umsatz       | presupuesto.csv  | GOALS | REGION | budget",
        "Belegdatum,Verkäufer,Artikel,Umsatz | x.csv  | ACTUALS | none | none",
        "Fecha,Vendedor,Importe    | x.csv            | ACTUALS | none | none"
      })
  void kind_isRecognised(String header, String file, LoadKind kind, Axis axis, String word) {
    assertThat(KindGuess.of(cells(header), file, MEASURES))
        .isEqualTo(new KindGuess(kind, axis, word));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "none",
      value = {
        "Who,Label,Starts # A1,Ines,2026-01;A2,Jorun,2026-03 | ROSTER | none | people and dates",
        "Nr,Wer,Wo,Ab # 7,Ines,Nord,01.02.2026;8,Jo,Nord,01.03.2026 | ROSTER | none | numbered",
        "Whom,Where # K1,North;K9,South | ACTUALS | none | nobody knows half of them",
        "Whom,Where # K1,North;K1,South | ROSTER | none | a known rep",
        "Until,Whom,Worth # 2027-01,K1,5.00;2027-02,K1,6.00 | GOALS | REP | months to come",
        "When,Whom,Worth # 2026-10,K1,5.00;2027-02,K1,6.00 | ACTUALS | none | one is over",
        "When,Whom,Worth # 2026-10-03,K1,5;2026-10-04,K1,6 | ACTUALS | none | whole amounts",
        "year,Whom,revenue # 2027,K1,5.00;2028,K1,6.00 | GOALS | REP | titles say goals"
      })
  void kind_isRecognisedByContent_whereTitlesSayNothing(
      String file, LoadKind kind, Axis axis, String why) {
    String[] parts = file.split(" # ");
    ColumnWatch watch = new ColumnWatch();
    Stream.of(parts[1].split(";")).forEach(line -> watch.see(cells(line)));
    assertThat(
            KindGuess.of(
                cells(parts[0]),
                watch.profiles(),
                "x.csv",
                MEASURES,
                new OnlyK1(),
                YearMonth.of(2026, 11)))
        .as(why)
        .isEqualTo(new KindGuess(kind, axis, null));
  }

  @Test
  void columnsOfLists_areGuessedByContent() {
    ColumnWatch watch = new ColumnWatch();
    watch.see(cells("7,Ines,2026-02-01,Hill 3"));
    watch.see(cells("8,Jo,2026-03-01,Hill 3"));
    LoadSpec spec = spec(LoadKind.ROSTER);
    assertThat(
            ColumnGuess.complete(cells("Nr,Wer,Ab,Adresse"), watch.profiles(), spec, new OnlyK1()))
        .isEqualTo(Map.of("Nr", "rep", "Wer", "name", "Ab", "from"));
  }

  @Test
  void columns_areGuessedByNameAndContent_onlyWhereOursAreMissing() {
    assertThat(
            guess(
                "Booking dt,Acct mgr,Item,Net EUR,Qty,Ref", "31/10/2026,Venn D.,Rope,12.50,3,SR-1"))
        .isEqualTo(
            Map.of(
                "Booking dt", "date",
                "Acct mgr", "rep",
                "Item", "product",
                "Net EUR", "revenue",
                "Qty", "units",
                "Ref", "order"));
    assertThat(guess("When,Who,Worth", "2026-10-31,K1,12.50"))
        .as("by what the columns hold")
        .isEqualTo(Map.of("When", "date", "Who", "rep", "Worth", "revenue"));
    assertThat(guess("date,rep,revenue,amount", "2026-10-31,K1,12.50,9.50"))
        .as("a header that is understood is left alone")
        .isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Booking date|date",
        "Posting Date|date",
        "Transaction date|date",
        "Ship date|date",
        "Close Date|date",
        "Buchungsdatum|date",
        "Belegdatum|date",
        "Rechnungsdatum|date",
        "Auftragsdatum|date",
        "Datum|date",
        "Date de commande|date",
        "Date facture|date",
        "Fecha|date",
        "Fecha de pedido|date",
        "Account Executive|rep",
        "Sales Representative|rep",
        "Verkäufer|rep",
        "Außendienst|rep",
        "Mitarbeiter-Nr.|rep",
        "Vendeur|rep",
        "Commercial|rep",
        "Vendedor|rep",
        "Sales territory|region",
        "Vertriebsgebiet|region",
        "Bezirk|region",
        "Région|region",
        "Territoire|region",
        "Zona|region",
        "Part No.|product",
        "Artikelnummer|product",
        "Produkt|product",
        "Référence|product",
        "Artículo|product",
        "SO Number|order",
        "Belegnummer|order",
        "Auftrag Nr.|order",
        "Numéro de commande|order",
        "Pedido|order",
        "Factura|order",
        "Umsatz|revenue",
        "Nettobetrag EUR|revenue",
        "Montant HT|revenue",
        "Chiffre d'affaires|revenue",
        "Importe neto|revenue",
        "Ventas|revenue",
        "Menge|units",
        "Stückzahl|units",
        "Quantité|units",
        "Cantidad|units"
      })
  void titlesOfTheTrade_inFourLanguages_areUnderstood(String title, String ours) {
    String line = Set.of("revenue", "units").contains(ours) ? "7" : "x";
    assertThat(guess(title, line)).containsEntry(title, ours);
  }

  private static LoadSpec spec(LoadKind kind) {
    return new LoadSpec(
        kind, null, null, MEASURES, FiscalCalendar.DEFAULT, 2026, Map.of(), true, Writing.NONE);
  }

  private static Map<String, String> guess(String header, String line) {
    ColumnWatch watch = new ColumnWatch();
    watch.see(cells(line));
    LoadSpec spec = spec(LoadKind.ACTUALS);
    return ColumnGuess.complete(cells(header), watch.profiles(), spec, new OnlyK1());
  }

  private static List<String> cells(String line) {
    return new ArrayList<>(Stream.of(line.split(",", -1)).map(String::strip).toList());
  }

  /** Knows one rep. */
  private static final class OnlyK1 implements Directory {
    @Override
    public int find(Axis axis, String text) {
      return isKnown(axis, text) ? 1 : UNKNOWN;
    }

    @Override
    public boolean isKnown(Axis axis, String text) {
      return axis == Axis.REP && text.equals("K1");
    }

    @Override
    public int findOrAdd(Axis axis, String key) {
      return 1;
    }

    @Override
    public boolean isOnRoster(int rep, int month) {
      return true;
    }

    @Override
    public Tenure tenure(int rep) {
      return null;
    }

    @Override
    public String findLike(Axis axis, String text) {
      return null;
    }
  }
}
