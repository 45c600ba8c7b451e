package zealoustarget.server.approval;

import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code approval}. */
final class ApprovalWords {
  static final String GIVE_REASON_FOR_DECLINING = "Give a reason for declining.";
  static final String OWN_PROPOSAL =
      "You made this proposal, so another person has to accept or decline it. You can withdraw"
          + " it.";
  static final String APPROVER_ACCEPTS_OR_DECLINES_PROPOSALS =
      "An approver accepts or declines proposals.";

  private ApprovalWords() {}

  static String proposalToAcceptOrDecline(String subject) {
    return "Proposal to accept or decline: " + subject;
  }

  static String proposes(String maker, String subject, String company) {
    return maker
        + " proposes: "
        + subject
        + ".\n\nNothing of it counts before an approver accepts it. Open Proposals in "
        + company
        + "'s Zealous Target to see what would change, and accept it or decline it with a"
        + " reason.\n";
  }

  static String proposal(String state, String subject) {
    return "Proposal " + state + ": " + subject;
  }

  static String decided(String state, @Nullable String decidedBy, @Nullable String because) {
    return "Your proposal was "
        + state
        + " by "
        + decidedBy
        + (because == null ? "" : ", because: " + because)
        + ".\n";
  }

  static String proposalMustBeRenewed(String stale) {
    return stale + " The proposal must be renewed. Nothing was changed.";
  }

  static String reasonHasAtMostCharacters(int longestReason) {
    return "A reason has at most " + longestReason + " characters.";
  }

  static String onlyMakerWithdraws(String maker) {
    return "Only " + maker + ", who made it, can withdraw it.";
  }

  static String because(String now, @Nullable String because) {
    return now + (because == null ? "" : ", because: " + because);
  }

  static String proposalOf(Integer id, String maker, String subject) {
    return "proposal " + id + " of " + maker + ": " + subject;
  }

  static String noProposal(int id) {
    return "There is no proposal " + id + ".";
  }

  static String decidedAlready(String state, @Nullable String decidedBy) {
    return "The proposal was " + state + " by " + decidedBy + ". Nothing was changed.";
  }
}
