package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.briefing.ExhibitData.Bar;
import zealoustarget.server.briefing.ExhibitData.Column;
import zealoustarget.server.briefing.ExhibitData.Row;
import zealoustarget.server.notes.FollowUps;
import zealoustarget.server.notes.FollowUps.FollowUp;
import zealoustarget.server.rules.RulesService;

/** What was noted about variances, and what will be done. */
@Component
class NoteExhibits {
  private final FollowUps followUps;
  private final RulesService companyRules;

  NoteExhibits(FollowUps followUps, RulesService companyRules) {
    this.followUps = followUps;
    this.companyRules = companyRules;
  }

  /** What each noted reason costs, month by month of the fiscal year to date. */
  ExhibitData reasons(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
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
                    name.isEmpty() ? BriefingWords.NO_REASON_NOTED : name,
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
    List<BigDecimal> sums = costs.values().stream().map(NoteExhibits::sum).toList();
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
              most.signum() == 0
                  ? null
                  : new Bar("0", ExhibitRows.share(sum(ofMonths), most), null, "bad");
          lines.add(new Row(values, read, bar, false));
        });
    return new ExhibitData(
        ExhibitRows.period(
            companyRules.current().calendar(), months.get(0).toString(), last.toString()),
        answers.standing(exhibit.view()).get("unit").asString(),
        BriefingWords.SHORTFALLS_BY_REASON_NOTED,
        address,
        false,
        "0",
        columns,
        lines);
  }

  private static BigDecimal sum(@Nullable BigDecimal[] amounts) {
    return Arrays.stream(amounts).filter(Objects::nonNull).reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  /** What was agreed to be done about variances, with who does it and until when. */
  ExhibitData followUps(Block.Exhibit exhibit, FigureReader.Answers answers, String address) {
    List<FollowUp> told = answers.followUps(exhibit.view());
    if (told.isEmpty()) {
      return ExhibitData.gone(address);
    }
    List<Row> lines =
        told.stream()
            .limit(ExhibitRows.MOST_ROWS)
            .map(
                one ->
                    List.of(
                        one.memberName(),
                        SpanWords.name(one.month()),
                        one.what(),
                        one.who(),
                        one.due().toString(),
                        one.doneBy() == null
                            ? BriefingWords.FOLLOW_UP_OPEN
                            : BriefingWords.FOLLOW_UP_DONE))
            .map(cells -> new Row(new ArrayList<>(cells), cells, null, false))
            .toList();
    return new ExhibitData(
        ExhibitRows.period(
            companyRules.current().calendar(),
            String.valueOf(exhibit.view().get("from")),
            String.valueOf(exhibit.view().get("to"))),
        "",
        BriefingWords.NOTED_ABOUT_VARIANCES,
        address,
        false,
        null,
        Stream.of("About", "Month", BriefingWords.WHAT_IS_DONE, "Who", "Until", "State")
            .map(title -> new Column(title, "text", null))
            .toList(),
        lines);
  }
}
