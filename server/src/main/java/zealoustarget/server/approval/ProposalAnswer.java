package zealoustarget.server.approval;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.platform.http.WordsOf;

/**
 * A proposal.
 *
 * @param at when it was made, ISO 8601 in UTC
 * @param decidedBy null while it waits
 * @param because why it was declined
 * @param changes how many changes it holds
 * @param lines the first of them
 * @param stale what speaks against it by now, in sentences; empty while it can be accepted
 * @param load the load that it is about or that it made; null for none
 * @param mayDecide whether whoever asks may accept or decline it
 * @param isOwn whether whoever asks made it
 * @param effect what would come of it; null in lists and once it is decided
 */
public record ProposalAnswer(
    int id,
    @WordsOf(ProposalKind.class) String kind,
    String subject,
    String by,
    String at,
    @WordsOf(ProposalState.class) String state,
    @Nullable String decidedBy,
    @Nullable String decidedAt,
    @Nullable String because,
    int changes,
    List<ProposalWork.Line> lines,
    List<String> stale,
    @Nullable Integer load,
    boolean mayDecide,
    boolean isOwn,
    ProposalWork.@Nullable Effect effect) {}
