package zealoustarget.server.earnings.sealing;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.server.earnings.EarningsController;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.platform.http.Downloads;

/** Sealing months. */
@RestController
@RequestMapping("/api/v1/months/{month}")
class SealController {
  private final SealService service;

  SealController(SealService service) {
    this.service = service;
  }

  /** Whether a month is sealed, by whom and when; of an open one what to look at before. */
  @GetMapping("/seal")
  SealService.SealAnswer get(@PathVariable String month) {
    return service.answer(EarningsController.month(month));
  }

  /** What was frozen with the month, as JSON files in a ZIP; 409 month-not-sealed. */
  @GetMapping("/seal/snapshot.zip")
  ResponseEntity<StreamingResponseBody> snapshot(@PathVariable String month) {
    Seal seal = service.sealed(EarningsController.month(month));
    return Downloads.of(
        SealingWords.sealedZip(seal.month()),
        MediaType.parseMediaType("application/zip"),
        out -> SealFiles.write(seal, service.content(seal), out));
  }

  /**
   * Seals a month; 409 {@code month-sealed}, {@code month-not-ready}, and {@code month-not-checked}
   * while lines of its close list are open, where the rules or {@code requireChecked} ask for it.
   */
  @PostMapping("/seal")
  SealService.SealAnswer seal(
      @PathVariable String month, @RequestParam(defaultValue = "false") boolean requireChecked) {
    return service.seal(EarningsController.month(month), requireChecked);
  }

  /** Opens the last sealed month again; needs a reason, which stays on record. */
  @PostMapping("/unseal")
  SealService.SealAnswer unseal(
      @PathVariable String month, @RequestParam(required = false) String reason) {
    return service.unseal(EarningsController.month(month), reason);
  }

  /** What differs since it was sealed, old and new, with the lines; 409 month-not-sealed. */
  @GetMapping("/changed")
  SealService.Changed changed(@PathVariable String month) {
    return service.changed(EarningsController.month(month));
  }
}
