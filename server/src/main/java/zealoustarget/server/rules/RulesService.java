package zealoustarget.server.rules;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.util.DigestUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.commission.Plan;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.approval.ProposalKind;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.approval.Proposals;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.platform.CompanyName;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.reading.Place;
import zealoustarget.server.rules.reading.PlanReader;
import zealoustarget.server.rules.reading.RulesReader;
import zealoustarget.server.rules.storage.RulesStore;

/** Holds the rules in force and changes them all or not at all. */
@Service
public class RulesService {
  private static final JsonMapper JSON = new JsonMapper();

  /** Parts of a seal's rules that standings are read by. */
  private static final List<String> SHOWN = List.of("calendar", "measures", "ladders", "shading");

  private final RulesStore store;
  private final MeasureUse use;
  private final Audit audit;
  private final DataState state;
  private final CompanyClock clock;
  private final CompanyName name;
  private final Proposals proposals;
  private final LedgerService ledgers;
  private final Cache<byte[], Rules> frozen = Caffeine.newBuilder().weakKeys().build();
  private static final DataState.Part<Rules> PART = new DataState.Part<>();

  RulesService(
      RulesStore store,
      MeasureUse use,
      Audit audit,
      DataState state,
      CompanyClock clock,
      CompanyName name,
      Proposals proposals,
      LedgerService ledgers) {
    this.ledgers = ledgers;
    this.proposals = proposals;
    this.store = store;
    this.use = use;
    this.audit = audit;
    this.state = state;
    this.clock = clock;
    this.name = name;
    Rules stored = store.read();
    state.swap(
        new DataState.Next()
            .with(PART, stored)
            .with(LedgerService.FED, stored.company().fedByDeals()));
    tell(stored.company());
  }

  private void tell(Company company) {
    clock.setZone(company.zone());
    name.set(company.name());
  }

  /** Tells one state of the rules from another, as an entity tag. */
  public String tag() {
    return tag(current());
  }

  private static String tag(Rules rules) {
    byte[] all = JSON.writeValueAsBytes(RulesAnswer.of(rules));
    return "\"" + DigestUtils.md5DigestAsHex(all) + "\"";
  }

  /**
   * Applies the parts of a rules file to the rules that were looked at, or proposes them where that
   * takes a second person.
   *
   * @param tag of the rules that were looked at; null to apply it to whatever is in force
   * @throws Refusal changed-meanwhile, saying who changed what; else as {@link #apply(JsonNode)}
   */
  public Outcome apply(JsonNode file, @Nullable String tag) {
    return state.getInTurn(
        () -> {
          checkTag(tag);
          return proposeOrApply(file);
        });
  }

  /**
   * What became of a file.
   *
   * @param rules in force now
   * @param proposal null where the file is in force
   */
  public record Outcome(Rules rules, @Nullable ProposalAnswer proposal) {}

  private Outcome proposeOrApply(JsonNode file) {
    Rules current = current();
    Rules after = read(file);
    if (!proposals.isNeeded(takesSecondPerson(current, after))) {
      return new Outcome(put(after, () -> {}), null);
    }
    List<RulesChange> changes = RulesChange.between(current, after);
    String parts = String.join(", ", changes.stream().map(RulesChange::words).toList());
    return new Outcome(
        current,
        proposals.propose(
            ProposalKind.RULES,
            "Rules: " + parts,
            JSON.writeValueAsString(new RulesProposal(file, changes)),
            () -> {}));
  }

  /** Turning the second person off is what it is asked for in the first place. */
  private static boolean takesSecondPerson(Rules before, Rules after) {
    Approval asked = before.approval();
    boolean isWeaker =
        asked.goals() && !after.approval().goals()
            || asked.plans() && !after.approval().plans()
            || asked.ladders() && !after.approval().ladders();
    return isWeaker
        || asked.plans() && !before.commission().equals(after.commission())
        || asked.ladders() && !before.ladders().equals(after.ladders());
  }

  private void checkTag(@Nullable String tag) {
    if (tag != null && !tag.equals("*") && !tag.equals(tag())) {
      String who =
          audit.entries("", AuditKind.RULES_CHANGED, 0, 1).stream()
              .map(last -> RulesWords.changedThemLast(last.by(), last.subject()))
              .findFirst()
              .orElse(RulesWords.APPLICATION_WAS_UPDATED);
      throw Refusal.of("changed-meanwhile", RulesWords.rulesWereChanged(who));
    }
  }

  public Rules current() {
    return Objects.requireNonNull(state.get(PART)); // put in force when this was made
  }

  /**
   * Applies the parts of a rules file for the application itself, which takes no second person.
   *
   * @throws Refusal playbook-invalid with the place; measure-in-use where a measure with stored
   *     amounts would change its unit or decimals
   */
  public Rules apply(JsonNode file) {
    return state.getInTurn(() -> put(read(file), () -> {}));
  }

  /** The rules as a file leaves them, and whether they may be put in force; measure-in-use. */
  Rules read(JsonNode file) {
    Rules current = current();
    Rules after = new RulesReader(current).read(file);
    Set<String> used = use.measuresWithAmounts();
    for (Measure measure : after.measures()) {
      Optional<Measure> before = current.findMeasure(measure.code());
      if (used.contains(measure.code()) && before.filter(b -> differs(b, measure)).isPresent()) {
        throw Refusal.of("measure-in-use", RulesWords.unitStays(measure.code()))
            .with("measure", measure.code());
      }
    }
    checkFeeding(current, after);
    return after;
  }

  /**
   * What feeds a measure changes before it has amounts of files, and while no month is closed or
   * none of it is loaded: closed months keep what they were closed with.
   */
  private void checkFeeding(Rules before, Rules after) {
    Set<String> changed = new HashSet<>(before.company().fedByDeals());
    changed.addAll(after.company().fedByDeals());
    changed.removeIf(
        code ->
            before.company().fedByDeals().contains(code)
                == after.company().fedByDeals().contains(code));
    for (String code : changed) {
      if (use.measuresOfActuals().contains(code)
          || (use.hasClosedMonths() && use.measuresWithAmounts().contains(code))) {
        throw Refusal.of("measure-in-use", RulesWords.sourceStays(code)).with("measure", code);
      }
    }
  }

  /** Puts rules in force; whoever does has the turn. */
  Rules put(Rules after, Runnable together) {
    store.write(after, RulesChange.between(current(), after), together);
    boolean isFedOtherwise = !after.company().fedByDeals().equals(current().company().fedByDeals());
    state.swap(
        new DataState.Next()
            .with(PART, after)
            .with(LedgerService.FED, after.company().fedByDeals()));
    if (isFedOtherwise) {
      ledgers.feed();
    }
    frozen.invalidateAll();
    tell(after.company());
    return after;
  }

  /**
   * Reads one ladder without putting it in force.
   *
   * @throws Refusal playbook-invalid with the place
   */
  public AttachedLadder readLadder(JsonNode ladder) {
    return new RulesReader(current()).readLadder(ladder);
  }

  /**
   * Reads one plan as it was stored or frozen.
   *
   * @throws Refusal playbook-invalid with the place
   */
  public Plan readPlan(PlanPart plan) {
    JsonNode node = JSON.valueToTree(plan);
    return new PlanReader(current()).version(new Place(node, "")).plan();
  }

  /**
   * The rules as a file would leave them, without putting it in force.
   *
   * @throws Refusal playbook-invalid with the place
   */
  public Rules tried(JsonNode file) {
    return new RulesReader(current()).read(file);
  }

  /**
   * What a file would change of the rules in force, in words; nothing is changed.
   *
   * @throws Refusal as {@link #apply(JsonNode)}
   */
  public List<ProposalWork.Line> changes(JsonNode file) {
    return RulesChange.between(current(), read(file)).stream().map(RulesChange::line).toList();
  }

  /** The rules that are frozen with a month, as JSON in the form of a rules file. */
  public byte[] toFreeze() {
    return JSON.writeValueAsBytes(RulesAnswer.Frozen.of(current()));
  }

  /** The rules in force as the JSON file that {@link #apply} takes. */
  public byte[] asFile() {
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(RulesAnswer.of(current()));
  }

  /**
   * The rules that a sealed month is read by: what was frozen with it, and of the rules in force
   * only what a seal of its form does not hold.
   *
   * @param rules as {@link #toFreeze} gave them then; the same array for the same seal
   */
  public Rules asFrozen(byte[] rules) {
    return frozen.get(rules, this::readFrozen);
  }

  private Rules readFrozen(byte[] rules) {
    JsonNode all = JSON.readTree(rules);
    ObjectNode shown = JSON.createObjectNode();
    for (String part : SHOWN) {
      if (all.has(part)) {
        shown.set(part, all.get(part));
      }
    }
    return new RulesReader(current().withLadders(List.of())).read(shown);
  }

  /** Whether amounts of a measure would be read another way. */
  public static boolean differs(Measure before, Measure after) {
    return before.scale() != after.scale()
        || !before.unit().equals(after.unit())
        || !before.code().equals(after.code());
  }
}
