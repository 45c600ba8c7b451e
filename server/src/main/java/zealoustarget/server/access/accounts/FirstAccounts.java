package zealoustarget.server.access.accounts;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.http.OwnSiteFilter;

/**
 * The first accounts: the demo's, one that settings name, or one that is made with a code from the
 * console.
 */
@Component
@Order(0)
public class FirstAccounts implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(FirstAccounts.class);

  /** An account of the demo, with its password for everybody to use. */
  public record DemoAccount(
      String name, String role, @Nullable String member, String password, String what) {}

  private record Demo(List<DemoAccount> accounts) {}

  private final AccountStore accounts;
  private final AccountSettings settings;
  private final Passwords passwords;
  private final List<DemoAccount> demo;
  private volatile @Nullable String code;

  FirstAccounts(
      AccountStore accounts,
      AccountSettings settings,
      Passwords passwords,
      JsonMapper json,
      @Value("${zealous.seed-dir}") String seedFolder,
      @Value("${server.address}") String address,
      @Value("${zealous.hosts}") List<String> hosts)
      throws UnknownHostException {
    this.accounts = accounts;
    this.settings = settings;
    this.passwords = passwords;
    this.demo = demo(seedFolder, json);
    if (!demo.isEmpty()) {
      if (!InetAddress.getByName(address).isLoopbackAddress()) {
        throw new OpenDemo(AccountsWords.onAddress(address));
      }
      if (hosts.stream().anyMatch(host -> !host.isBlank() && !OwnSiteFilter.isLocal(host))) {
        throw new OpenDemo(AccountsWords.byName(String.join(", ", hosts)));
      }
    }
  }

  private static List<DemoAccount> demo(String seedFolder, JsonMapper json) {
    Path file = Path.of(seedFolder, "accounts.json");
    return seedFolder.isBlank() || !Files.exists(file)
        ? List.of()
        : json.readValue(file.toFile(), Demo.class).accounts();
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (!accounts.isEmpty()) {
      return;
    }
    CurrentAccount.asSystem("application", this::begin);
  }

  private void begin() {
    if (!settings.first().isBlank()) {
      passwords.check(settings.firstPassword(), settings.first());
      accounts.add(settings.first(), administrator(), settings.firstPassword(), false);
    } else if (!demo.isEmpty()) {
      demo.forEach(this::addDemo);
    } else if (settings.withCode()) {
      code = passwords.generated();
      LOG.warn("Nobody has an account yet. To make the first, open the page and give this code:");
      LOG.warn("    {}", code);
    }
  }

  private void addDemo(DemoAccount one) {
    Role role = Role.findByWord(one.role()).orElseThrow();
    accounts.add(
        one.name(),
        new AccountStore.Rights(role, one.member(), role == Role.ANALYST, false),
        one.password(),
        false);
  }

  private static AccountStore.Rights administrator() {
    return new AccountStore.Rights(Role.ANALYST, null, true, false);
  }

  /** Whether the first account is still to be made with the code from the console. */
  public boolean isWaiting() {
    return code != null && accounts.isEmpty();
  }

  /** The demo's accounts whose passwords are still those that everybody knows. */
  public List<DemoAccount> offered() {
    return demo.stream()
        .filter(
            one ->
                accounts
                    .findByName(one.name())
                    .filter(account -> account.stamp() == 0 && !account.isDisabled())
                    .isPresent())
        .toList();
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  /**
   * Makes the first account.
   *
   * @throws Refusal sign-in-failed for a wrong code; password-weak; account-invalid
   */
  public synchronized Account make(String given, String name, String password) {
    String expected = code;
    boolean isRight =
        expected != null
            && isWaiting()
            && given != null
            && MessageDigest.isEqual(bytes(expected), bytes(given.strip()));
    if (!isRight) {
      throw Refusal.of("sign-in-failed", AccountsWords.THAT_IS_NOT_CODE);
    }
    passwords.check(password, name == null ? "" : name.strip());
    Account[] made = new Account[1];
    CurrentAccount.asSystem(
        "application", () -> made[0] = accounts.add(name, administrator(), password, false));
    code = null;
    return made[0];
  }
}
