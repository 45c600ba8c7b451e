package zealoustarget.server.platform.mail;

import java.time.Duration;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How mail is sent; settings {@code zealous.mail.*}.
 *
 * @param host of the mail server; empty for none
 * @param from sender's address
 * @param to address of a rep whose roster gives none, with {@code {rep}} where the key goes
 * @param approvers addresses that are told of proposals, beside the approvers' own
 * @param timeout how long the server may take for each answer
 */
@ConfigurationProperties("zealous.mail")
public record MailSettings(
    @DefaultValue("") String host,
    @DefaultValue("25") int port,
    @DefaultValue("commission@localhost") String from,
    @DefaultValue("{rep}@localhost") String to,
    @DefaultValue({}) List<String> approvers,
    @DefaultValue("10s") Duration timeout) {
  public boolean isSet() {
    return !host.isBlank();
  }
}
