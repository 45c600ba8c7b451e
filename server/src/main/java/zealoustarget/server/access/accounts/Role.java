package zealoustarget.server.access.accounts;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import zealoustarget.core.member.Axis;

/** What somebody does here, and with it what is seen. */
public enum Role {
  ANALYST,
  APPROVER,
  MANAGER,
  REP;

  /** As it travels: {@code analyst}. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Whether every row is seen; otherwise only those of the member to whom the account is tied. */
  public boolean seesEverything() {
    return this == ANALYST || this == APPROVER;
  }

  /** The axis of the member to whom such an account is tied. */
  Axis axis() {
    return this == MANAGER ? Axis.MANAGER : Axis.REP;
  }

  static Optional<Role> findByWord(String word) {
    return Stream.of(values())
        .filter(role -> word != null && role.word().equals(word.strip().toLowerCase(Locale.ROOT)))
        .findFirst();
  }
}
