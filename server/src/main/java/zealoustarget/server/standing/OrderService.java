package zealoustarget.server.standing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.Basis;
import zealoustarget.core.ledger.GoalBook;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.Members;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.ledger.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Reading;
import zealoustarget.server.intake.LoadService;
import zealoustarget.server.ledger.LedgerService;

/**
 * Reads single order lines against goals of their own: the one that their file brings beside them,
 * or a threshold per rep and month.
 */
@Service
class OrderService {
  private final QueryReader reader;
  private final LedgerService ledgers;
  private final LoadService loads;

  OrderService(QueryReader reader, LedgerService ledgers, LoadService loads) {
    this.reader = reader;
    this.ledgers = ledgers;
    this.loads = loads;
  }

  /** What lines are compared with; a line's goal is null where it has none. */
  private interface GoalOfLine {
    Long of(Ledger.Source source);
  }

  /**
   * A page of the lines behind a row.
   *
   * @param threshold a goal set by rep whose goals each line is to meet, or null for the goals that
   *     the files bring
   * @param onlyMet whether lines that do not meet their goal are passed over
   */
  OrdersAnswer orders(
      String key,
      StandingParameters parameters,
      String threshold,
      boolean onlyMet,
      int page,
      int size) {
    Asked asked = reader.read(key, parameters);
    StandingQuery query = asked.query();
    Measure measure = query.measure();
    Member member = CloseUpService.member(asked.ledger(), query.axis(), key);
    List<String> sets = thresholds(asked);
    boolean hasThreshold = QueryReader.isGiven(threshold);
    if (hasThreshold && !sets.contains(threshold)) {
      throw QueryReader.unknown("threshold", threshold, sets);
    }
    Map<Long, Long> own = hasThreshold ? Map.of() : ownGoals(query);
    GoalOfLine goals =
        hasThreshold
            ? byRep(asked, threshold)
            : source -> own.get(LedgerService.place(source.loadId(), source.line()));
    Map<Integer, String> files = loads.fileNames();
    List<OrdersAnswer.Line> lines = new ArrayList<>();
    List<Ledger.Source> sources =
        asked.ledger().actualSources(query, member == null ? null : member.id());
    for (Ledger.Source source : sources) {
      lines.add(line(asked, source, goals.of(source), files, hasThreshold));
    }
    List<OrdersAnswer.Line> shown =
        onlyMet ? lines.stream().filter(line -> Boolean.TRUE.equals(line.isMet())).toList() : lines;
    return new OrdersAnswer(
        hasThreshold ? "threshold" : own.isEmpty() ? null : "own-goal",
        sets,
        page,
        size,
        shown.size(),
        (int) lines.stream().filter(line -> line.isMet() != null).count(),
        (int) lines.stream().filter(line -> Boolean.TRUE.equals(line.isMet())).count(),
        CloseUpService.page(shown, page, size));
  }

  private Map<Long, Long> ownGoals(StandingQuery query) {
    return query.basis() instanceof Basis.Set set
        ? ledgers.lineGoals(set.name(), query.measure().code())
        : Map.of();
  }

  private static List<String> thresholds(Asked asked) {
    return asked.ledger().goalBooks().values().stream()
        .filter(book -> book.axis() == Axis.REP)
        .filter(book -> book.measures().contains(asked.query().measure().code()))
        .map(GoalBook::name)
        .sorted()
        .toList();
  }

  private static GoalOfLine byRep(Asked asked, String threshold) {
    Map<Ledger.MemberMonth, Long> byRep = new HashMap<>();
    asked.ledger().goalBooks().get(threshold).cells().stream()
        .filter(cell -> cell.measure().equals(asked.query().measure().code()))
        .forEach(
            cell -> byRep.put(new Ledger.MemberMonth(cell.member(), cell.month()), cell.amount()));
    return source -> byRep.get(new Ledger.MemberMonth(source.rep(), source.month()));
  }

  private static OrdersAnswer.Line line(
      Asked asked,
      Ledger.Source source,
      Long goal,
      Map<Integer, String> files,
      boolean hasThreshold) {
    Measure measure = asked.query().measure();
    Members members = asked.ledger().members();
    String rep = source.rep() < 0 ? null : members.get(Axis.REP, source.rep()).name();
    Reading reading =
        new Reading(
            measure.direction(),
            Ratio.of(source.amount()),
            goal == null ? Goal.MISSING : Goal.of(goal),
            1,
            null,
            null);
    String month = Months.of(source.month()).toString();
    return new OrdersAnswer.Line(
        source.loadId(),
        files.get(source.loadId()),
        source.line(),
        month,
        rep,
        measure.text(source.amount()),
        ReadingAnswer.text(measure, reading.goalAmount()),
        ReadingAnswer.text(measure, reading.variance()),
        goal == null ? null : reading.isReached(),
        goal == null
            ? null
            : why(reading, measure, hasThreshold ? "the threshold of " + rep : "its own goal"));
  }

  private static String why(Reading reading, Measure measure, String goalWords) {
    int side = reading.variance().signum();
    String how = side == 0 ? "exactly " : side > 0 ? "above " : "below ";
    return how + Figures.grouped(measure.text(reading.goalAmount())) + ", " + goalWords;
  }
}
