package zealoustarget.server.access.accounts;

import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code access.accounts}. */
final class AccountsWords {
  static final String VERSION_OF_ACCOUNT_IS_MISSING =
      "The version of the account is missing. Load the accounts again.";
  static final String UNKNOWN_ROLE = "The role is one of analyst, approver, manager and rep.";
  static final String AT_LEAST_ONE_ADMINISTRATOR_IS_NEEDED =
      "At least one administrator is needed. Make another account an administrator first.";
  static final String OWN_ROLE_IS_CHANGED_BY_ANOTHER =
      "Your own role and access are changed by another administrator.";
  static final String THAT_IS_NOT_CODE =
      "That is not the code. It is shown in the server's console.";
  static final String PASSWORD_HOLDS_ACCOUNTS_NAME = "The password holds the account's name.";
  static final String PASSWORD_HOLDS_COMPANYS_NAME = "The password holds the company's name.";
  static final String PASSWORD_REPEATS_FEW_CHARACTERS = "The password repeats a few characters.";
  static final String PASSWORD_IS_TRIED_FIRST =
      "The password is one of those that are tried first.";

  private AccountsWords() {}

  static String accountVersion(int id, int version, AccountStore.Rights rights) {
    return "account " + id + ", version " + version + ": " + rights;
  }

  static String selectMember(String role) {
    return "Select which " + role + " of the roster this is.";
  }

  static String notOnRoster(String role, String key) {
    return "There is no " + role + " \"" + key + "\" on the roster.";
  }

  static String nameHasWrongCharacters(int longestName) {
    return "An account's name has 1 to "
        + longestName
        + " letters, digits, blanks, dots, dashes or @ and begins with a letter or digit.";
  }

  static String nameIsTaken(String stripped) {
    return "There is an account \"" + stripped + "\" already. Choose another name.";
  }

  static String accountMade(String stripped) {
    return "account " + stripped + " made";
  }

  static String accountChanged(String name) {
    return "account " + name + " changed";
  }

  static String accountWasChangedMeanwhile(String name, String rights) {
    return "The account "
        + name
        + " was changed meanwhile: it is now "
        + rights
        + ". Load it again, then change it.";
  }

  static String passwordChanged(String name, boolean mustChange) {
    return "account " + name + ": password " + (mustChange ? "reset" : "changed");
  }

  static String rights(
      String role, @Nullable String member, boolean isAdministrator, boolean isDisabled) {
    return role
        + (member == null ? "" : " " + member)
        + (isAdministrator ? ", administrator" : "")
        + (isDisabled ? ", closed" : "");
  }

  static String noAccount(int id) {
    return "There is no account " + id + ".";
  }

  static String onAddress(String address) {
    return "on " + address;
  }

  static String byName(String names) {
    return "by the name " + names;
  }

  static String demoIsForThisMachineOnly(String way) {
    return "The demo's passwords are known to everybody, so it is there for this machine only, not "
        + way
        + ". Start without the demo (--empty), or leave address and host names out.";
  }

  static String passwordHasWrongLength(int shortest, int longest) {
    return "A password has " + shortest + " to " + longest + " characters.";
  }

  static String chooseAnother(String words) {
    return words + " Choose another.";
  }

  static String mailAddress(String account) {
    return "mail address of " + account;
  }

  static String isNotMailAddress(String given) {
    return "\"" + given + "\" is not an e-mail address. Write it as name@company.example.";
  }

  static String atMostKeysCanBeChanged(int mostKeys) {
    return "At most " + mostKeys + " keys can be changed.";
  }

  static String nothingDoesThat(String what) {
    return "\"" + what + "\" is not an action that has a key.";
  }

  static String isNotOneKey(String key) {
    return "\"" + key + "\" is not one key. Enter a single letter or sign.";
  }

  static String standsForTwoThings(String key) {
    return "\"" + key + "\" stands for two things. Choose another key for one.";
  }

  static String thisNeedsTwoPersons(String acting) {
    return "Two people have to ask for this. It is noted that "
        + acting
        + " asked for it; nothing changes until another person does the same within a day.";
  }
}
