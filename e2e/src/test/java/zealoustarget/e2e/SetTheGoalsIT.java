package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** Goals typed, spread, tried and applied on the sheet, by mouse and by keyboard alone. */
class SetTheGoalsIT {
  @TempDir static Path folder;
  private static App app;
  private static Browser browser;

  @BeforeAll
  static void open() {
    app = App.demo(folder.resolve("data"));
    browser = Browser.open(app);
  }

  @AfterAll
  static void close() {
    browser.close();
    app.close();
  }

  @BeforeEach
  void start() {
    browser.go("/goals?to=2026-10");
    browser.awaitText("for fiscal 2027 adds up to");
  }

  private static String cell(String rep, int month) {
    return "//*[@role='row'][*[@role='rowheader' and normalize-space()='"
        + rep
        + "']]/*[@role='gridcell']["
        + (month + 1)
        + "]";
  }

  @Test
  void typedGoal_saysItsEffect_countsOnceApplied_andIsTakenBackInIntake() {
    browser.clickAt(cell("Edda Kray", 3));
    browser.press("53 000", Keys.ENTER);
    browser.awaitText("Edda Kray moves to near");
    browser.awaitText("105.1 → 99.1");
    browser.awaitText("2 527.01 → 1 576.21");
    browser.awaitText("−950.80");
    assertThat(browser.axe()).isEmpty();
    browser.go("/standing?to=2026-10");
    browser.awaitRow("Edda Kray", "105.1");

    browser.go("/goals?to=2026-10");
    browser.awaitText("Edda Kray moves to near");
    browser.button("Apply 1 change");
    browser.awaitText("The draft was applied as one load of 1 line.");
    browser.link("Open the load");
    browser.awaitText("entered by analyst");
    browser.awaitText("50000.00");
    browser.go("/standing?to=2026-10&selected=R15");
    browser.awaitRow("Edda Kray", "99.1");
    browser.go("/intake?to=2026-10");
    browser.buttonContaining("quota, entered by analyst");
    browser.awaitText("posted");
    browser.buttonContaining("Reverse");
    browser.awaitText("reversed");
    browser.go("/standing?to=2026-10");
    browser.awaitRow("Edda Kray", "105.1");
  }

  @Test
  void cells_areSpreadByLastYearInSteps_aLockedOneIsKept_andUndoBringsThemBack() {
    browser.clickAt(cell("Tomas Quill", 9));
    browser.awaitText("1 open cell, Apr");
    browser.label("Lock these cells: spreading keeps them");
    browser.clickAt(cell("Tomas Quill", 3));
    browser.press(Keys.chord(Keys.SHIFT, Keys.END));
    browser.awaitText("9 open cells, Oct to Jun, 1 locked");
    browser.fill("Amount", "609 000");
    browser.fill("In steps of", "500");
    browser.button("Spread over 9 cells");
    browser.awaitText("597 000 → 609 000");
    assertThat(browser.textAt(cell("Tomas Quill", 9))).isEqualTo("82 000");
    browser.button("Undo");
    browser.awaitText("The draft has no changes.");
    browser.button("Redo");
    browser.awaitText("597 000 → 609 000");
    browser.fill("Amount", "1000");
    browser.button("Spread over 9 cells");
    browser.awaitText("The locked cells add up to 82000.00");
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
  }

  @Test
  void keyboardAlone_movesTypesEmpties_andClosedMonthsSayWhy() {
    browser.go("/standing?to=2026-10");
    browser.awaitText("October 2026 is");
    browser.press("1");
    browser.awaitText("for fiscal 2027 adds up to");
    browser.clickAt(cell("Jonah Pell", 3));
    browser.press(Keys.ARROW_RIGHT);
    browser.press(Keys.DELETE);
    browser.awaitText("One cell changes");
    browser.press(Keys.ARROW_DOWN);
    browser.press("1,2,3x", Keys.ENTER);
    browser.awaitText("Marit Sorrel, November 2026:");
    browser.press(Keys.ESCAPE);
    browser.press(Keys.HOME);
    browser.press("5");
    browser.awaitText("July 2026 is closed");
    browser.press(Keys.chord(Keys.CONTROL, "z"));
    browser.awaitText("The draft has no changes.");
  }

  @Test
  void quarters_areTypedOver_foldedByKeyboard_andShownAsPercentages() {
    browser.buttonLabelled("Show");
    browser.option("quarters");
    browser.awaitText("Q4");
    browser.clickAt(cell("Jonah Pell", 1));
    browser.press(Keys.ARROW_RIGHT);
    browser.press("180000");
    browser.awaitText("Spread over 3 cells");
    browser.button("Spread over 3 cells");
    browser.await("spread", () -> browser.textAt(cell("Jonah Pell", 2)).equals("180 000.00"));
    assertThat(browser.axe()).isEmpty();
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
    browser.buttonLabelled("Show");
    browser.option("% of the region");
    browser.await("shares", () -> browser.textAt(cell("Jonah Pell", 3)).equals("24.0"));
    browser.clickAt(cell("Edda Kray", 3));
    browser.press(Keys.ARROW_UP);
    browser.press(Keys.ARROW_LEFT);
    browser.awaitNoText("Marit Sorrel");
    browser.press(Keys.ARROW_RIGHT);
    browser.awaitText("Marit Sorrel");
  }

  @Test
  void theCompanysGoal_goesDownByWayOfTheRegions_inOneStep() {
    String address = "/api/v1/goals/december?axis=company&from=2026-12&to=2026-12";
    app.send(
        "PUT",
        "/api/v1/goals/december",
        "{\"axis\": \"company\", \"measure\": \"revenue\", \"tag\": \"%s\", \"cells\":"
                .formatted(app.json(address).get("tag").asString())
            + " [{\"key\": \"company\", \"month\": \"2026-12\", \"amount\": \"1000000\"}]}",
        "analyst",
        App.PASSWORD);
    browser.go("/goals?to=2026-10&draft=2");
    browser.awaitText("for fiscal 2027 adds up to");
    browser.summary("Other levels");
    browser.select("Goals of", "december");
    browser.select("By way of", "region plan");
    browser.fill("In steps of", "500");
    browser.button("Spread over the reps, month by month");
    browser.awaitText("Its changes stand in the draft of “region plan”");
    assertThat(sumOfDecember("quota")).isEqualTo("1000000.00");
    assertThat(sumOfDecember("region%20plan")).isEqualTo("1000000.00");
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
    browser.go("/goals?to=2026-10&draft=2&set=region%20plan");
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
  }

  private static String sumOfDecember(String set) {
    return app.json("/api/v1/goals/" + set + "/desk?year=2027&draft=2")
        .at("/total/cells/5")
        .asString();
  }

  @Test
  void whoLeaves_handsTheRemainingGoalsOver_andTheRegionsSumStays() {
    String sum = textOfGroup("Gull Coast", 5);
    browser.clickAt(cell("Edda Kray", 5));
    browser.awaitText("1 open cell, Dec");
    browser.summary("Change within the year");
    browser.fill("In steps of", "500");
    browser.button("Show in the draft");
    browser.awaitText("28 cells change");
    assertThat(browser.textAt(cell("Edda Kray", 5))).isEmpty();
    assertThat(textOfGroup("Gull Coast", 5)).isEqualTo(sum + ".00");
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
  }

  @Test
  void aRegionRaisedByThreePercent_saysWhoChangesStatus_andStandsBesideOthers() {
    browser.clickAt("//button[normalize-space()='Gull Coast']");
    browser.awaitText("36 open cells, Oct to Jun");
    browser.label("Scale by a factor");
    browser.fill("Factor", "1.03");
    browser.fill("In steps of", "500");
    browser.button("Scale 36 cells");
    browser.awaitText("cells change:");
    browser.awaitText("Tomas Quill, Oct");
    browser.buttonLabelled("Show");
    browser.option("side by side");
    browser.awaitText("Last year’s actuals");
    browser.awaitText("Percentages say how far");
    assertThat(browser.axe()).isEmpty();
    browser.select("Add a column", "This year at its pace");
    browser.clickAt("//button[@aria-label='Remove the column This year at its pace']");
    browser.button("Back to the sheet");
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
  }

  @Test
  void twoAnalystsOnOneSheet_theSecondIsToldWhoWasFirst_andNothingIsLost() {
    browser.clickAt(cell("Hanna Brook", 4));
    browser.press("40 000", Keys.ENTER);
    browser.awaitText("One cell changes");
    app.addAnalyst("second");
    String sheet = "/api/v1/goals/quota?from=2026-11&to=2026-11";
    String tag = app.json(sheet).get("tag").asString();
    String cells = "{\"key\": \"R11\", \"month\": \"2026-11\", \"amount\": \"41000\"}";
    app.send(
        "PUT",
        "/api/v1/goals/quota",
        "{\"axis\": \"rep\", \"measure\": \"revenue\", \"tag\": \"%s\", \"cells\": [%s]}"
            .formatted(tag, cells),
        "second",
        App.OTHER_PASSWORD);
    browser.button("Apply 1 change");
    browser.awaitText("was changed since");
    browser.awaitText("second");
    browser.go("/goals?to=2026-10");
    browser.awaitText("Hanna Brook, 2026-11 was changed since");
    assertThat(browser.textAt(cell("Hanna Brook", 4))).as("the draft is kept").isEqualTo("40 000");
    browser.button("Discard draft");
    browser.awaitText("The draft has no changes.");
    assertThat(browser.textAt(cell("Hanna Brook", 4))).isEqualTo("41 000");
  }

  @Test
  void aHolidayMore_movesThePaceOfTheOpenMonth() {
    browser.go("/standing?to=2026-11");
    browser.awaitText("November 2026, day 14 of 20");
    browser.go("/rules?show=company&to=2026-11");
    browser.awaitText("Fiscal calendar");
    browser.clickAt("//textarea[@id = //label[starts-with(., 'Holidays')]/@for]");
    browser.press(Keys.chord(Keys.CONTROL, Keys.END), Keys.ENTER, "2026-11-27");
    browser.button("Save calendar");
    browser.awaitText("Saved.");
    browser.go("/standing?to=2026-11");
    browser.awaitText("November 2026, day 14 of 19");
  }

  private static String textOfGroup(String group, int month) {
    return browser.textAt(
        "//*[@role='row'][*[@role='rowheader' and contains(normalize-space(), '"
            + group
            + "')]]/*[@role='gridcell']["
            + (month + 1)
            + "]");
  }

  @Test
  void newSet_ofTheCompany_takesOneNumberForTheYear() {
    browser.buttonLabelled("Goal set");
    browser.option("New goal set …");
    browser.fill("Name", "board target");
    browser.select("Goals by", "Companies");
    browser.button("Create goal set");
    browser.awaitText("“board target” has no goals for fiscal 2027 yet.");
    browser.clickAt(cell("Company", 3));
    browser.press(Keys.chord(Keys.SHIFT, Keys.END));
    browser.fill("Amount", "9 000 000");
    browser.select("Spread by", "evenly");
    browser.button("Spread over 9 cells");
    browser.awaitText("adds up to 9 000 000.00 EUR");
    browser.button("Apply 9 changes");
    browser.awaitText("one load of 9 lines");
    browser.go("/standing?axis=company&to=2026-10&against=set:board%20target");
    browser.awaitText("board target");
  }
}
