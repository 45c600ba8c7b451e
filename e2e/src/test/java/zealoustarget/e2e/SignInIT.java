package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What each role comes to, through the pages alone. */
class SignInIT {
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

  @Test
  void rep_seesTheOwnMonth_theNextStep_andTheStatement_andNobodyElse() {
    browser.signIn("rep");
    browser.go("/?to=2026-10");
    browser.awaitText("You stand at 91.1 % of your quota for October 2026.");
    browser.await("statement", () -> browser.textOf("Statement").contains("Commission due with"));
    assertThat(browser.textOf("Statement")).startsWith("Dario Venn").contains("1 234.35");
    assertThat(browser.textOf("Desks")).contains("My month").doesNotContain("Intake", "Rules");
    browser.link("Standing");
    browser.awaitText("Dario Venn is short by");
    assertThat(browser.rowNames()).containsExactly("Dario Venn");
    browser.go("/earnings?to=2026-10&selected=R01&show=seal");
    browser.awaitText("Next tier");
    assertThat(browser.text()).doesNotContain("Ilse Marwood", "Open lines", "Rules");
    browser.go("/intake");
    browser.awaitText("You stand at");
  }

  @Test
  void manager_seesTheTeamOfTheMonth_andNotesWhy() {
    browser.signIn("manager");
    browser.go("/standing?to=2026-09");
    browser.awaitRow("Dario Venn", "");
    assertThat(browser.rowNames()).contains("Mina Castellan").doesNotContain("Tilda Voss");
    browser.go("/standing?to=2026-10&selected=R17");
    browser.awaitRow("Tilda Voss", "");
    assertThat(browser.rowNames()).hasSize(4).doesNotContain("Ilse Marwood");
    browser.write("Note", "moved in October");
    browser.button("Save note");
    browser.awaitText("October 2026: moved in October");
  }

  @Test
  void approver_opensASealedMonth_withAReason_andChangesNoRules() {
    browser.signIn("approver");
    browser.go("/earnings?to=2026-09&show=seal");
    browser.awaitText("September 2026 is closed");
    browser.fill("Reason for reopening", "a wrong file");
    browser.button("Reopen September 2026");
    browser.await("lines", () -> !browser.textOf("Open lines").isBlank());
    browser.fill("Reason for waiving", "closed before");
    browser.buttonContaining("and close September 2026");
    browser.awaitText("September 2026 is closed");
    browser.go("/rules?to=2026-10");
    browser.awaitText("Pay by sales");
    browser.button("Save plan");
    browser.awaitText("The role approver does not include this.");
  }

  @Test
  void analyst_makesAnAccount_whoseOwnerChoosesAPasswordFirst() {
    browser.signIn(App.ANALYST);
    browser.buttonLabelled("Account analyst");
    browser.link("Accounts");
    browser.awaitText("New account");
    browser.fill("Name", "Ilse M.");
    browser.fill("ID of the rep on the roster", "R99");
    browser.button("Create account");
    browser.awaitText("There is no rep \"R99\" on the roster.");
    browser.fill("ID of the rep on the roster", "R01");
    browser.button("Create account");
    browser.awaitText("The password of Ilse M. is");
    String given = browser.text().replaceAll("(?s).*Ilse M\\. is ([a-z0-9-]+)\\..*", "$1");
    browser.signIn("Ilse M.", given);
    browser.awaitText("somebody else set your password");
    browser.fill("Current password", given);
    browser.fill("New password (10", "a long one of my own");
    browser.fill("Repeat the new password", "a long one of my own");
    browser.button("Change password");
    browser.awaitText("You stand at");
    browser.buttonLabelled("Account Ilse M.");
    browser.button("Sign out");
    browser.awaitText("Sign in");
    browser.fill("Name", "Ilse M.");
    browser.fill("Password", given);
    browser.button("Sign in");
    browser.awaitText("Name or password is wrong.");
  }

  @Test
  void administrator_backsUp_fromThePage() {
    browser.signIn(App.ANALYST);
    browser.go("/accounts");
    browser.awaitText("There is no backup yet.");
    browser.button("Back up now");
    browser.awaitText(".zip");
  }

  @Test
  void axe_findsNothing_onTheNewPages() {
    for (int width : new int[] {1024, 1280, 1600}) {
      browser.size(width, 800);
      browser.signIn(App.ANALYST);
      for (String path : new String[] {"/account", "/accounts"}) {
        browser.go(path);
        browser.awaitText(path.equals("/account") ? "Tokens for programs" : "New account");
        assertThat(browser.axe()).as(path).isEmpty();
      }
      browser.signIn("rep");
      browser.go("/mine?to=2026-10");
      browser.await("statement", () -> browser.textOf("Statement").contains("Commission due with"));
      assertThat(browser.axe()).isEmpty();
      browser.signOut();
      assertThat(browser.axe()).as("signing in").isEmpty();
    }
    browser.size(1280, 800);
  }
}
