package stillglass.prove;

/// How far a lens is turned on its focusing thread so that infinity lies on the film, before its ring is set on the mark again.
///
/// @param degrees to turn, never negative
/// @param sigmaDegrees one standard deviation, of the reading and of the lead
/// @param towardsNear whether the way focusing on something near would turn it: away from the film
public record ZeroTurn(double degrees, double sigmaDegrees, boolean towardsNear) {
    private static final double TURN = 360;

    /// The whole lens moves with the thread, so its image moves as far as it does: degrees = 360 · error / lead.
    /// @param errorMm image of infinity minus film plane, positive behind the film
    /// @param leadMm travel of one turn
    /// @throws IllegalArgumentException for a lead that is none
    public static ZeroTurn of(double errorMm, double sigmaMm, double leadMm, double leadSigmaMm) {
        if (!(leadMm > 0) || !Double.isFinite(leadMm) || !Double.isFinite(errorMm) || !(sigmaMm >= 0) || !(leadSigmaMm >= 0)) {
            throw new IllegalArgumentException("an error of " + errorMm + " ± " + sigmaMm + " mm on a lead of " + leadMm + " ± " + leadSigmaMm + " mm cannot be turned into degrees");
        }
        double degrees = TURN * Math.abs(errorMm) / leadMm;
        return new ZeroTurn(degrees, Math.hypot(TURN * sigmaMm / leadMm, degrees * leadSigmaMm / leadMm), errorMm > 0);
    }
}
