package zealoustarget.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.Application;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.upload.StagingService;

/** Loading against plain JDBC, side by side; see bench/README.md. */
public final class Bench {
  private static final int ROUNDS = 5;
  private static final int REPS = 500;
  private static final int DAYS = 850;
  private static final int WORKBOOK_LINES = 200_000;

  private final Path folder;
  private final int lines;

  private Bench(Path folder, int lines) {
    this.folder = folder;
    this.lines = lines;
  }

  /** The argument is the number of order lines, 200,000 without one. */
  public static void main(String[] arguments) throws IOException, SQLException {
    int lines = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200_000;
    Path folder = Files.createTempDirectory("bench");
    try {
      BenchServer.asApplication(
          () -> {
            new Bench(folder, lines).run();
            return null;
          });
    } finally {
      delete(folder);
    }
  }

  private void run() throws IOException, SQLException {
    OrderFile files = new OrderFile(folder, REPS, DAYS);
    Path orders = files.orders(lines);
    System.out.printf(
        Locale.ROOT,
        "%,d order lines, %.1f MB; %d reps, %d products; %s, %d processors, heap %d MB%n",
        lines,
        Files.size(orders) / 1e6,
        REPS,
        OrderFile.PRODUCTS,
        "Java " + Runtime.version().feature(),
        Runtime.getRuntime().availableProcessors(),
        Runtime.getRuntime().maxMemory() / 1_048_576);
    try (ConfigurableApplicationContext server = server()) {
      stageAndPost(server, files.roster(), LoadKind.ROSTER, null);
      stageAndPost(server, files.products(), LoadKind.PRODUCTS, null);
      stageAndPost(server, files.quotas(), LoadKind.GOALS, Axis.REP);
      stageWorkbook(server, files.workbook(WORKBOOK_LINES));
      compareLoading(server, orders);
    }
  }

  /** A workbook of a fixed size, staged in the same heap; parsing it is nearly all of it. */
  private static void stageWorkbook(ConfigurableApplicationContext server, Path workbook) {
    StagingService staging = server.getBean(StagingService.class);
    List<Double> seconds = new ArrayList<>();
    for (int round = 0; round < 3; round++) {
      long start = System.nanoTime();
      int load = staging.stage(Upload.of(workbook), request(LoadKind.ACTUALS, null));
      seconds.add((System.nanoTime() - start) / 1e9);
      server.getBean(LoadService.class).discard(load);
    }
    System.out.printf(
        Locale.ROOT,
        "%nworkbook of %,d lines, staged: median %.2f s%n",
        WORKBOOK_LINES,
        median(seconds));
  }

  /** One uncounted round, then both in turn; each round of ours is reversed again. */
  private void compareLoading(ConfigurableApplicationContext server, Path orders)
      throws IOException, SQLException {
    List<Double> ours = new ArrayList<>();
    List<Double> plain = new ArrayList<>();
    List<Double> posts = new ArrayList<>();
    List<Double> reversals = new ArrayList<>();
    StagingService staging = server.getBean(StagingService.class);
    LoadService loads = server.getBean(LoadService.class);
    for (int round = 0; round <= ROUNDS; round++) {
      long start = System.nanoTime();
      PlainJdbc.load(orders, folder.resolve("plain" + round));
      long between = System.nanoTime();
      int load = staging.stage(Upload.of(orders), request(LoadKind.ACTUALS, null));
      long staged = System.nanoTime();
      loads.post(load, false, null, PostMode.ADD, true);
      long posted = System.nanoTime();
      if (round < ROUNDS) {
        loads.reverse(load, true);
        reversals.add((System.nanoTime() - posted) / 1e9);
      }
      if (round > 0) {
        plain.add((between - start) / 1e9);
        ours.add((posted - between) / 1e9);
        posts.add((posted - staged) / 1e9);
      }
    }
    System.out.println("\nloading: read, check, store and post, against parse and insert");
    System.out.printf(Locale.ROOT, "  plain JDBC  %s%n", rate(plain));
    System.out.printf(Locale.ROOT, "  ours        %s%n", rate(ours));
    System.out.printf(
        Locale.ROOT,
        "  of it the post %.3f s; a reversal %.3f s; ours takes %.2f times the plain one (medians)%n",
        median(posts),
        median(reversals),
        median(ours) / median(plain));
  }

  private String rate(List<Double> seconds) {
    return String.format(
        Locale.ROOT,
        "%,9.0f rows/s  (median %.2f s, %.2f to %.2f)",
        lines / median(seconds),
        median(seconds),
        seconds.stream().mapToDouble(s -> s).min().orElseThrow(),
        seconds.stream().mapToDouble(s -> s).max().orElseThrow());
  }

  private ConfigurableApplicationContext server() {
    return new SpringApplicationBuilder(Application.class)
        .web(WebApplicationType.NONE)
        .run("--zealous.data-dir=" + folder.resolve("ours"), "--logging.level.zealoustarget=warn");
  }

  private static void stageAndPost(
      ConfigurableApplicationContext server, Path file, LoadKind kind, Axis axis) {
    int load = server.getBean(StagingService.class).stage(Upload.of(file), request(kind, axis));
    server.getBean(LoadService.class).post(load, false, null, PostMode.ADD, true);
  }

  private static LoadRequest request(LoadKind kind, Axis axis) {
    return LoadRequest.of(kind, axis == null ? null : "quota", axis, null);
  }

  private static double median(List<Double> values) {
    List<Double> sorted = values.stream().sorted().toList();
    return sorted.get(sorted.size() / 2);
  }

  static void delete(Path folder) throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(java.util.Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }
}
