package zealoustarget.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Earnings;
import zealoustarget.core.commission.LedgerSales;
import zealoustarget.core.commission.PlanBook;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Commission of 5,000 reps with year windows, beside reading alone; see bench/README.md. */
public final class EarningsBench {
  private static final int REPS = 5_000;
  private static final int DAYS = 1_095;
  private static final int READS = 60;
  private static final YearMonth FIRST = YearMonth.of(2024, 7);
  private static final String PLAN =
      """
      {"calendar": {"startMonth": 7}, "plans": [{"name": "Year", "window": "year",
        "goalSet": "quota", "floor": {"percent": "0.5"}, "ceiling": {"percent": "1.5"},
        "steps": [{"from": "0", "rate": "0.03"}, {"from": "1", "rate": "0.05"},
          {"from": "1.2", "rate": "0.06"}], "bonus": "1500.00", "negativeDue": "recover"}],
       "assignments": [%s]}
      """;

  private static long sink;

  private EarningsBench() {}

  /** The argument is the number of order lines, 2,000,000 without one. */
  public static void main(String[] arguments) throws Exception {
    int lines = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 2_000_000;
    Path folder = Files.createTempDirectory("bench");
    try (BenchServer server = BenchServer.start(folder.resolve("data"))) {
      BenchServer.asApplication(
          () -> {
            run(server, new OrderFile(folder, REPS, DAYS), lines);
            return null;
          });
    } finally {
      Bench.delete(folder);
    }
  }

  private static void run(BenchServer server, OrderFile files, int lines) throws Exception {
    server.load(files, lines);
    String assignments =
        IntStream.range(0, REPS)
            .mapToObj("{\"rep\": \"R%04d\", \"plan\": \"Year\"}"::formatted)
            .collect(Collectors.joining(","));
    server.bean(RulesService.class).apply(new JsonMapper().readTree(PLAN.formatted(assignments)));
    System.out.printf(
        Locale.ROOT,
        "%,d order lines, %,d reps with year windows; heap %d MB%n",
        lines,
        REPS,
        Runtime.getRuntime().maxMemory() / 1_048_576);
    measure(server);
  }

  private static void measure(BenchServer server) throws Exception {
    Ledger ledger = server.bean(LedgerService.class).posted();
    Rules rules = server.bean(RulesService.class).current();
    PlanBook plans = rules.commission().plans();
    List<Member> reps = ledger.members().all(Axis.REP);
    String[] keys = new String[ledger.members().size(Axis.REP)];
    reps.forEach(rep -> keys[rep.id()] = rep.key());
    LedgerSales sales = new LedgerSales(ledger, List.of());
    Earnings earnings =
        new Earnings(
            rules.calendar(),
            (rep, month) -> plans.terms(keys[rep], month),
            sales,
            "revenue",
            null);
    GoalBook quotas = ledger.goalBooks().get("quota");
    int first = Months.number(FIRST);
    // the last month of a fiscal year, so that twelve months of sales and quotas are read
    IntToLongFunction reading =
        read -> {
          int last = first + 11 + 12 * (read % 3);
          long sum = 0;
          for (Member rep : reps) {
            for (int month = last - 11; month <= last; month++) {
              Long sold = ledger.actual("revenue", Axis.REP, rep.id(), month);
              GoalBook.Cell goal = quotas.cell("revenue", month, rep.id());
              sum += (sold == null ? 0 : sold) + (goal == null ? 0 : goal.amount());
            }
          }
          return sum;
        };
    IntToLongFunction paying =
        read -> {
          int last = first + 11 + 12 * (read % 3);
          long sum = 0;
          for (Member rep : reps) {
            Statement statement = earnings.statement(rep.id(), last, List.of());
            sum += statement.due() == null ? 0 : statement.due();
          }
          return sum;
        };
    double alone = median(reading);
    double paid = median(paying);
    System.out.printf(
        Locale.ROOT,
        "statements of all reps in the twelfth month, medians: reading sales and quotas %.1f ms,"
            + " reckoning with it %.1f ms, beyond reading %.1f ms (%.2f times)%n",
        alone,
        paid,
        paid - alone,
        paid / alone);
    overHttp(server.port());
    System.gc();
    Runtime heap = Runtime.getRuntime();
    System.out.printf(
        Locale.ROOT,
        "heap in use after all of it: %d MB of %d%n",
        (heap.totalMemory() - heap.freeMemory()) / 1_048_576,
        heap.maxMemory() / 1_048_576);
  }

  private static void overHttp(String port) throws IOException, InterruptedException {
    String month = FIRST.plusMonths(23).toString();
    HttpClient client = HttpClient.newHttpClient();
    List<Double> answers = new ArrayList<>();
    for (int read = 0; read < 12; read++) {
      long start = System.nanoTime();
      sink += send(client, port, "/earnings?month=" + month, "GET").length();
      answers.add((System.nanoTime() - start) / 1e6);
    }
    System.out.printf(
        Locale.ROOT,
        "GET /earnings with all rows, components and curves: %.0f ms%n",
        answers.stream().skip(4).sorted().toList().get(4));
    long start = System.nanoTime();
    sink += send(client, port, "/earnings/payroll.csv?month=" + month, "GET").length();
    report("payroll file", (System.nanoTime() - start) / 1e9);
    start = System.nanoTime();
    JsonMapper json = new JsonMapper();
    JsonNode job = json.readTree(send(client, port, "/earnings/jobs/pdf?month=" + month, "POST"));
    while (job.get("state").asString().equals("running")) {
      Thread.sleep(200);
      job = json.readTree(send(client, port, "/earnings/jobs/" + job.get("id").asInt(), "GET"));
    }
    report("one PDF, " + job.get("state").asString(), (System.nanoTime() - start) / 1e9);
  }

  private static void report(String what, double seconds) {
    System.out.printf(
        Locale.ROOT,
        "%s of %,d statements: %.1f s, %,.0f statements a second%n",
        what,
        REPS,
        seconds,
        REPS / seconds);
  }

  private static String send(HttpClient client, String port, String path, String method)
      throws IOException, InterruptedException {
    HttpResponse<String> answer =
        client.send(
            BenchServer.request(port, path).method(method, BodyPublishers.noBody()).build(),
            BodyHandlers.ofString());
    if (answer.statusCode() != 200) {
      throw new IllegalStateException(path + " answered " + answer.statusCode());
    }
    return answer.body();
  }

  /** Milliseconds; the first third warms up and is not counted. */
  private static double median(IntToLongFunction work) {
    List<Double> taken = new ArrayList<>();
    for (int read = 0; read < READS; read++) {
      long start = System.nanoTime();
      sink += work.applyAsLong(read);
      if (read >= READS / 3) {
        taken.add((System.nanoTime() - start) / 1e6);
      }
    }
    return taken.stream().sorted().toList().get(taken.size() / 2);
  }
}
