package zealoustarget.server.briefing;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.briefing.ClaimText;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.member.Axis;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.briefing.Block.Figure;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.RulesService;

/** Drafts and changes briefings. */
@Service
class BriefingService {
  private static final int MOST_BLOCKS = 200;
  private static final int LONGEST_TEXT = 2_000;
  static final int LONGEST_REASON = 400;
  private static final int LONGEST_REMARK = 1_000;
  private final BriefingStore store;
  private final BriefingDrafter drafter;
  private final BriefingReader reader;
  private final FigureReader figures;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final JsonMapper json;

  BriefingService(
      BriefingStore store,
      BriefingDrafter drafter,
      BriefingReader reader,
      FigureReader figures,
      LedgerService ledgers,
      RulesService companyRules,
      JsonMapper json) {
    this.store = store;
    this.drafter = drafter;
    this.reader = reader;
    this.figures = figures;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
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
    return reader.page(store.add(briefing).id);
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
    reader.blocks(read).forEach(block -> before.put(block.id(), block));
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
    return reader.page(id);
  }

  private Block block(
      BlockBody body,
      @Nullable Block before,
      FigureReader.Answers answers,
      Map<String, Block> others) {
    String kind = before == null ? String.valueOf(body.kind()) : before.kind();
    String text = body.text() == null ? "" : body.text().strip();
    if (text.length() > LONGEST_TEXT || text.isEmpty()) {
      throw invalid(BriefingWords.blockNeedsText(LONGEST_TEXT));
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
      Figure had = BriefingReader.byId(before).get(field);
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

  static void checkOpen(BriefingEntity briefing) {
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
          for (Block block : reader.blocks(one)) {
            after.add(
                block.kind().equals(Block.CLAIM) && (blockId == null || block.id().equals(blockId))
                    ? taken(block, answers, blockId != null)
                    : block);
          }
          one.content = json.writeValueAsString(after);
          one.state = "draft";
        });
    return reader.page(id);
  }

  private Block taken(Block block, FigureReader.Answers answers, boolean isNamed) {
    List<Figure> read = new ArrayList<>();
    for (Figure figure : block.figures()) {
      Figure now = answers.read(figure.id(), figure.query());
      if (now == null && isNamed) {
        throw invalid(BriefingWords.FIGURE_IS_GONE);
      }
      read.add(now == null ? figure : now);
    }
    return read.equals(block.figures()) ? block : block.withFigures(read, store.now().toString());
  }

  /** Keeps a claim that has moved, or is void, as it was; value-missing without a reason. */
  PageAnswer keep(int id, @Nullable String tag, String blockId, @Nullable String because) {
    String reason = text("because", BriefingWords.WHY_IT_STAYS, because, LONGEST_REASON);
    FigureReader.Answers answers = figures.new Answers();
    store.change(
        id,
        tag,
        BriefingWords.keptClaim(reason),
        one -> {
          checkOpen(one);
          one.content =
              json.writeValueAsString(
                  reader.blocks(one).stream()
                      .map(
                          block ->
                              block.id().equals(blockId)
                                  ? block.keptAsItWas(
                                      new Block.AsItWas(
                                          reason,
                                          Audit.who(),
                                          plain(BriefingReader.now(block, answers))))
                                  : block)
                      .toList());
        });
    return reader.page(id);
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

  /** Takes a draft away; briefing-signed. */
  void remove(int id) {
    checkOpen(store.get(id));
    store.remove(id);
  }

  PageAnswer remark(int id, @Nullable String block, @Nullable String given) {
    BriefingEntity briefing = store.get(id);
    checkOpen(briefing);
    String text = text("text", BriefingWords.WHAT_YOU_REMARK, given, LONGEST_REMARK);
    if (reader.blocks(briefing).stream().noneMatch(one -> one.id().equals(block))) {
      throw unknown("block", BriefingWords.briefingHasNoBlock(block));
    }
    store.remark(id, String.valueOf(block), text);
    return reader.page(id);
  }

  PageAnswer answer(int id, int remark, @Nullable String given) {
    store.answer(id, remark, text("answer", BriefingWords.YOUR_ANSWER, given, LONGEST_REMARK));
    return reader.page(id);
  }

  /** The span that months of a body name; span-backwards. */
  static Span span(YearMonth from, YearMonth to) {
    if (to.isBefore(from)) {
      throw Refusal.of("span-backwards", BriefingWords.LAST_MONTH_IS_BEFORE_FIRST);
    }
    return new Span(from, to);
  }
}
