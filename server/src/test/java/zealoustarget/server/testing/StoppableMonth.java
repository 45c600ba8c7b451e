package zealoustarget.server.testing;

import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * An application that works a month off, change by change, to be killed by a test: it loads, posts,
 * sets rules, seals, corrects, reverses and sends.
 */
public final class StoppableMonth {
  private static final int REPS = 40;
  private static final int LINES = 4_000;

  /** One change; it must go well. */
  public interface Step {
    Api.Answer take(Api api);
  }

  private StoppableMonth() {}

  /** The changes in their order. */
  public static List<Step> steps() {
    List<Step> steps = new ArrayList<>();
    StringBuilder roster = new StringBuilder("rep,name,from\n");
    StringBuilder goals = new StringBuilder("month,rep,revenue\n");
    for (int rep = 0; rep < REPS; rep++) {
      roster.append("K%d,Rep %d,2025-01%n".formatted(rep, rep));
      for (int month = 1; month <= 3; month++) {
        goals.append("2025-%02d,K%d,900.00%n".formatted(month, rep));
      }
    }
    add(steps, 1, "roster.csv", roster.toString(), "kind", "roster");
    add(
        steps,
        2,
        "goals.csv",
        goals.toString(),
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    steps.add(
        api ->
            api.put(
                "/api/v1/playbook",
                """
                {"plans": [{"name": "P", "measure": "revenue", "goalSet": "quota", "window": "month",
                  "paidFrom": "first unit", "method": "sliced", "negativeDue": "recover",
                  "steps": [{"from": "0", "rate": "0.03"}]}],
                 "assignments": [%s]}
                """
                    .formatted(assignments())));
    for (int month = 1; month <= 3; month++) {
      add(steps, 2 + month, "sold-" + month + ".csv", sold(month), "kind", "actuals");
    }
    steps.add(api -> api.post("/api/v1/months/2025-01/seal"));
    String late = "month,order,rep,revenue\n2025-01,late,K1,75.00\n";
    add(steps, 6, "late.csv", late, "kind", "actuals");
    steps.add(api -> api.post("/api/v1/months/2025-02/seal"));
    steps.add(api -> api.post("/api/v1/loads/6/reverse"));
    steps.add(StoppableMonth::send);
    return steps;
  }

  private static Api.Answer send(Api api) {
    Api.Answer job = api.post("/api/v1/earnings/jobs/send?month=2025-01");
    return !job.text("state").equals("running")
        ? job
        : await()
            .atMost(Duration.ofMinutes(1))
            .pollInterval(Duration.ofMillis(20))
            .until(
                () -> api.get("/api/v1/earnings/jobs/" + job.json().get("id").asInt()),
                one -> !one.text("state").equals("running"));
  }

  private static String assignments() {
    StringBuilder all = new StringBuilder();
    for (int rep = 0; rep < REPS; rep++) {
      all.append(rep == 0 ? "" : ",").append("{\"rep\": \"K%d\", \"plan\": \"P\"}".formatted(rep));
    }
    return all.toString();
  }

  private static String sold(int month) {
    StringBuilder lines = new StringBuilder("month,order,rep,revenue\n");
    for (int line = 0; line < LINES; line++) {
      lines.append(
          "2025-%02d,%d-%d,K%d,%d.00%n".formatted(month, month, line, line % REPS, 1 + line % 19));
    }
    return lines.toString();
  }

  private static void add(List<Step> steps, int id, String name, String content, String... fields) {
    steps.add(api -> api.load(name, content, fields));
    steps.add(api -> api.post("/api/v1/loads/" + id + "/post?held=leave"));
  }

  /** Whether a step has resting places of its own: taking a file in, and sending many mails. */
  public static boolean isGradual(int step) {
    return Set.of(0, 2, 5, 7, 9, 12, steps().size() - 1).contains(step);
  }

  /** Starts it over a data folder; it prints "begin N" before the N-th change. */
  public static Process start(Path data, int mailPort) throws IOException {
    return StoppableServer.start(data, StoppableMonth.class, Integer.toString(mailPort));
  }

  /** Settings under which statements can be sent. */
  public static String[] mail(int port) {
    return new String[] {
      "zealous.mail.host=127.0.0.1",
      "zealous.mail.port=" + port,
      "zealous.mail.from=pay@saltmarsh.example",
      "zealous.mail.to={rep}@saltmarsh.example"
    };
  }

  /** Runs in the child process; the arguments are the data folder and the mail server's port. */
  public static void main(String[] arguments) {
    try (RunningServer server =
        RunningServer.start(Path.of(arguments[0]), mail(Integer.parseInt(arguments[1])))) {
      int done = 0;
      for (Step step : steps()) {
        System.out.println("begin " + done);
        System.out.flush();
        Api.Answer answer = step.take(server.api());
        if (answer.status() >= 300) {
          throw new AssertionError("step " + done + " was not taken: " + answer);
        }
        done++;
      }
    }
  }
}
