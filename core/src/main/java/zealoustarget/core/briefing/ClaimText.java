package zealoustarget.core.briefing;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A sentence of which some parts are figures that stay bound to their queries: {@code {a}} stands
 * where the figure {@code a} is read.
 */
public record ClaimText(List<Piece> pieces) {
  private static final Pattern FIELD = Pattern.compile("\\{([a-z][a-z0-9]{0,11})}");

  /** An amount with groups or decimals, a percentage, or any number of two digits and more. */
  private static final Pattern NUMBER =
      Pattern.compile(
          "(?<![\\p{L}\\p{N}])[+\\u2212-]?\\d+(?:[.,'\\u2019\\u00a0\\u202f\\u2009 ]\\d{3})*(?:[.,]\\d+)?"
              + "(?:[\\u00a0\\u202f ]?%)?(?![\\p{L}\\p{N}])");

  private static final int FIRST_YEAR = 1990;
  private static final int LAST_YEAR = 2100;

  /**
   * A run of words, or a figure.
   *
   * @param field the figure's name; null for words
   */
  public record Piece(String text, @Nullable String field) {}

  /** Keeps its own copy. */
  public ClaimText {
    pieces = List.copyOf(pieces);
  }

  /** Takes a text apart; braces around anything but a figure's name are words. */
  public static ClaimText of(String text) {
    List<Piece> pieces = new ArrayList<>();
    Matcher field = FIELD.matcher(text);
    int end = 0;
    while (field.find()) {
      if (field.start() > end) {
        pieces.add(new Piece(text.substring(end, field.start()), null));
      }
      pieces.add(new Piece(field.group(), field.group(1)));
      end = field.end();
    }
    if (end < text.length()) {
      pieces.add(new Piece(text.substring(end), null));
    }
    return new ClaimText(pieces);
  }

  /** Names of the figures that the sentence has. */
  public Set<String> fields() {
    return pieces.stream()
        .map(Piece::field)
        .filter(field -> field != null)
        .collect(Collectors.toCollection(TreeSet::new));
  }

  /**
   * The sentence as it is read.
   *
   * @param shown what a figure is written as; null leaves a dash
   */
  public String render(Function<String, @Nullable String> shown) {
    StringBuilder text = new StringBuilder();
    for (Piece piece : pieces) {
      String figure = piece.field() == null ? piece.text() : shown.apply(piece.field());
      text.append(figure == null ? "–" : figure);
    }
    return text.toString();
  }

  /**
   * Figures that somebody typed, so that nothing backs them: percentages, amounts with decimals or
   * groups, and whole numbers of two digits and more that are no year and no day of a month.
   */
  public List<String> typed() {
    List<String> typed = new ArrayList<>();
    for (Piece piece : pieces) {
      if (piece.field() == null) {
        Matcher number = NUMBER.matcher(piece.text());
        while (number.find()) {
          if (isFigure(number.group(), piece.text().substring(number.end()))) {
            typed.add(number.group().strip());
          }
        }
      }
    }
    return typed;
  }

  private static boolean isFigure(String number, String after) {
    String digits = number.replaceAll("\\D", "");
    boolean isPlain = number.strip().equals(digits);
    if (!isPlain) {
      return true;
    }
    int whole = digits.length() > 9 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    boolean isYear = digits.length() == 4 && whole >= FIRST_YEAR && whole <= LAST_YEAR;
    boolean isDay = whole <= 31 && after.matches("(?s)\\s\\p{Lu}\\p{L}{2,}.*");
    return digits.length() > 1 && !isYear && !isDay;
  }
}
