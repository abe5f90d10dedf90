package stillglass.optics;

/// What light travels through: air or a glass given by its index and dispersion.
public sealed interface Medium permits Medium.Air, Medium.Glass {

    /// Refractive index at a wavelength.
    /// @param wavelengthNm vacuum wavelength, 350 to 1100 nm
    double index(double wavelengthNm);

    /// The d line, 587.6 nm, at which `nd` is stated.
    double D_LINE_NM = 587.6;

    /// Air, taken as index 1 exactly: every index in a lens section is relative to it.
    record Air() implements Medium {
        @Override
        public double index(double wavelengthNm) {
            return 1.0;
        }
    }

    /// A model glass: `n = A + B/λ²` through `nd` and the Abbe number.
    /// Reference: two-term Cauchy formula; F 486.1 nm and C 656.3 nm, `vd = (nd-1)/(nF-nC)`.
    /// @param nd index at 587.6 nm, 1.2 to 2.6
    /// @param vd Abbe number, 10 to 110
    /// @param code six-digit glass code as written in the section
    record Glass(double nd, double vd, String code) implements Medium {
        private static final double INVERSE_SQUARE_F = 1 / (486.1 * 486.1);
        private static final double INVERSE_SQUARE_C = 1 / (656.3 * 656.3);

        public Glass {
            if (!(nd > 1.2 && nd < 2.6)) {
                throw new IllegalArgumentException("nd is " + nd + ", a glass lies between 1.2 and 2.6");
            }
            if (!(vd > 10 && vd < 110)) {
                throw new IllegalArgumentException("vd is " + vd + ", a glass lies between 10 and 110");
            }
        }

        @Override
        public double index(double wavelengthNm) {
            double b = (nd - 1) / vd / (INVERSE_SQUARE_F - INVERSE_SQUARE_C);
            double a = nd - b / (D_LINE_NM * D_LINE_NM);
            return a + b / (wavelengthNm * wavelengthNm);
        }
    }
}
