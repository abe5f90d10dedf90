package stillglass.benchmarks;

import java.util.List;
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
import stillglass.fault.ChartPicture;
import stillglass.fault.Diagnosis;
import stillglass.fault.Observation;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;

/// What is wrong with a lens of seven glasses: all single faults, the likeliest pairs, and the picture of a chart.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class FaultBench {
    private final LensSection seven = new Shelf().section("rill_57_f14");
    private final List<Observation> seen = List.of(Observation.of(Observation.What.INFINITY_ERROR_MM, 0.42, 0.02), Observation.spot(0, 34, 3), Observation.spot(0.7, 88, 9));

    @Benchmark
    public Diagnosis singles() {
        return Diagnosis.of(seven, seen, LensFault.Seating.RIM, false, Progress.SILENT);
    }

    @Benchmark
    public Diagnosis pairs() {
        return Diagnosis.of(seven, seen, LensFault.Seating.RIM, true, Progress.SILENT);
    }

    @Benchmark
    public ChartPicture chart() {
        return ChartPicture.of(seven, List.of(LensFault.parse("reverse:E7")), LensFault.Seating.RIM);
    }
}
