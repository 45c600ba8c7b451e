package zealoustarget.core.intake.values;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.lines.ColumnWatch;

class NumberTextTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final Measure UNITS = new Measure("units", "count", 0, Direction.HIGHER);
  private static final Measure FINE = new Measure("fine", "EUR", 3, Direction.HIGHER);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1234.56     | 123456 | plain",
        "-0.5        | -50    | fewer decimals than the measure",
        "+7          | 700    | plus sign",
        "1,234.56    | 123456 | thousands by comma",
        "1.234,56    | 123456 | thousands by point",
        "1 234,56    | 123456 | thousands by blank",
        "1\u00a0234.56 | 123456 | by no-break space",
        "1\u202f234,5 | 123450 | by narrow no-break space",
        "1'234.50    | 123450 | by apostrophe",
        "1\u2019234.50 | 123450 | by typographic apostrophe",
        "1,234,567   | 123456700 | two commas group",
        "1.234.567   | 123456700 | two points group",
        "12,5        | 1250   | decimal comma",
        "0,125       | fault: amount-decimals | a zero is no group",
        "(1.00)      | -100   | brackets",
        "1.00-       | -100   | trailing minus",
        "\u22121.00  | -100   | true minus",
        "EUR 5       | 500    | code before",
        "5 EUR       | 500    | code behind",
        "\u20ac5.10  | 510    | sign before",
        "5,10 \u20ac | 510    | sign behind",
        "-\u20ac5    | -500   | minus before the sign",
        "\u20ac-5    | -500   | minus behind the sign",
        "1.5E+3      | 150000 | scientific",
        "1e-2        | 1      | scientific, small",
        "1.234E+3    | 123400 | a mark before an exponent is the decimal one",
        ".5          | 50     | no leading zero",
        "100.000.000.000.000 | fault: amount-too-large | too large",
        "1e300       | fault: amount-too-large | far too large",
        "99999999999999999999 | fault: amount-too-large | beyond a long",
        "12.3456     | fault: amount-decimals | more decimals",
        "1.10000     | 110    | only zeros behind",
        "12%         | fault: amount-percent | percentage",
        "12,5 %      | fault: amount-percent | percentage with a blank",
        "n/a         | fault: amount-unreadable | text",
        "1.8O0,00    | fault: amount-unreadable | a letter for a digit",
        "--5         | fault: amount-unreadable | two signs",
        "(5)-        | fault: amount-unreadable | brackets and minus",
        "(5          | fault: amount-unreadable | half a bracket",
        "1,23,456    | fault: amount-unreadable | groups of two",
        "1.2.3       | fault: amount-unreadable | a date or version",
        "12.345      | fault: amount-ambiguous | one mark before three digits, nothing else said",
        "12,345      | 1234500 | a comma groups where nothing else is said"
      })
  void oneCell_readAsPlainlyMeant(String cell, String expected, String why) {
    NumberText.Result read = NumberText.read(cell, REVENUE, way(true));
    assertThat(shown(read)).as(why).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "12.345 | 9.50    | fault: amount-decimals | the column has decimal points",
        "12.345 | 412,50  | 1234500 | the column has decimal commas, so points group",
        "12,345 | 412,50  | fault: amount-decimals | decimal comma by the column",
        "12,345 | 9.50    | 1234500 | decimal points, so commas group",
        "12.345 | 1.234.567 | 1234500 | points group elsewhere"
      })
  void loneMarkBeforeThreeDigits_isDecidedByTheColumn(
      String cell, String other, String expected, String why) {
    assertThat(shown(NumberText.read(cell, REVENUE, way(true, cell, other))))
        .as(why)
        .isEqualTo(expected);
  }

  @Test
  void columnThatContradictsItself_leavesLoneMarksOpen() {
    NumberText.Result read = NumberText.read("12,345", REVENUE, way(true, "9.50", "9,50"));
    assertThat(read.fault()).isEqualTo(FindingCode.AMOUNT_AMBIGUOUS);
    assertThat(read.first()).isEqualTo("12.345");
    assertThat(read.second()).isEqualTo("12345");
  }

  @Test
  void loneComma_isOpen_withSemicolonsOrThreeDecimals() {
    assertThat(shown(NumberText.read("12,345", REVENUE, way(false))))
        .isEqualTo("fault: amount-ambiguous");
    assertThat(shown(NumberText.read("12,345", FINE, way(true))))
        .isEqualTo("fault: amount-ambiguous");
  }

  @Test
  void otherCurrency_isRead_andSaid_butNeverForCounts() {
    NumberText.Result dollars = NumberText.read("$ 5", REVENUE, way(true));
    assertThat(dollars.units()).isEqualTo(500);
    assertThat(dollars.isOtherCurrency()).isTrue();
    assertThat(shown(NumberText.read("5 EUR", UNITS, way(true))))
        .isEqualTo("fault: amount-unreadable");
  }

  @ParameterizedTest
  @ValueSource(longs = {71, 72, 73})
  void everyAmount_writtenInAnyForm_readsBackTheSame(long seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 500; i++) {
      long units = random.nextLong(2_000_000_000_000L) - 1_000_000_000_000L;
      String[] forms = {
        REVENUE.text(units),
        grouped(units, ",", "."),
        grouped(units, ".", ","),
        grouped(units, "\u202f", ","),
        grouped(units, "'", ".")
      };
      for (String form : forms) {
        assertThat(NumberText.read(form, REVENUE, way(true, form)).units())
            .as(form)
            .isEqualTo(units);
      }
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1.250    | COMMA | 0  | 125000   | a point groups where the comma is the decimal mark",
        "1.250    | POINT | 0  | 125      | three decimals, the last of them 0",
        "1.255    | POINT | 0  | fault: amount-decimals | a tenth of a cent",
        "1,25     | COMMA | 0  | 125      | as said",
        "1.234,56 | POINT | 0  | fault: amount-unreadable | against what was said",
        "1234.56  | COMMA | 0  | fault: amount-unreadable | not groups of three",
        "12.5     | AUTO  | 3  | 1250000  | in thousands",
        "12.34567 | AUTO  | 3  | 1234567  | thousands with five decimals are whole cents",
        "12.345678 | AUTO | 3  | fault: amount-decimals | a tenth of a cent in thousands",
        "125000   | AUTO  | -2 | 125000   | in cents",
        "12.5k    | AUTO  | 0  | 1250000  | a k for thousand",
        "1.5 K    | AUTO  | 0  | 150000   | a capital one behind a blank",
        "5 kr     | AUTO  | 0  | 500      | krona is no thousand"
      })
  void rule_saysMarkAndScale(
      String cell, ColumnRule.Decimals decimals, int power, String expected, String why) {
    ColumnRule rule = new ColumnRule(null, decimals, ColumnRule.Dates.AUTO, power, false, false);
    NumberText.Way way = ColumnProfile.NONE.numbers(rule, true, Writing.NONE);
    assertThat(shown(NumberText.read(cell, REVENUE, way))).as(why).isEqualTo(expected);
  }

  /** How a column of these cells writes its numbers. */
  private static NumberText.Way way(boolean isCommaGrouping, String... cells) {
    ColumnWatch watch = new ColumnWatch();
    Stream.of(cells).forEach(cell -> watch.see(List.of(cell)));
    ColumnProfile profile = cells.length == 0 ? ColumnProfile.NONE : watch.profiles().get(0);
    return profile.numbers(ColumnRule.AUTO, isCommaGrouping, Writing.NONE);
  }

  private static String grouped(long units, String group, String mark) {
    String[] parts = REVENUE.text(Math.abs(units)).split("\\.", -1);
    String whole = parts[0].replaceAll("\\B(?=(\\d{3})+$)", group);
    return (units < 0 ? "-" : "") + whole + mark + parts[1];
  }

  private static String shown(NumberText.Result read) {
    return read.fault() == null ? Long.toString(read.units()) : "fault: " + read.fault().word();
  }

  @ParameterizedTest
  @CsvSource({
    "999999999999999, 4, too large for a long at four decimals",
    "99999999999999999, 2, seventeen digits",
    "-999999999999999, 4, below zero too",
    "184467440738, 8, a rate that would come round to 0.904"
  })
  void numbersNearTheLimits_areFindings_neverOtherNumbers(String text, int scale, String why) {
    Measure measure = new Measure("revenue", "EUR", Math.min(scale, 4), Direction.HIGHER);
    Measure rate = Measure.rate("rate", measure, measure, Direction.HIGHER);
    NumberText.Way way = new NumberText.Way(false, false, true, ColumnRule.Decimals.AUTO, null, 0);
    assertThat(NumberText.read(text, scale > 4 ? rate : measure, way).fault())
        .as(why)
        .isEqualTo(FindingCode.AMOUNT_TOO_LARGE);
  }

  @ParameterizedTest
  @CsvSource({
    "1.250, COMMA, 125000, the company groups by point",
    "1.250, POINT, 125, it has a decimal point",
    "'1,250', POINT, 125000, it groups by comma",
    "'1,250', COMMA, 125, it has a decimal comma"
  })
  void openMark_isReadInTheCompanysWay(
      String cell, Writing.Decimal decimal, String expected, String why) {
    Writing writing = new Writing(decimal, null, null, null);
    NumberText.Way way = ColumnProfile.NONE.numbers(ColumnRule.AUTO, true, writing);
    assertThat(shown(NumberText.read(cell, REVENUE, way))).as(why).isEqualTo(expected);
  }
}
