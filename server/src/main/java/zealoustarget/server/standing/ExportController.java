package zealoustarget.server.standing;

import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.server.platform.Downloads;
import zealoustarget.server.standing.Exports.Table;

/** A view to take along, as CSV or as a workbook with live formulas. */
@RestController
@RequestMapping("/api/v1/standing")
class ExportController {
  private static final MediaType WORKBOOK =
      MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

  private final StandingService standings;

  ExportController(StandingService standings) {
    this.standings = standings;
  }

  /** The rows in the order of {@code sort}, such as {@code -favourable}. */
  @GetMapping("/export.csv")
  ResponseEntity<StreamingResponseBody> csv(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) String sort,
      @RequestParam(defaultValue = "false") boolean byMonth) {
    Table table = table(query, sort, byMonth);
    return download(table, query, "csv", Downloads.CSV, out -> Exports.csv(table, out));
  }

  /** The same as a workbook: variance and percentages are formulas, the head is frozen. */
  @GetMapping("/export.xlsx")
  ResponseEntity<StreamingResponseBody> workbook(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) String sort,
      @RequestParam(defaultValue = "false") boolean byMonth) {
    Table table = table(query, sort, byMonth);
    return download(table, query, "xlsx", WORKBOOK, out -> Exports.workbook(table, out));
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
