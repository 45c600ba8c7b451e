package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Document;

/** Drawings are taken along and looked at: marks, title, legend, scale and figures, on white. */
class TakeAlongIT {
  private static final int WHITE = 0xFFFFFF;

  @TempDir static Path data;
  private static App app;
  private static Browser browser;

  @BeforeAll
  static void open() {
    app = App.demo(data);
    browser = Browser.open(app);
  }

  @AfterAll
  static void close() {
    browser.close();
    app.close();
  }

  @Test
  void chartOfRows_hasItsMarks_inLightAndDark() throws Exception {
    for (boolean isDark : new boolean[] {false, true}) {
      browser.dark(isDark);
      String month = isDark ? "2026-08" : "2026-10";
      browser.go("/standing?to=" + month);
      browser.awaitRow("Wren Halloway", "Northern Sounds");
      browser.button("Export");
      browser.menuItem("Chart as SVG");
      Document svg = parsed(browser.saved("standing rep " + month + ".svg"));
      String text = svg.getDocumentElement().getTextContent();
      assertThat(text).contains("Wren Halloway", "goal: quota", "shortfall", "100 %", "2026 is");
      assertThat(svg.getElementsByTagName("rect").getLength()).isGreaterThan(17);
      assertThat(Files.readString(browser.saved("standing rep " + month + ".svg")))
          .doesNotContain("var(", "position", "-9999");
      browser.button("Export");
      browser.menuItem("Chart as PNG");
      BufferedImage png = ImageIO.read(browser.saved("standing rep " + month + ".png").toFile());
      assertThat(png.getRGB(2, png.getHeight() - 3) & WHITE).as("white ground").isEqualTo(WHITE);
      int width = png.getWidth();
      int height = png.getHeight();
      assertThat(ink(png, 0, 0, width, height / 10)).as("title").isGreaterThan(1_000);
      assertThat(ink(png, 0, height / 4, width / 5, height / 2)).as("names").isGreaterThan(1_000);
      assertThat(ink(png, width / 4, height / 4, width / 2, height / 2))
          .as("bars")
          .isGreaterThan(20_000);
      assertThat(ink(png, width * 3 / 4, height / 4, width / 4, height / 2))
          .as("figures and statuses")
          .isGreaterThan(1_000);
      assertThat(ink(png, 0, height * 19 / 20, width, height / 20)).as("legend").isGreaterThan(200);
    }
    browser.dark(false);
  }

  @Test
  void printedPages_haveTheirHeadAndNumber_andTheBarsOfTheirRows() throws Exception {
    browser.go("/standing?to=2026-10");
    browser.awaitRow("Wren Halloway", "Northern Sounds");
    try (PDDocument pdf = Loader.loadPDF(browser.printed())) {
      PDFTextStripper reader = new PDFTextStripper();
      int pages = pdf.getNumberOfPages();
      for (int page = 1; page <= pages; page++) {
        reader.setStartPage(page);
        reader.setEndPage(page);
        assertThat(reader.getText(pdf))
            .as("page %d", page)
            .contains(
                "Saltmarsh Chandlery: October 2026", "quota", "Page " + page + " of " + pages);
      }
      reader.setStartPage(1);
      String text = reader.getText(pdf).replace('\u202f', ' ');
      assertThat(text).contains("Dario Venn", "42 345.13").doesNotContain("Export", "Next");
      BufferedImage first = new PDFRenderer(pdf).renderImage(0);
      assertThat(coloured(first)).as("bars and shading").isGreaterThan(3_000);
    }
  }

  /** Pixels that are neither black, white nor grey. */
  private static int coloured(BufferedImage picture) {
    int coloured = 0;
    for (int y = 0; y < picture.getHeight(); y++) {
      for (int x = 0; x < picture.getWidth(); x++) {
        int rgb = picture.getRGB(x, y);
        int red = rgb >> 16 & 0xff;
        int blue = rgb & 0xff;
        coloured += Math.abs(red - blue) > 60 ? 1 : 0;
      }
    }
    return coloured;
  }

  private static Document parsed(Path svg) throws Exception {
    return DocumentBuilderFactory.newDefaultNSInstance().newDocumentBuilder().parse(svg.toFile());
  }

  /** How many pixels of a part of the picture are not white. */
  private static int ink(BufferedImage picture, int left, int top, int width, int height) {
    int ink = 0;
    for (int y = top; y < top + height; y++) {
      for (int x = left; x < left + width; x++) {
        ink += (picture.getRGB(x, y) & WHITE) == WHITE ? 0 : 1;
      }
    }
    return ink;
  }
}
