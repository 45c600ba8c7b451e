package zealoustarget.server.platform.mail;

import java.util.Properties;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;

/** The mail server as the settings have it. */
@Component
public class MailServer {
  private final MailSettings settings;

  MailServer(MailSettings settings) {
    this.settings = settings;
  }

  public boolean isSet() {
    return settings.isSet();
  }

  /** One that gives up when the server does not answer in time. */
  public JavaMailSenderImpl sender() {
    JavaMailSenderImpl sender = new JavaMailSenderImpl();
    sender.setHost(settings.host());
    sender.setPort(settings.port());
    String millis = Long.toString(settings.timeout().toMillis());
    Properties properties = sender.getJavaMailProperties();
    properties.setProperty("mail.smtp.connectiontimeout", millis);
    properties.setProperty("mail.smtp.timeout", millis);
    properties.setProperty("mail.smtp.writetimeout", millis);
    return sender;
  }
}
