package stillglass.look.closeup;

import java.util.SplittableRandom;

/// A close-up as the network is shown it: every trait less its mean and over its scatter, row by row.
/// @param planes for each trait the cells from the top left
/// @param facts see [CloseUp]
record View(float[][] planes, float[] facts) {
    /// Scatters from the mean beyond which a trait says no more.
    private static final float FAR = 5;
    private static final int SIDE = CloseUp.SIDE;
    /// Traits that depend on the light, and can be sharp or blurred; those after them are shape and place.
    private static final int OF_LIGHT = CloseUpTrait.SHAPE.ordinal();

    static View of(CloseUp thing, float[] mean, float[] scale) {
        float[][] planes = new float[mean.length][SIDE * SIDE];
        for (int t = 0; t < planes.length; t++) {
            for (int i = 0; i < planes[t].length; i++) {
                planes[t][i] = Math.clamp((thing.get(t, i) - mean[t]) / scale[t], -FAR, FAR);
            }
        }
        return new View(planes, thing.facts());
    }

    /// With left and right changed.
    View mirrored() {
        float[][] out = new float[planes.length][SIDE * SIDE];
        for (int t = 0; t < out.length; t++) {
            for (int i = 0; i < SIDE * SIDE; i++) {
                out[t][i / SIDE * SIDE + SIDE - 1 - i % SIDE] = planes[t][i];
            }
        }
        return new View(out, facts);
    }

    /// The same thing as it might look another time: mirrored or not, turned, larger or smaller, sharper or less so, in other light, by another camera.
    View another(SplittableRandom random) {
        View v = random.nextBoolean() ? mirrored() : this;
        float[][] out = moved(v.planes, random);
        double blur = (random.nextDouble() < 0.3 ? 1.2 * random.nextDouble() : 0) - (random.nextDouble() < 0.2 ? 0.8 * random.nextDouble() : 0);
        double grain = 0.5 * random.nextDouble();
        for (int t = 0; t < out.length; t++) {
            float[] plane = t < OF_LIGHT && blur != 0 ? blurred(out[t], (float) blur) : out[t];
            double gain = random.nextDouble() < 0.15 ? 0 : Math.exp(0.45 * random.nextGaussian());
            double more = 0.25 * random.nextGaussian();
            for (int i = 0; i < plane.length; i++) {
                plane[i] = (float) Math.clamp(gain * plane[i] + more + grain * (random.nextDouble() - 0.5), -FAR, FAR);
            }
            out[t] = plane;
        }
        float[] about = facts.clone();
        for (int f = CloseUp.MEASURED; f < about.length; f++) {
            about[f] += (float) (0.2 * random.nextGaussian());
        }
        return new View(out, about);
    }

    /// Turned by up to 0.4, stretched and shifted by a cell or so; beyond the border what lies on it.
    private static float[][] moved(float[][] planes, SplittableRandom random) {
        double angle = 0.8 * (random.nextDouble() - 0.5);
        double wide = Math.exp(0.2 * random.nextGaussian());
        double high = wide * Math.exp(0.1 * random.nextGaussian());
        double right = random.nextGaussian();
        double down = random.nextGaussian();
        float[][] out = new float[planes.length][SIDE * SIDE];
        double middle = (SIDE - 1) / 2.0;
        double cos = Math.cos(angle);
        double sin = Math.sin(angle);
        for (int k = 0; k < SIDE * SIDE; k++) {
            double dx = k % SIDE - middle;
            double dy = k / SIDE - middle;
            double x = Math.clamp(middle + right + wide * (cos * dx - sin * dy), 0, SIDE - 1.001);
            double y = Math.clamp(middle + down + high * (sin * dx + cos * dy), 0, SIDE - 1.001);
            int at = (int) y * SIDE + (int) x;
            float fx = (float) (x - (int) x);
            float fy = (float) (y - (int) y);
            for (int t = 0; t < out.length; t++) {
                float[] p = planes[t];
                out[t][k] = (p[at] * (1 - fx) + p[at + 1] * fx) * (1 - fy) + (p[at + SIDE] * (1 - fx) + p[at + SIDE + 1] * fx) * fy;
            }
        }
        return out;
    }

    /// @param share how much of the mean of three by three takes the place of a cell; below 0 it is made to stand out of it
    private static float[] blurred(float[] plane, float share) {
        float[] out = plane.clone();
        for (int k = 0; k < plane.length; k++) {
            float sum = 0;
            for (int n = 0; n < 9; n++) {
                int x = Math.clamp(k % SIDE + n % 3 - 1, 0, SIDE - 1);
                int y = Math.clamp(k / SIDE + n / 3 - 1, 0, SIDE - 1);
                sum += plane[y * SIDE + x];
            }
            out[k] += share * (sum / 9 - plane[k]);
        }
        return out;
    }
}
