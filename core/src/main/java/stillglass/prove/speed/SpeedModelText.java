package stillglass.prove.speed;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;

/// The table of patterns as it ships: a line for each bell, its fault, its share, means, and the lower half of its covariance row by row.
public final class SpeedModelText {
    private static final String RESOURCE = "/stillglass/prove/speed/patterns.txt";
    private static final SpeedModel SHIPPED = read();

    private SpeedModelText() {}

    /// What ships.
    public static SpeedModel shipped() {
        return SHIPPED;
    }

    private static SpeedModel read() {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(Objects.requireNonNull(SpeedModelText.class.getResourceAsStream(RESOURCE)), StandardCharsets.UTF_8))) {
            return parse(in.lines().toList());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static SpeedModel parse(List<String> lines) {
        List<SpeedModel.Bell> bells = new ArrayList<>();
        for (String line : lines) {
            if (line.isBlank() || line.startsWith("#")) {
                continue;
            }
            String[] w = line.strip().split("\\s+");
            int n = SpeedModel.NODES;
            SimpleMatrix mean = new SimpleMatrix(n, 1);
            SimpleMatrix covariance = new SimpleMatrix(n, n);
            int at = 2;
            for (int i = 0; i < n; i++) {
                mean.set(i, Double.parseDouble(w[at++]));
            }
            for (int i = 0; i < n; i++) {
                for (int j = 0; j <= i; j++) {
                    double c = Double.parseDouble(w[at++]);
                    covariance.set(i, j, c);
                    covariance.set(j, i, c);
                }
            }
            bells.add(new SpeedModel.Bell(SpeedFault.valueOf(w[0]), Double.parseDouble(w[1]), mean, covariance));
        }
        return new SpeedModel(bells);
    }

    /// A model as it is read again.
    public static String print(SpeedModel model) {
        return model.bells().stream().map(b -> b.fault() + " " + number(b.share()) + " " + IntStream.range(0, SpeedModel.NODES).mapToObj(i -> number(b.mean().get(i))).collect(Collectors.joining(" ")) + " "
                + IntStream.range(0, SpeedModel.NODES).boxed().flatMap(i -> IntStream.rangeClosed(0, i).mapToObj(j -> number(b.covariance().get(i, j)))).collect(Collectors.joining(" "))).collect(Collectors.joining("\n", "", "\n"));
    }

    private static String number(double v) {
        return String.format(Locale.ROOT, "%.4f", v);
    }
}
