package stillglass.look.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import stillglass.look.Aperture;

/// Finds the clear aperture: the centre on which the rings of the mount agree, the rings about it, and among them the rim of the glass.
///
/// Barrel, filter thread and retaining ring often stand out more than the rim, and so do an iris closed down or an inner glass full of
/// haze. The rim is told by what lies on both its sides: glass within, the blackened edge, which is about the darkest ring of all,
/// without, and the brighter mount about that; of rings that pass as well, the smallest, unless a darker ring lies within the mount.
final class ApertureFinder {
    private static final int DIRECTIONS = 72;
    /// A ring passes for the rim when it has this share of the best score.
    private static final double PASSES = 0.55;
    /// Rings have one centre when theirs are closer than this share of the radius.
    private static final double SAME_CENTRE = 0.008;
    /// Share of the best edge's quality that the rim has at least.
    private static final double CLEAR = 0.2;
    /// Logarithm of the light just outside the rim over that of the darkest ring about, where the edge of the glass is blackened as usual.
    private static final double BLACKENED = 0.4;
    /// The same for what is as dark as the blackened edge itself.
    private static final double BLACK = 0.06;
    /// Share of the best edge's quality that is enough for an edge to such black.
    private static final double FAINT = 0.05;
    /// A ring is passed over for one further out when that one's outside is darker by this.
    private static final double DARKER = 0.12;
    /// The mount begins within this many radii of the rim.
    private static final double MOUNT = 1.25;
    /// Radius of a lit line's outer side over that of its inner side at most.
    private static final double LINE = 1.07;
    private static final int MOST_CANDIDATES = 10;
    private static final double LEAST_SCORE = 0.06;
    private static final double LEAST_AGREEMENT = 0.72;
    /// Rings that differ by less are one for whoever goes on to the next.
    private static final double ANOTHER = 0.015;
    /// How far a rim may have moved between two photos from one place, of its radius: a hand, and what focusing does to the scale.
    private static final double MOVED = 0.04;
    /// Of an edge out of focus at the place of a rim, in all directions nearly the same.
    private static final double STILL_THERE = 0.9;
    private static final double LEAST_STEP = 0.08;

    private ApertureFinder() {}

    /// @param light row-major luminance, blurred lightly
    /// @return the ellipse in working pixels, or nothing when no round edge stands out
    static Optional<Aperture> find(float[] light, int width, int height) {
        return candidates(light, width, height).stream().findFirst();
    }

    /// The ring that lies where the rim was in another photo, in focus or not.
    /// @param before in working pixels
    /// @return nothing where no edge lies there: the camera was elsewhere
    static Optional<Aperture> where(float[] light, int width, int height, Aperture before) {
        return candidates(light, width, height).stream().filter(c -> near(c, before, MOVED)).findFirst().or(() -> {
            float[] log = RingEdge.log(light);
            return Stream.of(-1.0, 1.0).map(sign -> RingEdge.measure(log, width, height, RingEdge.refine(log, width, height, before, sign, 0.6, 0.05, 0.03)))
                    .filter(r -> near(r.ring(), before, MOVED) && r.agree() > STILL_THERE && Math.abs(r.step()) > LEAST_STEP).max(Comparator.comparingDouble(r -> Math.abs(r.step()))).map(RingEdge::ring);
        });
    }

    private static boolean near(Aperture a, Aperture b, double share) {
        return apart(a, b) < share * b.meanRadius() && Math.abs(a.meanRadius() / b.meanRadius() - 1) < share;
    }

    /// Rings that may be the rim, the likeliest first, no two of them nearly the same; none when no round edge stands out.
    static List<Aperture> candidates(float[] light, int width, int height) {
        List<RimCandidates.Candidate> all = measured(light, width, height);
        double[] chance = RimModel.shipped().chances(all.stream().map(c -> c.traits).toList());
        return different(IntStream.range(0, all.size()).boxed().sorted(Comparator.comparingDouble((Integer i) -> -chance[i])).map(i -> all.get(i).ring).toList());
    }

    /// The first few, without those that are nearly one that comes before.
    static List<Aperture> different(List<Aperture> rings) {
        List<Aperture> told = new ArrayList<>();
        for (Aperture r : rings) {
            if (told.size() < MOST_CANDIDATES && told.stream().noneMatch(t -> near(r, t, ANOTHER))) {
                told.add(r);
            }
        }
        return told;
    }

    /// All rings with their traits; none when no round edge stands out.
    static List<RimCandidates.Candidate> measured(float[] light, int width, int height) {
        float[] log = RingEdge.log(light);
        List<RingEdge> rings = all(light, log, width, height);
        double best = rings.stream().mapToDouble(ApertureFinder::score).max().orElse(0);
        return best < LEAST_SCORE ? List.of() : RimCandidates.of(log, width, height, rings, ruled(log, width, height, rings, best));
    }

    /// What the rule of the blackened edge takes for the rim.
    private static Optional<Aperture> ruled(float[] log, int width, int height, List<RingEdge> rings, double best) {
        return family(rings).flatMap(f -> innermost(log, width, height, f)).or(() -> rings.stream()
                .filter(r -> score(r) >= PASSES * best)
                .min(Comparator.comparingDouble(r -> r.ring().meanRadius()))
                .map(r -> RingEdge.refine(log, width, height, r.ring(), r.step(), 0.6, 0.02, 0.015)));
    }

    /// The ring that stands best for those that share one centre: parts of the mount, which lie in the plane of the rim. What lies deeper
    /// in the lens is shifted against them as soon as the camera leans.
    static Optional<Aperture> family(List<RingEdge> rings) {
        List<RingEdge> sure = rings.stream().filter(r -> r.agree() > 0.93 && r.sharp() > 0.75 && Math.abs(r.step()) > 0.15).toList();
        return sure.stream().max(Comparator.comparingDouble(r -> sure.stream()
                        .filter(o -> apart(o.ring(), r.ring()) < SAME_CENTRE * Math.max(o.ring().meanRadius(), r.ring().meanRadius()))
                        .mapToDouble(o -> weight(o) * o.ring().areaPx()).sum() + 1e-3 * weight(r)))
                .map(RingEdge::ring);
    }

    private static double weight(RingEdge r) {
        return r.agree() * r.sharp() * Math.min(1, Math.abs(r.step()));
    }

    private static double apart(Aperture a, Aperture b) {
        return Math.hypot(a.cx() - b.cx(), a.cy() - b.cy());
    }

    /// Of the rings of a family the smallest that is a true edge all the way round.
    private static Optional<Aperture> innermost(float[] log, int w, int h, Aperture family) {
        double smallest = 0.11 * Math.min(w, h) / family.meanRadius();
        List<RingEdge> scan = new ArrayList<>();
        for (double u = Math.max(0.2, smallest); u < MOUNT; u *= 1.005) {
            scan.add(RingEdge.step(log, w, h, about(family, u)));
        }
        List<RingEdge> peaks = IntStream.range(1, scan.size() - 1).filter(i -> peak(scan, i))
                .mapToObj(i -> scan.get(i).comparedWithDarkest(log, w, h)).toList();
        double best = peaks.stream().filter(ApertureFinder::trueEdge).mapToDouble(ApertureFinder::quality).max().orElse(0);
        List<RingEdge> edges = withoutLines(peaks).stream().filter(ApertureFinder::trueEdge)
                .filter(r -> quality(r) > (r.step() < 0 && r.dark() < BLACK ? FAINT : CLEAR) * best).toList();
        List<RingEdge> blackened = edges.stream().filter(r -> r.step() < 0 && r.dark() < BLACKENED && enclosed(r, peaks)).toList();
        return blackened.stream().filter(r -> blackened.stream().noneMatch(o -> within(r, o) && o.dark() < r.dark() - DARKER)).findFirst()
                .or(() -> edges.stream().filter(r -> r.ring().meanRadius() < 1.02 * family.meanRadius()).findFirst())
                .map(r -> r.step() > 0 ? justWithin(peaks, r) : r)
                .map(r -> settled(log, w, h, r));
    }

    private static boolean within(RingEdge inner, RingEdge outer) {
        double ratio = outer.ring().meanRadius() / inner.ring().meanRadius();
        return ratio > 1 && ratio < MOUNT;
    }

    /// Whether the mount lies about it, brighter again than the blackened edge: about the barrel itself there is only the backdrop.
    private static boolean enclosed(RingEdge edge, List<RingEdge> peaks) {
        return peaks.stream().anyMatch(o -> o.step() > 0.1 && o.agree() > 0.75 && o.sharp() > 0.5 && within(edge, o));
    }

    /// Without the rims of inner glasses that catch the lamp: light rises and falls again within a few percent of the radius.
    private static List<RingEdge> withoutLines(List<RingEdge> peaks) {
        List<RingEdge> out = new ArrayList<>();
        for (int i = 0; i < peaks.size(); i++) {
            RingEdge up = peaks.get(i);
            RingEdge down = i + 1 < peaks.size() ? peaks.get(i + 1) : up;
            boolean line = up.step() > 0 && down.step() < 0 && down.ring().meanRadius() < LINE * up.ring().meanRadius()
                    && -down.step() < 1.5 * up.step() && quality(down) > 0.3 * quality(up) && down.dark() > BLACKENED / 4;
            if (line) {
                i++;
            } else {
                out.add(up);
            }
        }
        return out;
    }

    private static boolean peak(List<RingEdge> scan, int i) {
        double here = quality(scan.get(i));
        return here > 0 && here >= quality(scan.get(i - 1)) && here > quality(scan.get(i + 1));
    }

    /// Dark glass differs little from the blackened edge, which then meets the brighter mount: a faint edge just within is the rim.
    private static RingEdge justWithin(List<RingEdge> peaks, RingEdge outer) {
        return peaks.stream()
                .filter(r -> r.step() < 0 && r.sharp() > 0.7 && r.agree() > 0.6)
                .filter(r -> r.ring().meanRadius() > 0.86 * outer.ring().meanRadius() && r.ring().meanRadius() < 0.985 * outer.ring().meanRadius())
                .max(Comparator.comparingDouble(ApertureFinder::quality))
                .orElse(outer);
    }

    /// The ring fitted to the edge, unless that strays.
    private static Aperture settled(float[] log, int w, int h, RingEdge r) {
        Aperture fitted = RingEdge.refine(log, w, h, r.ring(), r.step(), 0.5, 0.02, 0.015);
        boolean stayed = apart(fitted, r.ring()) < 0.012 * r.ring().meanRadius()
                && Math.abs(fitted.meanRadius() / r.ring().meanRadius() - 1) < 0.015;
        return stayed ? fitted : r.ring();
    }

    private static double quality(RingEdge r) {
        return Math.min(1, Math.abs(r.step())) * Math.max(0, r.agree() - 0.5) * 2 * r.sharp();
    }

    static boolean trueEdge(RingEdge r) {
        return r.agree() > 0.70 && r.sharp() > 0.6 && Math.abs(r.step()) > 0.09 && (r.step() > 0 ? r.dark() - r.step() < 0.7 : r.dark() < 0.95);
    }

    static Aperture about(Aperture a, double u) {
        return new Aperture(a.cx(), a.cy(), a.rx() * u, a.ry() * u, a.thetaRad());
    }

    /// Every ring that may be the rim.
    static List<RingEdge> all(float[] light, float[] log, int width, int height) {
        List<RingEdge> rings = new ArrayList<>();
        for (RingCentres.Centre c : RingCentres.find(light, width, height)) {
            for (Aperture guess : rings(log, width, height, c)) {
                RingEdge rough = RingEdge.measure(log, width, height, guess);
                if (rough.seen() < 0.4) {
                    continue;
                }
                for (double sign : new double[] {-1, 1}) {
                    Aperture fitted = RingEdge.refine(log, width, height, guess, sign, 0.7, 0.07, 0.04, 0.025);
                    if (fitted.ry() > 0.72 * fitted.rx() && Math.hypot(fitted.cx() - c.x(), fitted.cy() - c.y()) < 0.2 * fitted.rx()) {
                        rings.add(RingEdge.measure(log, width, height, fitted));
                    }
                }
            }
        }
        return rings;
    }

    static double score(RingEdge r) {
        if (r.agree() < LEAST_AGREEMENT) {
            return 0;
        }
        double step = Math.min(1, Math.abs(r.step())) * (r.step() < 0 ? 1 : 0.5);
        double agree = (r.agree() - 0.5) * 2;
        double dark = r.step() < 0 ? Math.exp(-Math.max(0, r.dark() - 0.25) / 0.7) : 1;
        return step * agree * (0.3 + 0.7 * r.sharp()) * dark * Math.sqrt(r.seen());
    }

    /// Circles about a centre across which light changes in most directions: the peaks of the step over the radius.
    private static List<Aperture> rings(float[] log, int w, int h, RingCentres.Centre c) {
        double least = 0.11 * Math.min(w, h);
        double most = 0.62 * Math.max(w, h);
        List<Double> radii = new ArrayList<>();
        for (double r = least; r < most; r *= 1.012) {
            radii.add(r);
        }
        double[] strength = new double[radii.size()];
        for (int i = 0; i < strength.length; i++) {
            strength[i] = Math.abs(step(log, w, h, c, radii.get(i)));
        }
        record Peak(double radius, double strength) {}
        List<Peak> peaks = new ArrayList<>();
        for (int i = 1; i + 1 < strength.length; i++) {
            if (strength[i] >= strength[i - 1] && strength[i] > strength[i + 1] && strength[i] > 0.02) {
                peaks.add(new Peak(radii.get(i), strength[i]));
            }
        }
        return peaks.stream().sorted(Comparator.comparingDouble(Peak::strength).reversed()).limit(9)
                .map(p -> new Aperture(c.x(), c.y(), p.radius, p.radius, 0)).toList();
    }

    /// Mean step of the logarithm of light across a circle, each direction's share limited.
    private static double step(float[] log, int w, int h, RingCentres.Centre c, double r) {
        double reach = Math.max(2, 0.02 * r);
        double sum = 0;
        int n = 0;
        for (int k = 0; k < DIRECTIONS; k++) {
            double ux = Math.cos(2 * Math.PI * k / DIRECTIONS);
            double uy = Math.sin(2 * Math.PI * k / DIRECTIONS);
            int xo = (int) Math.round(c.x() + (r + reach) * ux);
            int yo = (int) Math.round(c.y() + (r + reach) * uy);
            int xi = (int) Math.round(c.x() + (r - reach) * ux);
            int yi = (int) Math.round(c.y() + (r - reach) * uy);
            if (xo >= 0 && yo >= 0 && xo < w && yo < h && xi >= 0 && yi >= 0 && xi < w && yi < h) {
                double d = log[yo * w + xo] - log[yi * w + xi];
                sum += Math.clamp(d, -0.6, 0.6);
                n++;
            }
        }
        return n < DIRECTIONS * 0.4 ? 0 : sum / n;
    }
}
