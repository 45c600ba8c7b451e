package zealoustarget.server.testing;

import java.io.IOException;
import java.nio.file.Path;

/** An application that seals one month after the other, to be killed by a test. */
public final class StoppableSealer {
  private StoppableSealer() {}

  /** Starts it over a data folder; it prints "sealed N" after the N-th answered seal. */
  public static Process start(Path data) throws IOException {
    return StoppableServer.start(data, StoppableSealer.class);
  }

  /** Runs in the child process; the argument is the data folder. */
  public static void main(String[] arguments) {
    try (RunningServer server = RunningServer.start(Path.of(arguments[0]))) {
      Api api = server.api();
      StringBuilder roster = new StringBuilder("rep,name,from\n");
      StringBuilder goals = new StringBuilder("month,rep,revenue\n");
      StringBuilder sold = new StringBuilder("month,order,rep,revenue\n");
      for (int rep = 0; rep < 300; rep++) {
        roster.append("K%d,Rep %d,2025-01%n".formatted(rep, rep));
        for (int month = 1; month <= 12; month++) {
          goals.append("2025-%02d,K%d,100.00%n".formatted(month, rep));
          sold.append("2025-%02d,%d-%d,K%d,9%d.00%n".formatted(month, rep, month, rep, rep % 10));
        }
      }
      api.loadAndPost("roster.csv", roster.toString(), "kind", "roster");
      api.loadAndPost(
          "goals.csv", goals.toString(), "kind", "goals", "goalSet", "quota", "axis", "rep");
      api.loadAndPost("sold.csv", sold.toString(), "kind", "actuals");
      for (int month = 1; month <= 12; month++) {
        api.post("/api/v1/months/2025-%02d/seal".formatted(month));
        System.out.println("sealed " + month);
        System.out.flush();
      }
    }
  }
}
