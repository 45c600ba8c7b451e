package zealoustarget.server.audit;

import java.util.Locale;

/** What was done. */
public enum AuditKind {
  LOAD_POSTED,
  LOAD_REVERSED,
  LOAD_DISCARDED,
  /** Cells rewritten, lines left out, control totals, how a file is read. */
  LOAD_CHANGED,
  /** One cell of a goal sheet. */
  GOAL_CHANGED,
  /** A goal set renamed, retired or taken back. */
  GOAL_SET,
  /** A name accepted for a member, or no longer. */
  NAME,
  NOTE,
  /** A value of a deal that is overridden, or is so no longer. */
  DEAL,
  SIGN_IN,
  /** Pay, backups and exports that somebody took along. */
  DOWNLOAD,
  /** A change that waits for a second person, and what became of it. */
  PROPOSAL,
  RULES_CHANGED,
  MONTH_SEALED,
  MONTH_UNSEALED,
  STATEMENT_SENT,
  /** A line of the close list waived, ticked, added or taken away; how often a source comes. */
  CLOSE_LIST,
  /** A briefing written, handed over, signed, declined or sent. */
  BRIEFING,
  ACCOUNT,
  BACKUP;

  /** Such as "load posted". */
  public String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }
}
