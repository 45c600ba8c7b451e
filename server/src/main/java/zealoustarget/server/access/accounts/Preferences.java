package zealoustarget.server.access.accounts;

import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.MailAddress;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/** Keeps what people set for their own accounts. */
@Component
public class Preferences {
  private static final int MOST_KEYS = 40;
  private static final int LONGEST_ACTION = 40;
  private static final JsonMapper JSON = new JsonMapper();

  private final PreferenceRepository kept;
  private final TransactionTemplate transactions;
  private final Audit audit;

  Preferences(PreferenceRepository kept, TransactionTemplate transactions, Audit audit) {
    this.kept = kept;
    this.transactions = transactions;
    this.audit = audit;
  }

  /**
   * A person's settings.
   *
   * @param mail where mail goes to; null for none
   * @param keysOn whether single keys act on the page
   * @param keys the keys that differ from the usual ones, each one character, by what they do
   */
  public record Settings(@Nullable String mail, boolean keysOn, Map<String, String> keys) {
    static final Settings USUAL = new Settings(null, true, Map.of());
  }

  Settings of(int accountId) {
    return kept.findById(accountId)
        .map(
            one ->
                new Settings(
                    one.mail,
                    one.keysOn,
                    JSON.readValue(one.keys, new TypeReference<Map<String, String>>() {})))
        .orElse(Settings.USUAL);
  }

  /**
   * Keeps an account's settings; another address is in the audit log.
   *
   * @throws Refusal {@code account-invalid} naming {@code mail} or {@code keys}
   */
  Settings keep(Account account, Settings wanted) {
    PreferenceEntity entity = new PreferenceEntity();
    entity.accountId = account.id();
    entity.mail = mail(wanted.mail());
    entity.keysOn = wanted.keysOn();
    entity.keys = JSON.writeValueAsString(new TreeMap<>(checked(wanted.keys())));
    transactions.executeWithoutResult(
        status -> {
          String before = of(account.id()).mail();
          if (!Objects.equals(before, entity.mail)) {
            audit.add(
                AuditKind.ACCOUNT, AccountsWords.mailAddress(account.name()), before, entity.mail);
          }
          kept.save(entity);
        });
    return of(account.id());
  }

  /** Where mail to an account goes: the address that was set, else its name where that is one. */
  public @Nullable String mailOf(Account account) {
    String set = of(account.id()).mail();
    return set == null && MailAddress.isOne(account.name()) ? account.name() : set;
  }

  private static @Nullable String mail(@Nullable String given) {
    if (given == null || given.isBlank()) {
      return null;
    }
    if (!MailAddress.isOne(given.strip())) {
      throw AccountStore.invalid("mail", AccountsWords.isNotMailAddress(given.strip()));
    }
    return given.strip();
  }

  private static Map<String, String> checked(Map<String, String> keys) {
    if (keys.size() > MOST_KEYS) {
      throw AccountStore.invalid("keys", AccountsWords.atMostKeysCanBeChanged(MOST_KEYS));
    }
    Set<String> taken = new HashSet<>();
    keys.forEach(
        (what, key) -> {
          if (what.length() > LONGEST_ACTION) {
            throw AccountStore.invalid("keys", AccountsWords.nothingDoesThat(what));
          }
          if (key == null || key.codePointCount(0, key.length()) != 1 || key.isBlank()) {
            throw AccountStore.invalid("keys", AccountsWords.isNotOneKey(key));
          }
          if (!taken.add(key)) {
            throw AccountStore.invalid("keys", AccountsWords.standsForTwoThings(key));
          }
        });
    return keys;
  }
}
