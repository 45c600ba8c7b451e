package zealoustarget.server.access.accounts;

import java.security.SecureRandom;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import me.gosimple.nbvcxz.resources.DictionaryUtil;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.CompanyName;

/** Hashes passwords by Argon2id, and says which may be used. */
@Component
public class Passwords {
  private static final int SHORTEST = 10;
  public static final int LONGEST = 200;
  private static final int LONG_WORD = 6;
  private static final int SALT = 16;
  private static final int HASH = 32;
  private static final int THREADS = 1;
  private static final int ROUNDS = 2;
  private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

  private final PasswordEncoder encoder;
  private final SecureRandom random = new SecureRandom();
  private final CompanyName company;
  private volatile @Nullable String nobodys;

  Passwords(CompanyName company, AccountSettings settings) {
    this.company = company;
    this.encoder =
        new Argon2PasswordEncoder(SALT, HASH, THREADS, settings.passwordKilobytes(), ROUNDS);
  }

  String hash(String password) {
    return encoder.encode(password);
  }

  /**
   * Whether a password is the one behind a hash.
   *
   * @param hash null for an account that is not there; that takes as long
   */
  public boolean matches(String password, @Nullable String hash) {
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
  public void check(String password, String name) {
    if (password == null || password.length() < SHORTEST || password.length() > LONGEST) {
      throw weak(AccountsWords.passwordHasWrongLength(SHORTEST, LONGEST));
    }
    String folded = password.toLowerCase(Locale.ROOT);
    if (isMadeOf(folded, name)) {
      throw weak(AccountsWords.PASSWORD_HOLDS_ACCOUNTS_NAME);
    }
    if (isMadeOf(folded, company.get())) {
      throw weak(AccountsWords.PASSWORD_HOLDS_COMPANYS_NAME);
    }
    if (folded.chars().distinct().count() < 5) {
      throw weak(AccountsWords.PASSWORD_REPEATS_FEW_CHARACTERS);
    }
    if (isCommon(folded)) {
      throw weak(AccountsWords.PASSWORD_IS_TRIED_FIRST);
    }
  }

  /** Whether a password has little but a name, as a whole or a longer word of it. */
  private static boolean isMadeOf(String folded, String name) {
    String whole = name.toLowerCase(Locale.ROOT).strip();
    return folded.length() < 2 * SHORTEST
        && (!whole.isEmpty() && folded.contains(whole)
            || Stream.of(whole.split("[^\\p{L}\\p{N}]+"))
                .anyMatch(word -> word.length() >= LONG_WORD && folded.contains(word)));
  }

  /** Whether a password is a common one, also with figures or marks behind it while it is short. */
  private static boolean isCommon(String folded) {
    String letters = folded.replaceFirst("[^\\p{L}]{1,19}$", "");
    return Common.LIST.containsKey(folded)
        || (folded.length() < 2 * SHORTEST && Common.LIST.containsKey(letters));
  }

  /** The common passwords, read when the first one is chosen. */
  private static final class Common {
    static final Map<String, Integer> LIST = DictionaryUtil.loadRankedDictionary("passwords.txt");
  }

  private static Refusal weak(String words) {
    return Refusal.of("password-weak", AccountsWords.chooseAnother(words)).with("name", "password");
  }
}
