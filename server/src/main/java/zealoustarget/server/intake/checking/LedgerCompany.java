package zealoustarget.server.intake.checking;

import java.util.List;
import java.util.stream.Stream;
import zealoustarget.core.intake.PostedCompany;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/** What a ledger says of the company that files are held against. */
record LedgerCompany(Ledger ledger) implements PostedCompany {
  @Override
  public List<Member> repsOn(int month) {
    return ledger.members().all(Axis.REP).stream()
        .filter(rep -> ledger.members().isOnRoster(rep.id(), month))
        .toList();
  }

  @Override
  public int regionOf(int rep, int month) {
    return ledger.members().regionOf(rep, month);
  }

  @Override
  public String regionName(int region) {
    return ledger.members().get(Axis.REGION, region).name();
  }

  @Override
  public List<Goal> goals(String set) {
    GoalBook book = ledger.goalBooks().get(set);
    return book == null ? List.of() : goals(book).toList();
  }

  @Override
  public List<Goal> regionGoals() {
    return ledger.goalBooks().values().stream()
        .filter(book -> book.axis() == Axis.REGION)
        .flatMap(LedgerCompany::goals)
        .toList();
  }

  private static Stream<Goal> goals(GoalBook book) {
    return book.cells().stream()
        .map(
            cell ->
                new Goal(book.name(), cell.measure(), cell.month(), cell.member(), cell.amount()));
  }
}
