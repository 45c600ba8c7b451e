package zealoustarget.server.goals;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.spread.GoalSpread;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.RulesService;

/** Finds the weights of cells and spreads a whole over them; docs/calculations.md, section 6. */
@Service
class GoalSpreads {
  private static final int SCALE = 2;
  private static final int MOST_SCALE = 8;

  /** What cells weigh. */
  enum Kind {
    EVEN,
    LAST_YEAR,
    WORKING_DAYS,
    AS_IT_STANDS,
    WEIGHTS;

    String word() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  /**
   * A cell, a month or a member.
   *
   * @param weight for the kind {@code weights}
   * @param locked the amount that it keeps
   */
  record PartBody(
      @Nullable String key,
      @Nullable String month,
      @Nullable String weight,
      @Nullable String locked) {}

  /**
   * What to spread over what.
   *
   * @param scale decimals of the amounts; the measure's where one is given, else 2
   * @param factor instead of {@code whole}, with {@code as-it-stands}
   */
  record Body(
      @Nullable String whole,
      @Nullable Integer scale,
      @Nullable String kind,
      List<PartBody> parts,
      @Nullable String step,
      @Nullable String factor,
      @Nullable String axis,
      @Nullable String measure,
      @Nullable String goalSet) {}

  record PartAnswer(@Nullable String key, @Nullable String month, String amount) {}

  record Answer(String whole, List<PartAnswer> parts) {}

  private final GoalSheets sheets;
  private final RulesService companyRules;

  GoalSpreads(GoalSheets sheets, RulesService companyRules) {
    this.sheets = sheets;
    this.companyRules = companyRules;
  }

  /** Spreads; changes nothing. */
  Answer spread(Body body) {
    Kind kind = kind(body.kind());
    if (body.parts() == null || body.parts().isEmpty()) {
      throw missing("parts", GoalsWords.GIVE_CELLS_TO_SPREAD_OVER);
    }
    boolean hasSheet = kind == Kind.LAST_YEAR || kind == Kind.AS_IT_STANDS;
    return spread(
        body,
        hasSheet
            ? sheets.read(
                Objects.requireNonNullElse(body.goalSet(), "goals"),
                body.axis(),
                body.measure(),
                span(body.parts()))
            : null);
  }

  /** The same over cells of a sheet, with its decimals, as they stand there. */
  Answer spread(Body body, @Nullable GoalSheet sheet) {
    return spread(body, sheet, Amount::low);
  }

  /**
   * The same for one end of ranges.
   *
   * @param end which end of a goal that stands is meant
   */
  Answer spread(Body body, @Nullable GoalSheet sheet, ToLongFunction<Amount> end) {
    Kind kind = kind(body.kind());
    int scale = scale(body, sheet);
    GoalSpread spread = new GoalSpread(step(body.step(), scale), scale);
    checkOnce(body.parts());
    List<GoalSpread.Part> parts = new ArrayList<>(body.parts().size());
    CellReader cells = new CellReader(sheet);
    List<BigInteger> weights = weights(kind, body, sheet, cells, end);
    for (int at = 0; at < body.parts().size(); at++) {
      PartBody part = body.parts().get(at);
      Integer month = part.month() == null ? null : cells.number(part.month());
      Long locked = part.locked() == null ? null : units("locked", part.locked(), scale);
      parts.add(new GoalSpread.Part(part.key(), month, weights.get(at), locked));
    }
    long whole = whole(body, kind, spread, sheet, cells, end);
    List<Long> amounts = spread.spread(whole, parts);
    List<PartAnswer> answer = new ArrayList<>(amounts.size());
    for (int at = 0; at < amounts.size(); at++) {
      PartBody part = body.parts().get(at);
      answer.add(new PartAnswer(part.key(), part.month(), text(amounts.get(at), scale)));
    }
    return new Answer(text(whole, scale), answer);
  }

  private List<BigInteger> weights(
      Kind kind,
      Body body,
      @Nullable GoalSheet sheet,
      CellReader cells,
      ToLongFunction<Amount> end) {
    List<PartBody> parts = body.parts();
    return switch (kind) {
      case EVEN -> parts.stream().map(part -> BigInteger.ONE).toList();
      case WORKING_DAYS ->
          parts.stream()
              .map(
                  part ->
                      BigInteger.valueOf(
                          companyRules.current().workingDays().in(cells.month(part.month()))))
              .toList();
      case WEIGHTS -> given(parts);
      case LAST_YEAR -> {
        GoalSheet read = Objects.requireNonNull(sheet);
        checkCounted(read.measure());
        yield parts.stream().map(part -> BigInteger.valueOf(lastYear(read, part, cells))).toList();
      }
      case AS_IT_STANDS ->
          parts.stream()
              .map(
                  part ->
                      BigInteger.valueOf(standing(Objects.requireNonNull(sheet), part, cells, end)))
              .toList();
    };
  }

  private static long lastYear(GoalSheet sheet, PartBody part, CellReader cells) {
    return sheet.lastYear(cells.member(part.key()).id(), cells.number(part.month()));
  }

  private static void checkCounted(Measure measure) {
    if (measure.isRate()) {
      throw Refusal.of("value-unknown", GoalsWords.rateIsNoWeight(measure.words()))
          .with("name", "kind");
    }
  }

  private static long standing(
      GoalSheet sheet, PartBody part, CellReader cells, ToLongFunction<Amount> end) {
    return sheet.goal(cells.member(part.key()).id(), cells.number(part.month()), end);
  }

  /** Weights as whole numbers in the same proportion. */
  private static List<BigInteger> given(List<PartBody> parts) {
    List<BigDecimal> weights = new ArrayList<>();
    for (PartBody part : parts) {
      String text = part.weight();
      if (text == null && part.locked() != null) {
        weights.add(BigDecimal.ZERO);
      } else if (text == null || !text.strip().matches("-?\\d{1,15}(\\.\\d{1,8})?")) {
        throw Refusal.of("value-unknown", GoalsWords.isNotWeight(text)).with("name", "weight");
      } else {
        weights.add(new BigDecimal(text.strip()));
      }
    }
    int scale = weights.stream().mapToInt(BigDecimal::scale).max().orElse(0);
    return weights.stream().map(weight -> weight.setScale(scale).unscaledValue()).toList();
  }

  private static long whole(
      Body body,
      Kind kind,
      GoalSpread spread,
      @Nullable GoalSheet sheet,
      CellReader cells,
      ToLongFunction<Amount> end) {
    boolean hasFactor = body.factor() != null && !body.factor().isBlank();
    if (hasFactor == (body.whole() != null)) {
      throw missing("whole", GoalsWords.GIVE_AMOUNT_OR_FACTOR);
    }
    if (!hasFactor) {
      return units("whole", body.whole(), spread.scale());
    }
    if (kind != Kind.AS_IT_STANDS || sheet == null) {
      throw Refusal.of("value-unknown", GoalsWords.FACTOR_GOES_WITH_KIND).with("name", "factor");
    }
    Ratio factor = factor(Objects.requireNonNull(body.factor()));
    long sum = 0;
    for (PartBody part : body.parts()) {
      sum = Math.addExact(sum, standing(sheet, part, cells, end));
    }
    try {
      return spread.times(sum, factor);
    } catch (ArithmeticException overflow) {
      throw Refusal.of("sum-too-large", GoalsWords.FACTOR_IS_TOO_LARGE);
    }
  }

  /** A factor above 0; factor-unreadable. */
  static Ratio factor(String text) {
    if (!text.strip().matches("\\d{1,6}(\\.\\d{1,8})?")
        || Ratio.parse(text.strip()).signum() <= 0) {
      throw Refusal.of("factor-unreadable", GoalsWords.isNotFactor(text)).with("name", "factor");
    }
    return Ratio.parse(text.strip());
  }

  private static Kind kind(@Nullable String word) {
    if (word == null || word.isBlank()) {
      return Kind.EVEN;
    }
    Optional<Kind> kind =
        Arrays.stream(Kind.values()).filter(one -> one.word().equals(word)).findFirst();
    return kind.orElseThrow(
        () -> UnknownValue.of("kind", word, Arrays.stream(Kind.values()).map(Kind::word)));
  }

  private static int scale(Body body, @Nullable GoalSheet sheet) {
    if (sheet != null) {
      return sheet.measure().scale();
    }
    int scale = body.scale() == null ? SCALE : body.scale();
    if (scale < 0 || scale > MOST_SCALE) {
      throw Refusal.of("value-unknown", GoalsWords.scaleOutOfRange(MOST_SCALE))
          .with("name", "scale");
    }
    return scale;
  }

  /** A step in smallest units, 1 where none is given; value-unknown. */
  static long step(@Nullable String text, int scale) {
    if (text == null || text.isBlank()) {
      return 1;
    }
    long step = units("step", text, scale);
    if (step < 1) {
      throw Refusal.of("value-unknown", GoalsWords.STEP_IS_NOT_POSITIVE).with("name", "step");
    }
    return step;
  }

  private static long units(String name, @Nullable String text, int scale) {
    if (text == null || !GoalSheet.DECIMAL.matcher(text.strip()).matches()) {
      throw unreadable(name, text);
    }
    BigDecimal amount = new BigDecimal(text.strip());
    BigDecimal units = amount.movePointRight(scale);
    if (units.stripTrailingZeros().scale() > 0
        || units.abs().compareTo(BigDecimal.valueOf(Measure.LARGEST_AMOUNT)) > 0) {
      throw unreadable(name, text);
    }
    return units.longValueExact();
  }

  private static Refusal unreadable(String name, @Nullable String text) {
    return Refusal.of("value-unknown", GoalsWords.isNotAmountOfThisMeasure(text))
        .with("name", name);
  }

  private static void checkOnce(List<PartBody> parts) {
    Map<String, Set<String>> seen = new HashMap<>();
    for (PartBody part : parts) {
      if (part.key() == null && part.month() == null) {
        throw missing("parts", GoalsWords.PART_NEEDS_PLACE);
      }
      String key = Objects.requireNonNullElse(part.key(), "");
      String month = Objects.requireNonNullElse(part.month(), "");
      if (!seen.computeIfAbsent(key, one -> new HashSet<>()).add(month)) {
        throw Refusal.of("value-unknown", GoalsWords.partIsGivenTwice((key + " " + month).strip()))
            .with("name", "parts");
      }
    }
  }

  private static Span span(List<PartBody> parts) {
    CellReader cells = new CellReader(null);
    List<YearMonth> months =
        parts.stream().map(part -> cells.month(part.month())).distinct().sorted().toList();
    return new Span(months.get(0), months.get(months.size() - 1));
  }

  private static String text(long units, int scale) {
    return BigDecimal.valueOf(units, scale).toPlainString();
  }

  private static Refusal missing(String name, String words) {
    return Refusal.of("value-missing", words).with("name", name);
  }
}
