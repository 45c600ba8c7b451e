package zealoustarget.server.approval;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What waits for a second person. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/proposals")
class ProposalController {
  private final Proposals proposals;

  ProposalController(Proposals proposals) {
    this.proposals = proposals;
  }

  /** Why a proposal is declined. */
  record DeclineBody(@Nullable String because) {}

  /** Those that wait, the latest first, then those decided last. */
  @GetMapping
  List<ProposalAnswer> all() {
    return proposals.all();
  }

  /** One with what would come of it; 404 {@code proposal-unknown}. */
  @GetMapping("/{id}")
  ProposalAnswer one(@PathVariable int id) {
    return proposals.one(id);
  }

  /**
   * Accepts it, all or nothing. 403 {@code own-proposal}, {@code not-allowed}; 409 {@code
   * proposal-decided}; 412 {@code changed-since} where its ground has moved.
   */
  @PostMapping("/{id}/accept")
  ProposalAnswer accept(@PathVariable int id) {
    return proposals.accept(id);
  }

  /** Declines it with a reason, as a parameter or in the body; refused as accepting is. */
  @PostMapping("/{id}/decline")
  ProposalAnswer decline(
      @PathVariable int id,
      @RequestParam(required = false) String because,
      @RequestBody(required = false) DeclineBody body) {
    return proposals.decline(id, because == null && body != null ? body.because() : because);
  }

  /** Takes back what one has proposed oneself; 403 {@code not-allowed}. */
  @DeleteMapping("/{id}")
  ProposalAnswer withdraw(@PathVariable int id) {
    return proposals.withdraw(id);
  }
}
