package stillglass.benchmarks;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import stillglass.book.data.Shelf;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.RayBundle;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.LensReport;
import stillglass.optics.sharpness.SpotSurvey;

/// Ray-surface intersections a second on one thread, and the whole report of a lens.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class RayTraceBench {
    private static final int RAYS = 2_000;
    private static final int SURFACES = 11;

    private final LensSection lens = new Shelf().section("fell_52_f2");
    private final LensSection seven = new Shelf().section("rill_57_f14");
    private final LensSection wrong = LensFault.apply(seven, List.of(LensFault.parse("gap:2:0.5")), LensFault.Seating.RIM).lens();
    private final ExactTrace trace = new ExactTrace(lens, 587.6);
    private final RayBundle rays = new RayBundle(RAYS);

    /// One operation is one ray meeting one surface.
    @Benchmark
    @OperationsPerInvocation(RAYS * SURFACES)
    @OutputTimeUnit(TimeUnit.SECONDS)
    public double intersections() {
        for (int i = 0; i < RAYS; i++) {
            rays.launch(i, 0, 12.0 * i / RAYS, 0, 0.02);
        }
        trace.through(rays);
        return rays.yMm(RAYS - 1);
    }

    /// Spot and transfer at three fields and three wavelengths.
    @Benchmark
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MILLISECONDS)
    public LensReport report() {
        return LensReport.of(lens, lens);
    }

    /// Focus and spots at three fields of a seven-element lens with one wrong gap.
    @Benchmark
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MILLISECONDS)
    public SpotSurvey oneFault() {
        return SpotSurvey.of(wrong, seven);
    }
}
