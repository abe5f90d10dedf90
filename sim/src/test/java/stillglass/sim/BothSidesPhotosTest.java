package stillglass.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.grade.BothSides;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.reading.PhotoGrading;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.truth.HiddenTruth;

/// Photos of one lens from the front and from the rear, read like any photo.
class BothSidesPhotosTest {
    private static final int INNER = 2;

    private static LensSection lens() {
        Medium crown = new Medium.Glass(1.6, 60, "");
        Medium air = new Medium.Air();
        return new LensSection("test", "", 70, 4, 43.2, List.of(486.1, 587.6, 656.3), List.of(
                new Surface(60, 5, crown, 16, false), new Surface(-200, 7, air, 15, false), new Surface(-90, 3, crown, 14, false),
                new Surface(150, 5, air, 13, false), new Surface(Double.POSITIVE_INFINITY, 5, air, 12, true),
                new Surface(400, 4, crown, 14, false), new Surface(-60, 50, air, 15, false)),
                List.of(new Element("E1", 0, 1, 33, "G1", 3, 1, List.of()), new Element("E2", 2, 3, 31, "G2", 3, 1, List.of()),
                        new Element("E3", 5, 6, 31, "G3", 3, 1, List.of())),
                new LensSection.Focusing("unit", List.of()));
    }

    private static List<Finding> read(Pose pose, HiddenTruth truth) {
        var picture = InspectionCamera.photograph(lens(), truth, pose).picture();
        int w = picture.getWidth();
        int h = picture.getHeight();
        PhotoGrading.Outcome seen = PhotoGrading.grade(LinearPhoto.ofSrgb(w, h, picture.getRGB(0, 0, w, h, null, 0, w)), PhotoGrading.Given.NOTHING, Progress.SILENT);
        return ((PhotoGrading.Outcome.Seen) seen).graded().findings();
    }

    @Test
    void coloniesOnAnInnerFaceAreKnownAgainFromBehind() {
        int seen = 0;
        int one = 0;
        List<Double> wrong = new ArrayList<>();
        for (long seed = 40; seed < 43; seed++) {
            double turn = 1 + 1.1 * seed;
            double x = 0.6 * Math.cos(turn);
            double y = 0.6 * Math.sin(turn);
            HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, INNER, x, y, 0.3, 1.0, seed)), 0);
            Pose pose = new Pose(700, 560, 0.5, 0.5, 0.43, 8, Lighting.AGAINST, seed);
            Optional<Finding> front = colony(read(pose, truth));
            Optional<Finding> rear = colony(read(pose.lookingFromRear().again(seed + 100), truth));
            if (front.isEmpty() || rear.isEmpty()) {
                continue;
            }
            seen++;
            BothSides both = new BothSides(front.get(), rear.get());
            one += both.oneFault(lens()) ? 1 : 0;
            // The same colony half a turn on is another one.
            Finding r = rear.get();
            Finding turned = new Finding(r.kind(), r.confidence(), List.of(), r.areaShare(), r.count(), -r.x(), -r.y(), r.contrast(), r.severity(), r.reasons());
            wrong.add(new BothSides(front.get(), turned).least(lens()));
        }
        assertThat(seen).as("colonies seen from both sides").isGreaterThanOrEqualTo(2);
        assertThat(one).as("known again").isEqualTo(seen);
        assertThat(wrong).allMatch(x -> x > 50);
    }

    private static Optional<Finding> colony(List<Finding> all) {
        return all.stream().filter(f -> f.kind() == FindingKind.FUNGUS).max(Comparator.comparingDouble(Finding::areaShare));
    }
}
