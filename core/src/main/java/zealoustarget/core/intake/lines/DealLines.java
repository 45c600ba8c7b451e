package zealoustarget.core.intake.lines;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.intake.values.NumberText;
import zealoustarget.core.member.Axis;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealKey;

/**
 * Lines of a snapshot of deals. Plain likelihoods are percents where one of their column is above
 * 1, which only the whole column says; docs/calculations.md, section 9.
 */
final class DealLines implements LineReader.Kind {
  private static final int LONGEST_DEAL = 60;
  private static final int NONE = -1;

  /** A likelihood is read like a rate: a share with eight decimals. */
  private static final Measure SHARE =
      Measure.rate(
          "likelihood",
          new Measure("won", Measure.COUNT, 0, Direction.HIGHER),
          new Measure("deals", Measure.COUNT, 0, Direction.HIGHER),
          Direction.HIGHER);

  private static final Map<String, Deal.State> STATES =
      Map.ofEntries(
          Map.entry("", Deal.State.OPEN),
          Map.entry("open", Deal.State.OPEN),
          Map.entry("offen", Deal.State.OPEN),
          Map.entry("ouvert", Deal.State.OPEN),
          Map.entry("abierto", Deal.State.OPEN),
          Map.entry("won", Deal.State.WON),
          Map.entry("gewonnen", Deal.State.WON),
          Map.entry("gagné", Deal.State.WON),
          Map.entry("ganado", Deal.State.WON),
          Map.entry("lost", Deal.State.LOST),
          Map.entry("verloren", Deal.State.LOST),
          Map.entry("perdu", Deal.State.LOST),
          Map.entry("perdido", Deal.State.LOST));

  private final Header header;
  private final ColumnFormats formats;
  private final LoadSpec.Snapshot snapshot;
  private final FirstSeen deals = new FirstSeen();
  private final int sinceMonth;
  private boolean isPercents;

  DealLines(Header header, ColumnFormats formats, LoadSpec.Snapshot snapshot) {
    this.header = header;
    this.formats = formats;
    this.snapshot = snapshot;
    this.sinceMonth = Months.number(java.time.YearMonth.from(snapshot.asOf()));
  }

  @Override
  public boolean looksAhead() {
    return !isPercents && header.place(Header.Role.LIKELIHOOD) >= 0;
  }

  @Override
  public void lookAt(List<String> cells) {
    String cell = header.cell(Header.Role.LIKELIHOOD, cells);
    if (!cell.isEmpty() && !isPercent(cell)) {
      NumberText.Result read = number(cell);
      isPercents |= read.fault() == null && read.units() > Deal.CERTAIN;
    }
  }

  @Override
  public void read(LineContext draft) {
    String key = key(draft);
    int rep = draft.member(Axis.REP, true);
    int region = draft.member(Axis.REGION, false);
    int product = draft.member(Axis.PRODUCT, false);
    int month = draft.month(header.place(Header.Role.CLOSES));
    Deal.State state = state(draft);
    String stage = draft.cell(Header.Role.STAGE);
    draft.isUnfit(Header.Role.STAGE, stage, LONGEST_DEAL);
    int likelihood = likelihood(draft, stage);
    long[] amounts = draft.amounts();
    for (int i = 0; i < amounts.length; i++) {
      if (amounts[i] != Amounts.NONE && amounts[i] < 0) {
        Header.AmountColumn column = header.amounts().get(i);
        draft.find(
            column.title(),
            FindingCode.AMOUNT_BELOW_ZERO,
            "value",
            formats.shown(column.measure(), amounts[i]));
      }
    }
    findTwice(draft, key);
    if (draft.isHeld()) {
      return;
    }
    draft.checkRoster(rep, month);
    if (state == Deal.State.OPEN && month < sinceMonth) {
      draft.find(
          draft.title(Header.Role.CLOSES),
          FindingCode.DEAL_OVERDUE,
          "month",
          Months.of(month).toString());
    }
    draft.add(
        new LoadRow.OfDeal(
            new Deal(
                draft.line(),
                key,
                rep,
                product,
                region,
                likelihood,
                month,
                Objects.requireNonNull(state),
                stage.isEmpty() ? null : stage,
                amounts)));
  }

  private static String key(LineContext draft) {
    String key = DealKey.normal(draft.cell(Header.Role.DEAL));
    if (key.isEmpty()) {
      draft.find(draft.title(Header.Role.DEAL), FindingCode.DEAL_MISSING);
    } else {
      draft.isUnfit(Header.Role.DEAL, key, LONGEST_DEAL);
    }
    return key;
  }

  /** The second line of a deal is held back, whatever became of the first. */
  private void findTwice(LineContext draft, String key) {
    int first =
        key.isEmpty()
            ? 0
            : deals.seenOrAdd(FirstSeen.hash(List.of(DealKey.fold(key))), draft.line());
    if (first > 0) {
      draft.find(
          draft.title(Header.Role.DEAL),
          FindingCode.DEAL_TWICE,
          "value",
          key,
          "first",
          Integer.toString(first));
    }
  }

  private static Deal.@Nullable State state(LineContext draft) {
    String text = draft.cell(Header.Role.STATE);
    Deal.State state = STATES.get(text.toLowerCase(Locale.ROOT));
    if (state == null) {
      draft.find(draft.title(Header.Role.STATE), FindingCode.STATE_UNKNOWN, "value", text);
    }
    return state;
  }

  /** How likely it is, by the file, else by the company's own rule for its stage. */
  private int likelihood(LineContext draft, String stage) {
    String cell = draft.cell(Header.Role.LIKELIHOOD);
    String title = draft.title(Header.Role.LIKELIHOOD);
    if (cell.isEmpty()) {
      Integer ofStage = snapshot.stages().get(DealKey.fold(stage));
      if (ofStage == null) {
        draft.find(
            title == null ? draft.title(Header.Role.STAGE) : title, FindingCode.LIKELIHOOD_MISSING);
      }
      return ofStage == null ? NONE : ofStage;
    }
    NumberText.Result read = number(isPercents && !isPercent(cell) ? cell + "%" : cell);
    if (read.fault() != null) {
      draft.find(title, FindingCode.LIKELIHOOD_UNREADABLE, "value", cell);
      return NONE;
    }
    if (read.units() < 0 || read.units() > Deal.CERTAIN) {
      draft.find(title, FindingCode.LIKELIHOOD_OUTSIDE, "value", cell);
      return NONE;
    }
    return (int) read.units();
  }

  private NumberText.Result number(String cell) {
    return NumberText.read(cell, SHARE, formats.numbers(header.place(Header.Role.LIKELIHOOD)));
  }

  private static boolean isPercent(String cell) {
    return cell.endsWith("%");
  }
}
