package zealoustarget.server.approval;

import java.util.Locale;

/** What is proposed. */
public enum ProposalKind {
  /** Changed cells of a goal sheet. */
  GOALS,
  /** Posting a load that brings goals. */
  LOAD,
  /** Taking such a load out again. */
  REVERSAL,
  RULES;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
