package zealoustarget.server.closing;

import java.time.Duration;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.stereotype.Component;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.platform.CompanyName;
import zealoustarget.server.platform.jobs.TaskPools;
import zealoustarget.server.platform.mail.MailServer;
import zealoustarget.server.platform.mail.MailSettings;
import zealoustarget.server.platform.state.Readiness;
import zealoustarget.server.rules.RulesService;

/**
 * Tells by mail of sources that are late for the month that ended last, each once a month. What the
 * mail server refuses is tried again at the next look.
 */
@Component
@Lazy(false)
class LateMail {
  private static final Logger LOG = LoggerFactory.getLogger(LateMail.class);

  private final SourceArrivals arrivals;
  private final CloseStore store;
  private final RulesService companyRules;
  private final Seals seals;
  private final MailServer server;
  private final MailSettings settings;
  private final CompanyName company;
  private final CompanyClock clock;
  private final Readiness readiness;
  private final Duration every;
  private final TaskScheduler timer;

  LateMail(
      SourceArrivals arrivals,
      CloseStore store,
      RulesService companyRules,
      Seals seals,
      MailServer server,
      MailSettings settings,
      CompanyName company,
      CompanyClock clock,
      Readiness readiness,
      @Value("${zealous.closing.look:PT6H}") Duration every,
      @Qualifier(TaskPools.DAILY) TaskScheduler timer) {
    this.every = every;
    this.arrivals = arrivals;
    this.store = store;
    this.companyRules = companyRules;
    this.seals = seals;
    this.server = server;
    this.settings = settings;
    this.company = company;
    this.clock = clock;
    this.readiness = readiness;
    this.timer = timer;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    if (server.isSet()) {
      timer.scheduleWithFixedDelay(this::look, every);
    }
  }

  private void look() {
    try {
      if (readiness.isReady()) {
        tell();
      }
    } catch (RuntimeException failure) {
      LOG.warn("late sources could not be told", failure);
    }
  }

  /** Tells what is late now and was not told yet. */
  void tell() {
    List<String> to = companyRules.current().company().closing().tell();
    YearMonth month = YearMonth.from(LocalDate.now(clock)).minusMonths(1);
    if (to.isEmpty() || seals.find(month).isPresent()) {
      return;
    }
    for (CloseAnswer.Source source : arrivals.of(month)) {
      if (SourceArrivals.isMissing(source)
          && source.isLate()
          && store.claimNotice(Months.number(month), source.source())) {
        send(to, month, source);
      }
    }
  }

  private void send(List<String> to, YearMonth month, CloseAnswer.Source source) {
    SimpleMailMessage message = new SimpleMailMessage();
    message.setFrom(settings.from());
    message.setTo(to.toArray(String[]::new));
    message.setSubject(CloseWords.lateSubject(month, source.name()));
    message.setText(
        CloseWords.lateText(SpanWords.name(month), source.name(), source.text(), company.get()));
    try {
      server.sender().send(message);
    } catch (MailException refused) {
      LOG.warn("mail about a late source was not sent: {}", refused.toString());
      store.releaseNotice(Months.number(month), source.source());
    }
  }
}
