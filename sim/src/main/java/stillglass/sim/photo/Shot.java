package stillglass.sim.photo;

import java.awt.image.BufferedImage;
import java.util.Map;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;

/// A photo and the truth about it.
///
/// @param picture what the camera delivers
/// @param aperture true clear aperture
/// @param mask levels of [stillglass.look.FindingKind#maskLevel], row-major
/// @param veil true scattered share of light over the aperture from haze alone, 0 to 1
/// @param visible how much of the faults of a kind shows: nothing where they lie before black blades or in burnt-out light
public record Shot(BufferedImage picture, Aperture aperture, byte[] mask, double veil, Map<FindingKind, Visible> visible) {
    /// @param pixels that are changed by more than the noise
    /// @param of all pixels of the faults
    public record Visible(int pixels, int of) {
        Visible and(Visible other) {
            return new Visible(pixels + other.pixels, of + other.of);
        }

        double share() {
            return of == 0 ? 0 : pixels / (double) of;
        }
    }

    public Shot {
        visible = Map.copyOf(visible);
    }

    /// The same scene in another picture: compressed, say.
    Shot pictured(BufferedImage other) {
        return new Shot(other, aperture, mask, veil, visible);
    }

    @Override
    public boolean equals(Object o) {
        return o == this;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}
