package zealoustarget.server.testing;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import zealoustarget.server.Application;
import zealoustarget.server.platform.Reopening;

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

  /** Lets the process write again what it likes. */
  public static void lift(Process limited) throws IOException, InterruptedException {
    // the shell has become the application, so it is one process
    new ProcessBuilder("prlimit", "--pid", Long.toString(limited.pid()), "--fsize=unlimited")
        .inheritIO()
        .start()
        .waitFor();
  }

  /** Runs in the child process; the argument is the data folder. */
  public static void main(String[] arguments) throws IOException {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    Reopening.keepOpen(
        () ->
            SpringApplication.run(
                Application.class,
                "--server.port=" + port,
                "--zealous.data-dir=" + arguments[0],
                "--zealous.accounts.first=" + Api.NAME,
                "--zealous.accounts.first-password=" + Api.PASSWORD,
                "--logging.level.root=off",
                "--logging.level.zealoustarget=off"));
    System.out.println("port " + port);
    System.out.flush();
    while (System.in.read() >= 0) {
      // until the test is through
    }
    Runtime.getRuntime().halt(0);
  }
}
