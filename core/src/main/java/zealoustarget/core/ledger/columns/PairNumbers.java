package zealoustarget.core.ledger.columns;

import java.util.Arrays;

/**
 * Numbers pairs of ids from 0 as they are first asked for. Open addressing on one array of longs,
 * as it is asked once for every posted row.
 */
public final class PairNumbers {
  private static final long SPREAD = 0x9E3779B97F4A7C15L;

  private long[] keys = new long[1024];
  private int[] slots = new int[4096];
  private int size;

  /** The number of a pair; ids are −1 or more. */
  public int of(int first, int second) {
    long key = (long) first << 32 | (second & 0xFFFFFFFFL);
    int at = slot(key, slots.length);
    while (slots[at] != 0) {
      if (keys[slots[at] - 1] == key) {
        return slots[at] - 1;
      }
      at = (at + 1) & (slots.length - 1);
    }
    return add(key, at);
  }

  public int size() {
    return size;
  }

  public int first(int number) {
    return (int) (keys[number] >> 32);
  }

  public int second(int number) {
    return (int) keys[number];
  }

  private int add(long key, int at) {
    if (size == keys.length) {
      keys = Arrays.copyOf(keys, size * 2);
    }
    keys[size++] = key;
    slots[at] = size;
    if (size * 2 > slots.length) {
      slots = new int[slots.length * 2];
      for (int number = 0; number < size; number++) {
        int free = slot(keys[number], slots.length);
        while (slots[free] != 0) {
          free = (free + 1) & (slots.length - 1);
        }
        slots[free] = number + 1;
      }
    }
    return size - 1;
  }

  private static int slot(long key, int length) {
    long mixed = key * SPREAD;
    return (int) (mixed >>> 40) & (length - 1);
  }
}
