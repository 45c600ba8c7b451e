package zealoustarget.server.intake.checking;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.http.WordsOf;

/**
 * What was found in a load, grouped, with what can be done about it.
 *
 * @param decidedLines how many lines someone has decided about
 */
public record ChecksAnswer(List<Group> groups, List<NameAnswer> names, int decidedLines) {
  /**
   * All findings of one code.
   *
   * @param open how many are neither accepted nor settled
   * @param findings the first 200
   */
  public record Group(
      String code, boolean held, boolean ofFile, int count, int open, List<One> findings) {}

  public record One(
      int line,
      @Nullable String column,
      boolean accepted,
      String message,
      Map<String, String> details) {}

  /** A name that nobody is known by, the lines that have it, and who may be meant. */
  public record NameAnswer(
      @WordsOf(Axis.class) String axis,
      String text,
      int lines,
      int firstLine,
      List<MemberAnswer> proposals) {}

  public record MemberAnswer(String key, String name) {}
}
