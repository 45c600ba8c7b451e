package zealoustarget.server.intake;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.files.Upload;
import zealoustarget.server.ledger.LedgerService;

/** Settles what was found in a staged load: decides about lines and names, then checks again. */
@Service
class Settling {
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

  private final LoadStore store;
  private final SheetStore sheets;
  private final StagingService staging;
  private final LoadService loads;
  private final LoadJobs jobs;
  private final AliasStore aliases;
  private final LedgerService ledgers;

  Settling(
      LoadStore store,
      SheetStore sheets,
      StagingService staging,
      LoadService loads,
      LoadJobs jobs,
      AliasStore aliases,
      LedgerService ledgers) {
    this.store = store;
    this.sheets = sheets;
    this.staging = staging;
    this.loads = loads;
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
    jobs.checkIdle(id);
    LoadEntity load = store.get(id);
    if (load.state != LoadState.STAGED) {
      throw Refusal.of("load-not-staged", "Load " + id + " is " + load.state.word() + ".");
    }
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
      throw Refusal.of("value-unknown", "No line of the load is meant by that.");
    }
    store.addFixes(fixes);
    staging.checkAgain(id);
  }

  /** Takes back what was decided about a line, or about all lines where none is named. */
  void takeBack(int id, Integer line) {
    jobs.checkIdle(id);
    store.get(id);
    store.removeFixes(id, line);
    staging.checkAgain(id);
  }

  /** A name and the key of the member it is accepted for. */
  record Name(String axis, String text, String member) {}

  /**
   * Accepts names for known members, for this file and all to come, then checks the load again.
   *
   * @throws Refusal member-unknown, before any is accepted
   */
  void accept(int id, List<Name> names) {
    jobs.checkIdle(id);
    List<Runnable> accepted = names.stream().map(this::accepting).toList();
    accepted.forEach(Runnable::run);
    staging.checkAgain(id);
  }

  private Runnable accepting(Name name) {
    Axis axis = LoadController.axis(name.axis());
    String text = name.text();
    if (text == null || text.isBlank() || text.length() > LoadController.LONGEST_NAME) {
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
                        "member-unknown", "\"" + name.member() + "\" is no " + axis.word() + "."));
    return () -> aliases.accept(axis, text, member.id());
  }

  /**
   * Makes a rep or a product by a small list of its own, which is posted, and checks again. An
   * existing key is left as it is.
   *
   * @throws Refusal value-missing, member-exists
   */
  void make(int id, NewMember made) {
    jobs.checkIdle(id);
    Axis axis = LoadController.axis(made.axis());
    String name = made.name() == null || made.name().isBlank() ? made.key() : made.name();
    if (made.key() == null || made.key().isBlank()) {
      throw missing("key");
    }
    if (ledgers.posted().members().findByKey(axis, made.key()).isPresent()) {
      throw Refusal.of(
          "member-exists", "There is a " + axis.word() + " \"" + made.key() + "\" already.");
    }
    int list =
        switch (axis) {
          case REP -> list(id, LoadKind.ROSTER, rosterLine(made, name));
          case PRODUCT -> list(id, LoadKind.PRODUCTS, productLine(made, name));
          default ->
              throw Refusal.of(
                  "value-unknown", "A " + axis.word() + " needs not be made: its name makes it.");
        };
    loads.post(list, false, null, PostMode.ADD, true);
    staging.checkAgain(id);
  }

  private int list(int id, LoadKind kind, String csv) {
    String name = "made while loading " + store.get(id).fileName;
    byte[] content = csv.getBytes(StandardCharsets.UTF_8);
    return staging.stage(
        Upload.of(name.length() > 255 ? name.substring(0, 255) : name, content),
        LoadRequest.of(kind, null, null, null));
  }

  private static String rosterLine(NewMember made, String name) {
    if (made.fromMonth() == null || made.fromMonth().isBlank()) {
      throw missing("fromMonth");
    }
    return Remainder.csv(
        List.of(
            List.of("rep", "name", "region", "manager", "from"),
            List.of(
                made.key(),
                name,
                orEmpty(made.region()),
                orEmpty(made.manager()),
                made.fromMonth())));
  }

  private static String productLine(NewMember made, String name) {
    return Remainder.csv(
        List.of(
            List.of("product", "name", "line"), List.of(made.key(), name, orEmpty(made.line()))));
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }

  private List<FixEntity> rewrites(int id, Decision decision) {
    Sheet sheet = sheets.get(id);
    Integer at = decision.column();
    String value = decision.value();
    if (at == null || at < 0 || at >= sheet.titles().size()) {
      throw missing("column");
    }
    if (value == null || value.length() > LONGEST_CELL) {
      throw missing("value");
    }
    List<Integer> lines =
        decision.lines() == null
            ? linesReading(id, sheet, at, decision.from())
            : lines(id, decision);
    return lines.stream()
        .map(line -> new FixEntity(id, line, at, FixEntity.Action.REWRITE, value))
        .toList();
  }

  /** The lines whose cell reads a text now. */
  private List<Integer> linesReading(int id, Sheet sheet, int at, String from) {
    if (from == null) {
      throw missing("lines or from");
    }
    Fixes fixes = store.fixes(id);
    List<Integer> lines = new ArrayList<>();
    for (int part = 0; part < sheet.firstRecords().size(); part++) {
      for (SheetStore.Line line : sheets.part(id, part)) {
        List<String> cells = fixes.apply(line.line(), line.cells());
        if (at < cells.size() && cells.get(at).strip().equalsIgnoreCase(from.strip())) {
          lines.add(line.line());
        }
      }
    }
    return lines;
  }

  private List<FixEntity> accepts(int id, Decision decision) {
    FindingCode code =
        FindingCode.findByWord(decision.code() == null ? "" : decision.code())
            .orElseThrow(() -> missing("code"));
    if (code.isHolding()) {
      throw Refusal.of(
          "value-unknown",
          "A line that is held back cannot be accepted as it is. Correct it, or leave it out.");
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
    FindingCode code = FindingCode.findByWord(word).orElseThrow(() -> missing("lines or code"));
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
    throw Refusal.of(
            "value-unknown", "\"" + word + "\" is no action: rewrite, leave, count or accept.")
        .with("allowed", List.of("rewrite", "leave", "count", "accept"));
  }

  private static Refusal missing(String name) {
    return Refusal.of("value-missing", "\"" + name + "\" is missing or cannot be used.")
        .with("name", name);
  }
}
