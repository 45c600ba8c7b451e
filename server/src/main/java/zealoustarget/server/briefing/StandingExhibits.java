package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.briefing.ExhibitData.Bar;
import zealoustarget.server.briefing.ExhibitData.Column;
import zealoustarget.server.briefing.ExhibitData.Row;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.closeup.CloseUpService;

/** Lanes, variance by row, and the months of a row, as on Standing. */
@Component
class StandingExhibits {
  private final FigureReader reader;
  private final CloseUpService closeUps;
  private final RulesService companyRules;
  private final JsonMapper json;

  StandingExhibits(
      FigureReader reader, CloseUpService closeUps, RulesService companyRules, JsonMapper json) {
    this.reader = reader;
    this.closeUps = closeUps;
    this.companyRules = companyRules;
    this.json = json;
  }

  ExhibitData standing(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    JsonNode answer = answers.standing(exhibit.view());
    boolean isParts = exhibit.kind().equals("parts");
    List<JsonNode> rows = new ArrayList<>();
    answer
        .get("rows")
        .valueStream()
        .filter(row -> ExhibitRows.text(row, "/spoken/goal") != null)
        .forEach(rows::add);
    if (isParts) {
      rows.sort((one, other) -> amount(one).compareTo(amount(other)));
    }
    BigDecimal most =
        rows.stream()
            .map(row -> amount(row).abs())
            .max(BigDecimal::compareTo)
            .orElse(BigDecimal.ONE);
    List<Row> lines = new ArrayList<>();
    rows.stream()
        .limit(ExhibitRows.MOST_ROWS)
        .forEach(
            row ->
                lines.add(
                    line(
                        row,
                        row.path("name").asString(),
                        answers.figures(),
                        isParts,
                        most,
                        false)));
    lines.add(line(answer.get("total"), "All", answers.figures(), isParts, most, true));
    return new ExhibitData(
        ExhibitRows.period(
            companyRules.current().calendar(),
            answer.get("from").asString(),
            answer.get("to").asString()),
        answer.get("unit").asString(),
        BriefingWords.standing(answer.get("goal").asString()),
        address,
        false,
        isParts ? "0.5000" : ExhibitRows.share(BigDecimal.ONE, ExhibitRows.WIDEST),
        columns(Figures.capital(answer.get("axis").asString())),
        lines);
  }

  ExhibitData months(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    String key = Objects.requireNonNullElse(exhibit.row(), FigureReader.TOTAL);
    JsonNode path = json.valueToTree(closeUps.path(key, reader.parameters(exhibit.view()), null));
    JsonNode answer = answers.standing(exhibit.view());
    String last = answer.get("to").asString();
    List<Row> lines =
        path.get("months")
            .valueStream()
            .filter(month -> !month.get("state").asString().equals("empty"))
            .filter(month -> month.get("month").asString().compareTo(last) <= 0)
            .map(
                month ->
                    line(
                        month.get("reading"),
                        SpanWords.name(YearMonth.parse(month.get("month").asString())),
                        answers.figures(),
                        false,
                        BigDecimal.ONE,
                        false))
            .toList();
    return new ExhibitData(
        BriefingWords.fiscal(path.get("fiscalYear").asInt()),
        answer.get("unit").asString(),
        BriefingWords.monthsAgainst(path.get("name").asString(), answer.get("goal").asString()),
        address,
        false,
        ExhibitRows.share(BigDecimal.ONE, ExhibitRows.WIDEST),
        columns("Month"),
        lines);
  }

  private static List<Column> columns(String first) {
    return List.of(
        new Column(first, "text", null),
        new Column("Actual", "amount", null),
        new Column("Goal", "amount", null),
        new Column("Variance", "amount", "B#-C#"),
        new Column(BriefingWords.OF_GOAL, "percent", "B#/C#"),
        new Column("Status", "text", null));
  }

  private static BigDecimal amount(JsonNode row) {
    String favourable = ExhibitRows.text(row, "/spoken/favourable");
    return favourable == null ? BigDecimal.ZERO : new BigDecimal(favourable);
  }

  private static Row line(
      JsonNode row,
      String name,
      Figures figures,
      boolean isParts,
      BigDecimal most,
      boolean isTotal) {
    String attainment = ExhibitRows.text(row, "/spoken/attainment");
    String tone = Objects.requireNonNullElse(ExhibitRows.text(row, "/spoken/tone"), "neutral");
    Bar bar = null;
    if (isParts && !isTotal) {
      BigDecimal from = new BigDecimal("0.5");
      BigDecimal to =
          from.add(
              amount(row)
                  .divide(most.signum() == 0 ? BigDecimal.ONE : most, 6, RoundingMode.HALF_UP)
                  .multiply(from));
      bar = new Bar(ExhibitRows.text(from.min(to)), ExhibitRows.text(from.max(to)), null, tone);
    } else if (!isParts && attainment != null) {
      bar =
          new Bar(
              "0", ExhibitRows.share(new BigDecimal(attainment), ExhibitRows.WIDEST), null, tone);
    }
    return ExhibitRows.row(
        figures,
        bar,
        isTotal,
        name,
        ExhibitRows.text(row, "/spoken/actual"),
        ExhibitRows.text(row, "/spoken/goal"),
        ExhibitRows.text(row, "/spoken/variance"),
        attainment,
        Objects.requireNonNullElse(
            ExhibitRows.text(row, "/spoken/noReading"),
            Objects.requireNonNullElse(ExhibitRows.text(row, "/spoken/status"), "")));
  }
}
