package zealoustarget.server.earnings.delivery;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How statements are sent; settings {@code zealous.mail.*}.
 *
 * @param host of the mail server; empty for none
 * @param from sender's address
 * @param to address of a rep whose roster gives none, with {@code {rep}} where the key goes
 * @param timeout how long the server may take for each answer
 */
@ConfigurationProperties("zealous.mail")
record MailSettings(
    @DefaultValue("") String host,
    @DefaultValue("25") int port,
    @DefaultValue("commission@localhost") String from,
    @DefaultValue("{rep}@localhost") String to,
    @DefaultValue("10s") Duration timeout) {
  boolean isSet() {
    return !host.isBlank();
  }
}
