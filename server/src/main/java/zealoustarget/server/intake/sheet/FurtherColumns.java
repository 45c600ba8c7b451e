package zealoustarget.server.intake.sheet;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.header.Header;
import zealoustarget.server.intake.checking.Checking;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.upload.StagingService;

/** What lines of a posted file say in columns that are not ours, such as a customer. */
@Component
public class FurtherColumns {
  private final LoadStore loads;
  private final SheetStore sheets;
  private final StagingService staging;
  private final Checking checking;

  FurtherColumns(LoadStore loads, SheetStore sheets, StagingService staging, Checking checking) {
    this.loads = loads;
    this.sheets = sheets;
    this.staging = staging;
    this.checking = checking;
  }

  /**
   * The further cells that are not blank, by line and then by the column's title in the file's
   * order; nothing of a load whose lines are not kept.
   */
  public Map<Integer, Map<String, String>> of(int loadId, Collection<Integer> lines) {
    if (!sheets.has(loadId)) {
      return Map.of();
    }
    StoredSheet sheet = sheets.get(loadId);
    List<Integer> places = places(loads.get(loadId), sheet);
    if (places.isEmpty()) {
      return Map.of();
    }
    Map<Integer, Map<String, String>> further = new HashMap<>();
    for (SheetStore.Line line : sheets.linesAt(loadId, sheet, new TreeSet<>(lines))) {
      Map<String, String> cells = new LinkedHashMap<>();
      for (int at : places) {
        String cell = at < line.cells().size() ? line.cells().get(at).strip() : "";
        if (!cell.isEmpty()) {
          cells.put(Header.nameOf(sheet.titles(), at), cell);
        }
      }
      further.put(line.line(), cells);
    }
    return further;
  }

  private List<Integer> places(LoadEntity load, StoredSheet sheet) {
    List<Integer> places = new ArrayList<>();
    try {
      Header header = checking.columns(load.fileName, staging.request(load), sheet).header();
      for (int at = 0; at < sheet.titles().size(); at++) {
        if (header.targets().get(at).isEmpty()) {
          places.add(at);
        }
      }
    } catch (Refusal unreadNow) {
      return List.of(); // the rules have changed since it was posted
    }
    return places;
  }
}
