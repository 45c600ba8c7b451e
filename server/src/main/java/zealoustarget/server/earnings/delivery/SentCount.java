package zealoustarget.server.earnings.delivery;

import java.time.YearMonth;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsService;

/** How many of a month's statements were sent. */
@Component
public class SentCount {
  /** Reps whose statement went in any version, of all with something due. */
  public record Count(int sent, int all) {}

  private final SentStore sent;
  private final EarningsService earnings;

  SentCount(SentStore sent, EarningsService earnings) {
    this.sent = sent;
    this.earnings = earnings;
  }

  public Count of(YearMonth month) {
    Set<String> reps =
        earnings.month(month).rows().stream()
            .filter(row -> row.due() != null)
            .map(EarningsRow::rep)
            .collect(Collectors.toSet());
    Set<String> told =
        sent.ofMonth(month).stream()
            .filter(one -> one.sentAt() != null)
            .map(SentStore.Sent::rep)
            .collect(Collectors.toSet());
    told.retainAll(reps);
    return new Count(told.size(), reps.size());
  }
}
