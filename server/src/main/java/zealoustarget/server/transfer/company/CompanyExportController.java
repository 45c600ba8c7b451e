package zealoustarget.server.transfer.company;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.server.platform.http.Downloads;

/** The whole company as open files; for administrators of the office. */
@RestController
@RequestMapping("/api/v1/company")
class CompanyExportController {
  private final CompanyExport exports;
  private final Clock clock;

  CompanyExportController(CompanyExport exports, Clock clock) {
    this.exports = exports;
    this.clock = clock;
  }

  /** A ZIP as docs/formats.md describes it. 500 {@code export-failed}. */
  @GetMapping("/export")
  ResponseEntity<StreamingResponseBody> export() {
    Path file = exports.make();
    return Downloads.of(
        "company-" + LocalDate.now(clock) + ".zip",
        MediaType.parseMediaType("application/zip"),
        out -> {
          try {
            Files.copy(file, out);
          } finally {
            Files.delete(file);
          }
        });
  }
}
