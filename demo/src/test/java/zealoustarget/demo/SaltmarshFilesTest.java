package zealoustarget.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
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
