package zealoustarget.core.intake.lines;

import java.util.Arrays;

/**
 * Remembers in which line a key was first seen: twelve bytes of memory a key, no objects.
 *
 * <p>Keys are 64 bits; for texts they are a hash, so that two different texts may count as equal
 * once in about 10¹³ pairs of a large file.
 */
final class FirstSeen {
  private long[] keys = new long[1024];
  private int[] lines = new int[1024];
  private int size;

  /** Returns the line in which the key was seen before, or 0 and remembers {@code line}. */
  int seenOrAdd(long key, int line) {
    if (size * 2 > keys.length) {
      grow();
    }
    int at = find(keys, lines, key);
    if (lines[at] != 0) {
      return lines[at];
    }
    keys[at] = key;
    lines[at] = line;
    size++;
    return 0;
  }

  /** A 64-bit hash (FNV-1a) of a line's cells, blanks around them and case included. */
  static long hash(Iterable<String> cells) {
    long hash = 0xcbf29ce484222325L;
    for (String cell : cells) {
      for (int i = 0; i < cell.length(); i++) {
        hash = (hash ^ cell.charAt(i)) * 0x100000001b3L;
      }
      hash = (hash ^ 0xffff) * 0x100000001b3L;
    }
    return hash;
  }

  private static int find(long[] keys, int[] lines, long key) {
    long mixed = key * 0x9e3779b97f4a7c15L;
    int at = (int) (mixed >>> 32) & (keys.length - 1);
    while (lines[at] != 0 && keys[at] != key) {
      at = (at + 1) & (keys.length - 1);
    }
    return at;
  }

  private void grow() {
    long[] oldKeys = keys;
    int[] oldLines = lines;
    keys = new long[oldKeys.length * 2];
    lines = new int[oldKeys.length * 2];
    Arrays.fill(lines, 0);
    for (int i = 0; i < oldKeys.length; i++) {
      if (oldLines[i] != 0) {
        int at = find(keys, lines, oldKeys[i]);
        keys[at] = oldKeys[i];
        lines[at] = oldLines[i];
      }
    }
  }
}
