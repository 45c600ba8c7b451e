package zealoustarget.server.approval;

import java.util.Locale;

/** What became of a proposal. */
enum ProposalState {
  WAITING,
  ACCEPTED,
  DECLINED,
  /** Taken back by whoever made it. */
  WITHDRAWN;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
