package zealoustarget.server.briefing;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Preferences;
import zealoustarget.server.briefing.BriefingDocument.Document;
import zealoustarget.server.platform.jobs.TaskPools;
import zealoustarget.server.platform.mail.MailServer;
import zealoustarget.server.platform.mail.MailSettings;
import zealoustarget.server.platform.state.Readiness;

/**
 * Sends briefings: to each person once, with what that person may see. What the mail server refuses
 * waits and is taken up again; what was under way at a halt is not sent twice.
 */
@Component
@Lazy(false)
class BriefingMail {
  private static final Logger LOG = LoggerFactory.getLogger(BriefingMail.class);

  private final BriefingStore store;
  private final BriefingDocument documents;
  private final AccountStore accounts;
  private final Preferences preferences;
  private final MailServer server;
  private final MailSettings settings;
  private final Readiness readiness;
  private final Duration every;
  private final TaskScheduler timer;

  BriefingMail(
      BriefingStore store,
      BriefingDocument documents,
      AccountStore accounts,
      Preferences preferences,
      MailServer server,
      MailSettings settings,
      Readiness readiness,
      @Value("${zealous.briefing.retry:PT2M}") Duration every,
      @Qualifier(TaskPools.DAILY) TaskScheduler timer) {
    this.store = store;
    this.documents = documents;
    this.accounts = accounts;
    this.preferences = preferences;
    this.server = server;
    this.settings = settings;
    this.readiness = readiness;
    this.every = every;
    this.timer = timer;
  }

  /**
   * Somebody who can be asked to review a briefing, or be sent one.
   *
   * @param address null where there is none
   */
  record Reader(
      String name,
      @Schema(allowableValues = {"analyst", "approver", "manager", "rep"}) String role,
      @Nullable String address) {}

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    if (server.isSet()) {
      timer.scheduleWithFixedDelay(this::look, every);
    }
  }

  /** Accounts that can sign in. */
  List<Reader> readers() {
    return accounts.active().stream()
        .map(one -> new Reader(one.name(), one.role().word(), preferences.mailOf(one)))
        .toList();
  }

  /**
   * Has a briefing sent; those who had it are passed over.
   *
   * @return how many it goes to
   * @throws Refusal mail-failed without a mail server, account-unknown for a name without an
   *     account or without an address, and where nobody with the roles has one
   */
  int queue(int briefing, Recipients recipients, boolean asPdf) {
    if (!server.isSet()) {
      throw Refusal.of("mail-failed", BriefingWords.NO_MAIL_SERVER);
    }
    List<Account> to = check(recipients);
    store.get(briefing);
    int queued = 0;
    for (Account one : to) {
      if (store.queue(briefing, one.id(), String.valueOf(preferences.mailOf(one)), asPdf)) {
        queued++;
      }
    }
    timer.schedule(this::look, Instant.now());
    return queued;
  }

  /** Whom a briefing goes to, each once; account-unknown for a name that nothing can be sent to. */
  List<Account> check(Recipients recipients) {
    List<Account> named =
        recipients.names().stream()
            .map(
                name ->
                    accounts
                        .findByName(name)
                        .filter(one -> !one.isDisabled() && preferences.mailOf(one) != null)
                        .orElseThrow(
                            () ->
                                Refusal.of(
                                    "account-unknown",
                                    BriefingWords.hasNoAccountWithMailAddress(name))))
            .toList();
    List<Account> ofRoles =
        accounts.active().stream()
            .filter(one -> recipients.roles().contains(one.role()))
            .filter(one -> preferences.mailOf(one) != null)
            .toList();
    if (named.isEmpty() && ofRoles.isEmpty()) {
      throw Refusal.of(
          "account-unknown",
          BriefingWords.nobodyHasMailAddress(String.join(", ", recipients.roleWords())));
    }
    Map<Integer, Account> each = new LinkedHashMap<>();
    Stream.concat(named.stream(), ofRoles.stream()).forEach(one -> each.put(one.id(), one));
    return List.copyOf(each.values());
  }

  private synchronized void look() {
    if (!readiness.isReady()) {
      return;
    }
    for (SentEntity one : store.waiting()) {
      try {
        CurrentAccount.asSystem("mail", () -> send(one));
      } catch (RuntimeException failure) {
        LOG.warn("a briefing could not be sent", failure);
        store.mark(one.place, null, null);
      }
    }
  }

  private void send(SentEntity one) {
    Account reader = accounts.find(one.place.account()).orElse(null);
    if (reader == null || reader.isDisabled()) {
      return;
    }
    Document document = documents.forReader(one.place.briefing(), reader);
    JavaMailSender sender = server.sender();
    MimeMessage message = sender.createMimeMessage();
    try {
      MimeMessageHelper mail = new MimeMessageHelper(message, true, StandardCharsets.UTF_8.name());
      mail.setFrom(settings.from());
      mail.setTo(one.address);
      mail.setSubject((document.isDraft() ? "Draft: " : "") + document.title());
      mail.setText(documents.text(document));
      if (one.asPdf && BriefingPage.isPrintable(document)) {
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        BriefingPage.pdf(document, pdf);
        mail.addAttachment(
            document.fileName() + ".pdf",
            new ByteArrayResource(pdf.toByteArray()),
            "application/pdf");
      }
      mail.addAttachment(
          document.fileName() + ".html",
          new ByteArrayResource(BriefingPage.html(document).getBytes(StandardCharsets.UTF_8)),
          "text/html; charset=utf-8");
    } catch (MessagingException | IOException failure) {
      throw new IllegalStateException(failure);
    }
    store.mark(one.place, store.now(), null);
    try {
      sender.send(message);
    } catch (MailException refused) {
      LOG.warn("a briefing to {} was not sent: {}", one.address, refused.toString());
      store.mark(one.place, null, null);
      return;
    }
    store.mark(one.place, store.now(), store.now());
  }
}
