package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** Files from several systems in several shapes, brought in without editing them elsewhere. */
class SettleALateFileIT {
  private static final Path SAMPLES = Path.of("../demo/samples").toAbsolutePath().normalize();

  @TempDir Path folder;

  @Test
  void lateRegion_isSettledInItsCells_andPosted() {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake?to=2026-10&load=21");
      browser.awaitText("orders-2026-10-harbour-isles.csv: 3 lines need attention.");
      assertThat(browser.textOf("Reconciliation")).contains("143 lines", "138 lines", "2 lines");
      assertThat(browser.axe()).isEmpty();

      browser.button("Use Adaeze Fenn for this line");
      browser.awaitText(": 2 lines need attention.");
      browser.button("line 25");
      browser.buttonLabelled("-195.O02");
      browser.press(Keys.chord(Keys.CONTROL, "a"), "-195.02", Keys.ENTER);
      browser.awaitText(": 1 line needs attention.");
      browser.awaitText("is a day that does not exist.");
      browser.button("Leave out");
      browser.awaitText("orders-2026-10-harbour-isles.csv is ready.");
      browser.awaitText("The line is the same as line 53.");
      browser.button("Leave out");
      browser.await("left out", () -> browser.textOf("Reconciliation").contains("4 lines"));
      assertThat(browser.textOf("What posting changes")).contains("Adaeze Fenn 0 →");
      browser.button("Post 139 lines");
      browser.awaitText("orders-2026-10-harbour-isles.csv is posted.");
      browser.go("/standing?axis=region&to=2026-10");
      browser.awaitText("Harbour Isles");
      browser.button("Harbour Isles");
      browser.await("proof", () -> browser.textOf("Calculation and sources").contains("line 2"));
      browser.link("orders-2026-10-harbour-isles.csv");
      browser.await(
          "the line where it stands",
          () -> browser.textOf("Lines of the file").contains("SO-28932"));
    }
  }

  @Test
  void sameHeaderNextMonth_needsNoQuestion_workbookAndPastedCellsNeither() throws IOException {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake?to=2026-11");
      browser.awaitText("between you and closing");
      browser.choose(SAMPLES.resolve("semicolon-other-names.csv"));
      browser.awaitText("semicolon-other-names.csv is ready.");
      browser.awaitText("matches the file");
      browser.buttonLabelled("Qty maps to units");
      browser.select("Maps to", "Ignored");
      browser.awaitText("Ignored columns");
      browser.press(Keys.ESCAPE);
      browser.button("Post 24 lines");
      browser.awaitText("semicolon-other-names.csv is posted.");

      browser.choose(
          Files.writeString(
              folder.resolve("january.csv"),
              "Booking dt;Acct mgr;Item;Net EUR;Qty;Ref\n"
                  + "05/01/2027;Ilse Marwood;Winch handle;1.250;2;SO-1\n"));
      browser.awaitText("january.csv is ready.");
      assertThat(browser.textOf("Reconciliation")).contains("1 250.00").doesNotContain("units");
      browser.button("Discard load");
      browser.awaitText("between you and closing");

      browser.choose(SAMPLES.resolve("workbook.xlsx"));
      browser.awaitText("workbook.xlsx is ready.");
      assertThat(browser.text()).contains("sheet December", "Replace what is posted");
      browser.button("Discard load");
      browser.awaitText("between you and closing");
      browser.paste(Files.readString(SAMPLES.resolve("tab-pasted-cells.txt")));
      browser.awaitText("pasted ");
      browser.awaitText("Post 24 lines");
    }
  }

  @Test
  void largeFile_isStopped_andRemainderIsSettledOnItsOwn() throws IOException {
    Path large = folder.resolve("large.csv");
    try (BufferedWriter out = Files.newBufferedWriter(large)) {
      out.write("date,order,rep,revenue\n");
      for (int line = 0; line < 900_000; line++) {
        out.write("2026-10-01,SO-" + line + ",K1,1.00\n");
      }
    }
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake");
      browser.awaitText("Load the first file.");
      browser.choose(
          Files.writeString(
              folder.resolve("roster.csv"),
              "rep,name,region,manager,from\nK1,Ines Brackwater,North,Tull,2025-07\n"));
      browser.awaitText("roster.csv is ready.");
      browser.button("Post 1 line");
      browser.awaitText("roster.csv is posted.");
      browser.choose(large);
      browser.awaitText("large.csv is loading.");
      browser.button("Stop loading");
      browser.awaitText("Reading was stopped.");
      browser.button("Discard load");

      browser.choose(
          Files.writeString(
              folder.resolve("october.csv"),
              "month,rep,revenue\n2026-10,K1,5.00\n2026-10,K2,7.00\n"));
      browser.awaitText("october.csv: 1 line needs attention.");
      browser.button("Post 1 line");
      browser.awaitText("1 line is on hold.");
      browser.button("Correct the lines on hold");
      browser.awaitText("remainder of october.csv");
      browser.button("Create a new rep");
      for (String[] field :
          List.of(new String[] {"Name", "Otto Brand"}, new String[] {"From month", "2026-10"})) {
        browser.fill(field[0], field[1]);
      }
      browser.button("Create Otto Brand");
      browser.awaitText("remainder of october.csv is ready.");
      browser.button("Post 1 line");
      browser.awaitText("remainder of october.csv is posted.");
      browser.go("/standing?to=2026-10");
      browser.awaitRow("Otto Brand", "7");
    }
  }
}
