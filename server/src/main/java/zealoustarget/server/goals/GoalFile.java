package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.lines.ColumnWatch;
import zealoustarget.core.intake.values.NumberText;
import zealoustarget.core.member.Member;
import zealoustarget.server.files.FileLooker;
import zealoustarget.server.files.TableFile;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;
import zealoustarget.server.rules.RulesService;

/**
 * Takes a sheet back that was edited elsewhere: what differs from the draft becomes changes of it.
 * Rows are told by key, months by their heads; a blank cell is no goal. Rows and months that are
 * not in the file stay as they are.
 */
@Service
class GoalFile {
  private static final int MOST_FAULTS = 5;

  private final FileLooker looker;
  private final RulesService companyRules;

  GoalFile(FileLooker looker, RulesService companyRules) {
    this.looker = looker;
    this.companyRules = companyRules;
  }

  private record Line(int number, List<String> cells) {}

  /**
   * What a file changes.
   *
   * @param sheet as the draft has it
   * @throws Refusal column-missing where no head is a month of the sheet or none is the rows' axis;
   *     value-unknown naming up to five lines that cannot be read; what a file is refused for
   */
  List<GoalDrafts.Change> changes(GoalSheet sheet, Upload upload) {
    TableFile file = looker.open(upload, "");
    List<Line> lines = new ArrayList<>();
    file.read((line, cells, isCutOff) -> lines.add(new Line(line, cells)));
    int head = headOf(sheet, lines);
    List<String> titles = lines.get(head).cells();
    int keyAt = keyColumn(sheet, titles);
    Map<Integer, YearMonth> months = months(sheet, titles);
    ColumnWatch watch = new ColumnWatch();
    List<Line> rows = lines.subList(head + 1, lines.size());
    rows.forEach(line -> watch.see(line.cells()));
    List<ColumnProfile> profiles = watch.profiles();
    List<GoalDrafts.Change> changes = new ArrayList<>();
    List<String> faults = new ArrayList<>();
    Set<Integer> seen = new HashSet<>();
    CellReader reader = new CellReader(sheet);
    for (Line line : rows) {
      String key = cell(line, keyAt);
      if (key.isBlank()) {
        continue; // a total
      }
      Member member;
      try {
        member = reader.member(key);
      } catch (Refusal unknown) {
        faults.add(GoalsWords.lineHasUnknownMember(line.number(), sheet.axis().word(), key));
        continue;
      }
      if (!seen.add(member.id())) {
        faults.add(GoalsWords.lineIsGivenTwice(line.number(), key));
        continue;
      }
      months.forEach(
          (at, month) -> {
            Amount now = sheet.amount(member.id(), Months.number(month));
            String text = cell(line, at).strip();
            Amount next = null;
            if (!text.isEmpty()) {
              NumberText.Result read =
                  NumberText.read(
                      text,
                      sheet.measure(),
                      profiles
                          .get(at)
                          .numbers(
                              ColumnRule.AUTO,
                              file.isCommaGrouping(),
                              companyRules.current().company().writing()));
              if (read.fault() != null) {
                faults.add(GoalsWords.lineIsNotAmount(line.number(), month, text));
                return;
              }
              next = new Amount(read.units(), null);
            }
            if (!GoalSheets.isSame(now, next)) {
              changes.add(new GoalDrafts.Change(member, month, next));
            }
          });
    }
    if (!faults.isEmpty()) {
      throw Refusal.of(
              "value-unknown",
              GoalsWords.fileCannotBeTaken(
                  String.join("; ", faults.subList(0, Math.min(MOST_FAULTS, faults.size()))),
                  faults.size(),
                  MOST_FAULTS,
                  (faults.size() - MOST_FAULTS)))
          .with("faults", faults.size());
    }
    return changes;
  }

  private static String cell(Line line, int at) {
    return at < line.cells().size() ? line.cells().get(at) : "";
  }

  /** The first line that names a month of the sheet. */
  private static int headOf(GoalSheet sheet, List<Line> lines) {
    for (int at = 0; at < lines.size(); at++) {
      if (!months(sheet, lines.get(at).cells()).isEmpty()) {
        return at;
      }
    }
    throw Refusal.of(
        "column-missing", GoalsWords.noColumnOfFileIsMonth(sheet.span().fromInclusive()));
  }

  private static int keyColumn(GoalSheet sheet, List<String> titles) {
    for (int at = 0; at < titles.size(); at++) {
      if (titles.get(at).strip().equalsIgnoreCase(sheet.axis().word())) {
        return at;
      }
    }
    throw Refusal.of("column-missing", GoalsWords.noColumnOfFileIsHeaded(sheet.axis().word()));
  }

  private static Map<Integer, YearMonth> months(GoalSheet sheet, List<String> titles) {
    Map<Integer, YearMonth> months = new LinkedHashMap<>();
    for (int at = 0; at < titles.size(); at++) {
      String title = titles.get(at).strip();
      for (YearMonth month : sheet.span().months()) {
        if (title.equals(month.toString()) && !months.containsValue(month)) {
          months.put(at, month);
        }
      }
    }
    return months;
  }
}
