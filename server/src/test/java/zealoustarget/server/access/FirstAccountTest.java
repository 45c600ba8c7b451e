package zealoustarget.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zealoustarget.server.access.accounts.FirstAccounts;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

class FirstAccountTest {
  private static final Pattern CODE = Pattern.compile("[a-z2-9]{4}(-[a-z2-9]{4}){3}");

  @Test
  void firstStart_makesAnAccountWithTheCodeFromTheConsole_once(@TempDir Path data)
      throws Exception {
    try (RunningServer server = RunningServer.start(data, RunningServer.OWN_ACCOUNTS)) {
      Api stranger = server.stranger();
      assertThat(stranger.get("/api/v1/session").json().get("isFirst").asBoolean()).isTrue();
      Matcher code = CODE.matcher(Files.readString(data.resolve("log/zealous.log")));
      assertThat(code.find()).isTrue();
      String body = "{\"code\": \"%s\", \"name\": \"Ada\", \"password\": \"%s\"}";
      // scripts without a session carry no cookie, so they say who they are by a header
      Api script = server.bearer("none");
      assertThat(script.post("/api/v1/session/first", body.formatted("x", Api.PASSWORD)).status())
          .isEqualTo(401);
      FirstAccounts first = server.bean(FirstAccounts.class);
      org.assertj.core.api.Assertions.assertThatThrownBy(
              () -> first.make("wrong", "Ada", Api.PASSWORD))
          .hasMessageContaining("not the code");
      first.make(code.group(), "Ada", Api.PASSWORD);
      assertThat(server.api().get("/api/v1/accounts").json().at("/0/isAdministrator").asBoolean())
          .isTrue();
      assertThat(stranger.get("/api/v1/session").json().get("isFirst").asBoolean()).isFalse();
      org.assertj.core.api.Assertions.assertThatThrownBy(
              () -> first.make(code.group(), "Eve", Api.PASSWORD))
          .hasMessageContaining("not the code");
    }
  }
}
