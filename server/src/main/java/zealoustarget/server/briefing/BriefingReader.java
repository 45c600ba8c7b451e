package zealoustarget.server.briefing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.briefing.ClaimState;
import zealoustarget.core.briefing.ClaimText;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.briefing.Block.Figure;
import zealoustarget.server.briefing.PageAnswer.BlockAnswer;
import zealoustarget.server.briefing.PageAnswer.PieceAnswer;

/** Reads briefings: their figures asked again, or as they were signed. */
@Service
class BriefingReader {
  private static final int MOST_MOVED = 20;
  private static final int MOST_CANDIDATES = 6;
  private static final TypeReference<List<Block>> BLOCKS = new TypeReference<>() {};

  private final BriefingStore store;
  private final FigureReader figures;
  private final ExhibitReader exhibits;
  private final Causes causes;
  private final AccountStore accounts;
  private final JsonMapper json;

  BriefingReader(
      BriefingStore store,
      FigureReader figures,
      ExhibitReader exhibits,
      Causes causes,
      AccountStore accounts,
      JsonMapper json) {
    this.store = store;
    this.figures = figures;
    this.exhibits = exhibits;
    this.causes = causes;
    this.accounts = accounts;
    this.json = json;
  }

  List<Block> blocks(BriefingEntity briefing) {
    return json.readValue(briefing.content, BLOCKS);
  }

  /** What was signed; null while nothing is. */
  @Nullable Kept kept(BriefingEntity briefing) {
    return briefing.signed == null ? null : json.readValue(briefing.signed, Kept.class);
  }

  /** A briefing with its figures asked again; of a signed one what was signed, with what moved. */
  PageAnswer page(int id) {
    BriefingEntity briefing = store.get(id);
    FigureReader.Answers answers = figures.new Answers();
    Kept kept = kept(briefing);
    List<BlockAnswer> read = new ArrayList<>();
    Map<String, Integer> states = new HashMap<>();
    for (Block block : kept == null ? blocks(briefing) : kept.plainBlocks()) {
      BlockAnswer answer = read(block, answers, kept);
      read.add(answer);
      if (answer.state() != null) {
        states.merge(answer.state(), 1, Integer::sum);
      }
    }
    return new PageAnswer(
        briefing.id,
        briefing.title,
        Months.of(briefing.firstMonth).toString(),
        Months.of(briefing.lastMonth).toString(),
        briefing.scopeKey,
        briefing.state,
        Integer.toString(briefing.version),
        states.getOrDefault("holds", 0) + states.getOrDefault("kept", 0),
        states.getOrDefault("moved", 0),
        states.getOrDefault("void", 0),
        store.now().toString(),
        briefing.madeBy,
        briefing.madeAt.toString(),
        briefing.signer,
        briefing.because,
        briefing.signedBy,
        briefing.signedAt == null ? null : briefing.signedAt.toString(),
        briefing.checksum,
        maySign(briefing),
        reviewers(briefing),
        read,
        store.remarks(id).stream()
            .map(
                one ->
                    new PageAnswer.RemarkAnswer(
                        one.id,
                        one.block,
                        one.content,
                        one.by,
                        one.at.toString(),
                        one.answer,
                        one.answeredBy))
            .toList(),
        movedSince(briefing, answers),
        sent(briefing));
  }

  private List<PageAnswer.ReviewerAnswer> reviewers(BriefingEntity briefing) {
    List<RemarkEntity> remarks = store.remarks(briefing.id);
    return briefing.reviewerNames().stream()
        .map(
            name ->
                new PageAnswer.ReviewerAnswer(
                    name, (int) remarks.stream().filter(one -> one.by.equals(name)).count()))
        .toList();
  }

  private List<PageAnswer.SentAnswer> sent(BriefingEntity briefing) {
    return store.sent(briefing.id).stream()
        .map(
            one ->
                new PageAnswer.SentAnswer(
                    accounts.find(one.place.account()).map(Account::name).orElse("?"),
                    one.address,
                    one.sentAt == null ? null : one.sentAt.toString(),
                    one.begunAt != null && one.sentAt == null))
        .toList();
  }

  private BlockAnswer read(Block block, FigureReader.Answers answers, @Nullable Kept kept) {
    if (block.kind().equals(Block.EXHIBIT)) {
      return new BlockAnswer(
          block.id(),
          block.kind(),
          block.part(),
          null,
          block.text(),
          List.of(new PieceAnswer(null, block.text(), null, false)),
          List.of(),
          List.of(),
          null,
          null,
          null,
          block.exhibit(),
          kept == null
              ? exhibits.read(Objects.requireNonNull(block.exhibit()), answers)
              : kept.dataOf(block.id()));
    }
    Map<String, Figure> byId = byId(block);
    Map<String, @Nullable String> now = now(block, answers);
    List<PieceAnswer> pieces = new ArrayList<>();
    ClaimText text = ClaimText.of(block.text());
    for (ClaimText.Piece piece : text.pieces()) {
      Figure figure = piece.field() == null ? null : byId.get(piece.field());
      if (figure == null) {
        pieces.add(new PieceAnswer(null, piece.text(), null, false));
      } else {
        String value = now.get(figure.id());
        boolean isSame = figure.value().equals(value);
        pieces.add(
            new PieceAnswer(
                figure.id(),
                figure.shown(),
                isSame || value == null ? null : answers.shown(figure.query(), value),
                value == null));
      }
    }
    boolean isClaim = block.kind().equals(Block.CLAIM);
    return new BlockAnswer(
        block.id(),
        block.kind(),
        block.part(),
        isClaim ? stateOf(block, now) : null,
        block.text(),
        pieces,
        block.figures().stream()
            .map(one -> new BriefingService.FigureBody(one.id(), one.query()))
            .toList(),
        text.typed(),
        block.asItWas() == null ? null : block.asItWas().reason(),
        block.asItWas() == null ? null : block.asItWas().by(),
        isClaim && kept == null ? causes.of(block, now, answers) : null,
        null,
        null);
  }

  static Map<String, Figure> byId(Block block) {
    Map<String, Figure> byId = new LinkedHashMap<>();
    block.figures().forEach(figure -> byId.put(figure.id(), figure));
    return byId;
  }

  /** What every figure of a block is now, by its name. */
  static Map<String, @Nullable String> now(Block block, FigureReader.Answers answers) {
    Map<String, @Nullable String> now = new TreeMap<>();
    block.figures().forEach(figure -> now.put(figure.id(), answers.value(figure.query())));
    return now;
  }

  /** A claim that is kept as it was is so only while nothing has moved on. */
  private static String stateOf(Block block, Map<String, @Nullable String> now) {
    ClaimState found =
        ClaimState.of(
            block.figures().stream()
                .map(figure -> new ClaimState.Reread(figure.value(), now.get(figure.id())))
                .toList());
    Block.AsItWas kept = block.asItWas();
    boolean isKept =
        kept != null
            && found != ClaimState.HOLDS
            && now.entrySet().stream()
                .allMatch(
                    one ->
                        Objects.equals(
                            Objects.requireNonNullElse(one.getValue(), ""),
                            kept.then().getOrDefault(one.getKey(), "")));
    return isKept ? "kept" : found.word();
  }

  private List<PageAnswer.MovedAnswer> movedSince(
      BriefingEntity briefing, FigureReader.Answers answers) {
    List<PageAnswer.MovedAnswer> moved = new ArrayList<>();
    store
        .signedBefore(briefing)
        .ifPresent(
            before ->
                Objects.requireNonNull(kept(before)).blocks().stream()
                    .filter(one -> one.block().kind().equals(Block.CLAIM))
                    .forEach(
                        one ->
                            one.block()
                                .figures()
                                .forEach(
                                    figure -> {
                                      String now = answers.value(figure.query());
                                      if (!figure.value().equals(now)
                                          && moved.size() < MOST_MOVED) {
                                        moved.add(
                                            new PageAnswer.MovedAnswer(
                                                before.id,
                                                before.title,
                                                one.read(),
                                                figure.shown(),
                                                now == null
                                                    ? null
                                                    : answers.shown(figure.query(), now)));
                                      }
                                    })));
    return moved;
  }

  /** Approvers sign; where there is none beside, whoever works here. */
  boolean maySign(BriefingEntity briefing) {
    Account account = CurrentAccount.account();
    return briefing.state.equals("handed")
        && (account.role() == Role.APPROVER || accounts.approversBeside(account.id()).isEmpty());
  }

  /** A block as it is read, with its figures as they are kept. */
  static String sentence(Block block) {
    Map<String, Figure> byId = byId(block);
    return ClaimText.of(block.text())
        .render(
            field -> {
              Figure figure = byId.get(field);
              return figure == null ? null : figure.shown();
            });
  }

  /** A figure that a typed one may be. */
  record Candidate(Block.FigureQuery query, String shown, String words) {}

  /** Figures of the briefing's months that read like a typed one. */
  List<Candidate> candidates(int id, @Nullable String typed) {
    String wanted = plain(typed == null ? "" : typed);
    BriefingEntity briefing = store.get(id);
    FigureReader.Answers answers = figures.new Answers();
    List<Candidate> found = new ArrayList<>();
    Set<Map<String, Object>> views = new HashSet<>();
    for (Block block : blocks(briefing)) {
      block.figures().stream()
          .filter(figure -> figure.query().of().equals("standing"))
          .forEach(figure -> views.add(figure.query().view()));
      if (block.exhibit() != null && block.exhibit().kind().equals("lanes")) {
        views.add(block.exhibit().view());
      }
    }
    for (Map<String, Object> view : views) {
      var answer = answers.standing(view);
      List<String> rows = new ArrayList<>(List.of(FigureReader.TOTAL));
      answer.get("rows").valueStream().forEach(row -> rows.add(row.get("key").asString()));
      for (String row : rows) {
        for (String field :
            List.of("missPercent", "actual", "goal", "gap", "variance", "attainment")) {
          Block.FigureQuery query = new Block.FigureQuery("standing", view, row, field);
          Figure figure = answers.read("x", query);
          if (figure != null
              && plain(figure.shown()).equals(wanted)
              && found.size() < MOST_CANDIDATES) {
            Figure name = answers.read("x", new Block.FigureQuery("standing", view, row, "name"));
            found.add(
                new Candidate(
                    query,
                    figure.shown(),
                    (name == null ? "All" : name.shown()) + ", " + BriefingText.word(field)));
          }
        }
      }
    }
    return found;
  }

  private static String plain(String figure) {
    return figure.replaceAll("[\\s\\u00a0\\u202f\\u2009+\\u2212-]", "");
  }
}
