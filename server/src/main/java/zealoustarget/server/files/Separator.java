package zealoustarget.server.files;

import java.util.List;
import java.util.Locale;

/** What stands between the cells of a CSV line. */
enum Separator {
  COMMA(','),
  SEMICOLON(';'),
  TAB('\t'),
  PIPE('|');

  private static final int LOOKED = 40;

  private final char mark;

  Separator(char mark) {
    this.mark = mark;
  }

  char mark() {
    return mark;
  }

  String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Whether a first line only says which separator follows, as spreadsheets write it. */
  static boolean isHint(List<String> cells) {
    String line = String.join("", cells).strip().toLowerCase(Locale.ROOT);
    return line.startsWith("sep=") && line.length() <= "sep=;".length();
  }

  /**
   * The separator of a text: the one that a first line names, else the one that most lines have
   * most often, outside of quotes.
   */
  static Separator of(String sample) {
    String[] lines = sample.replace("\ufeff", "").strip().split("\\R", LOOKED + 1);
    Separator best = COMMA;
    long most = 0;
    for (Separator candidate : values()) {
      if (lines[0].strip().toLowerCase(Locale.ROOT).equals("sep=" + candidate.mark)) {
        return candidate;
      }
      long score = score(candidate, lines);
      if (score > most) {
        best = candidate;
        most = score;
      }
    }
    return best;
  }

  /** The usual number of marks in a line, times the lines that have it. */
  private static long score(Separator candidate, String[] lines) {
    int[] linesByCount = new int[FileLooker.SAMPLE + 1];
    for (int at = 0; at < Math.min(lines.length, LOOKED); at++) {
      String unquoted = lines[at].replaceAll("\"[^\"]*\"", "");
      linesByCount[(int) unquoted.chars().filter(c -> c == candidate.mark).count()]++;
    }
    long best = 0;
    for (int count = 1; count < linesByCount.length; count++) {
      best = Math.max(best, (long) linesByCount[count] * linesByCount[count] * count);
    }
    return best;
  }
}
