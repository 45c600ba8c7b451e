package zealoustarget.server.accounts;

/**
 * An account as it travels; nothing of its password.
 *
 * @param member key of the rep or manager to whom it is tied; null for analysts and approvers
 * @param version to be sent back with a change
 */
record AccountAnswer(
    int id,
    String name,
    String role,
    String member,
    boolean isAdministrator,
    boolean isDisabled,
    boolean mustChange,
    int version) {
  static AccountAnswer of(Account account) {
    return new AccountAnswer(
        account.id(),
        account.name(),
        account.role().word(),
        account.member(),
        account.isAdministrator(),
        account.isDisabled(),
        account.mustChange(),
        account.version());
  }
}
