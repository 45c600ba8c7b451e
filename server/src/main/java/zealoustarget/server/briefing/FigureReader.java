package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.earnings.EarningsController;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.intake.load.MonthLoads;
import zealoustarget.server.intake.load.MonthLoads.MonthLoad;
import zealoustarget.server.notes.FollowUps;
import zealoustarget.server.notes.FollowUps.FollowUp;
import zealoustarget.server.outlook.OutlookService;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.insights.InsightService;
import zealoustarget.server.standing.query.StandingParameters;
import zealoustarget.server.standing.view.StandingService;

/** Asks the queries of figures again, on behalf of whoever reads. */
@Component
class FigureReader {
  /** Key of a total. */
  static final String TOTAL = "*";

  private static final Set<String> PERCENTS =
      Set.of("attainment", "variancePercent", "missPercent", "growthOnYear", "expectedPercent");

  private static final Set<String> WORDS = Set.of("status", "side", "sentence", "name");
  private static final Set<String> COUNTS =
      Set.of(
          "waiting",
          "agreed",
          "stagedLines",
          "stillOpen",
          "reached",
          "members",
          "membersWithGoal",
          "shortfallHolders",
          "reps",
          "lines",
          "deals");

  private final StandingService standings;
  private final InsightService insights;
  private final EarningsService earnings;
  private final FollowUps followUps;
  private final MonthLoads loads;
  private final OutlookService outlooks;
  private final RulesService companyRules;
  private final JsonMapper json;
  private final JsonMapper addresses =
      JsonMapper.builder()
          .enable(DeserializationFeature.ACCEPT_SINGLE_VALUE_AS_ARRAY)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .build();

  FigureReader(
      StandingService standings,
      InsightService insights,
      EarningsService earnings,
      FollowUps followUps,
      MonthLoads loads,
      OutlookService outlooks,
      RulesService companyRules,
      JsonMapper json) {
    this.standings = standings;
    this.insights = insights;
    this.earnings = earnings;
    this.followUps = followUps;
    this.loads = loads;
    this.outlooks = outlooks;
    this.companyRules = companyRules;
    this.json = json;
  }

  /** Every answer that one page asks for, once. */
  final class Answers {
    private final Map<String, JsonNode> byQuery = new HashMap<>();
    private final Map<YearMonth, EarningsService.Month> months = new HashMap<>();
    private final Figures figures = new Figures(companyRules.current().company().writing());

    Figures figures() {
      return figures;
    }

    JsonNode standing(Map<String, Object> view) {
      return answer("standing", view, () -> json.valueToTree(standings.standing(parameters(view))));
    }

    JsonNode outlook(Map<String, Object> view) {
      return answer("outlook", view, () -> json.valueToTree(outlooks.outlook(parameters(view))));
    }

    JsonNode claims(Map<String, Object> view) {
      return answer("claims", view, () -> json.valueToTree(insights.claims(parameters(view))));
    }

    EarningsService.Month earnings(Map<String, Object> view) {
      return months.computeIfAbsent(
          EarningsController.month(String.valueOf(view.get("month"))), earnings::month);
    }

    /** What was agreed on variances of a view's months and before, as far as it is not over. */
    List<FollowUp> followUps(Map<String, Object> view) {
      YearMonth from = YearMonth.parse(String.valueOf(view.get("from")));
      YearMonth to = YearMonth.parse(String.valueOf(view.get("to")));
      List<FollowUp> all = followUps.around(from, to);
      Optional<Axis> scope =
          Arrays.stream(Axis.values()).filter(axis -> view.containsKey(axis.word())).findFirst();
      if (scope.isEmpty()) {
        return all;
      }
      Set<String> rows =
          standing(view)
              .get("rows")
              .valueStream()
              .map(row -> row.path("key").asString(""))
              .collect(Collectors.toSet());
      return all.stream()
          .filter(
              one ->
                  one.axis().word().equals(view.get("axis"))
                      ? rows.contains(one.memberKey())
                      : one.axis() == scope.get()
                          && view.get(scope.get().word()) instanceof List<?> keys
                          && keys.contains(one.memberKey()))
          .toList();
    }

    private JsonNode answer(String of, Map<String, Object> view, Supplier<JsonNode> ask) {
      return byQuery.computeIfAbsent(of + json.writeValueAsString(view), none -> ask.get());
    }

    /** What a query gives now; null where it can no longer be asked, or gives nothing. */
    @Nullable String value(Block.FigureQuery query) {
      try {
        return switch (query.of()) {
          case "standing" -> ofStanding(standing(query.view()), query);
          case "outlook" -> ofOutlook(outlook(query.view()), query);
          case "earnings" -> ofEarnings(earnings(query.view()), query);
          case "insight" -> ofInsight(claims(query.view()), query);
          case "loads" -> ofLoads(query);
          case "follow-ups" -> ofFollowUps(followUps(query.view()), query);
          case "reason" -> ofReason(claims(query.view()), query);
          default -> null;
        };
      } catch (Refusal gone) {
        return null;
      }
    }

    /** A figure as its query gives it now; null where it gives nothing. */
    Block.@Nullable Figure read(String id, Block.FigureQuery query) {
      String value = value(query);
      return value == null ? null : new Block.Figure(id, query, value, shown(query, value));
    }

    /** How a value is written in a sentence. */
    String shown(Block.FigureQuery query, String value) {
      String field = query.field();
      if (WORDS.contains(field)) {
        return value;
      }
      if (COUNTS.contains(field)) {
        return figures.number(Integer.parseInt(value));
      }
      if (PERCENTS.contains(field)) {
        return figures.grouped(Shown.percent(Ratio.parse(value).abs())) + " %";
      }
      return figures.grouped(value);
    }
  }

  StandingParameters parameters(Map<String, Object> view) {
    return addresses.convertValue(view, StandingParameters.class);
  }

  private static @Nullable JsonNode row(JsonNode answer, String key) {
    if (key.equals(TOTAL)) {
      return answer.get("total");
    }
    return answer
        .get("rows")
        .valueStream()
        .filter(row -> key.equals(row.path("key").asString("")))
        .findFirst()
        .orElse(null);
  }

  private static @Nullable String text(@Nullable JsonNode node) {
    return node == null || node.isNull() || node.isMissingNode() ? null : node.asString();
  }

  /** A running month is spoken of against its goal to date, as on the screen. */
  private static @Nullable String ofStanding(JsonNode answer, Block.FigureQuery query) {
    JsonNode row = row(answer, query.row());
    if (row == null) {
      return null;
    }
    JsonNode spoken = row.get("spoken");
    return switch (query.field()) {
      case "actual", "goal", "variance", "attainment", "variancePercent" ->
          text(spoken.get(query.field()));
      case "missPercent" -> text(spoken.get("variancePercent"));
      case "status" -> text(spoken.get("status"));
      case "gap" -> abs(text(spoken.get("variance")));
      case "side" -> side(text(spoken.get("variance")));
      case "name" -> query.row().equals(TOTAL) ? null : text(row.get("name"));
      case "growthOnYear" -> text(row.get("growthOnYear"));
      case "reached" -> text(answer.at("/spoken/reached"));
      case "membersWithGoal" -> text(answer.at("/spoken/withGoal"));
      case "shortfallHolders" -> text(answer.at("/summary/shortfallHolders"));
      case "corrections" -> text(answer.at("/corrections/actual"));
      case "lines" -> text(answer.at("/corrections/lines"));
      case "waiting" -> text(answer.at("/waiting/members"));
      default -> null;
    };
  }

  private static @Nullable String abs(@Nullable String amount) {
    return amount == null ? null : new BigDecimal(amount).abs().toPlainString();
  }

  private static @Nullable String side(@Nullable String variance) {
    if (variance == null) {
      return null;
    }
    int sign = new BigDecimal(variance).signum();
    return sign > 0 ? "above" : sign < 0 ? "below" : BriefingWords.EXACTLY_AT;
  }

  private static @Nullable String ofOutlook(JsonNode answer, Block.FigureQuery query) {
    JsonNode row = row(answer, query.row());
    if (row == null) {
      return null;
    }
    return switch (query.field()) {
      case "expected" -> text(row.at("/shown/expected"));
      case "expectedPercent" -> percent(text(row.at("/shown/expectedPercent")));
      case "open", "goal", "toGo", "actual", "deals", "weighted" -> text(row.get(query.field()));
      case "status" -> text(row.get("expectedStatus"));
      default -> null;
    };
  }

  /** Lines that wait to be posted; only for who sees every row, as nobody else knows of them. */
  private @Nullable String ofLoads(Block.FigureQuery query) {
    if (!CurrentAccount.account().role().seesEverything()) {
      return null;
    }
    YearMonth from = YearMonth.parse(String.valueOf(query.view().get("from")));
    YearMonth to = YearMonth.parse(String.valueOf(query.view().get("to")));
    Map<Integer, Integer> staged = new HashMap<>(); // a load with lines of two months once
    for (YearMonth month : new Span(from, to).months()) {
      loads.of(month).stream()
          .filter(MonthLoad::waitsWithActuals)
          .forEach(load -> staged.put(load.id(), load.lines()));
    }
    return Integer.toString(staged.values().stream().mapToInt(Integer::intValue).sum());
  }

  private static @Nullable String ofFollowUps(List<FollowUp> told, Block.FigureQuery query) {
    long count =
        told.stream().filter(one -> query.field().equals("agreed") || one.doneBy() == null).count();
    return told.isEmpty() ? null : Long.toString(count);
  }

  private static @Nullable String percent(@Nullable String shown) {
    return shown == null ? null : new BigDecimal(shown).movePointLeft(2).toPlainString();
  }

  private static @Nullable String ofEarnings(EarningsService.Month month, Block.FigureQuery query) {
    if (query.row().equals(TOTAL)) {
      var due = month.rows().stream().map(EarningsRow::due).filter(Objects::nonNull).toList();
      if (due.isEmpty()) {
        return null;
      }
      return query.field().equals("reps")
          ? Integer.toString(due.size())
          : due.stream()
              .map(BigDecimal::new)
              .reduce(BigDecimal.ZERO, BigDecimal::add)
              .toPlainString();
    }
    return month.rows().stream()
        .filter(row -> row.rep().equals(query.row()))
        .map(EarningsRow::due)
        .filter(Objects::nonNull)
        .findFirst()
        .orElse(null);
  }

  /** A whole sentence; its row is its kind, a blank and the row that it leads to. */
  private static @Nullable String ofInsight(JsonNode claims, Block.FigureQuery query) {
    return claims
        .get("claims")
        .valueStream()
        .filter(claim -> insightKey(claim).equals(query.row()))
        .map(claim -> claim.get("text").asString())
        .findFirst()
        .orElse(null);
  }

  /** What tells one insight from another. */
  static String insightKey(JsonNode claim) {
    return claim.get("kind").asString() + " " + claim.path("select").asString("");
  }

  private static @Nullable String ofReason(JsonNode claims, Block.FigureQuery query) {
    return claims
        .get("reasons")
        .valueStream()
        .filter(one -> query.row().equals(one.path("reason").asString("")))
        .map(one -> one.get("shortfall").asString())
        .findFirst()
        .orElse(null);
  }
}
