package zealoustarget.core.member;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** How keys and names are written and compared. */
public final class KeyText {
  /** No such character. */
  public static final int NONE = -1;

  private static final int FIRST_COMPOSED = 0x300;
  private static final Pattern BLANKS = Pattern.compile("[\\s\\p{Zs}]+");

  private KeyText() {}

  /** The same text with its letters composed (NFC) and without blanks around it. */
  public static String normal(String text) {
    String stripped = text.strip();
    for (int at = 0; at < stripped.length(); at++) {
      if (stripped.charAt(at) >= FIRST_COMPOSED) {
        return Normalizer.normalize(stripped, Normalizer.Form.NFC);
      }
    }
    return stripped;
  }

  /**
   * What two keys must have in common to be the same: blanks inside and around them and case make
   * no difference. Locale and script make none either: {@code RI7} and {@code Rı7} are two.
   */
  public static String fold(String text) {
    return BLANKS.matcher(normal(text)).replaceAll(" ").strip().toLowerCase(Locale.ROOT);
  }

  /** Whether two texts are the same key. */
  public static boolean isSame(String one, String other) {
    return fold(one).equals(fold(other));
  }

  /**
   * The first character that a reader cannot see, or that changes how others are seen: control,
   * zero-width and direction characters, parts of pairs, characters without a meaning.
   *
   * @return its code point, or {@link #NONE}
   */
  public static int findUnseen(String text) {
    for (int at = 0; at < text.length(); ) {
      int point = text.codePointAt(at);
      if (point > '~' ? isUnseen(point) : point < ' ') {
        return point;
      }
      at += Character.charCount(point);
    }
    return NONE;
  }

  private static boolean isUnseen(int point) {
    return switch (Character.getType(point)) {
      case Character.CONTROL,
          Character.FORMAT,
          Character.SURROGATE,
          Character.PRIVATE_USE,
          Character.UNASSIGNED,
          Character.LINE_SEPARATOR,
          Character.PARAGRAPH_SEPARATOR ->
          true;
      default -> isBlankLetter(point);
    };
  }

  /** Letters and marks that are drawn as nothing. */
  private static boolean isBlankLetter(int point) {
    return point == 0x34f
        || point == 0x115f
        || point == 0x1160
        || point == 0x17b4
        || point == 0x17b5
        || point == 0x2800
        || point == 0x3164
        || point == 0xffa0
        || (point >= 0xfe00 && point <= 0xfe0f)
        || (point >= 0xe0100 && point <= 0xe01ef);
  }
}
