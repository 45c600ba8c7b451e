package zealoustarget.server.intake;

import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.member.Axis;
import zealoustarget.server.playbook.PlaybookService;

/** Files on their way: stage, look at, post, reverse. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/loads")
class LoadController {
  private static final int LONGEST_NAME = 120;

  private final StagingService staging;
  private final LoadService loads;
  private final LoadStore store;
  private final PlaybookService playbooks;
  private final JsonMapper json;

  LoadController(
      StagingService staging,
      LoadService loads,
      LoadStore store,
      PlaybookService playbooks,
      JsonMapper json) {
    this.staging = staging;
    this.loads = loads;
    this.store = store;
    this.playbooks = playbooks;
    this.json = json;
  }

  /** Stages a file: 201 with its lines, sums and findings; nothing counts before it is posted. */
  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  LoadAnswer stage(
      @RequestParam MultipartFile file,
      @RequestParam String kind,
      @RequestParam(required = false) String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) List<String> controlTotal,
      @RequestParam(required = false) String mapping) {
    LoadKind readKind =
        LoadKind.findByWord(kind)
            .orElseThrow(
                () -> unknown("kind", kind, Stream.of(LoadKind.values()).map(LoadKind::word)));
    boolean isGoals = readKind == LoadKind.GOALS;
    LoadRequest request =
        new LoadRequest(
            readKind,
            isGoals ? goalSetName(goalSet) : null,
            isGoals ? axis(axis) : null,
            measure == null || measure.isBlank() ? null : measure,
            controlTotals(controlTotal),
            mapping(mapping));
    return one(staging.stage(upload(file), request));
  }

  /** All loads, latest first, without their findings. */
  @GetMapping
  List<LoadAnswer> list() {
    return store.all().stream()
        .map(load -> LoadAnswer.of(load, playbooks.current(), null, null))
        .toList();
  }

  /** One load with its first 1,000 findings; 404 {@code load-unknown}. */
  @GetMapping("/{id}")
  LoadAnswer one(@PathVariable int id) {
    LoadEntity load = store.get(id);
    return LoadAnswer.of(
        load,
        playbooks.current(),
        store.findings(id, LoadAnswer.MOST_FINDINGS),
        store.findSame(load.contentHash, id).orElse(null));
  }

  /** Posts the ready rows, all or nothing; 409 says what stands in the way. */
  @PostMapping("/{id}/post")
  LoadAnswer post(
      @PathVariable int id,
      @RequestParam(defaultValue = "refuse") String held,
      @RequestParam(required = false) String because) {
    if (!held.equals("refuse") && !held.equals("leave")) {
      throw unknown("held", held, Stream.of("refuse", "leave"));
    }
    loads.post(id, held.equals("leave"), because);
    return one(id);
  }

  /** Takes a posted load out again; 409 {@code load-not-posted}, {@code load-in-use}. */
  @PostMapping("/{id}/reverse")
  LoadAnswer reverse(@PathVariable int id) {
    loads.reverse(id);
    return one(id);
  }

  /** Forgets a staged load; 409 {@code load-not-staged}. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void discard(@PathVariable int id) {
    loads.discard(id);
  }

  private static String goalSetName(String name) {
    if (name == null || name.isBlank() || name.strip().length() > LONGEST_NAME) {
      throw Refusal.of(
              "value-missing",
              "Goals need \"goalSet\", the name of their set, such as quota (at most 120"
                  + " characters).")
          .with("name", "goalSet");
    }
    return name.strip();
  }

  private static Axis axis(String word) {
    if (word == null || word.isBlank()) {
      throw Refusal.of("value-missing", "Goals need \"axis\", whose goals they are, such as rep.")
          .with("name", "axis");
    }
    return Axis.findByWord(word)
        .orElseThrow(() -> unknown("axis", word, Stream.of(Axis.values()).map(Axis::word)));
  }

  private static Refusal unknown(String name, String value, Stream<String> allowed) {
    List<String> words = allowed.toList();
    return Refusal.of(
            "value-unknown",
            "\"" + value + "\" is no " + name + "; allowed are " + String.join(", ", words) + ".")
        .with("name", name)
        .with("allowed", words);
  }

  /** Several control totals come as several values or behind commas: revenue=10.00,units=3. */
  private static Map<String, String> controlTotals(List<String> texts) {
    Map<String, String> totals = new HashMap<>();
    for (String text : texts == null ? List.<String>of() : texts) {
      for (String one : text.split("[,;]", -1)) {
        String[] parts = one.split("=", -1);
        if (one.isBlank()) {
          continue;
        }
        if (parts.length != 2 || totals.put(parts[0].strip(), parts[1].strip()) != null) {
          throw Refusal.of(
              "control-total-unreadable",
              "\"" + one + "\" is no control total. Give it as revenue=1912400.00.");
        }
      }
    }
    return totals;
  }

  private Map<String, String> mapping(String text) {
    if (text == null || text.isBlank()) {
      return Map.of();
    }
    try {
      Map<String, String> read = json.readValue(text, new TypeReference<Map<String, String>>() {});
      read.replaceAll((theirs, ours) -> ours == null ? "" : ours);
      return read;
    } catch (JacksonException unreadable) {
      throw Refusal.of(
          "mapping-unreadable",
          "\"mapping\" must be a JSON object from their header to ours, such as"
              + " {\"Booking dt\": \"date\"}.");
    }
  }

  private static Upload upload(MultipartFile file) {
    String sent = file.getOriginalFilename();
    String name = sent == null || sent.isBlank() ? "file.csv" : sent.replaceAll(".*[/\\\\]", "");
    return new Upload() {
      @Override
      public String name() {
        return name.length() <= 255 ? name : name.substring(0, 255);
      }

      @Override
      public InputStream open() throws IOException {
        return file.getInputStream();
      }
    };
  }
}
