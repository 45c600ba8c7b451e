package zealoustarget.server.intake.corrections;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.lines.LineReader.Decision;

/** All that was decided about a load's lines; the file itself is never changed. */
public final class Fixes {
  private final Map<Integer, Map<Integer, String>> cells = new HashMap<>();
  private final Map<Integer, Decision> decisions = new HashMap<>();
  private final Map<Integer, Set<FindingCode>> accepted = new HashMap<>();

  /** Lays decisions over each other, a later one of the same place last. */
  public Fixes(List<FixEntity> inOrder) {
    for (FixEntity fix : inOrder) {
      switch (fix.action) {
        case REWRITE ->
            cells.computeIfAbsent(fix.line, line -> new HashMap<>()).put(fix.columnAt, fix.content);
        case LEAVE -> decisions.put(fix.line, Decision.LEAVE_OUT);
        case COUNT -> decisions.put(fix.line, Decision.COUNT);
        case ACCEPT ->
            accepted
                .computeIfAbsent(fix.line, line -> new HashSet<>())
                .add(FindingCode.valueOf(fix.content));
      }
    }
  }

  /** The line's cells with those rewritten that were. */
  public List<String> apply(int line, List<String> read) {
    Map<Integer, String> rewritten = cells.get(line);
    if (rewritten == null) {
      return read;
    }
    List<String> changed = new ArrayList<>(read);
    rewritten.forEach(
        (at, text) -> {
          while (changed.size() <= at) {
            changed.add("");
          }
          changed.set(at, text);
        });
    return changed;
  }

  /** The places of a line's cells that were rewritten. */
  public Set<Integer> rewritten(int line) {
    return cells.getOrDefault(line, Map.of()).keySet();
  }

  public Decision decision(int line) {
    return decisions.getOrDefault(line, Decision.NONE);
  }

  public boolean isAccepted(Finding finding) {
    return accepted.getOrDefault(finding.line(), Set.of()).contains(finding.code());
  }

  /** How many lines someone has decided about. */
  public int lineCount() {
    Set<Integer> lines = new HashSet<>(cells.keySet());
    lines.addAll(decisions.keySet());
    lines.addAll(accepted.keySet());
    return lines.size();
  }
}
