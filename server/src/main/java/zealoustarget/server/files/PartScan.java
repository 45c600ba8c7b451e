package zealoustarget.server.files;

/**
 * Looks through a sheet's XML byte by byte before anything is built of it: a reference beyond the
 * last column or row of a sheet, or a text far longer than any cell, would take the memory of the
 * whole application while it is parsed.
 */
final class PartScan {
  private static final int LAST_COLUMN = 16_384;
  private static final int LAST_ROW = 1_048_576;
  private static final int MOST_BYTES_OF_A_CHARACTER = 6; // a numeric reference such as &#65;

  /** Where in an attribute called r the scan is. */
  private enum Place {
    OUTSIDE,
    BLANK,
    NAME,
    EQUALS,
    LETTERS,
    DIGITS
  }

  private final long longestText;
  private boolean isInTag;
  private Place place = Place.OUTSIDE;
  private long text;
  private long column;
  private long row;
  private boolean isBeyond;
  private boolean isTooLong;

  /**
   * Begins a part.
   *
   * @param cell characters that a cell may have
   */
  PartScan(int cell) {
    this.longestText = (long) cell * MOST_BYTES_OF_A_CHARACTER;
  }

  /** Whether some reference lies outside of any sheet. */
  boolean isBeyond() {
    return isBeyond;
  }

  /** Whether some text or value is longer than a cell may be. */
  boolean isTooLong() {
    return isTooLong;
  }

  void see(byte[] buffer, int length) {
    for (int at = 0; at < length; at++) {
      see((char) (buffer[at] & 0xff));
    }
  }

  private void see(char c) {
    if (c == '<' || c == '>') {
      isInTag = c == '<';
      place = Place.OUTSIDE;
      text = 0;
      return;
    }
    text++;
    isTooLong |= text > longestText;
    if (isInTag) {
      seeInTag(c);
    }
  }

  private void seeInTag(char c) {
    boolean isBlank = c == ' ' || c == '\t' || c == '\n' || c == '\r';
    place =
        switch (place) {
          case OUTSIDE -> isBlank ? Place.BLANK : Place.OUTSIDE;
          case BLANK -> isBlank ? Place.BLANK : c == 'r' ? Place.NAME : Place.OUTSIDE;
          case NAME -> c == '=' ? Place.EQUALS : isBlank ? Place.NAME : Place.OUTSIDE;
          case EQUALS -> isBlank ? Place.EQUALS : begin(c);
          case LETTERS, DIGITS -> reference(c);
        };
  }

  private Place begin(char c) {
    column = 0;
    row = 0;
    return c == '"' || c == '\'' ? Place.LETTERS : Place.OUTSIDE;
  }

  private Place reference(char c) {
    char capital = Character.toUpperCase(c);
    if (place == Place.LETTERS && capital >= 'A' && capital <= 'Z') {
      column = Math.min(column * 26 + (capital - 'A' + 1), LAST_COLUMN + 1L);
      isBeyond |= column > LAST_COLUMN;
      return Place.LETTERS;
    }
    if (c >= '0' && c <= '9') {
      row = Math.min(row * 10 + (c - '0'), LAST_ROW + 1L);
      isBeyond |= row > LAST_ROW;
      return Place.DIGITS;
    }
    return Place.OUTSIDE;
  }
}
