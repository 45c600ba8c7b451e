package zealoustarget.server.intake.checking;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import zealoustarget.core.Refusal;

/** A small file of control totals: {@code measure,total}, one line a measure. */
public final class ControlFile {
  private static final int MOST_LINES = 100;

  private ControlFile() {}

  /** Whether a header is that of a control file. */
  static boolean isOne(List<String> titles) {
    return place(titles, "measure") >= 0 && place(titles, "total") >= 0;
  }

  /**
   * The totals by measure code, as text.
   *
   * @param lines header first
   * @throws Refusal control-total-unreadable
   */
  public static Map<String, String> read(List<List<String>> lines) {
    if (lines.size() < 2 || lines.size() > MOST_LINES || !isOne(lines.get(0))) {
      throw Refusal.of("control-total-unreadable", CheckingWords.CONTROL_FILE_HEADER);
    }
    int measure = place(lines.get(0), "measure");
    int total = place(lines.get(0), "total");
    Map<String, String> totals = new LinkedHashMap<>();
    for (List<String> line : lines.subList(1, lines.size())) {
      if (line.size() > Math.max(measure, total)) {
        totals.put(line.get(measure).strip(), line.get(total).strip());
      }
    }
    return totals;
  }

  private static int place(List<String> titles, String name) {
    for (int at = 0; at < titles.size(); at++) {
      if (titles.get(at).strip().toLowerCase(Locale.ROOT).equals(name)) {
        return at;
      }
    }
    return -1;
  }
}
