package zealoustarget.server.transfer.backup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.PBEKeySpec;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.platform.storage.DataFolder;

/** What backups are sealed with: a key of the installation, or a passphrase for any machine. */
final class BackupKey {
  /** The file of the key in the data folder. */
  static final String FILE = "backup.key";

  private static final String ALGORITHM = "HmacSHA256";
  private static final int ROUNDS = 600_000;
  private static final int BITS = 256;
  private static final int BYTES = BITS / 8;

  /**
   * A seal over what a backup says of its content.
   *
   * @param salt of a passphrase, as hexadecimal digits; empty for the key of an installation
   * @param mac HMAC with SHA-256, as hexadecimal digits
   */
  record Seal(String salt, String mac) {
    boolean isByPassphrase() {
      return !salt.isEmpty();
    }
  }

  private final byte @Nullable [] key;
  private final String passphrase;

  private BackupKey(byte @Nullable [] key, String passphrase) {
    this.key = key;
    this.passphrase = passphrase;
  }

  /** By a passphrase. */
  static BackupKey of(String passphrase) {
    return new BackupKey(null, passphrase);
  }

  /**
   * By the key in a file.
   *
   * @throws IOException in words, where there is none in it
   */
  static BackupKey in(Path file) throws IOException {
    try {
      return new BackupKey(HexFormat.of().parseHex(Files.readString(file).strip()), "");
    } catch (IllegalArgumentException none) {
      throw new IOException(BackupWords.noKey(file), none);
    }
  }

  /** By the key of an installation, which is made where it has none yet. */
  static BackupKey ofInstallation(Path dataFolder) throws IOException {
    Path file = dataFolder.resolve(FILE);
    if (!Files.exists(file)) {
      byte[] random = new byte[BYTES];
      new SecureRandom().nextBytes(random);
      Files.writeString(file, "");
      DataFolder.keepPrivate(file);
      Files.writeString(file, HexFormat.of().formatHex(random));
    }
    return in(file);
  }

  Seal seal(byte[] content) {
    byte[] salt = new byte[passphrase.isEmpty() ? 0 : BYTES];
    new SecureRandom().nextBytes(salt);
    return new Seal(HexFormat.of().formatHex(salt), mac(content, salt));
  }

  /** Whether a seal was made with this key over that content. */
  boolean fits(Seal seal, byte[] content) {
    if (seal.isByPassphrase() == passphrase.isEmpty()) {
      return false;
    }
    byte[] salt = HexFormat.of().parseHex(seal.salt());
    return MessageDigest.isEqual(
        mac(content, salt).getBytes(StandardCharsets.US_ASCII),
        seal.mac().getBytes(StandardCharsets.US_ASCII));
  }

  private String mac(byte[] content, byte[] salt) {
    try {
      Mac mac = Mac.getInstance(ALGORITHM);
      mac.init(new SecretKeySpec(passphrase.isEmpty() ? key : derived(salt), ALGORITHM));
      return HexFormat.of().formatHex(mac.doFinal(content));
    } catch (GeneralSecurityException impossible) {
      throw new IllegalStateException(impossible);
    }
  }

  private byte[] derived(byte[] salt) throws GeneralSecurityException {
    return SecretKeyFactory.getInstance("PBKDF2WithHmacSHA256")
        .generateSecret(new PBEKeySpec(passphrase.toCharArray(), salt, ROUNDS, BITS))
        .getEncoded();
  }
}
