package zealoustarget.server.earnings.delivery;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.statements.StatementPdf;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.mail.MailServer;
import zealoustarget.server.platform.mail.MailSettings;

/** Hands statements to the mail server. */
@Component
class StatementMail {
  private final MailServer server;
  private final MailSettings settings;
  private final LedgerService ledgers;

  StatementMail(MailServer server, MailSettings settings, LedgerService ledgers) {
    this.server = server;
    this.settings = settings;
    this.ledgers = ledgers;
  }

  boolean isSet() {
    return server.isSet();
  }

  /** Where statements go, by the rep's key: the roster's address, or else as set for all. */
  UnaryOperator<String> addresses() {
    Map<String, String> ofRoster = ledgers.mailAddresses();
    return rep -> ofRoster.getOrDefault(rep, settings.to().replace("{rep}", rep));
  }

  /**
   * Sends one statement.
   *
   * @throws MailException if the server refuses it or does not answer in time
   */
  void send(EarningsRow row, StatementPdf.About about, String address) {
    JavaMailSenderImpl sender = server.sender();
    MimeMessage message = sender.createMimeMessage();
    String month = SpanWords.name(about.month());
    try {
      MimeMessageHelper helper =
          new MimeMessageHelper(message, true, StandardCharsets.UTF_8.name());
      helper.setFrom(settings.from());
      helper.setTo(address);
      helper.setSubject(DeliveryWords.commissionStatement(month));
      helper.setText(
          DeliveryWords.letter(
              row.name(),
              month,
              row.due() == null
                  ? null
                  : about.writing().grouped(row.due()) + " " + about.currency(),
              about.isSealed()));
      helper.addAttachment(
          DeliveryWords.statementPdf(about.month(), row.rep()),
          new ByteArrayResource(StatementPdf.one(row, about)),
          "application/pdf");
    } catch (MessagingException wrong) {
      throw new org.springframework.mail.MailPreparationException(wrong);
    }
    sender.send(message);
  }
}
