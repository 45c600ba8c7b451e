package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;
import zealoustarget.demo.MailCatcher;

/**
 * Commission from plan to statement and seal, task by task, through the pages alone; October is
 * read before it is sealed.
 */
@TestMethodOrder(MethodOrderer.MethodName.class)
class PayTheMonthIT {
  @TempDir static Path folder;
  private static MailCatcher mail;
  private static App app;
  private static Browser browser;

  @BeforeAll
  static void open() throws IOException {
    mail = new MailCatcher(0, 0);
    app =
        App.demo(
            folder.resolve("data"),
            "--zealous.mail.host=127.0.0.1",
            "--zealous.mail.port=" + mail.mailPort(),
            "--zealous.mail.to={rep}@saltmarsh.example");
    browser = Browser.open(app);
  }

  @AfterAll
  static void close() {
    browser.close();
    app.close();
    mail.stop();
  }

  private static void earnings(String query) {
    browser.go("/earnings?" + query);
    browser.awaitText("Next tier");
  }

  @Test
  void readStatuses_openAStatement_andFollowItToASourceLine() {
    earnings("to=2026-10");
    assertThat(browser.row("Wren Halloway")).contains("at ceiling", "121 000.00", "5 280.00");
    earnings("to=2026-10&paysort=next");
    assertThat(browser.row("Rurik Sand")).contains("earning", "10.00 to target, +900.30");
    browser.button("Rurik Sand");
    browser.await("statement", () -> browser.textOf("Statement").startsWith("Rurik Sand"));
    JsonNode pay = app.json("/api/v1/earnings/reps/R09?month=2026-10");
    String due = pay.at("/row/due").asString();
    assertThat(browser.textOf("Statement").replace(" ", ""))
        .contains("CommissionduewithOctober2026" + due);
    browser.type("Sales to date", "55500");
    browser.await("what if", () -> browser.textOf("What if").contains("2 565.00, +900.30"));
    browser.summary("Sales: ");
    JsonNode line = pay.at("/sales/0");
    browser.link(line.get("file").asString() + ", line " + line.get("line").asInt());
    browser.await("the line", () -> browser.address().contains("line=" + line.get("line")));
    browser.awaitText(line.get("file").asString());
  }

  @Test
  void makeAPlan_assignIt_andReadWhatItPays() {
    browser.go("/rules?to=2026-11&new=blank");
    browser.awaitText("Enter a name for the plan.");
    browser.fill("Name", "Lakes 27");
    browser.fill("Rate", "0.04");
    browser.awaitText("Ambiguous number.");
    browser.button("4 %");
    browser.fill("Name contains", "Osei");
    browser.button("Add 1 rep");
    browser.await("effect", () -> browser.textOf("Effect").contains("Osei Brandt"));
    browser.button("Save plan");
    browser.await("saved", () -> browser.textOf("Plans").contains("Lakes 27"));
    earnings("to=2026-11&selected=R10");
    browser.awaitRow("Osei Brandt", "Lakes 27");
    earnings("to=2026-09&selected=R10");
    browser.awaitRow("Osei Brandt", "Field 27");
    browser.go("/rules?show=trail&find=Lakes");
    browser.awaitText("rules changed");
    browser.awaitText("rules, assignments");
  }

  @Test
  void sealOctober_loadALateCorrection_andSeeTheAdjustmentInNovember() {
    JsonNode before = app.json("/api/v1/earnings?month=2026-10");
    earnings("to=2026-10&show=seal");
    browser.await("lines", () -> browser.textOf("Open lines").contains("Staged loads"));
    browser.fill("Reason for waiving", "Settled in November");
    browser.buttonContaining("lines and close October 2026");
    browser.awaitText("October 2026 is closed");
    String file = "late.csv";
    JsonNode standing = app.json("/api/v1/standing?from=2026-10&to=2026-10&goalSet=quota");
    browser.go("/intake?to=2026-10");
    browser.awaitText("orders-2026-10-harbour-isles.csv");
    browser.drop(
        file,
        "date,order,rep,region,product,revenue\n2026-10-29,LATE-1,R05,Gull Coast,NV-10,-500.00\n");
    browser.awaitText(file + " is ready.");
    browser.awaitText("October 2026, which is closed.");
    browser.button("Post 1 line as a correction");
    browser.awaitText(file + " is posted.");
    assertThat(app.json("/api/v1/earnings?month=2026-10")).isEqualTo(before);
    String october = "/api/v1/standing?from=2026-10&to=2026-10&goalSet=quota";
    assertThat(app.json(october).at("/total")).isEqualTo(standing.at("/total"));
    assertThat(app.json(october).at("/corrections/actual").asString()).isEqualTo("-500.00");
    browser.go("/standing?to=2026-10&closed=as-closed");
    browser.awaitRow("Tomas Quill", "since close \u2212500.00");
    browser.button("Corrections since close");
    browser.await(
        "the line posted since",
        () -> browser.textOf("Corrections since close").contains("\u2212500.00 in 1 line"));
    assertThat(browser.textOf("Corrections since close")).contains("late.csv");
    browser.buttonLabelled("Closed months");
    browser.option("restated");
    browser.awaitText("Closed months are restated.");
    assertThat(browser.address()).contains("closed=restated");
    assertThat(browser.row("Tomas Quill")).doesNotContain("since close");
    assertThat(app.json(october + "&closed=restated").at("/corrections/lines").asInt()).isZero();
    earnings("to=2026-11&selected=R05");
    browser.await(
        "adjustment",
        () -> browser.textOf("Statement").contains("Adjustment: October 2026 corrected"));
    assertThat(browser.textOf("Statement")).contains("\u221225.00");
    browser.linkContaining("October 2026 corrected");
    browser.await(
        "changes", () -> browser.textOf("Changed since closing").contains("late.csv, line 2"));
    assertThat(browser.textOf("Changed since closing")).contains("Tomas Quill", "\u221225.00");
  }

  @Test
  void sendStatements_andSeeThemInTheCatcher_once() {
    earnings("to=2026-08&show=send");
    browser.await("mail", () -> browser.textOf("Statements").contains("not sent"));
    int statements = app.json("/api/v1/earnings/sent?month=2026-08").get("statements").size();
    browser.button("Send " + statements + " statements");
    browser.awaitText(statements + " statements sent.");
    assertThat(mail.messages()).hasSize(statements);
    assertThat(mail.messages().stream().map(MailCatcher.Message::to))
        .contains("wren.halloway@saltmarsh.example")
        .doesNotHaveDuplicates();
    assertThat(mail.messages().get(0).subject()).isEqualTo("Commission statement, August 2026");
    browser.awaitText("All statements are sent");
    browser.button("All statements (PDF)");
    browser.awaitText("Download the PDF");
  }

  @Test
  void keyboardAlone_reachesEarnings_walksTheRows_andSeals() {
    browser.go("/standing?to=2026-07");
    browser.awaitText("July 2026 is");
    browser.press("4");
    browser.awaitText("July 2026 pays");
    browser.press("j");
    browser.press("j");
    browser.await("row", () -> browser.address().contains("selected="));
    String first = browser.address();
    browser.press("k");
    browser.await("row before", () -> !browser.address().equals(first));
    browser.press("6");
    browser.awaitText("Commission plans");
    browser.press(Keys.chord("["));
    browser.await("month", () -> browser.address().contains("to=2026-06"));
  }

  @Test
  void everyScreen_atEveryWidth_hasNoFaultThatAxeFinds() {
    String[] screens = {
      "/earnings?to=2026-09&selected=R16",
      "/earnings?to=2026-09&show=seal",
      "/earnings?to=2026-11&show=seal",
      "/earnings?to=2026-09&show=send",
      "/rules?to=2026-09",
      "/rules?show=trail"
    };
    for (int width : new int[] {1024, 1280, 1600}) {
      browser.size(width, 800);
      for (String screen : screens) {
        browser.go(screen);
        browser.await("figures", () -> !browser.text().contains("Loading "));
        assertThat(browser.axe()).as("%s at %d", screen, width).isEmpty();
      }
    }
    browser.size(1280, 800);
  }
}
