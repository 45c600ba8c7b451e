package zealoustarget.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The goal sheet of 5,000 reps and twelve months over HTTP: opened, spread, one cell changed with
 * its effect, and all of it applied; beside a plain loop. See bench/README.md.
 */
public final class GoalsBench {
  private static final int ROUNDS = 9;
  private static final int MONTHS = 12;
  private static final JsonMapper JSON =
      JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

  private static long sink;

  private GoalsBench() {}

  /** The argument is the number of order lines, 200,000 without one. */
  public static void main(String[] arguments) throws Exception {
    int lines = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200_000;
    Path folder = Files.createTempDirectory("bench");
    try (BenchServer server = BenchServer.start(folder.resolve("data"))) {
      BenchServer.asApplication(
          () -> {
            server.load(new OrderFile(folder, BenchServer.REPS, BenchServer.DAYS), lines);
            return null;
          });
      measure(server.port());
    } finally {
      Bench.delete(folder);
    }
  }

  private static void measure(String port) throws IOException, InterruptedException {
    HttpClient client = HttpClient.newHttpClient();
    String sheet = "/goals/quota/desk?year=2026";
    JsonNode desk = JSON.readTree(send(client, port, sheet, "GET", ""));
    List<String> parts = new ArrayList<>();
    for (JsonNode row : desk.get("rows")) {
      for (JsonNode month : desk.get("months")) {
        parts.add(
            "{\"key\":\"%s\",\"month\":\"%s\"}"
                .formatted(row.get("key").asString(), month.get("month").asString()));
      }
    }
    System.out.printf(Locale.ROOT, "%,d reps, %,d cells%n", desk.get("rows").size(), parts.size());
    String spread =
        "{\"year\":2026,\"kind\":\"last-year\",\"whole\":\"900000000\",\"step\":\"500\",\"parts\":["
            + String.join(",", parts)
            + "]}";
    String alone =
        spread.replace(
            "\"year\":2026,", "\"axis\":\"rep\",\"measure\":\"revenue\",\"goalSet\":\"quota\",");
    JsonNode first = desk.get("rows").get(0);
    report("plain loop: one spread of as many cells", GoalsBench::loop);
    report("the sheet is opened", () -> send(client, port, sheet, "GET", ""));
    report("a spread over all cells", () -> send(client, port, "/goals/spread", "POST", alone));
    report(
        "its floor: the same JSON read into objects and written, without HTTP",
        () -> JSON.writeValueAsString(read(alone)));
    int[] round = {0};
    report(
        "one cell of the draft changed, with the sheet and the effect",
        () ->
            send(
                client,
                port,
                "/goals/quota/draft",
                "PUT",
                "{\"year\":2026,\"cells\":[{\"key\":\"%s\",\"month\":\"%s\",\"amount\":\"%d\"}]}"
                    .formatted(
                        first.get("key").asString(),
                        desk.at("/months/5/month").asString(),
                        40_000 + round[0]++)));
    report(
        "a spread over all cells of the draft, with the sheet and the effect",
        () -> send(client, port, "/goals/quota/draft/spread", "POST", spread));
    List<Double> applied = new ArrayList<>();
    for (int at = 0; at < 3; at++) {
      send(
          client,
          port,
          "/goals/quota/draft/spread",
          "POST",
          spread.replace("900000000", Integer.toString(900_500_000 + at * 60_000_000)));
      long start = System.nanoTime();
      sink += send(client, port, "/goals/quota/draft/apply", "POST", "{\"year\":2026}").length();
      applied.add((System.nanoTime() - start) / 1e6);
    }
    Collections.sort(applied);
    System.out.printf(Locale.ROOT, "%-66s %8.1f ms%n", "all cells applied", applied.get(1));
    System.out.println(sink == 0 ? "nothing was answered" : "");
  }

  private interface Asked {
    String run() throws IOException, InterruptedException;
  }

  private static void report(String what, Asked asked) throws IOException, InterruptedException {
    List<Double> took = new ArrayList<>();
    for (int round = 0; round < ROUNDS + 2; round++) {
      long start = System.nanoTime();
      sink += asked.run().length();
      if (round >= 2) {
        took.add((System.nanoTime() - start) / 1e6);
      }
    }
    Collections.sort(took);
    System.out.printf(
        Locale.ROOT,
        "%-66s %8.1f ms (%.1f to %.1f)%n",
        what,
        took.get(ROUNDS / 2),
        took.get(0),
        took.get(ROUNDS - 1));
  }

  /** A cell as it is asked for and as it is answered. */
  private record Cell(String key, String month, String amount) {}

  private record Cells(List<Cell> parts) {}

  /** Reads a request and makes as many cells as its answer has. */
  private static Cells read(String request) {
    Cells asked = JSON.readValue(request, Cells.class);
    String amount = "1500.00";
    List<Cell> cells = new ArrayList<>(asked.parts().size());
    for (Cell cell : asked.parts()) {
      cells.add(new Cell(cell.key(), cell.month(), amount));
    }
    return new Cells(cells);
  }

  /** The least that a spread can be: weights of primitive numbers, cut down, no ties settled. */
  private static String loop() {
    long[] weights = new long[BenchServer.REPS * MONTHS];
    long sum = 0;
    for (int at = 0; at < weights.length; at++) {
      weights[at] = 1 + at * 31L % 9_973;
      sum += weights[at];
    }
    long left = 1_800_000;
    for (long weight : weights) {
      left -= 1_800_000 * weight / sum;
    }
    return Long.toString(left);
  }

  private static String send(
      HttpClient client, String port, String path, String method, String body)
      throws IOException, InterruptedException {
    HttpRequest request =
        BenchServer.request(port, path)
            .header("Content-Type", "application/json")
            .method(method, BodyPublishers.ofString(body))
            .build();
    HttpResponse<String> answer = client.send(request, BodyHandlers.ofString());
    if (answer.statusCode() != 200) {
      throw new IllegalStateException(path + ": " + answer.statusCode() + " " + answer.body());
    }
    return answer.body();
  }
}
