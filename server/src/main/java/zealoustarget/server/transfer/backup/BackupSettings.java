package zealoustarget.server.transfer.backup;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Backups, {@code zealous.backup.*}.
 *
 * @param folder where they are kept; empty for {@code backups} in the data folder
 * @param every how often one is made by itself; zero for never
 * @param keep how many of those made by themselves are kept
 * @param passphrase that backups are sealed with; empty for the key of the installation
 */
@ConfigurationProperties("zealous.backup")
record BackupSettings(
    @DefaultValue("") String folder,
    @DefaultValue("0h") Duration every,
    @DefaultValue("14") int keep,
    @DefaultValue("") String passphrase) {}
