package zealoustarget.server;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.Workbook;

/** Workbooks for tests, made by a library and spoiled by hand. */
final class Workbooks {
  private Workbooks() {}

  /** A workbook that {@code fill} writes. */
  static byte[] of(Consumer<Workbook> fill) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (Workbook book = new Workbook(out, "test", "1.0")) {
      fill.accept(book);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  /** The same workbook with one more part. */
  static byte[] with(byte[] workbook, String name, byte[] content) {
    return rewritten(workbook, name, null, content);
  }

  /** The same workbook with a text replaced in one of its parts. */
  static byte[] replaced(byte[] workbook, String part, String from, String to) {
    return rewritten(workbook, part, from, to.getBytes(StandardCharsets.UTF_8));
  }

  private static byte[] rewritten(byte[] workbook, String name, String from, byte[] content) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipFile in =
            ZipFile.builder()
                .setSeekableByteChannel(new SeekableInMemoryByteChannel(workbook))
                .get();
        ZipOutputStream zip = new ZipOutputStream(out)) {
      for (ZipArchiveEntry entry : Collections.list(in.getEntries())) {
        zip.putNextEntry(new ZipEntry(entry.getName()));
        byte[] bytes = in.getInputStream(entry).readAllBytes();
        if (from != null && entry.getName().equals(name)) {
          String text = new String(bytes, StandardCharsets.UTF_8);
          if (!text.contains(from)) {
            throw new IllegalArgumentException(name + " has no " + from);
          }
          bytes =
              text.replace(from, new String(content, StandardCharsets.UTF_8))
                  .getBytes(StandardCharsets.UTF_8);
        }
        zip.write(bytes);
      }
      if (from == null) {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content);
      }
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  /** The least that the standard allows: one sheet of inline texts and numbers, no style part. */
  static byte[] minimal(String... rows) {
    StringBuilder cells = new StringBuilder();
    for (int row = 0; row < rows.length; row++) {
      cells.append("<row r=\"").append(row + 1).append("\">");
      for (String cell : rows[row].split(",", -1)) {
        cells.append(
            cell.matches("-?[\\d.]+")
                ? "<c><v>" + cell + "</v></c>"
                : "<c t=\"inlineStr\"><is><t>" + cell + "</t></is></c>");
      }
      cells.append("</row>");
    }
    String main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    String relations = "http://schemas.openxmlformats.org/package/2006/relationships";
    String office = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    String types = "application/vnd.openxmlformats-officedocument.spreadsheetml.";
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      put(
          zip,
          "[Content_Types].xml",
          "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">"
              + "<Default Extension=\"rels\""
              + " ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>"
              + "<Override PartName=\"/xl/workbook.xml\" ContentType=\""
              + types
              + "sheet.main+xml\"/><Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\""
              + types
              + "worksheet+xml\"/></Types>");
      put(
          zip,
          "_rels/.rels",
          "<Relationships xmlns=\""
              + relations
              + "\"><Relationship Id=\"r1\" Type=\""
              + office
              + "/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>");
      put(
          zip,
          "xl/workbook.xml",
          "<workbook xmlns=\""
              + main
              + "\" xmlns:r=\""
              + office
              + "\"><sheets><sheet name=\"A\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>");
      put(
          zip,
          "xl/_rels/workbook.xml.rels",
          "<Relationships xmlns=\""
              + relations
              + "\"><Relationship Id=\"r1\" Type=\""
              + office
              + "/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>");
      put(
          zip,
          "xl/worksheets/sheet1.xml",
          "<worksheet xmlns=\"" + main + "\"><sheetData>" + cells + "</sheetData></worksheet>");
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    return out.toByteArray();
  }

  private static void put(ZipOutputStream zip, String name, String content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(content.getBytes(StandardCharsets.UTF_8));
    zip.closeEntry();
  }
}
