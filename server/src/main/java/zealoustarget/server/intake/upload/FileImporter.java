package zealoustarget.server.intake.upload;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.header.ColumnGuess;
import zealoustarget.core.intake.header.HeaderFinder;
import zealoustarget.core.intake.lines.ColumnWatch;
import zealoustarget.server.files.FileLooker;
import zealoustarget.server.files.OriginalStore;
import zealoustarget.server.files.TableFile;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.posting.Progress;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.intake.sheet.StoredSheet;
import zealoustarget.server.rules.RulesService;

/** Takes a file in: keeps it as it came, and its lines cell by cell. */
@Component
class FileImporter {
  private final FileLooker looker;
  private final OriginalStore originals;
  private final SheetStore sheets;
  private final RulesService companyRules;

  FileImporter(
      FileLooker looker, OriginalStore originals, SheetStore sheets, RulesService companyRules) {
    this.looker = looker;
    this.originals = originals;
    this.sheets = sheets;
    this.companyRules = companyRules;
  }

  /** Looks what a file is; refuses one that is none, before anything is kept. */
  TableFile look(Upload upload, LoadRequest request) {
    return looker.open(upload, request.sheet());
  }

  String contentHash(Upload upload) {
    return looker.contentHash(upload);
  }

  /**
   * Reads a file's lines and keeps them; the original is packed beside that.
   *
   * @param file the same upload, as {@link #look} has opened it
   * @throws Refusal file-unreadable, file-beyond-limits
   */
  void read(
      int loadId,
      Upload upload,
      TableFile file,
      String contentHash,
      LoadRequest request,
      Progress progress) {
    CompletableFuture<Void> keeping =
        CompletableFuture.runAsync(() -> originals.keep(upload, contentHash));
    try {
      sheets.delete(loadId);
      readLines(loadId, file, request, progress);
    } finally {
      await(keeping);
    }
  }

  private void readLines(int loadId, TableFile file, LoadRequest request, Progress progress) {
    Lines lines = new Lines(sheets.writer(loadId), knownTitles(request), progress);
    file.read(lines);
    lines.settleHeader();
    lines.writer.pack();
    List<Finding> findings = new ArrayList<>(file.findings());
    if (lines.above > 0) {
      findings.add(
          Finding.of(1, null, FindingCode.LINES_ABOVE, "count", Integer.toString(lines.above)));
    }
    lines.writer.finish(
        new StoredSheet(
            file.dialect(),
            file.isCommaGrouping(),
            file.sheets(),
            file.sheet(),
            lines.headerLine,
            lines.titles,
            lines.watch.profiles(),
            lines.writer.records(),
            lines.writer.firstRecords(),
            lines.writer.firstLines(),
            lines.cutOffLine,
            findings));
  }

  private Set<String> knownTitles(LoadRequest request) {
    Set<String> known = new HashSet<>(ColumnGuess.knownTitles(companyRules.current().measures()));
    known.addAll(
        request.columns().keySet().stream()
            .map(title -> title.strip().toLowerCase(Locale.ROOT))
            .collect(Collectors.toSet()));
    return known;
  }

  private static void await(CompletableFuture<Void> keeping) {
    try {
      keeping.join();
    } catch (CompletionException failed) {
      if (failed.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw failed;
    }
  }

  /** Finds the header among the first lines, then watches and writes all that follow. */
  private static final class Lines implements TableFile.LineVisitor {
    private final SheetStore.Writer writer;
    private final Set<String> knownTitles;
    private final Progress progress;
    private final ColumnWatch watch = new ColumnWatch();
    private final List<SheetStore.Line> first = new ArrayList<>();
    private List<String> titles = List.of();
    private int headerLine;
    private int above;
    private int cutOffLine;

    Lines(SheetStore.Writer writer, Set<String> knownTitles, Progress progress) {
      this.writer = writer;
      this.knownTitles = knownTitles;
      this.progress = progress;
    }

    @Override
    public void visit(int line, List<String> cells, boolean isCutOff) {
      cutOffLine = isCutOff && cutOffLine == 0 ? line : cutOffLine;
      if (headerLine > 0) {
        add(line, cells);
        return;
      }
      first.add(new SheetStore.Line(line, cells));
      if (first.size() == HeaderFinder.LOOKED) {
        settleHeader();
      }
    }

    void settleHeader() {
      if (headerLine > 0) {
        return;
      }
      if (first.isEmpty()) {
        throw Refusal.of("file-empty", UploadWords.FILE_IS_EMPTY);
      }
      above = HeaderFinder.find(first.stream().map(SheetStore.Line::cells).toList(), knownTitles);
      headerLine = first.get(above).line();
      titles = first.get(above).cells();
      first.subList(above + 1, first.size()).forEach(line -> add(line.line(), line.cells()));
    }

    private void add(int line, List<String> cells) {
      watch.see(cells);
      writer.add(line, cells);
      progress.read(writer.records());
    }
  }
}
