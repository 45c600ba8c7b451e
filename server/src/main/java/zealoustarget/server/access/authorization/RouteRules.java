package zealoustarget.server.access.authorization;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpMethod;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.access.tokens.TokenScope;

/**
 * Who may use which route: the one table of it. A route that is not in it is open to nobody. Which
 * rows a route shows is decided below, by {@link RowAccess}.
 */
public final class RouteRules {
  /**
   * One route.
   *
   * @param roles null where nobody needs to be signed in
   * @param isAdministration whether it takes an administrator
   */
  public record Rule(
      HttpMethod method,
      String pattern,
      @Nullable Set<Role> roles,
      TokenScope scope,
      boolean isAdministration) {
    /** Whether the route is open without signing in. */
    public boolean isOpen() {
      return roles == null;
    }

    /** Whether a role may use the route with a password, apart from administration. */
    public boolean allows(Role role) {
      return roles == null || roles.contains(role);
    }
  }

  private static final Set<Role> ALL = EnumSet.allOf(Role.class);
  private static final Set<Role> OFFICE = EnumSet.of(Role.ANALYST, Role.APPROVER);
  private static final Set<Role> ANALYST = EnumSet.of(Role.ANALYST);
  private static final Set<Role> APPROVER = EnumSet.of(Role.APPROVER);
  private static final Set<Role> FORECASTING = EnumSet.of(Role.ANALYST, Role.REP);
  private static final Set<Role> EXPLAINING = EnumSet.of(Role.ANALYST, Role.MANAGER);

  private static final List<Rule> RULES = new ArrayList<>();

  static {
    open("/health");
    open("/session");
    open(HttpMethod.POST, "/session");
    open(HttpMethod.POST, "/session/first");
    all(HttpMethod.DELETE, "/session");
    all(HttpMethod.PUT, "/session/password");
    read(ALL, "/session/preferences");
    all(HttpMethod.PUT, "/session/preferences");
    read(ALL, "/tokens");
    all(HttpMethod.POST, "/tokens");
    all(HttpMethod.DELETE, "/tokens/{id}");
    administration(HttpMethod.GET, "/accounts");
    administration(HttpMethod.POST, "/accounts");
    administration(HttpMethod.PUT, "/accounts/{id}");
    administration(HttpMethod.POST, "/accounts/{id}/password");

    copies(HttpMethod.GET, "/backups");
    copies(HttpMethod.POST, "/backups");
    copies(HttpMethod.GET, "/backups/{name}");
    rule(HttpMethod.POST, "/backups/restored", OFFICE, TokenScope.ALL);
    copies(HttpMethod.GET, "/company/export");

    read(OFFICE, "/demo");
    rule(HttpMethod.POST, "/demo", ANALYST, TokenScope.ALL);
    read(ALL, "/company");
    read(ALL, "/members");
    read(ALL, "/months");
    read(ALL, "/standing");
    read(ALL, "/standing/sheet");
    read(ALL, "/standing/comparison");
    read(ALL, "/standing/claims");
    read(ALL, "/standing/export.csv");
    read(ALL, "/standing/export.xlsx");
    read(ALL, "/standing/{axis}/{key}/proof");
    read(ALL, "/standing/{axis}/{key}/close-up");
    read(ALL, "/standing/{axis}/{key}/path");
    read(ALL, "/standing/{axis}/{key}/orders");
    read(ALL, "/standing/{axis}/{key}/orders.csv");
    read(ALL, "/standing/{axis}/{key}/corrections");
    rule(HttpMethod.POST, "/standing/trial", OFFICE, TokenScope.READ);
    read(ALL, "/outlook");
    read(ALL, "/outlook/bridge");
    read(ALL, "/outlook/export.csv");
    read(ALL, "/outlook/export.xlsx");
    read(ALL, "/outlook/{axis}/{key}/deals");
    read(ALL, "/outlook/{axis}/{key}/accuracy");
    read(ALL, "/outlook/deals/{deal}/history");
    rule(HttpMethod.PUT, "/outlook/deals/{deal}/override", FORECASTING, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/outlook/deals/{deal}/override", FORECASTING, TokenScope.ALL);
    read(ALL, "/reasons");
    rule(HttpMethod.PUT, "/reasons", ANALYST, TokenScope.ALL);
    rule(HttpMethod.PUT, "/notes/{axis}/{key}/{month}", EXPLAINING, TokenScope.ALL);
    read(ALL, "/follow-ups");
    rule(HttpMethod.POST, "/notes/{axis}/{key}/{month}/follow-ups", EXPLAINING, TokenScope.ALL);
    rule(HttpMethod.PUT, "/follow-ups/{id}", EXPLAINING, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/follow-ups/{id}", EXPLAINING, TokenScope.ALL);
    read(ALL, "/views");
    all(HttpMethod.PUT, "/views/{name}");
    all(HttpMethod.DELETE, "/views/{name}");

    read(ALL, "/earnings");
    read(ALL, "/earnings/desk");
    read(ALL, "/earnings/totals");
    read(ALL, "/earnings/reps/{rep}");
    read(ALL, "/earnings/reps/{rep}/what-if");
    read(ALL, "/earnings/reps/{rep}/statement.pdf");
    read(ALL, "/earnings/one-more-order");
    rule(HttpMethod.POST, "/earnings/trial", OFFICE, TokenScope.READ);
    read(OFFICE, "/earnings/payroll.csv");
    rule(HttpMethod.POST, "/earnings/jobs/pdf", OFFICE, TokenScope.READ);
    rule(HttpMethod.POST, "/earnings/jobs/send", ANALYST, TokenScope.ALL);
    read(OFFICE, "/earnings/jobs/{id}");
    read(OFFICE, "/earnings/jobs/{id}/statements.pdf");
    read(OFFICE, "/earnings/sent");
    read(OFFICE, "/briefings");
    rule(HttpMethod.POST, "/briefings", ANALYST, TokenScope.ALL);
    read(OFFICE, "/briefings/templates");
    rule(HttpMethod.PUT, "/briefings/templates/{name}", ANALYST, TokenScope.ALL);
    read(OFFICE, "/briefings/readers");
    read(OFFICE, "/briefings/schedules");
    rule(HttpMethod.POST, "/briefings/schedules", ANALYST, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/briefings/schedules/{id}", ANALYST, TokenScope.ALL);
    read(OFFICE, "/briefings/{id}");
    rule(HttpMethod.PUT, "/briefings/{id}", ANALYST, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/briefings/{id}", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/take", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/keep", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/hand", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/sign", OFFICE, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/decline", OFFICE, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/reviewers", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/briefings/{id}/remarks", OFFICE, TokenScope.ALL);
    rule(HttpMethod.PUT, "/briefings/{id}/remarks/{remark}", OFFICE, TokenScope.ALL);
    read(OFFICE, "/briefings/{id}/candidates");
    read(OFFICE, "/briefings/{id}/briefing.pdf");
    read(OFFICE, "/briefings/{id}/briefing.html");
    read(OFFICE, "/briefings/{id}/briefing.xlsx");
    read(OFFICE, "/briefings/{id}/briefing.txt");
    rule(HttpMethod.POST, "/briefings/{id}/send", ANALYST, TokenScope.ALL);
    read(OFFICE, "/closes");
    read(OFFICE, "/months/{month}/close-list");
    rule(HttpMethod.PUT, "/months/{month}/close-list/{line}/waiver", OFFICE, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/months/{month}/close-list/{line}/waiver", OFFICE, TokenScope.ALL);
    rule(HttpMethod.POST, "/months/{month}/close-list/lines", OFFICE, TokenScope.ALL);
    rule(HttpMethod.PUT, "/months/{month}/close-list/lines/{id}", OFFICE, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/months/{month}/close-list/lines/{id}", OFFICE, TokenScope.ALL);
    rule(HttpMethod.PUT, "/source-rhythms", ANALYST, TokenScope.ALL);
    read(OFFICE, "/months/{month}/seal");
    read(OFFICE, "/months/{month}/seal/snapshot.zip");
    rule(HttpMethod.POST, "/months/{month}/seal", OFFICE, TokenScope.ALL);
    rule(HttpMethod.POST, "/months/{month}/unseal", APPROVER, TokenScope.ALL);
    read(OFFICE, "/months/{month}/changed");

    for (String rules : List.of("/rules", "/playbook")) {
      read(OFFICE, rules);
      rule(HttpMethod.PUT, rules, ANALYST, TokenScope.ALL);
      rule(HttpMethod.POST, rules + "/changes", OFFICE, TokenScope.READ);
      read(OFFICE, rules + "/decides");
      rule(HttpMethod.POST, rules + "/holidays", ANALYST, TokenScope.READ);
    }
    read(OFFICE, "/goals/{goalSet}");
    rule(HttpMethod.PUT, "/goals/{goalSet}", ANALYST, TokenScope.ALL);
    rule(HttpMethod.PUT, "/goals/{goalSet}/set", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/goals/spread", OFFICE, TokenScope.READ);
    read(OFFICE, "/goals/{goalSet}/desk");
    read(OFFICE, "/goals/{goalSet}/desk/percents");
    read(OFFICE, "/goals/{goalSet}/history");
    read(OFFICE, "/goals/{goalSet}/compared");
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/hand", ANALYST, TokenScope.ALL);
    read(OFFICE, "/goals/{goalSet}/sheet.csv");
    read(OFFICE, "/goals/{goalSet}/sheet.xlsx");
    rule(HttpMethod.PUT, "/goals/{goalSet}/draft", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/spread", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/levels", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/takeover", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/file", ANALYST, TokenScope.ALL);
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/sum", OFFICE, TokenScope.READ);
    rule(HttpMethod.POST, "/goals/{goalSet}/draft/apply", ANALYST, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/goals/{goalSet}/draft", ANALYST, TokenScope.ALL);
    read(OFFICE, "/proposals");
    read(OFFICE, "/proposals/{id}");
    rule(HttpMethod.POST, "/proposals/{id}/accept", OFFICE, TokenScope.ALL);
    rule(HttpMethod.POST, "/proposals/{id}/decline", OFFICE, TokenScope.ALL);
    rule(HttpMethod.DELETE, "/proposals/{id}", OFFICE, TokenScope.ALL);
    read(OFFICE, "/record");
    read(OFFICE, "/audit");
    read(OFFICE, "/audit.csv");

    read(OFFICE, "/loads");
    load(HttpMethod.POST, "/loads");
    read(OFFICE, "/loads/{id}");
    load(HttpMethod.DELETE, "/loads/{id}");
    load(HttpMethod.POST, "/loads/{id}/post");
    load(HttpMethod.POST, "/loads/{id}/reverse");
    load(HttpMethod.POST, "/loads/receive");
    load(HttpMethod.POST, "/loads/{id}/read");
    load(HttpMethod.POST, "/loads/{id}/cancel");
    read(OFFICE, "/loads/{id}/progress");
    read(OFFICE, "/loads/{id}/sheet");
    read(OFFICE, "/loads/{id}/checks");
    read(OFFICE, "/loads/{id}/changes");
    load(HttpMethod.PUT, "/loads/{id}/reading");
    load(HttpMethod.PUT, "/loads/{id}/control");
    load(HttpMethod.POST, "/loads/{id}/control");
    rule(HttpMethod.POST, "/loads/{id}/fixes", ANALYST, TokenScope.SETTLE);
    rule(HttpMethod.DELETE, "/loads/{id}/fixes", ANALYST, TokenScope.SETTLE);
    rule(HttpMethod.POST, "/loads/{id}/names", ANALYST, TokenScope.SETTLE);
    rule(HttpMethod.POST, "/loads/{id}/members", ANALYST, TokenScope.SETTLE);
    read(OFFICE, "/loads/{id}/original");
    read(OFFICE, "/loads/{id}/remainder.csv");
    load(HttpMethod.POST, "/loads/{id}/remainder");
    read(OFFICE, "/names");
    rule(HttpMethod.DELETE, "/names", ANALYST, TokenScope.ALL);
    read(OFFICE, "/templates/{kind}.csv");
    read(OFFICE, "/sources");
    load(HttpMethod.POST, "/pulls");
  }

  private RouteRules() {}

  /** All of them, a route before those that its pattern would cover. */
  public static List<Rule> all() {
    return List.copyOf(RULES);
  }

  /** The rule of a route by its pattern in the description of the routes; null for none. */
  public static @Nullable Rule find(HttpMethod method, String pattern) {
    return RULES.stream()
        .filter(rule -> rule.method().equals(method) && rule.pattern().equals(pattern))
        .findFirst()
        .orElse(null);
  }

  /** The rule that decides about a request; null for none. */
  static @Nullable Rule of(HttpMethod method, String path) {
    HttpMethod asked = method.equals(HttpMethod.HEAD) ? HttpMethod.GET : method;
    PathContainer container = PathContainer.parsePath(path);
    Rule best = null;
    PathPattern bestPattern = null;
    for (int at = 0; at < RULES.size(); at++) {
      PathPattern pattern = Patterns.PARSED.get(at);
      if (RULES.get(at).method().equals(asked)
          && pattern.matches(container)
          && (bestPattern == null || pattern.compareTo(bestPattern) < 0)) {
        best = RULES.get(at);
        bestPattern = pattern;
      }
    }
    return best;
  }

  /** Whether any method of a path is in the table. */
  static boolean isKnown(String path) {
    PathContainer container = PathContainer.parsePath(path);
    return Patterns.PARSED.stream().anyMatch(pattern -> pattern.matches(container));
  }

  /** The patterns as the routes themselves are matched. */
  private static final class Patterns {
    static final List<PathPattern> PARSED =
        RULES.stream()
            .map(rule -> PathPatternParser.defaultInstance.parse(rule.pattern()))
            .toList();
  }

  private static void open(String path) {
    open(HttpMethod.GET, path);
  }

  private static void open(HttpMethod method, String path) {
    RULES.add(new Rule(method, "/api/v1" + path, null, TokenScope.READ, false));
  }

  private static void read(Set<Role> roles, String path) {
    rule(HttpMethod.GET, path, roles, TokenScope.READ);
  }

  private static void load(HttpMethod method, String path) {
    rule(method, path, ANALYST, TokenScope.LOAD);
  }

  private static void all(HttpMethod method, String path) {
    rule(method, path, ALL, TokenScope.ALL);
  }

  private static void administration(HttpMethod method, String path) {
    RULES.add(new Rule(method, "/api/v1" + path, ALL, TokenScope.ALL, true));
  }

  /** Copies hold everything: only for administrators who may see it. */
  private static void copies(HttpMethod method, String path) {
    RULES.add(new Rule(method, "/api/v1" + path, OFFICE, TokenScope.ALL, true));
  }

  private static void rule(HttpMethod method, String path, Set<Role> roles, TokenScope scope) {
    RULES.add(new Rule(method, "/api/v1" + path, roles, scope, false));
  }
}
