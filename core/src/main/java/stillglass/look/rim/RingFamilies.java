package stillglass.look.rim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import stillglass.look.Aperture;

/// The centres about which round edges lie. The parts of a mount lie in the plane of the rim and share its centre; what lies deeper in the lens is shifted against them as soon as the camera leans.
final class RingFamilies {
    private static final int DIRECTIONS = 72;
    private static final int MOST = 5;
    /// Rings have one centre when theirs are closer than this share of the radius.
    private static final double SAME_CENTRE = 0.008;
    /// From here on it is another one.
    private static final double OTHER_CENTRE = 0.015;
    private static final double LEAST_AGREEMENT = 0.7;
    private static final double LEAST_STEP = 0.05;
    private static final double LEAST_SCORE = 0.06;
    private static final double SURE_AGREEMENT = 0.72;
    /// Smallest and largest radius, of the smaller and of the larger side of the photo.
    private static final double SMALLEST = 0.11;
    private static final double LARGEST = 0.62;
    private static final int MOST_ABOUT_ONE = 9;

    private RingFamilies() {}

    /// Of each family the ring that stands best for it, the best family first; none when no round edge stands out.
    static List<Aperture> of(EdgePhoto photo) {
        List<RingEdge> rings = edges(photo);
        List<Aperture> out = new ArrayList<>();
        if (rings.stream().noneMatch(r -> score(r) >= LEAST_SCORE)) {
            return out;
        }
        List<RingEdge> left = new ArrayList<>(rings.stream().filter(r -> r.agree() > LEAST_AGREEMENT && Math.abs(r.step()) > LEAST_STEP).toList());
        while (!left.isEmpty() && out.size() < MOST) {
            RingEdge head = left.stream().max(Comparator.comparingDouble(r -> weight(left, r))).orElseThrow();
            out.add(head.ring());
            left.removeIf(r -> apart(r, head) < OTHER_CENTRE);
        }
        return out;
    }

    /// Distance of two centres, shares of the larger radius.
    private static double apart(RingEdge a, RingEdge b) {
        return Math.hypot(a.ring().cx() - b.ring().cx(), a.ring().cy() - b.ring().cy()) / Math.max(a.ring().meanRadius(), b.ring().meanRadius());
    }

    private static double weight(List<RingEdge> rings, RingEdge of) {
        double sum = 0;
        for (RingEdge o : rings) {
            if (apart(o, of) < SAME_CENTRE) {
                sum += o.agree() * o.sharp() * Math.min(1, Math.abs(o.step())) * o.ring().areaPx();
            }
        }
        return sum * (1 + 1e-3 * Math.min(1, Math.abs(of.step())) * Math.max(0, of.agree() - 0.5) * 2 * of.sharp());
    }

    /// How far it stands out as the edge of something round and lighter than what lies about it.
    private static double score(RingEdge r) {
        if (r.agree() < SURE_AGREEMENT) {
            return 0;
        }
        double step = Math.min(1, Math.abs(r.step())) * (r.step() < 0 ? 1 : 0.5);
        double dark = r.step() < 0 ? Math.exp(-Math.max(0, r.dark() - 0.25) / 0.7) : 1;
        return step * (r.agree() - 0.5) * 2 * (0.3 + 0.7 * r.sharp()) * dark * Math.sqrt(r.seen());
    }

    /// Every ring that was fitted to an edge about one of the likely centres.
    private static List<RingEdge> edges(EdgePhoto photo) {
        List<Aperture> guesses = RingCentres.find(photo.light, photo.width, photo.height).stream().flatMap(c -> circles(photo, c).stream()).toList();
        return guesses.parallelStream().filter(g -> RingEdge.measure(photo, g).seen() >= 0.4).flatMap(g -> Stream.of(-1.0, 1.0).map(sign -> RingEdge.refine(photo, g, sign, 0.7, 0.07, 0.04, 0.025))
                .filter(f -> f.ry() > 0.72 * f.rx() && Math.hypot(f.cx() - g.cx(), f.cy() - g.cy()) < 0.2 * f.rx()).map(f -> RingEdge.measure(photo, f))).toList();
    }

    /// Circles about a centre across which light changes in most directions: the peaks of the step over the radius.
    private static List<Aperture> circles(EdgePhoto photo, RingCentres.Centre c) {
        List<Double> radii = new ArrayList<>();
        for (double r = SMALLEST * photo.side(); r < LARGEST * Math.max(photo.width, photo.height); r *= 1.012) {
            radii.add(r);
        }
        double[] strength = radii.stream().mapToDouble(r -> Math.abs(step(photo, c, r))).toArray();
        record Peak(double radius, double strength) {}
        List<Peak> peaks = new ArrayList<>();
        for (int i = 1; i + 1 < strength.length; i++) {
            if (strength[i] >= strength[i - 1] && strength[i] > strength[i + 1] && strength[i] > 0.02) {
                peaks.add(new Peak(radii.get(i), strength[i]));
            }
        }
        return peaks.stream().sorted(Comparator.comparingDouble(Peak::strength).reversed()).limit(MOST_ABOUT_ONE)
                .map(p -> new Aperture(c.x(), c.y(), p.radius, p.radius, 0)).toList();
    }

    /// Mean step of the logarithm of light across a circle, each direction's share limited.
    private static double step(EdgePhoto photo, RingCentres.Centre c, double r) {
        double reach = Math.max(2, 0.02 * r);
        double sum = 0;
        int n = 0;
        for (int k = 0; k < DIRECTIONS; k++) {
            double ux = Math.cos(2 * Math.PI * k / DIRECTIONS);
            double uy = Math.sin(2 * Math.PI * k / DIRECTIONS);
            double outside = photo.at((int) Math.round(c.x() + (r + reach) * ux), (int) Math.round(c.y() + (r + reach) * uy));
            double inside = photo.at((int) Math.round(c.x() + (r - reach) * ux), (int) Math.round(c.y() + (r - reach) * uy));
            if (!Double.isNaN(outside + inside)) {
                sum += Math.clamp(outside - inside, -0.6, 0.6);
                n++;
            }
        }
        return n < DIRECTIONS * 0.4 ? 0 : sum / n;
    }
}
