package zealoustarget.server.approval;

import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.platform.state.DataState;

/** Keeps proposals, and has them done or given back. */
@Service
public class Proposals {
  private static final int MOST_DECIDED = 50;
  private static final int LONGEST_REASON = 400;
  private static final int LONGEST_SUBJECT = 300;

  private final ProposalRepository proposals;
  private final ObjectProvider<ProposalWork> works; // those need this in turn
  private final AccountStore accounts;
  private final ProposalMail mail;
  private final Audit audit;
  private final DataState state;
  private final TransactionTemplate transactions;
  private final Clock clock;

  Proposals(
      ProposalRepository proposals,
      ObjectProvider<ProposalWork> works,
      AccountStore accounts,
      ProposalMail mail,
      Audit audit,
      DataState state,
      TransactionTemplate transactions,
      Clock clock) {
    this.proposals = proposals;
    this.works = works;
    this.accounts = accounts;
    this.mail = mail;
    this.audit = audit;
    this.state = state;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * Whether a change has to be proposed.
   *
   * @param isSet whether the rules ask for a second person for its kind; that holds only where
   *     there is one
   */
  public boolean isNeeded(boolean isSet) {
    if (!isSet || !CurrentAccount.isSignedIn()) {
      return false;
    }
    int acting = CurrentAccount.account().id();
    return acting != 0 && !accounts.approversBeside(acting).isEmpty();
  }

  /**
   * Proposes a change; nothing of it counts before it is accepted.
   *
   * @param content as {@link ProposalWork} reads it
   * @param together what is stored in the same transaction
   */
  public ProposalAnswer propose(
      ProposalKind kind, String subject, String content, Runnable together) {
    Account maker = CurrentAccount.account();
    ProposalEntity proposal = new ProposalEntity();
    proposal.kind = kind;
    proposal.subject =
        subject.length() > LONGEST_SUBJECT ? subject.substring(0, LONGEST_SUBJECT) : subject;
    proposal.makerId = maker.id();
    proposal.maker = maker.name();
    proposal.madeAt = clock.instant();
    proposal.content = content;
    proposal.loadId = work(kind).outline(kind, content).load();
    transactions.executeWithoutResult(
        status -> {
          proposals.saveAndFlush(proposal);
          together.run();
          tell(proposal, "proposed");
        });
    mail.proposed(proposal, accounts.approversBeside(maker.id()));
    return answer(proposal, false);
  }

  /** Whether anything waits for a decision, whoever may see it. */
  public boolean isWaiting() {
    return proposals.existsByState(ProposalState.WAITING);
  }

  /** Those that wait, the latest first, then those decided last. */
  public List<ProposalAnswer> all() {
    return Stream.concat(
            proposals.findByStateOrderByIdDesc(ProposalState.WAITING).stream(),
            proposals
                .findByStateNotOrderByIdDesc(ProposalState.WAITING, PageRequest.of(0, MOST_DECIDED))
                .stream())
        .map(proposal -> answer(proposal, false))
        .toList();
  }

  /** One with its effect; proposal-unknown. */
  public ProposalAnswer one(int id) {
    return answer(find(id), true);
  }

  /**
   * Accepts a proposal, all or nothing.
   *
   * @throws Refusal proposal-unknown; own-proposal, not-allowed; proposal-decided; changed-since
   *     where its ground has moved, and as the change itself is refused
   */
  public ProposalAnswer accept(int id) {
    return state.getInTurn(() -> acceptAlone(id));
  }

  private ProposalAnswer acceptAlone(int id) {
    ProposalEntity proposal = deciding(id);
    ProposalWork work = work(proposal.kind);
    List<String> stale = work.stale(proposal.kind, proposal.content);
    if (!stale.isEmpty()) {
      throw Refusal.of(
          "changed-since", ApprovalWords.proposalMustBeRenewed(String.join(" ", stale)));
    }
    Integer load =
        work.apply(
            proposal.kind,
            proposal.content,
            proposal.maker,
            () -> decide(id, ProposalState.ACCEPTED, null));
    if (load != null) {
      transactions.executeWithoutResult(status -> find(id).loadId = load);
    }
    ProposalEntity accepted = find(id);
    mail.decided(accepted);
    return answer(accepted, false);
  }

  /**
   * Declines a proposal.
   *
   * @throws Refusal value-missing without a reason; else as {@link #accept}
   */
  public ProposalAnswer decline(int id, @Nullable String because) {
    return state.getInTurn(
        () -> {
          ProposalEntity proposal = deciding(id);
          if (because == null || because.isBlank()) {
            throw Refusal.of("value-missing", ApprovalWords.GIVE_REASON_FOR_DECLINING)
                .with("name", "because");
          }
          if (because.strip().length() > LONGEST_REASON) {
            throw Refusal.of(
                    "value-unknown", ApprovalWords.reasonHasAtMostCharacters(LONGEST_REASON))
                .with("name", "because");
          }
          return giveBack(proposal, ProposalState.DECLINED, because.strip());
        });
  }

  /** Takes a proposal back that whoever acts has made; proposal-unknown, not-allowed. */
  public ProposalAnswer withdraw(int id) {
    return state.getInTurn(
        () -> {
          ProposalEntity proposal = waiting(id);
          if (proposal.makerId != CurrentAccount.account().id()) {
            throw Refusal.of("not-allowed", ApprovalWords.onlyMakerWithdraws(proposal.maker));
          }
          return giveBack(proposal, ProposalState.WITHDRAWN, null);
        });
  }

  private ProposalAnswer giveBack(
      ProposalEntity proposal, ProposalState now, @Nullable String because) {
    transactions.executeWithoutResult(
        status -> {
          decide(proposal.id, now, because);
          work(proposal.kind).giveBack(proposal.kind, proposal.content, proposal.makerId);
        });
    ProposalEntity decided = find(proposal.id);
    if (now == ProposalState.DECLINED) {
      mail.decided(decided);
    }
    return answer(decided, false);
  }

  /** In a transaction. */
  private void decide(int id, ProposalState now, @Nullable String because) {
    ProposalEntity proposal = find(id);
    proposal.state = now;
    proposal.decidedBy = CurrentAccount.account().name();
    proposal.decidedAt = clock.instant();
    proposal.because = because;
    proposals.saveAndFlush(proposal);
    tell(proposal, ApprovalWords.because(now.word(), because));
  }

  private void tell(ProposalEntity proposal, String what) {
    audit.add(
        AuditKind.PROPOSAL,
        proposal.loadId,
        ApprovalWords.proposalOf(proposal.id, proposal.maker, proposal.subject),
        null,
        what);
  }

  private ProposalEntity find(int id) {
    return proposals
        .findById(id)
        .orElseThrow(() -> Refusal.of("proposal-unknown", ApprovalWords.noProposal(id)));
  }

  private ProposalEntity waiting(int id) {
    ProposalEntity proposal = find(id);
    if (proposal.state != ProposalState.WAITING) {
      throw Refusal.of(
          "proposal-decided",
          ApprovalWords.decidedAlready(proposal.state.word(), proposal.decidedBy));
    }
    return proposal;
  }

  /** One that whoever acts may accept or decline. */
  private ProposalEntity deciding(int id) {
    ProposalEntity proposal = find(id);
    Account acting = CurrentAccount.account();
    if (proposal.makerId == acting.id()) {
      throw Refusal.of("own-proposal", ApprovalWords.OWN_PROPOSAL);
    }
    if (acting.role() != Role.APPROVER) {
      throw Refusal.of("not-allowed", ApprovalWords.APPROVER_ACCEPTS_OR_DECLINES_PROPOSALS);
    }
    return waiting(id);
  }

  private ProposalAnswer answer(ProposalEntity proposal, boolean isWhole) {
    ProposalWork work = work(proposal.kind);
    boolean isWaiting = proposal.state == ProposalState.WAITING;
    ProposalWork.Outline outline = work.outline(proposal.kind, proposal.content);
    Account acting = CurrentAccount.account();
    boolean isOwn = proposal.makerId == acting.id();
    return new ProposalAnswer(
        proposal.id,
        proposal.kind.word(),
        proposal.subject,
        proposal.maker,
        proposal.madeAt.toString(),
        proposal.state.word(),
        proposal.decidedBy,
        proposal.decidedAt == null ? null : proposal.decidedAt.toString(),
        proposal.because,
        outline.changes(),
        outline.lines(),
        isWaiting ? work.stale(proposal.kind, proposal.content) : List.of(),
        proposal.loadId,
        isWaiting && !isOwn && acting.role() == Role.APPROVER,
        isOwn,
        isWhole && isWaiting ? work.effect(proposal.kind, proposal.content) : null);
  }

  private ProposalWork work(ProposalKind kind) {
    Optional<ProposalWork> work =
        works.stream().filter(one -> one.kinds().contains(kind)).findFirst();
    return Objects.requireNonNull(work.orElse(null), kind.word());
  }
}
