package zealoustarget.server.outlook;

import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.amount.Writing;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.platform.storage.TemporaryFiles;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.export.Exports;
import zealoustarget.server.standing.export.Exports.Table;
import zealoustarget.server.standing.query.StandingParameters;

/** Outlooks as files. */
@RestController
@RequestMapping("/api/v1/outlook")
class OutlookExportController {
  private final OutlookService outlooks;
  private final RulesService companyRules;
  private final TemporaryFiles temporary;

  OutlookExportController(
      OutlookService outlooks, RulesService companyRules, TemporaryFiles temporary) {
    this.outlooks = outlooks;
    this.companyRules = companyRules;
    this.temporary = temporary;
  }

  /** The rows of an outlook as CSV. */
  @GetMapping("/export.csv")
  ResponseEntity<StreamingResponseBody> csv(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) @Nullable List<String> tryDeal) {
    Table table = OutlookExport.of(outlooks.outlook(query, tryDeal));
    Writing writing = companyRules.current().company().writing();
    return download(query, "csv", Downloads.CSV, out -> Exports.csv(table, writing, out));
  }

  /** The same as a workbook: what follows from other columns is a formula. */
  @GetMapping("/export.xlsx")
  ResponseEntity<StreamingResponseBody> workbook(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) @Nullable List<String> tryDeal) {
    Table table = OutlookExport.of(outlooks.outlook(query, tryDeal));
    return download(
        query,
        "xlsx",
        Downloads.WORKBOOK,
        out -> Exports.workbook(table, temporary.create("export", ".xlsx"), out));
  }

  private static ResponseEntity<StreamingResponseBody> download(
      StandingParameters query, String ending, MediaType type, StreamingResponseBody body) {
    String axis = query.axis() == null ? "rep" : query.axis().toLowerCase(Locale.ROOT);
    String span = query.to() == null ? "" : " " + query.to();
    return Downloads.of(OutlookWords.outlook(axis, span, ending), type, body);
  }
}
