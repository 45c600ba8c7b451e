package zealoustarget.server.access.accounts;

import org.jspecify.annotations.Nullable;

/**
 * An account as it travels; nothing of its password.
 *
 * @param member key of the rep or manager to whom it is tied; null for analysts and approvers
 * @param memberName what that member is called; null with {@code member}
 * @param version to be sent back with a change
 */
public record AccountAnswer(
    int id,
    String name,
    String role,
    @Nullable String member,
    @Nullable String memberName,
    boolean isAdministrator,
    boolean isDisabled,
    boolean mustChange,
    int version) {}
