package stillglass.benchmarks;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.book.photo.PhotoFiles;
import stillglass.grade.OwnersUse;
import stillglass.look.FindingKind;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.reading.PhotoGrading;
import stillglass.optics.LensSection;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.say.Wording;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.truth.HiddenTruth;
import stillglass.ticket.Assessment;
import stillglass.ticket.glass.Known;

/// What a technician waits for: grading a photo, tracing a finding through every stop, planning the way in.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(value = 1, jvmArgsAppend = {"-Xmx1g", "-Djava.awt.headless=true"})
public class BenchWork {
    private final Shelf shelf = new Shelf();
    private final LensSection lens = shelf.section("fell_52_f2");
    private final Instrument instrument = shelf.instrument("ostrel_52_f2");
    private final byte[] twelveMegapixels = photograph(4000, 3000);
    private final LinearPhoto working = PhotoFiles.linear("bench.png", twelveMegapixels);
    private final Known finding = new Known("p#1", "p", graded(working).findings().getFirst(), Optional.of(1), Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), Map.of(), Optional.empty(), List.of());

    private byte[] photograph(int width, int height) {
        HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0.6, 0.5, 0.5, 0.7, 21)), 0);
        var shot = InspectionCamera.photograph(lens, truth, new Pose(width, height, 0.5, 0.5, 0.43, 6, stillglass.look.Lighting.AGAINST, 4));
        var out = new java.io.ByteArrayOutputStream();
        try {
            javax.imageio.ImageIO.write(shot.picture(), "jpeg", out);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static PhotoGrading.Graded graded(LinearPhoto photo) {
        return switch (PhotoGrading.grade(photo, PhotoGrading.Given.NOTHING, Progress.SILENT)) {
            case PhotoGrading.Outcome.Seen s -> s.graded();
            case PhotoGrading.Outcome.Refused r -> throw new IllegalStateException(Wording.core().say(r.why()));
        };
    }

    /// A 12 MP JPEG from bytes to findings.
    @Benchmark
    public PhotoGrading.Graded gradeTwelveMegapixels() {
        return graded(PhotoFiles.linear("bench.jpg", twelveMegapixels));
    }

    /// One fungus colony at every stop and 81 picture points.
    @Benchmark
    public Assessment assessFungus() {
        return Assessment.of(finding, false, shelf.footprints("fell_52_f2"), instrument, shelf.gradeRules(), OwnersUse.ANY, Progress.SILENT);
    }

    /// The showpiece to both helicoids, two glasses and the shims.
    @Benchmark
    public Optional<WayIn.Plan> planShowpiece() {
        return WayIn.plan(instrument, List.of(new Goal.ReachPart("middle_helicoid"), new Goal.ReachPart("E1"), new Goal.ReachSurface(4), new Goal.ReachPart("shims")),
                Set.of(), Set.of(), PlanCost.USUAL);
    }
}
