package zealoustarget.server.earnings.delivery;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.mail.MailException;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.earnings.statements.StatementPdf;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.jobs.TaskPools;
import zealoustarget.server.platform.storage.Leftovers;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Makes and sends all statements of a month, one job after the other, with progress. */
@Service
public class StatementJobs {
  private static final Logger LOG = LoggerFactory.getLogger(StatementJobs.class);
  private static final int KEPT = 20;

  private final EarningsService earnings;
  private final RulesService companyRules;
  private final SentStore sent;
  private final StatementMail mail;
  private final JsonMapper json;
  private final Path folder;
  private final ThreadPoolTaskExecutor worker;
  private volatile boolean isStopping;
  private final AtomicInteger numbers = new AtomicInteger();
  private final Map<Integer, Job> jobs = new ConcurrentHashMap<>();

  StatementJobs(
      EarningsService earnings,
      RulesService companyRules,
      SentStore sent,
      StatementMail mail,
      JsonMapper json,
      @Qualifier(TaskPools.STATEMENTS) ThreadPoolTaskExecutor worker,
      @Value("${zealous.data-dir}") String dataFolder) {
    this.worker = worker;
    this.earnings = earnings;
    this.companyRules = companyRules;
    this.sent = sent;
    this.mail = mail;
    this.json = json;
    this.folder = Path.of(dataFolder);
    Leftovers.delete(folder, "statements*.pdf");
  }

  /** One piece of work. */
  private static final class Job {
    private final int id;
    private final String kind;
    private final int total;
    private volatile int done;
    private volatile String state = "running";
    private volatile @Nullable String problem;
    private volatile @Nullable Path file;
    private final List<Refused> refused = new ArrayList<>();
    private int already;

    Job(int id, String kind, int total) {
      this.id = id;
      this.kind = kind;
      this.total = total;
    }

    synchronized JobAnswer answer() {
      return new JobAnswer(id, kind, state, done, total, already, List.copyOf(refused), problem);
    }

    synchronized void refuse(EarningsRow row, String why) {
      refused.add(new Refused(row.rep(), row.name(), why));
    }

    synchronized void skip() {
      already++;
    }
  }

  /**
   * How far a job is.
   *
   * @param state running, done or failed
   * @param already statements that were not sent again, as that version went before
   * @param problem why it failed as a whole; null otherwise
   */
  public record JobAnswer(
      int id,
      @Schema(allowableValues = {"pdf", "send"}) String kind,
      @Schema(allowableValues = {"running", "done", "failed"}) String state,
      int done,
      int total,
      int already,
      List<Refused> refused,
      @Nullable String problem) {}

  record Refused(String rep, String name, String why) {}

  /** Statements of a month that say something, with what they are about. */
  private record Statements(List<EarningsRow> rows, StatementPdf.About about) {}

  private Statements statements(YearMonth month) {
    EarningsService.Month read = earnings.month(month);
    return new Statements(
        read.rows().stream().filter(row -> row.due() != null).toList(),
        about(month, read.isSealed()));
  }

  private StatementPdf.About about(YearMonth month, boolean isSealed) {
    Rules rules = companyRules.current();
    return new StatementPdf.About(
        rules.company().name(),
        month,
        EarningsService.currency(rules),
        isSealed ? earnings.sealOf(month) : null,
        rules.company().writing());
  }

  /** One rep's statement as PDF. */
  public byte[] pdf(String rep, YearMonth month) {
    return StatementPdf.one(earnings.row(rep, month), about(month, earnings.isSealed(month)));
  }

  /** Begins to write all statements into one PDF. */
  public JobAnswer startPdf(YearMonth month) {
    Statements all = statements(month);
    return start("pdf", all.rows().size(), job -> write(all, job));
  }

  private void write(Statements all, Job job) {
    if (isStopping) {
      job.problem = DeliveryWords.SERVER_WAS_STOPPED;
      return;
    }
    try {
      @Nullable Path file = Files.createTempFile(folder, "statements", ".pdf");
      StatementPdf.all(all.rows(), all.about(), file, done -> job.done = done);
      job.file = file;
    } catch (IOException failure) {
      throw new java.io.UncheckedIOException(failure);
    }
  }

  /**
   * Begins to send the statements that were not sent in their present version.
   *
   * @param reps keys; empty for all
   * @param again keys of those that were begun and never known to have gone, to be sent once more
   * @throws Refusal mail-failed where no mail server is set
   */
  public JobAnswer startSending(YearMonth month, Set<String> reps, Set<String> again) {
    if (!mail.isSet()) {
      throw Refusal.of("mail-failed", DeliveryWords.NO_MAIL_SERVER_IS_SET);
    }
    Statements all = statements(month);
    List<EarningsRow> chosen =
        all.rows().stream().filter(row -> reps.isEmpty() || reps.contains(row.rep())).toList();
    return start("send", chosen.size(), job -> send(chosen, all.about(), again, job));
  }

  private void send(List<EarningsRow> rows, StatementPdf.About about, Set<String> again, Job job) {
    UnaryOperator<String> addresses = mail.addresses();
    for (EarningsRow row : rows) {
      if (isStopping) {
        job.problem = DeliveryWords.SERVER_WAS_STOPPED;
        return;
      }
      String version = version(row);
      if (again.contains(row.rep())) {
        sent.release(row.rep(), about.month(), version);
      }
      String address = addresses.apply(row.rep());
      if (sent.claim(row.rep(), about.month(), version, address)) {
        try {
          mail.send(row, about, address);
          sent.sent(row.rep(), about.month(), version);
        } catch (MailException failure) {
          sent.release(row.rep(), about.month(), version);
          job.refuse(row, words(failure));
        }
      } else {
        job.skip();
      }
      job.done++;
    }
  }

  private static String words(MailException failure) {
    Throwable cause = failure.getMostSpecificCause();
    String text =
        cause.getMessage() == null ? cause.getClass().getSimpleName() : cause.getMessage();
    return text.lines().findFirst().orElse("").strip();
  }

  /** What tells one version of a statement from another: a SHA-256 of all it says. */
  String version(EarningsRow row) {
    return Sha256.of(json.writeValueAsBytes(row));
  }

  /** What is known of a rep's statement: the latest version and whether it is the present one. */
  public record SentAnswer(
      String rep,
      String name,
      String address,
      @Nullable String begunAt,
      @Nullable String sentAt,
      boolean isPresent) {}

  /** The statements of a month with the latest that was sent of each. */
  public List<SentAnswer> sent(YearMonth month) {
    Map<String, SentStore.Sent> latest = new java.util.HashMap<>();
    UnaryOperator<String> addresses = mail.addresses();
    sent.ofMonth(month).forEach(one -> latest.put(one.rep(), one));
    return statements(month).rows().stream()
        .map(
            row -> {
              SentStore.Sent one = latest.get(row.rep());
              return new SentAnswer(
                  row.rep(),
                  row.name(),
                  one == null ? addresses.apply(row.rep()) : one.address(),
                  one == null ? null : one.begunAt(),
                  one == null ? null : one.sentAt(),
                  one != null && one.version().equals(version(row)));
            })
        .toList();
  }

  public boolean canSend() {
    return mail.isSet();
  }

  private JobAnswer start(String kind, int total, java.util.function.Consumer<Job> work) {
    Job job = new Job(numbers.incrementAndGet(), kind, total);
    jobs.put(job.id, job);
    forget(job.id - KEPT);
    worker.execute(
        () -> {
          try {
            work.accept(job);
            job.state = "done";
          } catch (RuntimeException failure) {
            LOG.error("job {} of statements", job.id, failure);
            job.problem = DeliveryWords.IT_FAILED;
            job.state = "failed";
          }
        });
    return job.answer();
  }

  private void forget(int id) {
    Job old = jobs.remove(id);
    if (old != null && old.file != null) {
      try {
        Files.deleteIfExists(old.file);
      } catch (IOException stays) {
        LOG.warn("{} could not be deleted", old.file);
      }
    }
  }

  public JobAnswer job(int id) {
    return known(id).answer();
  }

  /** The file that a job made. */
  public Path file(int id) {
    Path file = known(id).file;
    if (file == null) {
      throw Refusal.of("not-found", DeliveryWords.jobHasNoFileYet(id));
    }
    return file;
  }

  private Job known(int id) {
    Job job = jobs.get(id);
    if (job == null) {
      throw Refusal.of("not-found", DeliveryWords.noJob(id));
    }
    return job;
  }

  /** The mail under way is sent and noted, the rest is not begun. */
  /** The statement under way is the last; the pool waits for it. */
  @EventListener(ContextClosedEvent.class)
  void beginToStop() {
    isStopping = true;
  }

  @PreDestroy
  void stop() {
    isStopping = true;
    worker.shutdown();
    List.copyOf(jobs.keySet()).forEach(this::forget);
  }
}
