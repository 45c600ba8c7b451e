package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.reading.Figures;
import zealoustarget.server.briefing.ExhibitData.Bar;
import zealoustarget.server.briefing.ExhibitData.Column;
import zealoustarget.server.briefing.ExhibitData.Row;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.outlook.BridgeAnswer;
import zealoustarget.server.outlook.DealsService;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.closeup.CloseUpService;

/** Reads what exhibits show as tables, on behalf of whoever reads. */
@Component
class ExhibitReader {
  private static final BigDecimal WIDEST = new BigDecimal("1.5"); // of the goal
  private static final int PLACES = 4;
  private static final int MOST_ROWS = 60;

  private final FigureReader reader;
  private final CloseUpService closeUps;
  private final DealsService deals;
  private final RulesService companyRules;
  private final JsonMapper json;

  ExhibitReader(
      FigureReader reader,
      CloseUpService closeUps,
      DealsService deals,
      RulesService companyRules,
      JsonMapper json) {
    this.reader = reader;
    this.closeUps = closeUps;
    this.deals = deals;
    this.companyRules = companyRules;
    this.json = json;
  }

  /** The exhibit's figures now; gone where its view can no longer be read. */
  ExhibitData read(Block.Exhibit exhibit, FigureReader.Answers answers) {
    String address = address(exhibit);
    try {
      return switch (exhibit.kind()) {
        case "lanes", "parts" -> standing(exhibit, answers, address);
        case "months" -> months(exhibit, answers, address);
        case "pay" -> pay(exhibit, answers, address);
        case "reasons" -> reasons(exhibit, answers, address);
        case "outlook" -> outlook(exhibit, answers, address);
        case "bridge" -> bridge(exhibit, answers, address);
        default -> ExhibitData.gone(address);
      };
    } catch (Refusal gone) {
      return ExhibitData.gone(address);
    }
  }

  /** The same view in the application. */
  private static String address(Block.Exhibit exhibit) {
    boolean isPay = exhibit.kind().equals("pay");
    UriComponentsBuilder address = UriComponentsBuilder.fromPath(isPay ? "/earnings" : "/standing");
    exhibit
        .view()
        .forEach(
            (name, value) -> {
              String text = String.valueOf(value);
              switch (name) {
                case "month" -> address.queryParam("to", text);
                case "goalSet" -> address.queryParam("against", "set:" + text);
                case "from" -> {
                  if (!text.equals(exhibit.view().get("to"))) {
                    address.queryParam("span", "range").queryParam("from", text);
                  }
                }
                default -> address.queryParam(name, text);
              }
            });
    if (exhibit.kind().equals("outlook") || exhibit.kind().equals("bridge")) {
      address.queryParam("layout", "outlook");
    }
    if (exhibit.row() != null) {
      address.queryParam("selected", exhibit.row());
    }
    return address.build().encode().toUriString();
  }

  private String period(String from, String to) {
    return SpanWords.of(
            new Span(YearMonth.parse(from), YearMonth.parse(to)), companyRules.current().calendar())
        .text();
  }

  private ExhibitData standing(
      Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    JsonNode answer = answers.standing(exhibit.view());
    boolean isParts = exhibit.kind().equals("parts");
    List<JsonNode> rows = new ArrayList<>();
    answer
        .get("rows")
        .valueStream()
        .filter(row -> text(row, "/spoken/goal") != null)
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
        .limit(MOST_ROWS)
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
        period(answer.get("from").asString(), answer.get("to").asString()),
        answer.get("unit").asString(),
        "Standing, " + answer.get("goal").asString(),
        address,
        false,
        isParts ? "0.5000" : share(BigDecimal.ONE, WIDEST),
        List.of(
            new Column(Figures.capital(answer.get("axis").asString()), "text", null),
            new Column("Actual", "amount", null),
            new Column("Goal", "amount", null),
            new Column("Variance", "amount", "B#-C#"),
            new Column("% of goal", "percent", "B#/C#"),
            new Column("Status", "text", null)),
        lines);
  }

  private static BigDecimal amount(JsonNode row) {
    String favourable = text(row, "/spoken/favourable");
    return favourable == null ? BigDecimal.ZERO : new BigDecimal(favourable);
  }

  private static Row line(
      JsonNode row,
      String name,
      Figures figures,
      boolean isParts,
      BigDecimal most,
      boolean isTotal) {
    String attainment = text(row, "/spoken/attainment");
    String tone = Objects.requireNonNullElse(text(row, "/spoken/tone"), "neutral");
    Bar bar = null;
    if (isParts && !isTotal) {
      BigDecimal from = new BigDecimal("0.5");
      BigDecimal to =
          from.add(
              amount(row)
                  .divide(most.signum() == 0 ? BigDecimal.ONE : most, 6, RoundingMode.HALF_UP)
                  .multiply(from));
      bar = new Bar(text(from.min(to)), text(from.max(to)), null, tone);
    } else if (!isParts && attainment != null) {
      bar = new Bar("0", share(new BigDecimal(attainment), WIDEST), null, tone);
    }
    return row(
        figures,
        bar,
        isTotal,
        name,
        text(row, "/spoken/actual"),
        text(row, "/spoken/goal"),
        text(row, "/spoken/variance"),
        attainment,
        Objects.requireNonNullElse(
            text(row, "/spoken/noReading"),
            Objects.requireNonNullElse(text(row, "/spoken/status"), "")));
  }

  /** Six columns: a name, three amounts, a ratio, a status. */
  private static Row row(
      Figures figures,
      @Nullable Bar bar,
      boolean isTotal,
      String name,
      @Nullable String first,
      @Nullable String second,
      @Nullable String third,
      @Nullable String ratio,
      String status) {
    return new Row(
        Arrays.asList(name, first, second, third, ratio, status),
        List.of(
            name,
            shown(figures, first),
            shown(figures, second),
            shown(figures, third),
            ratio == null ? "–" : figures.grouped(Shown.percent(Ratio.parse(ratio))),
            status),
        bar,
        isTotal);
  }

  private static String shown(Figures figures, @Nullable String amount) {
    return amount == null ? "–" : figures.grouped(amount);
  }

  private ExhibitData months(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
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
        "Fiscal " + path.get("fiscalYear").asInt(),
        answer.get("unit").asString(),
        path.get("name").asString() + ", months against " + answer.get("goal").asString(),
        address,
        false,
        share(BigDecimal.ONE, WIDEST),
        List.of(
            new Column("Month", "text", null),
            new Column("Actual", "amount", null),
            new Column("Goal", "amount", null),
            new Column("Variance", "amount", "B#-C#"),
            new Column("% of goal", "percent", "B#/C#"),
            new Column("Status", "text", null)),
        lines);
  }

  private ExhibitData pay(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    EarningsService.Month month = answers.earnings(exhibit.view());
    List<EarningsRow> rows = month.rows().stream().filter(row -> row.due() != null).toList();
    if (rows.isEmpty()) {
      return ExhibitData.gone(address);
    }
    BigDecimal most =
        rows.stream()
            .map(row -> new BigDecimal(Objects.requireNonNull(row.due())).abs())
            .max(BigDecimal::compareTo)
            .orElse(BigDecimal.ONE);
    List<Row> lines = new ArrayList<>();
    BigDecimal sum = BigDecimal.ZERO;
    for (EarningsRow row : rows) {
      BigDecimal due = new BigDecimal(Objects.requireNonNull(row.due()));
      sum = sum.add(due);
      Bar bar =
          most.signum() == 0
              ? null
              : new Bar("0", share(due.max(BigDecimal.ZERO), most), null, row.tone());
      lines.add(
          new Row(
              Arrays.asList(row.name(), row.quota(), row.actual(), row.due(), row.status()),
              List.of(
                  row.name(),
                  shown(answers.figures(), row.quota()),
                  answers.figures().grouped(row.actual()),
                  answers.figures().grouped(due.toPlainString()),
                  row.status()),
              bar,
              false));
    }
    String total = sum.toPlainString();
    lines.add(
        new Row(
            Arrays.asList("All", null, null, total, ""),
            List.of("All", "", "", answers.figures().grouped(total), ""),
            null,
            true));
    String name = String.valueOf(exhibit.view().get("month"));
    return new ExhibitData(
        SpanWords.name(YearMonth.parse(name)),
        rows.get(0).unit(),
        month.isSealed() ? "Earnings, closed" : "Earnings, not closed yet",
        address,
        false,
        "0",
        List.of(
            new Column("Rep", "text", null),
            new Column("Quota", "amount", null),
            new Column("Actual", "amount", null),
            new Column("Due", "amount", null),
            new Column("Status", "text", null)),
        lines);
  }

  /** What each noted reason costs, month by month of the fiscal year to date. */
  private ExhibitData reasons(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    YearMonth last = YearMonth.parse(String.valueOf(exhibit.view().get("to")));
    List<YearMonth> months = companyRules.current().calendar().yearToDate(last).months();
    Map<String, BigDecimal[]> costs = new TreeMap<>();
    for (int at = 0; at < months.size(); at++) {
      Map<String, Object> view = new LinkedHashMap<>(exhibit.view());
      view.put("from", months.get(at).toString());
      view.put("to", months.get(at).toString());
      for (JsonNode reason : answers.claims(view).get("reasons")) {
        String name = reason.path("reason").asString("");
        costs
                .computeIfAbsent(
                    name.isEmpty() ? "No reason noted" : name,
                    none -> new BigDecimal[months.size()])[at] =
            new BigDecimal(reason.get("shortfall").asString());
      }
    }
    if (costs.isEmpty()) {
      return ExhibitData.gone(address);
    }
    List<Column> columns = new ArrayList<>();
    columns.add(new Column("Reason", "text", null));
    months.forEach(month -> columns.add(new Column(SpanWords.name(month), "amount", null)));
    columns.add(new Column("Together", "amount", "SUM(B#:" + (char) ('A' + months.size()) + "#)"));
    List<BigDecimal> sums = costs.values().stream().map(ExhibitReader::sum).toList();
    BigDecimal most = sums.stream().max(BigDecimal::compareTo).orElse(BigDecimal.ONE);
    List<Row> lines = new ArrayList<>();
    costs.forEach(
        (name, ofMonths) -> {
          List<@Nullable String> values = new ArrayList<>(List.of(name));
          List<String> read = new ArrayList<>(List.of(name));
          for (BigDecimal one : ofMonths) {
            String text = (one == null ? BigDecimal.ZERO : one).toPlainString();
            values.add(text);
            read.add(one == null ? "–" : answers.figures().grouped(text));
          }
          String all = sum(ofMonths).toPlainString();
          values.add(all);
          read.add(answers.figures().grouped(all));
          Bar bar =
              most.signum() == 0 ? null : new Bar("0", share(sum(ofMonths), most), null, "bad");
          lines.add(new Row(values, read, bar, false));
        });
    return new ExhibitData(
        period(months.get(0).toString(), last.toString()),
        answers.standing(exhibit.view()).get("unit").asString(),
        "Shortfalls by the reason noted",
        address,
        false,
        "0",
        columns,
        lines);
  }

  private static BigDecimal sum(@Nullable BigDecimal[] amounts) {
    return Arrays.stream(amounts).filter(Objects::nonNull).reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  private ExhibitData outlook(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    JsonNode answer = answers.outlook(exhibit.view());
    List<Row> lines = new ArrayList<>();
    answer
        .get("rows")
        .valueStream()
        .filter(row -> text(row, "/goal") != null)
        .limit(MOST_ROWS)
        .forEach(
            row -> lines.add(expected(row, row.get("name").asString(), answers.figures(), false)));
    lines.add(expected(answer.get("total"), "All", answers.figures(), true));
    return new ExhibitData(
        period(answer.get("from").asString(), answer.get("to").asString()),
        answer.get("unit").asString(),
        "Outlook, deals as of " + answer.path("asOf").asString("–"),
        address,
        answer.get("asOf").isNull(),
        share(BigDecimal.ONE, WIDEST),
        List.of(
            new Column(Figures.capital(answer.get("axis").asString()), "text", null),
            new Column("Actual", "amount", null),
            new Column("Goal", "amount", null),
            new Column("Expected", "amount", null),
            new Column("Expected, % of goal", "percent", "D#/C#"),
            new Column("Expected status", "text", null)),
        lines);
  }

  private static Row expected(JsonNode row, String name, Figures figures, boolean isTotal) {
    String actual = text(row, "/actual");
    String goal = text(row, "/goal");
    String expected = text(row, "/shown/expected");
    Bar bar = null;
    String ratio = null;
    if (actual != null && goal != null && expected != null && new BigDecimal(goal).signum() > 0) {
      BigDecimal of = new BigDecimal(goal);
      ratio = Ratio.parse(expected).dividedBy(Ratio.parse(goal)).toText();
      bar =
          new Bar(
              "0",
              share(new BigDecimal(actual), of.multiply(WIDEST)),
              share(new BigDecimal(expected), of.multiply(WIDEST)),
              row.get("expectedTone").asString());
    }
    return row(
        figures,
        bar,
        isTotal,
        name,
        actual,
        goal,
        expected,
        ratio,
        Objects.requireNonNullElse(text(row, "/expectedStatus"), ""));
  }

  private ExhibitData bridge(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
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
            "Moved in",
            BridgeAnswer::movedIn,
            "Raised",
            BridgeAnswer::raised);
    List<Row> lines = new ArrayList<>();
    lines.add(step("Open before", bridge.before(), "neutral", bridge, answers.figures()));
    gains.forEach(
        (name, amount) ->
            lines.add(step(name, amount.apply(bridge), "good", bridge, answers.figures())));
    orderedSteps(
            "Lowered", BridgeAnswer::lowered, "Won", BridgeAnswer::won, "Lost", BridgeAnswer::lost)
        .forEach(
            (name, amount) ->
                lines.add(step(name, amount.apply(bridge), "bad", bridge, answers.figures())));
    lines.add(step("Moved out", bridge.movedOut(), "bad", bridge, answers.figures()));
    lines.add(step("Gone", bridge.gone(), "bad", bridge, answers.figures()));
    lines.add(step("Open after", bridge.after(), "neutral", bridge, answers.figures()));
    JsonNode answer = answers.outlook(exhibit.view());
    return new ExhibitData(
        bridge.since() + " to " + bridge.asOf(),
        answer.get("unit").asString(),
        "Open deals between two snapshots",
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
        new Bar("0", share(new BigDecimal(amount), most), null, tone),
        name.startsWith("Open"));
  }

  /** A part of a whole from 0 to 1, beyond that 1. */
  private static String share(BigDecimal part, BigDecimal whole) {
    return text(
        part.divide(whole, 8, RoundingMode.HALF_UP).min(BigDecimal.ONE).max(BigDecimal.ZERO));
  }

  private static String text(BigDecimal share) {
    return share.setScale(PLACES, RoundingMode.HALF_UP).toPlainString();
  }

  private static @Nullable String text(JsonNode node, String pointer) {
    JsonNode found = node.at(pointer);
    return found.isNull() || found.isMissingNode() ? null : found.asString();
  }
}
