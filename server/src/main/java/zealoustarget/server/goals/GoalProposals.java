package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.member.Member;
import zealoustarget.server.approval.ProposalKind;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.intake.entered.EnteredGoals;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;

/** Goals that wait for a second person. */
@Component
class GoalProposals implements ProposalWork {
  private static final int MOST_LINES = 50;

  private final GoalSheets sheets;
  private final GoalDrafts drafts;
  private final GoalEffect effects;
  private final JsonMapper json;

  GoalProposals(GoalSheets sheets, GoalDrafts drafts, GoalEffect effects, JsonMapper json) {
    this.sheets = sheets;
    this.drafts = drafts;
    this.effects = effects;
    this.json = json;
  }

  @Override
  public Set<ProposalKind> kinds() {
    return Set.of(ProposalKind.GOALS);
  }

  private GoalProposal read(String content) {
    return json.readValue(content, GoalProposal.class);
  }

  private GoalSheet sheet(GoalProposal proposal) {
    return sheets.read(proposal.goalSet(), proposal.axis(), proposal.measure(), proposal.span());
  }

  @Override
  public Outline outline(ProposalKind kind, String content) {
    GoalProposal proposal = read(content);
    GoalSheet sheet = sheet(proposal);
    List<Line> lines =
        proposal.cells().stream()
            .limit(MOST_LINES)
            .map(
                cell -> {
                  Member member = GoalDrafts.known(sheet, cell);
                  return new Line(
                      (member == null ? cell.key() : member.name())
                          + ", "
                          + SpanWords.name(cell.month()),
                      text(sheet, cell.before()),
                      text(sheet, cell.after()));
                })
            .toList();
    return new Outline(proposal.cells().size(), lines, null);
  }

  private static @Nullable String text(GoalSheet sheet, @Nullable Amount amount) {
    return amount == null ? null : amount.text(sheet.measure());
  }

  @Override
  public List<String> stale(ProposalKind kind, String content) {
    GoalProposal proposal = read(content);
    return effects.stale(sheet(proposal), proposal.cells());
  }

  @Override
  public Effect effect(ProposalKind kind, String content) {
    GoalProposal proposal = read(content);
    GoalSheet sheet = sheet(proposal);
    GoalDeskAnswer.DraftAnswer effect =
        effects.of(sheet, drafts.drafted(sheet, proposal.cells()), proposal.cells(), null, null);
    return new Effect(
        effect.sentence(),
        effect.moves().stream()
            .map(
                move ->
                    new Line(
                        move.name() + ", " + month(move.month()),
                        status(move.before(), move.attainmentBefore()),
                        status(move.after(), move.attainmentAfter())))
            .toList(),
        effect.pays().stream()
            .map(pay -> new Line(pay.name() + ", " + month(pay.month()), pay.before(), pay.after()))
            .toList());
  }

  private static String status(String word, @Nullable String attainment) {
    return attainment == null ? word : word + ", " + attainment + " %";
  }

  private static String month(String text) {
    return SpanWords.name(YearMonth.parse(text));
  }

  @Override
  public @Nullable Integer apply(
      ProposalKind kind, String content, String maker, Runnable together) {
    GoalProposal proposal = read(content);
    GoalSheet sheet = sheet(proposal);
    List<EnteredGoals.Cell> changed = new ArrayList<>();
    for (GoalDrafts.Cell cell : proposal.cells()) {
      Member member = sheet.member(cell.key());
      int month = Months.number(cell.month());
      changed.add(
          new EnteredGoals.Cell(member, month, sheet.amount(member.id(), month), cell.after()));
    }
    sheets.checkSealed(proposal.cells().stream().map(GoalDrafts.Cell::month).toList());
    return sheets.post(sheet, changed, maker, together);
  }

  /** The cells are a draft again, but for those that its maker has drafted anew. */
  @Override
  public void giveBack(ProposalKind kind, String content, int makerId) {
    GoalProposal proposal = read(content);
    drafts.giveBack(sheet(proposal), proposal.cells(), makerId);
  }
}
