package zealoustarget.e2e;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The packaged application as a process of its own, as a user starts it. */
final class App implements AutoCloseable {
  /** The analyst of the demo, and of an empty application. */
  static final String ANALYST = "analyst";

  static final String PASSWORD = "saltmarsh-demo";
  private static final Duration PATIENCE = Duration.ofMinutes(2);

  private final Process process;
  private final int port;

  private App(Process process, int port) {
    this.process = process;
    this.port = port;
  }

  /** Starts over a folder without demo data. */
  static App empty(Path data) {
    return start(
        data,
        "",
        "--zealous.accounts.first=" + ANALYST,
        "--zealous.accounts.first-password=" + PASSWORD);
  }

  /** Starts with the demo company. */
  static App demo(Path data, String... settings) {
    return start(data, Path.of("../demo/files").toAbsolutePath().normalize().toString(), settings);
  }

  String address(String path) {
    return "http://localhost:" + port + path;
  }

  /** What a route answers, to hold the page against it. */
  JsonNode json(String path) {
    try {
      byte[] pair = (ANALYST + ":" + PASSWORD).getBytes(StandardCharsets.UTF_8);
      HttpRequest request =
          HttpRequest.newBuilder(URI.create(address(path)))
              .header("Authorization", "Basic " + Base64.getEncoder().encodeToString(pair))
              .build();
      var answer = HttpClient.newHttpClient().send(request, BodyHandlers.ofString());
      return new JsonMapper().readTree(answer.body());
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(interrupted);
    }
  }

  @Override
  public void close() {
    process.destroy();
    try {
      if (!process.waitFor(20, TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
    }
  }

  private static App start(Path data, String seed, String... settings) {
    int port = freePort();
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    ProcessBuilder command =
        new ProcessBuilder(
            new ArrayList<>(
                List.of(
                    java,
                    "-XX:TieredStopAtLevel=1",
                    "-XX:+UseSerialGC",
                    "-Xmx1g",
                    "-jar",
                    System.getProperty("app.jar"),
                    "--server.port=" + port,
                    "--zealous.data-dir=" + data,
                    "--zealous.seed-dir=" + seed)));
    command.command().addAll(List.of(settings));
    command.redirectErrorStream(true).redirectOutput(new File("target/app-" + port + ".log"));
    try {
      App app = new App(command.start(), port);
      app.awaitUp();
      return app;
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private void awaitUp() {
    Instant end = Instant.now().plus(PATIENCE);
    while (Instant.now().isBefore(end) && process.isAlive()) {
      if (isUp()) {
        return;
      }
      pause();
    }
    process.destroyForcibly();
    throw new IllegalStateException(
        "the application did not start; see target/app-" + port + ".log");
  }

  private boolean isUp() {
    try {
      HttpRequest health = HttpRequest.newBuilder(URI.create(address("/api/v1/health"))).build();
      return HttpClient.newHttpClient().send(health, BodyHandlers.ofString()).statusCode() == 200;
    } catch (IOException notYet) {
      return false;
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  private static void pause() {
    try {
      TimeUnit.MILLISECONDS.sleep(200);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
    }
  }

  private static int freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }
}
