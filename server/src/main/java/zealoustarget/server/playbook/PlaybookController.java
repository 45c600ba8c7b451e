package zealoustarget.server.playbook;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
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

  /** All rules in force, defaults included. */
  @GetMapping
  PlaybookAnswer get() {
    return PlaybookAnswer.of(playbooks.current());
  }

  /**
   * Applies a file with any of the parts, all or nothing. 400 {@code playbook-invalid} names the
   * place; 409 {@code measure-in-use}.
   */
  @PutMapping
  PlaybookAnswer put(@RequestBody JsonNode file) {
    return PlaybookAnswer.of(playbooks.apply(file));
  }
}
