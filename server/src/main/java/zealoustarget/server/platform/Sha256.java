package zealoustarget.server.platform;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256, told in 64 hexadecimal digits. */
public final class Sha256 {
  private Sha256() {}

  /** A digest to be fed. */
  public static MessageDigest begin() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException impossible) {
      throw new IllegalStateException(impossible); // every JDK has it
    }
  }

  /** The digits of all that a digest was fed with; it begins anew. */
  public static String end(MessageDigest digest) {
    return HexFormat.of().formatHex(digest.digest());
  }

  /** The digits of some bytes, one part after the other. */
  public static String of(byte[]... parts) {
    MessageDigest digest = begin();
    for (byte[] part : parts) {
      digest.update(part);
    }
    return end(digest);
  }

  /** The digits of a text in UTF-8. */
  public static String of(String text) {
    return of(text.getBytes(StandardCharsets.UTF_8));
  }
}
