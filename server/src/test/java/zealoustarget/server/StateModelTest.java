package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import javax.sql.DataSource;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/**
 * Random changes one after the other. After each, every view is as it is when the whole state is
 * made anew from the stored rows, and as a slow plain twin reckons from them; what is refused
 * changes none.
 */
class StateModelTest {
  private static final int STEPS = Integer.getInteger("steps", 24);
  private static final YearMonth FIRST = YearMonth.of(2026, 1);
  private static final List<String> VIEWS =
      List.of(
          "/api/v1/standing?from=2026-01&to=2026-06&goalSet=quota",
          "/api/v1/standing?from=2026-02&goalSet=quota&closed=restated",
          "/api/v1/standing?axis=region&from=2026-01&to=2026-06",
          "/api/v1/standing?axis=line&from=2026-01&to=2026-06&closed=restated",
          "/api/v1/standing?axis=manager&from=2026-02&to=2026-06&basis=prior-period",
          "/api/v1/standing/sheet?from=2026-01&to=2026-06&goalSet=quota",
          "/api/v1/months?year=2026&measure=revenue&goalSet=quota",
          "/api/v1/earnings?month=2026-02",
          "/api/v1/earnings?month=2026-04");
  private static final String PLAN =
      """
      {"plans": [{"name": "Field", "measure": "revenue", "window": "quarter",
        "paidFrom": "first unit", "method": "sliced", "steps": [{"from": "0", "rate": "0.0%d"}],
        "goalSet": "quota", "reps": ["K0", "K1", "K2"]}]}
      """;

  private final List<Integer> posted = new ArrayList<>();
  private Random random;
  private int rate;
  private int reckoned;
  private Api api;
  private Api approver;

  private String month() {
    return FIRST.plusMonths(random.nextInt(6)).toString();
  }

  private String rep() {
    return "K" + random.nextInt(4);
  }

  private String lines() {
    StringBuilder lines = new StringBuilder("month,order,rep,product,revenue\n");
    String month = month();
    for (int line = 1 + random.nextInt(5); line > 0; line--) {
      lines.append(random.nextInt(4) == 0 ? month() : month).append(",o");
      lines.append(random.nextInt(12)).append(',').append(rep()).append(",P");
      lines.append(random.nextInt(3)).append(',').append(random.nextInt(900)).append('\n');
    }
    return lines.toString();
  }

  private void load(String name, String content, String mode, String... fields) {
    JsonNode staged = api.load(name, content, fields).json();
    if (staged.has("id")) {
      int id = staged.get("id").asInt();
      String post = "/api/v1/loads/" + id + "/post?held=leave&mode=" + mode;
      if (api.post(post).status() == 200) {
        posted.add(id);
      }
    }
  }

  private String step() {
    int kind = random.nextInt(13);
    switch (kind) {
      case 0, 1, 2 -> load("a.csv", lines(), "add", "kind", "actuals");
      case 3 -> load("r.csv", lines(), "replace", "kind", "actuals");
      case 4, 5 -> load("c.csv", lines(), "correct", "kind", "actuals");
      case 6 ->
          load(
              "g.csv",
              "month,rep,revenue\n" + month() + "," + rep() + "," + random.nextInt(900) + "\n",
              "add",
              "kind",
              "goals",
              "goalSet",
              "quota",
              "axis",
              "rep");
      case 7, 12 ->
          load(
              "m.csv",
              "rep,name,region,manager,from\n"
                  + "%s,New name,R%d,M%d,%s\n"
                      .formatted(rep(), random.nextInt(3), random.nextInt(2), month()),
              "add",
              "kind",
              "roster");
      case 8 ->
          load(
              "p.csv",
              "product,name,line\nP%d,Product,L%d\n"
                  .formatted(random.nextInt(3), random.nextInt(3)),
              "add",
              "kind",
              "products");
      case 9 -> {
        if (!posted.isEmpty()) {
          int id = posted.get(random.nextInt(posted.size()));
          if (api.post("/api/v1/loads/" + id + "/reverse").status() == 200) {
            posted.remove((Integer) id);
          }
        }
      }
      case 10 -> {
        JsonNode next = api.get("/api/v1/months/" + FIRST + "/seal").json();
        YearMonth month = FIRST;
        while (next.get("state").asString().equals("sealed") && month.getMonthValue() < 4) {
          month = month.plusMonths(1);
          next = api.get("/api/v1/months/" + month + "/seal").json();
        }
        if (random.nextInt(3) == 0 && month.isAfter(FIRST)) {
          approver.post("/api/v1/months/" + month.minusMonths(1) + "/unseal?reason=again");
        } else {
          api.post("/api/v1/months/" + month + "/seal");
        }
      }
      default -> {
        int next = 1 + random.nextInt(9);
        if (api.put("/api/v1/playbook", PLAN.formatted(next)).status() == 200) {
          rate = next;
        }
      }
    }
    return "step of kind " + kind;
  }

  private List<String> views() {
    return VIEWS.stream().map(view -> view + "\n" + api.get(view).json()).toList();
  }

  /** Actuals as posted now, goals of open months and what an open quarter earned. */
  private void assertPlainTwin(RunningServer server, String what) throws SQLException {
    PlainTwin twin;
    try (Connection connection = server.bean(DataSource.class).getConnection()) {
      twin = new PlainTwin(connection);
    }
    for (YearMonth month = FIRST; month.getMonthValue() <= 6; month = month.plusMonths(1)) {
      String at = what + ", " + month;
      int number = Months.number(month);
      boolean isOpen = !api.get("/api/v1/months/" + month + "/seal").text("state").equals("sealed");
      String view = "/api/v1/standing?closed=restated&from=" + month;
      assertThat(column(view, "actual")).as(at).isEqualTo(twin.actuals(number, number));
      if (isOpen) {
        Map<String, Long> goals = column(view + "&goalSet=quota", "goal");
        assertThat(goals).as(at).isEqualTo(twin.goals(number, number));
      }
    }
    if (!api.get("/api/v1/months/2026-04/seal").text("state").equals("sealed")) {
      assertPay(twin, what);
    }
  }

  private void assertPay(PlainTwin twin, String what) {
    int april = Months.number(YearMonth.of(2026, 4));
    Map<String, Long> goals = twin.goals(april, april + 2);
    for (int month = april; month < april + 3; month++) {
      Map<String, Long> sales = twin.actuals(april, month);
      for (JsonNode row : api.get("/api/v1/earnings?month=" + Months.of(month)).json()) {
        String rep = row.get("rep").asString();
        long sold = sales.getOrDefault(rep, 0L);
        boolean isReckoned = !row.get("earned").isNull(); // not where a month has no quota
        if (isReckoned && !rep.equals("K3") && goals.getOrDefault(rep, 0L) > 0 && sold > 0) {
          reckoned++;
          long earned = Math.floorDiv(sold * rate + 50, 100);
          assertThat(cents(row.get("earned")))
              .as("%s, pay of %s: %s", what, rep, row)
              .isEqualTo(earned);
        }
      }
    }
  }

  /**
   * A figure of each row that has one, by key; without one are rows that nothing was posted for.
   */
  private Map<String, Long> column(String view, String figure) {
    Map<String, Long> column = new TreeMap<>();
    for (JsonNode row : api.get(view).json().path("rows")) {
      Long cents = cents(row.get(figure));
      if (cents != null) {
        column.put(row.get("key").asString(), cents);
      }
    }
    return column;
  }

  private static Long cents(JsonNode amount) {
    return amount == null || amount.isNull()
        ? null
        : Long.valueOf(new BigDecimal(amount.asString()).movePointRight(2).longValueExact());
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void everyState_isAsIfItWereMadeAnew(long seed, @TempDir Path data) throws SQLException {
    random = new Random(seed);
    try (RunningServer server = RunningServer.start(data)) {
      api = server.api();
      approver = server.as("approver", null);
      load(
          "roster.csv",
          "rep,name,region,manager,from\nK0,A,R0,M0,2026-01\nK1,B,R0,M0,2026-01\n"
              + "K2,C,R1,M1,2026-01\nK3,D,R1,M1,2026-03\n",
          "add",
          "kind",
          "roster");
      load("p.csv", "product,name,line\nP0,p,L0\nP1,q,L0\nP2,r,L1\n", "add", "kind", "products");
      load(
          "g.csv",
          "month,rep,revenue\n2026-01,K0,100\n2026-04,K0,90\n2026-05,K1,80\n2026-06,K2,70\n",
          "add",
          "kind",
          "goals",
          "goalSet",
          "quota",
          "axis",
          "rep");
      rate = 3;
      assertThat(api.put("/api/v1/playbook", PLAN.formatted(rate)).status()).isEqualTo(200);
      for (int step = 0; step < STEPS; step++) {
        String what = step();
        List<String> now = views();
        server.bean(LoadService.class).open();
        assertThat(views()).as("seed %d, step %d, %s", seed, step, what).isEqualTo(now);
        assertPlainTwin(server, "seed %d, step %d, %s".formatted(seed, step, what));
      }
      assertThat(reckoned).as("statements that the twin reckoned too").isPositive();
    }
  }
}
