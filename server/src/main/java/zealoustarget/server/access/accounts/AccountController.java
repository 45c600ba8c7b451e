package zealoustarget.server.access.accounts;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;
import zealoustarget.server.masterdata.MemberStore;

/** Looking after accounts; for administrators. */
@RestController
@RequestMapping("/api/v1/accounts")
class AccountController {
  private final AccountStore accounts;
  private final Passwords passwords;
  private final MemberStore members;
  private final AccountAnswers answers;
  private final TwoPersons twoPersons;

  AccountController(
      AccountStore accounts,
      Passwords passwords,
      MemberStore members,
      AccountAnswers answers,
      TwoPersons twoPersons) {
    this.twoPersons = twoPersons;
    this.answers = answers;
    this.accounts = accounts;
    this.passwords = passwords;
    this.members = members;
  }

  /**
   * An account to make or change.
   *
   * @param member key on the roster, for a manager or rep
   * @param version that was looked at, for a change
   */
  record AccountBody(
      String name,
      String role,
      String member,
      Boolean isAdministrator,
      Boolean isDisabled,
      Integer version) {}

  /** An account whose password was given; it is seen this once. */
  record GivenAnswer(AccountAnswer account, String password) {}

  /** All accounts by name. */
  @GetMapping
  List<AccountAnswer> all() {
    return accounts.all().stream().map(answers::of).toList();
  }

  /**
   * Makes an account with a password that has to be changed at the first sign-in. 400 {@code
   * account-invalid}; 409 {@code account-exists}.
   */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  GivenAnswer add(@RequestBody AccountBody body) {
    String password = passwords.generated();
    return new GivenAnswer(
        answers.of(accounts.add(body.name(), rights(body), password, true)), password);
  }

  /**
   * Gives another role, member or access. 409 {@code changed-meanwhile} where another version is in
   * force, {@code last-administrator}, {@code own-role}; {@code another-person} for the first of
   * two.
   */
  @PutMapping("/{id}")
  AccountAnswer change(@PathVariable int id, @RequestBody AccountBody body) {
    AccountStore.Rights rights = rights(body);
    int version = version(body);
    accounts.checkChange(id, version, rights);
    twoPersons.ofAdministrators(AccountsWords.accountVersion(id, version, rights));
    return answers.of(accounts.change(id, version, rights));
  }

  /** Gives a new password that has to be changed at the next sign-in. */
  @PostMapping("/{id}/password")
  GivenAnswer reset(@PathVariable int id) {
    String password = passwords.generated();
    return new GivenAnswer(answers.of(accounts.setPassword(id, password, true)), password);
  }

  private static int version(AccountBody body) {
    if (body.version() == null) {
      throw AccountStore.invalid("version", AccountsWords.VERSION_OF_ACCOUNT_IS_MISSING);
    }
    return body.version();
  }

  private AccountStore.Rights rights(AccountBody body) {
    Role role =
        Role.findByWord(body.role())
            .orElseThrow(() -> AccountStore.invalid("role", AccountsWords.UNKNOWN_ROLE));
    return new AccountStore.Rights(
        role,
        member(role, body.member()),
        Boolean.TRUE.equals(body.isAdministrator()),
        Boolean.TRUE.equals(body.isDisabled()));
  }

  private @Nullable String member(Role role, String key) {
    if (role.seesEverything()) {
      return null;
    }
    if (key == null || key.isBlank() || members.find(role.axis(), key).isEmpty()) {
      throw Refusal.of(
              "account-invalid",
              key == null || key.isBlank()
                  ? AccountsWords.selectMember(role.word())
                  : AccountsWords.notOnRoster(role.word(), key.strip()))
          .with("name", "member");
    }
    return members.key(members.find(role.axis(), key).getAsInt());
  }
}
