package zealoustarget.server.outlook;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.member.Axis;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealKey;
import zealoustarget.core.outlook.DealOverride;
import zealoustarget.core.outlook.DealOverride.Field;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.query.QueryReader;

/** Overrides values of open deals of the latest snapshot, and takes that back. */
@Service
class OverrideService {
  private static final int LONGEST_REASON = 400;

  private final SnapshotFinder snapshots;
  private final Overrides overrides;
  private final LedgerService ledgers;
  private final RulesService companyRules;

  OverrideService(
      SnapshotFinder snapshots,
      Overrides overrides,
      LedgerService ledgers,
      RulesService companyRules) {
    this.snapshots = snapshots;
    this.overrides = overrides;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /**
   * What is to count instead; what is null, or what the source says itself, is left as it is there.
   *
   * @param source empty where there is one only
   * @param likelihood as a ratio from 0 to 1
   * @param closes a month
   * @param amount in the measure's decimals, 0 or more
   * @param measure of the amount
   * @param reason needed
   */
  record Wanted(
      @Nullable String source,
      @Nullable String likelihood,
      @Nullable String closes,
      @Nullable String amount,
      @Nullable String measure,
      @Nullable String reason) {}

  /**
   * Puts overrides of a deal in place of those it has.
   *
   * @throws Refusal deal-unknown, deal-not-open, override-invalid, month-unreadable
   */
  void override(String key, Wanted wanted) {
    DealSnapshot snapshot = latest(wanted.source());
    int at = snapshot.find(DealKey.normal(key));
    if (at < 0) {
      throw unknown(key);
    }
    if (!snapshot.isOpen(at)) {
      throw Refusal.of(
          "deal-not-open", OutlookWords.dealIsNotOpenInSnapshot(snapshot.key(at), snapshot.asOf()));
    }
    String reason = reason(wanted.reason());
    Measure measure = measure(wanted, snapshot);
    List<DealOverride> next = new ArrayList<>();
    add(next, snapshot, at, Field.LIKELIHOOD, measure, likelihood(wanted.likelihood()));
    add(next, snapshot, at, Field.CLOSES, measure, month(wanted.closes()));
    if (measure != null) {
      add(next, snapshot, at, Field.AMOUNT, measure, amount(wanted.amount(), measure));
    }
    replace(snapshot, at, next, reason, measure);
  }

  /** Takes back whatever is overridden of a deal; deal-unknown. */
  void takeBack(String key, @Nullable String source) {
    DealSnapshot snapshot = latest(source);
    int at = snapshot.find(DealKey.normal(key));
    if (at < 0) {
      throw unknown(key);
    }
    replace(snapshot, at, List.of(), "", null);
  }

  private void replace(
      DealSnapshot snapshot,
      int at,
      List<DealOverride> next,
      String reason,
      @Nullable Measure measure) {
    String rep = ledgers.posted().members().get(Axis.REP, snapshot.deal(at).rep()).name();
    overrides.replace(
        snapshot.source(),
        DealKey.fold(snapshot.key(at)),
        OutlookWords.deal(snapshot.key(at), rep),
        next,
        reason,
        (field, value) -> words(field, value, measure));
  }

  private static String words(Field field, long value, @Nullable Measure measure) {
    return switch (field) {
      case LIKELIHOOD -> Shown.percent(Ratio.of(value, Deal.CERTAIN)) + " %";
      case CLOSES -> Months.of((int) value).toString();
      case AMOUNT -> measure == null ? OutlookWords.ANOTHER_AMOUNT : measure.text(value);
    };
  }

  /** The latest snapshot of a source as it has it, as far as it may be seen. */
  private DealSnapshot latest(@Nullable String source) {
    String wanted = SourceName.ofDeals(source == null ? "" : source);
    return DealSnapshot.inForce(snapshots.asPosted(), null).stream()
        .filter(one -> one.source().equals(wanted))
        .findFirst()
        .orElseThrow(() -> Refusal.of("snapshot-unknown", OutlookWords.NO_SNAPSHOT_OF_SOURCE));
  }

  private static Refusal unknown(String key) {
    return Refusal.of("deal-unknown", OutlookWords.latestSnapshotHasNoDeal(key)).with("deal", key);
  }

  private static void add(
      List<DealOverride> to,
      DealSnapshot snapshot,
      int at,
      Field field,
      @Nullable Measure measure,
      @Nullable Long value) {
    String code = field == Field.AMOUNT && measure != null ? measure.code() : null;
    if (value == null) {
      return;
    }
    long was = DealOverride.valueIn(snapshot, at, field, code);
    if (value != was) {
      to.add(
          new DealOverride(
              snapshot.source(),
              DealKey.fold(snapshot.key(at)),
              field,
              code,
              value,
              was,
              snapshot.asOf()));
    }
  }

  private static String reason(@Nullable String text) {
    String reason = text == null ? "" : text.strip();
    if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
      throw invalid("reason", OutlookWords.sayWhyInUpToCharacters(LONGEST_REASON));
    }
    return reason;
  }

  /** The measure of the amount; null where none is given. */
  private @Nullable Measure measure(Wanted wanted, DealSnapshot snapshot) {
    if (wanted.amount() == null || wanted.amount().isBlank()) {
      return null;
    }
    String code =
        wanted.measure() == null || wanted.measure().isBlank() ? "revenue" : wanted.measure();
    return companyRules
        .current()
        .findMeasure(code)
        .filter(measure -> snapshot.measure(measure.code()) >= 0)
        .orElseThrow(() -> invalid("measure", OutlookWords.theseDealsHaveNoAmounts(code)));
  }

  private static @Nullable Long likelihood(@Nullable String text) {
    if (text == null || text.isBlank()) {
      return null;
    }
    try {
      long units = new BigDecimal(text.strip()).movePointRight(8).setScale(0).longValueExact();
      if (units >= 0 && units <= Deal.CERTAIN) {
        return units;
      }
    } catch (ArithmeticException | NumberFormatException unreadable) {
      // falls through to the one refusal
    }
    throw invalid("likelihood", OutlookWords.LIKELIHOOD_OUT_OF_RANGE);
  }

  private static @Nullable Long month(@Nullable String text) {
    if (text == null || text.isBlank()) {
      return null;
    }
    YearMonth month = QueryReader.month("closes", text);
    return (long) Months.number(month);
  }

  private static @Nullable Long amount(@Nullable String text, Measure measure) {
    if (text == null || text.isBlank()) {
      return null;
    }
    try {
      long units =
          new BigDecimal(text.strip()).movePointRight(measure.scale()).setScale(0).longValueExact();
      if (units >= 0 && units <= Measure.LARGEST_AMOUNT) {
        return units;
      }
    } catch (ArithmeticException | NumberFormatException unreadable) {
      // falls through to the one refusal
    }
    throw invalid("amount", OutlookWords.amountOutOfRange(measure.scale()));
  }

  private static Refusal invalid(String name, String words) {
    return Refusal.of("override-invalid", words).with("name", name);
  }
}
