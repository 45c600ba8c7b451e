package zealoustarget.server.accounts;

import java.security.SecureRandom;
import java.util.Locale;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;

/** Hashes passwords by Argon2id, and says which may be used. */
@Component
class Passwords {
  private static final int SHORTEST = 10;
  private static final int LONGEST = 200;
  private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

  private final PasswordEncoder encoder = Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8();
  private final SecureRandom random = new SecureRandom();
  private volatile String nobodys;

  String hash(String password) {
    return encoder.encode(password);
  }

  /**
   * Whether a password is the one behind a hash.
   *
   * @param hash null for an account that is not there; that takes as long
   */
  boolean matches(String password, String hash) {
    if (hash == null && nobodys == null) {
      nobodys = hash(generated());
    }
    return encoder.matches(password, hash == null ? nobodys : hash) && hash != null;
  }

  /** A password that is given by the application, in four groups of four. */
  String generated() {
    StringBuilder text = new StringBuilder();
    for (int at = 0; at < 16; at++) {
      text.append(at > 0 && at % 4 == 0 ? "-" : "");
      text.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
    }
    return text.toString();
  }

  /**
   * Checks a password that somebody chose.
   *
   * @throws Refusal password-weak
   */
  static void check(String password, String name) {
    if (password == null || password.length() < SHORTEST || password.length() > LONGEST) {
      throw weak("A password has " + SHORTEST + " to " + LONGEST + " characters.");
    }
    String folded = password.toLowerCase(Locale.ROOT);
    if (folded.contains(name.toLowerCase(Locale.ROOT)) && password.length() < 2 * SHORTEST) {
      throw weak("The password holds the account's name.");
    }
    if (folded.chars().distinct().count() < 5) {
      throw weak("The password repeats a few characters.");
    }
  }

  private static Refusal weak(String words) {
    return Refusal.of("password-weak", words + " Choose another.").with("name", "password");
  }
}
