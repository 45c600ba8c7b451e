package zealoustarget.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.springframework.boot.SpringApplication;
import zealoustarget.server.Application;
import zealoustarget.server.platform.storage.Reopening;

/** An application in a process of its own, short of disk or of memory. */
public final class LimitedServer {
  /** What the process prints where it is asked for the memory that it uses. */
  public static final String MEMORY = "memory ";

  private LimitedServer() {}

  /**
   * Starts it; it prints "port N" and ends with its input.
   *
   * @param kilobytes that any of its files may have, as on a disk that is full
   */
  public static Process start(Path data, int kilobytes) throws IOException {
    return start(data, Integer.toString(kilobytes), List.of());
  }

  /**
   * Starts it with a small heap; it ends where that is used up, as the shipped one does.
   *
   * @param heap such as {@code 512m}
   */
  public static Process startWithHeap(Path data, String heap) throws IOException {
    return start(
        data,
        "unlimited",
        List.of("-Xmx" + heap, "-XX:+ExitOnOutOfMemoryError", "-XX:+UseSerialGC"));
  }

  private static Process start(Path data, String fileLimit, List<String> options)
      throws IOException {
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    List<String> command =
        new ArrayList<>(
            List.of("bash", "-c", "ulimit -S -f " + fileLimit + "; exec \"$@\"", "limited", java));
    command.add("-XX:TieredStopAtLevel=1");
    command.addAll(options);
    command.addAll(
        List.of(
            "-cp",
            System.getProperty("java.class.path"),
            LimitedServer.class.getName(),
            data.toString()));
    return new ProcessBuilder(command).redirectError(new File("target/limited-server.log")).start();
  }

  /** Lets the process write again what it likes. */
  public static void lift(Process limited) throws IOException, InterruptedException {
    // the shell has become the application, so it is one process
    new ProcessBuilder("prlimit", "--pid", Long.toString(limited.pid()), "--fsize=unlimited")
        .inheritIO()
        .start()
        .waitFor();
  }

  /** What the process prints. */
  public static BufferedReader said(Process limited) {
    return new BufferedReader(
        new InputStreamReader(limited.getInputStream(), StandardCharsets.UTF_8));
  }

  /** The number behind a beginning, in the next line that the process begins so. */
  public static long number(BufferedReader said, String beginning) throws IOException {
    String line = said.readLine();
    while (line != null && !line.startsWith(beginning)) {
      line = said.readLine();
    }
    assertThat(line).as("the server lives").isNotNull();
    return Long.parseLong(line.substring(beginning.length()));
  }

  /** As the first account of a process that has just been started. */
  public static Api api(BufferedReader said) throws IOException {
    return RunningServer.apiAt((int) number(said, "port "));
  }

  public static void stop(Process limited) throws IOException, InterruptedException {
    limited.getOutputStream().close();
    limited.waitFor(30, TimeUnit.SECONDS);
    limited.destroyForcibly().waitFor();
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
    BufferedReader asked =
        new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
    while (asked.readLine() != null) {
      System.gc();
      Runtime memory = Runtime.getRuntime();
      System.out.println(MEMORY + (memory.totalMemory() - memory.freeMemory()));
      System.out.flush();
    }
    Runtime.getRuntime().halt(0);
  }
}
