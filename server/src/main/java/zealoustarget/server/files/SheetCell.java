package zealoustarget.server.files;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.regex.Pattern;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;

/** The text that a workbook's cell stands for, as one would write it into a CSV file. */
final class SheetCell {
  private static final Pattern NUMBER = Pattern.compile("[-+]?[0-9.]{1,400}([eE][-+]?\\d{1,3})?");
  private static final Pattern NOT_TOKENS =
      Pattern.compile("\"[^\"]*\"|\\\\.|\\[[^\\[\\]]*+\\]|_.|\\*.");
  private static final MathContext SHOWN = new MathContext(15);
  private static final LocalDate FIRST_1900 = LocalDate.of(1899, 12, 30);
  private static final LocalDate FIRST_1904 = LocalDate.of(1904, 1, 1);
  private static final BigDecimal LAST_SERIAL = new BigDecimal(2_958_465);
  private static final int SECONDS = 86_400;

  private SheetCell() {}

  static String text(Cell cell, boolean is1904) {
    String raw = cell.getRawValue();
    boolean isNumeric =
        (cell.getType() == CellType.NUMBER || cell.getType() == CellType.FORMULA)
            && raw != null
            && NUMBER.matcher(raw.strip()).matches();
    if (!isNumeric) {
      return raw == null ? "" : plainText(cell, raw);
    }
    BigDecimal number = new BigDecimal(raw.strip());
    return isDate(cell.getDataFormatString()) && isSerial(number)
        ? date(number, is1904)
        : number(number);
  }

  private static String plainText(Cell cell, String raw) {
    String text = cell.getType() == CellType.STRING ? cell.asString() : raw;
    return text == null ? "" : text;
  }

  /** Fifteen digits, as a sheet shows them; never a lone point before three digits. */
  static String number(BigDecimal stored) {
    BigDecimal shown = stored.round(SHOWN).stripTrailingZeros();
    if (shown.scale() < 0) {
      shown = shown.setScale(0);
    }
    return shown.scale() == 3 ? shown.setScale(4).toPlainString() : shown.toPlainString();
  }

  /** Whether a number format shows a date: it has a day, month or year outside of quotes. */
  static boolean isDate(String format) {
    if (format == null || format.equalsIgnoreCase("general")) {
      return false;
    }
    String tokens = NOT_TOKENS.matcher(format).replaceAll("").toLowerCase(java.util.Locale.ROOT);
    boolean hasDay = tokens.contains("d") || tokens.contains("y");
    boolean isMonthName = tokens.contains("mmm");
    return (hasDay || isMonthName) && !tokens.contains("0") && !tokens.contains("#");
  }

  private static boolean isSerial(BigDecimal number) {
    return number.signum() > 0 && number.compareTo(LAST_SERIAL) <= 0;
  }

  private static String date(BigDecimal serial, boolean is1904) {
    LocalDate day = (is1904 ? FIRST_1904 : FIRST_1900).plusDays(serial.longValue());
    BigDecimal part = serial.remainder(BigDecimal.ONE);
    if (part.signum() == 0) {
      return day.toString();
    }
    long seconds =
        part.multiply(BigDecimal.valueOf(SECONDS))
            .setScale(0, java.math.RoundingMode.HALF_UP)
            .longValue();
    return LocalDateTime.of(day, java.time.LocalTime.MIDNIGHT).plusSeconds(seconds).toString();
  }
}
