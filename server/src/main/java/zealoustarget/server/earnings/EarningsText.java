package zealoustarget.server.earnings;

import java.time.YearMonth;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.server.rules.RulesService;

/** A month's commission as plain text, for a terminal. */
@Component
public class EarningsText {
  private static final String LINE = "%-18s %-12s %12s %12s  %-12s %10s%n";

  private final EarningsService earnings;
  private final RulesService companyRules;

  EarningsText(EarningsService earnings, RulesService companyRules) {
    this.earnings = earnings;
    this.companyRules = companyRules;
  }

  /** Headline and a line per rep. */
  public String of(String month) {
    EarningsService.Month read = earnings.month(YearMonth.parse(month));
    StringBuilder text = new StringBuilder(read.headline()).append("\n\n");
    text.append(LINE.formatted("rep", "plan", "quota", "credited", "status", "due"));
    for (EarningsRow row : read.rows()) {
      text.append(
          LINE.formatted(
              row.name(),
              shown(row.plan()),
              figure(row.quota()),
              figure(row.credited() == null ? row.actual() : row.credited()),
              row.status(),
              figure(row.due())));
    }
    return text.toString().replace('\u202f', ' ');
  }

  private static String shown(@Nullable String text) {
    return text == null ? "–" : text;
  }

  private String figure(@Nullable String decimal) {
    return decimal == null ? "–" : companyRules.current().company().writing().grouped(decimal);
  }
}
