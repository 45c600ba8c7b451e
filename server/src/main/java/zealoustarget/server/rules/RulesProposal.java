package zealoustarget.server.rules;

import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * A rules file that waits for a second person.
 *
 * @param changes what it changed of the rules in force when it was proposed
 */
record RulesProposal(JsonNode file, List<RulesChange> changes) {}
