package zealoustarget.server.accounts;

import org.springframework.stereotype.Component;
import zealoustarget.server.roster.MemberNames;

/** Puts accounts into the form in which they travel. */
@Component
class AccountAnswers {
  private final MemberNames names;

  AccountAnswers(MemberNames names) {
    this.names = names;
  }

  AccountAnswer of(Account account) {
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
