package zealoustarget.server.testing;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;

/** An application that may write files of a few megabytes only, as on a disk that is full. */
public final class LimitedServer {
  private LimitedServer() {}

  /**
   * Starts it; it prints "port N" and ends with its input.
   *
   * @param kilobytes that any of its files may have
   */
  public static Process start(Path data, int kilobytes) throws IOException {
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    return new ProcessBuilder(
            "bash",
            "-c",
            "ulimit -S -f " + kilobytes + "; exec \"$@\"",
            "limited",
            java,
            "-XX:TieredStopAtLevel=1",
            "-cp",
            System.getProperty("java.class.path"),
            LimitedServer.class.getName(),
            data.toString())
        .redirectError(new File("target/limited-server.log"))
        .start();
  }

  /** Runs in the child process; the argument is the data folder. */
  public static void main(String[] arguments) throws IOException {
    try (RunningServer server =
        RunningServer.start(
            Path.of(arguments[0]), "logging.level.root=off", "logging.level.zealoustarget=off")) {
      System.out.println("port " + server.port());
      System.out.flush();
      while (System.in.read() >= 0) {
        // until the test is through
      }
    }
  }
}
