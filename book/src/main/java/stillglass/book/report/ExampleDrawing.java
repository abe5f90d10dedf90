package stillglass.book.report;

import java.awt.image.BufferedImage;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import stillglass.book.photo.PngFile;
import stillglass.grade.GradeRules;
import stillglass.grade.Grader;
import stillglass.grade.Shades;
import stillglass.grade.ShowThrough;
import stillglass.grade.example.ExamplePicture;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.Assessment;

/// What was found, on a scene: for an owner to whom a share says nothing.
public final class ExampleDrawing {
    /// Grade from which it is worth a picture.
    private static final int WORTH = 2;

    private ExampleDrawing() {}

    /// @return a scene with what was found, at the stop where it does most, and with a clean lens; empty where nothing would be seen of it
    static Report.Block of(List<Assessment> assessments, LensSection lens, Footprints.Picture picture, GradeRules rules) {
        Said heading = Said.of("report.example");
        if (assessments.stream().noneMatch(a -> a.standingGrade() >= WORTH)) {
            return new Report.Block.Drawn(heading, List.of());
        }
        Shades all = Shades.together(assessments.stream().map(a -> a.shown().shades()).toList());
        int stop = IntStream.range(0, all.stops().size()).boxed().max(Comparator.comparingDouble(j -> harm(all.effect(j)))).orElse(0);
        List<ExamplePicture.Layer> layers = assessments.stream().sorted(Comparator.comparingInt(Assessment::surface))
                .map(a -> new ExamplePicture.Layer(a.shown().shades(), rules.optics(a.known().finding().kind()).lobe(), a.shown().streaks())).toList();
        double wide = ExamplePicture.widthDeg(picture.widthMm(), lens.nominalFocalLengthMm());
        return new Report.Block.Drawn(heading, List.of(
                new Report.Drawing(png(ExamplePicture.of(wide, layers, stop)), Said.of("report.example.found", "stop", Grader.stop(all.stops().get(stop)))),
                new Report.Drawing(png(ExamplePicture.of(wide, List.of(), 0)), Said.of("report.example.clean"))));
    }

    private static double harm(ShowThrough.Effect e) {
        return e.deepestShadow() + e.veil();
    }

    /// A PNG file of a drawn scene.
    public static byte[] png(int[] pixels) {
        BufferedImage image = new BufferedImage(ExamplePicture.WIDE, ExamplePicture.HIGH, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, ExamplePicture.WIDE, ExamplePicture.HIGH, pixels, 0, ExamplePicture.WIDE);
        return PngFile.of(image);
    }
}
