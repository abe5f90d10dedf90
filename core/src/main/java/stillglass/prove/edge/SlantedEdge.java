package stillglass.prove.edge;

import java.util.Optional;

/// One edge, measured.
///
/// @param x middle of it, pixels
/// @param y the same
/// @param angleDeg direction of its normal, from dark to light, degrees clockwise from the right as the photo lies
/// @param length pixels
/// @param mtf modulation at steps of [#STEP_CPP] from 0, along the normal
/// @param sigma one standard deviation of each
/// @param mtf50Cpp frequency at half modulation, cycles a pixel; NaN when it stays above
/// @param mtf50Sigma one standard deviation of it
/// @param overshoot by which the light goes over its level beside the edge, as a share of the step; what sharpening in a camera leaves
/// @param overshootSigma one standard deviation of it
/// @param contrast step of light over the sum of both sides
/// @param saturated whether the bright side is cut at white
@SuppressWarnings("ArrayRecordComponent")
public record SlantedEdge(double x, double y, double angleDeg, double length, double[] mtf, double[] sigma, double mtf50Cpp, double mtf50Sigma, double overshoot, double overshootSigma,
        double contrast, boolean saturated) {
    /// Step of frequency, cycles a pixel.
    public static final double STEP_CPP = 0.005;
    static final int STEPS = 161;

    /// Modulation at a frequency, between the steps.
    public double at(double cpp) {
        double k = Math.clamp(cpp / STEP_CPP, 0, STEPS - 1.001);
        int i = (int) k;
        return mtf[i] + (k - i) * (mtf[i + 1] - mtf[i]);
    }

    /// One standard deviation of [#at].
    public double sigmaAt(double cpp) {
        return sigma[(int) Math.clamp(Math.round(cpp / STEP_CPP), 0, STEPS - 1)];
    }

    static Optional<SlantedEdge> of(LightPlane photo, EdgeFinder.Stretch stretch) {
        return EdgeStrip.of(photo, stretch).flatMap(strip -> EdgeSpread.measure(strip, stretch));
    }
}
