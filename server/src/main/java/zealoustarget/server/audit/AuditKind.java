package zealoustarget.server.audit;

import java.util.Locale;

/** What was done. */
public enum AuditKind {
  LOAD_POSTED,
  LOAD_REVERSED,
  LOAD_DISCARDED,
  RULES_CHANGED,
  MONTH_SEALED,
  MONTH_UNSEALED,
  STATEMENT_SENT,
  ACCOUNT,
  BACKUP;

  /** Such as "load posted". */
  public String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }
}
