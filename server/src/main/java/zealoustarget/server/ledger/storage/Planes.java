package zealoustarget.server.ledger.storage;

/**
 * Columns of integers as bytes, lowest byte of every value first, then the next of every value:
 * like bytes stand together, so that a column packs to a third and is read back without parsing.
 */
final class Planes {
  private Planes() {}

  static byte[] of(int[] column) {
    byte[] planes = new byte[Integer.BYTES * column.length];
    for (int plane = 0, to = 0; plane < Integer.BYTES; plane++) {
      for (int value : column) {
        planes[to++] = (byte) (value >> Byte.SIZE * plane);
      }
    }
    return planes;
  }

  static byte[] of(long[] column) {
    byte[] planes = new byte[Long.BYTES * column.length];
    for (int plane = 0, to = 0; plane < Long.BYTES; plane++) {
      for (long value : column) {
        planes[to++] = (byte) (value >> Byte.SIZE * plane);
      }
    }
    return planes;
  }

  static int[] ints(byte[] planes) {
    int[] column = new int[planes.length / Integer.BYTES];
    for (int plane = 0, from = 0; plane < Integer.BYTES; plane++) {
      for (int at = 0; at < column.length; at++) {
        column[at] |= (planes[from++] & 0xff) << Byte.SIZE * plane;
      }
    }
    return column;
  }

  static long[] longs(byte[] planes) {
    long[] column = new long[planes.length / Long.BYTES];
    for (int plane = 0, from = 0; plane < Long.BYTES; plane++) {
      for (int at = 0; at < column.length; at++) {
        column[at] |= (planes[from++] & 0xffL) << Byte.SIZE * plane;
      }
    }
    return column;
  }
}
