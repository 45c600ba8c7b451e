package zealoustarget.server.outlook;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.outlook.DealKey;
import zealoustarget.core.outlook.DealOverride;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.intake.load.SnapshotDay;
import zealoustarget.server.ledger.state.LedgerService;

/** Finds the posted snapshots that an answer is of, as far as they may be seen. */
@Component
class SnapshotFinder {
  private final LedgerService ledgers;
  private final Overrides overrides;
  private volatile @Nullable Read last;

  /** What was made of posted snapshots and overrides, for as long as both are the same. */
  private record Read(
      List<DealSnapshot> posted, List<Overrides.Made> made, DealOverride.Overridden overridden) {}

  SnapshotFinder(LedgerService ledgers, Overrides overrides) {
    this.ledgers = ledgers;
    this.overrides = overrides;
  }

  /** All of them with what is overridden, in the order of their posting. */
  List<DealSnapshot> posted() {
    return ledgers.seen(overridden().snapshots());
  }

  /** All of them as their sources have them. */
  List<DealSnapshot> asPosted() {
    return ledgers.seen(ledgers.postedSnapshots());
  }

  /** A posted snapshot as its source has it, without what is overridden. */
  DealSnapshot asPosted(DealSnapshot posted) {
    List<DealSnapshot> same =
        ledgers.postedSnapshots().stream()
            .filter(one -> one.origin().equals(posted.origin()))
            .limit(1)
            .toList();
    return ledgers.seen(same).stream().findFirst().orElseThrow();
  }

  /** What is overridden, whoever asks. */
  DealOverride.Overridden overridden() {
    List<DealSnapshot> posted = ledgers.postedSnapshots();
    List<Overrides.Made> made = overrides.all();
    Read known = last;
    if (known == null || known.posted != posted || !known.made.equals(made)) {
      known =
          new Read(
              posted,
              made,
              DealOverride.over(posted, made.stream().map(Overrides.Made::override).toList()));
      last = known;
    }
    return known.overridden;
  }

  /** Those in force on a day: one of each source, none where nothing is posted by then. */
  List<DealSnapshot> inForce(@Nullable String asOf) {
    return DealSnapshot.inForce(posted(), day("asOf", asOf));
  }

  /** The override of a deal that is marked in a snapshot of a source. */
  Overrides.Made made(String source, String deal) {
    Read known = last;
    return (known == null ? overrides.all() : known.made)
        .stream()
            .filter(one -> one.override().source().equals(source))
            .filter(one -> one.override().deal().equals(DealKey.fold(deal)))
            .findFirst()
            .orElseThrow();
  }

  static @Nullable LocalDate day(String name, @Nullable String text) {
    return text == null || text.isBlank() ? null : SnapshotDay.day(name, text);
  }

  /** Two snapshots of one source. */
  record Pair(DealSnapshot former, DealSnapshot latter) {}

  /**
   * The snapshots between which a bridge lies, of each source that has both.
   *
   * @param since null for the one before
   * @param asOf null for the latest
   * @throws Refusal snapshot-unknown if a day that is given is no snapshot's
   */
  List<Pair> pairs(@Nullable String since, @Nullable String asOf) {
    List<DealSnapshot> posted = posted();
    LocalDate later = day("asOf", asOf);
    LocalDate earlier = day("since", since);
    check("asOf", later, posted);
    check("since", earlier, posted);
    List<Pair> pairs =
        posted.stream()
            .map(DealSnapshot::source)
            .distinct()
            .map(source -> posted.stream().filter(one -> one.source().equals(source)).toList())
            .map(ofSource -> pair(ofSource, earlier, later))
            .filter(pair -> pair != null)
            .toList();
    if (pairs.isEmpty() && earlier != null) {
      throw Refusal.of("snapshot-unknown", OutlookWords.NO_SNAPSHOTS_OF_BOTH_DAYS);
    }
    return pairs;
  }

  private static @Nullable Pair pair(
      List<DealSnapshot> ofSource, @Nullable LocalDate earlier, @Nullable LocalDate later) {
    DealSnapshot latter = latest(ofSource, later, null);
    DealSnapshot former =
        latter == null ? null : latest(ofSource, earlier, earlier == null ? latter.asOf() : null);
    return latter == null || former == null || former.asOf().isAfter(latter.asOf())
        ? null
        : new Pair(former, latter);
  }

  /** The last posted of a day; without one the latest, before another day where that is given. */
  private static @Nullable DealSnapshot latest(
      List<DealSnapshot> ofSource, @Nullable LocalDate day, @Nullable LocalDate before) {
    return ofSource.stream()
        .filter(one -> day == null || one.asOf().equals(day))
        .filter(one -> before == null || one.asOf().isBefore(before))
        .reduce((one, next) -> next.asOf().isBefore(one.asOf()) ? one : next)
        .orElse(null);
  }

  private static void check(String name, @Nullable LocalDate day, List<DealSnapshot> posted) {
    if (day != null && posted.stream().noneMatch(one -> one.asOf().equals(day))) {
      throw Refusal.of(
              "snapshot-unknown",
              OutlookWords.noSnapshot(
                  day,
                  String.join(
                      ", ",
                      posted.stream()
                          .map(DealSnapshot::asOf)
                          .distinct()
                          .sorted(Comparator.reverseOrder())
                          .map(Object::toString)
                          .toList())))
          .with("name", name);
    }
  }
}
