package zealoustarget.server.intake.upload;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.server.intake.load.LoadRequest;

/** Says in words by what two ways of reading a file differ. */
final class RequestWords {
  /** What was said, before and after; null where nothing was. */
  record Difference(String what, @Nullable String before, @Nullable String after) {}

  private RequestWords() {}

  /** All differences; what was guessed for a column and is now said is one too. */
  static List<Difference> between(LoadRequest before, LoadRequest after) {
    List<Difference> all = new ArrayList<>();
    add(all, "kind", word(before.kind()), word(after.kind()));
    add(all, "goal set", before.goalSet(), after.goalSet());
    add(all, "axis", word(before.axis()), word(after.axis()));
    add(all, "measure", before.measure(), after.measure());
    add(all, "fiscal year", text(before.fiscalYear()), text(after.fiscalYear()));
    add(all, "deals as of", day(before), day(after));
    add(all, "source of the deals", source(before), source(after));
    add(all, "sheet", before.sheet(), after.sheet());
    add(
        all,
        "a total line at the end",
        before.isTrailerControl() ? "control total" : "no control total",
        after.isTrailerControl() ? "control total" : "no control total");
    for (String measure : keys(before.controlTotals(), after.controlTotals())) {
      add(
          all,
          "control total of " + measure,
          before.controlTotals().get(measure),
          after.controlTotals().get(measure));
    }
    for (String title : keys(before.columns(), after.columns())) {
      add(all, "column \"" + title + "\"", words(before.column(title)), words(after.column(title)));
    }
    return all;
  }

  private static void add(
      List<Difference> all, String what, @Nullable String before, @Nullable String after) {
    String was = before == null || before.isEmpty() ? null : before;
    String is = after == null || after.isEmpty() ? null : after;
    if (!Objects.equals(was, is)) {
      all.add(new Difference(what, was, is));
    }
  }

  private static Set<String> keys(Map<String, ?> before, Map<String, ?> after) {
    Set<String> keys = new TreeSet<>(before.keySet());
    keys.addAll(after.keySet());
    return keys;
  }

  private static @Nullable String word(@Nullable Enum<?> value) {
    return value == null ? null : value.name().toLowerCase(java.util.Locale.ROOT);
  }

  private static @Nullable String text(@Nullable Integer number) {
    return number == null ? null : number.toString();
  }

  private static @Nullable String day(LoadRequest request) {
    LoadRequest.Snapshot snapshot = request.snapshot();
    return snapshot == null || snapshot.asOf() == null ? null : snapshot.asOf().toString();
  }

  private static @Nullable String source(LoadRequest request) {
    return request.snapshot() == null ? null : request.snapshot().source();
  }

  private static String words(ColumnRule rule) {
    List<String> words = new ArrayList<>();
    if (rule.target() != null) {
      words.add(rule.target().isEmpty() ? "not read" : rule.target());
    }
    if (rule.decimals() != ColumnRule.Decimals.AUTO) {
      words.add("decimal " + word(rule.decimals()));
    }
    if (rule.dates() != ColumnRule.Dates.AUTO) {
      words.add(rule.dates() == ColumnRule.Dates.DAY_FIRST ? "day first" : "month first");
    }
    if (rule.powerOfTen() != 0) {
      words.add("times 10 to the power of " + rule.powerOfTen());
    }
    if (rule.isFlipped()) {
      words.add("signs reversed");
    }
    return String.join(", ", words);
  }
}
