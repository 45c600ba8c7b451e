package zealoustarget.server.briefing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.platform.problems.UnknownValue;

/**
 * To whom a briefing goes.
 *
 * @param names of accounts
 * @param roles whoever has one of them at the time of sending
 */
record Recipients(List<String> names, List<Role> roles) {
  /** Stands before a role among names; no account's name has a colon. */
  private static final String ROLE = "role:";

  /**
   * As they are asked for.
   *
   * @throws Refusal value-unknown for a role that there is none of
   */
  static Recipients of(@Nullable List<String> names, @Nullable List<String> roles) {
    return new Recipients(
        names == null ? List.of() : List.copyOf(names),
        roles == null ? List.of() : roles.stream().map(Recipients::role).toList());
  }

  private static Role role(String word) {
    return Arrays.stream(Role.values())
        .filter(role -> role.word().equals(word))
        .findFirst()
        .orElseThrow(
            () -> UnknownValue.of("roles", word, Arrays.stream(Role.values()).map(Role::word)));
  }

  /** As {@link #kept} wrote them. */
  static Recipients read(String kept) {
    List<String> names = new ArrayList<>();
    List<Role> roles = new ArrayList<>();
    for (String line : kept.split("\n")) {
      if (line.startsWith(ROLE)) {
        roles.add(role(line.substring(ROLE.length())));
      } else {
        names.add(line);
      }
    }
    return new Recipients(names, roles);
  }

  /** For the record: one a line. */
  String kept() {
    return String.join(
        "\n",
        Stream.concat(names.stream(), roles.stream().map(role -> ROLE + role.word())).toList());
  }

  boolean isEmpty() {
    return names.isEmpty() && roles.isEmpty();
  }

  List<String> roleWords() {
    return roles.stream().map(Role::word).toList();
  }

  /** "Tilda Voss, everybody who is a manager". */
  String words() {
    return String.join(
        ", ",
        Stream.concat(
                names.stream(),
                roles.stream().map(role -> BriefingWords.everybodyWithRole(role.word())))
            .toList());
  }
}
