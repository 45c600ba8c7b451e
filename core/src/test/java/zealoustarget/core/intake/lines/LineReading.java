package zealoustarget.core.intake.lines;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.History;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.Reconciliation;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.OrderKey;
import zealoustarget.core.ledger.columns.OrderSet;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.outlook.Deal;

/** Reads files given as text against a small roster. */
abstract class LineReading {
  static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  static final Measure UNITS = new Measure("units", "count", 0, Direction.HIGHER);
  static final Measure RATE = Measure.rate("returnRate", UNITS, REVENUE, Direction.LOWER);
  static final int OCTOBER = Months.number(YearMonth.of(2026, 10));

  static final int JOINED = Months.number(YearMonth.of(2025, 1));

  /** A file read whole: outcomes by line, and their reconciliation. */
  record ReadFile(Header header, List<LineOutcome> outcomes, Reconciliation sums) {
    LineOutcome line(int line) {
      return outcomes.get(line - 2);
    }

    String code(int line) {
      return line(line).findings().isEmpty() ? "none" : line(line).findings().get(0).code().word();
    }
  }

  static LineOutcome decided(LineReader.Decision decision, String header, String line) {
    Header read = Header.of(1, cells(header), actuals());
    return new LineReader(read, List.of(), new Known(), History.NONE, actuals())
        .read(2, cells(line), decision);
  }

  /** Twenty posted lines of 100.00 of K1, one of them order SO-1. */
  static History history() {
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    for (int i = 0; i < 20; i++) {
      block.add(i + 2, OCTOBER - 1, 1, -1, -1, 10_000);
    }
    block.order(OrderKey.ofOrder("SO-1"));
    Members members =
        new Members(
            Map.of(Axis.REP, List.of(new Member(1, "K1", "Ines Brackwater"))), List.of(), Map.of());
    Ledger ledger = new Ledger(members, List.of(block.build()), List.of());
    OrderSet orders = OrderSet.of(ledger.blocks());
    return new History() {
      @Override
      public boolean hasOrder(String order, int product) {
        return orders.contains(OrderKey.of(order, product));
      }

      @Override
      public TypicalAmounts usual(String measure) {
        return TypicalAmounts.of(2, (most, line) -> ledger.eachLateRow(most, measure, line::see));
      }

      @Override
      public boolean isFar(int month) {
        return month > OCTOBER + 60;
      }
    };
  }

  static ReadFile read(LoadSpec spec, String header, String... lines) {
    return read(spec, History.NONE, header, lines);
  }

  static ReadFile read(LoadSpec spec, History history, String header, String... lines) {
    ColumnWatch watch = new ColumnWatch();
    Stream.of(lines).forEach(line -> watch.see(cells(line)));
    Header read = Header.of(1, cells(header), spec);
    LineReader reader = new LineReader(read, watch.profiles(), new Known(), history, spec);
    for (String line : lines) {
      if (reader.looksAhead()) {
        reader.lookAt(cells(line));
      }
    }
    Reconciliation sums = new Reconciliation(read.measures());
    List<LineOutcome> outcomes = new ArrayList<>();
    for (String line : lines) {
      LineOutcome outcome = reader.read(outcomes.size() + 2, cells(line), LineReader.Decision.NONE);
      sums.add(outcome.part(), outcome.amounts());
      outcomes.add(outcome);
    }
    return new ReadFile(read, outcomes, sums);
  }

  static List<String> cells(String line) {
    return List.of(line.split(",", -1));
  }

  static LoadSpec actuals() {
    return spec(LoadKind.ACTUALS, null, null);
  }

  static LoadSpec goals(Axis axis) {
    return spec(LoadKind.GOALS, axis, null);
  }

  static LoadSpec wide(LoadKind kind, Axis axis) {
    return spec(kind, axis, REVENUE);
  }

  /** A snapshot of the middle of October, and how likely deals of one stage are. */
  static LoadSpec deals() {
    LoadSpec spec = spec(LoadKind.DEALS, null, null);
    return new LoadSpec(
        LoadKind.DEALS,
        null,
        null,
        spec.measures(),
        spec.calendar(),
        2027,
        Map.of(),
        true,
        Writing.NONE,
        new LoadSpec.Snapshot(Months.of(OCTOBER).atDay(15), Map.of("offer out", Deal.CERTAIN / 4)));
  }

  static LoadSpec spec(LoadKind kind, Axis axis, Measure wide) {
    return new LoadSpec(
        kind,
        axis,
        wide,
        List.of(REVENUE, UNITS, RATE),
        new FiscalCalendar(7, YearNamedBy.END),
        2027,
        Map.of(),
        true,
        Writing.NONE);
  }

  /** K1, K2, two reps called Twin and one called Sum Tingwell; products P10 and P20. */
  static final class Known implements Directory {
    private static final Map<String, Integer> REPS =
        Map.of("k1", 1, "k2", 2, "ines brackwater", 1, "twin", AMBIGUOUS, "sum tingwell", 3);
    private static final Map<String, Integer> PRODUCTS = Map.of("p10", 10, "p20", 20);
    private final Map<String, Integer> added = new HashMap<>();

    @Override
    public int find(Axis axis, String text) {
      String folded = text.strip().toLowerCase(Locale.ROOT);
      return switch (axis) {
        case REP -> REPS.getOrDefault(folded, UNKNOWN);
        case PRODUCT -> PRODUCTS.getOrDefault(folded, UNKNOWN);
        default -> findOrAdd(axis, text);
      };
    }

    @Override
    public int findOrAdd(Axis axis, String key) {
      return added.computeIfAbsent(
          axis + key.strip().toLowerCase(Locale.ROOT), text -> 100 + added.size());
    }

    @Override
    public boolean isOnRoster(int rep, int month) {
      return month >= JOINED && (rep != 2 || month <= OCTOBER);
    }

    @Override
    public boolean isKnown(Axis axis, String text) {
      return find(axis, text) >= 0;
    }

    @Override
    public Tenure tenure(int rep) {
      return new Tenure(JOINED, rep == 2 ? OCTOBER : null);
    }

    @Override
    public String findLike(Axis axis, String text) {
      return text.equals("Nort") ? "North" : null;
    }
  }
}
