package stillglass.fault;

import java.util.Locale;
import java.util.OptionalDouble;

/// Something that was measured on the assembled lens.
///
/// @param field share of half the image circle, for figures of a place of the picture
/// @param azimuthDeg where round the film, degrees clockwise from 12 seen from the front of the lens; empty when all round is meant
/// @param sigma one standard deviation
/// @param onFilm whether a figure of sharpness was taken on the film rather than on its best plane
/// @param atM true distance, for the distance scale
/// @param setting zoom or focus setting of the section it was measured at; empty for the one the section is drawn at
public record Observation(What what, double field, OptionalDouble azimuthDeg, double value, double sigma, boolean onFilm, double atM, String setting) {
    /// What can be measured. Names are those of the files.
    public enum What {
        /// Image of infinity minus film, mm, positive behind it; against what the design gives.
        INFINITY_ERROR_MM(0.02),
        /// Two-dimensional spot, µm.
        RMS_UM(0.1),
        MTF30_SAGITTAL(0.04),
        MTF30_TANGENTIAL(0.04),
        /// Scale of the picture against the design, per cent.
        MAGNIFICATION_PERCENT(0.3),
        /// How far the picture bends straight lines at a place, per cent of the height; barrel negative.
        DISTORTION_PERCENT(0.3),
        /// Area of the iris as it is seen from the front at one setting, against the design, stops.
        OPENING_EV(0.05),
        /// What the distance scale reads when a thing at a true distance is sharp, m.
        SCALE_AT_M(0.03);

        private final double usual;

        What(double usual) {
            this.usual = usual;
        }

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        /// One standard deviation where none is stated: a share of spots and distances, else in its own unit.
        public double usualSigma(double value) {
            return this == RMS_UM || this == SCALE_AT_M ? Math.max(1e-6, usual * Math.abs(value)) : usual;
        }

        /// Whether it belongs to a place of the picture.
        public boolean ofField() {
            return this == RMS_UM || this == MTF30_SAGITTAL || this == MTF30_TANGENTIAL || this == DISTORTION_PERCENT;
        }
    }

    public Observation {
        if (!Double.isFinite(value) || !(sigma > 0 && sigma < 1e6) || !(field >= 0 && field <= 1.2) || !(atM > 0)) {
            throw new IllegalArgumentException(what.word() + ": value " + value + ", sigma " + sigma + ", field " + field + " are no measurement: give finite numbers, a sigma above 0 and a field of 0 to 1");
        }
    }

    /// At the setting the section is drawn at.
    public Observation(What what, double field, OptionalDouble azimuthDeg, double value, double sigma, boolean onFilm, double atM) {
        this(what, field, azimuthDeg, value, sigma, onFilm, atM, "");
    }

    /// The same measured at a zoom or focus setting.
    public Observation at(String named) {
        return new Observation(what, field, azimuthDeg, value, sigma, onFilm, atM, named);
    }

    /// A figure of the whole lens.
    public static Observation of(What what, double value, double sigma) {
        return new Observation(what, 0, OptionalDouble.empty(), value, sigma, false, 1);
    }

    /// A spot on its best plane.
    public static Observation spot(double field, double um, double sigma) {
        return new Observation(What.RMS_UM, field, OptionalDouble.empty(), um, sigma, false, 1);
    }
}
