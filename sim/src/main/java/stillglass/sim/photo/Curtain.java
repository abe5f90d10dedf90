package stillglass.sim.photo;

/// What covers all that lies behind it: the blades of the iris, or a wall between glasses.
final class Curtain {
    /// The stop, or the first surface behind a wall.
    final int surface;
    final boolean iris;
    /// 1 where it covers.
    final float[] cover;
    /// Lays it over what has been painted so far.
    final Runnable paint;

    Curtain(int surface, boolean iris, float[] cover, Runnable paint) {
        this.surface = surface;
        this.iris = iris;
        this.cover = cover;
        this.paint = paint;
    }

    boolean hides(int fault, boolean fromRear) {
        int behind = fromRear ? surface - fault : fault - surface;
        return iris ? behind > 0 : behind >= 0;
    }
}
