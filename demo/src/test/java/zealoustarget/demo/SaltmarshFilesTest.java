package zealoustarget.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SaltmarshFilesTest {
  private static final Path SHIPPED = Path.of("files").toAbsolutePath().normalize();
  private static final Map<String, String> FILES = SaltmarshFiles.all();

  @Test
  void shippedFiles_areWhatTheSeedMakes() throws IOException {
    for (Map.Entry<String, String> file : FILES.entrySet()) {
      assertThat(Files.readString(SHIPPED.resolve(file.getKey())))
          .as("%s; demo/generate makes it anew", file.getKey())
          .isEqualTo(file.getValue());
    }
    try (var shipped = Files.list(SHIPPED)) {
      assertThat(shipped.map(path -> path.getFileName().toString()))
          .containsExactlyInAnyOrderElementsOf(FILES.keySet());
    }
  }

  @Test
  void shippedSamples_areWhatTheSeedMakes() throws IOException {
    Path samples = SHIPPED.resolveSibling("samples");
    for (Map.Entry<String, byte[]> file : SampleFiles.all().entrySet()) {
      assertThat(samples.resolve(file.getKey())).exists();
      if (!file.getKey().endsWith(".xlsx")) {
        assertThat(Files.readAllBytes(samples.resolve(file.getKey())))
            .as("%s; demo/generate makes it anew", file.getKey())
            .isEqualTo(file.getValue());
      }
    }
  }

  @Test
  void orderSystem_servesAMonthInPages_andSaysWhenItIsUnchanged() throws Exception {
    OrderSystem system = new OrderSystem(0, SHIPPED);
    try {
      HttpClient client = HttpClient.newHttpClient();
      URI first = URI.create("http://127.0.0.1:" + system.port() + "/orders?month=2026-10");
      HttpResponse<String> page =
          client.send(HttpRequest.newBuilder(first).build(), BodyHandlers.ofString());
      String tag = page.headers().firstValue("ETag").orElseThrow();
      assertThat(page.body().lines().count()).isEqualTo(501);
      int lines = 500;
      while (page.headers().firstValue("Link").isPresent()) {
        String next = page.headers().firstValue("Link").get().replaceAll("<(.*)>.*", "$1");
        page =
            client.send(
                HttpRequest.newBuilder(first.resolve(next)).build(), BodyHandlers.ofString());
        lines += (int) page.body().lines().count() - 1;
      }
      assertThat(lines).isGreaterThan(lines("orders-2026-10.csv").size());
      HttpRequest again = HttpRequest.newBuilder(first).header("If-None-Match", tag).build();
      assertThat(client.send(again, BodyHandlers.ofString()).statusCode()).isEqualTo(304);
      URI none = first.resolve("/orders?month=1999-01");
      assertThat(
              client
                  .send(HttpRequest.newBuilder(none).build(), BodyHandlers.ofString())
                  .statusCode())
          .isEqualTo(404);
    } finally {
      system.stop();
    }
  }

  @Test
  void dealSystem_servesTheDealsAsOfADay() throws Exception {
    OrderSystem system = new OrderSystem(0, SHIPPED);
    try {
      HttpClient client = HttpClient.newHttpClient();
      String root = "http://127.0.0.1:" + system.port() + "/deals?day=";
      HttpRequest between = HttpRequest.newBuilder(URI.create(root + "2026-11-19")).build();
      HttpRequest before = HttpRequest.newBuilder(URI.create(root + "2026-10-04")).build();
      assertThat(client.send(between, BodyHandlers.ofString()).body().lines())
          .as("as of the last file before the day")
          .containsExactlyElementsOf(Files.readAllLines(SHIPPED.resolve("deals-2026-11-05.csv")));
      assertThat(client.send(before, BodyHandlers.ofString()).statusCode()).isEqualTo(404);
    } finally {
      system.stop();
    }
  }

  @Test
  void companyHasTheSizeThatIsPromised() {
    long orderLines =
        FILES.entrySet().stream()
            .filter(file -> file.getKey().startsWith("orders-"))
            .mapToLong(file -> file.getValue().lines().count() - 1)
            .sum();
    assertThat(orderLines).isBetween(36_000L, 44_000L);
    assertThat(lines("roster.csv")).hasSize(19);
    assertThat(lines("products.csv")).hasSize(24);
  }

  @Test
  void plantedFigures_areExact() {
    assertThat(october("R09")).isEqualByComparingTo("55490.00");
    assertThat(october("R10")).isEqualByComparingTo("40333.33");
    assertThat(october("R04").divide(new BigDecimal("83500"), 2, java.math.RoundingMode.DOWN))
        .isGreaterThan(new BigDecimal("1.5"));
    assertThat(lines("quotas-fy27.csv")).noneMatch(line -> line.startsWith("R12,"));
    assertThat(lines("product-plan-fy27.csv")).contains("2026-10,NV-50,0.00");
    assertThat(sum("orders-fy26.csv", "2026-02", "R11")).isNegative();
  }

  @Test
  void lateFile_hasTheUsualFaults() {
    List<String> late = lines("orders-2026-10-harbour-isles.csv");
    assertThat(late).anyMatch(line -> line.contains("A. Fen"));
    assertThat(late).anyMatch(line -> line.startsWith("2026-02-30"));
    assertThat(late).contains("date,order,rep,region,product,revenue,units");
    assertThat(late.get(late.size() - 1)).startsWith("Total,");
    assertThat(lines("orders-2026-10.csv")).noneMatch(line -> line.contains("Harbour Isles"));
  }

  private static BigDecimal october(String rep) {
    return sum("orders-2026-10.csv", "2026-10", rep);
  }

  private static BigDecimal sum(String file, String month, String rep) {
    return lines(file).stream()
        .map(line -> line.split(",", -1))
        .filter(cells -> cells[0].startsWith(month) && cells[2].equals(rep))
        .map(cells -> new BigDecimal(cells[5]))
        .reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  /** A file's lines without its header. */
  private static List<String> lines(String file) {
    return FILES.get(file).lines().skip(1).toList();
  }
}
