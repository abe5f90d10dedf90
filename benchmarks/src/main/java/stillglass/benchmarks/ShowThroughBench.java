package stillglass.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import stillglass.book.data.Shelf;
import stillglass.grade.Patch;
import stillglass.grade.Shades;
import stillglass.grade.ShowThrough;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// Show-through of twenty ragged findings on all surfaces, at every stop, for 21 × 21 points of the picture.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 6, time = 2)
@Fork(2)
public class ShowThroughBench {
    private static final int FINDINGS = 20;

    private final Shelf shelf = new Shelf();
    /// Seven glasses, eight stops from f/1.4 to f/16.
    private final LensSection lens = shelf.section("rill_57_f14");
    private final Footprints prints = shelf.footprints("rill_57_f14");
    private final List<Finding> findings = ragged();
    private final List<Shades> shades = all().stream().map(ShowThrough.Shown::shades).toList();

    /// Colonies of five threads with sixty corners each.
    private static List<Finding> ragged() {
        SplittableRandom random = new SplittableRandom(7);
        List<Finding> made = new ArrayList<>();
        for (int f = 0; f < FINDINGS; f++) {
            double x = 1.4 * random.nextDouble() - 0.7;
            double y = 1.4 * random.nextDouble() - 0.7;
            List<Finding.Region> regions = new ArrayList<>();
            for (int r = 0; r < 5; r++) {
                List<Finding.Point> outline = new ArrayList<>();
                double cx = x + 0.2 * random.nextDouble();
                double cy = y + 0.2 * random.nextDouble();
                for (int i = 0; i < 60; i++) {
                    double radius = 0.02 + 0.1 * random.nextDouble();
                    outline.add(new Finding.Point(cx + radius * Math.cos(2 * Math.PI * i / 60), cy + radius * Math.sin(2 * Math.PI * i / 60)));
                }
                regions.add(new Finding.Region(outline));
            }
            made.add(new Finding(FindingKind.FUNGUS, 0.9, regions, 0.02, 5, x, y, 0.4, 3, List.of()));
        }
        return made;
    }

    /// From findings in the photo to effects: laid on their surface, followed at every stop, beams traced before.
    @Benchmark
    public List<ShowThrough.Shown> all() {
        List<ShowThrough.Shown> shown = new ArrayList<>();
        for (int i = 0; i < FINDINGS; i++) {
            int surface = i % lens.surfaces().size();
            shown.add(ShowThrough.of(prints, Patch.place(findings.get(i), lens, surface, false), shelf.gradeRules(), Progress.SILENT));
        }
        return shown;
    }

    /// The beams themselves, traced once for a lens.
    @Benchmark
    public Footprints footprints() {
        return Footprints.of(lens, () -> {});
    }

    /// What a turn of the stop slider costs: twenty findings behind each other at every point.
    @Benchmark
    public ShowThrough.Effect sliderTurn() {
        return Shades.together(shades).effect(3);
    }
}
