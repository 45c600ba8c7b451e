package zealoustarget.server.seed;

import java.util.List;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.earnings.EarningsText;
import zealoustarget.server.standing.view.StandingText;

/** Prints a standing of the seeded company to the console, for {@code ./run --example}. */
@Component
@Profile("example")
@Order(2)
class Example implements ApplicationRunner {
  private static final List<String> AXES = List.of("rep", "region", "product");

  private final StandingText standings;
  private final EarningsText earnings;

  Example(StandingText standings, EarningsText earnings) {
    this.standings = standings;
    this.earnings = earnings;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    CurrentAccount.asSystem("example", this::print);
  }

  private void print() {
    String month = "2026-10";
    for (String axis : AXES) {
      String goalSet = axis.equals("rep") ? "quota" : SeedWords.plan(axis);
      System.out.println(standings.of(axis, month, goalSet));
    }
    System.out.println(earnings.of(month));
  }
}
