package zealoustarget.server.access.accounts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.context.properties.bind.Binder;
import org.springframework.boot.context.properties.source.MapConfigurationPropertySource;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.CompanyName;

class PasswordsTest {
  private static final AccountSettings SETTINGS =
      new Binder(new MapConfigurationPropertySource())
          .bindOrCreate("zealous.accounts", AccountSettings.class);

  private final CompanyName company = new CompanyName();
  private final Passwords passwords = new Passwords(company, SETTINGS);

  @ParameterizedTest
  @CsvSource({
    "'short one', 10 to 200",
    "'', 10 to 200",
    "'ines 2026 x', holds the account",
    "'Ines-Ines-1', holds the account",
    "'aaaaaaaaaabbb', repeats",
    "'1212121212', repeats",
    "'1234567890', tried first",
    "'Password12345', tried first",
    "'qwertyuiop', tried first",
    "'Football!2026!', tried first",
    "'saltmarsh-2026', holds the company",
    "'My Provisions1', holds the company",
  })
  void weakPassword_isRefusedWithItsRule(String password, String words) {
    company.set("Saltmarsh Provisions");
    assertThatThrownBy(() -> passwords.check(password, "Ines"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining(words)
        .hasMessageContaining("Choose another");
  }

  @ParameterizedTest
  @CsvSource({"correct horse", "päßwörter sind gut", "ines went to the harbour at nine"})
  void longOnes_areTaken(String password) {
    assertThatCode(() -> passwords.check(password, "Ines")).doesNotThrowAnyException();
  }

  @Test
  void hash_isAnotherEachTime_andFitsOnlyItsPassword() {
    String hash = passwords.hash("correct horse");
    assertThat(hash).startsWith("$argon2id$").isNotEqualTo(passwords.hash("correct horse"));
    assertThat(passwords.matches("correct horse", hash)).isTrue();
    assertThat(passwords.matches("Correct horse", hash)).isFalse();
    assertThat(passwords.matches("correct horse", null)).as("nobody's").isFalse();
  }

  @Test
  void givenPasswords_areAllowed_andNeverTheSame() {
    Set<String> given = new HashSet<>();
    for (int time = 0; time < 500; time++) {
      String password = passwords.generated();
      assertThat(password).matches("([a-z2-9]{4}-){3}[a-z2-9]{4}");
      given.add(password);
    }
    assertThat(given).hasSize(500);
    given.forEach(password -> passwords.check(password, "Ines"));
  }

  @Test
  void aHash_takesNineteenMebibytesUnlessSettingsSayOtherwise() {
    assertThat(passwords.hash("a long enough one")).startsWith("$argon2id$v=19$m=19456,t=2,p=1$");
  }
}
