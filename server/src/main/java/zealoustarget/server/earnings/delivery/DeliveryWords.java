package zealoustarget.server.earnings.delivery;

import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code earnings.delivery}. */
final class DeliveryWords {
  static final String SERVER_WAS_STOPPED = "The server was stopped. Begin the rest again.";
  static final String NO_MAIL_SERVER_IS_SET =
      "No mail server is set. Name one with zealous.mail.host and start again.";
  static final String IT_FAILED = "It failed; the server's log says why.";

  private DeliveryWords() {}

  static String toVersion(String address, String version) {
    return "to " + address + ", version " + version;
  }

  static String jobHasNoFileYet(int id) {
    return "Job " + id + " has no file yet.";
  }

  static String noJob(int id) {
    return "There is no job " + id + ".";
  }

  static String commissionStatement(String month) {
    return "Commission statement, " + month;
  }

  static String letter(String row, String month, @Nullable String due, boolean isSealed) {
    return "Hello "
        + row
        + ",\n\nyour commission statement for "
        + month
        + " is attached"
        + (due == null ? "" : "; due are " + due)
        + (isSealed ? ".\n" : ". The month is not closed yet, so it may change.\n");
  }

  static String statementPdf(YearMonth month, String rep) {
    return "statement " + month + " " + rep + ".pdf";
  }
}
