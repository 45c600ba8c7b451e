package zealoustarget.server.standing.view;

import io.swagger.v3.oas.annotations.Parameter;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.server.standing.closeup.CloseUpAnswer;
import zealoustarget.server.standing.closeup.CloseUpService;
import zealoustarget.server.standing.closeup.CorrectionsAnswer;
import zealoustarget.server.standing.closeup.PathAnswer;
import zealoustarget.server.standing.closeup.ProofAnswer;
import zealoustarget.server.standing.insights.InsightService;
import zealoustarget.server.standing.orders.OrderService;
import zealoustarget.server.standing.orders.OrdersAnswer;
import zealoustarget.server.standing.query.NarrowingReader;
import zealoustarget.server.standing.query.StandingParameters;

/** Who is ahead, who is behind, and how each figure came about. Parses and maps only. */
@RestController
@RequestMapping("/api/v1")
class StandingController {
  private static final int MOST_ROWS = 500;

  private final StandingService standings;
  private final CloseUpService closeUps;
  private final InsightService claims;
  private final OrderService orders;

  StandingController(
      StandingService standings,
      CloseUpService closeUps,
      InsightService claims,
      OrderService orders) {
    this.standings = standings;
    this.closeUps = closeUps;
    this.claims = claims;
    this.orders = orders;
  }

  /** The standing of an axis for a span; 400 {@code value-unknown} names the values allowed. */
  @GetMapping("/standing")
  StandingAnswer standing(@ParameterObject @ModelAttribute StandingParameters query) {
    return standings.standing(query);
  }

  /** The span's months side by side: members down, months across, totals both ways. */
  @GetMapping("/standing/sheet")
  SpanSheetAnswer sheet(@ParameterObject @ModelAttribute StandingParameters query) {
    return standings.sheet(query);
  }

  /**
   * The standing row by row beside another: {@code with} is {@code before} (the span before),
   * {@code year} (the same months a year before) or {@code load:NUMBER} (without that load).
   */
  @GetMapping("/standing/comparison")
  ComparisonAnswer comparison(
      @ParameterObject @ModelAttribute StandingParameters query, @RequestParam String with) {
    return standings.comparison(query, with);
  }

  /** Up to five sentences that the rows back, and the reasons noted for the shortfall. */
  @GetMapping("/standing/claims")
  InsightService.ClaimsAnswer claims(@ParameterObject @ModelAttribute StandingParameters query) {
    return claims.claims(query);
  }

  /** Who would change status under another ladder; nothing is changed. */
  @PostMapping("/standing/trial")
  InsightService.TrialAnswer trial(
      @ParameterObject @ModelAttribute StandingParameters query, @RequestBody JsonNode ladder) {
    return claims.trial(query, ladder);
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
    checkPage(page, size);
    return closeUps.proof(key, query.on(axis), page, size);
  }

  /**
   * Rank and movement, the rungs ahead, what the variance is made of; key {@code *} is the total.
   */
  @GetMapping("/standing/{axis}/{key}/close-up")
  CloseUpAnswer closeUp(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query) {
    return closeUps.closeUp(key, query.on(axis));
  }

  /**
   * A member's months in the fiscal year in which the span ends; key {@code *} is the total. With
   * {@code atOrAbove}, a percent-to-goal as a ratio, also each month among all members.
   */
  @GetMapping("/standing/{axis}/{key}/path")
  PathAnswer path(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query) {
    return closeUps.path(
        key, query.on(axis), NarrowingReader.limit("atOrAbove", query.atOrAbove()));
  }

  /**
   * What was posted for closed months of a row since they were closed, or with the key {@code *} of
   * the total; a page of its lines.
   */
  @GetMapping("/standing/{axis}/{key}/corrections")
  CorrectionsAnswer corrections(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(defaultValue = "0") int page,
      @Parameter(description = "lines per page, 1 to 500") @RequestParam(defaultValue = "50")
          int size) {
    checkPage(page, size);
    return closeUps.corrections(key, query.on(axis), page, size);
  }

  /**
   * The orders behind a row, a page of them, each with its lines and against the goal that its file
   * brings beside it or, with {@code threshold}, the goal of its rep and month in that set. Sorted
   * by {@code date}, {@code amount}, {@code variance} or {@code rep}, falling with a minus before.
   */
  @GetMapping("/standing/{axis}/{key}/orders")
  OrdersAnswer orders(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) String threshold,
      @RequestParam(defaultValue = "false") boolean onlyMet,
      @RequestParam(required = false) String sort,
      @RequestParam(defaultValue = "0") int page,
      @Parameter(description = "orders per page, 1 to 500") @RequestParam(defaultValue = "50")
          int size) {
    checkPage(page, size);
    return orders.orders(key, query.on(axis), threshold, onlyMet, sort, page, size);
  }

  /** The company's months of a fiscal year, with their state. */
  @GetMapping("/months")
  PathAnswer months(
      @RequestParam int year, @ParameterObject @ModelAttribute StandingParameters query) {
    if (year < 1990 || year > 2100) {
      throw Refusal.of("value-unknown", ViewWords.YEAR_IS_FISCAL).with("name", "year");
    }
    return closeUps.strip(year, query);
  }

  private static void checkPage(int page, int size) {
    if (page < 0 || size < 1 || size > MOST_ROWS) {
      throw Refusal.of("value-unknown", ViewWords.PAGE_OUT_OF_RANGE)
          .with("name", page < 0 ? "page" : "size");
    }
  }
}
