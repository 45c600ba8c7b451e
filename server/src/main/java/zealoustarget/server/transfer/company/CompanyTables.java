package zealoustarget.server.transfer.company;

import java.util.List;
import java.util.Map;
import java.util.Set;

/** Which tables of the database an export holds, and how. */
final class CompanyTables {
  /** The loads that an export holds: those that count, or did. */
  static final String COUNTING = "state in ('POSTED', 'REVERSED')";

  private static final String OF_COUNTING =
      "load_id in (select id from load where " + COUNTING + ")";

  /**
   * A table that is written as it is.
   *
   * @param where which rows
   * @param files names of the files that hold what stands in a column of bytes, by column
   */
  record Plain(String name, String where, Map<String, String> files) {}

  /** In an order in which what is named comes before what names it. */
  static final List<Plain> PLAIN =
      List.of(
          plain("SETTING"),
          plain("MEASURE"),
          plain("LADDER"),
          plain("RUNG"),
          plain("HOLIDAY"),
          plain("SHADING"),
          plain("REASON"),
          plain("RULE_PART"),
          plain("MEMBER"),
          plain("ALIAS"),
          plain("GOAL_SET"),
          new Plain("LOAD", COUNTING, Map.of()),
          new Plain("LOAD_SUM", OF_COUNTING, Map.of()),
          new Plain("FINDING", OF_COUNTING, Map.of()),
          new Plain("FIX", OF_COUNTING, Map.of()),
          plain("REMEMBERED_HEADER"),
          plain("NOTE"),
          plain("FOLLOW_UP"),
          plain("CLOSE_WAIVER"),
          plain("CLOSE_LINE"),
          plain("CLOSE_TICK"),
          plain("SOURCE_RHYTHM"),
          plain("LATE_NOTICE"),
          plain("BRIEFING"),
          plain("BRIEFING_REMARK"),
          plain("BRIEFING_TEMPLATE"),
          plain("DEAL_OVERRIDE"),
          new Plain("SAVED_VIEW", "owner_id = 0", Map.of()),
          new Plain(
              "SEAL",
              "true",
              Map.of(
                  "RULES", "rules.json",
                  "STATEMENTS", "statements.cbor.zz",
                  "FIGURES", "figures.cbor.zz")),
          plain("SENT_STATEMENT"),
          plain("AUDIT_ENTRY"));

  /** Rows of loads, which are written by member and month, and the files as they came. */
  static final Set<String> BY_LOAD =
      Set.of(
          "ACTUAL_PART",
          "GOAL_PART",
          "STAY_ROW",
          "PRODUCT_ROW",
          "DEAL_PART",
          "ORIGINAL",
          "ORIGINAL_PART");

  /** What belongs to one instance, or is made again from the rest. */
  static final Set<String> LEFT_OUT =
      Set.of(
          "ACCOUNT",
          "ACCOUNT_PREFERENCE",
          "API_TOKEN",
          "PULLED",
          "SHEET",
          "SHEET_PART",
          "GOAL_DRAFT",
          "PROPOSAL",
          "BRIEFING_SENT",
          "BRIEFING_SCHEDULE",
          "RECORD_HEAD",
          "flyway_schema_history");

  private CompanyTables() {}

  private static Plain plain(String name) {
    return new Plain(name, "true", Map.of());
  }
}
