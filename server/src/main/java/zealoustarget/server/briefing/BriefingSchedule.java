package zealoustarget.server.briefing;

import java.time.Duration;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.IsoFields;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.platform.jobs.TaskPools;
import zealoustarget.server.platform.state.Readiness;
import zealoustarget.server.rules.RulesService;

/**
 * Sends briefings by itself: the signed one, else a draft, on the first working day after a
 * closing; a draft of the open month once a week. Each period once.
 */
@Component
@Lazy(false)
class BriefingSchedule {
  private static final Logger LOG = LoggerFactory.getLogger(BriefingSchedule.class);

  private final BriefingStore store;
  private final BriefingService service;
  private final BriefingMail mail;
  private final Seals seals;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final CompanyClock clock;
  private final Readiness readiness;
  private final Duration every;
  private final TaskScheduler timer;

  BriefingSchedule(
      BriefingStore store,
      BriefingService service,
      BriefingMail mail,
      Seals seals,
      LedgerService ledgers,
      RulesService companyRules,
      CompanyClock clock,
      Readiness readiness,
      @Value("${zealous.briefing.look:PT1H}") Duration every,
      @Qualifier(TaskPools.DAILY) TaskScheduler timer) {
    this.store = store;
    this.service = service;
    this.mail = mail;
    this.seals = seals;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.clock = clock;
    this.readiness = readiness;
    this.every = every;
    this.timer = timer;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    timer.scheduleWithFixedDelay(this::look, every);
  }

  private void look() {
    if (!readiness.isReady()) {
      return;
    }
    for (ScheduleEntity one : store.schedules()) {
      try {
        CurrentAccount.asSystem("schedule", () -> run(one));
      } catch (Refusal refused) {
        LOG.warn("a scheduled briefing was not sent: {}", refused.getMessage());
      } catch (RuntimeException failure) {
        LOG.warn("a scheduled briefing was not sent", failure);
      }
    }
  }

  private void run(ScheduleEntity one) {
    LocalDate today = LocalDate.now(clock);
    boolean isWeekly = one.rhythm.equals(ScheduleEntity.WEEKLY);
    YearMonth month = isWeekly ? open(today) : closed(today);
    if (month == null) {
      return;
    }
    String period = isWeekly ? week(today) : month.toString();
    if (period.equals(one.lastPeriod)) {
      return;
    }
    Integer signed = isWeekly ? null : signed(month);
    int briefing = signed == null ? service.draft(Span.of(month), null, null, null).id() : signed;
    mail.queue(briefing, one.to(), one.asPdf);
    store.ran(one.id, period);
  }

  private static String week(LocalDate day) {
    return day.get(IsoFields.WEEK_BASED_YEAR) + "-W" + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
  }

  /** The running month, where it is open and has actuals. */
  private @Nullable YearMonth open(LocalDate today) {
    YearMonth month = YearMonth.from(today);
    Span posted = ledgers.posted().monthsWithActuals();
    return posted == null || !posted.contains(month) || seals.find(month).isPresent()
        ? null
        : month;
  }

  /** The month that was closed last, once the next working day has come. */
  private @Nullable YearMonth closed(LocalDate today) {
    YearMonth month = seals.last();
    if (month == null) {
      return null;
    }
    Seal seal = seals.find(month).orElseThrow();
    LocalDate closed = seal.sealedAt().atZone(clock.getZone()).toLocalDate();
    WorkingDays days = companyRules.current().workingDays();
    LocalDate next = closed.plusDays(1);
    YearMonth before = YearMonth.from(closed).minusMonths(1);
    while (days.after(before, next) == days.after(before, next.minusDays(1))) {
      next = next.plusDays(1);
    }
    return today.isBefore(next) ? null : month;
  }

  private @Nullable Integer signed(YearMonth month) {
    List<BriefingEntity> all = store.all();
    return all.stream()
        .filter(one -> one.isSigned() && one.scopeKey == null)
        .filter(one -> one.lastMonth == Months.number(month))
        .map(one -> one.id)
        .findFirst()
        .orElse(null);
  }
}
