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
