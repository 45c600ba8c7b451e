package zealoustarget.e2e;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Measures what the browser takes for rows; tests nothing, {@code bench/page} runs it by name. */
class MeasureThePageIT {
  private static final int REPEATS = 7;

  /** Says, in milliseconds, how long after the rows' data they were on the screen. */
  private static final String DRAWN =
      """
      const begun = performance.now();
      const wait = () => {
        const rows = document.querySelectorAll('[role=grid] [role=row][aria-rowindex]');
        if (rows.length < 10 && performance.now() - begun < 20000) {
          requestAnimationFrame(wait);
          return;
        }
        requestAnimationFrame(() => setTimeout(() => (window.drawnAt = performance.now())));
      };
      wait();
      """;

  private static final String SINCE_DATA =
      """
      const data = performance.getEntriesByType('resource')
        .filter((one) => one.name.includes('/api/v1/standing?')).at(-1);
      return window.drawnAt === undefined || !data ? null : window.drawnAt - data.responseEnd;
      """;

  /** Scrolls by most of a screen a frame and gives the frames' lengths. */
  private static final String SCROLLED =
      """
      const done = arguments[0];
      const list = document.querySelector('[data-testid=standing-scroll]');
      const frames = [];
      let last = performance.now();
      const step = () => {
        const now = performance.now();
        frames.push(now - last);
        last = now;
        if (frames.length > 240) return done(frames.slice(1));
        list.scrollTop += 300;
        requestAnimationFrame(step);
      };
      requestAnimationFrame(step);
      """;

  @Test
  void rows_areDrawnAndScrolled(@TempDir Path folder) {
    for (int reps : new int[] {1_000, 10_000}) {
      try (App app = App.empty(folder.resolve("data-" + reps))) {
        fill(app, reps);
        try (Browser browser = Browser.open(app)) {
          browser.onEveryPage(DRAWN);
          double[] drawn = new double[REPEATS];
          for (int turn = 0; turn < REPEATS; turn++) {
            browser.go("/standing?to=2026-10");
            drawn[turn] = browser.number(SINCE_DATA);
          }
          double[] frames = browser.numbers(SCROLLED);
          print(reps, drawn, frames);
        }
      }
    }
  }

  private static void print(int reps, double[] drawn, double[] frames) {
    Arrays.sort(drawn);
    Arrays.sort(frames);
    System.out.printf(
        Locale.ROOT,
        "%,d rows: drawn %.0f ms after the data (median of %d; %.0f to %.0f),"
            + " scrolled with frames of %.1f ms (median) and %.1f ms (95 %%)%n",
        reps,
        drawn[REPEATS / 2],
        REPEATS,
        drawn[0],
        drawn[REPEATS - 1],
        frames[frames.length / 2],
        frames[frames.length * 95 / 100]);
  }

  private static void fill(App app, int reps) {
    app.loadAndPost(
        "roster", "rep,name,region,from\n", reps, "%1$s,Rep %1$s,Region %3$d,2026-01\n");
    app.loadAndPost("goals", "month,rep,revenue\n", reps, "2026-10,%1$s,10%3$02d0.00\n");
    app.loadAndPost("actuals", "month,rep,revenue\n", reps, "2026-10,%1$s,9%3$02d7.25\n");
  }
}
