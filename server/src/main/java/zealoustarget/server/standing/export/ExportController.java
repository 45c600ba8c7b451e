package zealoustarget.server.standing.export;

import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.amount.Writing;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.platform.storage.TemporaryFiles;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.export.Exports.Table;
import zealoustarget.server.standing.orders.OrderService;
import zealoustarget.server.standing.query.StandingParameters;
import zealoustarget.server.standing.view.StandingAnswer;
import zealoustarget.server.standing.view.StandingService;

/** A view to take along, as CSV or as a workbook with live formulas. */
@RestController
@RequestMapping("/api/v1/standing")
class ExportController {
  private final StandingService standings;
  private final OrderService orders;
  private final RulesService companyRules;

  private final TemporaryFiles temporary;

  ExportController(
      StandingService standings,
      OrderService orders,
      RulesService companyRules,
      TemporaryFiles temporary) {
    this.temporary = temporary;
    this.standings = standings;
    this.orders = orders;
    this.companyRules = companyRules;
  }

  /** The rows in the order of {@code sort}, such as {@code -favourable}. */
  @GetMapping("/export.csv")
  ResponseEntity<StreamingResponseBody> csv(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) String sort,
      @RequestParam(defaultValue = "false") boolean byMonth) {
    Table table = table(query, sort, byMonth);
    Writing writing = companyRules.current().company().writing();
    return download(table, query, "csv", Downloads.CSV, out -> Exports.csv(table, writing, out));
  }

  /** The same as a workbook: variance and percentages are formulas, the head is frozen. */
  @GetMapping("/export.xlsx")
  ResponseEntity<StreamingResponseBody> workbook(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) String sort,
      @RequestParam(defaultValue = "false") boolean byMonth) {
    Table table = table(query, sort, byMonth);
    return download(
        table,
        query,
        "xlsx",
        Downloads.WORKBOOK,
        out -> Exports.workbook(table, temporary.create("export", ".xlsx"), out));
  }

  /** The orders behind a row, line by line, as they are judged on the screen. */
  @GetMapping("/{axis}/{key}/orders.csv")
  ResponseEntity<StreamingResponseBody> orders(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) String threshold,
      @RequestParam(defaultValue = "false") boolean onlyMet,
      @RequestParam(required = false) String sort) {
    Table table = orders.table(key, query.on(axis), threshold, onlyMet, sort);
    Writing writing = companyRules.current().company().writing();
    return download(table, query, "csv", Downloads.CSV, out -> Exports.csv(table, writing, out));
  }

  private Table table(StandingParameters query, String sort, boolean byMonth) {
    StandingAnswer standing = standings.standing(query);
    return byMonth
        ? ExportTables.of(standings.sheet(query), standing)
        : ExportTables.of(ExportTables.sorted(standing, sort));
  }

  private static ResponseEntity<StreamingResponseBody> download(
      Table table,
      StandingParameters query,
      String ending,
      MediaType type,
      StreamingResponseBody body) {
    String span = query.to() == null ? "" : " " + query.to();
    String axis = query.axis() == null ? "rep" : query.axis();
    String name =
        table.name().toLowerCase(java.util.Locale.ROOT) + " " + axis + span + "." + ending;
    return Downloads.of(name, type, body);
  }
}
