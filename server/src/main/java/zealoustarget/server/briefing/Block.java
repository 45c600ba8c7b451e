package zealoustarget.server.briefing;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A part of a briefing as it is kept.
 *
 * @param id unique in its briefing
 * @param kind {@code claim}, {@code exhibit} or {@code text}
 * @param part what it was drafted for; null where somebody added it
 * @param text of a claim with its figures in braces; the title of an exhibit
 * @param figures of a claim
 * @param exhibit what an exhibit shows; null of other kinds
 * @param readAt when its figures were read
 * @param asItWas why a claim that has moved is kept; null where it is not
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record Block(
    String id,
    String kind,
    @Nullable String part,
    String text,
    List<Figure> figures,
    @Nullable Exhibit exhibit,
    @Nullable AsItWas asItWas,
    @Nullable String readAt) {
  static final String CLAIM = "claim";
  static final String EXHIBIT = "exhibit";
  static final String TEXT = "text";

  /** Null lists of a body are none. */
  Block {
    figures = figures == null ? List.of() : List.copyOf(figures);
  }

  /**
   * Where a figure comes from.
   *
   * @param of {@code standing}, {@code earnings}, {@code outlook}, {@code insight} or {@code
   *     reason}
   * @param view the query's parameters, as in an address
   * @param row key of a row, {@code *} for the total; of an insight its kind and row
   * @param field which figure of it
   */
  record FigureQuery(String of, Map<String, Object> view, String row, String field) {}

  /**
   * A figure of a claim.
   *
   * @param id stands in braces in the text
   * @param value the exact text that was read
   * @param shown as it is written in the sentence
   */
  record Figure(String id, FigureQuery query, String value, String shown) {}

  /**
   * What an exhibit shows.
   *
   * @param kind {@code lanes}, {@code parts}, {@code months}, {@code pay}, {@code reasons}, {@code
   *     outlook} or {@code bridge}
   * @param row of one member; null for all
   */
  record Exhibit(String kind, Map<String, Object> view, @Nullable String row) {}

  /** A claim that was kept although it has moved, with what its figures were then. */
  record AsItWas(String reason, String by, Map<String, String> then) {}

  Block withFigures(List<Figure> others, String at) {
    return new Block(id, kind, part, text, others, exhibit, null, at);
  }

  Block keptAsItWas(@Nullable AsItWas kept) {
    return new Block(id, kind, part, text, figures, exhibit, kept, readAt);
  }
}
