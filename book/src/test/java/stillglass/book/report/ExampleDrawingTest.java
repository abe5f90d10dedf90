package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import stillglass.book.data.Shelf;
import stillglass.grade.OwnersUse;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.Assessment;
import stillglass.ticket.glass.Known;

class ExampleDrawingTest {
    /// An owner is shown what a share means; a lens of which nothing shows needs no picture.
    @Test
    void whatShowsIsDrawnOnAScene() throws Exception {
        Shelf shelf = new Shelf();
        LensSection lens = shelf.section(shelf.sectionIds().getFirst());
        Footprints.Picture picture = Footprints.Picture.distant(lens);
        Finding haze = new Finding(FindingKind.HAZE, 0.9, List.of(new Finding.Region(List.of(new Finding.Point(-0.8, -0.8), new Finding.Point(0.8, -0.8), new Finding.Point(0.8, 0.8), new Finding.Point(-0.8, 0.8)))), 0.8, 1, 0, 0, 0.2, 3, List.of());
        Assessment assessed = Assessment.of(new Known("p1#1", "p1", haze), false, Footprints.of(lens, picture, () -> {}), shelf.instrument(shelf.instrumentIds().getFirst()), shelf.gradeRules(), OwnersUse.ANY, Progress.SILENT);
        Report.Block.Drawn drawn = (Report.Block.Drawn) ExampleDrawing.of(List.of(assessed), lens, picture, shelf.gradeRules());

        assertThat(drawn.drawings()).hasSize(2);
        BufferedImage found = ImageIO.read(new ByteArrayInputStream(drawn.drawings().getFirst().png()));
        BufferedImage clean = ImageIO.read(new ByteArrayInputStream(drawn.drawings().getLast().png()));
        assertThat(found.getRGB(20, 315) & 255).as("the dark quay is veiled").isGreaterThan((clean.getRGB(20, 315) & 255) + 5);
        Report report = new Report(Said.text("t"), Said.text("h"), List.of(drawn), List.of(), Said.text("s"));
        assertThat(HtmlReport.html(report, id -> Optional.empty())).contains("data:image/png;base64,").contains("computed, not photographed");
        assertThat(ExampleDrawing.of(List.of(), lens, picture, shelf.gradeRules()).empty()).isTrue();
    }
}
