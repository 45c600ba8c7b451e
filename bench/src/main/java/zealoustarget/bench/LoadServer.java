package zealoustarget.bench;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * The application with its company, for a load tool to ask: prints port and authorization once it
 * is ready, and ends when its input does; see bench/README.md.
 */
public final class LoadServer {
  private LoadServer() {}

  /** The argument is the number of order lines, 2,000,000 without one. */
  public static void main(String[] arguments) throws Exception {
    int lines = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 2_000_000;
    Path folder = Files.createTempDirectory("bench");
    try (BenchServer server = BenchServer.start(folder.resolve("data"))) {
      OrderFile files = new OrderFile(folder, BenchServer.REPS, BenchServer.DAYS);
      BenchServer.asApplication(
          () -> {
            server.load(files, lines);
            return null;
          });
      System.out.println(
          "ready " + server.port() + " " + BenchServer.authorization().replace(' ', '_'));
      while (System.in.read() >= 0) {
        // until whoever measures is through
      }
      Runtime heap = Runtime.getRuntime();
      System.gc();
      System.out.write(
          "heap in use after all of it: %d MB of %d%n"
              .formatted(
                  (heap.totalMemory() - heap.freeMemory()) / 1_048_576,
                  heap.maxMemory() / 1_048_576)
              .getBytes(StandardCharsets.UTF_8));
      System.out.flush();
    } finally {
      Bench.delete(folder);
    }
  }
}
