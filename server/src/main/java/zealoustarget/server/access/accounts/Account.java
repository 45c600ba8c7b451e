package zealoustarget.server.access.accounts;

import org.jspecify.annotations.Nullable;
import org.springframework.security.core.AuthenticatedPrincipal;

/**
 * Who acts.
 *
 * @param id 0 for the application itself
 * @param member key of the rep or manager whose rows are seen; null where everything is
 * @param isAdministrator whether accounts and backups are looked after
 * @param mustChange whether the password was given by another and has to be changed first
 * @param stamp grows with every change of password, role or access
 * @param version grows with every change
 */
public record Account(
    int id,
    String name,
    Role role,
    @Nullable String member,
    boolean isAdministrator,
    boolean isDisabled,
    boolean mustChange,
    int stamp,
    int version)
    implements AuthenticatedPrincipal {

  /** The application itself, as when it fills an empty folder. */
  public static Account system(String name) {
    return new Account(0, name, Role.ANALYST, null, true, false, false, 0, 0);
  }

  @Override
  public String getName() {
    return name;
  }

  /** What tells apart what is seen: the same text, the same rows. */
  public String sightKey() {
    return role.seesEverything() ? "everything" : role.word() + " " + member;
  }
}
