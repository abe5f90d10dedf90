package stillglass.benchmarks;

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
import stillglass.prove.edge.LightPlane;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;

/// Ten minutes of a light sensor at 96 kHz with a shot every fifteen seconds; and all edges of a photo of six megapixels.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 4, time = 3)
@Fork(1)
public class ProofBench {
    private static final int RATE = 96_000;
    private static final int SECONDS = 600;

    private final Recording recording = recorded();
    private final LightPlane chart = chart();

    private static Recording recorded() {
        SplittableRandom random = new SplittableRandom(3);
        float[] x = new float[RATE * SECONDS];
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE % 15 - 7;
            double exposure = Math.pow(2, -(i / RATE / 15 % 10));
            x[i] = (float) (0.4 * Math.clamp(t / 0.0006, 0, 1) * Math.clamp((exposure - t) / 0.0006, 0, 1) + 0.01 * (random.nextDouble() - 0.5));
        }
        return Recording.of("ten minutes", RATE, 1, x);
    }

    private static LightPlane chart() {
        int w = 3000;
        int h = 2000;
        float[] v = new float[w * h];
        double c = Math.cos(0.09);
        double s = Math.sin(0.09);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double a = (x % 400 - 200) * c + (y % 400 - 200) * s;
                double b = (y % 400 - 200) * c - (x % 400 - 200) * s;
                v[y * w + x] = (float) (0.7 - 0.55 * Math.clamp(101.5 - Math.abs(a), 0, 3) / 3 * Math.clamp(101.5 - Math.abs(b), 0, 3) / 3);
            }
        }
        return new LightPlane(w, h, v);
    }

    @Benchmark
    public Object tenMinutesOfLight() {
        return ShutterReading.of(List.of(recording), ShutterReading.Kind.LEAF, List.of());
    }

    @Benchmark
    public Object edgesOfAChart() {
        return SharpnessReading.of(chart);
    }
}
