package zealoustarget.e2e;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.ElementNotInteractableException;
import org.openqa.selenium.Keys;
import org.openqa.selenium.NoSuchElementException;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;

/**
 * A headless Chromium of 1280 × 800 that knows elements by what a person or a screen reader sees.
 */
final class Browser implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(15);
  private static final int MOST_TABS = 150;
  private static final int MOST_CELLS = 5;

  private final ChromeDriver driver;
  private int clicks;
  private int keys;
  private final App app;
  private final Path saved;

  private Browser(ChromeDriver driver, App app, Path saved) {
    this.driver = driver;
    this.app = app;
    this.saved = saved;
  }

  static Browser open(App app) {
    ChromeOptions options = new ChromeOptions();
    options.setBinary(program("chromium"));
    options.addArguments(
        "--headless=new",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--hide-scrollbars",
        "--force-device-scale-factor=1",
        "--user-data-dir=" + freshFolder());
    Path saved = Path.of(freshFolder());
    options.setExperimentalOption(
        "prefs",
        Map.of(
            "download.default_directory", saved.toString(), "download.prompt_for_download", false));
    ChromeDriverService service =
        new ChromeDriverService.Builder()
            .usingDriverExecutable(new File(program("chromedriver")))
            .build();
    Browser browser = new Browser(new ChromeDriver(service, options), app, saved);
    browser.size(1280, 800);
    browser.knowsTheParts();
    browser.slow(Integer.getInteger("e2e.slow", 1));
    browser.signIn(App.ANALYST);
    return browser;
  }

  /** Lets the page compute so many times slower, as a busy machine would: {@code -De2e.slow=6}. */
  private void slow(int times) {
    driver.executeCdpCommand("Emulation.setCPUThrottlingRate", Map.of("rate", times));
  }

  /** Signs in as one of the demo's accounts, as the page does, in place of whoever was. */
  void signIn(String name) {
    signIn(name, App.PASSWORD);
  }

  void signIn(String name, String password) {
    signOut();
    fill("Name", name);
    fill("Password", password);
    button("Sign in");
    await(
        "signed in",
        () -> driver.findElements(By.cssSelector("form[aria-label='Sign in']")).isEmpty());
  }

  /** A file that the page gave, once it is whole. */
  Path saved(String name) {
    Path file = saved.resolve(name);
    await("the file " + name, () -> Files.isRegularFile(file));
    return file;
  }

  /** Chooses an entry of the menu that is open. */
  void menuItem(String name) {
    click(By.xpath("//*[@role='menuitem'][normalize-space(.)=\"" + name + "\"]"));
  }

  /** Forgets the session and shows the way in. */
  void signOut() {
    driver.manage().deleteAllCookies();
    go("/");
    awaitText("Sign in");
  }

  void size(int width, int height) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
  }

  /** As somebody who has seen the tour of a standing; it would lie over the rows. */
  private void knowsTheParts() {
    driver.executeCdpCommand(
        "Page.addScriptToEvaluateOnNewDocument",
        Map.of("source", "localStorage.setItem('zealous.standing-seen', 'yes')"));
  }

  /** Asks for the dark theme, as the system's setting would. */
  void dark(boolean isDark) {
    prefer("prefers-color-scheme", isDark ? "dark" : "light");
  }

  /** Asks for less motion, as the system's setting would. */
  void withoutMotion() {
    prefer("prefers-reduced-motion", "reduce");
  }

  private void prefer(String feature, String value) {
    driver.executeCdpCommand(
        "Emulation.setEmulatedMedia",
        Map.of("features", List.of(Map.of("name", feature, "value", value))));
  }

  /** The same window at 200 %: half as many points, each twice as large. */
  void zoomTwice() {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", 640, "height", 400, "deviceScaleFactor", 2, "mobile", false));
  }

  /** A truth that a script tells. */
  boolean is(String script) {
    return Boolean.TRUE.equals(driver.executeScript("return " + script));
  }

  /** Presses Tab until the focus is on something whose name or text begins so. */
  void tabTo(String name) {
    for (int presses = 0; presses < MOST_TABS; presses++) {
      if (focused().startsWith(name)) {
        return;
      }
      press(Keys.TAB);
      keys++;
    }
    throw new AssertionError("the Tab key does not reach \"" + name + "\"");
  }

  /** Presses Tab to a control once it is there, then Enter. */
  void enter(String name) {
    awaitText(name);
    tabTo(name);
    press(Keys.ENTER);
    keys++;
  }

  /** Goes to a cell of a grid, which is one stop of the Tab key, by the arrows alone. */
  void arrowTo(String name) {
    for (int presses = 0; presses < MOST_TABS && !isInGrid(); presses++) {
      press(Keys.TAB);
    }
    for (int row = 0; row < MOST_CELLS; row++) {
      for (int column = 0; column < MOST_CELLS; column++) {
        if (focused().startsWith(name)) {
          return;
        }
        press(Keys.ARROW_RIGHT);
      }
      for (int column = 0; column < MOST_CELLS; column++) {
        press(Keys.ARROW_LEFT);
      }
      press(Keys.ARROW_DOWN);
    }
    throw new AssertionError("the arrows do not reach \"" + name + "\"");
  }

  private boolean isInGrid() {
    return is("document.activeElement.closest('[role=grid]') !== null");
  }

  /** What the element in focus is called. */
  String focused() {
    return plain(
        (String)
            driver.executeScript(
                "const e = document.activeElement;"
                    + "const labelled = e.labels && e.labels[0] ? e.labels[0].innerText : '';"
                    + "return (e.getAttribute('aria-label') || labelled || e.innerText || '').trim()"));
  }

  private static final String OPENERS =
      "[...document.querySelectorAll('button[aria-haspopup], button[aria-expanded=\\'false\\']')]"
          + ".filter((one) => one.checkVisibility() && !one.disabled && !one.closest('[role=row]'))";

  private static final String NAME_OF =
      "(one) => (one.getAttribute('aria-label') || one.innerText).trim()";

  /** Names of the buttons that open a list, a menu or a part, rows' own not among them. */
  @SuppressWarnings("unchecked")
  List<String> openers() {
    return ((List<String>) driver.executeScript("return " + OPENERS + ".map(" + NAME_OF + ")"))
        .stream().distinct().toList();
  }

  /** Opens what one of {@link #openers} opens. */
  void openBy(String name) {
    await(
        "opened by " + name,
        () ->
            Boolean.TRUE.equals(
                driver.executeScript(
                    "const named = [...document.querySelectorAll('button')]"
                        + ".filter((e) => (%1$s)(e) === arguments[0]);".formatted(NAME_OF)
                        + "if (named.length === 0 || named.some((e) => e.ariaExpanded === 'true'))"
                        + " return true;" // what has another name once it is open is open
                        + "named[0].click();"
                        + "return false;",
                    name)));
  }

  /** Controls that no scrolling brings into sight, as something that hides lies over their ends. */
  @SuppressWarnings("unchecked")
  List<String> cutControls() {
    return (List<String>)
        driver.executeScript(
            """
            const cut = (one) => {
              for (let up = one.parentElement; up; up = up.parentElement) {
                const style = getComputedStyle(up);
                const a = one.getBoundingClientRect();
                const b = up.getBoundingClientRect();
                const hides = (how, out) => ['hidden', 'clip'].includes(how) && out;
                if (hides(style.overflowX, a.right > b.right + 1 && a.left >= b.right - 1)) return true;
                if (hides(style.overflowY, a.top >= b.bottom - 1 || a.bottom <= b.top + 1)) return true;
                if (['auto', 'scroll'].includes(style.overflowY)) return b.height < 24;
              }
              return false;
            };
            return [...document.querySelectorAll('button, a[href], input, select, textarea')]
              .filter((one) => one.checkVisibility() && !one.closest('.sr-only') && cut(one))
              .map(%s);
            """
                .formatted(NAME_OF));
  }

  /** A node of the accessibility tree, as a screen reader is given it. */
  record Spoken(String role, String name, boolean isFocusable) {}

  /** What a screen reader is given of the page. */
  @SuppressWarnings("unchecked")
  List<Spoken> spoken() {
    Map<String, Object> tree = driver.executeCdpCommand("Accessibility.getFullAXTree", Map.of());
    return ((List<Map<String, Object>>) tree.get("nodes"))
        .stream()
            .filter(node -> !Boolean.TRUE.equals(node.get("ignored")))
            .map(
                node ->
                    new Spoken(
                        value(node.get("role")),
                        value(node.get("name")),
                        ((List<Map<String, Object>>) node.getOrDefault("properties", List.of()))
                            .stream()
                                .anyMatch(
                                    one ->
                                        one.get("name").equals("focusable")
                                            && value(one.get("value")).equals("true"))))
            .toList();
  }

  @SuppressWarnings("unchecked")
  private static String value(Object part) {
    Object value = part == null ? null : ((Map<String, Object>) part).get("value");
    return value == null ? "" : value.toString();
  }

  void go(String path) {
    driver.get(app.address(path));
  }

  /** Opens a file of this machine, as somebody who was sent it. */
  void openFile(Path file) {
    driver.get(file.toUri().toString());
  }

  String address() {
    return driver.getCurrentUrl();
  }

  /** The text of the whole page as it is seen. */
  String text() {
    return driver.findElement(By.tagName("body")).getText();
  }

  void awaitText(String text) {
    await("text \"" + text + "\"", () -> text().replace('\u202f', ' ').contains(text));
  }

  void awaitNoText(String text) {
    await("no text \"" + text + "\"", () -> !text().replace('\u202f', ' ').contains(text));
  }

  /** The visible text of a landmark, table or other element by its accessible name. */
  String textOf(String name) {
    return see(By.cssSelector("[aria-label=\"" + name + "\"]"), WebElement::getText)
        .replace('\u202f', ' ');
  }

  void button(String name) {
    click(byText("button", name));
  }

  void link(String name) {
    click(byText("a", name));
  }

  /** A link whose text has a part. */
  void linkContaining(String part) {
    click(By.xpath("//a[contains(normalize-space(.), \"" + part + "\")]"));
  }

  /** Opens what stands under a summary that begins so. */
  void summary(String start) {
    click(By.xpath("//summary[starts-with(normalize-space(.), \"" + start + "\")]"));
  }

  void label(String name) {
    click(byText("label", name));
  }

  /** Types a part of a name into the field that finds members to compare. */
  void addMember(String part) {
    keys += part.length();
    use(By.cssSelector("input[aria-label=Add]"), field -> field.sendKeys(part));
  }

  void buttonLabelled(String start) {
    click(By.cssSelector("button[aria-label^=\"" + start + "\"]"));
  }

  /** A button whose text has a part, such as a kind of finding with its count. */
  void buttonContaining(String part) {
    click(By.xpath("//button[contains(normalize-space(.), \"" + part + "\")]"));
  }

  /** Types into the field under a label that begins so. */
  void fill(String label, String text) {
    keys += text.length();
    use(
        By.xpath(
            "//label[starts-with(normalize-space(.), '%1$s')]//input | //input[@id = //label[starts-with(normalize-space(.), '%1$s')]/@for]"
                .formatted(label)),
        field -> field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text));
  }

  /** Pastes cells into the page, wherever. */
  void paste(String text) {
    driver.executeScript(
        "const data = new DataTransfer();"
            + "data.setData('text/plain', arguments[0]);"
            + "document.body.dispatchEvent(new ClipboardEvent('paste',"
            + " {clipboardData: data, bubbles: true, cancelable: true}));",
        text);
  }

  /** Chooses an option of a plain list by its label. */
  void select(String label, String option) {
    use(
        By.xpath(
            "//label[contains(., '%1$s')]//select | //select[@id = //label[contains(., '%1$s')]/@for]"
                .formatted(label)),
        list -> new Select(list).selectByVisibleText(option));
  }

  void option(String name) {
    click(
        By.xpath(
            "//*[@role='option'][normalize-space(.)='"
                + name
                + "' or starts-with(normalize-space(.), '"
                + name
                + "')]"));
  }

  void choose(Path file) {
    clicks++;
    await(
        "the field for files",
        () -> {
          driver
              .findElement(By.cssSelector("input[type=file]"))
              .sendKeys(file.toAbsolutePath().toString());
          return true;
        });
  }

  /** Drops a file on the page, wherever. */
  void drop(String name, String content) {
    driver.executeScript(
        "const data = new DataTransfer();"
            + "data.items.add(new File([arguments[1]], arguments[0]));"
            + "for (const kind of ['dragover', 'drop']) window.dispatchEvent("
            + "new DragEvent(kind, {dataTransfer: data, cancelable: true}));",
        name,
        content);
  }

  /** Types into the field in focus, or presses keys there. */
  void press(CharSequence... keys) {
    driver.switchTo().activeElement().sendKeys(keys);
  }

  void type(String label, String text) {
    use(
        By.cssSelector("input[aria-label='" + label + "']"),
        field ->
            field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text.isEmpty() ? Keys.DELETE : text));
  }

  /** Names of the standing's rows in their order, the total and no-goal line not among them. */
  List<String> rowNames() {
    return titles("[role=presentation] > [role=row] [role=rowheader] button", "");
  }

  /** Chooses an option of a plain list by the list's accessible name. */
  void choose(String name, String option) {
    use(
        By.cssSelector("select[aria-label='" + name + "']"),
        list -> new Select(list).selectByVisibleText(option));
  }

  /** Writes into a text area by its accessible name. */
  void write(String name, String text) {
    use(By.cssSelector("textarea[aria-label='" + name + "']"), area -> area.sendKeys(text));
  }

  /** What stands in a field, by its accessible name. */
  String valueOf(String name) {
    return see(
        By.cssSelector("input[aria-label='" + name + "']"), field -> field.getDomProperty("value"));
  }

  /** Puts the focus on a button by its accessible name. */
  void focus(String name) {
    use(
        By.cssSelector("button[aria-label='" + name + "']"),
        button -> driver.executeScript("arguments[0].focus()", button));
  }

  void back() {
    driver.navigate().back();
  }

  /** Unfolds the line of insights where it holds more than it shows. */
  void allInsights() {
    driver.executeScript(
        "for (const one of document.querySelectorAll('button[aria-expanded=\"false\"]'))"
            + " if (/more insight/.test(one.innerText)) one.click();");
  }

  /** Sentences of the insights and where each leads, in their order. */
  @SuppressWarnings("unchecked")
  Map<String, String> insights() {
    Map<String, String> found = new LinkedHashMap<>();
    for (List<String> one :
        (List<List<String>>)
            driver.executeScript(
                "return [...document.querySelectorAll(\"[aria-label='Insights'] a\")]"
                    + ".map((a) => [a.innerText, a.pathname + a.search])")) {
      found.put(plain(one.get(0)), one.get(1));
    }
    return found;
  }

  /** What the page says beside its insights, in plain blanks. */
  String bodyWithoutInsights() {
    return plain(
        (String)
            driver.executeScript(
                "const page = document.body.cloneNode(true);"
                    + "page.querySelectorAll(\"[aria-label='Insights']\").forEach((e) => e.remove());"
                    + "return [...page.querySelectorAll('*')].filter((e) => e.children.length === 0)"
                    + ".map((e) => e.textContent).join(' ') + page.textContent;"));
  }

  private static String plain(String text) {
    return text.replace('\u202f', ' ').replace('\u00a0', ' ');
  }

  /** Names of all rows in sight, groups among them. */
  List<String> rowTitles() {
    return titles("[role=rowheader] button[title]", "");
  }

  /** Names of the rows in sight that have a text. */
  List<String> rowsWith(String text) {
    return titles("[role=rowheader] button[title]", text);
  }

  /** A row's cells behind its name, without blanks in their figures. */
  List<String> cells(String name) {
    return see(
        rowOf(name),
        row ->
            row.findElements(By.cssSelector("[role=gridcell]")).stream()
                .map(cell -> cell.getText().replaceAll("[\u202f\u2009 ]", ""))
                .toList());
  }

  /** The ground of the cell that shades a row's variance, as its style says it. */
  String shadeOf(String name) {
    return see(
        rowOf(name),
        row ->
            row.findElement(By.cssSelector("[role=gridcell][style*=background]"))
                .getDomAttribute("style"));
  }

  /** A row's cells as one text. */
  String row(String name) {
    return see(rowOf(name), WebElement::getText).replace('\u202f', ' ').replace('\n', ' ');
  }

  void awaitRow(String name, String part) {
    await("row " + name + " with " + part, () -> row(name).contains(part));
  }

  /** Clicks what an XPath finds, such as a cell of a sheet. */
  void clickAt(String xpath) {
    click(By.xpath(xpath));
  }

  /** The text of what an XPath finds. */
  String textAt(String xpath) {
    return see(By.xpath(xpath), element -> plain(element.getText()));
  }

  /** Whatever axe-core finds against WCAG 2.2 AA, one line a rule with its first element. */
  List<String> axe() {
    return axe("document");
  }

  /** Of a part of the page; only what is wrong comes back, as all that is right takes seconds. */
  @SuppressWarnings("unchecked")
  private List<String> axe(String part) {
    if (!is("typeof window.axe === 'object'")) {
      driver.executeScript(axeScript());
    }
    Object found =
        driver.executeAsyncScript(
            """
            const tell = arguments[arguments.length - 1];
            const open = [...document.querySelectorAll('[data-headlessui-state~="open"]')];
            const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
            axe
              .run(%s, {
                runOnly: {type: 'tag', values: tags},
                resultTypes: ['violations'],
                selectors: false,
                preload: false,
              })
              .then(
                ({violations}) =>
                  tell(violations.map((one) => `${one.id}: ${one.help} – ${one.nodes[0].html}`)),
                (failure) => tell(String(failure)),
              );
            """
                .formatted(part));
    if (found instanceof String failure) {
      throw new AssertionError("axe could not look: " + failure);
    }
    return (List<String>) found;
  }

  /** The same of the list or menu that is open; what lies behind it is out of reach meanwhile. */
  List<String> axeOfOpened() {
    return axe("(open.length > 0 ? {include: open} : document)").stream()
        .filter(one -> !one.startsWith("landmark-one-main:"))
        .filter(one -> !one.startsWith("page-has-heading-one:"))
        .filter(one -> !one.startsWith("region:"))
        .filter(one -> !one.startsWith("target-size:")) // of what the list lies over
        .filter(one -> !one.contains("headlessui-focus-sen")) // takes the focus round, unseen
        .toList();
  }

  /** What stands in the parts that a screen reader reads out when they change. */
  @SuppressWarnings("unchecked")
  List<String> announced() {
    return ((List<String>)
            driver.executeScript(
                "return [...document.querySelectorAll('[aria-live=polite], [role=status]')]"
                    + ".map((one) => one.innerText)"))
        .stream().map(Browser::plain).toList();
  }

  /** The page as it is printed, with the margins that it asks for. */
  byte[] printed() {
    driver.executeScript("window.dispatchEvent(new Event('beforeprint'))");
    Map<String, Object> pdf =
        driver.executeCdpCommand(
            "Page.printToPDF", Map.of("preferCSSPageSize", true, "landscape", true));
    driver.executeScript("window.dispatchEvent(new Event('afterprint'))");
    return Base64.getDecoder().decode((String) pdf.get("data"));
  }

  void picture(Path file) {
    try {
      Files.createDirectories(file.getParent());
      Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /** Runs a script in every page before its own. */
  void onEveryPage(String script) {
    driver.executeCdpCommand("Page.addScriptToEvaluateOnNewDocument", Map.of("source", script));
  }

  /** A number that a script gives, once it has one. */
  double number(String script) {
    await("a number", () -> driver.executeScript(script) instanceof Number);
    return ((Number) driver.executeScript(script)).doubleValue();
  }

  /** Numbers that a script gives to its callback when it is done. */
  double[] numbers(String script) {
    driver.manage().timeouts().scriptTimeout(Duration.ofMinutes(1));
    List<?> all = (List<?>) driver.executeAsyncScript(script);
    return all.stream().mapToDouble(one -> ((Number) one).doubleValue()).toArray();
  }

  void await(String what, Supplier<Boolean> condition) {
    new WebDriverWait(driver, PATIENCE)
        .ignoring(StaleElementReferenceException.class)
        .ignoring(NoSuchElementException.class)
        .ignoring(ElementNotInteractableException.class)
        .withMessage(
            () ->
                what + "; the page begins:\n" + text().substring(0, Math.min(900, text().length())))
        .until(any -> condition.get());
  }

  @Override
  public void close() {
    driver.quit();
  }

  /**
   * Titles of the buttons that a selector finds and whose row has a text; read in one step, so that
   * rows drawn anew meanwhile are not asked for.
   */
  @SuppressWarnings("unchecked")
  private List<String> titles(String selector, String text) {
    return (List<String>)
        driver.executeScript(
            "return [...document.querySelectorAll(arguments[0])]"
                + ".filter((one) => one.closest('[role=row]').innerText.includes(arguments[1]))"
                + ".map((one) => one.title)",
            selector,
            text);
  }

  /** What an element in sight says, asked again where it is drawn anew meanwhile. */
  private <T> T see(By by, Function<WebElement, T> reading) {
    AtomicReference<T> seen = new AtomicReference<>();
    await(
        by.toString(),
        () -> {
          WebElement element = driver.findElement(by);
          if (!element.isDisplayed()) {
            return false;
          }
          seen.set(reading.apply(element));
          return true;
        });
    return seen.get();
  }

  private void use(By by, Consumer<WebElement> action) {
    see(
        by,
        element -> {
          action.accept(element);
          return element;
        });
  }

  private void click(By by) {
    clicks++;
    use(by, WebElement::click);
  }

  /** What a person did so far, for a task's cost. */
  String cost() {
    return clicks + " clicks, " + keys + " keys typed";
  }

  private static By rowOf(String name) {
    return By.xpath("//*[@role='row'][.//button[@title='" + name + "']]");
  }

  private static By byText(String tag, String text) {
    return By.xpath("//" + tag + "[starts-with(normalize-space(.), '" + text + "')]");
  }

  private static String axeScript() {
    try {
      return Files.readString(Path.of(System.getProperty("axe.script")));
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private static String freshFolder() {
    try {
      return Files.createTempDirectory("browser").toString();
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private static String program(String name) {
    return Stream.of(System.getenv("PATH").split(File.pathSeparator))
        .map(folder -> Path.of(folder, name))
        .filter(Files::isExecutable)
        .findFirst()
        .orElseThrow(() -> new IllegalStateException(name + " is missing; ./test installs it"))
        .toString();
  }
}
