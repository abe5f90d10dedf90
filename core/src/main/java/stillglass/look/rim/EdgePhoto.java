package stillglass.look.rim;

import boofcv.alg.filter.blur.GBlurImageOps;
import boofcv.struct.image.GrayF32;
import java.util.stream.IntStream;
import stillglass.look.ApertureMap;
import stillglass.look.LinearPhoto;

/// A photo in which round edges are looked for: its light, blurred lightly, and the logarithm of that, in which edges stand out alike in the dark and in the light.
final class EdgePhoto {
    /// Added to light before its logarithm is taken.
    private static final double DARK = 0.004;
    /// Blur under which edges are looked for, pixels.
    private static final double SMOOTH = 1.2;

    final float[] light;
    final float[] log;
    final int width;
    final int height;

    /// @param light row-major luminance, blurred as it shall be
    EdgePhoto(float[] light, int width, int height) {
        this.light = light;
        this.width = width;
        this.height = height;
        log = new float[light.length];
        IntStream.range(0, height).parallel().forEach(y -> {
            for (int i = y * width; i < (y + 1) * width; i++) {
                log[i] = (float) Math.log(DARK + Math.max(0, light[i]));
            }
        });
    }

    static EdgePhoto of(LinearPhoto photo) {
        return new EdgePhoto(blurred(photo.luminance(), photo.width(), photo.height(), SMOOTH), photo.width(), photo.height());
    }

    static float[] blurred(float[] light, int w, int h, double sigma) {
        GrayF32 in = new GrayF32(w, h);
        System.arraycopy(light, 0, in.data, 0, light.length);
        return GBlurImageOps.gaussian(in, null, sigma, -1, null).data;
    }

    /// The smaller side, pixels.
    int side() {
        return Math.min(width, height);
    }

    /// Logarithm of light at a pixel; no number outside the photo.
    double at(int x, int y) {
        return x < 0 || y < 0 || x >= width || y >= height ? Double.NaN : log[y * width + x];
    }

    /// The same in a direction, so many radii from the middle.
    double sample(ApertureMap map, double phi, double u) {
        return at(map, u * Math.cos(phi), u * Math.sin(phi));
    }

    /// The same at a place in aperture units.
    double at(ApertureMap map, double ux, double uy) {
        return at((int) Math.round(map.pixelX(ux, uy)), (int) Math.round(map.pixelY(ux, uy)));
    }
}
