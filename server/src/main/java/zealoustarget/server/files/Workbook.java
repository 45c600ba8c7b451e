package zealoustarget.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CancellationException;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.dhatim.fastexcel.reader.SheetVisibility;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.server.platform.storage.TemporaryFiles;

/**
 * One sheet of an XLSX workbook (ISO/IEC 29500). Formulas count by their stored values, macros are
 * never run, and the unpacked size is limited before anything is parsed.
 */
final class Workbook implements TableFile {
  private static final ReadingOptions WITH_FORMATS = new ReadingOptions(true, true);
  private static final ReadingOptions WITHOUT_FORMATS = new ReadingOptions(false, true);
  private static final int MOST_ENTRIES = 10_000;

  private final Upload upload;
  private final FileLimits limits;
  private final TemporaryFiles temporary;
  private final List<String> sheets;
  private final String sheet;
  private final Parts parts;

  /** What there is in the archive; the style part may be left out, then nothing is a date. */
  private record Parts(boolean hasMacros, boolean hasStyles) {}

  private Workbook(
      Upload upload,
      FileLimits limits,
      TemporaryFiles temporary,
      List<String> sheets,
      String sheet,
      Parts parts) {
    this.upload = upload;
    this.temporary = temporary;
    this.limits = limits;
    this.sheets = sheets;
    this.sheet = sheet;
    this.parts = parts;
  }

  /** Opens a sheet by its name, the first visible one where none is given. */
  static Workbook open(Upload upload, String wanted, FileLimits limits, TemporaryFiles temporary)
      throws IOException {
    Parts parts;
    List<String> sheets;
    try (OnDisk file = OnDisk.of(upload, temporary)) {
      parts = look(upload, file, limits);
      sheets = sheets(upload, file, parts);
    }
    if (sheets.isEmpty()) {
      throw unreadable(upload);
    }
    String sheet = wanted.isBlank() ? sheets.get(0) : wanted;
    if (!sheets.contains(sheet)) {
      throw Refusal.of(
              "sheet-unknown", FilesWords.workbookHasNoSheet(sheet, String.join(", ", sheets)))
          .with("allowed", sheets);
    }
    return new Workbook(upload, limits, temporary, sheets, sheet, parts);
  }

  private static List<String> sheets(Upload upload, OnDisk file, Parts parts) {
    try (ReadableWorkbook book = book(file, parts)) {
      return parsed(
          upload,
          () ->
              book.getSheets()
                  .filter(sheet -> sheet.getVisibility() == SheetVisibility.VISIBLE)
                  .map(Sheet::getName)
                  .filter(Objects::nonNull)
                  .toList());
    } catch (ExcelReaderException | IOException broken) {
      throw unreadable(upload);
    }
  }

  @Override
  public void read(LineVisitor visitor) {
    try (OnDisk file = OnDisk.of(upload, temporary);
        ReadableWorkbook book = book(file, parts);
        Stream<Row> rows = book.findSheet(sheet).orElseThrow().openStream()) {
      boolean is1904 = book.isDate1904();
      int number = 0;
      Iterator<Row> all = rows.iterator();
      while (parsed(all::hasNext)) {
        Row row = parsed(all::next);
        List<String> cells = parsed(() -> cells(row, is1904));
        if (!TableFile.isBlank(cells)) {
          limits.check(row.getRowNum(), cells, number++);
          visitor.visit(row.getRowNum(), cells, false);
        }
      }
      if (number == 0) {
        throw Refusal.of("file-empty", FilesWords.sheetIsEmpty(sheet));
      }
    } catch (ExcelReaderException | IOException broken) {
      throw unreadable(upload);
    }
  }

  /** What the library makes of a part that is not as it should be: it fails in many ways. */
  private <T> T parsed(Supplier<T> step) {
    return parsed(upload, step);
  }

  private static <T> T parsed(Upload upload, Supplier<T> step) {
    try {
      return step.get();
    } catch (Refusal | CancellationException own) {
      throw own;
    } catch (RuntimeException broken) {
      throw unreadable(upload);
    }
  }

  @Override
  public String dialect() {
    return "workbook";
  }

  @Override
  public boolean isCommaGrouping() {
    return true;
  }

  @Override
  public List<String> sheets() {
    return sheets;
  }

  @Override
  public String sheet() {
    return sheet;
  }

  @Override
  public List<Finding> findings() {
    return parts.hasMacros() ? List.of(Finding.of(1, null, FindingCode.MACROS_IGNORED)) : List.of();
  }

  private static List<String> cells(Row row, boolean is1904) {
    List<String> cells = new ArrayList<>(row.getCellCount());
    for (int at = 0; at < row.getCellCount(); at++) {
      Cell cell = row.getCell(at);
      cells.add(cell == null ? "" : SheetCell.text(cell, is1904));
    }
    return cells;
  }

  /** Unpacks every part once into nothing, counting; says what there is. */
  private static Parts look(Upload upload, OnDisk file, FileLimits limits) throws IOException {
    boolean hasMacros = false;
    boolean isWorkbook = false;
    boolean hasStyles = false;
    try (ZipFile zip = ZipFile.builder().setPath(file.path()).get()) {
      long left = limits.workbook().toBytes();
      int entries = 0;
      for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
        hasMacros |= entry.getName().endsWith("vbaProject.bin");
        hasStyles |= entry.getName().equals("xl/styles.xml");
        isWorkbook |= entry.getName().equals("xl/workbook.xml");
        PartScan scan = entry.getName().endsWith(".xml") ? new PartScan(limits.cell()) : null;
        try (InputStream content = zip.getInputStream(entry)) {
          left -= size(content, left, scan);
        }
        if (scan != null && scan.isBeyond()) {
          throw unreadable(upload);
        }
        if (scan != null && scan.isTooLong()) {
          throw limits.longCell();
        }
        if (left < 0 || ++entries > MOST_ENTRIES) {
          throw tooLarge(upload, limits);
        }
      }
    } catch (IOException broken) {
      throw unreadable(upload);
    }
    if (!isWorkbook) {
      throw Refusal.of("file-not-text", FilesWords.isArchiveNotWorkbook(upload.name()));
    }
    return new Parts(hasMacros, hasStyles);
  }

  /** How much there is, counted and looked through only until it is too much. */
  private static long size(InputStream content, long most, @Nullable PartScan scan)
      throws IOException {
    byte[] buffer = new byte[65_536];
    long size = 0;
    for (int read = content.read(buffer); read >= 0 && size <= most; read = content.read(buffer)) {
      size += read;
      if (scan != null) {
        scan.see(buffer, read);
        if (scan.isTooLong() || scan.isBeyond()) {
          return size;
        }
      }
    }
    return size;
  }

  private static Refusal tooLarge(Upload upload, FileLimits limits) {
    return Refusal.of(
        "workbook-too-large", FilesWords.unpacksToTooMuch(upload.name(), limits.workbook()));
  }

  private static ReadableWorkbook book(OnDisk file, Parts parts) throws IOException {
    try {
      return new ReadableWorkbook(
          file.path().toFile(), parts.hasStyles() ? WITH_FORMATS : WITHOUT_FORMATS);
    } catch (Refusal | CancellationException own) {
      throw own;
    } catch (RuntimeException broken) {
      throw new IOException(broken);
    }
  }

  private static Refusal unreadable(Upload upload) {
    return Refusal.of("workbook-unreadable", FilesWords.cannotBeReadAsWorkbook(upload.name()));
  }
}
