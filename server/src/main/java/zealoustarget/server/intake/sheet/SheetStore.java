package zealoustarget.server.intake.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SortedSet;
import java.util.concurrent.CompletableFuture;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.storage.Packed;

/** Keeps the lines of every load's file, cell by cell, so that any of them is one read away. */
@Component
public class SheetStore {
  private static final int RECORDS = 500;
  private static final int CHARACTERS = 120_000;
  private static final int PARTS_AT_ONCE = 16;

  /** One line of a file. */
  public record Line(int line, List<String> cells) {}

  private final SessionFactory sessions;

  SheetStore(SessionFactory sessions) {
    this.sessions = sessions;
  }

  /** The description of a load's file. */
  public StoredSheet get(int loadId) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      SheetEntity found = session.get(SheetEntity.class, loadId);
      if (found == null) {
        throw Refusal.of("sheet-gone", SheetWords.linesOfLoadAreNotKept(loadId));
      }
      return Packed.fromDeflated(found.content, StoredSheet.class);
    }
  }

  public boolean has(int loadId) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return session.get(SheetEntity.class, loadId) != null;
    }
  }

  /** The lines of one part, in the file's order. */
  public List<Line> part(int loadId, int number) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return part(session, loadId, number);
    }
  }

  private static List<Line> part(StatelessSession session, int loadId, int number) {
    SheetPartEntity entity = session.get(SheetPartEntity.class, firstId(loadId) + number);
    StoredSheet.Part part = Packed.fromDeflated(entity.content, StoredSheet.Part.class);
    List<Line> lines = new ArrayList<>(part.lines().length);
    for (int at = 0; at < part.lines().length; at++) {
      lines.add(new Line(part.lines()[at], List.of(part.cells()[at])));
    }
    return lines;
  }

  /** At most {@code most} lines from a record on, counted from 0. */
  public List<Line> lines(int loadId, StoredSheet sheet, int fromRecord, int most) {
    List<Line> lines = new ArrayList<>();
    int from = Math.max(fromRecord, 0);
    int end = Math.min(from + most, sheet.recordCount());
    int number = lastNotAfter(sheet.firstRecords(), from);
    while (from < end) {
      List<Line> part = part(loadId, number);
      int first = sheet.firstRecords().get(number);
      lines.addAll(part.subList(from - first, Math.min(end - first, part.size())));
      from = first + part.size();
      number++;
    }
    return lines;
  }

  /** Some lines of the file by their numbers; those that are not kept are missing. */
  List<Line> linesAt(int loadId, StoredSheet sheet, SortedSet<Integer> wanted) {
    List<Line> found = new ArrayList<>();
    SortedSet<Integer> left = wanted;
    while (!left.isEmpty() && sheet.recordCount() > 0) {
      List<Line> part = part(loadId, lastNotAfter(sheet.firstLines(), left.first()));
      part.stream().filter(line -> wanted.contains(line.line())).forEach(found::add);
      int last = Math.max(part.get(part.size() - 1).line(), left.first());
      left = left.tailSet(last + 1);
    }
    return found;
  }

  /** The number of the record in that line of the file, or of the last one before it. */
  public int recordOf(int loadId, StoredSheet sheet, int line) {
    if (sheet.recordCount() == 0) {
      return 0;
    }
    int number = lastNotAfter(sheet.firstLines(), line);
    List<Integer> lines = part(loadId, number).stream().map(Line::line).toList();
    return sheet.firstRecords().get(number) + lastNotAfter(lines, line);
  }

  /** The place of the largest value that is not above one, 0 where all are. */
  private static int lastNotAfter(List<Integer> ascending, int value) {
    int place = Collections.binarySearch(ascending, value);
    return Math.max(place >= 0 ? place : -place - 2, 0);
  }

  public Writer writer(int loadId) {
    return new Writer(loadId);
  }

  /** Forgets what an interrupted reading left. */
  public void delete(int loadId) {
    sessions.inStatelessTransaction(
        session -> {
          session
              .createMutationQuery("delete from SheetPartEntity where loadId = :load")
              .setParameter("load", loadId)
              .executeUpdate();
          session
              .createMutationQuery("delete from SheetEntity where loadId = :load")
              .setParameter("load", loadId)
              .executeUpdate();
        });
  }

  private static long firstId(int loadId) {
    return (long) loadId << 32;
  }

  /** Writes a file's lines, part by part, each in a transaction of its own. */
  public final class Writer {
    private final int loadId;
    private final List<Line> gathered = new ArrayList<>();
    private final List<Integer> firstRecords = new ArrayList<>();
    private final List<Integer> firstLines = new ArrayList<>();
    private final List<List<Line>> unwritten = new ArrayList<>();
    private CompletableFuture<Void> writing = CompletableFuture.completedFuture(null);
    private int characters;
    private int records;

    private Writer(int loadId) {
      this.loadId = loadId;
    }

    /** Adds a line's cells; a full part is written. */
    public void add(int line, List<String> cells) {
      int length = 0;
      for (String cell : cells) {
        length += cell.length();
      }
      if (gathered.size() == RECORDS || (characters + length > CHARACTERS && characters > 0)) {
        pack();
      }
      gathered.add(new Line(line, cells));
      characters += length;
    }

    public int records() {
      return records + gathered.size();
    }

    public List<Integer> firstRecords() {
      return firstRecords;
    }

    public List<Integer> firstLines() {
      return firstLines;
    }

    /** Writes what is left and the description, which makes the whole readable. */
    public void finish(StoredSheet sheet) {
      pack();
      write();
      writing.join();
      sessions.inStatelessTransaction(
          session -> session.insert(new SheetEntity(loadId, Packed.deflated(sheet))));
    }

    /** Closes a part; sixteen of them are packed and written while the next lines are read. */
    public void pack() {
      if (!gathered.isEmpty()) {
        firstRecords.add(records);
        firstLines.add(gathered.get(0).line());
        records += gathered.size();
        unwritten.add(List.copyOf(gathered));
        gathered.clear();
        characters = 0;
      }
      if (unwritten.size() == PARTS_AT_ONCE) {
        write();
      }
    }

    private void write() {
      long firstId = firstId(loadId) + firstRecords.size() - unwritten.size();
      List<List<Line>> parts = List.copyOf(unwritten);
      unwritten.clear();
      writing.join();
      writing = CompletableFuture.runAsync(() -> write(firstId, parts));
    }

    private void write(long firstId, List<List<Line>> parts) {
      List<SheetPartEntity> packed = new ArrayList<>(parts.size());
      for (List<Line> part : parts) {
        int[] lines = part.stream().mapToInt(Line::line).toArray();
        String[][] cells =
            part.stream().map(line -> line.cells().toArray(String[]::new)).toArray(String[][]::new);
        packed.add(
            new SheetPartEntity(
                firstId + packed.size(),
                loadId,
                Packed.deflated(new StoredSheet.Part(lines, cells))));
      }
      sessions.inStatelessTransaction(session -> session.insertMultiple(packed));
    }
  }
}
