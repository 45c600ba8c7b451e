package zealoustarget.server.briefing;

import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code briefing}. */
final class BriefingWords {
  static final String DRAFT_NOT_SIGNED = "Draft, not signed\n";
  static final String PREPARED_BY = "\nPrepared by ";
  static final String SIGNED_BY = "Signed by ";
  static final String VIEW_IS_GONE = "  This view can no longer be read.\n";
  static final String LAST_YEAR = "last year";
  static final String WHAT_EACH_REASON_COSTS = "What each reason costs, month by month";
  static final String WHERE_OPEN_DEALS_WOULD_TAKE_QUARTER =
      "Where the open deals would take the quarter";
  static final String COMMISSION_DUE_BY_REP = "Commission due by rep";
  static final String CORRECTED_SINCE_CLOSE =
      "Since these months were closed, {lines} lines worth {sum} were corrected.";
  static final String NO_MAIL_SERVER =
      "No mail server is set (zealous.mail.host). Take the PDF along instead.";
  static final String EXHIBIT_NEEDS_VIEW = "An exhibit needs a view.";
  static final String BLOCK_IS_CLAIM_EXHIBIT_OR_TEXT = "A block is a claim, an exhibit or a text.";
  static final String SIGNED_BRIEFING_DOES_NOT_CHANGE =
      "A signed briefing does not change. Draft another one; it names what has moved.";
  static final String FIGURE_IS_GONE =
      "A figure of this claim can no longer be read. Remove the claim, or keep it as it was.";
  static final String WHY_IT_STAYS = "why it stays as it was";
  static final String HANDED_OVER_TO_BE_SIGNED = "handed over to be signed";
  static final String ONE_CLAIM_DOES_NOT_HOLD =
      "One claim does not hold. Take its new figures, or keep it as it was with a reason.";
  static final String APPROVER_SIGNS_OR_DECLINES_BRIEFING =
      "An approver signs or declines a briefing.";
  static final String WHY_IT_IS_DECLINED = "why it is declined";
  static final String WHAT_YOU_REMARK = "what you remark";
  static final String YOUR_ANSWER = "your answer";
  static final String LAST_MONTH_IS_BEFORE_FIRST = "The last month is before the first. Swap them.";
  static final String ZEALOUS_TARGET = "Zealous Target";
  static final String NOT_SIGNED = "Draft, not signed";
  static final String AS_IT_IS_READ = "As it is read";
  static final String OF_GOAL = "% of goal";
  static final String EARNINGS_CLOSED = "Earnings, closed";
  static final String EARNINGS_NOT_CLOSED_YET = "Earnings, not closed yet";
  static final String NO_REASON_NOTED = "No reason noted";
  static final String SHORTFALLS_BY_REASON_NOTED = "Shortfalls by the reason noted";
  static final String EXPECTED_OF_GOAL = "Expected, % of goal";
  static final String EXPECTED_STATUS = "Expected status";
  static final String MOVED_IN = "Moved in";
  static final String OPEN_BEFORE = "Open before";
  static final String MOVED_OUT = "Moved out";
  static final String OPEN_AFTER = "Open after";
  static final String OPEN_DEALS_BETWEEN_TWO_SNAPSHOTS = "Open deals between two snapshots";
  static final String EXACTLY_AT = "exactly at";
  static final String LINES_NOT_COUNTED =
      "Lines of staged files that are not counted here: {lines}.";
  static final String OF_QUOTA = "% of quota";
  static final String FOLLOW_UP_OPEN = "open";
  static final String FOLLOW_UP_DONE = "done";
  static final String NOTED_ABOUT_VARIANCES = "noted about variances";
  static final String WHAT_IS_DONE = "What is done";
  static final String WHAT_WAS_AGREED = "What was agreed to be done";
  static final String HOW_PAY_CLIMBS = "How pay climbs with sales, rep by rep";
  static final String FOLLOW_UPS_AGREED_OPEN =
      "Follow-ups that were agreed: {agreed}; still open: {open}.";

  private BriefingWords() {}

  static String unknownPart(String parts) {
    return "Parts of a template are " + parts + ".";
  }

  static String nameHasToCharacters(int longestName) {
    return "A name has 1 to " + longestName + " characters.";
  }

  static String unknownRhythm(String times) {
    return "Say when it is sent (" + times + ") and to whom.";
  }

  static String draft(String title, boolean isDraft) {
    return title + (isDraft ? " draft" : "");
  }

  static String noPart(String part) {
    return "no part " + part;
  }

  static String total(String spanName, String verb, String goalWord, String word) {
    return spanName
        + " "
        + verb
        + " {pct} {side} "
        + goalWord
        + ": {actual} against {goal}. Of {all} "
        + word
        + " {reached} reached theirs.";
  }

  static String waiting(String word) {
    return "{wait} of the " + word + " wait for a file that has not come; here they count as 0.";
  }

  static String allAgainst(String word, String goalWord) {
    return "All " + word + " against " + goalWord;
  }

  static String extreme(String verb, String goalWord, boolean isShort) {
    return "{name} "
        + verb
        + " {pct} {side} "
        + goalWord
        + ", "
        + (isShort ? "the largest shortfall" : "the largest excess")
        + ": {gap}.";
  }

  static String monthByMonth(String name) {
    return name + ", month by month";
  }

  static String reasonCosts(String name) {
    return name + " accounts for {gap} of the shortfall.";
  }

  static String outlook(String quarter, String goalWord) {
    return quarter
        + " is expected to end at {expected}, {pct} of "
        + goalWord
        + "; {open} is open in {deals} deals.";
  }

  static String pay(String month) {
    return month + " pays {due} of commission to {reps} reps.";
  }

  static String hasNoAccountWithMailAddress(String name) {
    return "\"" + name + "\" has no account with a mail address. Nothing was sent.";
  }

  static String isNotAxisOfMembers(@Nullable String axis) {
    return "\"" + axis + "\" is not an axis of members.";
  }

  static String no(@Nullable String axis, @Nullable String key) {
    return "There is no " + axis + " \"" + key + "\".";
  }

  static String noTemplate(@Nullable String template) {
    return "There is no template \"" + template + "\".";
  }

  static String isNoAnalystOrApprover(String name) {
    return "\"" + name + "\" is not an analyst or approver. Nobody was asked.";
  }

  static String toBeReviewed(String names) {
    return "to be reviewed by " + names;
  }

  static String briefingHasAtMostBlocks(int mostBlocks) {
    return "A briefing has at most " + mostBlocks + " blocks.";
  }

  static String blockStandsTwice(String id) {
    return "Block \"" + id + "\" stands twice.";
  }

  static String blockNeedsText(int longestText) {
    return "A block needs a text of 1 to " + longestText + " characters.";
  }

  static String figureIsBoundToNothing(String field) {
    return "The figure {" + field + "} is bound to nothing. Remove it, or bind it anew.";
  }

  static String nothingWasSaved(String words) {
    return words + " Nothing was saved.";
  }

  static String keptClaim(String reason) {
    return "kept a claim as it was: " + reason;
  }

  static String sayInUpToCharacters(String words, int most) {
    return "Say " + words + ", in up to " + most + " characters.";
  }

  static String claimsDoNotHold(int claims) {
    return claims
        + " claims do not hold. Take their new figures, or keep them as they were with a"
        + " reason.";
  }

  static String onlyHandedOver(String state) {
    return "The briefing is " + state + "; only one that was handed over is signed.";
  }

  static String declinedBecause(String reason) {
    return "declined, because: " + reason;
  }

  static String briefingHasNoBlock(@Nullable String block) {
    return "The briefing has no block \"" + block + "\".";
  }

  static String noBriefing(int id) {
    return "There is no briefing " + id + ". Load the list again.";
  }

  static String changedBriefingSinceYouRead(String changedBy) {
    return changedBy
        + " changed the briefing since you read it. Load it again; your change was not saved.";
  }

  static String briefing(String title) {
    return "briefing " + title;
  }

  static String noRemark(int id) {
    return "There is no remark " + id + ". Load the briefing again.";
  }

  static String toBeSent(String address) {
    return "to be sent to " + address;
  }

  static String schedule(String rhythm) {
    return "schedule " + rhythm;
  }

  static String template(String name) {
    return "template " + name;
  }

  static String signedBy(@Nullable String signed) {
    return "Signed by " + signed;
  }

  static String checksum(@Nullable String checksum) {
    return "Checksum " + checksum;
  }

  static String wasPosted(String file) {
    return file + " was posted";
  }

  static String wasPostedAndReversed(String file, boolean isPosted) {
    return file + (isPosted ? " was posted" : " was reversed");
  }

  static String wereChanged(String subject, String by) {
    return subject + " were changed by " + by;
  }

  static String andMoreChanges(String named, int all, int most, int more) {
    return named + (all > most ? " and " + more + " more changes" : "");
  }

  static String fiscal(int year) {
    return "Fiscal " + year;
  }

  static String monthsAgainst(String name, String goal) {
    return name + ", months against " + goal;
  }

  static String outlookDeals(String day) {
    return "Outlook, deals as of " + day;
  }

  static String to(@Nullable String since, @Nullable String asOf) {
    return since + " to " + asOf;
  }

  static String standing(String goal) {
    return "Standing, " + goal;
  }

  static String everybodyWithRole(String role) {
    return "everybody with the role " + role;
  }

  static String nobodyHasMailAddress(String roles) {
    return roles.isEmpty()
        ? "Choose who gets it. Nothing was sent."
        : "No account with the role " + roles + " has a mail address. Nothing was sent.";
  }

  static String tooLongForPdf(int rows, int most) {
    return "The briefing has "
        + rows
        + " rows in its exhibits, more than the "
        + most
        + " of a PDF. Remove exhibits, or download the web page or the workbook.";
  }
}
