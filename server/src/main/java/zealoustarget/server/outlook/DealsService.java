package zealoustarget.server.outlook;

import java.math.BigInteger;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.outlook.Accuracy;
import zealoustarget.core.outlook.Bridge;
import zealoustarget.core.outlook.Bridge.Step;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealOverride;
import zealoustarget.core.outlook.DealOverride.Field;
import zealoustarget.core.outlook.DealScope;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.core.outlook.OutlookInsights;
import zealoustarget.core.outlook.OutlookTable;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.outlook.DealsAnswer.DealAnswer;
import zealoustarget.server.outlook.DealsAnswer.HistoryAnswer;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.StandingParameters;

/** Lists deals, what became of them between two snapshots, and what each snapshot said of one. */
@Service
public class DealsService {
  /** Percents of a band of likelihoods. */
  private static final int BAND = 20;

  private final OutlookReader reader;
  private final SnapshotFinder snapshots;
  private final LoadService loads;

  DealsService(OutlookReader reader, SnapshotFinder snapshots, LoadService loads) {
    this.reader = reader;
    this.snapshots = snapshots;
    this.loads = loads;
  }

  /** A deal where it stands in a snapshot. */
  private record At(
      DealSnapshot snapshot, int place, @Nullable Step step, long amount, long moved) {}

  /**
   * What a list of deals is looked up in.
   *
   * @param overridden null where deals are said as their sources have them
   */
  private record Look(
      OutlookReader.Asked asked,
      Map<Integer, String> files,
      DealOverride.@Nullable Overridden overridden) {
    Members members() {
      return asked.query().ledger().members();
    }

    Measure measure() {
      return asked.query().query().measure();
    }
  }

  /**
   * What became of the open deals of a row between two snapshots; all 0 where there are not two.
   */
  public BridgeAnswer bridge(
      String axis, String key, StandingParameters parameters, @Nullable String since) {
    OutlookReader.Asked asked = reader.read(axis, key, parameters);
    List<SnapshotFinder.Pair> pairs = snapshots.pairs(since, parameters.asOf());
    Bridge bridge = Bridge.NONE;
    for (SnapshotFinder.Pair pair : pairs) {
      bridge = bridge.plus(Bridge.between(pair.former(), pair.latter(), asked.scope()));
    }
    return BridgeAnswer.of(
        day(pairs.stream().map(SnapshotFinder.Pair::former).toList()),
        day(pairs.stream().map(SnapshotFinder.Pair::latter).toList()),
        bridge,
        asked.query().query().measure());
  }

  private static @Nullable String day(List<DealSnapshot> some) {
    LocalDate day = DealSnapshot.day(some);
    return day == null ? null : day.toString();
  }

  /**
   * Deals of a row, the largest first.
   *
   * @param kind open, overdue, won, lost, or a step of the bridge such as moved-in
   */
  DealsAnswer deals(
      String axis,
      String key,
      StandingParameters parameters,
      String kind,
      @Nullable String since,
      int page,
      int size) {
    OutlookReader.Asked asked = reader.read(axis, key, parameters);
    Measure measure = asked.query().query().measure();
    Step step = step(kind);
    List<At> all =
        step == null
            ? listed(asked, kind)
            : stepped(asked.scope(), snapshots.pairs(since, parameters.asOf()), step);
    all.sort(
        Comparator.comparingLong(At::moved)
            .reversed()
            .thenComparing(at -> at.snapshot().key(at.place())));
    BigInteger weighted = BigInteger.ZERO;
    long sum = 0;
    for (At at : all) {
      sum = Math.addExact(sum, at.moved());
      weighted =
          weighted.add(
              BigInteger.valueOf(at.amount())
                  .multiply(BigInteger.valueOf(at.snapshot().deal(at.place()).likelihood())));
    }
    Look look = new Look(asked, loads.fileNames(), snapshots.overridden());
    return new DealsAnswer(
        asked.inForce().isEmpty() ? null : String.valueOf(DealSnapshot.day(asked.inForce())),
        measure.code(),
        all.size(),
        measure.text(sum),
        sum == 0
            ? null
            : Shown.percent(
                Ratio.of(weighted, BigInteger.valueOf(Deal.CERTAIN)).dividedBy(Ratio.of(sum))),
        all.stream().skip((long) page * size).limit(size).map(at -> answer(at, look)).toList());
  }

  private static List<At> listed(OutlookReader.Asked asked, String kind) {
    DealScope scope = asked.scope();
    List<At> found = new ArrayList<>();
    for (DealSnapshot snapshot : asked.inForce()) {
      int measure = snapshot.measure(scope.measure());
      for (int at = 0; at < snapshot.size(); at++) {
        if (kind.equals(kindOf(snapshot, at)) && scope.contains(snapshot, at)) {
          long amount = snapshot.amount(measure, at);
          found.add(new At(snapshot, at, null, amount, amount));
        }
      }
    }
    return found;
  }

  private static String kindOf(DealSnapshot snapshot, int at) {
    if (snapshot.isOpen(at)) {
      return snapshot.isStillOpen(at) ? "open" : "overdue";
    }
    return word(snapshot.deal(at).state());
  }

  private static List<At> stepped(DealScope scope, List<SnapshotFinder.Pair> pairs, Step wanted) {
    List<At> found = new ArrayList<>();
    for (SnapshotFinder.Pair pair : pairs) {
      Bridge.each(
          pair.former(),
          pair.latter(),
          scope,
          (step, amount, then, now) -> {
            if (step == wanted) {
              DealSnapshot of = now == null ? pair.former() : pair.latter();
              Deal deal = now == null ? then : now;
              int place = of.find(String.valueOf(deal == null ? "" : deal.key()));
              found.add(new At(of, place, step, amount, amount));
            }
          });
    }
    return found;
  }

  private static @Nullable Step step(String kind) {
    for (Step step : Step.values()) {
      if (word(step).equals(kind)) {
        return step;
      }
    }
    List<String> plain = List.of("open", "overdue");
    if (!plain.contains(kind)) {
      List<String> allowed = new ArrayList<>(plain);
      for (Step step : Step.values()) {
        allowed.add(word(step));
      }
      throw UnknownValue.of("kind", kind, allowed);
    }
    return null;
  }

  private static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private DealAnswer answer(At at, Look look) {
    Members members = look.members();
    Measure measure = look.measure();
    DealSnapshot snapshot = at.snapshot();
    Deal deal = snapshot.deal(at.place());
    int load = snapshot.load(at.place());
    Member rep = member(members, Axis.REP, deal.rep());
    Member product = member(members, Axis.PRODUCT, deal.product());
    int region =
        deal.region() == Members.NONE ? members.regionOf(deal.rep(), deal.month()) : deal.region();
    Member in = member(members, Axis.REGION, region);
    long amount = snapshot.amount(snapshot.measure(measure.code()), at.place());
    Ratio likelihood = Ratio.of(deal.likelihood(), Deal.CERTAIN);
    return new DealAnswer(
        deal.key(),
        SourceName.nameOf(snapshot.source()),
        rep == null ? "" : rep.key(),
        rep == null ? "" : rep.name(),
        product == null ? null : product.key(),
        product == null ? null : product.name(),
        in == null ? null : in.name(),
        amount == Amounts.NONE ? measure.text(0) : measure.text(amount),
        likelihood.toText(),
        Shown.percent(likelihood),
        Months.of(deal.month()).toString(),
        word(deal.state()),
        snapshot.isOpen(at.place()) && !snapshot.isStillOpen(at.place()),
        deal.stage(),
        load,
        look.files().getOrDefault(load, ""),
        deal.line(),
        look.overridden() == null
            ? null
            : overridden(snapshot, deal.key(), measure, look.overridden()),
        at.step() == null ? null : word(at.step()),
        at.step() == null ? null : measure.text(at.moved()));
  }

  private DealsAnswer.@Nullable Override overridden(
      DealSnapshot snapshot, String key, Measure measure, DealOverride.Overridden all) {
    Set<Field> fields = all.of(snapshot, key);
    if (fields.isEmpty()) {
      return null;
    }
    DealSnapshot source = snapshots.asPosted(snapshot);
    int at = source.find(key);
    if (at < 0) {
      return null;
    }
    Deal then = source.deal(at);
    Overrides.Made made = snapshots.made(snapshot.source(), key);
    return new DealsAnswer.Override(
        fields.contains(Field.AMOUNT)
            ? measure.text(source.amount(source.measure(measure.code()), at))
            : null,
        fields.contains(Field.LIKELIHOOD)
            ? Shown.percent(Ratio.of(then.likelihood(), Deal.CERTAIN))
            : null,
        fields.contains(Field.CLOSES) ? Months.of(then.month()).toString() : null,
        made.reason(),
        made.by());
  }

  private static @Nullable Member member(Members members, Axis axis, int id) {
    return id >= 0 && members.isKnown(axis, id) ? members.get(axis, id) : null;
  }

  /** How good earlier snapshots were, by what became of the same deals. */
  AccuracyAnswer accuracy(String axis, String key, StandingParameters parameters) {
    OutlookReader.Asked asked = reader.read(axis, key, parameters);
    Measure measure = asked.query().query().measure();
    List<DealSnapshot> posted = snapshots.asPosted();
    Accuracy accuracy =
        Accuracy.of(
            posted,
            DealSnapshot.inForce(posted, SnapshotFinder.day("asOf", parameters.asOf())),
            asked.scope());
    // of one row there is nobody to set it beside
    OfMembers members =
        key.equals(QueryReader.TOTAL) ? ofMembers(asked, posted) : new OfMembers(null, List.of());
    return new AccuracyAnswer(
        measure.code(),
        accuracy.snapshots().stream()
            .map(
                of ->
                    new AccuracyAnswer.OfSnapshot(
                        of.snapshot().asOf().toString(),
                        SourceName.nameOf(of.snapshot().source()),
                        of.deals(),
                        String.valueOf(OutlookService.rounded(measure, of.expected())),
                        measure.text(of.came()),
                        percent(of.ratio())))
            .toList(),
        accuracy.bands().stream()
            .map(
                band ->
                    new AccuracyAnswer.Band(
                        band.from() * BAND,
                        band.from() * BAND + BAND,
                        band.deals(),
                        band.won(),
                        percent(band.stated()),
                        percent(band.wonShare())))
            .toList(),
        accuracy.slip() == null
            ? null
            : accuracy.slip().rounded(1, RoundingMode.HALF_UP).toPlainString(),
        members.farthest(),
        members.all());
  }

  /** Whose likelihoods are farthest from what was won, and the rows by name. */
  private record OfMembers(@Nullable String farthest, List<AccuracyAnswer.OfMember> all) {}

  private static OfMembers ofMembers(OutlookReader.Asked asked, List<DealSnapshot> posted) {
    Map<Integer, Accuracy> byMember = asked.accuracies(posted);
    OutlookTable table = asked.table();
    OutlookInsights.Sentence farthest =
        OutlookInsights.ofLikelihoods(table, asked.query().figures(), byMember);
    return new OfMembers(
        farthest == null ? null : farthest.text(),
        members(asked.query().query().measure(), table, byMember));
  }

  /** The rows that have something to show, by name. */
  private static List<AccuracyAnswer.OfMember> members(
      Measure measure, OutlookTable table, Map<Integer, Accuracy> byMember) {
    return table.rows().stream()
        .filter(row -> byMember.containsKey(row.member().id()))
        .sorted(Comparator.comparing(row -> row.member().name()))
        .map(
            row -> {
              Accuracy of = Objects.requireNonNull(byMember.get(row.member().id()));
              return new AccuracyAnswer.OfMember(
                  row.member().key(),
                  row.member().name(),
                  String.valueOf(OutlookService.rounded(measure, of.expected())),
                  measure.text(of.came()),
                  percent(of.ratio()),
                  of.ended().deals(),
                  percent(of.ended().stated()),
                  percent(of.ended().wonShare()));
            })
        .toList();
  }

  private static @Nullable String percent(@Nullable Ratio share) {
    return share == null ? null : Shown.percent(share);
  }

  /** What each snapshot of a source says of a deal, latest first; deal-unknown. */
  HistoryAnswer history(String key, @Nullable String source, StandingParameters parameters) {
    OutlookReader.Asked asked = reader.read(parameters);
    Look look = new Look(asked, loads.fileNames(), null);
    String wanted = source == null ? "" : source;
    List<HistoryAnswer.At> all = new ArrayList<>();
    List<DealSnapshot> ofSource =
        snapshots.asPosted().stream()
            .filter(one -> SourceName.nameOf(one.source()).equals(wanted))
            .sorted(Comparator.comparing(DealSnapshot::asOf).reversed())
            .toList();
    for (DealSnapshot snapshot : ofSource) {
      int place = snapshot.find(key);
      all.add(
          new HistoryAnswer.At(
              snapshot.asOf().toString(),
              place < 0 ? null : answer(new At(snapshot, place, null, 0, 0), look)));
    }
    if (all.stream().allMatch(at -> at.deal() == null)) {
      throw Refusal.of("deal-unknown", OutlookWords.noSnapshotHasDeal(key)).with("deal", key);
    }
    return new HistoryAnswer(key, all);
  }
}
