package zealoustarget.server.access.accounts;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How accounts begin, {@code zealous.accounts.*}.
 *
 * @param first name of the first account, for a start without anybody at the console; else empty
 * @param firstPassword its password
 * @param sessionLimit after which a session ends, whatever is done in it
 * @param twoPersons whether changes of roles, reopening a month and restoring take two persons
 * @param withCode whether a code on the console opens the way to the first account
 * @param passwordKilobytes memory that hashing a password takes
 */
@ConfigurationProperties("zealous.accounts")
public record AccountSettings(
    @DefaultValue("") String first,
    @DefaultValue("") String firstPassword,
    @DefaultValue("12h") Duration sessionLimit,
    @DefaultValue("true") boolean withCode,
    @DefaultValue("false") boolean twoPersons,
    @DefaultValue("19456") int passwordKilobytes) {}
