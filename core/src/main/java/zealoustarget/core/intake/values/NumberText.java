package zealoustarget.core.intake.values;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.FindingCode;

/**
 * Reads amounts as people and systems write them, into whole smallest units, never through a binary
 * fraction.
 *
 * <p>A rate may be given in percent. Understood of amounts: a sign before or after, the true minus,
 * (1.00), a currency's sign or code, a k for thousand, thousands by comma, point, apostrophe or any
 * blank, a decimal point or comma, scientific notation. A lone mark before exactly three digits
 * ("1.250") is decided by the rest of its column.
 */
public final class NumberText {
  /**
   * What a text says.
   *
   * @param units smallest units, only meaningful without a fault
   * @param fault null where the text was read
   * @param isOtherCurrency whether the sign of another currency stood there
   * @param first first of two readings, for an ambiguous amount
   */
  public record Result(
      long units,
      @Nullable FindingCode fault,
      boolean isOtherCurrency,
      @Nullable String first,
      @Nullable String second) {
    static Result fault(FindingCode code) {
      return new Result(0, code, false, null, null);
    }
  }

  /**
   * How a column writes its numbers.
   *
   * @param hasPoints whether amounts of the column have a decimal point for certain
   * @param hasCommas whether amounts of the column have a decimal comma for certain
   * @param isCommaGrouping whether a lone comma may be taken for thousands
   * @param decimals the decimal mark where it was said
   * @param usual the company's decimal mark, null where none is set
   * @param powerOfTen what amounts are given in, as in {@link ColumnRule}
   */
  public record Way(
      boolean hasPoints,
      boolean hasCommas,
      boolean isCommaGrouping,
      ColumnRule.Decimals decimals,
      Writing.@Nullable Decimal usual,
      int powerOfTen) {
    /** The decimal mark that decides a lone {@code mark} before three digits; 0 where none does. */
    private char decide(char mark, int scale) {
      if (decimals != ColumnRule.Decimals.AUTO) {
        return decimals == ColumnRule.Decimals.POINT ? '.' : ',';
      }
      if (hasPoints != hasCommas) {
        return hasPoints ? '.' : ',';
      }
      if (usual != null && !hasPoints) {
        return usual.mark();
      }
      boolean isPlainGrouping =
          mark == ',' && isCommaGrouping && scale < 3 && !hasPoints && !hasCommas;
      return isPlainGrouping ? '.' : 0;
    }

    /** The same way with amounts given in another power of ten. */
    private Way shifted(int powers) {
      return new Way(hasPoints, hasCommas, isCommaGrouping, decimals, usual, powerOfTen + powers);
    }

    /** Whether digits with a decimal point are read as they stand. */
    private boolean isPlain() {
      return decimals != ColumnRule.Decimals.COMMA && powerOfTen == 0;
    }
  }

  /** What one cell says of the marks of its column. */
  public enum Hint {
    NO_NUMBER,
    NUMBER,
    POINT,
    COMMA
  }

  /** Looks at one cell that is not blank. */
  public static Hint hint(String cell) {
    if (isDigits(cell)) {
      return Hint.NUMBER;
    }
    if (hasPlainDecimals(cell)) {
      return Hint.POINT;
    }
    Matcher match = SHAPE.matcher(tidy(cell));
    if (!match.matches()) {
      return Hint.NO_NUMBER;
    }
    String body = match.group("body");
    char mark = decimalMark(body);
    if (mark != UNSURE && plainDigits(body, mark) == null) {
      return Hint.NO_NUMBER;
    }
    return mark == '.' ? Hint.POINT : mark == ',' ? Hint.COMMA : Hint.NUMBER;
  }

  private static final String CURRENCY = "[$€£¥₹]|[A-Za-z]{3}|[A-Z]{1,2}[$]|kr|Kč|zł";
  private static final Pattern SHAPE =
      Pattern.compile(
          "(?<open>\\()?(?<sign>[+-])?\\s?(?<before>"
              + CURRENCY
              + ")?\\s?(?<sign2>[+-])?(?<body>\\d(?:[\\d.,' ]*[\\d.,])?|[.,]\\d+)(?:[eE](?<exp>[+-]?\\d{1,3}))?"
              + "(?:\\s?(?<kilo>[kK](?![a-zA-Zč])))?"
              + "(?<trail>-)?\\s?(?<after>"
              + CURRENCY
              + ")?(?<trail2>-)?(?<close>\\))?");
  private static final Pattern PERCENT = Pattern.compile("[-+(]?[\\d.,' ]+\\)?\\s?[%‰]");
  private static final Map<String, String> SIGNS =
      Map.of("$", "USD", "€", "EUR", "£", "GBP", "¥", "JPY", "₹", "INR");
  private static final int SURE_DIGITS = 17;

  private NumberText() {}

  /**
   * Reads one cell that is not blank.
   *
   * @param way how the cell's column writes numbers
   */
  public static Result read(String cell, Measure measure, Way way) {
    Result plain = way.isPlain() ? readPlain(cell, measure.scale()) : null;
    return plain != null ? plain : readAny(cell, measure, way);
  }

  /** The common form, digits with at most two decimals behind a point, without any detour. */
  private static @Nullable Result readPlain(String cell, int scale) {
    int length = cell.length();
    int at = length > 0 && cell.charAt(0) == '-' ? 1 : 0;
    if (length == at || length - at + scale > SURE_DIGITS) {
      return null; // more digits could pass the range of a long
    }
    long units = 0;
    int decimals = -1;
    for (int i = at; i < length; i++) {
      char c = cell.charAt(i);
      if (c >= '0' && c <= '9') {
        units = units * 10 + (c - '0');
        decimals += decimals >= 0 ? 1 : 0;
      } else if (c == '.' && decimals < 0 && i > at) {
        decimals = 0;
      } else {
        return null;
      }
    }
    int places = Math.max(decimals, 0);
    if (decimals == 0 || places > 2 || places > scale) {
      return null;
    }
    for (int i = places; i < scale; i++) {
      units *= 10;
    }
    return units > Measure.LARGEST_AMOUNT
        ? Result.fault(FindingCode.AMOUNT_TOO_LARGE)
        : new Result(at == 1 ? -units : units, null, false, null, null);
  }

  private static boolean isDigits(String cell) {
    for (int i = 0; i < cell.length(); i++) {
      if (cell.charAt(i) < '0' || cell.charAt(i) > '9') {
        return false;
      }
    }
    return true;
  }

  /** One or two digits behind the only mark, a point, as most systems write money. */
  private static boolean hasPlainDecimals(String cell) {
    int point = cell.indexOf('.');
    int behind = cell.length() - point - 1;
    return point > 0
        && behind >= 1
        && behind <= 2
        && isDigits(cell.substring(cell.charAt(0) == '-' ? 1 : 0, point))
        && isDigits(cell.substring(point + 1));
  }

  private static Result readAny(String cell, Measure measure, Way way) {
    String text = tidy(cell);
    if (measure.isRate() && text.endsWith("%")) {
      String digits = text.substring(0, text.length() - 1).strip();
      return readAny(digits, measure, way.shifted(-2));
    }
    Matcher match = SHAPE.matcher(text);
    if (!match.matches() || !hasOneSign(match)) {
      return Result.fault(
          PERCENT.matcher(text).matches()
              ? FindingCode.AMOUNT_PERCENT
              : FindingCode.AMOUNT_UNREADABLE);
    }
    String currency = match.group("before") != null ? match.group("before") : match.group("after");
    if (currency != null && !measure.isCurrency()) {
      return Result.fault(FindingCode.AMOUNT_UNREADABLE);
    }
    Result read = readBody(match, measure, way);
    boolean isOther = currency != null && !isUnit(currency, measure.unit());
    return new Result(read.units(), read.fault(), isOther, read.first(), read.second());
  }

  private static Result readBody(Matcher match, Measure measure, Way way) {
    String body = match.group("body");
    char mark = decimalMark(body);
    boolean isGiven = way.decimals() != ColumnRule.Decimals.AUTO;
    if (mark == UNSURE || (isGiven && mark != NO_MARK)) {
      char lone = body.indexOf('.') >= 0 ? '.' : ',';
      boolean isMantissa = match.group("exp") != null;
      mark = isMantissa ? lone : way.decide(lone, measure.scale());
      if (mark == 0) {
        return new Result(
            0,
            FindingCode.AMOUNT_AMBIGUOUS,
            false,
            body.replace(lone, '.'),
            body.replace(String.valueOf(lone), ""));
      }
    }
    String digits = plainDigits(body, mark);
    if (digits == null) {
      return Result.fault(FindingCode.AMOUNT_UNREADABLE);
    }
    BigDecimal amount = new BigDecimal(digits);
    if (match.group("exp") != null) {
      amount = amount.scaleByPowerOfTen(Integer.parseInt(match.group("exp")));
    }
    int thousands = match.group("kilo") == null ? 0 : 3;
    return units(
        isNegative(match) ? amount.negate() : amount,
        measure.scale(),
        thousands + way.powerOfTen());
  }

  private static Result units(BigDecimal amount, int scale, int powerOfTen) {
    BigDecimal units = amount.scaleByPowerOfTen(scale + powerOfTen).stripTrailingZeros();
    if (units.scale() > 0) {
      return Result.fault(FindingCode.AMOUNT_DECIMALS);
    }
    BigDecimal largest = BigDecimal.valueOf(Measure.LARGEST_AMOUNT);
    if (units.abs().compareTo(largest) > 0) {
      return Result.fault(FindingCode.AMOUNT_TOO_LARGE);
    }
    BigInteger whole = units.toBigIntegerExact();
    return new Result(whole.longValueExact(), null, false, null, null);
  }

  private static final char UNSURE = '?';
  private static final char NO_MARK = '-';

  /** The decimal mark that a number shows by itself, UNSURE, or NO_MARK where none is used. */
  private static char decimalMark(String body) {
    int point = body.lastIndexOf('.');
    int comma = body.lastIndexOf(',');
    if (point >= 0 && comma >= 0) {
      return point > comma ? '.' : ',';
    }
    if (point < 0 && comma < 0) {
      return NO_MARK;
    }
    char mark = point >= 0 ? '.' : ',';
    int at = Math.max(point, comma);
    if (body.indexOf(mark) != at) {
      return mark == '.' ? ',' : '.';
    }
    boolean looksGrouped =
        body.length() - at - 1 == 3 && at >= 1 && at <= 3 && body.charAt(0) != '0';
    boolean hasOtherGrouping = body.indexOf(' ') >= 0 || body.indexOf('\'') >= 0;
    return looksGrouped && !hasOtherGrouping ? UNSURE : mark;
  }

  /** Digits with a decimal point, or null where the thousands are not groups of three. */
  private static @Nullable String plainDigits(String body, char mark) {
    int at = mark == '.' || mark == ',' ? body.indexOf(mark) : -1;
    String whole = at < 0 ? body : body.substring(0, at);
    String decimals = at < 0 ? "" : body.substring(at + 1);
    if (!decimals.chars().allMatch(Character::isDigit) || !isGrouped(whole)) {
      return null;
    }
    String digits = whole.replaceAll("[.,' ]", "");
    return (digits.isEmpty() ? "0" : digits) + (decimals.isEmpty() ? "" : "." + decimals);
  }

  private static boolean isGrouped(String whole) {
    return whole.matches("\\d*|\\d{1,3}([.,' ])\\d{3}(\\1\\d{3})*");
  }

  private static boolean isNegative(Matcher match) {
    return match.group("open") != null
        || "-".equals(match.group("sign"))
        || "-".equals(match.group("sign2"))
        || match.group("trail") != null
        || match.group("trail2") != null;
  }

  private static boolean hasOneSign(Matcher match) {
    boolean isBracketed = match.group("open") != null;
    if (isBracketed != (match.group("close") != null)
        || (match.group("before") != null && match.group("after") != null)) {
      return false;
    }
    int signs = isBracketed ? 1 : 0;
    for (String place : new String[] {"sign", "sign2", "trail", "trail2"}) {
      signs += match.group(place) != null ? 1 : 0;
    }
    return signs <= 1;
  }

  private static boolean isUnit(String currency, String unit) {
    String code = SIGNS.getOrDefault(currency, currency.toUpperCase(Locale.ROOT));
    return code.equals(unit);
  }

  /** Strips blanks, and writes every minus, apostrophe and blank in one way. */
  private static String tidy(String cell) {
    return cell.strip()
        .replaceAll("[\\u2212\\u2012\\u2013]", "-")
        .replaceAll("[\\u2019\\u02bc]", "'")
        .replaceAll("[\\u00a0\\u202f\\u2009\\u2007\\s]", " ")
        .strip();
  }
}
