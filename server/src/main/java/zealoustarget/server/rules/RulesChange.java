package zealoustarget.server.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.audit.AuditWords;

/** A part of a rules file that differs: what of it went and what came, as JSON. */
public record RulesChange(String part, @Nullable String before, @Nullable String after) {
  private static final JsonMapper JSON = new JsonMapper();

  private static final Map<String, String> WORDS =
      Map.of(
          "calendar", RulesWords.FISCAL_CALENDAR,
          "ladders", RulesWords.STATUS_THRESHOLDS,
          "shading", RulesWords.SHADING_LIMITS,
          "stretches", RulesWords.STRETCHES_BEHIND_LANES,
          "stages", RulesWords.LIKELIHOODS_OF_STAGES,
          "closing", RulesWords.CLOSE_LIST,
          "plans", RulesWords.COMMISSION_PLANS,
          "assignments", RulesWords.PLAN_ASSIGNMENTS,
          "credits", RulesWords.CREDIT_SPLITS);

  /** The change in words. */
  ProposalWork.Line line() {
    AuditWords.Change words = AuditWords.of(before, after);
    return new ProposalWork.Line(words(), words.before(), words.after());
  }

  /** What the part is called on the screen. */
  String words() {
    return WORDS.getOrDefault(part, part);
  }

  /** The parts that differ, lists by their entries. */
  static List<RulesChange> between(Rules before, Rules after) {
    JsonNode former = JSON.valueToTree(RulesAnswer.of(before));
    JsonNode latter = JSON.valueToTree(RulesAnswer.of(after));
    List<RulesChange> changes = new ArrayList<>();
    for (String part : latter.propertyNames()) {
      if (!former.get(part).equals(latter.get(part))) {
        changes.add(
            new RulesChange(
                part,
                only(former.get(part), latter.get(part)),
                only(latter.get(part), former.get(part))));
      }
    }
    return changes;
  }

  /** What one has beyond the other; an object whole. Null for nothing. */
  private static @Nullable String only(JsonNode one, JsonNode other) {
    if (!one.isArray()) {
      return one.toString();
    }
    List<String> entries =
        one.valueStream()
            .filter(entry -> other.valueStream().noneMatch(entry::equals))
            .map(JsonNode::toString)
            .toList();
    return entries.isEmpty() ? null : String.join("\n", entries);
  }
}
