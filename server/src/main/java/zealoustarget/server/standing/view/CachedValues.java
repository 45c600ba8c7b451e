package zealoustarget.server.standing.view;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.xml.namespace.QName;
import javax.xml.stream.XMLEventFactory;
import javax.xml.stream.XMLEventReader;
import javax.xml.stream.XMLEventWriter;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.events.XMLEvent;

/**
 * Writes beside each formula of a workbook the value that it computes, so that a preview, a phone
 * or a program that does not calculate shows figures and not empty cells. The library that writes
 * workbooks leaves these values out.
 */
public final class CachedValues {
  private static final XMLInputFactory IN = XMLInputFactory.newDefaultFactory();
  private static final XMLOutputFactory OUT = XMLOutputFactory.newDefaultFactory();
  private static final XMLEventFactory EVENTS = XMLEventFactory.newDefaultFactory();

  private static final QName CELL = new QName("r");

  static {
    IN.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    IN.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
  }

  private CachedValues() {}

  /**
   * Copies a workbook.
   *
   * @param sheet name of the entry whose formulas get values
   * @param values decimal text by cell, such as {@code "D5"}
   */
  public static void add(Path workbook, String sheet, Map<String, String> values, OutputStream out)
      throws IOException {
    add(workbook, Map.of(sheet, values), out);
  }

  /** The same for several sheets, each with its values. */
  public static void add(Path workbook, Map<String, Map<String, String>> bySheet, OutputStream out)
      throws IOException {
    ZipOutputStream copy = new ZipOutputStream(out);
    try (ZipFile zip = new ZipFile(workbook.toFile())) {
      for (ZipEntry entry : Collections.list(zip.entries())) {
        copy.putNextEntry(new ZipEntry(entry.getName()));
        try (InputStream content = zip.getInputStream(entry)) {
          Map<String, String> values = bySheet.get(entry.getName());
          if (values != null) {
            withValues(content, values, copy);
          } else {
            content.transferTo(copy);
          }
        }
        copy.closeEntry();
      }
    }
    copy.finish();
  }

  private static void withValues(InputStream xml, Map<String, String> values, OutputStream out)
      throws IOException {
    try {
      XMLEventReader reader = IN.createXMLEventReader(xml, StandardCharsets.UTF_8.name());
      XMLEventWriter writer = OUT.createXMLEventWriter(out, StandardCharsets.UTF_8.name());
      String cell = "";
      while (reader.hasNext()) {
        XMLEvent event = reader.nextEvent();
        writer.add(event);
        if (event.isStartElement() && isNamed(event, "c")) {
          cell = event.asStartElement().getAttributeByName(CELL).getValue();
        } else if (event.isEndElement()
            && event.asEndElement().getName().getLocalPart().equals("f")
            && values.containsKey(cell)) {
          var name = event.asEndElement().getName();
          writer.add(EVENTS.createStartElement(name.getPrefix(), name.getNamespaceURI(), "v"));
          writer.add(EVENTS.createCharacters(values.get(cell)));
          writer.add(EVENTS.createEndElement(name.getPrefix(), name.getNamespaceURI(), "v"));
        }
      }
      writer.flush();
    } catch (XMLStreamException unreadable) {
      throw new IOException(unreadable);
    }
  }

  private static boolean isNamed(XMLEvent event, String name) {
    return event.asStartElement().getName().getLocalPart().equals(name);
  }
}
