package zealoustarget.server.briefing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.platform.CompanyName;

/** Briefings as they leave the application: by their blocks, narrowed to what a reader may see. */
@Component
class BriefingDocument {
  private static final int SLICES = 50;
  private static final int DIGITS = 8;

  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);

  private final BriefingStore store;
  private final BriefingReader reader;
  private final FigureReader figures;
  private final ExhibitReader exhibits;
  private final CompanyName company;
  private final CompanyClock clock;

  BriefingDocument(
      BriefingStore store,
      BriefingReader reader,
      FigureReader figures,
      ExhibitReader exhibits,
      CompanyName company,
      CompanyClock clock) {
    this.store = store;
    this.reader = reader;
    this.figures = figures;
    this.exhibits = exhibits;
    this.company = company;
    this.clock = clock;
  }

  /**
   * A briefing to print, send or take along.
   *
   * @param isDraft whether nobody has signed it
   * @param signed who signed it and when, in words; null of a draft
   * @param content what was signed, as it was hashed; null of a draft, and of a narrowed copy
   * @param leftOut how many blocks the reader does not get, in words; null for none
   */
  record Document(
      String company,
      String title,
      boolean isDraft,
      String prepared,
      @Nullable String signed,
      @Nullable String checksum,
      @Nullable String content,
      @Nullable String leftOut,
      List<Part> parts) {
    String fileName() {
      return BriefingWords.draft(BriefingWords.briefing(title).replace(" · ", " "), isDraft);
    }
  }

  /**
   * A block.
   *
   * @param number of a claim, from 1; 0 of other kinds
   * @param text as it is read
   */
  record Part(
      String id,
      String kind,
      int number,
      String text,
      List<Block.Figure> figures,
      @Nullable Drawn exhibit) {
    boolean isClaim() {
      return kind.equals(Block.CLAIM);
    }

    boolean isExhibit() {
      return kind.equals(Block.EXHIBIT);
    }
  }

  /** An exhibit with its bars in percent of the lane, for drawing. */
  record Drawn(
      String title,
      ExhibitData data,
      String caption,
      boolean hasBars,
      String goalAt,
      List<DrawnRow> rows) {}

  /** A row; widths and places are percentages of the lane. */
  record DrawnRow(
      String name,
      List<DrawnCell> cells,
      boolean isTotal,
      boolean hasBar,
      String left,
      String width,
      boolean hasMore,
      String moreWidth,
      String tone,
      @Nullable DrawnStair stair) {}

  /**
   * Pay above sales in slices of the lane, all places in percent.
   *
   * @param sold where the rep stands, {@code paid} how high
   * @param marks where the floor and the ceiling are
   */
  record DrawnStair(
      List<Slice> slices, String sold, String paid, List<String> marks, String tone) {}

  record Slice(String left, String height, boolean isReached) {}

  /** A cell behind the name. */
  record DrawnCell(String text, boolean isFigure) {}

  /** The document for whoever reads, with everything that they may see. */
  Document of(int id) {
    return document(store.get(id), null);
  }

  /**
   * The document for somebody else: what they may see is asked on their behalf, and what gives
   * other figures than here is left out.
   */
  Document forReader(int id, Account reader) {
    BriefingEntity briefing = store.get(id);
    if (reader.role().seesEverything()) {
      return document(briefing, null);
    }
    FigureReader.Answers here = figures.new Answers();
    List<Block> blocks = blocks(briefing);
    Map<String, Object> seen = new HashMap<>();
    blocks.forEach(block -> seen.put(block.id(), read(block, here)));
    Map<String, Object> theirs =
        CurrentAccount.getAsReader(
            reader,
            () -> {
              FigureReader.Answers answers = figures.new Answers();
              Map<String, Object> read = new HashMap<>();
              blocks.forEach(block -> read.put(block.id(), read(block, answers)));
              return read;
            });
    List<String> shown = new ArrayList<>();
    boolean isShown = true;
    for (Block block : blocks) {
      if (!block.kind().equals(Block.TEXT)) {
        isShown =
            isReadable(theirs.get(block.id()))
                && Objects.equals(seen.get(block.id()), theirs.get(block.id()));
      }
      if (isShown) {
        shown.add(block.id()); // a text belongs to what stands before it
      }
    }
    return document(briefing, shown);
  }

  private static boolean isReadable(@Nullable Object read) {
    return read instanceof Map<?, ?> values
        ? values.values().stream().noneMatch(Objects::isNull)
        : read instanceof ExhibitData data && !data.isGone();
  }

  private Object read(Block block, FigureReader.Answers answers) {
    return block.exhibit() == null
        ? BriefingReader.now(block, answers)
        : exhibits.read(block.exhibit(), answers);
  }

  private List<Block> blocks(BriefingEntity briefing) {
    Kept kept = reader.kept(briefing);
    return kept == null ? reader.blocks(briefing) : kept.plainBlocks();
  }

  private Document document(BriefingEntity briefing, @Nullable List<String> shown) {
    Kept kept = reader.kept(briefing);
    FigureReader.Answers answers = figures.new Answers();
    List<Part> parts = new ArrayList<>();
    int number = 0;
    int leftOut = 0;
    for (Block block : blocks(briefing)) {
      if (shown != null && !shown.contains(block.id())) {
        leftOut++;
        continue;
      }
      if (block.kind().equals(Block.CLAIM)) {
        number++;
      }
      ExhibitData data = kept == null ? null : kept.dataOf(block.id());
      if (data == null && block.exhibit() != null) {
        data = exhibits.read(block.exhibit(), answers);
      }
      parts.add(
          new Part(
              block.id(),
              block.kind(),
              block.kind().equals(Block.CLAIM) ? number : 0,
              BriefingReader.sentence(block),
              block.figures(),
              data == null ? null : drawn(block.text(), data)));
    }
    ZoneId zone = clock.getZone();
    boolean isSigned = briefing.isSigned();
    return new Document(
        company.get(),
        briefing.title,
        !isSigned,
        briefing.madeBy + ", " + DAY.format(briefing.madeAt.atZone(zone)),
        isSigned
            ? briefing.signedBy
                + ", "
                + DAY.format(Objects.requireNonNull(briefing.signedAt).atZone(zone))
            : null,
        isSigned && leftOut == 0 ? briefing.checksum : null,
        isSigned && leftOut == 0 ? briefing.signed : null,
        leftOut == 0 ? null : BriefingText.leftOut(leftOut),
        parts);
  }

  private static Drawn drawn(String title, ExhibitData data) {
    boolean hasBars =
        data.rows().stream().anyMatch(row -> row.bar() != null || row.stair() != null);
    return new Drawn(
        title,
        data,
        Stream.of(data.period(), data.unit(), data.source())
            .filter(part -> !part.isEmpty())
            .collect(Collectors.joining(" · ")),
        hasBars,
        percent(data.goalAt() == null ? "0" : data.goalAt()),
        data.rows().stream().map(row -> row(row, data.columns())).toList());
  }

  private static DrawnRow row(ExhibitData.Row row, List<ExhibitData.Column> columns) {
    List<DrawnCell> cells = new ArrayList<>();
    for (int at = 1; at < row.shown().size(); at++) {
      cells.add(new DrawnCell(row.shown().get(at), !columns.get(at).format().equals("text")));
    }
    ExhibitData.Bar bar = row.bar();
    BigDecimal from = bar == null ? BigDecimal.ZERO : new BigDecimal(bar.from());
    BigDecimal to = bar == null ? BigDecimal.ZERO : new BigDecimal(bar.to());
    String more = bar == null ? null : bar.more();
    return new DrawnRow(
        row.shown().get(0),
        cells,
        row.isTotal(),
        bar != null,
        percent(from.toPlainString()),
        percent(to.subtract(from).toPlainString()),
        more != null,
        percent(more == null ? "0" : new BigDecimal(more).subtract(from).toPlainString()),
        bar == null ? "neutral" : bar.tone(),
        row.stair() == null ? null : stair(row.stair()));
  }

  private static DrawnStair stair(ExhibitData.Stair stair) {
    List<Slice> slices = new ArrayList<>();
    BigDecimal at = new BigDecimal(stair.at().sales());
    for (int slice = 0; slice < SLICES; slice++) {
      BigDecimal left = BigDecimal.valueOf(slice).divide(BigDecimal.valueOf(SLICES));
      BigDecimal middle = left.add(new BigDecimal("0.5").divide(BigDecimal.valueOf(SLICES)));
      slices.add(
          new Slice(
              percent(left.toPlainString()),
              percent(height(stair.curve(), middle).toPlainString()),
              middle.compareTo(at) <= 0));
    }
    return new DrawnStair(
        slices,
        percent(stair.at().sales()),
        percent(stair.at().pay()),
        Stream.of(stair.floor(), stair.ceiling())
            .filter(Objects::nonNull)
            .map(BriefingDocument::percent)
            .toList(),
        stair.tone());
  }

  /** How high a curve is at a place between its corners. */
  private static BigDecimal height(List<ExhibitData.Point> curve, BigDecimal at) {
    BigDecimal before = BigDecimal.ZERO;
    BigDecimal height = BigDecimal.ZERO;
    for (ExhibitData.Point point : curve) {
      BigDecimal sales = new BigDecimal(point.sales());
      BigDecimal pay = new BigDecimal(point.pay());
      if (sales.compareTo(at) > 0) {
        return height.add(
            pay.subtract(height)
                .multiply(at.subtract(before))
                .divide(sales.subtract(before), DIGITS, RoundingMode.HALF_UP));
      }
      before = sales;
      height = pay;
    }
    return height;
  }

  private static String percent(String share) {
    return new BigDecimal(share)
        .movePointRight(2)
        .setScale(2, RoundingMode.HALF_UP)
        .toPlainString();
  }

  /** The document as plain text, for a mail. */
  String text(Document document) {
    StringBuilder text = new StringBuilder(document.title()).append('\n');
    if (document.isDraft()) {
      text.append(BriefingWords.DRAFT_NOT_SIGNED);
    }
    for (Part part : document.parts()) {
      text.append('\n');
      if (part.exhibit() == null) {
        text.append(part.isClaim() ? part.number() + ". " : "").append(part.text()).append('\n');
      } else {
        text.append(part.text()).append(" (").append(part.exhibit().caption()).append(")\n");
        table(text, part.exhibit().data());
      }
    }
    text.append(BriefingWords.PREPARED_BY).append(document.prepared()).append('\n');
    if (document.signed() != null) {
      text.append(BriefingWords.SIGNED_BY).append(document.signed()).append('\n');
    }
    if (document.leftOut() != null) {
      text.append(document.leftOut()).append('\n');
    }
    return text.toString();
  }

  private static void table(StringBuilder text, ExhibitData data) {
    if (data.isGone()) {
      text.append(BriefingWords.VIEW_IS_GONE);
      return;
    }
    int columns = data.columns().size();
    int[] widths = new int[columns];
    for (int at = 0; at < columns; at++) {
      int place = at;
      widths[at] =
          Math.max(
              data.columns().get(at).title().length(),
              data.rows().stream()
                  .mapToInt(row -> row.shown().get(place).length())
                  .max()
                  .orElse(0));
    }
    line(text, data.columns().stream().map(ExhibitData.Column::title).toList(), widths);
    data.rows().forEach(row -> line(text, row.shown(), widths));
  }

  private static void line(StringBuilder text, List<String> cells, int[] widths) {
    StringBuilder line = new StringBuilder(" ");
    for (int at = 0; at < cells.size(); at++) {
      line.append(' ')
          .append(
              String.format(
                  "%" + (at == 0 ? "-" : "") + Math.max(1, widths[at]) + "s", cells.get(at)));
    }
    text.append(line.toString().stripTrailing()).append('\n');
  }
}
