package zealoustarget.server.intake.posting;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.intake.values.NameMatch;
import zealoustarget.core.ledger.Change;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.intake.checking.ChangesAnswer;
import zealoustarget.server.intake.checking.Checking;
import zealoustarget.server.intake.checking.ChecksAnswer;
import zealoustarget.server.intake.corrections.Fixes;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.sheet.ColumnRules;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.intake.sheet.StoredSheetAnswer;
import zealoustarget.server.intake.upload.Requests;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.ledger.state.Preview;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Looks at a load: its lines, what was found in them, what posting would change. */
@Component
public class LoadQueries {
  private static final int MOST_LINES = 500;
  private static final int MOST_OF_A_CODE = 200;
  private static final int MOST_CHANGES = 500;
  private static final int MOST_NAMES = 100;
  private static final int MOST_COVERED = 40;
  private static final int PROPOSALS = 3;
  private static final Set<FindingCode> LEAVING_OUT =
      Set.of(FindingCode.REPEATED_HEADER, FindingCode.TOTAL_LINE, FindingCode.LEFT_OUT);

  private final LoadStore store;
  private final SheetStore sheets;
  private final StagingService staging;
  private final Checking checking;
  private final Requests requests;
  private final LoadService loads;
  private final LedgerService ledgers;
  private final RulesService companyRules;

  LoadQueries(
      LoadStore store,
      SheetStore sheets,
      StagingService staging,
      Checking checking,
      Requests requests,
      LoadService loads,
      LedgerService ledgers,
      RulesService companyRules) {
    this.store = store;
    this.sheets = sheets;
    this.staging = staging;
    this.checking = checking;
    this.requests = requests;
    this.loads = loads;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /** Lines of the file from a record on, or around a line of the file. */
  public StoredSheetAnswer sheet(int id, int from, Integer aroundLine, int count) {
    LoadEntity load = store.get(id);
    StoredSheet sheet = sheets.get(id);
    int wanted = Math.max(1, Math.min(count, MOST_LINES));
    int first =
        aroundLine == null
            ? Math.max(0, from)
            : Math.max(0, sheets.recordOf(id, sheet, aroundLine) - wanted / 2);
    LoadRequest request = staging.request(load);
    Header header = findHeader(load, request, sheet);
    boolean isChecked = load.state != LoadState.RECEIVED && load.state != LoadState.READING;
    Rules rules = companyRules.current();
    return new StoredSheetAnswer(
        sheet.recordCount(),
        sheet.headerLine(),
        first,
        sheet.sheet(),
        sheet.sheets(),
        request.kind() == null ? null : request.kind().word(),
        request.goalSet(),
        request.axis() == null ? null : request.axis().word(),
        request.measure(),
        request.fiscalYear() == null
            ? requests.fiscalYear(load.fileName, rules)
            : request.fiscalYear(),
        day(request.snapshot()),
        request.snapshot() == null ? null : request.snapshot().source(),
        header != null && header.isWide(),
        columns(sheet, request, header),
        targets(request, rules),
        lines(id, sheet, first, wanted, isChecked));
  }

  private static @Nullable String day(LoadRequest.@Nullable Snapshot snapshot) {
    return snapshot == null || snapshot.asOf() == null ? null : snapshot.asOf().toString();
  }

  private @Nullable Header findHeader(LoadEntity load, LoadRequest request, StoredSheet sheet) {
    try {
      return request.kind() == null
          ? null
          : checking.columns(load.fileName, request, sheet).header();
    } catch (Refusal lacking) {
      return null;
    }
  }

  private static List<StoredSheetAnswer.ColumnAnswer> columns(
      StoredSheet sheet, LoadRequest request, @Nullable Header header) {
    List<StoredSheetAnswer.ColumnAnswer> columns = new ArrayList<>();
    for (int at = 0; at < sheet.titles().size(); at++) {
      String title = Header.nameOf(sheet.titles(), at);
      ColumnRule rule = request.column(title);
      ColumnProfile profile =
          at < sheet.profiles().size() ? sheet.profiles().get(at) : ColumnProfile.NONE;
      String target =
          header != null ? header.targets().get(at) : rule.target() == null ? "" : rule.target();
      boolean isGuessed =
          header != null
              && header.findings().stream()
                  .anyMatch(
                      f -> f.code() == FindingCode.COLUMN_GUESSED && title.equals(f.column()));
      columns.add(
          new StoredSheetAnswer.ColumnAnswer(
              title,
              target,
              isGuessed,
              profile.holdsNumbers(),
              profile.holdsDates(),
              ColumnRules.word(rule.decimals()),
              ColumnRules.word(rule.dates()),
              rule.powerOfTen(),
              rule.isFlipped(),
              profile.samples().stream().limit(3).toList()));
    }
    return columns;
  }

  private static List<String> targets(LoadRequest request, Rules rules) {
    LoadKind kind = request.kind() == null ? LoadKind.ACTUALS : request.kind();
    List<String> codes =
        rules.measures().stream().filter(m -> !m.isRate()).map(Measure::code).toList();
    List<String> goalCodes =
        rules.measures().stream()
            .flatMap(m -> Stream.of(m, m.lowEnd(), m.highEnd()))
            .map(Measure::code)
            .toList();
    List<String> beside =
        request.axis() == null
            ? List.of()
            : codes.stream().map(code -> PostingWords.goal(code)).toList();
    return switch (kind) {
      case ACTUALS ->
          Stream.of(
                  List.of("date", "month", "period", "year", "rep", "region", "product", "order"),
                  codes,
                  beside)
              .flatMap(List::stream)
              .toList();
      case GOALS ->
          Stream.concat(
                  Stream.of(
                      "month",
                      "year",
                      "period",
                      request.axis() == null ? "rep" : request.axis().word()),
                  goalCodes.stream())
              .toList();
      case DEALS ->
          Stream.concat(
                  Stream.of(
                      "deal", "rep", "product", "region", "likelihood", "closes", "state", "stage"),
                  rules.measures().stream()
                      .filter(m -> !m.isRate() && m.direction() == Direction.HIGHER)
                      .map(Measure::code))
              .toList();
      case ROSTER -> List.of("rep", "name", "region", "manager", "from", "until");
      case PRODUCTS -> List.of("product", "name", "line");
    };
  }

  private List<StoredSheetAnswer.LineAnswer> lines(
      int id, StoredSheet sheet, int first, int count, boolean isChecked) {
    List<SheetStore.Line> lines = sheets.lines(id, sheet, first, count);
    if (lines.isEmpty()) {
      return List.of();
    }
    Fixes fixes = store.fixes(id);
    Map<Integer, List<LoadStore.Kept>> byLine = new HashMap<>();
    store
        .findings(id, lines.get(0).line(), lines.get(lines.size() - 1).line())
        .forEach(
            kept ->
                byLine.computeIfAbsent(kept.finding().line(), line -> new ArrayList<>()).add(kept));
    return lines.stream()
        .map(
            line -> {
              List<LoadStore.Kept> found = byLine.getOrDefault(line.line(), List.of());
              return new StoredSheetAnswer.LineAnswer(
                  line.line(),
                  fixes.apply(line.line(), line.cells()),
                  isChecked ? part(found) : null,
                  found.stream().map(kept -> fault(kept, sheet)).toList(),
                  fixes.rewritten(line.line()));
            })
        .toList();
  }

  private static String part(List<LoadStore.Kept> found) {
    if (found.stream().anyMatch(kept -> LEAVING_OUT.contains(kept.finding().code()))) {
      return PostingWords.LEFT_OUT;
    }
    return found.stream().anyMatch(kept -> kept.finding().held()) ? "held" : "ready";
  }

  private static StoredSheetAnswer.FaultAnswer fault(LoadStore.Kept kept, StoredSheet sheet) {
    Finding finding = kept.finding();
    int at = -1;
    for (int place = 0; finding.column() != null && place < sheet.titles().size(); place++) {
      at = at < 0 && sheet.titles().get(place).strip().equals(finding.column()) ? place : at;
    }
    return new StoredSheetAnswer.FaultAnswer(
        at, finding.code().word(), finding.held(), kept.isAccepted(), finding.message());
  }

  /** Findings by code, those that hold lines back first. */
  public ChecksAnswer checks(int id) {
    store.get(id);
    List<LoadStore.Kept> all = store.findings(id);
    Map<FindingCode, List<LoadStore.Kept>> byCode = new LinkedHashMap<>();
    all.forEach(
        kept -> byCode.computeIfAbsent(kept.finding().code(), code -> new ArrayList<>()).add(kept));
    List<ChecksAnswer.Group> groups =
        byCode.entrySet().stream()
            .map(group -> group(group.getKey(), group.getValue()))
            .sorted(
                Comparator.comparing(ChecksAnswer.Group::held)
                    .reversed()
                    .thenComparing(ChecksAnswer.Group::ofFile))
            .toList();
    return new ChecksAnswer(groups, names(all), store.fixes(id).lineCount());
  }

  private static ChecksAnswer.Group group(FindingCode code, List<LoadStore.Kept> found) {
    return new ChecksAnswer.Group(
        code.word(),
        code.isHolding(),
        code.isOfFile(),
        found.size(),
        (int) found.stream().filter(kept -> !kept.isAccepted()).count(),
        found.stream()
            .limit(MOST_OF_A_CODE)
            .map(
                kept ->
                    new ChecksAnswer.One(
                        kept.finding().line(),
                        kept.finding().column(),
                        kept.isAccepted(),
                        kept.finding().message(),
                        kept.finding().details()))
            .toList());
  }

  private List<ChecksAnswer.NameAnswer> names(List<LoadStore.Kept> all) {
    Map<List<String>, List<Finding>> byName = new LinkedHashMap<>();
    all.stream()
        .map(LoadStore.Kept::finding)
        .filter(
            finding ->
                finding.code() == FindingCode.MEMBER_UNKNOWN
                    || finding.code() == FindingCode.MEMBER_LIKE)
        .forEach(
            finding ->
                byName
                    .computeIfAbsent(
                        List.of(finding.details().get("axis"), finding.details().get("value")),
                        name -> new ArrayList<>())
                    .add(finding));
    Ledger ledger = ledgers.posted();
    return byName.entrySet().stream()
        .limit(MOST_NAMES)
        .map(
            name -> {
              Axis axis = Axis.findByWord(name.getKey().get(0)).orElseThrow();
              String text = name.getKey().get(1);
              return new ChecksAnswer.NameAnswer(
                  axis.word(),
                  text,
                  name.getValue().size(),
                  name.getValue().get(0).line(),
                  NameMatch.near(text, ledger.members().all(axis), PROPOSALS).stream()
                      .map(member -> new ChecksAnswer.MemberAnswer(member.key(), member.name()))
                      .toList());
            })
        .toList();
  }

  /** What posting would change, in a mode or the one that is proposed. */
  public ChangesAnswer changes(int id, @Nullable PostMode mode, Axis axis) {
    Preview preview = loads.preview(id, mode, axis);
    LoadEntity load = store.get(id);
    Axis goalAxis = load.goalSet == null ? Axis.REP : load.goalSet.axis;
    List<ChangesAnswer.ChangeAnswer> changes = new ArrayList<>();
    preview.actuals().stream()
        .limit(MOST_CHANGES)
        .forEach(change -> changes.add(change(change, axis, preview.after(), false)));
    preview.goals().stream()
        .limit(MOST_CHANGES)
        .forEach(change -> changes.add(change(change, goalAxis, preview.after(), true)));
    return new ChangesAnswer(
        preview.proposed().word(),
        preview.mode().word(),
        preview.scope() == null ? null : preview.scope().axis().word(),
        covered(preview),
        preview.scope() == null
            ? List.of()
            : new TreeSet<>(preview.scope().membersByMonth().keySet())
                .stream().map(month -> Months.of(month).toString()).toList(),
        preview.sealedMonths().stream().map(Object::toString).toList(),
        preview.actuals().size() + preview.goals().size(),
        changes);
  }

  private static List<String> covered(Preview preview) {
    if (preview.scope() == null || preview.scope().axis() == Axis.COMPANY) {
      return List.of();
    }
    return preview.scope().membersByMonth().values().stream()
        .flatMapToInt(java.util.BitSet::stream)
        .distinct()
        .mapToObj(
            member ->
                preview
                    .after()
                    .members()
                    .get(Objects.requireNonNull(preview.scope()).axis(), member)
                    .name())
        .sorted()
        .limit(MOST_COVERED)
        .toList();
  }

  private ChangesAnswer.ChangeAnswer change(
      Change change, Axis axis, Ledger ledger, boolean isGoal) {
    Measure measure = companyRules.current().findMeasure(change.measure()).orElseThrow();
    Member member =
        change.member() < 0
            ? new Member(-1, "", PostingWords.no(axis.word()))
            : ledger.members().get(axis, change.member());
    return new ChangesAnswer.ChangeAnswer(
        member.key(),
        member.name(),
        Months.of(change.month()).toString(),
        change.measure(),
        isGoal,
        change.before() == null ? null : measure.text(change.before()),
        change.after() == null ? null : measure.text(change.after()));
  }
}
