package zealoustarget.server.approval;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.Preferences;
import zealoustarget.server.platform.CompanyName;
import zealoustarget.server.platform.mail.MailServer;
import zealoustarget.server.platform.mail.MailSettings;

/**
 * Tells by mail who has to act: approvers of a proposal, and its maker of the decision. The list of
 * proposals says the same, so mail that cannot be sent is logged and stops nothing.
 */
@Component
class ProposalMail {
  private static final Logger LOG = LoggerFactory.getLogger(ProposalMail.class);
  private static final int SECONDS = 10;

  private final MailServer server;
  private final MailSettings settings;
  private final CompanyName company;
  private final AccountStore accounts;
  private final Preferences preferences;
  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(
          work -> {
            Thread thread = new Thread(work, "proposal mail");
            thread.setDaemon(true);
            return thread;
          });

  ProposalMail(
      MailServer server,
      MailSettings settings,
      CompanyName company,
      AccountStore accounts,
      Preferences preferences) {
    this.accounts = accounts;
    this.preferences = preferences;
    this.server = server;
    this.settings = settings;
    this.company = company;
  }

  @PreDestroy
  void stop() throws InterruptedException {
    worker.shutdown();
    if (!worker.awaitTermination(SECONDS, TimeUnit.SECONDS)) {
      LOG.warn("Mail about proposals was not sent before the stop");
    }
  }

  void proposed(ProposalEntity proposal, List<Account> approvers) {
    List<String> to =
        Stream.concat(
                settings.approvers().stream(),
                approvers.stream().map(preferences::mailOf).filter(Objects::nonNull))
            .distinct()
            .toList();
    send(
        to,
        ApprovalWords.proposalToAcceptOrDecline(proposal.subject),
        ApprovalWords.proposes(proposal.maker, proposal.subject, company.get()));
  }

  void decided(ProposalEntity proposal) {
    send(
        accounts.find(proposal.makerId).map(preferences::mailOf).map(List::of).orElse(List.of()),
        ApprovalWords.proposal(proposal.state.word(), proposal.subject),
        ApprovalWords.decided(proposal.state.word(), proposal.decidedBy, proposal.because));
  }

  private void send(List<String> to, String subject, String text) {
    if (!server.isSet()) {
      return;
    }
    for (String address : to) {
      worker.execute(
          () -> {
            SimpleMailMessage message = new SimpleMailMessage();
            message.setFrom(settings.from());
            message.setTo(address);
            message.setSubject(subject);
            message.setText(text);
            try {
              server.sender().send(message);
            } catch (MailException failure) {
              LOG.warn("Mail about a proposal to {} was not sent: {}", address, failure.toString());
            }
          });
    }
  }
}
