package zealoustarget.server.playbook;

import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The company's rules as one JSON file. */
@RestController
@RequestMapping("/api/v1/playbook")
class PlaybookController {
  private final PlaybookService playbooks;

  PlaybookController(PlaybookService playbooks) {
    this.playbooks = playbooks;
  }

  /** All rules in force, defaults included, with their entity tag. */
  @GetMapping
  ResponseEntity<PlaybookAnswer> get() {
    return answer(playbooks.current());
  }

  /**
   * Applies a file with any of the parts, all or nothing. 400 {@code playbook-invalid} names the
   * place; 409 {@code measure-in-use}; 412 {@code changed-meanwhile} where {@code If-Match} names
   * other rules than those in force.
   */
  @PutMapping
  ResponseEntity<PlaybookAnswer> put(
      @RequestBody JsonNode file,
      @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) String tag) {
    return answer(playbooks.apply(file, tag));
  }

  private ResponseEntity<PlaybookAnswer> answer(Playbook playbook) {
    return ResponseEntity.ok().eTag(playbooks.tag()).body(PlaybookAnswer.of(playbook));
  }
}
