package zealoustarget.server.rules;

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
@RequestMapping({"/api/v1/rules", "/api/v1/playbook"}) // the second is their earlier name
class RulesController {
  private final RulesService companyRules;

  RulesController(RulesService companyRules) {
    this.companyRules = companyRules;
  }

  /** All rules in force, defaults included, with their entity tag. */
  @GetMapping
  ResponseEntity<RulesAnswer> get() {
    return answer(companyRules.current());
  }

  /**
   * Applies a file with any of the parts, all or nothing. 400 {@code playbook-invalid} names the
   * place; 409 {@code measure-in-use}; 412 {@code changed-meanwhile} where {@code If-Match} names
   * other rules than those in force.
   */
  @PutMapping
  ResponseEntity<RulesAnswer> put(
      @RequestBody JsonNode file,
      @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) String tag) {
    return answer(companyRules.apply(file, tag));
  }

  private ResponseEntity<RulesAnswer> answer(Rules rules) {
    return ResponseEntity.ok().eTag(companyRules.tag()).body(RulesAnswer.of(rules));
  }
}
