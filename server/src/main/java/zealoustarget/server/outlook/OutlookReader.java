package zealoustarget.server.outlook;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.outlook.Accuracy;
import zealoustarget.core.outlook.DealScope;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.core.outlook.DealTrial;
import zealoustarget.core.outlook.OpenDeals;
import zealoustarget.core.outlook.OutlookTable;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;

/**
 * Reads an outlook's parameters: those of a standing, but that {@code asOf} is a snapshot's day.
 */
@Component
class OutlookReader {
  private final QueryReader reader;
  private final SnapshotFinder snapshots;

  OutlookReader(QueryReader reader, SnapshotFinder snapshots) {
    this.reader = reader;
    this.snapshots = snapshots;
  }

  /**
   * What was asked for.
   *
   * @param inForce the snapshots that count
   * @param tried what is tried of their deals, in words; empty for nothing
   */
  record Asked(ResolvedQuery query, List<DealSnapshot> inForce, List<String> tried) {
    /** With deals as they are tried. */
    Asked trying(@Nullable List<String> tryDeal) {
      List<DealTrial> trials = DealTrials.read(tryDeal, inForce);
      return new Asked(
          query,
          DealTrial.over(inForce, trials),
          DealTrials.words(trials, inForce, query.rules().company().writing()));
    }

    OutlookTable table() {
      return OutlookTable.of(query.ledger(), query.query(), query.group(), inForce);
    }

    Map<Integer, Accuracy> accuracies(List<DealSnapshot> posted) {
      return Accuracy.byMember(posted, inForce, scope(), query.query().axis());
    }

    Map<Integer, OpenDeals.Largest> largest() {
      return OpenDeals.largest(inForce, scope(), query.query().axis());
    }

    DealScope scope() {
      return OutlookTable.scope(query.ledger(), query.query());
    }
  }

  /** Of all rows; measure-without-outlook of measures that deals say nothing of. */
  Asked read(StandingParameters parameters) {
    return asked(reader.read(parameters.asOfDay(null)), parameters.asOf());
  }

  /** Of one member, or with the key {@code *} of the total. */
  Asked read(String axis, String key, StandingParameters parameters) {
    ResolvedQuery read = reader.read(key, parameters.on(axis).asOfDay(null));
    Asked asked = asked(read, parameters.asOf());
    if (key.equals(QueryReader.TOTAL)) {
      return asked;
    }
    int member = QueryReader.member(read.query().axis(), key, read.ledger()).id();
    return new Asked(
        read.with(
            read.query().withFilters(read.query().filters().and(read.query().axis(), member))),
        asked.inForce(),
        asked.tried());
  }

  private Asked asked(ResolvedQuery read, @Nullable String asOf) {
    if (!OutlookTable.isMeasured(read.query().measure())) {
      throw Refusal.of(
              "measure-without-outlook",
              OutlookWords.dealsSayNothingOfOutlook(read.query().measure().words()))
          .with("measure", read.query().measure().code());
    }
    return new Asked(read, snapshots.inForce(asOf), List.of());
  }
}
