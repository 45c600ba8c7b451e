package zealoustarget.server.briefing;

import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
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
import zealoustarget.core.Refusal;
import zealoustarget.core.briefing.ClaimState;
import zealoustarget.core.briefing.ClaimText;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.member.Axis;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.briefing.Block.Figure;
import zealoustarget.server.briefing.PageAnswer.BlockAnswer;
import zealoustarget.server.briefing.PageAnswer.PieceAnswer;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.CompanyName;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.RulesService;

/** Drafts, rereads, changes and signs briefings. */
@Service
class BriefingService {
  private static final int MOST_BLOCKS = 200;
  private static final int LONGEST_TEXT = 2_000;
  private static final int LONGEST_REASON = 400;
  private static final int LONGEST_REMARK = 1_000;
  private static final int MOST_MOVED = 20;
  private static final int MOST_CANDIDATES = 6;
  private static final TypeReference<List<Block>> BLOCKS = new TypeReference<>() {};

  private final BriefingStore store;
  private final BriefingDrafter drafter;
  private final FigureReader figures;
  private final ExhibitReader exhibits;
  private final Causes causes;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final AccountStore accounts;
  private final CompanyName company;
  private final DataState state;
  private final JsonMapper json;

  BriefingService(
      BriefingStore store,
      BriefingDrafter drafter,
      FigureReader figures,
      ExhibitReader exhibits,
      Causes causes,
      LedgerService ledgers,
      RulesService companyRules,
      AccountStore accounts,
      CompanyName company,
      DataState state,
      JsonMapper json) {
    this.store = store;
    this.drafter = drafter;
    this.figures = figures;
    this.exhibits = exhibits;
    this.causes = causes;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.accounts = accounts;
    this.company = company;
    this.state = state;
    this.json = json;
  }

  /** What a block of a body says; a new figure comes with its query and without a value. */
  record BlockBody(
      @Nullable String id,
      @Nullable String kind,
      @Nullable String part,
      @Nullable String text,
      @Nullable List<FigureBody> figures,
      Block.@Nullable Exhibit exhibit) {}

  /** A figure that is bound anew. */
  record FigureBody(String id, Block.FigureQuery query) {}

  /** A figure that a typed one may be. */
  record Candidate(Block.FigureQuery query, String shown, String words) {}

  /**
   * Drafts a briefing.
   *
   * @param axis of the one member that it is about, with {@code key}; null for the whole company
   * @param template name of the company's own order; null for the usual one
   * @throws Refusal span-backwards, member-unknown, value-unknown
   */
  PageAnswer draft(
      Span span, @Nullable String axis, @Nullable String key, @Nullable String template) {
    Axis of = null;
    String scopeName = "";
    if (axis != null && !axis.isBlank()) {
      Axis found =
          Axis.findByWord(axis)
              .filter(one -> one != Axis.COMPANY)
              .orElseThrow(() -> unknown("axis", BriefingWords.isNotAxisOfMembers(axis)));
      scopeName =
          ledgers
              .current()
              .members()
              .findByKey(found, key == null ? "" : key)
              .orElseThrow(() -> Refusal.of("member-unknown", BriefingWords.no(axis, key)))
              .name();
      of = found;
    }
    BriefingDrafter.Scope scope = new BriefingDrafter.Scope(span, of, of == null ? null : key);
    BriefingEntity briefing = new BriefingEntity();
    briefing.title =
        SpanWords.of(span, companyRules.current().calendar()).text()
            + (of == null ? "" : " · " + scopeName);
    briefing.firstMonth = Months.number(span.fromInclusive());
    briefing.lastMonth = Months.number(span.toInclusive());
    briefing.scopeAxis = of == null ? null : of.word();
    briefing.scopeKey = of == null ? null : key;
    briefing.state = "draft";
    briefing.content = json.writeValueAsString(drafter.draft(scope, parts(template)));
    briefing.madeBy = Audit.who();
    briefing.madeAt = store.now();
    briefing.changedBy = briefing.madeBy;
    briefing.changedAt = briefing.madeAt;
    return page(store.add(briefing).id);
  }

  private List<String> parts(@Nullable String template) {
    if (template == null || template.isBlank()) {
      return BriefingDrafter.PARTS;
    }
    return store.templates().stream()
        .filter(one -> one.name.equals(template))
        .findFirst()
        .map(one -> List.of(one.parts.split(",")))
        .orElseThrow(() -> unknown("template", BriefingWords.noTemplate(template)));
  }

  private static Refusal unknown(String name, String words) {
    return Refusal.of("value-unknown", words).with("name", name);
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

  /**
   * Asks people to review a briefing, in place of those asked before.
   *
   * @throws Refusal briefing-signed, account-unknown for who cannot read briefings
   */
  PageAnswer askToReview(int id, List<String> names) {
    List<String> found =
        names.stream()
            .map(
                name ->
                    accounts
                        .findByName(name)
                        .filter(one -> !one.isDisabled() && one.role().seesEverything())
                        .map(Account::name)
                        .orElseThrow(
                            () ->
                                Refusal.of(
                                    "account-unknown", BriefingWords.isNoAnalystOrApprover(name))))
            .distinct()
            .toList();
    store.change(
        id,
        null,
        BriefingWords.toBeReviewedBy(String.join(", ", found)),
        one -> {
          checkOpen(one);
          one.reviewers = String.join("\n", found);
        });
    return page(id);
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
        block.figures().stream().map(one -> new FigureBody(one.id(), one.query())).toList(),
        text.typed(),
        block.asItWas() == null ? null : block.asItWas().reason(),
        block.asItWas() == null ? null : block.asItWas().by(),
        isClaim && kept == null ? causes.of(block, now, answers) : null,
        null,
        null);
  }

  private static Map<String, Figure> byId(Block block) {
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

  /**
   * Puts other blocks in place: moved, reworded, added, removed. Figures stay bound: a text names
   * those that its block has, or that come with a query.
   *
   * @throws Refusal briefing-signed, changed-since, briefing-invalid
   */
  PageAnswer save(int id, @Nullable String tag, @Nullable String title, List<BlockBody> bodies) {
    if (bodies.size() > MOST_BLOCKS) {
      throw invalid(BriefingWords.briefingHasAtMostBlocks(MOST_BLOCKS));
    }
    FigureReader.Answers answers = figures.new Answers();
    Map<String, Block> before = new HashMap<>();
    BriefingEntity read = store.get(id);
    blocks(read).forEach(block -> before.put(block.id(), block));
    Set<String> ids = new HashSet<>();
    List<Block> after = new ArrayList<>();
    for (BlockBody body : bodies) {
      Block block = block(body, body.id() == null ? null : before.get(body.id()), answers, before);
      if (!ids.add(block.id())) {
        throw invalid(BriefingWords.blockStandsTwice(block.id()));
      }
      after.add(block);
    }
    store.change(
        id,
        tag,
        null,
        one -> {
          checkOpen(one);
          one.content = json.writeValueAsString(after);
          if (title != null && !title.isBlank()) {
            one.title = title.strip().substring(0, Math.min(title.strip().length(), 160));
          }
          one.state = "draft"; // whoever was to sign it has not seen it like this
        });
    return page(id);
  }

  private Block block(
      BlockBody body,
      @Nullable Block before,
      FigureReader.Answers answers,
      Map<String, Block> others) {
    String kind = before == null ? String.valueOf(body.kind()) : before.kind();
    String text = body.text() == null ? "" : body.text().strip();
    if (text.length() > LONGEST_TEXT || text.isEmpty()) {
      throw invalid(BriefingWords.blockNeedsTextOfToCharacters(LONGEST_TEXT));
    }
    String id = before == null ? freeId(others) : before.id();
    if (before == null) {
      others.put(id, new Block(id, kind, null, text, List.of(), null, null, null));
    }
    return switch (kind) {
      case Block.EXHIBIT -> {
        Block.Exhibit shown = before == null ? body.exhibit() : before.exhibit();
        if (shown == null) {
          throw invalid(BriefingWords.EXHIBIT_NEEDS_VIEW);
        }
        yield new Block(id, kind, body.part(), text, List.of(), shown, null, null);
      }
      case Block.TEXT, Block.CLAIM -> {
        List<Figure> bound = new ArrayList<>();
        for (String field : ClaimText.of(text).fields()) {
          bound.add(figure(field, before, body, answers));
        }
        Block same = before != null && before.figures().equals(bound) ? before : null;
        yield new Block(
            id,
            kind.equals(Block.TEXT) && !bound.isEmpty() ? Block.CLAIM : kind,
            body.part(),
            text,
            bound,
            null,
            same == null ? null : same.asItWas(),
            same == null ? store.now().toString() : same.readAt());
      }
      default -> throw invalid(BriefingWords.BLOCK_IS_CLAIM_EXHIBIT_OR_TEXT);
    };
  }

  private static Figure figure(
      String field, @Nullable Block before, BlockBody body, FigureReader.Answers answers) {
    if (before != null) {
      Figure had = byId(before).get(field);
      if (had != null) {
        return had;
      }
    }
    List<FigureBody> given = body.figures() == null ? List.of() : body.figures();
    Figure read =
        given.stream()
            .filter(one -> field.equals(one.id()))
            .findFirst()
            .map(one -> answers.read(field, one.query()))
            .orElse(null);
    if (read == null) {
      throw invalid(BriefingWords.figureIsBoundToNothing(field));
    }
    return read;
  }

  private static String freeId(Map<String, Block> taken) {
    int number = taken.size() + 1;
    while (taken.containsKey("b" + number)) {
      number++;
    }
    return "b" + number;
  }

  private static Refusal invalid(String words) {
    return Refusal.of("briefing-invalid", BriefingWords.nothingWasSaved(words));
  }

  private static void checkOpen(BriefingEntity briefing) {
    if (briefing.isSigned()) {
      throw Refusal.of("briefing-signed", BriefingWords.SIGNED_BRIEFING_DOES_NOT_CHANGE);
    }
  }

  /**
   * Takes the new figures of a claim, or of all where none is named.
   *
   * @throws Refusal briefing-signed, briefing-invalid where a figure is void
   */
  PageAnswer take(int id, @Nullable String tag, @Nullable String blockId) {
    FigureReader.Answers answers = figures.new Answers();
    store.change(
        id,
        tag,
        null,
        one -> {
          checkOpen(one);
          List<Block> after = new ArrayList<>();
          for (Block block : blocks(one)) {
            after.add(
                block.kind().equals(Block.CLAIM) && (blockId == null || block.id().equals(blockId))
                    ? taken(block, answers, blockId != null)
                    : block);
          }
          one.content = json.writeValueAsString(after);
          one.state = "draft";
        });
    return page(id);
  }

  private Block taken(Block block, FigureReader.Answers answers, boolean isNamed) {
    List<Figure> read = new ArrayList<>();
    for (Figure figure : block.figures()) {
      Figure now = answers.read(figure.id(), figure.query());
      if (now == null && isNamed) {
        throw invalid(BriefingWords.FIGURE_OF_THIS_CLAIM_CAN_NO);
      }
      read.add(now == null ? figure : now);
    }
    return read.equals(block.figures()) ? block : block.withFigures(read, store.now().toString());
  }

  /** Keeps a claim that has moved, or is void, as it was; value-missing without a reason. */
  PageAnswer keep(int id, @Nullable String tag, String blockId, @Nullable String because) {
    String reason = text("because", BriefingWords.WHY_IT_STAYS_AS_IT_WAS, because, LONGEST_REASON);
    FigureReader.Answers answers = figures.new Answers();
    store.change(
        id,
        tag,
        BriefingWords.keptClaimAsItWas(reason),
        one -> {
          checkOpen(one);
          one.content =
              json.writeValueAsString(
                  blocks(one).stream()
                      .map(
                          block ->
                              block.id().equals(blockId)
                                  ? block.keptAsItWas(
                                      new Block.AsItWas(
                                          reason, Audit.who(), plain(now(block, answers))))
                                  : block)
                      .toList());
        });
    return page(id);
  }

  private static Map<String, String> plain(Map<String, @Nullable String> now) {
    Map<String, String> plain = new TreeMap<>();
    now.forEach((name, value) -> plain.put(name, Objects.requireNonNullElse(value, "")));
    return plain;
  }

  static String text(String name, String words, @Nullable String given, int most) {
    String text = given == null ? "" : given.strip();
    if (text.isEmpty() || text.length() > most) {
      throw Refusal.of("value-missing", BriefingWords.sayInUpToCharacters(words, most))
          .with("name", name);
    }
    return text;
  }

  /** Hands a briefing over to be signed; briefing-moved while a claim does not hold. */
  PageAnswer hand(int id, @Nullable String tag, @Nullable String signer) {
    checkHolds(page(id));
    store.change(
        id,
        tag,
        BriefingWords.HANDED_OVER_TO_BE_SIGNED,
        one -> {
          checkOpen(one);
          one.state = "handed";
          one.signer = signer == null || signer.isBlank() ? null : signer.strip();
          one.because = null;
        });
    return page(id);
  }

  private static void checkHolds(PageAnswer page) {
    if (page.moved() + page.voids() > 0) {
      throw Refusal.of(
          "briefing-moved",
          page.moved() + page.voids() == 1
              ? BriefingWords.ONE_CLAIM_DOES_NOT_HOLD
              : BriefingWords.claimsDoNotHold(page.moved() + page.voids()));
    }
  }

  /** Approvers sign; where there is none beside, whoever works here. */
  private boolean maySign(BriefingEntity briefing) {
    Account account = CurrentAccount.account();
    return briefing.state.equals("handed")
        && (account.role() == Role.APPROVER || accounts.approversBeside(account.id()).isEmpty());
  }

  private void checkMaySign(BriefingEntity briefing) {
    if (!maySign(briefing)) {
      throw briefing.state.equals("handed")
          ? Refusal.of("another-person", BriefingWords.APPROVER_SIGNS_OR_DECLINES_BRIEFING)
          : Refusal.of(
              "briefing-not-handed", BriefingWords.briefingIsOnlyOneThatWas(briefing.state));
    }
  }

  /**
   * Signs a briefing as it is read now.
   *
   * @throws Refusal briefing-not-handed, another-person, briefing-moved, changed-since
   */
  PageAnswer sign(int id, @Nullable String tag) {
    PageAnswer page = page(id);
    checkMaySign(store.get(id));
    checkHolds(page);
    store.change(
        id,
        tag,
        "signed",
        one -> {
          one.state = "signed";
          one.signedBy = Audit.who();
          one.signedAt = store.now().truncatedTo(ChronoUnit.MILLIS);
          one.signed = json.writeValueAsString(toKeep(one, page));
          one.checksum = Sha256.of(one.signed);
        });
    state.changed();
    return page(id);
  }

  private Kept toKeep(BriefingEntity one, PageAnswer page) {
    Map<String, BlockAnswer> read = new HashMap<>();
    page.blocks().forEach(block -> read.put(block.id(), block));
    return new Kept(
        company.get(),
        one.title,
        page.from(),
        page.to(),
        one.madeBy,
        String.valueOf(one.signedBy),
        String.valueOf(one.signedAt),
        blocks(one).stream()
            .map(
                block ->
                    new Kept.KeptBlock(
                        block,
                        sentence(block),
                        Objects.requireNonNull(read.get(block.id())).data()))
            .toList());
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

  /** Declines a briefing with a reason; it is a draft again. */
  PageAnswer decline(int id, @Nullable String because) {
    String reason = text("because", BriefingWords.WHY_IT_IS_DECLINED, because, LONGEST_REASON);
    checkMaySign(store.get(id));
    store.change(
        id,
        null,
        BriefingWords.declinedBecause(reason),
        one -> {
          one.state = "declined";
          one.because = reason;
        });
    return page(id);
  }

  /** Takes a draft away; briefing-signed. */
  void remove(int id) {
    checkOpen(store.get(id));
    store.remove(id);
  }

  PageAnswer remark(int id, @Nullable String block, @Nullable String given) {
    BriefingEntity briefing = store.get(id);
    checkOpen(briefing);
    String text = text("text", BriefingWords.WHAT_YOU_REMARK, given, LONGEST_REMARK);
    if (blocks(briefing).stream().noneMatch(one -> one.id().equals(block))) {
      throw unknown("block", BriefingWords.briefingHasNoBlock(block));
    }
    store.remark(id, String.valueOf(block), text);
    return page(id);
  }

  PageAnswer answer(int id, int remark, @Nullable String given) {
    store.answer(id, remark, text("answer", BriefingWords.YOUR_ANSWER, given, LONGEST_REMARK));
    return page(id);
  }

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

  /** The span that months of a body name; span-backwards. */
  static Span span(YearMonth from, YearMonth to) {
    if (to.isBefore(from)) {
      throw Refusal.of("span-backwards", BriefingWords.LAST_MONTH_IS_BEFORE_FIRST);
    }
    return new Span(from, to);
  }
}
