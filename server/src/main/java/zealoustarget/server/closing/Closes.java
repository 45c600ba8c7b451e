package zealoustarget.server.closing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.YearMonth;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.server.intake.load.MonthLoads;
import zealoustarget.server.intake.load.MonthLoads.MonthLoad;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.SealedLoad;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.rules.RulesService;

/** The months of a fiscal year and when each was closed, so that a team sees itself. */
@Service
class Closes {
  private static final int FIRST_YEAR = 1990;
  private static final int LAST_YEAR = 2100;

  private final CloseList list;
  private final Seals seals;
  private final MonthLoads loads;
  private final RulesService companyRules;

  Closes(CloseList list, Seals seals, MonthLoads loads, RulesService companyRules) {
    this.list = list;
    this.seals = seals;
    this.loads = loads;
    this.companyRules = companyRules;
  }

  /**
   * A month.
   *
   * @param state {@code empty}, {@code open}, {@code checked} or {@code sealed}
   * @param due the day on which it is to be closed
   * @param workingDay on which working day after the month it was closed, 0 within it; null while
   *     it is open
   * @param corrections loads with lines of it that count and were not there when it was closed
   * @param staged loads with actuals of it that are not posted, so that no figure counts them
   */
  record MonthClose(
      String month,
      @Schema(allowableValues = {"empty", "open", "checked", "sealed"}) String state,
      String due,
      int dueDay,
      @Nullable String closedAt,
      @Nullable String closedBy,
      @Nullable Integer workingDay,
      int corrections,
      List<Integer> staged) {}

  List<MonthClose> of(int year) {
    if (year < FIRST_YEAR || year > LAST_YEAR) {
      throw Refusal.of("value-unknown", CloseWords.YEAR_IS_FISCAL).with("name", "year");
    }
    return companyRules.current().calendar().year(year).months().stream().map(this::month).toList();
  }

  private MonthClose month(YearMonth month) {
    Seal seal = seals.find(month).orElse(null);
    List<MonthLoad> ofMonth = loads.of(month);
    int dueDay = companyRules.current().company().closing().dueDay();
    return new MonthClose(
        month.toString(),
        list.stateOf(month, ofMonth),
        list.dueDay(month, dueDay).toString(),
        dueDay,
        seal == null ? null : seal.sealedAt().toString(),
        seal == null ? null : seal.sealedBy(),
        seal == null ? null : list.workingDay(month, seal),
        seal == null ? 0 : corrections(ofMonth, seal),
        seal == null
            ? ofMonth.stream().filter(MonthLoad::waitsWithActuals).map(MonthLoad::id).toList()
            : List.of());
  }

  private static int corrections(List<MonthLoad> ofMonth, Seal seal) {
    Set<Integer> then = seal.loads().stream().map(SealedLoad::id).collect(Collectors.toSet());
    return (int)
        ofMonth.stream()
            .filter(load -> load.isPosted() && load.kind() == LoadKind.ACTUALS)
            .filter(load -> !then.contains(load.id()))
            .count();
  }
}
