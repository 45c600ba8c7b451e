package zealoustarget.server.intake.pull;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The {@code Link} header of RFC 8288: targets in angle brackets, each with parameters, of which
 * {@code rel} may hold several relations in quotes. Commas and semicolons within brackets or quotes
 * part nothing.
 */
final class LinkHeader {
  private final String text;
  private int at;

  private LinkHeader(String text) {
    this.text = text;
  }

  /**
   * The target of the first link that has a relation, in all headers; what is no link is passed.
   */
  static Optional<String> target(List<String> headers, String relation) {
    return headers.stream()
        .map(header -> new LinkHeader(header).target(relation))
        .flatMap(Optional::stream)
        .findFirst();
  }

  private Optional<String> target(String relation) {
    while (at < text.length()) {
      skip(" \t,");
      int end = text.indexOf('>', at);
      if (at >= text.length() || text.charAt(at) != '<' || end < 0) {
        return Optional.empty();
      }
      String target = text.substring(at + 1, end);
      at = end + 1;
      if (hasRelation(relation)) {
        return Optional.of(target);
      }
    }
    return Optional.empty();
  }

  /** Reads the parameters of a link; of several {@code rel} the first counts. */
  private boolean hasRelation(String relation) {
    String relations = null;
    for (skip(" \t"); at < text.length() && text.charAt(at) == ';'; skip(" \t")) {
      at++;
      skip(" \t");
      String name = token("=;,");
      String value = "";
      if (at < text.length() && text.charAt(at) == '=') {
        at++;
        skip(" \t");
        value = at < text.length() && text.charAt(at) == '"' ? quoted() : token(";,");
      }
      if (name.equalsIgnoreCase("rel") && relations == null) {
        relations = value;
      }
    }
    if (relations == null) {
      return false;
    }
    return List.of(relations.toLowerCase(Locale.ROOT).trim().split("\\s+")).contains(relation);
  }

  private String token(String ends) {
    int from = at;
    while (at < text.length() && ends.indexOf(text.charAt(at)) < 0) {
      at++;
    }
    return text.substring(from, at).strip();
  }

  private String quoted() {
    StringBuilder value = new StringBuilder();
    for (at++; at < text.length() && text.charAt(at) != '"'; at++) {
      boolean isEscape = text.charAt(at) == '\\' && at + 1 < text.length();
      value.append(text.charAt(isEscape ? ++at : at));
    }
    at++;
    return value.toString();
  }

  private void skip(String blanks) {
    while (at < text.length() && blanks.indexOf(text.charAt(at)) >= 0) {
      at++;
    }
  }
}
