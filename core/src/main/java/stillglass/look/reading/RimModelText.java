package stillglass.look.reading;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import stillglass.look.ModelText;

/// The model of rims as lines of text, one knot a line: `TRAIT KNOT WEIGHT`.
final class RimModelText {
    private static final String RESOURCE = "rims.txt";

    private RimModelText() {}

    static RimModel shipped() {
        return parse(ModelText.lines(RimModelText.class, RESOURCE));
    }

    /// @throws IllegalArgumentException with the line that is not understood
    static RimModel parse(List<String> lines) {
        Map<RimTrait, List<double[]>> rows = new EnumMap<>(RimTrait.class);
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i).strip();
            if (!line.isEmpty() && !line.startsWith("#")) {
                String[] part = line.split("\\s+");
                try {
                    RimTrait trait = RimTrait.valueOf(part[0].toUpperCase(Locale.ROOT).replace('-', '_'));
                    rows.computeIfAbsent(trait, t -> new ArrayList<>()).add(new double[] {Double.parseDouble(part[1]), Double.parseDouble(part[2])});
                } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
                    throw new IllegalArgumentException("line " + (i + 1) + ": \"TRAIT KNOT WEIGHT\" expected, found \"" + line + "\"", e);
                }
            }
        }
        double[][] knots = new double[RimTrait.values().length][];
        double[][] weights = new double[knots.length][];
        for (RimTrait t : RimTrait.values()) {
            List<double[]> of = rows.getOrDefault(t, List.of());
            knots[t.ordinal()] = of.stream().mapToDouble(r -> r[0]).toArray();
            weights[t.ordinal()] = of.stream().mapToDouble(r -> r[1]).toArray();
        }
        return new RimModel(knots, weights);
    }

    static String print(RimModel model) {
        StringBuilder out = new StringBuilder();
        for (RimTrait t : RimTrait.values()) {
            for (int k = 0; k < model.knots[t.ordinal()].length; k++) {
                out.append(String.format(Locale.ROOT, "%-12s %.4f %.3f%n", t.word(), model.knots[t.ordinal()][k], model.weights[t.ordinal()][k]));
            }
        }
        return out.toString();
    }
}
