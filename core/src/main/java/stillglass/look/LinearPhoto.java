package stillglass.look;

import java.util.Optional;

/// A photograph in linear light at working scale, and as fine as it was kept where that is finer. Owns its pixels; they are not to be changed.
public final class LinearPhoto {
    private static final float RED = 0.2126f;
    private static final float GREEN = 0.7152f;
    private static final float BLUE = 0.0722f;

    private final int width;
    private final int height;
    private final float[] red;
    private final float[] green;
    private final float[] blue;
    private final int storedWidth;
    private final int storedHeight;
    private final Optional<StoredLight> stored;

    /// @param red row-major, height x width, linear 0..1, taken over
    /// @param storedWidth width of the file the pixels came from, at least `width`
    public LinearPhoto(
            int width, int height, float[] red, float[] green, float[] blue, int storedWidth, int storedHeight) {
        this(width, height, red, green, blue, storedWidth, storedHeight, Optional.empty());
    }

    /// @param stored the same picture at its own pixels, where they are finer than the working ones
    public LinearPhoto(int width, int height, float[] red, float[] green, float[] blue, int storedWidth, int storedHeight, Optional<StoredLight> stored) {
        if (width < 64 || height < 64) {
            throw new IllegalArgumentException("the photo is " + storedWidth + " x " + storedHeight
                    + " pixels: at least 64 x 64 are needed to find a glass");
        }
        if (red.length != width * height || green.length != red.length || blue.length != red.length) {
            throw new IllegalArgumentException("pixels do not fill " + width + " x " + height);
        }
        this.width = width;
        this.height = height;
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.storedWidth = storedWidth;
        this.storedHeight = storedHeight;
        this.stored = stored;
    }

    /// From picture values.
    /// @param rgb row-major, 8 bits each of red, green and blue in sRGB
    public static LinearPhoto ofSrgb(int width, int height, int[] rgb) {
        float[][] planes = new float[3][rgb.length];
        for (int i = 0; i < rgb.length; i++) {
            for (int c = 0; c < 3; c++) {
                planes[c][i] = linear((rgb[i] >> 16 - 8 * c & 255) / 255.0);
            }
        }
        return new LinearPhoto(width, height, planes[0], planes[1], planes[2], width, height);
    }

    /// Linear light of an sRGB value, both 0 to 1 (IEC 61966-2-1).
    public static float linear(double srgb) {
        return (float) (srgb <= 0.04045 ? srgb / 12.92 : Math.pow((srgb + 0.055) / 1.055, 2.4));
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public int storedWidth() {
        return storedWidth;
    }

    public int storedHeight() {
        return storedHeight;
    }

    /// Stored pixels per working pixel.
    public double scale() {
        return (double) storedWidth / width;
    }

    public double megapixels() {
        return storedWidth * (double) storedHeight / 1e6;
    }

    /// The photo as it is to be looked at, turned and mirrored as its camera noted.
    /// @param orientation EXIF orientation, 1 to 8; 1 is upright already
    public LinearPhoto turned(int orientation) {
        if (orientation == 1) {
            return this;
        }
        boolean across = orientation >= 5;
        int w = across ? height : width;
        int h = across ? width : height;
        float[][] from = {red, green, blue};
        float[][] to = new float[3][w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = source(orientation, x, y, width, height);
                for (int c = 0; c < 3; c++) {
                    to[c][y * w + x] = from[c][at];
                }
            }
        }
        return new LinearPhoto(w, h, to[0], to[1], to[2], across ? storedHeight : storedWidth, across ? storedWidth : storedHeight, stored.map(l -> l.turned(orientation)));
    }

    /// Where a pixel of the upright photo comes from.
    /// @param orientation EXIF orientation, 1 to 8
    /// @param x column of the upright photo
    /// @param y row of the upright photo
    /// @param width of the photo as stored
    /// @param height of the photo as stored
    /// @return row-major index into the photo as stored
    public static int source(int orientation, int x, int y, int width, int height) {
        return switch (orientation) {
            case 2 -> y * width + width - 1 - x;
            case 3 -> (height - 1 - y) * width + width - 1 - x;
            case 4 -> (height - 1 - y) * width + x;
            case 5 -> x * width + y;
            case 6 -> (height - 1 - x) * width + y;
            case 7 -> (height - 1 - x) * width + width - 1 - y;
            case 8 -> x * width + width - 1 - y;
            default -> y * width + x;
        };
    }

    /// Light between the pixels, bilinear, added into `rgb`; beyond the photo its nearest edge.
    /// @param x column, pixel centres at whole numbers
    /// @param y row
    public void sample(double x, double y, float weight, float[] rgb) {
        double cx = Math.clamp(x, 0, width - 1.001);
        double cy = Math.clamp(y, 0, height - 1.001);
        int i = (int) cx;
        int j = (int) cy;
        float u = (float) (cx - i);
        float v = (float) (cy - j);
        int at = j * width + i;
        float a = weight * (1 - u) * (1 - v);
        float b = weight * u * (1 - v);
        float c = weight * (1 - u) * v;
        float d = weight * u * v;
        rgb[0] += a * red[at] + b * red[at + 1] + c * red[at + width] + d * red[at + width + 1];
        rgb[1] += a * green[at] + b * green[at + 1] + c * green[at + width] + d * green[at + width + 1];
        rgb[2] += a * blue[at] + b * blue[at + 1] + c * blue[at + width] + d * blue[at + width + 1];
    }

    /// Pixels at hand that lie along one working pixel, at least 1.
    public double finer() {
        return stored.map(s -> s.width() / (double) width).orElse(1.0);
    }

    /// Luminance between the finest pixels at hand, bilinear; beyond the photo its nearest edge.
    /// @param x column of the working photo, pixel centres at whole numbers
    /// @param y row
    public double finest(double x, double y) {
        if (stored.isEmpty()) {
            float[] rgb = new float[3];
            sample(x, y, 1, rgb);
            return RED * rgb[0] + GREEN * rgb[1] + BLUE * rgb[2];
        }
        StoredLight s = stored.get();
        double cx = Math.clamp((x + 0.5) * s.width() / width - 0.5, 0, s.width() - 1.001);
        double cy = Math.clamp((y + 0.5) * s.height() / height - 0.5, 0, s.height() - 1.001);
        int i = (int) cx;
        int j = (int) cy;
        double u = cx - i;
        double v = cy - j;
        return (1 - v) * ((1 - u) * s.light(i, j) + u * s.light(i + 1, j)) + v * ((1 - u) * s.light(i, j + 1) + u * s.light(i + 1, j + 1));
    }

    public float red(int at) {
        return red[at];
    }

    public float green(int at) {
        return green[at];
    }

    public float blue(int at) {
        return blue[at];
    }

    /// Relative luminance of every pixel, row-major (Rec. 709 weights), a fresh array.
    public float[] luminance() {
        float[] y = new float[red.length];
        for (int i = 0; i < y.length; i++) {
            y[i] = RED * red[i] + GREEN * green[i] + BLUE * blue[i];
        }
        return y;
    }
}
