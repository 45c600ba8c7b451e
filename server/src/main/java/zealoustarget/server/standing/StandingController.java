package zealoustarget.server.standing;

import io.swagger.v3.oas.annotations.Parameter;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;

/** Who is ahead, who is behind, and how each figure came about. Parses and maps only. */
@RestController
@RequestMapping("/api/v1")
class StandingController {
  private static final int MOST_ROWS = 500;

  private final StandingService standings;

  StandingController(StandingService standings) {
    this.standings = standings;
  }

  /** The standing of an axis for a span; 400 {@code value-unknown} names the values allowed. */
  @GetMapping("/standing")
  StandingAnswer standing(@ParameterObject @ModelAttribute StandingParameters query) {
    return standings.standing(query);
  }

  /**
   * The inputs, the deciding rung and the source rows of one member's reading, or with the key
   * {@code *} of the total; pages are numbered from 0.
   */
  @GetMapping("/standing/{axis}/{key}/proof")
  ProofAnswer proof(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(defaultValue = "0") int page,
      @Parameter(description = "rows per page, 1 to 500") @RequestParam(defaultValue = "50")
          int size) {
    if (page < 0 || size < 1 || size > MOST_ROWS) {
      throw Refusal.of("value-unknown", "\"page\" is 0 or more, \"size\" is 1 to 500.")
          .with("name", page < 0 ? "page" : "size");
    }
    return standings.proof(key, on(axis, query), page, size);
  }

  /** A member's months in the fiscal year in which the span ends; key {@code *} is the total. */
  @GetMapping("/standing/{axis}/{key}/path")
  PathAnswer path(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query) {
    return standings.path(key, on(axis, query));
  }

  /** The company's months of a fiscal year, with their state. */
  @GetMapping("/months")
  PathAnswer months(
      @RequestParam int year, @ParameterObject @ModelAttribute StandingParameters query) {
    if (year < 1990 || year > 2100) {
      throw Refusal.of("value-unknown", "\"year\" is a fiscal year such as 2027.")
          .with("name", "year");
    }
    return standings.strip(year, query);
  }

  private static StandingParameters on(String axis, StandingParameters query) {
    return new StandingParameters(
        axis,
        query.measure(),
        query.from(),
        query.to(),
        query.goalSet(),
        query.basis(),
        query.factor(),
        query.rep(),
        query.region(),
        query.product(),
        query.line(),
        query.manager());
  }
}
