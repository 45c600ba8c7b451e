package zealoustarget.server.approval;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What a feature does with the proposals of its kinds. */
public interface ProposalWork {
  /**
   * One change in words.
   *
   * @param before null where there was nothing
   * @param after null where nothing is left
   */
  record Line(String subject, @Nullable String before, @Nullable String after) {}

  /**
   * What a proposal would change.
   *
   * @param changes how many there are
   * @param lines the first of them
   * @param load the load that it is about; null for none
   */
  record Outline(int changes, List<Line> lines, @Nullable Integer load) {}

  /**
   * What would come of it.
   *
   * @param sentence in one sentence; null where there is nothing to say
   * @param moves rows whose status would change
   * @param pay reps whose pay would change
   */
  record Effect(@Nullable String sentence, List<Line> moves, List<Line> pay) {
    public static final Effect NONE = new Effect(null, List.of(), List.of());
  }

  Set<ProposalKind> kinds();

  Outline outline(ProposalKind kind, String content);

  /** What speaks against it by now, in sentences; empty while it can be accepted. */
  List<String> stale(ProposalKind kind, String content);

  Effect effect(ProposalKind kind, String content);

  /**
   * Does what was proposed; whoever accepts has the turn.
   *
   * @param maker name of whoever proposed it
   * @param together what is stored in the same transaction, run once
   * @return the load that it made or posted; null for none
   * @throws zealoustarget.core.Refusal changed-since where the ground has moved
   */
  @Nullable Integer apply(ProposalKind kind, String content, String maker, Runnable together);

  /**
   * Gives a proposal that was declined or withdrawn back to whoever made it.
   *
   * @param makerId account of whoever proposed it
   */
  default void giveBack(ProposalKind kind, String content, int makerId) {}
}
