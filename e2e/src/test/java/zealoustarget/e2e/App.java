package zealoustarget.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The packaged application as a process of its own, as a user starts it. */
final class App implements AutoCloseable {
  /** The analyst of the demo, and of an empty application. */
  static final String ANALYST = "analyst";

  static final String PASSWORD = "saltmarsh-demo";

  /** Of accounts that a test makes. */
  static final String OTHER_PASSWORD = "harbour lights at nine";

  private static final Duration PATIENCE = Duration.ofMinutes(2);

  /** Of this fork alone: two run at once. */
  private static final Path OWN = own();

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

  /** Starts with the demo company. It is filled in once; every start has its own copy. */
  static App demo(Path data, String... settings) {
    try {
      copy(DemoData.FOLDER, data);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return start(data, DemoData.FILES, settings);
  }

  private static Path own() {
    try {
      return Files.createDirectories(
          Path.of(System.getProperty("own.folder", "target/own")).toAbsolutePath());
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /** The demo company as the application fills it in. */
  private static final class DemoData {
    static final String FILES = Path.of("../demo/files").toAbsolutePath().normalize().toString();
    static final Path FOLDER = fill(OWN.resolve("demo-data"));

    private static Path fill(Path folder) {
      try {
        delete(folder);
        start(folder, FILES).close();
        return folder;
      } catch (IOException failure) {
        throw new UncheckedIOException(failure);
      }
    }
  }

  /** The application as ./run starts it: unpacked, with an archive of its classes. */
  private static final class Unpacked {
    private static final Path FOLDER = OWN.resolve("app");
    static final Path JAR = FOLDER.resolve("zealous-target-app.jar");
    static final Path ARCHIVE = FOLDER.resolve("classes.jsa");

    static {
      try {
        delete(FOLDER);
        String jar = System.getProperty("app.jar");
        run("-Djarmode=tools", "-jar", jar, "extract", "--destination", FOLDER.toString());
        Path trial = Files.createTempDirectory("archive");
        run(
            "-XX:ArchiveClassesAtExit=" + ARCHIVE,
            "-Dspring.context.exit=onRefresh",
            "-jar",
            JAR.toString(),
            "--server.port=0",
            "--zealous.data-dir=" + trial);
        delete(trial);
      } catch (IOException failure) {
        throw new UncheckedIOException(failure);
      }
    }

    static List<String> java(List<String> more) {
      List<String> command =
          new ArrayList<>(
              List.of(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-XX:TieredStopAtLevel=1",
                  "-XX:+UseSerialGC"));
      command.addAll(more);
      return command;
    }

    private static void run(String... more) throws IOException {
      Process process =
          new ProcessBuilder(java(List.of(more)))
              .redirectErrorStream(true)
              .redirectOutput(OWN.resolve("unpack.log").toFile())
              .start();
      try {
        process.waitFor();
      } catch (InterruptedException interrupted) {
        Thread.currentThread().interrupt();
      }
    }
  }

  private static void copy(Path from, Path to) throws IOException {
    try (Stream<Path> all = Files.walk(from)) {
      for (Path one : (Iterable<Path>) all::iterator) {
        Files.copy(one, to.resolve(from.relativize(one)), StandardCopyOption.REPLACE_EXISTING);
      }
    }
  }

  private static void delete(Path folder) throws IOException {
    if (Files.exists(folder)) {
      try (Stream<Path> all = Files.walk(folder)) {
        for (Path one : (Iterable<Path>) all.sorted(Comparator.reverseOrder())::iterator) {
          Files.delete(one);
        }
      }
    }
  }

  String address(String path) {
    return "http://localhost:" + port + path;
  }

  /** What a route answers, to hold the page against it. */
  JsonNode json(String path) {
    return new JsonMapper().readTree(bytes(path));
  }

  /** What an account is answered that sends JSON; the text of a 2xx. */
  String send(String method, String path, String json, String name, String password) {
    return send(method, path, json, name, password, "application/json");
  }

  private String send(
      String method, String path, String body, String name, String password, String type) {
    String pair = name + ":" + password;
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(address(path)))
            .header(
                "Authorization",
                "Basic "
                    + Base64.getEncoder().encodeToString(pair.getBytes(StandardCharsets.UTF_8)))
            .header("Content-Type", type)
            .method(method, HttpRequest.BodyPublishers.ofString(body))
            .build();
    try {
      HttpResponse<String> answer =
          HttpClient.newHttpClient().send(request, BodyHandlers.ofString());
      if (answer.statusCode() / 100 != 2) {
        throw new IllegalStateException(path + ": " + answer.statusCode() + " " + answer.body());
      }
      return answer.body();
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(stopped);
    }
  }

  /**
   * Makes one more analyst, who has changed the first password, and signs in with the usual one.
   */
  void addAnalyst(String name) {
    String account = "{\"name\": \"%s\", \"role\": \"analyst\", \"member\": null}".formatted(name);
    String made = send("POST", "/api/v1/accounts", account, ANALYST, PASSWORD);
    String given = new JsonMapper().readTree(made).get("password").asString();
    String change = "{\"now\": \"%s\", \"next\": \"%s\"}".formatted(given, OTHER_PASSWORD);
    send("PUT", "/api/v1/session/password", change, name, given);
  }

  /**
   * Loads and posts a made-up file of the analyst.
   *
   * @param line of one member: its key, its number, and its number within a hundred
   */
  void loadAndPost(String kind, String head, int members, String line) {
    StringBuilder file = new StringBuilder(head);
    for (int at = 0; at < members; at++) {
      file.append(String.format(Locale.ROOT, line, "R" + (10_000 + at), at, at % 100));
    }
    String part = "--zt\r\nContent-Disposition: form-data; name=\"%s\"%s\r\n\r\n%s\r\n";
    String body =
        part.formatted("file", "; filename=\"" + kind + ".csv\"", file)
            + part.formatted("kind", "", kind)
            + (kind.equals("goals")
                ? part.formatted("goalSet", "", "quota") + part.formatted("axis", "", "rep")
                : "")
            + "--zt--\r\n";
    String staged = send("POST", "/api/v1/loads", "multipart/form-data; boundary=zt", body);
    int id = new JsonMapper().readTree(staged).get("id").asInt();
    send("POST", "/api/v1/loads/" + id + "/post", "application/json", "");
  }

  private String send(String method, String path, String type, String body) {
    return send(method, path, body, ANALYST, PASSWORD, type);
  }

  /** A file that a route gives. */
  byte[] bytes(String path) {
    try {
      byte[] pair = (ANALYST + ":" + PASSWORD).getBytes(StandardCharsets.UTF_8);
      HttpRequest request =
          HttpRequest.newBuilder(URI.create(address(path)))
              .header("Authorization", "Basic " + Base64.getEncoder().encodeToString(pair))
              .build();
      return HttpClient.newHttpClient().send(request, BodyHandlers.ofByteArray()).body();
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
    ProcessBuilder command =
        new ProcessBuilder(
            Unpacked.java(
                List.of(
                    "-Xmx1g",
                    "-XX:SharedArchiveFile=" + Unpacked.ARCHIVE,
                    "-Xlog:cds=off",
                    "-Xlog:cds+dynamic=off",
                    "-jar",
                    Unpacked.JAR.toString(),
                    "--server.port=" + port,
                    "--zealous.data-dir=" + data,
                    "--zealous.seed-dir=" + seed)));
    command.command().addAll(List.of(settings));
    command.redirectErrorStream(true).redirectOutput(OWN.resolve("app-" + port + ".log").toFile());
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
        "the application did not start; see " + OWN.resolve("app-" + port + ".log"));
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
