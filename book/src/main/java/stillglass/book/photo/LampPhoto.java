package stillglass.book.photo;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.book.BadInput;
import stillglass.look.LinearPhoto;

/// A photo of the bare lamp, or of a white card in the lens' place, against which a veil is measured: what is as bright as this scatters everything.
///
/// @param name of its file
/// @param light linear light of its middle
/// @param exposure as its camera wrote it, relative
public record LampPhoto(String name, double light, OptionalDouble exposure) {
    private static final double BURNT_OUT = 0.97;
    private static final double DARK = 0.004;
    /// Share of the picture's width and height that is its middle.
    private static final double MIDDLE = 0.3;

    /// @throws BadInput for what is no photo, burnt out in the middle, or too dark to compare with
    public static LampPhoto of(String name, byte[] bytes) {
        LinearPhoto photo = PhotoFiles.linear(name, bytes);
        float[] all = photo.luminance();
        int w = photo.width();
        int h = photo.height();
        double[] middle = new double[w * h];
        int n = 0;
        for (int y = (int) (h * (0.5 - MIDDLE / 2)); y <= (int) (h * (0.5 + MIDDLE / 2)) && y < h; y++) {
            for (int x = (int) (w * (0.5 - MIDDLE / 2)); x <= (int) (w * (0.5 + MIDDLE / 2)) && x < w; x++) {
                middle[n++] = all[y * w + x];
            }
        }
        double[] sorted = Arrays.copyOf(middle, n);
        Arrays.sort(sorted);
        double light = sorted[n / 2];
        if (light > BURNT_OUT) {
            throw new BadInput(name, "photo", "is burnt out in the middle: expose the lamp or the card shorter");
        }
        if (light < DARK) {
            throw new BadInput(name, "photo", "is dark in the middle: fill the middle with the lamp or the card");
        }
        return new LampPhoto(name, light, PhotoFiles.exposure(bytes));
    }

    /// Its light at the exposure of another photo.
    /// @param other exposure as that photo's camera wrote it
    /// @return nothing where only one of both says how it was exposed
    public Optional<Double> at(OptionalDouble other) {
        if (exposure.isEmpty() && other.isEmpty()) {
            return Optional.of(light);
        }
        return exposure.isEmpty() || other.isEmpty() ? Optional.empty() : Optional.of(light * other.getAsDouble() / exposure.getAsDouble());
    }
}
