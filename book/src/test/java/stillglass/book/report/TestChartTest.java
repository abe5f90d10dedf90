package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.prove.edge.LightPlane;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.edge.SlantedEdge;

class TestChartTest {
    @TempDir
    Path folder;

    @ParameterizedTest
    @EnumSource
    void everyChartIsASheetOfItsTrueSizeWithItsBarAndItsWords(TestChart chart) throws Exception {
        Path pdf = folder.resolve("c.pdf");
        MatFiles.write(chart.drawn(), pdf);
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            assertThat(d.getPage(0).getMediaBox().getWidth()).isCloseTo(297 * 72 / 25.4f, within(0.5f));
            assertThat(new PDFTextStripper().getText(d)).contains("100 mm");
        }
        Path svg = folder.resolve("c.svg");
        MatFiles.write(chart.drawn(), svg);
        assertThat(Files.readString(svg)).contains("width=\"297.00mm\"", "<polygon points=");
    }

    /// The chart as a perfect camera sees it: every edge of every square is found, at its angle.
    @Test
    void theEdgesOfTheChartAreThoseThatSharpnessLooksFor() throws Exception {
        Path pdf = folder.resolve("edges.pdf");
        MatFiles.write(TestChart.EDGES.drawn(), pdf);
        BufferedImage image;
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            image = new PDFRenderer(d).renderImageWithDPI(0, 100);
        }
        float[] light = new float[image.getWidth() * image.getHeight()];
        for (int i = 0; i < light.length; i++) {
            light[i] = 0.05f + 0.8f * (image.getRGB(i % image.getWidth(), i / image.getWidth()) >> 8 & 255) / 255f;
        }
        List<SlantedEdge> edges = SharpnessReading.of(new LightPlane(image.getWidth(), image.getHeight(), light)).edges();
        assertThat(edges.stream().filter(e -> e.length() > 80)).hasSize(60);
        assertThat(edges.stream().filter(e -> e.length() > 80)).allSatisfy(e -> assertThat(Math.abs(Math.IEEEremainder(e.angleDeg() - 5, 90))).isLessThan(0.3));
    }
}
