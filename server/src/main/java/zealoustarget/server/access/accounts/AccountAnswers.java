package zealoustarget.server.access.accounts;

import org.springframework.stereotype.Component;
import zealoustarget.server.masterdata.MemberNames;

/** Puts accounts into the form in which they travel. */
@Component
public class AccountAnswers {
  private final MemberNames names;

  AccountAnswers(MemberNames names) {
    this.names = names;
  }

  /** How an account is told, its member by key. */
  public AccountAnswer of(Account account) {
    return new AccountAnswer(
        account.id(),
        account.name(),
        account.role().word(),
        account.member(),
        account.member() == null ? null : names.nameOf(account.role().axis(), account.member()),
        account.isAdministrator(),
        account.isDisabled(),
        account.mustChange(),
        account.version());
  }
}
