package zealoustarget.server.earnings.statements;

import java.nio.file.Files;
import java.time.YearMonth;
import java.util.List;
import java.util.Set;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.amount.Writing;
import zealoustarget.server.earnings.EarningsController;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.earnings.delivery.StatementJobs;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Statements to take along and to send. */
@RestController
@RequestMapping("/api/v1/earnings")
class StatementController {
  private final EarningsService earnings;
  private final StatementJobs jobs;
  private final RulesService companyRules;

  StatementController(EarningsService earnings, StatementJobs jobs, RulesService companyRules) {
    this.earnings = earnings;
    this.jobs = jobs;
    this.companyRules = companyRules;
  }

  /** The payroll file of a month: one line per component. */
  @GetMapping("/payroll.csv")
  ResponseEntity<StreamingResponseBody> payroll(@RequestParam String month) {
    YearMonth of = EarningsController.month(month);
    List<EarningsRow> rows = earnings.month(of).rows();
    Rules rules = companyRules.current();
    String currency = EarningsService.currency(rules);
    Writing writing = rules.company().writing();
    return Downloads.of(
        StatementsWords.payrollCsv(of),
        Downloads.CSV,
        out -> Payroll.write(rows, of, currency, writing, out));
  }

  /** One rep's statement as PDF; 404 member-unknown. */
  @GetMapping("/reps/{rep}/statement.pdf")
  ResponseEntity<StreamingResponseBody> pdf(@PathVariable String rep, @RequestParam String month) {
    YearMonth of = EarningsController.month(month);
    byte[] content = jobs.pdf(rep, of);
    return Downloads.of(
        StatementsWords.statementPdf(of, rep),
        MediaType.APPLICATION_PDF,
        out -> out.write(content));
  }

  /** Begins to write all statements of a month into one PDF. */
  @PostMapping("/jobs/pdf")
  StatementJobs.JobAnswer startPdf(@RequestParam String month) {
    return jobs.startPdf(EarningsController.month(month));
  }

  /**
   * Begins to send the statements of a month, never one version twice; 502 {@code mail-failed}
   * where no mail server is set. {@code again} sends once more what was begun and never finished.
   */
  @PostMapping("/jobs/send")
  StatementJobs.JobAnswer startSending(
      @RequestParam String month,
      @RequestParam(required = false) Set<String> rep,
      @RequestParam(required = false) Set<String> again) {
    return jobs.startSending(
        EarningsController.month(month),
        rep == null ? Set.of() : rep,
        again == null ? Set.of() : again);
  }

  /** How far a job is. */
  @GetMapping("/jobs/{id}")
  StatementJobs.JobAnswer job(@PathVariable int id) {
    return jobs.job(id);
  }

  /** The PDF that a job wrote. */
  @GetMapping("/jobs/{id}/statements.pdf")
  ResponseEntity<StreamingResponseBody> file(@PathVariable int id) {
    var file = jobs.file(id);
    return Downloads.of("statements.pdf", MediaType.APPLICATION_PDF, out -> Files.copy(file, out));
  }

  /** What was sent of a month. */
  record SentAnswer(boolean canSend, List<StatementJobs.SentAnswer> statements) {}

  /** The statements of a month and what was sent of each. */
  @GetMapping("/sent")
  SentAnswer sent(@RequestParam String month) {
    return new SentAnswer(jobs.canSend(), jobs.sent(EarningsController.month(month)));
  }
}
