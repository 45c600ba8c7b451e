package zealoustarget.server.access.authorization;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.HttpMethod;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.access.tokens.TokenScope;

class RouteRulesTest {
  @ParameterizedTest
  @CsvSource({
    "GET, /api/v1/loads/7, /api/v1/loads/{id}, a number in its place",
    "HEAD, /api/v1/loads/7, /api/v1/loads/{id}, the head of a page is asked as the page",
    "POST, /api/v1/loads/receive, /api/v1/loads/receive, the plainer pattern wins",
    "GET, /api/v1/standing/sheet, /api/v1/standing/sheet, no axis is called sheet",
    "GET, /api/v1/standing/rep/a%2Fb/proof, '/api/v1/standing/{axis}/{key}/proof', a key with a stroke",
    "PUT, /api/v1/standing, , another method than those there are",
    "GET, /api/v1/loads/7/secret, , a route that nobody wrote down",
    "GET, /api/v1/loads/7/, , a stroke too many",
    "GET, /api/v1//loads, , two strokes",
    "GET, /api/v1/Loads, , capitals",
    "GET, /api/v1/loads;x=1/7, '/api/v1/loads/{id}', parameters of a path change nothing",
  })
  void request_isRuledByItsRoute_orByNone(String method, String path, String pattern, String why) {
    RouteRules.Rule rule = RouteRules.of(HttpMethod.valueOf(method), path);
    assertThat(rule == null ? null : rule.pattern()).as(why).isEqualTo(pattern);
  }

  @Test
  void onlyHealthAndSigningIn_areOpen() {
    assertThat(
            RouteRules.all().stream().filter(RouteRules.Rule::isOpen).map(RouteRules.Rule::pattern))
        .containsExactlyInAnyOrder(
            "/api/v1/health", "/api/v1/session", "/api/v1/session", "/api/v1/session/first");
  }

  @Test
  void repsAndManagers_changeNothingButTheirOwn() {
    assertThat(
            RouteRules.all().stream()
                .filter(rule -> !rule.isOpen() && !rule.isAdministration())
                .filter(rule -> !rule.method().equals(HttpMethod.GET))
                .filter(rule -> rule.allows(Role.REP))
                .map(rule -> rule.method() + " " + rule.pattern().substring("/api/v1/".length())))
        .containsExactlyInAnyOrder(
            "DELETE session",
            "PUT session/password",
            "PUT session/preferences",
            "POST tokens",
            "DELETE tokens/{id}",
            "PUT views/{name}",
            "DELETE views/{name}",
            "PUT outlook/deals/{deal}/override",
            "DELETE outlook/deals/{deal}/override");
  }

  @Test
  void copiesOfEverything_areForAdministratorsOfTheOffice() {
    for (String path :
        new String[] {"/api/v1/backups", "/api/v1/backups/x", "/api/v1/company/export"}) {
      RouteRules.Rule rule = RouteRules.of(HttpMethod.GET, path);
      assertThat(rule.isAdministration()).as(path).isTrue();
      assertThat(rule.allows(Role.REP)).as(path).isFalse();
      assertThat(rule.allows(Role.MANAGER)).as(path).isFalse();
      assertThat(rule.scope()).as("no token").isEqualTo(TokenScope.ALL);
    }
  }
}
