package zealoustarget.server.earnings;

import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.server.earnings.trial.PlanTrial;

/** Commission of a month. */
@RestController
@RequestMapping("/api/v1/earnings")
public class EarningsController {
  private final EarningsService earnings;
  private final EarningsDesk desk;
  private final PlanTrial trial;

  EarningsController(EarningsService earnings, EarningsDesk desk, PlanTrial trial) {
    this.earnings = earnings;
    this.desk = desk;
    this.trial = trial;
  }

  /** A row per rep: status, what is earned to date and due, components, what comes next. */
  @GetMapping
  List<EarningsRow> rows(@RequestParam String month) {
    return earnings.month(month(month)).rows();
  }

  /** The month with its headline, totals and state; the rows as in {@code /earnings}. */
  @GetMapping("/desk")
  EarningsDesk.DeskAnswer desk(
      @RequestParam String month, @ParameterObject @ModelAttribute EarningsTrial.Parameters trial) {
    return desk.answer(month(month), trial);
  }

  /**
   * Sums of the rows that are kept: by keys of reps, status words, a plan's name, a part of name or
   * region.
   */
  @GetMapping("/totals")
  EarningsDesk.Totals totals(
      @RequestParam String month,
      @RequestParam(required = false) @Nullable List<String> rep,
      @RequestParam(required = false) List<String> status,
      @RequestParam(required = false) String plan,
      @RequestParam(required = false) String text,
      @ParameterObject @ModelAttribute EarningsTrial.Parameters trial) {
    return desk.totals(month(month), rep, status, plan, text, trial);
  }

  /** A rep's statement with the source lines of sales and quota, paged; 404 member-unknown. */
  @GetMapping("/reps/{rep}")
  EarningsDesk.StatementAnswer statement(
      @PathVariable String rep,
      @RequestParam String month,
      @RequestParam(defaultValue = "0") int page,
      @ParameterObject @ModelAttribute EarningsTrial.Parameters trial) {
    return desk.statement(rep, month(month), page, trial);
  }

  /** What other sales to date would earn the rep; 404 member-unknown. */
  @GetMapping("/reps/{rep}/what-if")
  EarningsDesk.WhatIfAnswer whatIf(
      @PathVariable String rep, @RequestParam String month, @RequestParam String sales) {
    return desk.whatIf(rep, month(month), sales);
  }

  /**
   * What a plan would have paid its reps in the {@code months} up to {@code month}: takes a file of
   * rules file with one plan and, where they change too, the assignments; changes nothing. 400
   * playbook-invalid names the place.
   *
   * @param beside a stored plan to compare it with; what is in force without
   * @param besideSince first month of that plan's version; the one of every month without
   */
  @PostMapping("/trial")
  PlanTrial.TrialAnswer trial(
      @RequestParam String month,
      @RequestParam(defaultValue = "3") int months,
      @RequestParam(required = false) @Nullable String beside,
      @RequestParam(required = false) @Nullable String besideSince,
      @RequestBody JsonNode rules) {
    PlanTrial.Beside other =
        beside == null
            ? null
            : new PlanTrial.Beside(beside, besideSince == null ? null : month(besideSince));
    return trial.trial(rules, month(month), months, other);
  }

  /** Who would change status with one more order of the own average size. */
  @GetMapping("/one-more-order")
  List<EarningsDesk.OneMoreAnswer> oneMore(@RequestParam String month) {
    return desk.oneMore(month(month));
  }

  /** Reads a month such as 2026-10; month-unreadable where it is none. */
  public static YearMonth month(String text) {
    try {
      return YearMonth.parse(text.strip());
    } catch (DateTimeException noMonth) {
      throw Refusal.of("month-unreadable", EarningsWords.isNotMonth(text));
    }
  }
}
