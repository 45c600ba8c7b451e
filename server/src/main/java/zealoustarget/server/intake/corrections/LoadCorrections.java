package zealoustarget.server.intake.corrections;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiPredicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.checking.Together;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.posting.HeldLoads;
import zealoustarget.server.intake.posting.LoadJobs;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.AliasStore;
import zealoustarget.server.masterdata.GoalSets;

/** Settles what was found in a staged load: decides about lines and names, then checks again. */
@Service
class LoadCorrections {
  /**
   * One decision.
   *
   * @param action rewrite, leave, count or accept
   * @param lines the lines it is about; null for all that {@code code} was found in, or for a
   *     rewrite all whose cell reads {@code from}
   * @param code of the findings that are settled
   * @param column place of the cell that is rewritten
   * @param from what the cell reads now
   * @param value what it is to read
   */
  record Decision(
      String action, List<Integer> lines, String code, Integer column, String from, String value) {}

  /** A member that is made while a file is loaded. */
  record NewMember(
      String axis,
      String key,
      String name,
      String region,
      String manager,
      String line,
      String fromMonth) {}

  private static final int LONGEST_CELL = 2_000;
  private static final int MOST_LISTED = 2_000;

  private final LoadStore store;
  private final SheetStore sheets;
  private final StagingService staging;
  private final LoadService loads;
  private final HeldLoads held;
  private final LoadJobs jobs;
  private final AliasStore aliases;
  private final LedgerService ledgers;
  private final Audit audit;

  LoadCorrections(
      LoadStore store,
      SheetStore sheets,
      StagingService staging,
      LoadService loads,
      HeldLoads held,
      LoadJobs jobs,
      AliasStore aliases,
      LedgerService ledgers,
      Audit audit) {
    this.audit = audit;
    this.store = store;
    this.sheets = sheets;
    this.staging = staging;
    this.loads = loads;
    this.held = held;
    this.jobs = jobs;
    this.aliases = aliases;
    this.ledgers = ledgers;
  }

  /**
   * Decides about lines, then checks the load again.
   *
   * @throws Refusal load-not-staged, load-busy, value-unknown, value-missing
   */
  void decide(int id, Decision decision) {
    checkStaged(id);
    FixEntity.Action action = action(decision.action());
    List<FixEntity> fixes =
        switch (action) {
          case REWRITE -> rewrites(id, decision);
          case ACCEPT -> accepts(id, decision);
          case LEAVE, COUNT ->
              lines(id, decision).stream()
                  .map(line -> new FixEntity(id, line, FixEntity.LINE, action, ""))
                  .toList();
        };
    if (fixes.isEmpty()) {
      throw Refusal.of("value-unknown", CorrectionsWords.NO_LINE_OF_LOAD_IS_MEANT);
    }
    staging.checkAgain(
        id,
        new Together(
            () -> store.addFixes(fixes),
            () ->
                audit.add(
                    AuditKind.LOAD_CHANGED,
                    id,
                    subject(id, fixes),
                    before(fixes),
                    after(id, fixes))));
  }

  private String subject(int id, List<FixEntity> fixes) {
    String load = LoadService.subject(store.get(id));
    return fixes.size() == 1
        ? CorrectionsWords.lineOf(load, fixes.get(0).line)
        : CorrectionsWords.lines(load, fixes.size());
  }

  private static @Nullable String before(List<FixEntity> fixes) {
    return fixes.get(0).was == null
        ? null
        : listed(fixes.stream().map(fix -> CorrectionsWords.lineWas(fix.line, fix.was)));
  }

  private String after(int id, List<FixEntity> fixes) {
    FixEntity first = fixes.get(0);
    String lines = " " + listed(fixes.stream().map(fix -> CorrectionsWords.oneLine(fix.line)));
    return switch (first.action) {
      case REWRITE ->
          CorrectionsWords.rewritten(
              Header.nameOf(sheets.get(id).titles(), first.columnAt), first.content, lines);
      case LEAVE -> CorrectionsWords.leftOut(lines);
      case COUNT -> "counted:" + lines;
      case ACCEPT -> CorrectionsWords.accepted(FindingCode.valueOf(first.content).word(), lines);
    };
  }

  private static String listed(Stream<String> parts) {
    List<String> all = parts.toList();
    List<String> some = all.subList(0, Math.min(all.size(), MOST_LISTED));
    return CorrectionsWords.andMore(
        String.join("; ", some), all.size(), some.size(), (all.size() - some.size()));
  }

  /**
   * The state is checked before anything is touched, so that what is refused changes nothing.
   *
   * @throws Refusal load-unknown, load-busy, load-not-staged
   */
  private void checkStaged(int id) {
    LoadEntity load = store.get(id);
    jobs.checkIdle(id);
    if (load.state != LoadState.STAGED) {
      throw Refusal.of("load-not-staged", CorrectionsWords.loadIs(id, load.state.word()))
          .with("state", load.state.word());
    }
  }

  /** Takes back what was decided about a line, or about all lines where none is named. */
  void takeBack(int id, Integer line) {
    checkStaged(id);
    staging.checkAgain(
        id,
        new Together(
            () -> store.removeFixes(id, line),
            () ->
                audit.add(
                    AuditKind.LOAD_CHANGED,
                    id,
                    CorrectionsWords.subjectAndLine(LoadService.subject(store.get(id)), line),
                    null,
                    CorrectionsWords.DECISIONS_UNDONE)));
  }

  /** A name and the key of the member it is accepted for. */
  record Name(String axis, String text, String member) {}

  /**
   * Accepts names for known members, for this file and all to come, then checks the load again.
   *
   * @throws Refusal member-unknown, before any is accepted
   */
  void accept(int id, List<Name> names) {
    checkStaged(id);
    List<Runnable> accepted = names.stream().map(this::accepting).toList();
    accepted.forEach(Runnable::run);
    staging.checkAgain(id, Together.NOTHING);
    held.checkAgain(id);
  }

  private Runnable accepting(Name name) {
    Axis axis = GoalSets.axis(name.axis());
    String text = name.text();
    if (text == null || text.isBlank() || text.length() > GoalSets.LONGEST_NAME) {
      throw missing("text");
    }
    Member member =
        ledgers
            .current()
            .members()
            .findByKey(axis, name.member() == null ? "" : name.member())
            .orElseThrow(
                () ->
                    Refusal.of(
                        "member-unknown", CorrectionsWords.isNoMember(name.member(), axis.word())));
    return () -> aliases.accept(axis, text, member);
  }

  /**
   * Makes the reps and products that a file names: reviewed as one list, they are posted as one
   * roster and one product list, then the load is checked again. All are made or none.
   *
   * @throws Refusal value-missing, value-unknown, member-exists
   */
  void make(int id, List<NewMember> made) {
    checkStaged(id);
    if (made.isEmpty()) {
      throw missing("members");
    }
    List<List<String>> reps = new ArrayList<>();
    List<List<String>> products = new ArrayList<>();
    Set<String> keys = new HashSet<>();
    for (NewMember one : made) {
      Axis axis = checked(one);
      if (!keys.add(axis + " " + KeyText.fold(one.key()))) {
        throw exists(axis, one.key(), CorrectionsWords.IS_GIVEN_TWICE_IN_LIST);
      }
      if (axis == Axis.REP) {
        reps.add(rosterLine(one));
      } else {
        products.add(List.of(one.key(), nameOf(one), orEmpty(one.line())));
      }
    }
    List<Integer> lists = new ArrayList<>();
    try {
      stage(lists, id, LoadKind.ROSTER, List.of("rep", "name", "region", "manager", "from"), reps);
      stage(lists, id, LoadKind.PRODUCTS, List.of("product", "name", "line"), products);
      lists.forEach(this::checkWhole);
    } catch (Refusal refused) {
      lists.forEach(loads::discard);
      throw refused;
    }
    lists.forEach(list -> loads.postQuietly(list, false, null, PostMode.ADD, true));
    staging.checkAgain(id, Together.NOTHING);
    held.checkAgain(id);
  }

  /** The axis of a member that can be made. */
  private Axis checked(NewMember one) {
    Axis axis = GoalSets.axis(one.axis());
    if (axis != Axis.REP && axis != Axis.PRODUCT) {
      throw Refusal.of("value-unknown", CorrectionsWords.doesNotNeedToBeCreated(axis.word()));
    }
    if (one.key() == null || one.key().isBlank()) {
      throw missing("key");
    }
    if (axis == Axis.REP && (one.fromMonth() == null || one.fromMonth().isBlank())) {
      throw missing("fromMonth");
    }
    if (ledgers.posted().members().findByKey(axis, one.key()).isPresent()) {
      throw exists(axis, one.key(), CorrectionsWords.EXISTS_ALREADY);
    }
    return axis;
  }

  private static Refusal exists(Axis axis, String key, String what) {
    return Refusal.of(
        "member-exists", CorrectionsWords.nothingWasCreated(axis.word(), key.strip(), what));
  }

  private void stage(
      List<Integer> lists, int id, LoadKind kind, List<String> header, List<List<String>> lines) {
    if (lines.isEmpty()) {
      return;
    }
    List<List<String>> all = new ArrayList<>(List.of(header));
    all.addAll(lines);
    byte[] content = HeldLines.csv(all).getBytes(StandardCharsets.UTF_8);
    String name = CorrectionsWords.madeWhileLoading(store.get(id).fileName);
    lists.add(
        staging.stage(
            Upload.of(name.length() > 255 ? name.substring(0, 255) : name, content),
            LoadRequest.of(kind, null, null, null)));
  }

  private void checkWhole(int list) {
    if (store.get(list).held > 0) {
      String first =
          store.findings(list).stream()
              .map(LoadStore.Kept::finding)
              .filter(finding -> finding.code().isHolding())
              .map(Finding::message)
              .findFirst()
              .orElse(CorrectionsWords.LINE_CANNOT_BE_READ);
      throw Refusal.of("value-unknown", CorrectionsWords.refusedCreation(first));
    }
  }

  private static List<String> rosterLine(NewMember made) {
    return List.of(
        made.key(),
        nameOf(made),
        orEmpty(made.region()),
        orEmpty(made.manager()),
        made.fromMonth());
  }

  private static String nameOf(NewMember made) {
    return made.name() == null || made.name().isBlank() ? made.key() : made.name();
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }

  private List<FixEntity> rewrites(int id, Decision decision) {
    StoredSheet sheet = sheets.get(id);
    Integer at = decision.column();
    String value = decision.value();
    if (at == null || at < 0 || at >= sheet.titles().size()) {
      throw missing("column");
    }
    if (value == null || value.length() > LONGEST_CELL) {
      throw missing("value");
    }
    Map<Integer, String> now = cells(id, sheet, at, meant(decision));
    Collection<Integer> lines = decision.lines() == null ? now.keySet() : decision.lines();
    return lines.stream()
        .map(
            line ->
                new FixEntity(id, line, at, FixEntity.Action.REWRITE, value)
                    .of(now.getOrDefault(line, "")))
        .toList();
  }

  /** Which cells a rewrite is about, by line and by what each reads: those named, or all alike. */
  private static BiPredicate<Integer, String> meant(Decision decision) {
    if (decision.lines() != null) {
      Set<Integer> named = Set.copyOf(decision.lines());
      return (line, cell) -> named.contains(line);
    }
    if (decision.from() == null) {
      throw missing(CorrectionsWords.LINES_OR_FROM);
    }
    String from = decision.from().strip();
    return (line, cell) -> cell.strip().equalsIgnoreCase(from);
  }

  /**
   * What a column's cells read now, by line in the file's order; lines that end before have none.
   */
  private Map<Integer, String> cells(
      int id, StoredSheet sheet, int at, BiPredicate<Integer, String> isMeant) {
    Fixes fixes = store.fixes(id);
    Map<Integer, String> cells = new LinkedHashMap<>();
    for (int part = 0; part < sheet.firstRecords().size(); part++) {
      for (SheetStore.Line line : sheets.part(id, part)) {
        List<String> read = fixes.apply(line.line(), line.cells());
        if (at < read.size() && isMeant.test(line.line(), read.get(at))) {
          cells.put(line.line(), read.get(at));
        }
      }
    }
    return cells;
  }

  private List<FixEntity> accepts(int id, Decision decision) {
    FindingCode code =
        FindingCode.findByWord(decision.code() == null ? "" : decision.code())
            .orElseThrow(() -> missing("code"));
    if (code.isHolding()) {
      throw Refusal.of("value-unknown", CorrectionsWords.HELD_LINE_CANNOT_BE_ACCEPTED);
    }
    return lines(id, decision).stream()
        .map(line -> new FixEntity(id, line, FixEntity.LINE, FixEntity.Action.ACCEPT, code.name()))
        .toList();
  }

  /** The lines that a decision names, or all in which its code was found. */
  private List<Integer> lines(int id, Decision decision) {
    if (decision.lines() != null) {
      return decision.lines();
    }
    String word = decision.code() == null ? "" : decision.code();
    FindingCode code =
        FindingCode.findByWord(word).orElseThrow(() -> missing(CorrectionsWords.LINES_OR_CODE));
    TreeSet<Integer> lines = new TreeSet<>();
    store.findings(id).stream()
        .filter(kept -> kept.finding().code() == code)
        .forEach(kept -> lines.add(kept.finding().line()));
    return List.copyOf(lines);
  }

  private static FixEntity.Action action(String word) {
    for (FixEntity.Action action : FixEntity.Action.values()) {
      if (action.name().toLowerCase(Locale.ROOT).equals(word)) {
        return action;
      }
    }
    throw Refusal.of("value-unknown", CorrectionsWords.isNotAction(word))
        .with("allowed", List.of("rewrite", "leave", "count", "accept"));
  }

  private static Refusal missing(String name) {
    return Refusal.of("value-missing", CorrectionsWords.isMissingOrCannotBeUsed(name))
        .with("name", name);
  }
}
