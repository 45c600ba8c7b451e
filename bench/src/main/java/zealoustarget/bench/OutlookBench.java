package zealoustarget.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.SnapshotDay;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.upload.StagingService;

/**
 * The outlook of 5,000 reps with 100,000 open deals over HTTP beside the plain standing of the same
 * quarter, the bridge between two snapshots, and 24 snapshots of two million lines in all. Every
 * question is asked once, so that no kept answer is measured. See bench/README.md.
 */
public final class OutlookBench {
  private static final int ROUNDS = 15;
  private static final int DEALS = 100_000;
  private static final int SNAPSHOTS = 24;
  private static final int EARLIER_DEALS = 82_000;

  private static long sink;
  private static int asked;

  private OutlookBench() {}

  /** The argument is the number of order lines, 200,000 without one. */
  public static void main(String[] arguments) throws Exception {
    int lines = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200_000;
    Path folder = Files.createTempDirectory("bench");
    try (BenchServer server = BenchServer.start(folder.resolve("data"))) {
      BenchServer.asApplication(
          () -> {
            server.load(new OrderFile(folder, BenchServer.REPS, BenchServer.DAYS), lines);
            LocalDate day = LocalDate.of(2026, 6, 1);
            for (int at = 0; at < SNAPSHOTS; at++) {
              int deals = at < SNAPSHOTS - 2 ? EARLIER_DEALS : DEALS;
              post(server, deals(folder, deals, at), day.plusDays(7L * at));
            }
            return null;
          });
      measure(server.port());
    } finally {
      Bench.delete(folder);
    }
  }

  private static void post(BenchServer server, Path file, LocalDate day) {
    LoadRequest request =
        LoadRequest.of(LoadKind.DEALS, null, null, null)
            .withSnapshot(SnapshotDay.needed(day.toString(), null));
    int load = server.bean(StagingService.class).stage(Upload.of(file), request);
    server.bean(LoadService.class).post(load, false, null, PostMode.ADD, true);
  }

  /** Deals of which one in five differs from snapshot to snapshot. */
  private static Path deals(Path folder, int count, int snapshot) throws IOException {
    StringBuilder text = new StringBuilder("deal,rep,revenue,likelihood,closes,state\n");
    for (int deal = 0; deal < count; deal++) {
      Random random = new Random(deal * 31L + (deal % 5 == 0 ? snapshot : 0));
      text.append('D')
          .append(deal)
          .append(String.format(Locale.ROOT, ",R%04d", deal % BenchServer.REPS))
          .append(',')
          .append(100 + random.nextInt(50_000))
          .append(".50,")
          .append(5 + random.nextInt(90))
          .append(" %,")
          .append(random.nextInt(3) == 0 ? "2026-11" : "2026-12")
          .append(",open\n");
    }
    Path file = folder.resolve("deals-" + snapshot + ".csv");
    Files.writeString(file, text);
    return file;
  }

  private static void measure(String port) throws IOException, InterruptedException {
    HttpClient client = HttpClient.newHttpClient();
    String query = "?from=2026-10&to=2026-12&goalSet=quota";
    double standing = report("the plain standing of a quarter", client, port, "/standing" + query);
    double outlook = report("its outlook", client, port, "/outlook" + query);
    System.out.printf(Locale.ROOT, "%-66s %8.2f times%n", "", outlook / standing);
    report("the bridge between the latest two snapshots", client, port, "/outlook/bridge" + query);
    report(
        "the bridge of one rep", client, port, "/outlook/bridge" + query + "&axis=rep&key=R0007");
    System.gc();
    Runtime runtime = Runtime.getRuntime();
    System.out.printf(
        Locale.ROOT,
        "%-66s %8d MB%n",
        "heap in use with " + SNAPSHOTS + " snapshots",
        (runtime.totalMemory() - runtime.freeMemory()) >> 20);
    System.out.println(sink == 0 ? "nothing was answered" : "");
  }

  private static double report(String what, HttpClient client, String port, String path)
      throws IOException, InterruptedException {
    List<Double> took = new ArrayList<>();
    for (int round = 0; round < ROUNDS + 5; round++) {
      // another limit of the summary each time: no answer is kept of it
      String once = path + "&atOrAbove=0.9" + String.format(Locale.ROOT, "%05d", ++asked);
      long start = System.nanoTime();
      HttpResponse<String> answer =
          client.send(BenchServer.request(port, once).GET().build(), BodyHandlers.ofString());
      if (answer.statusCode() != 200) {
        throw new IllegalStateException(once + ": " + answer.statusCode() + " " + answer.body());
      }
      sink += answer.body().length();
      if (round >= 5) {
        took.add((System.nanoTime() - start) / 1e6);
      }
    }
    Collections.sort(took);
    double median = took.get(ROUNDS / 2);
    System.out.printf(
        Locale.ROOT,
        "%-66s %8.1f ms (%.1f to %.1f)%n",
        what,
        median,
        took.get(0),
        took.get(ROUNDS - 1));
    return median;
  }
}
