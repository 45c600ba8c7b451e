package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;
import zealoustarget.server.briefing.Block.Exhibit;
import zealoustarget.server.briefing.Block.Figure;
import zealoustarget.server.briefing.Block.FigureQuery;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Writes the first draft of a briefing: what a month's figures say, in the order of telling. */
@Component
class BriefingDrafter {
  /** What can be drafted, in the usual order. */
  static final List<String> PARTS =
      List.of(
          "total",
          "shortfall",
          "excess",
          "insights",
          "reasons",
          "follow-ups",
          "outlook",
          "pay",
          "corrections");

  private static final int MOST_INSIGHTS = 3;
  private static final int MOST_REASONS = 3;

  private final FigureReader reader;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final CompanyClock clock;

  BriefingDrafter(
      FigureReader reader, LedgerService ledgers, RulesService companyRules, CompanyClock clock) {
    this.clock = clock;
    this.reader = reader;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /**
   * What is told of.
   *
   * @param axis of the one member that it is about, with {@code key}; null for the whole company
   */
  record Scope(Span span, @Nullable Axis axis, @Nullable String key) {}

  /** A draft under way. */
  private final class Draft {
    private final Scope scope;
    private final FigureReader.Answers answers = reader.new Answers();
    private final List<Block> blocks = new ArrayList<>();
    private final Map<String, Object> view;
    private int number;

    Draft(Scope scope, Map<String, Object> view) {
      this.scope = scope;
      this.view = view;
    }

    /**
     * Adds a claim, unless a figure of it cannot be read.
     *
     * @param figures by the names in the text
     */
    boolean claim(String part, String text, Map<String, FigureQuery> figures) {
      List<Figure> read = new ArrayList<>();
      for (Map.Entry<String, FigureQuery> one : figures.entrySet()) {
        Figure figure = answers.read(one.getKey(), one.getValue());
        if (figure == null) {
          return false;
        }
        read.add(figure);
      }
      blocks.add(
          new Block(id(), Block.CLAIM, part, text, read, null, null, clock.instant().toString()));
      return true;
    }

    void exhibit(
        String part, String title, String kind, Map<String, Object> of, @Nullable String row) {
      blocks.add(
          new Block(
              id(), Block.EXHIBIT, part, title, List.of(), new Exhibit(kind, of, row), null, null));
    }

    private String id() {
      number++;
      return "b" + number;
    }

    FigureQuery standing(String row, String field) {
      return new FigureQuery("standing", view, row, field);
    }
  }

  /**
   * The blocks of a first draft.
   *
   * @param parts which of {@link #PARTS}, in their order
   */
  List<Block> draft(Scope scope, List<String> parts) {
    Draft draft = new Draft(scope, view(scope));
    for (String part : parts) {
      try {
        switch (part) {
          case "total" -> total(draft);
          case "shortfall" -> extreme(draft, true);
          case "excess" -> extreme(draft, false);
          case "insights" -> insights(draft);
          case "reasons" -> reasons(draft);
          case "follow-ups" -> followUps(draft);
          case "outlook" -> outlook(draft);
          case "pay" -> pay(draft);
          case "corrections" -> corrections(draft);
          default -> throw new IllegalArgumentException(BriefingWords.noPart(part));
        }
      } catch (Refusal nothingToTell) {
        // a part that cannot be read has nothing to say; the others do
      }
    }
    return draft.blocks;
  }

  private Map<String, Object> view(Scope scope) {
    Rules rules = companyRules.current();
    Measure measure =
        rules
            .findMeasure("revenue")
            .or(
                () ->
                    rules.measures().stream()
                        .filter(one -> !one.isRate() && one.direction() == Direction.HIGHER)
                        .findFirst())
            .orElseGet(() -> rules.measures().get(0));
    boolean isWhole = scope.axis() == null;
    Optional<GoalBook> regions =
        isWhole ? book(Axis.REGION, measure, scope.span()) : Optional.empty();
    Optional<GoalBook> reps = book(Axis.REP, measure, scope.span());
    Map<String, Object> view = new LinkedHashMap<>();
    view.put("axis", regions.isPresent() ? Axis.REGION.word() : Axis.REP.word());
    view.put("measure", measure.code());
    view.put("from", scope.span().fromInclusive().toString());
    view.put("to", scope.span().toInclusive().toString());
    regions
        .or(() -> reps)
        .ifPresentOrElse(
            book -> view.put("goalSet", book.name()), () -> view.put("basis", "prior-year"));
    if (scope.axis() != null && scope.key() != null) {
      view.put(scope.axis().word(), List.of(scope.key()));
    }
    return view;
  }

  /** A goal set of an axis with single goals in the span; the one that plans count first. */
  private Optional<GoalBook> book(Axis axis, Measure measure, Span span) {
    List<String> ofPlans =
        companyRules.current().commission().plans().versions().stream()
            .map(version -> version.plan().goalSet())
            .toList();
    return ledgers.current().goalBooks().values().stream()
        .filter(book -> book.axis() == axis && !book.isRange(measure.code()))
        .filter(
            book ->
                !book.cells(
                        measure.code(),
                        Months.number(span.fromInclusive()),
                        Months.number(span.toInclusive()))
                    .isEmpty())
        .min(
            Comparator.comparing((GoalBook book) -> !ofPlans.contains(book.name()))
                .thenComparing(book -> book.axis() == Axis.REGION && book.name().contains("budget"))
                .thenComparing(GoalBook::name));
  }

  private String spanName(Scope scope) {
    return SpanWords.of(scope.span(), companyRules.current().calendar()).text();
  }

  /** Whether the span's last month is still running, so that nothing has ended yet. */
  private static String verb(JsonNode standing) {
    return standing.get("openMonth").isNull() ? "ended" : "stands";
  }

  private static String goalWord(Draft draft) {
    Object set = draft.view.get("goalSet");
    return set == null ? BriefingWords.LAST_YEAR : String.valueOf(set);
  }

  private void total(Draft draft) {
    JsonNode standing = draft.answers.standing(draft.view);
    Axis axis = Axis.findByWord(String.valueOf(draft.view.get("axis"))).orElseThrow();
    boolean isTold =
        draft.claim(
            "total",
            BriefingWords.total(
                spanName(draft.scope), verb(standing), goalWord(draft), axis.word(2)),
            ordered(
                "pct", draft.standing(FigureReader.TOTAL, "missPercent"),
                "side", draft.standing(FigureReader.TOTAL, "side"),
                "actual", draft.standing(FigureReader.TOTAL, "actual"),
                "goal", draft.standing(FigureReader.TOTAL, "goal"),
                "all", draft.standing(FigureReader.TOTAL, "membersWithGoal"),
                "reached", draft.standing(FigureReader.TOTAL, "reached")));
    if (standing.hasNonNull("waiting")) {
      draft.claim(
          "total",
          BriefingWords.waiting(axis.word(2)),
          ordered("wait", draft.standing(FigureReader.TOTAL, "waiting")));
    }
    FigureQuery staged = new FigureQuery("loads", draft.view, FigureReader.TOTAL, "stagedLines");
    if (draft.scope.axis() == null && !"0".equals(draft.answers.value(staged))) {
      draft.claim("total", BriefingWords.LINES_NOT_COUNTED, ordered("lines", staged));
    }
    if (isTold) {
      draft.exhibit(
          "total",
          BriefingWords.allAgainst(axis.word(2), goalWord(draft)),
          "lanes",
          draft.view,
          null);
    }
  }

  private static Map<String, FigureQuery> ordered(Object... namesAndQueries) {
    Map<String, FigureQuery> figures = new LinkedHashMap<>();
    for (int at = 0; at < namesAndQueries.length; at += 2) {
      figures.put((String) namesAndQueries[at], (FigureQuery) namesAndQueries[at + 1]);
    }
    return figures;
  }

  /** The row that misses, or passes, its goal by most, with what its variance is made of. */
  private void extreme(Draft draft, boolean isShort) {
    JsonNode standing = draft.answers.standing(draft.view);
    Comparator<JsonNode> byAmount =
        Comparator.comparing(row -> new BigDecimal(row.at("/spoken/favourable").asString()));
    Stream<JsonNode> rows =
        standing
            .get("rows")
            .valueStream()
            .filter(row -> !row.at("/spoken/favourable").isNull())
            .filter(row -> !row.path("waiting").asBoolean(false)); // their file has not come
    Optional<JsonNode> found = isShort ? rows.min(byAmount) : rows.max(byAmount);
    if (found.isEmpty()) {
      return;
    }
    int sign = new BigDecimal(found.get().at("/spoken/favourable").asString()).signum();
    if (isShort ? sign >= 0 : sign <= 0) {
      return;
    }
    String key = found.get().get("key").asString();
    String name = found.get().get("name").asString();
    boolean isTold =
        draft.claim(
            isShort ? "shortfall" : "excess",
            BriefingWords.extreme(verb(standing), goalWord(draft), isShort),
            ordered(
                "name", draft.standing(key, "name"),
                "pct", draft.standing(key, "missPercent"),
                "side", draft.standing(key, "side"),
                "gap", draft.standing(key, "gap")));
    if (isTold && isShort) {
      draft.exhibit("shortfall", BriefingWords.monthByMonth(name), "months", draft.view, key);
    }
  }

  private void insights(Draft draft) {
    int told = 0;
    for (JsonNode claim : draft.answers.claims(draft.view).get("claims")) {
      FigureQuery query =
          new FigureQuery("insight", draft.view, FigureReader.insightKey(claim), "sentence");
      if (told < MOST_INSIGHTS && draft.claim("insights", "{s}", ordered("s", query))) {
        told++;
      }
    }
  }

  private void reasons(Draft draft) {
    Map<String, Object> view = new LinkedHashMap<>(draft.view);
    book(
            Axis.REP,
            companyRules.current().findMeasure(String.valueOf(view.get("measure"))).orElseThrow(),
            draft.scope.span())
        .ifPresent(
            book -> {
              view.put("axis", Axis.REP.word());
              view.put("goalSet", book.name());
              view.remove("basis");
            });
    int told = 0;
    for (JsonNode reason : draft.answers.claims(view).get("reasons")) {
      String name = reason.path("reason").asString("");
      if (!name.isEmpty() && told < MOST_REASONS) {
        FigureQuery query = new FigureQuery("reason", view, name, "shortfall");
        if (draft.claim("reasons", BriefingWords.reasonCosts(name), ordered("gap", query))) {
          told++;
        }
      }
    }
    if (told > 0) {
      draft.exhibit("reasons", BriefingWords.WHAT_EACH_REASON_COSTS, "reasons", view, null);
    }
  }

  private void followUps(Draft draft) {
    boolean isTold =
        draft.claim(
            "follow-ups",
            BriefingWords.FOLLOW_UPS_AGREED_OPEN,
            ordered(
                "agreed",
                new FigureQuery("follow-ups", draft.view, FigureReader.TOTAL, "agreed"),
                "open",
                new FigureQuery("follow-ups", draft.view, FigureReader.TOTAL, "stillOpen")));
    if (isTold) {
      draft.exhibit("follow-ups", BriefingWords.WHAT_WAS_AGREED, "follow-ups", draft.view, null);
    }
  }

  private void outlook(Draft draft) {
    Map<String, Object> view = new LinkedHashMap<>(draft.view);
    Span quarter = quarter(draft.scope.span().toInclusive());
    view.put("from", quarter.fromInclusive().toString());
    view.put("to", quarter.toInclusive().toString());
    JsonNode answer = draft.answers.outlook(view);
    if (answer.get("asOf").isNull()) {
      return;
    }
    boolean isTold =
        draft.claim(
            "outlook",
            BriefingWords.outlook(
                SpanWords.of(quarter, companyRules.current().calendar()).text(), goalWord(draft)),
            ordered(
                "expected", outlookFigure(view, "expected"),
                "pct", outlookFigure(view, "expectedPercent"),
                "open", outlookFigure(view, "open"),
                "deals", outlookFigure(view, "deals")));
    if (isTold) {
      draft.exhibit(
          "outlook", BriefingWords.WHERE_OPEN_DEALS_WOULD_TAKE_QUARTER, "outlook", view, null);
    }
  }

  private static FigureQuery outlookFigure(Map<String, Object> view, String field) {
    return new FigureQuery("outlook", view, FigureReader.TOTAL, field);
  }

  private Span quarter(YearMonth month) {
    Span toDate = companyRules.current().calendar().quarterToDate(month);
    return new Span(toDate.fromInclusive(), toDate.fromInclusive().plusMonths(2));
  }

  private void pay(Draft draft) {
    YearMonth month = draft.scope.span().toInclusive();
    if (draft.scope.axis() != null) {
      return; // commission is a matter of the whole company's page
    }
    Map<String, Object> view = Map.of("month", month.toString());
    boolean isTold =
        draft.claim(
            "pay",
            BriefingWords.pay(SpanWords.name(month)),
            ordered(
                "due", new FigureQuery("earnings", view, FigureReader.TOTAL, "due"),
                "reps", new FigureQuery("earnings", view, FigureReader.TOTAL, "reps")));
    if (isTold) {
      draft.exhibit("pay", BriefingWords.COMMISSION_DUE_BY_REP, "pay", view, null);
      draft.exhibit("pay", BriefingWords.HOW_PAY_CLIMBS, "stairs", view, null);
    }
  }

  private void corrections(Draft draft) {
    JsonNode lines = draft.answers.standing(draft.view).at("/corrections/lines");
    if (lines.asInt(0) == 0) {
      return;
    }
    draft.claim(
        "corrections",
        BriefingWords.CORRECTED_SINCE_CLOSE,
        ordered(
            "lines", draft.standing(FigureReader.TOTAL, "lines"),
            "sum", draft.standing(FigureReader.TOTAL, "corrections")));
  }
}
