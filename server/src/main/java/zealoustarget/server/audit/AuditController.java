package zealoustarget.server.audit;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.http.CsvCells;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.platform.http.Pages;

/** The audit log, to be searched and taken along. */
@RestController
@RequestMapping("/api/v1")
class AuditController {
  private static final int PAGE = 100;
  private static final int MOST = 100_000;

  private final Audit audit;

  AuditController(Audit audit) {
    this.audit = audit;
  }

  /** Entries latest first, 100 to a page. */
  @GetMapping("/audit")
  List<Audit.Entry> entries(
      @RequestParam(defaultValue = "") String text,
      @RequestParam(defaultValue = "") String kind,
      @RequestParam(defaultValue = "0") int page) {
    return audit.entries(text, kind(kind), Pages.first(page, PAGE), PAGE).stream()
        .map(AuditWords::of)
        .toList();
  }

  /** The same as CSV, the latest 100,000. */
  @GetMapping("/audit.csv")
  ResponseEntity<StreamingResponseBody> csv(
      @RequestParam(defaultValue = "") String text, @RequestParam(defaultValue = "") String kind) {
    AuditKind wanted = kind(kind);
    long end = audit.end(); // that it is taken along is an entry of its own
    return Downloads.of(
        AuditWords.AUDIT_LOG_CSV,
        Downloads.CSV,
        out -> {
          CsvWriter csv =
              CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
          csv.writeRecord("at", "by", "what", "subject", "before", "after", "hash");
          audit.eachEntry(end, text, wanted, MOST, entry -> write(csv, AuditWords.of(entry)));
          csv.flush();
        });
  }

  private static void write(CsvWriter csv, Audit.Entry entry) {
    csv.writeRecord(
        entry.at(),
        entry.by(),
        entry.kind(),
        CsvCells.harmless(entry.subject()),
        CsvCells.harmless(entry.before()),
        CsvCells.harmless(entry.after()),
        entry.hash());
  }

  private static @Nullable AuditKind kind(String word) {
    if (word.isBlank()) {
      return null;
    }
    return Stream.of(AuditKind.values())
        .filter(kind -> kind.word().equalsIgnoreCase(word.strip()))
        .findFirst()
        .orElseThrow(
            () ->
                Refusal.of(
                        "value-unknown",
                        AuditWords.isNotKindAllowedAre(
                            word,
                            String.join(
                                ", ", Stream.of(AuditKind.values()).map(AuditKind::word).toList())))
                    .with("name", "kind"));
  }
}
