package zealoustarget.server.access.accounts;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.KeyText;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/** Keeps accounts; those in force are also in memory, as every request asks for one. */
@Component
public class AccountStore {
  public static final int LONGEST_NAME = 80;

  /** An account to make or the rights to give. */
  record Rights(Role role, @Nullable String member, boolean isAdministrator, boolean isDisabled) {}

  private final EntityManager entities;
  private final TransactionTemplate transactions;
  private final Passwords passwords;
  private final Audit audit;
  private final Clock clock;
  private final Map<Integer, Account> inForce = new ConcurrentHashMap<>();

  AccountStore(
      EntityManager entities,
      TransactionTemplate transactions,
      Passwords passwords,
      Audit audit,
      Clock clock) {
    this.entities = entities;
    this.transactions = transactions;
    this.passwords = passwords;
    this.audit = audit;
    this.clock = clock;
    this.transactions.executeWithoutResult(
        status ->
            entities
                .createQuery("from AccountEntity", AccountEntity.class)
                .getResultStream()
                .map(AccountEntity::account)
                .forEach(account -> inForce.put(account.id(), account)));
  }

  boolean isEmpty() {
    return inForce.isEmpty();
  }

  List<Account> all() {
    return inForce.values().stream()
        .sorted(Comparator.comparing(account -> KeyText.fold(account.name())))
        .toList();
  }

  /** Accounts that can sign in, by name. */
  public List<Account> active() {
    return all().stream().filter(one -> !one.isDisabled()).toList();
  }

  /** Approvers who can sign in, apart from one account. */
  public List<Account> approversBeside(int id) {
    return all().stream()
        .filter(one -> one.role() == Role.APPROVER && !one.isDisabled() && one.id() != id)
        .toList();
  }

  public Optional<Account> find(int id) {
    return Optional.ofNullable(inForce.get(id));
  }

  public Optional<Account> findByName(String name) {
    String folded = KeyText.fold(name);
    return inForce.values().stream()
        .filter(account -> KeyText.fold(account.name()).equals(folded))
        .findFirst();
  }

  /** The hash of an account's password; null for none. */
  public @Nullable String hash(@Nullable Account account) {
    return account == null
        ? null
        : transactions.execute(
            status -> entities.find(AccountEntity.class, account.id()).passwordHash);
  }

  /**
   * Makes an account.
   *
   * @param mustChange whether the password has to be changed at the first sign-in
   * @throws Refusal account-invalid; account-exists
   */
  synchronized Account add(String name, Rights rights, String password, boolean mustChange) {
    String stripped = name == null ? "" : name.strip();
    if (stripped.isEmpty()
        || stripped.length() > LONGEST_NAME
        || !stripped.matches("[\\p{L}\\p{N}][\\p{L}\\p{N} ._@'-]*")) {
      throw invalid("name", AccountsWords.nameHasWrongCharacters(LONGEST_NAME));
    }
    if (findByName(stripped).isPresent()) {
      throw Refusal.of("account-exists", AccountsWords.nameIsTaken(stripped)).with("name", "name");
    }
    AccountEntity entity = new AccountEntity();
    entity.name = stripped;
    entity.foldedName = KeyText.fold(stripped);
    entity.passwordHash = passwords.hash(password);
    entity.mustChange = mustChange;
    entity.createdAt = clock.instant();
    give(entity, rights);
    transactions.executeWithoutResult(
        status -> {
          entities.persist(entity);
          audit.add(AuditKind.ACCOUNT, AccountsWords.accountMade(stripped), null, words(rights));
        });
    Account made = entity.account();
    inForce.put(made.id(), made);
    return made;
  }

  /**
   * Gives other rights.
   *
   * @param version that was looked at
   * @throws Refusal account-unknown; changed-meanwhile; last-administrator
   */
  synchronized Account change(int id, int version, Rights rights) {
    Account before = checkChange(id, version, rights);
    return write(
        id,
        AccountsWords.accountChanged(before.name()),
        words(before),
        words(rights),
        entity -> give(entity, rights));
  }

  /** Refuses a change of rights as {@link #change} would, and gives the account as it is. */
  synchronized Account checkChange(int id, int version, Rights rights) {
    Account before = find(id).orElseThrow(() -> unknown(id));
    if (before.version() != version) {
      throw Refusal.of(
          "changed-meanwhile",
          AccountsWords.accountWasChangedMeanwhile(before.name(), words(before)));
    }
    checkNotOwn(before, rights);
    boolean keepsOne =
        rights.isAdministrator() && !rights.isDisabled()
            || inForce.values().stream()
                .anyMatch(one -> one.id() != id && one.isAdministrator() && !one.isDisabled());
    if (!keepsOne) {
      throw Refusal.of("last-administrator", AccountsWords.AT_LEAST_ONE_ADMINISTRATOR_IS_NEEDED);
    }
    return before;
  }

  /** What somebody may do is decided by another. */
  private static void checkNotOwn(Account before, Rights rights) {
    boolean isSame =
        before.role() == rights.role()
            && Objects.equals(before.member(), rights.member())
            && before.isAdministrator() == rights.isAdministrator()
            && before.isDisabled() == rights.isDisabled();
    if (!isSame && CurrentAccount.account().id() == before.id()) {
      throw Refusal.of("own-role", AccountsWords.OWN_ROLE_IS_CHANGED_BY_ANOTHER);
    }
  }

  /** Sets a password; all sessions and tokens of the account end. */
  public synchronized Account setPassword(int id, String password, boolean mustChange) {
    Account before = find(id).orElseThrow(() -> unknown(id));
    String hash = passwords.hash(password);
    return write(
        id,
        AccountsWords.passwordChanged(before.name(), mustChange),
        null,
        null,
        entity -> {
          entity.passwordHash = hash;
          entity.mustChange = mustChange;
        });
  }

  private Account write(
      int id,
      String subject,
      @Nullable String before,
      @Nullable String after,
      Consumer<AccountEntity> change) {
    Account now =
        transactions.execute(
            status -> {
              AccountEntity entity =
                  entities.find(AccountEntity.class, id, LockModeType.OPTIMISTIC);
              String hash = entity.passwordHash;
              change.accept(entity);
              entity.stamp++;
              entities.flush();
              if (isEndingTokens(entity, hash)) {
                endTokens(id);
              }
              audit.add(AuditKind.ACCOUNT, subject, before, after);
              return entity.account();
            });
    inForce.put(id, now);
    return now;
  }

  private static boolean isEndingTokens(AccountEntity entity, String hashBefore) {
    return entity.disabled || !entity.passwordHash.equals(hashBefore);
  }

  private void endTokens(int accountId) {
    entities
        .createQuery(
            "update TokenEntity set revokedAt = :now"
                + " where accountId = :account and revokedAt is null")
        .setParameter("now", clock.instant())
        .setParameter("account", accountId)
        .executeUpdate();
  }

  private static void give(AccountEntity entity, Rights rights) {
    entity.role = rights.role();
    entity.member = rights.member();
    entity.administers = rights.isAdministrator();
    entity.disabled = rights.isDisabled();
  }

  private static String words(Account account) {
    return words(
        new Rights(
            account.role(), account.member(), account.isAdministrator(), account.isDisabled()));
  }

  private static String words(Rights rights) {
    return AccountsWords.rights(
        rights.role().word(), rights.member(), rights.isAdministrator(), rights.isDisabled());
  }

  static Refusal unknown(int id) {
    return Refusal.of("account-unknown", AccountsWords.noAccount(id));
  }

  static Refusal invalid(String name, String words) {
    return Refusal.of("account-invalid", words).with("name", name);
  }
}
