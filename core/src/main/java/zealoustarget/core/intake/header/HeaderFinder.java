package zealoustarget.core.intake.header;

import java.util.Collections;
import java.util.List;
import java.util.Set;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.intake.values.NumberText;

/**
 * Finds the header among a file's first lines, which may be titles, a date of printing or blanks.
 *
 * <p>A line scores two for each title that is known and one for each other text that is neither a
 * number nor a date, halved where the line has at most half the cells of most lines. The first line
 * with the highest score is the header.
 */
public final class HeaderFinder {
  /** How many lines that are not empty are looked through. */
  public static final int LOOKED = 30;

  private HeaderFinder() {}

  /**
   * The place of the header among the first lines.
   *
   * @param lines the first lines that are not empty, at least one
   * @param knownTitles in lower case, such as our own names and those mapped before
   */
  public static int find(List<List<String>> lines, Set<String> knownTitles) {
    int width = lines.stream().mapToInt(HeaderFinder::filled).sorted().toArray()[lines.size() / 2];
    int best = 0;
    int most = -1;
    for (int at = 0; at < lines.size(); at++) {
      int score = score(lines.get(at), width, knownTitles);
      if (score > most) {
        best = at;
        most = score;
      }
    }
    return best;
  }

  private static int score(List<String> cells, int width, Set<String> knownTitles) {
    int score = 0;
    for (String cell : cells) {
      String title = Header.fold(cell);
      if (knownTitles.contains(title)) {
        score += 2;
      } else if (DateText.monthHeader(title) != null || (!title.isEmpty() && !isValue(title))) {
        score++;
      }
    }
    boolean isRepeating = Collections.frequency(cells, cells.get(0)) == cells.size();
    boolean isShort = filled(cells) * 2 <= width || (isRepeating && cells.size() > 1);
    return isShort ? score / 2 : score;
  }

  private static boolean isValue(String text) {
    return NumberText.hint(text) != NumberText.Hint.NO_NUMBER
        || DateText.read(text, DateText.Order.UNKNOWN).fault() != FindingCode.DATE_UNREADABLE;
  }

  private static int filled(List<String> cells) {
    return (int) cells.stream().filter(cell -> !cell.isBlank()).count();
  }
}
