package zealoustarget.core.amount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;

class MeasureTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);

  @Test
  void text_hasTheMeasuresDecimals_orMoreWhereExact() {
    assertThat(REVENUE.text(28_635_000)).isEqualTo("286350.00");
    assertThat(REVENUE.text(-1)).isEqualTo("-0.01");
    assertThat(REVENUE.text(Ratio.of(95_892, 10))).isEqualTo("95.892");
    assertThat(new Measure("units", "count", 0, Direction.HIGHER).text(12)).isEqualTo("12");
  }

  @Test
  void brokenParts_refusedByName() {
    refused("code", "9lives", "EUR", 2);
    refused("unit", "revenue", "euro", 2);
    refused("scale", "revenue", "EUR", 5);
    refused("scale", "revenue", "EUR", -1);
  }

  private static void refused(String part, String code, String unit, int scale) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Measure(code, unit, scale, Direction.LOWER))
        .withMessageStartingWith(part);
  }
}
