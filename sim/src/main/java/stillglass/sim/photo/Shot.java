package stillglass.sim.photo;

import java.awt.image.BufferedImage;
import stillglass.look.Aperture;

/// A photo and the truth about it.
///
/// @param picture what the camera delivers
/// @param aperture true clear aperture
/// @param mask levels of [stillglass.look.FindingKind#maskLevel], row-major
/// @param veil true scattered share of light over the aperture from haze alone, 0 to 1
public record Shot(BufferedImage picture, Aperture aperture, byte[] mask, double veil) {
    @Override
    public boolean equals(Object o) {
        return o == this;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}
