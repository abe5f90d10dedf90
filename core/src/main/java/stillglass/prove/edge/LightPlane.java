package stillglass.prove.edge;

/// Luminance of a photo in linear light, every pixel that was stored.
///
/// @param light row-major, height x width, 0 to 1; taken over, not to be changed
@SuppressWarnings("ArrayRecordComponent")
public record LightPlane(int width, int height, float[] light) {
    private static final int LEAST = 32;

    public LightPlane {
        if (width < LEAST || height < LEAST) {
            throw new IllegalArgumentException("the photo is " + width + " x " + height + " pixels: at least 32 x 32 are needed to find an edge");
        }
        if (light.length != width * height) {
            throw new IllegalArgumentException("pixels do not fill " + width + " x " + height);
        }
    }

    /// Light between the pixels, bilinear, pixel centres at whole numbers; NaN beyond the photo.
    public double between(double x, double y) {
        int i = (int) Math.floor(x);
        int j = (int) Math.floor(y);
        if (i < 0 || j < 0 || i + 1 >= width || j + 1 >= height) {
            return Double.NaN;
        }
        double fx = x - i;
        double fy = y - j;
        int k = j * width + i;
        return (light[k] * (1 - fx) + light[k + 1] * fx) * (1 - fy) + (light[k + width] * (1 - fx) + light[k + width + 1] * fx) * fy;
    }

    /// As a camera of another tone meant it.
    /// @param power of its light over the light that was read
    public LightPlane toned(double power) {
        float[] out = new float[light.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) Math.pow(Math.max(0, light[i]), 1 / power);
        }
        return new LightPlane(width, height, out);
    }

    double at(int x, int y) {
        return light[y * width + x];
    }

    /// Means of squares of so many pixels.
    LightPlane reduced(int by) {
        if (by == 1) {
            return this;
        }
        int w = width / by;
        int h = height / by;
        float[] out = new float[w * h];
        float share = 1f / (by * by);
        for (int y = 0; y < h * by; y++) {
            int row = y / by * w;
            for (int x = 0; x < w * by; x++) {
                out[row + x / by] += light[y * width + x] * share;
            }
        }
        return new LightPlane(w, h, out);
    }
}
