package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;

/** Workbooks with several sheets, dates, formulas and entities. */
class NastyWorkbooksTest extends NastyFiles {
  @Test
  void workbook_sheetIsChosen_datesAndStoredFormulasAreRead() {
    byte[] workbook =
        Workbooks.of(
            book -> {
              Worksheet notes = book.newWorksheet("Notes");
              notes.value(0, 0, "nothing here");
              Worksheet data = book.newWorksheet("October");
              data.value(0, 0, "date");
              data.value(0, 1, "rep");
              data.value(0, 2, "revenue");
              data.value(1, 0, LocalDate.of(2026, 10, 31));
              data.style(1, 0).format("dd/mm/yyyy").set();
              data.value(1, 1, "K1");
              data.formula(1, 2, "2*600.25");
            });
    byte[] calculated =
        Workbooks.replaced(
            workbook,
            "xl/worksheets/sheet2.xml",
            "<f>2*600.25</f>",
            "<f>2*600.25</f><v>1200.5</v>");
    assertThat(api.load("b.xlsx", calculated, "kind", "actuals").code())
        .isEqualTo("month-column-missing");
    JsonNode load = api.load("b.xlsx", calculated, "kind", "actuals", "sheet", "October").json();
    assertThat(load.at("/sums/revenue/ready").asString()).as("%s", load).isEqualTo("1200.50");
    assertThat(load.get("firstMonth").asString()).isEqualTo("2026-10");
    assertThat(api.load("b.xlsx", calculated, "kind", "actuals", "sheet", "Nine").code())
        .isEqualTo("sheet-unknown");
    api.delete("/api/v1/loads/" + load.get("id").asInt());
  }

  @ParameterizedTest
  @ValueSource(strings = {"1e-999999999", "1e999999999", "9e400"})
  void numberWithAnExponentBeyondAny_isAFinding(String number) {
    byte[] workbook =
        Workbooks.replaced(
            Workbooks.minimal("month,rep,revenue", "2026-10,K1,5"),
            "xl/worksheets/sheet1.xml",
            "<v>5</v>",
            "<v>" + number + "</v>");
    JsonNode load = api.load("e.xlsx", workbook, "kind", "actuals").json();
    assertThat(load.get("held").asInt()).as("%s", load).isEqualTo(1);
    api.delete("/api/v1/loads/" + load.get("id").asInt());
  }

  @Test
  void workbook_thatNamesAnEntityOutside_readsNothingOfIt() {
    byte[] workbook = Workbooks.of(book -> sheet(book.newWorksheet("Data"), 0));
    byte[] spoiled =
        Workbooks.replaced(
            workbook,
            "xl/sharedStrings.xml",
            "<sst",
            "<!DOCTYPE sst [<!ENTITY x SYSTEM \"file:///etc/hostname\">]><sst");
    Api.Answer answer = api.load("b.xlsx", spoiled, "kind", "actuals");
    assertThat(answer.json().toString()).doesNotContain("hostname");
    assertThat(answer.status()).isIn(201, 422);
    if (answer.status() == 201) {
      api.delete("/api/v1/loads/" + answer.json().get("id").asInt());
    }
  }
}
