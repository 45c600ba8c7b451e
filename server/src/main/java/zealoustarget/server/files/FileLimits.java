package zealoustarget.server.files;

import java.time.Duration;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.unit.DataSize;
import zealoustarget.core.Refusal;

/**
 * How large a file and its parts may be; settings {@code zealous.files.*}.
 *
 * @param cell characters of one cell
 * @param columns cells of one line
 * @param line characters of one line, all its cells together
 * @param lines of one file
 * @param workbook all parts of a workbook unpacked
 * @param time for reading and checking one file
 */
@ConfigurationProperties("zealous.files")
public record FileLimits(
    @DefaultValue("32767") int cell,
    @DefaultValue("500") int columns,
    @DefaultValue("250000") int line,
    @DefaultValue("5000000") int lines,
    @DefaultValue("400MB") DataSize workbook,
    @DefaultValue("15m") Duration time) {

  /**
   * Refuses a line that passes a limit.
   *
   * @param number how many lines there were before it
   * @throws Refusal file-beyond-limits, naming the place and the setting
   */
  void check(int line, List<String> cells, int number) {
    if (number >= lines) {
      throw beyond(line, FilesWords.fileHasMoreThanLines(lines), "lines");
    }
    if (cells.size() > columns) {
      throw beyond(line, FilesWords.lineHasMoreThanCells(columns), "columns");
    }
    int characters = 0;
    for (int at = 0; at < cells.size(); at++) {
      int length = cells.get(at).length();
      characters += length;
      if (length > cell) {
        throw beyond(line, FilesWords.cellHasMoreThanCharacters(at + 1, cell), "cell");
      }
    }
    if (characters > this.line) {
      throw beyond(line, FilesWords.lineHasMoreThanCharacters(this.line), "line");
    }
  }

  /** Refuses a workbook with a cell that is longer than any may be. */
  Refusal longCell() {
    return Refusal.of("file-beyond-limits", FilesWords.workbookCellIsTooLong(cell))
        .with("setting", "zealous.files.cell");
  }

  private static Refusal beyond(int line, String what, String setting) {
    return Refusal.of("file-beyond-limits", FilesWords.atLine(line, what, setting))
        .with("line", line)
        .with("setting", "zealous.files." + setting);
  }
}
