package stillglass.optics;

/// Many rays as parallel arrays: position, direction cosines, optical path and fate. Owned by its caller and
/// reused; tracing changes it in place and allocates nothing.
public final class RayBundle {
    /// The ray still travels.
    public static final byte TRAVELS = 0;
    /// It passed a sphere without meeting it.
    public static final byte MISSED = 1;
    /// It was totally reflected.
    public static final byte REFLECTED = 2;

    final double[] x;
    final double[] y;
    final double[] z;
    final double[] l;
    final double[] m;
    final double[] n;
    final double[] pathMm;
    final double[] clip;
    final byte[] fate;

    /// @param capacity number of rays
    public RayBundle(int capacity) {
        x = new double[capacity];
        y = new double[capacity];
        z = new double[capacity];
        l = new double[capacity];
        m = new double[capacity];
        n = new double[capacity];
        pathMm = new double[capacity];
        clip = new double[capacity];
        fate = new byte[capacity];
    }

    /// The arrays themselves, for what takes several rays at once.
    /// @param pathMm optical path so far
    /// @param clip largest (height / clear semi-diameter)² met so far
    /// @param fate [#TRAVELS] or what became of the ray
    @SuppressWarnings("ArrayRecordComponent")
    public record Lanes(double[] x, double[] y, double[] z, double[] l, double[] m, double[] n, double[] pathMm, double[] clip, byte[] fate) {}

    /// For a [SphereStep] only: what it changes there is changed here.
    public Lanes lanes() {
        return new Lanes(x, y, z, l, m, n, pathMm, clip, fate);
    }

    public int size() {
        return x.length;
    }

    /// Starts ray `i` on the plane through the first vertex with the given direction cosines.
    public void launch(int i, double xMm, double yMm, double cosX, double cosY) {
        x[i] = xMm;
        y[i] = yMm;
        z[i] = 0;
        l[i] = cosX;
        m[i] = cosY;
        n[i] = Math.sqrt(1 - cosX * cosX - cosY * cosY);
        // A plane wave: path counted from the wavefront through the first vertex.
        pathMm[i] = cosX * xMm + cosY * yMm;
        clip[i] = 0;
        fate[i] = TRAVELS;
    }

    /// Goes over to a frame turned about a point on the axis.
    /// @param angleRad turn; the new frame's rim in the direction `towardsRad` stands at smaller z
    /// @param pivotMm where the pivot lies in the old frame
    /// @param originMm where the pivot lies in the new frame, before its origin when negative
    void turn(double angleRad, double towardsRad, double pivotMm, double originMm) {
        double c = Math.cos(angleRad);
        double s = Math.sin(angleRad);
        double ex = Math.cos(towardsRad);
        double ey = Math.sin(towardsRad);
        for (int i = 0; i < x.length; i++) {
            double across = x[i] * ex + y[i] * ey;
            double depth = z[i] - pivotMm;
            double shift = (c - 1) * across - s * depth;
            x[i] += shift * ex;
            y[i] += shift * ey;
            z[i] = s * across + c * depth - originMm;
            double along = l[i] * ex + m[i] * ey;
            double lean = (c - 1) * along - s * n[i];
            double forward = s * along + c * n[i];
            l[i] += lean * ex;
            m[i] += lean * ey;
            n[i] = forward;
        }
    }

    /// Goes over to a frame that stands off sideways.
    /// @param byMm in the direction `towardsRad`
    void aside(double byMm, double towardsRad) {
        double dx = byMm * Math.cos(towardsRad);
        double dy = byMm * Math.sin(towardsRad);
        for (int i = 0; i < x.length; i++) {
            x[i] -= dx;
            y[i] -= dy;
        }
    }

    public double xMm(int i) {
        return x[i];
    }

    public double yMm(int i) {
        return y[i];
    }

    public double zMm(int i) {
        return z[i];
    }

    /// Optical path so far, counted from the wavefront through the first vertex.
    public double pathMm(int i) {
        return pathMm[i];
    }

    /// Puts a ray of another bundle in the place of ray `i`.
    public void take(int i, RayBundle other, int from) {
        x[i] = other.x[from];
        y[i] = other.y[from];
        z[i] = other.z[from];
        l[i] = other.l[from];
        m[i] = other.m[from];
        n[i] = other.n[from];
        pathMm[i] = other.pathMm[from];
        clip[i] = other.clip[from];
        fate[i] = other.fate[from];
    }

    /// Gives ray `i` up: no ray was found for it.
    public void lose(int i) {
        fate[i] = MISSED;
    }

    public double cosX(int i) {
        return l[i];
    }

    public double cosY(int i) {
        return m[i];
    }

    public double cosZ(int i) {
        return n[i];
    }

    public byte fate(int i) {
        return fate[i];
    }

    /// Largest (height / clear semi-diameter)² met so far; above 1 the ray is vignetted.
    public double clip(int i) {
        return clip[i];
    }

    /// Whether ray `i` reaches the far side inside every clear aperture.
    public boolean passes(int i) {
        return fate[i] == TRAVELS && clip[i] <= 1;
    }
}
