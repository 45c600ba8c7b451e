package zealoustarget.server.outlook;

import io.swagger.v3.oas.annotations.Parameter;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;
import zealoustarget.server.outlook.DealsAnswer.HistoryAnswer;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.StandingParameters;

/** Where open deals would take a span, and the deals behind it. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/outlook")
class OutlookController {
  private static final int MOST_ROWS = 500;

  private final OutlookService outlooks;
  private final DealsService deals;
  private final OverrideService overrides;

  OutlookController(OutlookService outlooks, DealsService deals, OverrideService overrides) {
    this.overrides = overrides;
    this.outlooks = outlooks;
    this.deals = deals;
  }

  /**
   * The outlook of an axis for a span; the query is that of the standing, but {@code asOf} is the
   * day of a snapshot: the latest at or before it counts, of each source. {@code tryDeal} tries
   * open deals at another likelihood ({@code D-104:0.9}) or left out ({@code D-104:out}).
   */
  @GetMapping
  OutlookAnswer outlook(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) @Nullable List<String> tryDeal) {
    return outlooks.outlook(query, tryDeal);
  }

  /**
   * What became of the open deals between the snapshots of two days, by default of the latest and
   * the one before; of one member, or without a key of everything. 400 {@code snapshot-unknown}.
   */
  @GetMapping("/bridge")
  BridgeAnswer bridge(
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) @Nullable String key,
      @RequestParam(required = false) @Nullable String since) {
    String member = key == null || key.isBlank() ? QueryReader.TOTAL : key;
    return deals.bridge(query.axis(), member, query, since);
  }

  /**
   * Deals of a row, or with the key {@code *} of all, the largest first. {@code kind} is open,
   * overdue, or a step since the snapshot before: new, moved-in, raised, lowered, won, lost,
   * moved-out, gone.
   */
  @GetMapping("/{axis}/{key}/deals")
  DealsAnswer deals(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(defaultValue = "open") String kind,
      @RequestParam(required = false) @Nullable String since,
      @RequestParam(defaultValue = "0") int page,
      @Parameter(description = "deals per page, 1 to 500") @RequestParam(defaultValue = "50")
          int size) {
    if (page < 0 || size < 1 || size > MOST_ROWS) {
      throw Refusal.of("value-unknown", OutlookWords.PAGE_OUT_OF_RANGE)
          .with("name", page < 0 ? "page" : "size");
    }
    return deals.deals(axis, key, query, kind, since, page, size);
  }

  /**
   * Overrides values of an open deal of the latest snapshot, with a reason: 204; 400 {@code
   * override-invalid}, 404 {@code deal-unknown}, 409 {@code deal-not-open}. A rep may do so with
   * own deals.
   */
  @PutMapping("/deals/{deal}/override")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void override(@PathVariable String deal, @RequestBody OverrideService.Wanted wanted) {
    overrides.override(deal, wanted);
  }

  /** Takes back whatever is overridden of a deal: 204. */
  @DeleteMapping("/deals/{deal}/override")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable String deal, @RequestParam(required = false) @Nullable String source) {
    overrides.takeBack(deal, source);
  }

  /**
   * How good earlier snapshots were, of a row or with the key {@code *} of all: what they expected
   * against what came, the share won by stated likelihood, the slip in months.
   */
  @GetMapping("/{axis}/{key}/accuracy")
  AccuracyAnswer accuracy(
      @PathVariable String axis,
      @PathVariable String key,
      @ParameterObject @ModelAttribute StandingParameters query) {
    return deals.accuracy(axis, key, query);
  }

  /** What each snapshot of a source says of one deal, latest first; 404 {@code deal-unknown}. */
  @GetMapping("/deals/{deal}/history")
  HistoryAnswer history(
      @PathVariable String deal,
      @ParameterObject @ModelAttribute StandingParameters query,
      @RequestParam(required = false) @Nullable String source) {
    return deals.history(deal, source, query);
  }
}
