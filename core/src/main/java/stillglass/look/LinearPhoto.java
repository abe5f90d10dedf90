package stillglass.look;

/// A photograph in linear light at working scale. Owns its pixels; they are not to be changed.
public final class LinearPhoto {
    private final int width;
    private final int height;
    private final float[] red;
    private final float[] green;
    private final float[] blue;
    private final int storedWidth;
    private final int storedHeight;

    /// @param red row-major, height x width, linear 0..1, taken over
    /// @param storedWidth width of the file the pixels came from, at least `width`
    public LinearPhoto(
            int width, int height, float[] red, float[] green, float[] blue, int storedWidth, int storedHeight) {
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

    public float red(int at) {
        return red[at];
    }

    public float blue(int at) {
        return blue[at];
    }

    /// Relative luminance of every pixel, row-major (Rec. 709 weights), a fresh array.
    public float[] luminance() {
        float[] y = new float[red.length];
        for (int i = 0; i < y.length; i++) {
            y[i] = 0.2126f * red[i] + 0.7152f * green[i] + 0.0722f * blue[i];
        }
        return y;
    }
}
