package zealoustarget.demo;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.subethamail.smtp.server.SMTPServer;

/**
 * A small stand-in for a mail server: takes every message by SMTP, keeps it in memory, and shows
 * what it took on a page of its own. Listens on this machine only.
 */
public final class MailCatcher {
  /** A message as it came. */
  public record Message(String to, String subject, String content) {}

  private static final int MOST_SHOWN = 500;
  private static final Pattern SUBJECT = Pattern.compile("(?mi)^Subject: (.*)$");

  private final List<Message> messages = new CopyOnWriteArrayList<>();
  private final SMTPServer mail;
  private final HttpServer page;

  /** Begins to listen; port 0 takes any that is free. */
  public MailCatcher(int mailPort, int pagePort) throws IOException {
    InetAddress here = InetAddress.getLoopbackAddress();
    mail =
        SMTPServer.port(mailPort)
            .bindAddress(here)
            .messageHandler(
                (context, from, to, data) ->
                    take(to, new String(data, StandardCharsets.ISO_8859_1)))
            .build();
    mail.start();
    page = HttpServer.create(new InetSocketAddress(here, pagePort), 0);
    page.createContext("/", this::show);
    page.start();
  }

  /** Arguments: ports of SMTP and of the page. Ends with the process that started it. */
  public static void main(String[] arguments) throws IOException {
    new MailCatcher(Integer.parseInt(arguments[0]), Integer.parseInt(arguments[1]));
    ProcessHandle.current()
        .parent()
        .ifPresent(parent -> parent.onExit().thenRun(() -> System.exit(0)));
  }

  private void take(String to, String content) {
    Matcher subject = SUBJECT.matcher(content);
    messages.add(new Message(to, subject.find() ? subject.group(1).strip() : "", content));
  }

  public int mailPort() {
    return mail.getPortAllocated();
  }

  public int pagePort() {
    return page.getAddress().getPort();
  }

  /** Everything that was taken, in its order. */
  public List<Message> messages() {
    return List.copyOf(messages);
  }

  public void stop() {
    mail.stop();
    page.stop(0);
  }

  private void show(HttpExchange exchange) throws IOException {
    try (exchange) {
      StringBuilder html =
          new StringBuilder(
              "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Mail that was"
                  + " sent</title><style>body{font:15px system-ui;margin:2em}td,th{padding:4px 16px"
                  + " 4px 0;text-align:left;border-bottom:1px solid #dfe3e8}</style><h1>");
      html.append(messages.size()).append(messages.size() == 1 ? " message" : " messages");
      html.append("</h1><table><tr><th>To</th><th>Subject</th><th>Bytes</th></tr>");
      messages.stream()
          .skip(Math.max(0, messages.size() - MOST_SHOWN))
          .forEach(
              message ->
                  html.append("<tr><td>")
                      .append(text(message.to()))
                      .append("</td><td>")
                      .append(text(message.subject()))
                      .append("</td><td>")
                      .append(message.content().length())
                      .append("</td></tr>"));
      byte[] body = html.append("</table></html>").toString().getBytes(StandardCharsets.UTF_8);
      exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
      exchange.sendResponseHeaders(200, body.length);
      exchange.getResponseBody().write(body);
    }
  }

  private static String text(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }
}
