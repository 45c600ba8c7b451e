package zealoustarget.server.files;

import java.util.List;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;

/** A file as a table: lines of cells, whatever its form. Read as a stream. */
public interface TableFile {
  /** Receives each line that is not empty; the cells stay as they are. */
  interface LineVisitor {
    /**
     * Takes one line.
     *
     * @param line its number in the file, of its first part where it runs over several
     * @param isCutOff whether the file ends inside a quote that the line opens
     */
    void visit(int line, List<String> cells, boolean isCutOff);
  }

  /**
   * Visits all lines.
   *
   * @throws Refusal file-unreadable, file-beyond-limits
   */
  void read(LineVisitor visitor);

  /** How it is written, in a few words: {@code semicolon, UTF-8}. */
  String dialect();

  /** Whether a lone comma before three digits may be taken for thousands. */
  boolean isCommaGrouping();

  /** Names of the sheets to choose from; empty where there is nothing to choose. */
  List<String> sheets();

  /** The sheet that is read, empty where there is none. */
  String sheet();

  /** Remarks about the file as a whole. */
  List<Finding> findings();

  /** Whether no cell of a line holds anything. */
  static boolean isBlank(List<String> cells) {
    for (String cell : cells) {
      if (!cell.isBlank()) {
        return false;
      }
    }
    return true;
  }
}
