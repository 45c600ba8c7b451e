package zealoustarget.server.intake.posting;

import java.io.InputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.YearMonth;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.server.files.OriginalStore;
import zealoustarget.server.intake.corrections.HeldLines;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.RulesService;

/** Files that go out again: originals, remainders, blank templates. */
@RestController
@RequestMapping("/api/v1")
class FileController {
  private final LoadStore store;
  private final OriginalStore originals;
  private final HeldLines remainder;
  private final LoadAnswers answers;
  private final RulesService companyRules;
  private final Clock clock;

  FileController(
      LoadStore store,
      OriginalStore originals,
      HeldLines remainder,
      LoadAnswers answers,
      RulesService companyRules,
      Clock clock) {
    this.clock = clock;
    this.store = store;
    this.originals = originals;
    this.remainder = remainder;
    this.answers = answers;
    this.companyRules = companyRules;
  }

  /** The file of a load, byte for byte as it came. */
  @GetMapping("/loads/{id}/original")
  ResponseEntity<StreamingResponseBody> original(@PathVariable int id) {
    LoadEntity load = store.get(id);
    if (!originals.isKept(load.contentHash)) {
      throw Refusal.of("sheet-gone", PostingWords.fileOfLoadIsNotKept(id));
    }
    return Downloads.of(
        load.fileName,
        MediaType.APPLICATION_OCTET_STREAM,
        out -> {
          try (InputStream content = originals.open(load.contentHash).orElseThrow()) {
            content.transferTo(out);
          }
        });
  }

  /** The lines that a load holds back, with the reason, as CSV. */
  @GetMapping("/loads/{id}/remainder.csv")
  ResponseEntity<StreamingResponseBody> remainder(@PathVariable int id) {
    LoadEntity load = store.get(id);
    return Downloads.of(
        PostingWords.remainderOfCsv(load.fileName.replaceFirst("\\.[A-Za-z]{2,5}$", "")),
        Downloads.CSV,
        out -> remainder.write(id, new OutputStreamWriter(out, StandardCharsets.UTF_8)));
  }

  /** Stages the lines that a posted load held back as a load of their own. */
  @PostMapping("/loads/{id}/remainder")
  @ResponseStatus(HttpStatus.CREATED)
  LoadAnswer stageRemainder(@PathVariable int id) {
    return answers.whole(remainder.stage(id));
  }

  /** A file with the header of its kind; a sample has some made-up lines below it. */
  @GetMapping("/templates/{kind}.csv")
  ResponseEntity<StreamingResponseBody> template(
      @PathVariable String kind, @RequestParam(defaultValue = "false") boolean sample) {
    LoadKind found =
        LoadKind.findByWord(kind)
            .orElseThrow(
                () ->
                    UnknownValue.of(
                        "kind", kind, Stream.of(LoadKind.values()).map(LoadKind::word)));
    List<Measure> counted =
        companyRules.current().measures().stream().filter(measure -> !measure.isRate()).toList();
    List<String> lines =
        sample
            ? FileTemplates.sample(found, counted, YearMonth.now(clock))
            : List.of(FileTemplates.header(found, counted), "");
    return Downloads.of(
        PostingWords.sampleTemplateCsv(sample, FileTemplates.nameOf(found), found.word()),
        Downloads.CSV,
        out -> out.write(String.join("\r\n", lines).getBytes(StandardCharsets.UTF_8)));
  }
}
