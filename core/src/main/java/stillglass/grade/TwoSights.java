package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import stillglass.look.Finding;
import stillglass.look.PhotoChange;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.Sighting;

/// How surprising two photos of one speck are, one from either side, if it lies on a surface: summed over where on it the speck may be, how far the cameras were and how they leaned.
///
/// p(front, rear) = 1/(π R²) ∫ dA E over cameras [N(front) N(rear) N(log of areas)], all places of the clear disc alike. The photo that tells the place more sharply is laid back onto the surface at even
/// shares of its scatter (Gauss and Hermite, five by five, and five distances of the camera), each with the area of surface it stands for; there the other photo is predicted and compared. No scatter is taken for small.
final class TwoSights {
    /// Distance of the camera from the rim, and how far as a share of it real ones may be from that.
    static final double CAMERA_MM = 250;
    static final double CAMERA_SPREAD = 0.35;
    /// Unknown lean of a hand-held camera, one standard deviation in one direction, radians: it shifts what lies deep.
    static final double LEAN = 0.07;
    /// Scatter of the middle of an outline, aperture radii.
    static final double MIDDLE = 0.03;
    private static final double NEAREST = 0.4;
    private static final double[] NODE = {-2.856970013872806, -1.355626179974266, 0, 1.355626179974266, 2.856970013872806};
    private static final double[] WEIGHT = {0.011257411327720, 0.222075922005613, 0.533333333333333, 0.222075922005613, 0.011257411327720};
    private static final double STEP = 0.01;
    private static final double LEAST = 1e-12;

    private final Finding front;
    private final Finding rear;
    private final double clear;
    private final Side fromFront;
    private final Side fromRear;

    /// Looking in from one side: places in the photo, in rim radii, and on the surface, in mm.
    private static final class Side {
        private final List<Sighting> cameras = new ArrayList<>();
        /// Scatter of a place in the photo, one direction, rim radii.
        private final double sigma;

        Side(LensSection lens, int surface, double behindMm, boolean rear) {
            for (double node : NODE) {
                cameras.add(Sighting.of(lens, surface, behindMm, rear, CAMERA_MM * Math.max(NEAREST, 1 + CAMERA_SPREAD * node)));
            }
            Paraxial p = Paraxial.of(lens);
            Paraxial.Apparent image = behindMm > 0 ? p.apparentInside(surface, behindMm, rear) : rear ? p.apparentFromRear(surface) : p.apparentFromFront(surface);
            sigma = Math.hypot(MIDDLE, LEAN * image.depthMm() / (rear ? lens.surfaces().getLast() : lens.surfaces().getFirst()).semiDiameterMm());
        }

        /// Surface for a piece of the photo at a distance from its middle, mm² for a square of one rim radius.
        double wide(int camera, double share) {
            Sighting s = cameras.get(camera);
            double at = Math.max(STEP, share);
            double slope = (s.heightMm(at + STEP) - s.heightMm(at - STEP)) / (2 * STEP);
            return Math.max(LEAST, Math.abs(slope * s.heightMm(at) / at));
        }
    }

    TwoSights(Finding front, Finding rear, LensSection lens, int surface, double behindMm) {
        this.front = front;
        this.rear = rear;
        clear = lens.surfaces().get(surface).semiDiameterMm();
        fromFront = new Side(lens, surface, behindMm, false);
        fromRear = new Side(lens, surface, behindMm, true);
    }

    /// Natural logarithm of the density of both places and the ratio of areas; a part that all surfaces share is left out.
    double logDensity() {
        boolean back = onSurface(fromRear, rear) < onSurface(fromFront, front);
        Side laid = back ? fromRear : fromFront;
        Side seen = back ? fromFront : fromRear;
        Finding from = back ? rear : front;
        Finding to = back ? front : rear;
        double sum = 0;
        for (int c = 0; c < NODE.length; c++) {
            for (int i = 0; i < NODE.length; i++) {
                for (int j = 0; j < NODE.length; j++) {
                    double u = from.x() + laid.sigma * NODE[i];
                    double v = from.y() + laid.sigma * NODE[j];
                    double share = Math.hypot(u, v);
                    double height = laid.cameras.get(c).heightMm(share);
                    if (Math.abs(height) <= clear && share > 0) {
                        double wide = laid.wide(c, share);
                        // Right and left change places from behind.
                        sum += WEIGHT[c] * WEIGHT[i] * WEIGHT[j] * wide * seen(seen, to, -u / share * height, v / share * height, Math.log(from.areaShare() * wide));
                    }
                }
            }
        }
        return Math.log(Math.max(Double.MIN_NORMAL, sum / (Math.PI * clear * clear)));
    }

    /// Scatter of a place on the surface, mm.
    private static double onSurface(Side side, Finding f) {
        return side.sigma * Math.sqrt(side.wide(NODE.length / 2, Math.hypot(f.x(), f.y())));
    }

    /// Density of the other photo, for a speck at a place of the surface as that side has right and left.
    /// @param logArea of the speck, from the photo that was laid back
    private static double seen(Side side, Finding to, double x, double y, double logArea) {
        double h = Math.hypot(x, y);
        double sum = 0;
        for (int c = 0; c < NODE.length; c++) {
            double share = side.cameras.get(c).share(h);
            double du = to.x() - (h > 0 ? x / h * share : 0);
            double dv = to.y() - (h > 0 ? y / h * share : 0);
            double off = (du * du + dv * dv) / (side.sigma * side.sigma);
            double size = logArea - Math.log(Math.max(LEAST, to.areaShare()) * side.wide(c, Math.abs(share)));
            double ratio = size * size / (2 * PhotoChange.LOG_AREA_SCATTER * PhotoChange.LOG_AREA_SCATTER);
            sum += WEIGHT[c] * Math.exp(-(off + ratio) / 2) / (side.sigma * side.sigma);
        }
        return sum;
    }
}
