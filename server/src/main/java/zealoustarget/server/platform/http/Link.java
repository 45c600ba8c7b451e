package zealoustarget.server.platform.http;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.platform.Sha256;

/** Links of a record: each holds the hash of the one before, so that none can go unnoticed. */
public final class Link {
  /** What stands before the first. */
  public static final String NONE = "0".repeat(64);

  private Link() {}

  /**
   * The hash of a link: SHA-256, as hexadecimal digits, over the hash before and all parts, each
   * led by its length.
   *
   * @param previous hash of the link before, {@link #NONE} for the first
   * @param parts text of anything; null is the empty text, as open files cannot tell them apart
   */
  public static String hash(String previous, @Nullable Object... parts) {
    MessageDigest digest = Sha256.begin();
    update(digest, previous);
    for (Object part : parts) {
      update(digest, part);
    }
    return Sha256.end(digest);
  }

  private static void update(MessageDigest digest, @Nullable Object part) {
    byte[] bytes = (part == null ? "" : part.toString()).getBytes(StandardCharsets.UTF_8);
    digest.update((bytes.length + ";").getBytes(StandardCharsets.US_ASCII));
    digest.update(bytes);
  }
}
