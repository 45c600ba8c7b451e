package zealoustarget.core.member;

import java.util.regex.Pattern;

/** What counts as the mail address of one person. */
public final class MailAddress {
  private static final int LONGEST = 254; // RFC 5321, 4.5.3.1

  /** One address of plain letters, nothing that could be read as two or as a header. */
  private static final Pattern ONE =
      Pattern.compile("[\\p{L}\\p{N}._%+'-]+@[\\p{L}\\p{N}-]+(\\.[\\p{L}\\p{N}-]+)*");

  private MailAddress() {}

  public static boolean isOne(String text) {
    return text.length() <= LONGEST && ONE.matcher(text).matches();
  }
}
