package zealoustarget.core.outlook;

import java.util.Comparator;
import java.util.regex.Pattern;
import zealoustarget.core.member.KeyText;

/** How the keys of deals are compared: case and blanks make no difference. */
public final class DealKey {
  /** Keys in the form of {@link #normal}, character by character in small letters. */
  public static final Comparator<String> ORDER = DealKey::compare;

  private static final Pattern BLANKS = Pattern.compile("[\\s\\p{Zs}]+");

  private DealKey() {}

  /** The key as it is kept: composed, with single blanks and none around it. */
  public static String normal(String text) {
    return BLANKS.matcher(KeyText.normal(text)).replaceAll(" ").strip();
  }

  /** The same text for keys that are equal. */
  public static String fold(String key) {
    char[] letters = normal(key).toCharArray();
    for (int at = 0; at < letters.length; at++) {
      letters[at] = Character.toLowerCase(letters[at]);
    }
    return new String(letters);
  }

  private static int compare(String one, String other) {
    int shared = Math.min(one.length(), other.length());
    for (int at = 0; at < shared; at++) {
      char left = one.charAt(at);
      char right = other.charAt(at);
      if (left != right) {
        int order = Character.compare(Character.toLowerCase(left), Character.toLowerCase(right));
        if (order != 0) {
          return order;
        }
      }
    }
    return one.length() - other.length();
  }
}
