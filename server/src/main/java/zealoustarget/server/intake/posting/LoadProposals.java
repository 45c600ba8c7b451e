package zealoustarget.server.intake.posting;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.approval.ProposalKind;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.approval.Proposals;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.RulesService;

/**
 * Posts and reverses loads, or proposes it where they bring goals and goals take a second person: a
 * file is no way around one.
 */
@Component
class LoadProposals implements ProposalWork {
  private final LoadService loads;
  private final LoadStore store;
  private final Proposals proposals;
  private final RulesService companyRules;
  private final DataState state;
  private final JsonMapper json;

  LoadProposals(
      LoadService loads,
      LoadStore store,
      Proposals proposals,
      RulesService companyRules,
      DataState state,
      JsonMapper json) {
    this.loads = loads;
    this.store = store;
    this.proposals = proposals;
    this.companyRules = companyRules;
    this.state = state;
    this.json = json;
  }

  /**
   * How a load is to be posted, or that it is to be reversed.
   *
   * @param ground digest of the lines that were proposed; null for a reversal
   */
  record Content(
      int load,
      boolean isLeavingHeld,
      @Nullable String because,
      PostMode mode,
      boolean isCorrecting,
      @Nullable String ground) {}

  /**
   * Posts a load; refused as {@link LoadService#post}.
   *
   * @return what waits for a second person; null where it is posted
   */
  @Nullable ProposalAnswer post(
      int id,
      boolean isLeavingHeld,
      @Nullable String because,
      PostMode mode,
      boolean isCorrecting) {
    if (!isProposed(id)) {
      loads.post(id, isLeavingHeld, because, mode, isCorrecting);
      return null;
    }
    return state.getInTurn(
        () -> {
          String ground = loads.ground(id, isLeavingHeld, because, isCorrecting);
          return propose(
              ProposalKind.LOAD,
              new Content(id, isLeavingHeld, because, mode, isCorrecting, ground));
        });
  }

  /** Reverses a load; as {@link #post}. */
  @Nullable ProposalAnswer reverse(int id, boolean isCorrecting) {
    if (!isProposed(id)) {
      loads.reverse(id, isCorrecting);
      return null;
    }
    return state.getInTurn(
        () -> {
          loads.checkReverse(id, isCorrecting);
          return propose(
              ProposalKind.REVERSAL,
              new Content(id, false, null, PostMode.ADD, isCorrecting, null));
        });
  }

  /** Goals also come beside actuals. */
  private boolean isProposed(int id) {
    LoadEntity load = store.get(id);
    return (load.kind == LoadKind.GOALS || load.goalSet != null)
        && proposals.isNeeded(companyRules.current().approval().goals());
  }

  private ProposalAnswer propose(ProposalKind kind, Content content) {
    LoadEntity load = store.get(content.load());
    return proposals.propose(
        kind,
        PostingWords.postLoadReverseLoad(kind == ProposalKind.LOAD, load.id, load.fileName),
        json.writeValueAsString(content),
        () -> {});
  }

  @Override
  public Set<ProposalKind> kinds() {
    return Set.of(ProposalKind.LOAD, ProposalKind.REVERSAL);
  }

  private Content read(String content) {
    return json.readValue(content, Content.class);
  }

  @Override
  public Outline outline(ProposalKind kind, String content) {
    int id = read(content).load();
    LoadEntity load = store.find(id).orElse(null);
    if (load == null) {
      return new Outline(0, List.of(), id);
    }
    String lines = PostingWords.linesOf(load.ready);
    boolean isPost = kind == ProposalKind.LOAD;
    return new Outline(
        load.ready,
        List.of(new Line(load.fileName, isPost ? null : lines, isPost ? lines : null)),
        id);
  }

  @Override
  public List<String> stale(ProposalKind kind, String content) {
    Content proposed = read(content);
    LoadEntity load = store.find(proposed.load()).orElse(null);
    if (load == null) {
      return List.of(PostingWords.loadWasDiscardedSince(proposed.load()));
    }
    LoadState due = kind == ProposalKind.LOAD ? LoadState.STAGED : LoadState.POSTED;
    if (load.state != due) {
      return List.of(PostingWords.loadIsByNow(load.id, load.state.word()));
    }
    try {
      if (kind == ProposalKind.REVERSAL) {
        loads.checkReverse(load.id, proposed.isCorrecting());
      } else if (!loads
          .ground(load.id, proposed.isLeavingHeld(), proposed.because(), proposed.isCorrecting())
          .equals(proposed.ground())) {
        return List.of(PostingWords.linesOfLoadWereChangedSince(load.id));
      }
    } catch (Refusal refusal) {
      return List.of(refusal.getMessage());
    }
    return List.of();
  }

  /** What a load changes is shown on its own page. */
  @Override
  public Effect effect(ProposalKind kind, String content) {
    return Effect.NONE;
  }

  @Override
  public Integer apply(ProposalKind kind, String content, String maker, Runnable together) {
    Content proposed = read(content);
    if (kind == ProposalKind.REVERSAL) {
      loads.reverseInTurn(proposed.load(), proposed.isCorrecting(), together);
    } else {
      loads.postInTurn(
          proposed.load(),
          proposed.isLeavingHeld(),
          proposed.because(),
          proposed.mode(),
          proposed.isCorrecting(),
          together);
    }
    return proposed.load();
  }
}
