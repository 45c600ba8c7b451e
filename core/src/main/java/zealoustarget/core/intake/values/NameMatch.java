package zealoustarget.core.intake.values;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import zealoustarget.core.member.Member;

/**
 * Proposes known members for a name that is none: a letter wrong, missing or swapped, the surname
 * first, a first name cut to its initial, accents left out.
 *
 * <p>Names are compared word by word, without accents, case and marks. Two words fit when they are
 * equal, one is the other's initial, or they differ by one edit (two from six letters on). A
 * proposal needs every word of the shorter name to fit another word of the longer one, and at least
 * one of them to be more than an initial. The number of edits orders the proposals.
 */
public final class NameMatch {
  private static final int NO_FIT = 99;
  private static final int LONG_WORD = 6;
  private static final int INITIAL = 1;
  private static final int SHORT_KEY = 5;

  private record Scored(Member member, int edits) {}

  private NameMatch() {}

  /** The members whose name or key is nearly the text, the nearest first. */
  public static List<Member> near(String text, Collection<Member> members, int most) {
    List<String> words = words(text);
    return members.stream()
        .map(member -> new Scored(member, edits(words, text, member)))
        .filter(scored -> scored.edits < NO_FIT)
        .sorted(Comparator.comparingInt(Scored::edits).thenComparing(scored -> scored.member.key()))
        .limit(most)
        .map(Scored::member)
        .toList();
  }

  private static int edits(List<String> words, String text, Member member) {
    int byName = edits(words, words(member.name()));
    boolean isShortKey = member.key().length() < SHORT_KEY;
    int byKey = isShortKey ? NO_FIT : edits(words(text), words(member.key()));
    return Math.min(byName, byKey);
  }

  private static int edits(List<String> one, List<String> other) {
    List<String> shorter = one.size() <= other.size() ? one : other;
    List<String> left = new ArrayList<>(one.size() <= other.size() ? other : one);
    int sum = left.size() - shorter.size();
    boolean isMoreThanInitials = false;
    for (String word : shorter) {
      String best = "";
      int least = NO_FIT;
      for (String candidate : left) {
        int edits = edits(word, candidate);
        if (edits < least) {
          least = edits;
          best = candidate;
        }
      }
      if (least == NO_FIT) {
        return NO_FIT;
      }
      left.remove(best);
      sum += least;
      isMoreThanInitials |= word.length() > INITIAL && best.length() > INITIAL;
    }
    return isMoreThanInitials ? sum : NO_FIT;
  }

  /** How many edits make one word the other; an initial counts as one, too many as NO_FIT. */
  private static int edits(String one, String other) {
    if (one.equals(other)) {
      return 0;
    }
    if (Math.min(one.length(), other.length()) == INITIAL) {
      return one.charAt(0) == other.charAt(0) ? 1 : NO_FIT;
    }
    int longest = Math.max(one.length(), other.length());
    int allowed = longest >= LONG_WORD ? 2 : longest > 2 ? 1 : 0;
    int edits = distance(one, other);
    return edits <= allowed ? edits : NO_FIT;
  }

  /** Letters inserted, left out, changed or swapped with the next (optimal string alignment). */
  private static int distance(String one, String other) {
    int[][] table = new int[one.length() + 1][other.length() + 1];
    for (int i = 0; i <= one.length(); i++) {
      table[i][0] = i;
    }
    for (int j = 0; j <= other.length(); j++) {
      table[0][j] = j;
    }
    for (int i = 1; i <= one.length(); i++) {
      for (int j = 1; j <= other.length(); j++) {
        int change = one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1;
        int least = Math.min(table[i - 1][j], table[i][j - 1]) + 1;
        least = Math.min(least, table[i - 1][j - 1] + change);
        boolean isSwap =
            i > 1
                && j > 1
                && one.charAt(i - 1) == other.charAt(j - 2)
                && one.charAt(i - 2) == other.charAt(j - 1);
        table[i][j] = isSwap ? Math.min(least, table[i - 2][j - 2] + 1) : least;
      }
    }
    return table[one.length()][other.length()];
  }

  private static List<String> words(String text) {
    String plain =
        Normalizer.normalize(text, Normalizer.Form.NFD)
            .replaceAll("\\p{M}", "")
            .replace('ø', 'o')
            .replace('ß', 's')
            .toLowerCase(Locale.ROOT);
    return Arrays.stream(plain.split("[^\\p{L}\\p{Nd}]+")).filter(word -> !word.isEmpty()).toList();
  }
}
