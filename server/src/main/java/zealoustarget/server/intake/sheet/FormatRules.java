package zealoustarget.server.intake.sheet;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.header.Header;
import zealoustarget.server.intake.load.LoadRequest;

/** Carries what a file's columns showed of their numbers and dates over to files to come. */
public final class FormatRules {
  /** Makes a rule of an earlier one and of what a column shows. */
  private interface Change {
    ColumnRule of(ColumnProfile profile, ColumnRule rule);
  }

  private FormatRules() {}

  /** The request with the marks as rules that the columns show beyond doubt. */
  public static LoadRequest settled(LoadRequest request, StoredSheet sheet) {
    return changed(request, sheet, ColumnProfile::settle);
  }

  /** The request without earlier marks where this file's columns show their own. */
  public static LoadRequest unlessShown(LoadRequest request, StoredSheet sheet) {
    return changed(request, sheet, ColumnProfile::unlessShown);
  }

  private static LoadRequest changed(LoadRequest request, StoredSheet sheet, Change change) {
    Map<String, ColumnRule> rules = new HashMap<>(request.columns());
    List<ColumnProfile> profiles = sheet.profiles();
    for (int at = 0; at < sheet.titles().size() && at < profiles.size(); at++) {
      String title = Header.nameOf(sheet.titles(), at);
      ColumnRule before = request.column(title);
      ColumnRule after = change.of(profiles.get(at), before);
      if (!after.equals(before)) {
        rules.keySet().removeIf(key -> key.strip().equalsIgnoreCase(title));
        rules.put(title, after);
      }
    }
    return request.withColumns(rules);
  }
}
