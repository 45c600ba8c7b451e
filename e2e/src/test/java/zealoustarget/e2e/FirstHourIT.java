package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Somebody who has never seen the application sets a company up and reads the first variance, by
 * the labels alone: nothing but what the pages say is used. What it costs is printed.
 */
class FirstHourIT {
  @TempDir Path folder;

  @Test
  void newcomer_setsUpTheCompany_andReadsTheFirstVariance_byTheLabelsAlone() throws IOException {
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/");
      browser.awaitText("Set up your company");
      browser.awaitText("Fiscal year starts in");
      assertThat(browser.axe()).isEmpty();
      browser.fill("Company name", "Reef and Rope");
      browser.button("Save company");
      browser.awaitText("Saved.");
      browser.select("Fiscal year starts in", "July");
      browser.button("Save calendar");
      browser.awaitText("starts in July");
      browser.link("Go on to the first file");
      browser.awaitText("Set up the company done");

      for (String kind : List.of("roster", "products", "goals", "actuals")) {
        browser.link("Intake");
        browser.awaitText("Load the " + kind + " next");
        browser.link("Sample " + kind + " file");
        String name = (kind.equals("goals") ? "quota" : kind) + " sample.csv";
        browser.choose(browser.saved(name));
        browser.awaitText(name + " is ready.");
        browser.button("Post 2 lines");
        browser.awaitText(name + " is posted.");
      }
      browser.link("Open Standing");
      browser.awaitRow("Ines Brackwater", "940");
      assertThat(browser.row("Ines Brackwater")).contains("1 000");
      System.out.println("First hour, to the first variance: " + browser.cost());
    }
  }

  @Test
  void filesInAnotherOrder_waitOnHold_andAreKept() throws IOException {
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake");
      browser.awaitText("Load the first file.");
      browser.choose(
          Files.writeString(folder.resolve("october.csv"), "month,rep,revenue\n2026-10,K1,5.00\n"));
      browser.awaitText("No line of october.csv is ready.");
      browser.awaitText("Lines on hold stay in this load.");
      browser.link("Intake");
      browser.choose(
          Files.writeString(
              folder.resolve("roster.csv"),
              "rep,name,region,manager,from\nK1,Ines Brackwater,North,Tull,2025-07\n"));
      browser.awaitText("roster.csv is ready.");
      browser.button("Post 1 line");
      browser.awaitText("roster.csv is posted.");
      browser.button("october.csv");
      browser.awaitText("october.csv is ready."); // it was checked again by itself
      browser.button("Post 1 line");
      browser.awaitText("october.csv is posted.");
    }
  }
}
