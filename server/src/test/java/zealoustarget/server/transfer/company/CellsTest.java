package zealoustarget.server.transfer.company;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class CellsTest {
  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '"',
      value = {
        "Ines, Ines, plain text stays",
        "=1+1, '=1+1, a formula is led by an apostrophe",
        "-5, '-5, so is what looks like a figure",
        "'K2, ''K2, and an apostrophe of its own",
        "'=1, ''=1, also where both stand",
        "a=1, a=1, only the first letter counts",
      })
  void text_isWrittenSoThatNothingRuns(String text, String cell, String why) {
    assertThat(Cells.written(text)).as(why).isEqualTo(cell);
    assertThat(Cells.read(cell)).as(why).isEqualTo(text);
  }

  static LongStream seeds() {
    return LongStream.range(0, 200);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void anyText_comesBack_andNeverBeginsAFormula(long seed) {
    Random random = new Random(seed);
    String letters = "=+-@'\t\r\n\"ab1,; ";
    StringBuilder text = new StringBuilder();
    for (int at = random.nextInt(6); at > 0; at--) {
      text.append(letters.charAt(random.nextInt(letters.length())));
    }
    String cell = Cells.written(text.toString());
    assertThat(Cells.read(cell)).as("seed %d", seed).isEqualTo(text.toString());
    assertThat(cell).doesNotMatch("(?s)[=+@\t\r-].*");
  }
}
