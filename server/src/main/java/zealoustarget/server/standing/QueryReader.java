package zealoustarget.server.standing;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.Basis;
import zealoustarget.core.ledger.Filters;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.intake.GoalSets;
import zealoustarget.server.playbook.Playbook;

/** Reads a standing's parameters; a value that is not known is refused with those that are. */
@Component
class QueryReader {
  private static final int LONGEST_SPAN = 120;
  private static final int MOST_NAMED = 20;

  private final GoalSets goalSets;
  private final Clock clock;

  QueryReader(GoalSets goalSets, Clock clock) {
    this.goalSets = goalSets;
    this.clock = clock;
  }

  StandingQuery read(StandingParameters parameters, Ledger ledger, Playbook playbook) {
    Axis axis = axis(parameters.axis());
    Measure measure = measure(parameters.measure(), playbook);
    Basis basis = basis(parameters);
    String goalSet = basis instanceof Basis.Set set ? set.name() : null;
    return new StandingQuery(
        axis,
        measure,
        span(parameters, ledger),
        basis,
        filters(parameters, ledger),
        playbook.ladder(measure, goalSet, axis));
  }

  static Axis axis(String word) {
    if (word == null || word.isBlank()) {
      return Axis.REP;
    }
    return Axis.findByWord(word)
        .orElseThrow(
            () -> unknown("axis", word, Stream.of(Axis.values()).map(Axis::word).toList()));
  }

  static YearMonth month(String name, String text) {
    try {
      if (text.matches("\\d{4}-\\d{2}")) {
        return YearMonth.parse(text);
      }
    } catch (DateTimeException noSuchMonth) {
      // falls through to the one refusal
    }
    throw Refusal.of("month-unreadable", "\"" + text + "\" is no month. Write it as 2026-10.")
        .with("name", name);
  }

  private static Measure measure(String code, Playbook playbook) {
    String asked = code == null || code.isBlank() ? "revenue" : code;
    return playbook
        .findMeasure(asked)
        .orElseThrow(
            () ->
                unknown(
                    "measure", asked, playbook.measures().stream().map(Measure::code).toList()));
  }

  private Span span(StandingParameters parameters, Ledger ledger) {
    YearMonth from = isGiven(parameters.from()) ? month("from", parameters.from()) : null;
    YearMonth to = isGiven(parameters.to()) ? month("to", parameters.to()) : null;
    if (from == null && to == null) {
      Span posted = ledger.monthsWithActuals();
      return Span.of(posted == null ? YearMonth.now(clock) : posted.toInclusive());
    }
    from = from == null ? to : from;
    to = to == null ? from : to;
    if (to.isBefore(from)) {
      throw Refusal.of(
          "span-backwards", "The span ends in " + to + ", before it begins in " + from + ".");
    }
    Span span = new Span(from, to);
    if (span.length() > LONGEST_SPAN) {
      throw Refusal.of(
          "span-too-long",
          "A span may have " + LONGEST_SPAN + " months, was " + span.length() + ".");
    }
    return span;
  }

  private Basis basis(StandingParameters parameters) {
    if (isGiven(parameters.goalSet()) && isGiven(parameters.basis())) {
      throw Refusal.of("two-bases", "Ask for \"goalSet\" or for \"basis\", not for both.");
    }
    if (isGiven(parameters.goalSet())) {
      String name = parameters.goalSet();
      return goalSets
          .find(name)
          .map(set -> new Basis.Set(set.name()))
          .orElseThrow(
              () ->
                  unknown(
                      "goalSet",
                      name,
                      goalSets.all().stream().map(GoalSets.GoalSet::name).toList()));
    }
    if (!isGiven(parameters.basis())) {
      return Basis.NONE;
    }
    Ratio factor = factor(parameters.factor());
    return switch (parameters.basis()) {
      case "prior-year" -> new Basis.PriorYear(factor);
      case "prior-period" -> new Basis.PriorPeriod(factor);
      default -> throw unknown("basis", parameters.basis(), List.of("prior-year", "prior-period"));
    };
  }

  private static Ratio factor(String text) {
    if (!isGiven(text)) {
      return Ratio.ONE;
    }
    if (!text.matches("\\d{1,4}(\\.\\d{1,6})?") || Ratio.parse(text).signum() == 0) {
      throw Refusal.of(
          "factor-unreadable",
          "\"" + text + "\" is no factor. Write it as 1.2, above 0, with at most 6 decimals.");
    }
    return Ratio.parse(text);
  }

  private static Filters filters(StandingParameters parameters, Ledger ledger) {
    Map<Axis, Set<Integer>> kept = new EnumMap<>(Axis.class);
    keep(kept, Axis.REP, parameters.rep(), ledger);
    keep(kept, Axis.REGION, parameters.region(), ledger);
    keep(kept, Axis.PRODUCT, parameters.product(), ledger);
    keep(kept, Axis.LINE, parameters.line(), ledger);
    keep(kept, Axis.MANAGER, parameters.manager(), ledger);
    return kept.isEmpty() ? Filters.NONE : new Filters(kept);
  }

  private static void keep(
      Map<Axis, Set<Integer>> kept, Axis axis, List<String> keys, Ledger ledger) {
    if (keys == null || keys.stream().allMatch(String::isBlank)) {
      return;
    }
    kept.put(
        axis,
        keys.stream()
            .filter(key -> !key.isBlank())
            .map(key -> member(axis, key, ledger).id())
            .collect(Collectors.toSet()));
  }

  private static Member member(Axis axis, String key, Ledger ledger) {
    return ledger
        .members()
        .findByKey(axis, key)
        .orElseThrow(
            () ->
                unknown(
                    axis.word(),
                    key,
                    ledger.members().all(axis).stream().map(Member::key).toList()));
  }

  private static boolean isGiven(String text) {
    return text != null && !text.isBlank();
  }

  private static Refusal unknown(String name, String value, Collection<String> allowed) {
    List<String> shown = allowed.stream().limit(MOST_NAMED).toList();
    String rest =
        allowed.size() > MOST_NAMED ? " and " + (allowed.size() - MOST_NAMED) + " more" : "";
    String words =
        shown.isEmpty() ? "there are none yet" : "allowed are " + String.join(", ", shown);
    return Refusal.of(
            "value-unknown", "\"" + value + "\" is no known " + name + "; " + words + rest + ".")
        .with("name", name)
        .with("allowed", shown);
  }
}
