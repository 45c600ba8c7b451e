package zealoustarget.server.closing;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.core.close.CloseState;
import zealoustarget.server.earnings.delivery.SentCount;
import zealoustarget.server.earnings.sealing.CloseGate;
import zealoustarget.server.intake.load.MonthLoads.MonthLoad;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.Closing;
import zealoustarget.server.rules.RulesService;

/** The close list of a month: its lines, waivers and lines of the company's own. */
@Service
public class CloseList implements CloseGate {
  private static final int MOST_ITEMS = 50;
  private static final int LONGEST_REASON = 400;
  private static final int LONGEST_NAME = 120;
  private static final String OWN = "own-";
  private static final String BRIEFING = "briefing";

  private final CloseLines computed;
  private final SourceArrivals arrivals;
  private final CloseStore store;
  private final SignedBriefings briefings;
  private final SentCount sent;
  private final RulesService companyRules;
  private final LedgerService ledgers;
  private final Seals seals;
  private final CompanyClock clock;
  private final DataState state;
  private final JsonMapper json;
  private final Map<YearMonth, Known> states = new ConcurrentHashMap<>();

  CloseList(
      CloseLines computed,
      SourceArrivals arrivals,
      CloseStore store,
      SignedBriefings briefings,
      SentCount sent,
      RulesService companyRules,
      LedgerService ledgers,
      Seals seals,
      CompanyClock clock,
      DataState state,
      JsonMapper json) {
    this.computed = computed;
    this.arrivals = arrivals;
    this.store = store;
    this.briefings = briefings;
    this.sent = sent;
    this.companyRules = companyRules;
    this.ledgers = ledgers;
    this.seals = seals;
    this.clock = clock;
    this.state = state;
    this.json = json;
  }

  /** What the application knows of signed briefings of a month. */
  public interface SignedBriefings {
    /** Who signed the last one of a month, and when; null where none is signed. */
    @Nullable Signed of(YearMonth month);

    /** A signature. */
    record Signed(String by, String at) {}
  }

  /** A line and the keys of what is open of it. */
  private record Placed(CloseAnswer.Line line, Set<String> open) {}

  /** The list of a month; of a closed one as it was kept with it. */
  CloseAnswer of(YearMonth month) {
    Seal seal = seals.find(month).orElse(null);
    List<CloseAnswer.Source> sources = arrivals.of(month);
    List<CloseAnswer.Line> lines =
        seal == null
            ? placed(month, sources).stream().map(Placed::line).toList()
            : kept(seal).stream().map(CloseList::line).toList();
    int open = count(lines, CloseState.OPEN);
    String word = seal != null ? "sealed" : word(month, open);
    return new CloseAnswer(
        month.toString(),
        word,
        open,
        CloseWords.headline(month, word, open),
        sentence(month, lines, seal),
        lines,
        after(month),
        sources);
  }

  /**
   * How far a month is: empty, open, or checked where nothing is open.
   *
   * @param loads of the month
   */
  String stateOf(YearMonth month, List<MonthLoad> loads) {
    // files that wait change nothing that is posted, but they are open
    String of = state.number() + " " + CloseLines.stateOf(loads);
    Known known = states.get(month);
    if (known == null || !known.of().equals(of)) {
      known = new Known(of, readState(month));
      states.put(month, known);
    }
    return known.word();
  }

  private String readState(YearMonth month) {
    if (seals.find(month).isPresent()) {
      return "sealed";
    }
    return isEmpty(month)
        ? "empty"
        : word(
            month,
            count(
                placed(month, arrivals.of(month)).stream().map(Placed::line).toList(),
                CloseState.OPEN));
  }

  /** How far a month was in a state of the data and of its loads. */
  private record Known(String of, String word) {}

  private String word(YearMonth month, int open) {
    return isEmpty(month) ? "empty" : open == 0 ? "checked" : "open";
  }

  private boolean isEmpty(YearMonth month) {
    Span posted = ledgers.posted().monthsWithActuals();
    return posted == null || !posted.contains(month);
  }

  private static int count(List<CloseAnswer.Line> lines, CloseState wanted) {
    return (int) lines.stream().filter(line -> line.state().equals(wanted.word())).count();
  }

  private String sentence(YearMonth month, List<CloseAnswer.Line> lines, @Nullable Seal seal) {
    if (seal != null) {
      return CloseWords.closed(
          seal.sealedBy(),
          seal.sealedAt().atZone(clock.getZone()).toLocalDate(),
          workingDay(month, seal),
          lines.isEmpty(),
          count(lines, CloseState.WAIVED));
    }
    Closing closing = closing();
    LocalDate due = dueDay(month, closing.dueDay());
    return CloseWords.sentence(
        lines.size(),
        count(lines, CloseState.DONE),
        count(lines, CloseState.WAIVED),
        closing.dueDay(),
        due,
        LocalDate.now(clock).isAfter(due));
  }

  /** On which working day after it a month was closed; 0 within it. */
  int workingDay(YearMonth month, Seal seal) {
    return days().after(month, seal.sealedAt().atZone(clock.getZone()).toLocalDate());
  }

  /** The day on which a month is due. */
  LocalDate dueDay(YearMonth month, int workingDay) {
    LocalDate day = month.atEndOfMonth();
    while (days().after(month, day) < workingDay) {
      day = day.plusDays(1);
    }
    return day;
  }

  private WorkingDays days() {
    return companyRules.current().workingDays();
  }

  private Closing closing() {
    return companyRules.current().company().closing();
  }

  private List<Placed> placed(YearMonth month, List<CloseAnswer.Source> sources) {
    Map<String, WaiverEntity> waivers = store.waivers(month);
    Closing closing = closing();
    List<CloseLines.Found> found = new ArrayList<>();
    found.add(arrivals(sources));
    found.addAll(computed.of(month));
    List<Placed> placed = new ArrayList<>();
    found.stream()
        .filter(one -> closing.asks(one.code()))
        .forEach(one -> placed.add(placed(one, waivers.get(one.code()))));
    Map<Integer, TickEntity> ticks = store.ticks(month);
    for (OwnLineEntity own : store.ownLines(month)) {
      placed.add(own(own, ticks.get(own.id), waivers.get(OWN + own.id)));
    }
    if (closing.asks(BRIEFING)) {
      placed.add(briefing(month, waivers.get(BRIEFING)));
    }
    return placed;
  }

  private static CloseLines.Found arrivals(List<CloseAnswer.Source> sources) {
    List<CloseAnswer.Source> expected =
        sources.stream().filter(SourceArrivals::isExpected).toList();
    List<CloseAnswer.Item> open =
        sources.stream()
            .filter(SourceArrivals::isMissing)
            .map(
                source ->
                    new CloseAnswer.Item(source.source(), source.name(), source.text(), null, null))
            .toList();
    List<String> late =
        expected.stream()
            .filter(CloseAnswer.Source::isLate)
            .filter(source -> !SourceArrivals.isMissing(source))
            .map(source -> CloseWords.came(source.name(), source.text()))
            .toList();
    return new CloseLines.Found(
        "arrivals",
        CloseWords.ARRIVALS,
        expected.isEmpty()
            ? "–"
            : CloseWords.partOf(expected.size() - open.size(), expected.size()),
        expected.isEmpty()
            ? CloseWords.NO_SOURCE_HAS_COME_THREE_MONTHS
            : open.isEmpty()
                ? late.isEmpty() ? CloseWords.ALL_CAME : CloseWords.names(late, 2)
                : CloseWords.missing(
                    CloseWords.names(open.stream().map(CloseAnswer.Item::name).toList(), 2),
                    open.size()),
        open.isEmpty() ? null : new CloseAnswer.Action(CloseWords.CHOOSE_FILE, ""),
        open);
  }

  private static Placed placed(CloseLines.Found found, @Nullable WaiverEntity waiver) {
    return placed(found, false, found.keys(), null, waiver);
  }

  private static Placed own(
      OwnLineEntity own, @Nullable TickEntity tick, @Nullable WaiverEntity waiver) {
    String code = OWN + own.id;
    return placed(
        new CloseLines.Found(
            code,
            own.name,
            "–",
            own.lastMonth == null ? CloseWords.OWN_EVERY_MONTH : CloseWords.OWN,
            new CloseAnswer.Action(CloseWords.MARK_DONE, ""),
            List.of()),
        true,
        tick == null ? Set.of(code) : Set.of(),
        tick == null ? null : new SignedBriefings.Signed(tick.by, tick.at.toString()),
        waiver);
  }

  private Placed briefing(YearMonth month, @Nullable WaiverEntity waiver) {
    SignedBriefings.Signed signed = briefings.of(month);
    return placed(
        new CloseLines.Found(
            BRIEFING,
            CloseWords.BRIEFING,
            signed == null ? "0 of 1" : "1 of 1",
            signed == null ? CloseWords.UNSIGNED : CloseWords.SIGNED,
            new CloseAnswer.Action(CloseWords.OPEN_BRIEFING, "/briefing?to=" + month),
            List.of()),
        false,
        signed == null ? Set.of(BRIEFING) : Set.of(),
        signed,
        waiver);
  }

  /** A line with what became of it; {@code done} says who settled it where that is known. */
  private static Placed placed(
      CloseLines.Found found,
      boolean isOwn,
      Set<String> open,
      SignedBriefings.@Nullable Signed done,
      @Nullable WaiverEntity waiver) {
    CloseState lineState = CloseState.of(open, waiver == null ? null : waiver.keys());
    WaiverEntity waived = lineState == CloseState.WAIVED ? waiver : null;
    return new Placed(
        new CloseAnswer.Line(
            found.code(),
            found.name(),
            lineState.word(),
            isOwn,
            found.figure(),
            found.text(),
            waived != null ? waived.by : done == null ? null : done.by(),
            waived != null ? waived.at.toString() : done == null ? null : done.at(),
            waived == null ? null : waived.reason,
            lineState == CloseState.OPEN ? found.action() : null,
            found.open().stream().limit(MOST_ITEMS).toList()),
        open);
  }

  private List<CloseAnswer.Line> after(YearMonth month) {
    SentCount.Count count = sent.of(month);
    boolean isDone = count.all() > 0 && count.sent() == count.all();
    return List.of(
        new CloseAnswer.Line(
            "statements",
            CloseWords.STATEMENTS,
            isDone ? "done" : "open",
            false,
            CloseWords.partOf(count.sent(), count.all()),
            CloseWords.SENT_ONCE_MONTH_IS_CLOSED,
            null,
            null,
            null,
            seals.find(month).isPresent() && !isDone
                ? new CloseAnswer.Action(
                    CloseWords.OPEN_SENDING, "/earnings?to=" + month + "&show=send")
                : null,
            List.of()));
  }

  /**
   * Waives an open line with a reason.
   *
   * @throws Refusal month-sealed, close-line-unknown, close-line-done, value-missing
   */
  CloseAnswer waive(YearMonth month, String code, @Nullable String reason) {
    String text = reason == null ? "" : reason.strip();
    if (text.isEmpty() || text.length() > LONGEST_REASON) {
      throw Refusal.of("value-missing", CloseWords.giveReason(LONGEST_REASON))
          .with("name", "reason");
    }
    checkOpen(month);
    Placed line = find(month, code);
    if (line.open().isEmpty()) {
      throw Refusal.of("close-line-done", CloseWords.isDone(line.line().name())).with("line", code);
    }
    store.waive(month, line.line(), line.open(), text);
    state.changed();
    return of(month);
  }

  /** Takes a waiver back; the same list where there is none. */
  CloseAnswer takeBack(YearMonth month, String code) {
    checkOpen(month);
    store.takeBack(month, code, find(month, code).line().name());
    state.changed();
    return of(month);
  }

  /** Adds an own line; value-missing, month-sealed. */
  CloseAnswer add(YearMonth month, @Nullable String name, boolean isRecurring) {
    String text = name == null ? "" : name.strip();
    if (text.isEmpty() || text.length() > LONGEST_NAME) {
      throw Refusal.of("value-missing", CloseWords.sayWhat(LONGEST_NAME)).with("name", "name");
    }
    checkOpen(month);
    store.add(month, text, isRecurring);
    state.changed();
    return of(month);
  }

  /** Marks an own line as done or open; close-line-unknown, month-sealed. */
  CloseAnswer tick(YearMonth month, int id, boolean isDone) {
    checkOpen(month);
    store.tick(month, id, isDone);
    state.changed();
    return of(month);
  }

  /** Takes an own line away from a month on; close-line-unknown, month-sealed. */
  CloseAnswer remove(YearMonth month, int id) {
    checkOpen(month);
    store.remove(month, id);
    state.changed();
    return of(month);
  }

  private void checkOpen(YearMonth month) {
    if (seals.find(month).isPresent()) {
      throw Refusal.of("month-sealed", CloseWords.monthIsClosed(month))
          .with("months", List.of(month.toString()));
    }
  }

  private Placed find(YearMonth month, String code) {
    return placed(month, arrivals.of(month)).stream()
        .filter(one -> one.line().code().equals(code))
        .findFirst()
        .orElseThrow(() -> CloseStore.unknown(month, code));
  }

  @Override
  public void check(YearMonth month, boolean requiresChecked) {
    if (!requiresChecked && !closing().requiresChecked()) {
      return;
    }
    List<String> open =
        placed(month, arrivals.of(month)).stream()
            .map(Placed::line)
            .filter(line -> line.state().equals(CloseState.OPEN.word()))
            .map(CloseAnswer.Line::name)
            .toList();
    if (!open.isEmpty()) {
      throw Refusal.of("month-not-checked", CloseWords.notChecked(month, open)).with("lines", open);
    }
  }

  @Override
  public List<Kept> kept(YearMonth month) {
    return placed(month, arrivals.of(month)).stream()
        .map(Placed::line)
        .map(
            line ->
                new Kept(
                    line.code(),
                    line.name(),
                    line.state(),
                    line.figure(),
                    line.text(),
                    line.by(),
                    line.at(),
                    line.reason()))
        .toList();
  }

  /** The list as it was kept with a closed month; empty of months closed before it was. */
  private List<Kept> kept(Seal seal) {
    JsonNode list = json.readTree(seal.rules()).get(KEPT);
    return list == null
        ? List.of()
        : list.valueStream().map(node -> json.treeToValue(node, Kept.class)).toList();
  }

  private static CloseAnswer.Line line(Kept kept) {
    return new CloseAnswer.Line(
        kept.code(),
        kept.name(),
        kept.state(),
        kept.code().startsWith(OWN),
        kept.figure(),
        kept.text(),
        kept.by(),
        kept.at(),
        kept.reason(),
        null,
        List.of());
  }
}
