package stillglass.look.net;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/// The numbers of a network as lines of text: `mean` and `scale` of its channels, then all `weights`, some on each line.
public final class NetText {
    private static final int ON_A_LINE = 24;

    /// What each channel is less.
    public final float[] mean;
    /// What it is divided by.
    public final float[] scale;
    public final float[] weights;

    private NetText(float[] mean, float[] scale, float[] weights) {
        this.mean = mean;
        this.scale = scale;
        this.weights = weights;
    }

    /// @param channels how many of each there must be
    /// @param size how many weights
    /// @throws IllegalArgumentException with the line that is not understood, or with what is missing
    public static NetText parse(List<String> lines, int channels, int size) {
        List<Float> mean = new ArrayList<>();
        List<Float> scale = new ArrayList<>();
        List<Float> weights = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i).strip();
            if (line.isEmpty() || line.startsWith("#")) {
                continue;
            }
            String[] part = line.split("\\s+");
            List<Float> into = switch (part[0]) {
                case "mean" -> mean;
                case "scale" -> scale;
                case "weights" -> weights;
                default -> throw wrong(i, line);
            };
            for (int k = 1; k < part.length; k++) {
                into.add(number(part[k], i, line));
            }
        }
        expect("mean", mean, channels);
        expect("scale", scale, channels);
        expect("weights", weights, size);
        return new NetText(array(mean), array(scale), array(weights));
    }

    private static float number(String text, int line, String whole) {
        try {
            float v = Float.parseFloat(text);
            if (Float.isFinite(v)) {
                return v;
            }
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(wrong(line, whole).getMessage(), e);
        }
        throw wrong(line, whole);
    }

    private static IllegalArgumentException wrong(int line, String whole) {
        return new IllegalArgumentException("line " + (line + 1) + ": mean, scale or weights and numbers expected, found \"" + whole + "\"");
    }

    private static void expect(String what, List<Float> found, int count) {
        if (found.size() != count) {
            throw new IllegalArgumentException(found.size() + " numbers of " + what + " where the network has " + count);
        }
    }

    private static float[] array(List<Float> values) {
        float[] out = new float[values.size()];
        for (int i = 0; i < out.length; i++) {
            out[i] = values.get(i);
        }
        return out;
    }

    public static String print(float[] mean, float[] scale, float[] weights) {
        StringBuilder out = new StringBuilder();
        rows("mean", mean, out);
        rows("scale", scale, out);
        rows("weights", weights, out);
        return out.toString();
    }

    private static void rows(String word, float[] values, StringBuilder out) {
        for (int i = 0; i < values.length; i += ON_A_LINE) {
            out.append(word);
            for (int k = i; k < Math.min(values.length, i + ON_A_LINE); k++) {
                out.append(' ').append(String.format(Locale.ROOT, "%.4g", values[k]).replaceFirst("(\\.[0-9]*?)0+(e|$)", "$1$2"));
            }
            out.append('\n');
        }
    }
}
