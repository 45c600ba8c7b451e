package zealoustarget.server.testing;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A process of its own that loads and posts file after file until it is killed. */
public final class StoppableServer {
  /** Lines of each file, each of an amount of 1.00. */
  public static final int LINES = 20_000;

  private StoppableServer() {}

  /** Starts it over a data folder; it prints "posted N" after the N-th answered post. */
  public static Process start(Path data) throws IOException {
    return start(data, StoppableServer.class);
  }

  /** Starts a program of tests as a process of its own. */
  static Process start(Path data, Class<?> program, String... more) throws IOException {
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    List<String> command =
        new ArrayList<>(
            List.of(
                java,
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                program.getName(),
                data.toString()));
    command.addAll(List.of(more));
    return new ProcessBuilder(command)
        .redirectError(new File("target/stoppable-server.log"))
        .start();
  }

  /** Runs in the child process; the argument is the data folder. */
  public static void main(String[] arguments) {
    try (RunningServer server = RunningServer.start(Path.of(arguments[0]))) {
      Api api = server.api();
      api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2025-01\n", "kind", "roster");
      for (int file = 1; file <= 20; file++) {
        StringBuilder lines = new StringBuilder("month,order,rep,revenue\n");
        for (int line = 0; line < LINES; line++) {
          lines.append("2026-10,").append(file).append('-').append(line).append(",K1,1.00\n");
        }
        api.loadAndPost("file-" + file + ".csv", lines.toString(), "kind", "actuals");
        System.out.println("posted " + file);
        System.out.flush();
      }
    }
  }
}
