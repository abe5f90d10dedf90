package stillglass.look.kinds;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.ModelText;

/// The model as lines of text, one curve knot a line, so that changes can be read in a comparison of versions.
///
/// ```
/// part LIGHTING SIGHT TEMPERATURE      the first look; "again" instead of "part": the second
/// bias       w1 w2 …          evidence for each kind, in the order of FindingKind; last: nothing
/// least      p1 p2 …
/// FEATURE    knot w1 w2 …
/// ```
final class KindModelText {
    private static final String RESOURCE = "kinds.txt";

    private KindModelText() {}

    static KindModel shipped() {
        return parse(ModelText.lines(KindModelText.class, RESOURCE));
    }

    /// @throws IllegalArgumentException with the line that is not understood
    static KindModel parse(List<String> lines) {
        KindModel model = new KindModel();
        int i = 0;
        while (i < lines.size()) {
            String line = lines.get(i).strip();
            if (line.isEmpty() || line.startsWith("#")) {
                i++;
                continue;
            }
            String[] head = line.split("\\s+");
            if (head.length != 4 || !heads(line)) {
                throw new IllegalArgumentException("line " + (i + 1) + ": \"part LIGHTING SIGHT TEMPERATURE\" expected, found \"" + line + "\"");
            }
            int end = i + 1;
            while (end < lines.size() && !heads(lines.get(end))) {
                end++;
            }
            try {
                KindModel.Curves c = curves(lines.subList(i + 1, end), Double.parseDouble(head[3]));
                if (head[0].equals("part")) {
                    model.put(Lighting.valueOf(head[1]), Sight.valueOf(head[2]), c);
                } else {
                    model.putAgain(Lighting.valueOf(head[1]), Sight.valueOf(head[2]), c);
                }
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException("part at line " + (i + 1) + ": " + e.getMessage(), e);
            }
            i = end;
        }
        return model;
    }

    private static boolean heads(String line) {
        return line.startsWith("part") || line.startsWith("again");
    }

    private static KindModel.Curves curves(List<String> lines, double temperature) {
        Map<String, List<double[]>> rows = lines.stream()
                .map(String::strip)
                .filter(l -> !l.isEmpty() && !l.startsWith("#"))
                .collect(Collectors.groupingBy(l -> l.split("\\s+")[0], Collectors.mapping(KindModelText::numbers, Collectors.toList())));
        int features = Feature.values().length;
        double[][] knots = new double[features][];
        double[][][] weights = new double[features][][];
        for (Feature f : Feature.values()) {
            List<double[]> of = rows.getOrDefault(f.word(), List.of());
            knots[f.ordinal()] = of.stream().mapToDouble(r -> r[0]).toArray();
            weights[f.ordinal()] = of.stream().map(r -> Arrays.copyOfRange(r, 1, r.length)).toArray(double[][]::new);
        }
        return new KindModel.Curves(knots, weights, single(rows, "bias"), temperature, single(rows, "least"));
    }

    private static double[] single(Map<String, List<double[]>> rows, String word) {
        List<double[]> of = rows.getOrDefault(word, List.of());
        if (of.size() != 1 || of.getFirst().length != FindingKind.values().length) {
            throw new IllegalArgumentException("one line \"" + word + "\" with a number for each kind is needed");
        }
        return of.getFirst();
    }

    private static double[] numbers(String line) {
        double[] out = Arrays.stream(line.split("\\s+")).skip(1).mapToDouble(Double::parseDouble).toArray();
        int kinds = FindingKind.values().length;
        if (out.length != kinds && out.length != kinds + 1) {
            throw new IllegalArgumentException("\"" + line + "\" has " + out.length + " numbers instead of one for each of " + kinds + " kinds");
        }
        return out;
    }

    static String print(KindModel model) {
        StringBuilder out = new StringBuilder();
        print(out, "part", model.all());
        print(out, "again", model.allAgain());
        return out.toString();
    }

    private static void print(StringBuilder out, String head, Map<Lighting, Map<Sight, KindModel.Curves>> curves) {
        curves.forEach((lighting, sights) -> sights.forEach((sight, c) -> {
            out.append(String.format(Locale.ROOT, "%s %s %s %.4f%n", head, lighting, sight, c.temperature()));
            row(out, "bias", c.bias());
            row(out, "least", c.least());
            for (Feature f : Feature.values()) {
                for (int k = 0; k < c.knots()[f.ordinal()].length; k++) {
                    double[] line = new double[c.bias().length + 1];
                    line[0] = c.knots()[f.ordinal()][k];
                    System.arraycopy(c.weights()[f.ordinal()][k], 0, line, 1, c.bias().length);
                    row(out, f.word(), line);
                }
            }
        }));
    }

    private static void row(StringBuilder out, String word, double[] numbers) {
        out.append(String.format(Locale.ROOT, "%-12s", word));
        for (double v : numbers) {
            out.append(String.format(Locale.ROOT, " %.3f", v));
        }
        out.append('\n');
    }
}
