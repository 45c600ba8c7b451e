package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.briefing.ExhibitData.Bar;
import zealoustarget.server.briefing.ExhibitData.Column;
import zealoustarget.server.briefing.ExhibitData.Row;
import zealoustarget.server.outlook.BridgeAnswer;
import zealoustarget.server.outlook.DealsService;
import zealoustarget.server.rules.RulesService;

/** Where open deals would take a span, and what changed between snapshots. */
@Component
class OutlookExhibits {
  private final FigureReader reader;
  private final DealsService deals;
  private final RulesService companyRules;

  OutlookExhibits(FigureReader reader, DealsService deals, RulesService companyRules) {
    this.reader = reader;
    this.deals = deals;
    this.companyRules = companyRules;
  }

  ExhibitData outlook(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    JsonNode answer = answers.outlook(exhibit.view());
    List<Row> lines = new ArrayList<>();
    answer
        .get("rows")
        .valueStream()
        .filter(row -> ExhibitRows.text(row, "/goal") != null)
        .limit(ExhibitRows.MOST_ROWS)
        .forEach(
            row -> lines.add(expected(row, row.get("name").asString(), answers.figures(), false)));
    lines.add(expected(answer.get("total"), "All", answers.figures(), true));
    return new ExhibitData(
        ExhibitRows.period(
            companyRules.current().calendar(),
            answer.get("from").asString(),
            answer.get("to").asString()),
        answer.get("unit").asString(),
        BriefingWords.outlookDeals(answer.path("asOf").asString("–")),
        address,
        answer.get("asOf").isNull(),
        ExhibitRows.share(BigDecimal.ONE, ExhibitRows.WIDEST),
        List.of(
            new Column(Figures.capital(answer.get("axis").asString()), "text", null),
            new Column("Actual", "amount", null),
            new Column("Goal", "amount", null),
            new Column("Expected", "amount", null),
            new Column(BriefingWords.EXPECTED_OF_GOAL, "percent", "D#/C#"),
            new Column(BriefingWords.EXPECTED_STATUS, "text", null)),
        lines);
  }

  private static Row expected(JsonNode row, String name, Figures figures, boolean isTotal) {
    String actual = ExhibitRows.text(row, "/actual");
    String goal = ExhibitRows.text(row, "/goal");
    String expected = ExhibitRows.text(row, "/shown/expected");
    Bar bar = null;
    String ratio = null;
    if (actual != null && goal != null && expected != null && new BigDecimal(goal).signum() > 0) {
      BigDecimal of = new BigDecimal(goal);
      ratio = Ratio.parse(expected).dividedBy(Ratio.parse(goal)).toText();
      bar =
          new Bar(
              "0",
              ExhibitRows.share(new BigDecimal(actual), of.multiply(ExhibitRows.WIDEST)),
              ExhibitRows.share(new BigDecimal(expected), of.multiply(ExhibitRows.WIDEST)),
              row.get("expectedTone").asString());
    }
    return ExhibitRows.row(
        figures,
        bar,
        isTotal,
        name,
        actual,
        goal,
        expected,
        ratio,
        Objects.requireNonNullElse(ExhibitRows.text(row, "/expectedStatus"), ""));
  }

  ExhibitData bridge(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    String key = Objects.requireNonNullElse(exhibit.row(), FigureReader.TOTAL);
    var parameters = reader.parameters(exhibit.view());
    BridgeAnswer bridge = deals.bridge(parameters.axis(), key, parameters, null);
    if (bridge.since() == null) {
      return ExhibitData.gone(address);
    }
    Map<String, Function<BridgeAnswer, String>> gains =
        orderedSteps(
            "New",
            BridgeAnswer::added,
            BriefingWords.MOVED_IN,
            BridgeAnswer::movedIn,
            "Raised",
            BridgeAnswer::raised);
    List<Row> lines = new ArrayList<>();
    lines.add(
        step(BriefingWords.OPEN_BEFORE, bridge.before(), "neutral", bridge, answers.figures()));
    gains.forEach(
        (name, amount) ->
            lines.add(step(name, amount.apply(bridge), "good", bridge, answers.figures())));
    orderedSteps(
            "Lowered", BridgeAnswer::lowered, "Won", BridgeAnswer::won, "Lost", BridgeAnswer::lost)
        .forEach(
            (name, amount) ->
                lines.add(step(name, amount.apply(bridge), "bad", bridge, answers.figures())));
    lines.add(step(BriefingWords.MOVED_OUT, bridge.movedOut(), "bad", bridge, answers.figures()));
    lines.add(step("Gone", bridge.gone(), "bad", bridge, answers.figures()));
    lines.add(step(BriefingWords.OPEN_AFTER, bridge.after(), "neutral", bridge, answers.figures()));
    JsonNode answer = answers.outlook(exhibit.view());
    return new ExhibitData(
        BriefingWords.to(bridge.since(), bridge.asOf()),
        answer.get("unit").asString(),
        BriefingWords.OPEN_DEALS_BETWEEN_TWO_SNAPSHOTS,
        address,
        false,
        "0",
        List.of(new Column("Step", "text", null), new Column("Amount", "amount", null)),
        lines);
  }

  private static Map<String, Function<BridgeAnswer, String>> orderedSteps(
      String one,
      Function<BridgeAnswer, String> first,
      String two,
      Function<BridgeAnswer, String> second,
      String three,
      Function<BridgeAnswer, String> third) {
    Map<String, Function<BridgeAnswer, String>> steps = new LinkedHashMap<>();
    steps.put(one, first);
    steps.put(two, second);
    steps.put(three, third);
    return Collections.unmodifiableMap(steps);
  }

  private static Row step(
      String name, String amount, String tone, BridgeAnswer bridge, Figures figures) {
    BigDecimal most =
        new BigDecimal(bridge.before()).max(new BigDecimal(bridge.after())).max(BigDecimal.ONE);
    return new Row(
        Arrays.asList(name, amount),
        List.of(name, figures.grouped(amount)),
        new Bar("0", ExhibitRows.share(new BigDecimal(amount), most), null, tone),
        name.startsWith("Open"));
  }
}
