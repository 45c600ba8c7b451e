package zealoustarget.server.intake.checking;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;

/** Control totals as they are given: {@code revenue=1912400.00}. */
public final class ControlTotals {
  private ControlTotals() {}

  /** Stands for the file's only measure where none is named. */
  private static final String ONLY = "";

  /** A comma or semicolon before the next measure; a comma alone may be a decimal mark. */
  private static final String BETWEEN = ";|,(?=\\s*[\\p{L}_][\\w.]*\\s*=)";

  /**
   * Several come as several values or behind commas: {@code revenue=10.00,units=3}. An amount alone
   * is of the file's only measure.
   */
  public static Map<String, String> parse(List<String> texts) {
    Map<String, String> totals = new HashMap<>();
    for (String text : texts == null ? List.<String>of() : texts) {
      for (String one : text.split(BETWEEN, -1)) {
        if (one.isBlank()) {
          continue;
        }
        String[] parts = one.contains("=") ? one.split("=", -1) : new String[] {ONLY, one};
        if (parts.length != 2 || totals.put(parts[0].strip(), parts[1].strip()) != null) {
          throw refusal(CheckingWords.isNotControlTotal(one));
        }
      }
    }
    return totals;
  }

  /**
   * The totals in smallest units, by the measures of a file.
   *
   * @param writing decides a total that could be read in two ways
   * @throws Refusal control-total-unreadable, also where the file has no such measure
   */
  static Map<Measure, Long> units(
      Map<String, String> given, List<Measure> measures, Writing writing) {
    Map<String, String> left = new HashMap<>();
    given.forEach((code, sum) -> left.put(code.toLowerCase(Locale.ROOT), sum));
    Map<Measure, Long> totals = new HashMap<>();
    if (left.containsKey(ONLY)) {
      if (measures.size() != 1) {
        throw refusal(CheckingWords.SAY_WHICH_MEASURE);
      }
      totals.put(measures.get(0), units(measures.get(0), left.remove(ONLY), writing));
    }
    for (Measure measure : measures) {
      String text = left.remove(measure.code().toLowerCase(Locale.ROOT));
      if (text != null) {
        totals.put(measure, units(measure, text, writing));
      }
    }
    if (!left.isEmpty()) {
      throw refusal(CheckingWords.isNotMeasureOfThisFile(String.join(", ", left.keySet())));
    }
    return totals;
  }

  private static long units(Measure measure, String text, Writing writing) {
    try {
      Ratio units = Ratio.parse(plain(text, writing)).times(Ratio.powerOfTen(measure.scale()));
      return Objects.requireNonNull(units.exactDecimal()).longValueExact();
    } catch (IllegalArgumentException | ArithmeticException unreadable) {
      throw refusal(CheckingWords.isNotAmount(text, measure.code()));
    }
  }

  /** Thousands taken out and a decimal comma turned into a point, where both are certain. */
  private static String plain(String text, Writing writing) {
    String tight = text.strip().replaceAll("[\\s\u00a0\u202f'’]", "");
    if (writing.decimal() == Writing.Decimal.COMMA
        && tight.matches("-?\\d{1,3}(\\.\\d{3})+(,\\d+)?|-?\\d+,\\d+")) {
      return tight.replace(".", "").replace(',', '.');
    }
    if (writing.decimal() == Writing.Decimal.POINT && tight.matches("-?\\d{1,3}(,\\d{3})+")) {
      return tight.replace(",", "");
    }
    if (tight.matches("-?\\d{1,3}(\\.\\d{3})+,\\d+|-?\\d+,\\d{1,2}")) {
      return tight.replace(".", "").replace(',', '.');
    }
    return tight.matches("-?\\d{1,3}(,\\d{3})+\\.\\d+") ? tight.replace(",", "") : tight;
  }

  private static Refusal refusal(String what) {
    return Refusal.of("control-total-unreadable", CheckingWords.giveAmount(what));
  }
}
