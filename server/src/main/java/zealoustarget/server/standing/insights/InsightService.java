package zealoustarget.server.standing.insights;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.insight.Insight;
import zealoustarget.core.insight.Insights;
import zealoustarget.core.insight.ReasonShare;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.server.notes.Note;
import zealoustarget.server.notes.NoteStore;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.query.GoalWords;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;

/** What is worth saying about a standing, why there is a shortfall, and who would change status. */
@Service
public class InsightService {
  private final QueryReader reader;
  private final NoteStore notes;
  private final RulesService companyRules;

  InsightService(QueryReader reader, NoteStore notes, RulesService companyRules) {
    this.reader = reader;
    this.notes = notes;
    this.companyRules = companyRules;
  }

  /** Sentences, and how the shortfall is noted. */
  public record ClaimsAnswer(List<ClaimAnswer> claims, List<ReasonAnswer> reasons) {}

  /**
   * A sentence and the view that shows exactly its figures; what is null stays as it is.
   *
   * @param only rows to keep, empty for all
   * @param select row to explain, null for the total
   * @param along axis along which the row's variance is taken apart
   * @param from and {@code to}: months side by side to show
   */
  record ClaimAnswer(
      String kind,
      String text,
      List<String> figures,
      List<String> only,
      @Nullable String select,
      @WordsOf(Axis.class) @Nullable String along,
      @Nullable String from,
      @Nullable String to) {
    static ClaimAnswer of(Insight claim) {
      Insight.Show show = claim.show();
      Span months = show.months();
      return new ClaimAnswer(
          claim.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
          claim.text(),
          claim.shares(),
          show.keys(),
          show.select(),
          show.along() == null ? null : show.along().word(),
          months == null ? null : months.fromInclusive().toString(),
          months == null ? null : months.toInclusive().toString());
    }
  }

  /** A reason's part of the monthly shortfalls; the reason is null where none is noted. */
  record ReasonAnswer(
      @Nullable String reason, String shortfall, String share, String shareShown, int months) {}

  /** A row that another ladder would judge otherwise. */
  record FlipAnswer(
      String key,
      String name,
      String before,
      @WordsOf(Tone.class) String beforeTone,
      String after,
      @WordsOf(Tone.class) String afterTone) {}

  /** How many rows land on each rung of a ladder on trial, and which would change. */
  public record TrialAnswer(List<RungCount> rungs, int noReading, List<FlipAnswer> flips) {}

  record RungCount(String name, int rows) {}

  /** What stands out in a standing, the most telling first. */
  public ClaimsAnswer claims(StandingParameters parameters) {
    ResolvedQuery asked = reader.read(parameters);
    StandingQuery spoken = asked.spoken();
    Standing standing = asked.ledger().standing(spoken);
    List<ReasonShare> shares = reasons(asked, standing);
    return new ClaimsAnswer(
        Insights.of(
                asked.ledger(),
                spoken,
                standing,
                GoalWords.of(asked.query().basis()),
                shares,
                asked.figures())
            .stream()
            .map(ClaimAnswer::of)
            .toList(),
        shares.stream()
            .map(
                share ->
                    new ReasonAnswer(
                        share.reason(),
                        asked.query().measure().text(share.shortfall()),
                        share.share().toText(),
                        asked.figures().share(share.share()),
                        share.months()))
            .toList());
  }

  /** Monthly shortfalls of the rows by noted reason; empty while nothing is noted. */
  private List<ReasonShare> reasons(ResolvedQuery asked, Standing standing) {
    Map<Integer, List<Note>> written = notes.inSpan(asked.query().span());
    boolean hasReason =
        standing.rows().stream()
            .flatMap(row -> written.getOrDefault(row.member().id(), List.of()).stream())
            .anyMatch(note -> note.reasonName() != null);
    if (!hasReason) {
      return List.of();
    }
    Set<Member> kept = standing.rows().stream().map(Row::member).collect(Collectors.toSet());
    List<ReasonShare.Noted> noted = new ArrayList<>();
    for (YearMonth month : asked.query().span().months()) {
      StandingQuery query = asked.query().withSpan(Span.of(month)).withNarrowing(Narrowing.NONE);
      for (Row row : asked.ledger().standing(query).rows()) {
        if (kept.contains(row.member())) {
          noted.add(
              new ReasonShare.Noted(
                  reason(written, row.member().id(), month), Standing.shortfall(row)));
        }
      }
    }
    return ReasonShare.of(noted);
  }

  private static @Nullable String reason(
      Map<Integer, List<Note>> written, int member, YearMonth month) {
    return written.getOrDefault(member, List.of()).stream()
        .filter(note -> note.month().equals(month))
        .map(Note::reasonName)
        .filter(name -> name != null)
        .findFirst()
        .orElse(null);
  }

  /** The rows of a standing under another ladder, which is not put in force. */
  public TrialAnswer trial(StandingParameters parameters, JsonNode body) {
    ResolvedQuery asked = reader.read(parameters);
    Ladder ladder = companyRules.readLadder(body).ladder();
    StandingQuery query = asked.query();
    StandingQuery all = query.withNarrowing(Narrowing.NONE);
    List<Row> before = asked.ledger().standing(all).rows();
    List<Row> after = asked.ledger().standing(all.withLadder(ladder)).rows();
    List<FlipAnswer> flips =
        StatusMove.between(before, after).stream()
            .map(
                move ->
                    new FlipAnswer(
                        move.before().member().key(),
                        move.before().member().name(),
                        move.wordBefore(),
                        toneOf(move.before()),
                        move.wordAfter(),
                        toneOf(move.after())))
            .toList();
    int unread = (int) after.stream().filter(row -> row.spoken().status().rung() == null).count();
    return new TrialAnswer(
        ladder.rungs().stream()
            .map(
                rung ->
                    new RungCount(
                        rung.name(), (int) after.stream().filter(row -> isOn(rung, row)).count()))
            .toList(),
        unread,
        flips);
  }

  private static String toneOf(Row row) {
    return row.spoken().status().tone().name().toLowerCase(Locale.ROOT);
  }

  /** By name: the bounds of a ladder per month are scaled. */
  private static boolean isOn(Rung rung, Row row) {
    Rung decided = row.spoken().status().rung();
    return decided != null && decided.name().equals(rung.name());
  }
}
