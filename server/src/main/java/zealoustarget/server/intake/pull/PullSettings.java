package zealoustarget.server.intake.pull;

import java.util.Map;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.unit.DataSize;

/**
 * Where files can be pulled from; settings {@code zealous.pull.*}. Nothing else is ever asked.
 *
 * @param sources address by name, with {@code {month}} where the month of orders goes, or with
 *     {@code {day}} where the day of deals does
 * @param limit bytes of all pages together
 * @param pages most pages of one pull
 */
@ConfigurationProperties("zealous.pull")
record PullSettings(
    @DefaultValue Map<String, String> sources,
    @DefaultValue("200MB") DataSize limit,
    @DefaultValue("5000") int pages) {}
