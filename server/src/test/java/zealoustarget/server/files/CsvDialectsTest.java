package zealoustarget.server.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import de.siegmar.fastcsv.writer.QuoteStrategies;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringWriter;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.util.unit.DataSize;

/** Whatever a standard writer writes, in any dialect, reads back the same. */
class CsvDialectsTest {
  private static final FileLimits LIMITS =
      new FileLimits(
          32_767, 500, 250_000, 1_000_000, DataSize.ofMegabytes(10), Duration.ofMinutes(1));
  private static final String LETTERS = "abcXYZ 0123456789.-'äöé€\"\n";

  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23, 24})
  void table_writtenInAnyDialect_readsBackTheSame(long seed) throws Exception {
    Random random = new Random(seed);
    for (int round = 0; round < 60; round++) {
      List<List<String>> table = table(random);
      char separator = ",;\t|".charAt(random.nextInt(4));
      LineDelimiter ends = LineDelimiter.values()[random.nextInt(3)];
      boolean isQuoted = random.nextBoolean();
      Charset charset =
          List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16, Charset.forName("windows-1252"))
              .get(random.nextInt(3));
      StringWriter text = new StringWriter();
      var writer = CsvWriter.builder().fieldSeparator(separator).lineDelimiter(ends);
      if (isQuoted) {
        writer.quoteStrategy(QuoteStrategies.ALWAYS);
      }
      try (CsvWriter csv = writer.build(text)) {
        table.forEach(csv::writeRecord);
      }
      byte[] content = text.toString().getBytes(charset);
      List<List<String>> read = new ArrayList<>();
      new FileLooker(LIMITS, null)
          .open(Upload.of("t.csv", content), "")
          .read((line, cells, isCutOff) -> read.add(cells));
      assertThat(read)
          .as("seed %d, round %d, separator '%s', %s, %s", seed, round, separator, ends, charset)
          .isEqualTo(table);
    }
  }

  /** Whoever stops the reading does so from within the stream, wherever that is. */
  @ParameterizedTest
  @ValueSource(ints = {200_000, 400_001, 599_999})
  void readingThatIsStopped_isNoFaultOfTheFile(int after) {
    byte[] content = "key,amount\nk1,\"1\"\n".repeat(40_000).getBytes(StandardCharsets.UTF_8);
    AtomicBoolean isReading = new AtomicBoolean();
    Upload upload =
        new Upload() {
          @Override
          public String name() {
            return "t.csv";
          }

          @Override
          public InputStream open() {
            return new FilterInputStream(new ByteArrayInputStream(content)) {
              private int read;

              @Override
              public int read(byte[] buffer, int from, int length) throws IOException {
                if (isReading.get() && read > after) {
                  throw new CancellationException("stopped");
                }
                int now = super.read(buffer, from, length);
                read += now;
                return now;
              }
            };
          }
        };
    TableFile file = new FileLooker(LIMITS, null).open(upload, "");
    isReading.set(true);
    assertThatExceptionOfType(CancellationException.class)
        .isThrownBy(() -> file.read((line, cells, isCutOff) -> {}));
  }

  /** Three to seven columns with a plain header; line ends inside cells are plain ones. */
  private static List<List<String>> table(Random random) {
    int columns = 3 + random.nextInt(5);
    List<List<String>> table = new ArrayList<>();
    List<String> header = new ArrayList<>();
    for (int at = 0; at < columns; at++) {
      header.add("column " + at);
    }
    table.add(header);
    for (int row = 0; row < 1 + random.nextInt(12); row++) {
      List<String> cells = new ArrayList<>(List.of("k" + row));
      while (cells.size() < columns) {
        StringBuilder cell = new StringBuilder();
        for (int i = random.nextInt(9); i > 0; i--) {
          cell.append(
              random.nextInt(15) == 0
                  ? ",;\t|".charAt(random.nextInt(4))
                  : LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        cells.add(cell.toString());
      }
      table.add(cells);
    }
    return table;
  }
}
