package zealoustarget.server.briefing;

import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.briefing.PageAnswer.BlockAnswer;
import zealoustarget.server.platform.CompanyName;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.state.DataState;

/** Has briefings reviewed, handed over, signed or declined. */
@Service
class BriefingSigning {
  private final BriefingStore store;
  private final BriefingReader reader;
  private final AccountStore accounts;
  private final CompanyName company;
  private final DataState state;
  private final JsonMapper json;

  BriefingSigning(
      BriefingStore store,
      BriefingReader reader,
      AccountStore accounts,
      CompanyName company,
      DataState state,
      JsonMapper json) {
    this.store = store;
    this.reader = reader;
    this.accounts = accounts;
    this.company = company;
    this.state = state;
    this.json = json;
  }

  /**
   * Asks people to review a briefing, in place of those asked before.
   *
   * @throws Refusal briefing-signed, account-unknown for who cannot read briefings
   */
  PageAnswer askToReview(int id, List<String> names) {
    List<String> found =
        names.stream()
            .map(
                name ->
                    accounts
                        .findByName(name)
                        .filter(one -> !one.isDisabled() && one.role().seesEverything())
                        .map(Account::name)
                        .orElseThrow(
                            () ->
                                Refusal.of(
                                    "account-unknown", BriefingWords.isNoAnalystOrApprover(name))))
            .distinct()
            .toList();
    store.change(
        id,
        null,
        BriefingWords.toBeReviewed(String.join(", ", found)),
        one -> {
          BriefingService.checkOpen(one);
          one.reviewers = String.join("\n", found);
        });
    return reader.page(id);
  }

  /** Hands a briefing over to be signed; briefing-moved while a claim does not hold. */
  PageAnswer hand(int id, @Nullable String tag, @Nullable String signer) {
    checkHolds(reader.page(id));
    store.change(
        id,
        tag,
        BriefingWords.HANDED_OVER_TO_BE_SIGNED,
        one -> {
          BriefingService.checkOpen(one);
          one.state = "handed";
          one.signer = signer == null || signer.isBlank() ? null : signer.strip();
          one.because = null;
        });
    return reader.page(id);
  }

  private static void checkHolds(PageAnswer page) {
    if (page.moved() + page.voids() > 0) {
      throw Refusal.of(
          "briefing-moved",
          page.moved() + page.voids() == 1
              ? BriefingWords.ONE_CLAIM_DOES_NOT_HOLD
              : BriefingWords.claimsDoNotHold(page.moved() + page.voids()));
    }
  }

  private void checkMaySign(BriefingEntity briefing) {
    if (!reader.maySign(briefing)) {
      throw briefing.state.equals("handed")
          ? Refusal.of("another-person", BriefingWords.APPROVER_SIGNS_OR_DECLINES_BRIEFING)
          : Refusal.of("briefing-not-handed", BriefingWords.onlyHandedOver(briefing.state));
    }
  }

  /**
   * Signs a briefing as it is read now.
   *
   * @throws Refusal briefing-not-handed, another-person, briefing-moved, changed-since
   */
  PageAnswer sign(int id, @Nullable String tag) {
    PageAnswer page = reader.page(id);
    checkMaySign(store.get(id));
    checkHolds(page);
    store.change(
        id,
        tag,
        "signed",
        one -> {
          one.state = "signed";
          one.signedBy = Audit.who();
          one.signedAt = store.now().truncatedTo(ChronoUnit.MILLIS);
          one.signed = json.writeValueAsString(toKeep(one, page));
          one.checksum = Sha256.of(one.signed);
        });
    state.changed();
    return reader.page(id);
  }

  private Kept toKeep(BriefingEntity one, PageAnswer page) {
    Map<String, BlockAnswer> read = new HashMap<>();
    page.blocks().forEach(block -> read.put(block.id(), block));
    return new Kept(
        company.get(),
        one.title,
        page.from(),
        page.to(),
        one.madeBy,
        String.valueOf(one.signedBy),
        String.valueOf(one.signedAt),
        reader.blocks(one).stream()
            .map(
                block ->
                    new Kept.KeptBlock(
                        block,
                        BriefingReader.sentence(block),
                        Objects.requireNonNull(read.get(block.id())).data()))
            .toList());
  }

  /** Declines a briefing with a reason; it is a draft again. */
  PageAnswer decline(int id, @Nullable String because) {
    String reason =
        BriefingService.text(
            "because", BriefingWords.WHY_IT_IS_DECLINED, because, BriefingService.LONGEST_REASON);
    checkMaySign(store.get(id));
    store.change(
        id,
        null,
        BriefingWords.declinedBecause(reason),
        one -> {
          one.state = "declined";
          one.because = reason;
        });
    return reader.page(id);
  }
}
