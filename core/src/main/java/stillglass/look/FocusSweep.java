package stillglass.look;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import stillglass.say.Said;

/// What a sweep of a camera's focus tells of a fault: photos taken one after another from one place while the focus went evenly one way, as a phone's slider does.
///
/// Nobody need know where the focus stood. The rim and the blades of the iris are sharp at a step each, and so is the fault: that alone says on which side of the blades it lies. Where depths of two such edges are known, or of photos, they give the steps their scale: a lens that is moved by equal amounts moves the *reciprocal* of the distance to what is sharp evenly. How far
/// away the camera stood is not known; every distance from 60 mm to 3 m counts alike (on a logarithmic scale), which makes the answer less certain the farther it lies from what is known.
///
/// @param fault the step at which the fault is sharpest, from the first photo on
/// @param rim the step at which the rim is
/// @param blades the step at which the blades are
/// @param marks photos of which it was said how deep they are sharp, the rim apart
public record FocusSweep(Sharpest fault, Optional<Sharpest> rim, Optional<Sharpest> blades, List<Mark> marks) {
    /// How far the clear edge may lie from the rim that depths are counted from.
    private static final double RIM_MM = 0.5;
    private static final double BLADES_MM = 0.4;
    private static final double SAID_MM = 0.3;
    /// A photo said to be sharp at a depth is the sharpest of its neighbours.
    private static final double SAID_STEP = 0.3;
    private static final double NEAREST_MM = 60;
    private static final double FARTHEST_MM = 3000;
    private static final double NEXT = 1.25;
    /// Steps apart that are no chance, standard deviations.
    private static final double CLEAR = 2;
    /// Of the way from rim to blades within which a fault has to be placed to be called as deep as the blades.
    private static final double AT_BLADES = 0.15;

    public FocusSweep {
        marks = List.copyOf(marks);
    }

    /// One photo of a sweep.
    /// @param step from 1, in the order they were taken
    /// @param fault sharpness of the fault, where it is seen
    /// @param saidMm depth at which it is sharp, where that was said
    public record Seen(int step, Optional<Double> fault, PhotoEdges edges, Optional<Double> saidMm) {}

    /// A step whose depth is known.
    public record Mark(double step, double stepSigma, double depthMm, double depthSigmaMm) {}

    /// The same where it was said at which step the blades are sharpest.
    public FocusSweep withBlades(int step) {
        return new FocusSweep(fault, rim, Optional.of(new Sharpest(step, SAID_STEP)), marks);
    }

    /// On which side of what is sharp elsewhere a fault lies, seen from the camera.
    public enum Side {
        /// As sharp as the rim is: on the nearest glasses.
        RIM,
        /// Deeper than the rim, where nothing is known of the blades.
        DEEPER,
        BEFORE_BLADES,
        AT_BLADES,
        BEHIND_BLADES
    }

    /// @return nothing where the step at which the fault is sharpest cannot be told
    public static Optional<FocusSweep> of(List<Seen> photos) {
        List<Mark> said = new ArrayList<>();
        for (Seen s : photos) {
            s.saidMm.ifPresent(mm -> said.add(new Mark(s.step, SAID_STEP, mm, SAID_MM)));
        }
        // What was said of the rim holds before what was measured of it.
        Optional<Sharpest> rim = said.stream().filter(m -> Math.abs(m.depthMm) <= RIM_MM).findFirst().map(m -> new Sharpest(m.step, m.stepSigma)).or(() -> sharpest(photos, s -> s.edges.rim()));
        List<Mark> marks = said.stream().filter(m -> Math.abs(m.depthMm) > RIM_MM).toList();
        return sharpest(photos, s -> s.fault).map(f -> new FocusSweep(f, rim, sharpest(photos, s -> s.edges.blades()), marks));
    }

    private static Optional<Sharpest> sharpest(List<Seen> photos, Function<Seen, Optional<Double>> of) {
        List<Sharpest.Sight> sights = new ArrayList<>();
        photos.forEach(s -> of.apply(s).ifPresent(v -> sights.add(new Sharpest.Sight(s.step, v))));
        return Sharpest.of(sights);
    }

    /// @return nothing where it lies too near to tell, or nothing else was seen to be sharp
    public Optional<Side> side() {
        if (rim.isEmpty()) {
            return Optional.empty();
        }
        if (blades.isEmpty() || apart(rim.get(), blades.get()) < CLEAR) {
            return apart(fault, rim.get()) > CLEAR + 1 ? Optional.of(Side.DEEPER) : atRim(1) ? Optional.of(Side.RIM) : Optional.empty();
        }
        double deep = blades.get().at() - rim.get().at();
        double past = (fault.at() - blades.get().at()) * Math.signum(deep);
        double sigma = Math.hypot(fault.sigma(), blades.get().sigma());
        if (past > CLEAR * sigma) {
            return Optional.of(Side.BEHIND_BLADES);
        }
        if (past < -CLEAR * sigma) {
            return Optional.of(atRim(Math.abs(deep) * AT_BLADES) ? Side.RIM : Side.BEFORE_BLADES);
        }
        return sigma < AT_BLADES * Math.abs(deep) ? Optional.of(Side.AT_BLADES) : Optional.empty();
    }

    /// @param most standard deviation in steps up to which it may be said
    private boolean atRim(double most) {
        return rim.filter(r -> apart(fault, r) < CLEAR && Math.hypot(fault.sigma(), r.sigma()) < most).isPresent();
    }

    private static double apart(Sharpest a, Sharpest b) {
        return Math.abs(a.at() - b.at()) / Math.hypot(a.sigma(), b.sigma());
    }

    /// In the bench's words.
    /// @param rear whether the camera looks in from behind
    public Optional<Said> said(boolean rear) {
        return side().map(s -> Said.of(switch (s) {
            case RIM -> "sweep.rim";
            case DEEPER -> "sweep.deeper";
            case BEFORE_BLADES -> "sweep.before";
            case AT_BLADES -> "sweep.at";
            case BEHIND_BLADES -> "sweep.behind";
        }, "side", rear ? "rear" : "front"));
    }

    /// How deep the fault seems to lie.
    /// @param bladesMm apparent depth of the blades behind the rim from the camera's side, where it is known
    /// @return nothing where fewer than two depths are known at steps that are clearly apart, or it lies too far from them
    public Optional<FocusStack> depth(OptionalDouble bladesMm) {
        List<Mark> known = new ArrayList<>(marks);
        rim.ifPresent(r -> known.add(new Mark(r.at(), r.sigma(), 0, RIM_MM)));
        bladesMm.ifPresent(mm -> blades.ifPresent(b -> known.add(new Mark(b.at(), b.sigma(), mm, BLADES_MM))));
        if (known.size() < 2) {
            return Optional.empty();
        }
        Mark first = known.stream().min(Comparator.comparingDouble(Mark::depthMm)).orElseThrow();
        Mark last = known.stream().max(Comparator.comparingDouble(Mark::depthMm)).orElseThrow();
        double span = last.depthMm - first.depthMm;
        if (Math.abs(last.step - first.step) < CLEAR * Math.hypot(first.stepSigma, last.stepSigma) || span <= 0) {
            return Optional.empty();
        }
        double sum = 0;
        double mean = 0;
        double square = 0;
        for (double away = NEAREST_MM; away < FARTHEST_MM; away *= NEXT) {
            Optional<Told> told = away + first.depthMm > 0 ? told(known, first, last, away) : Optional.empty();
            if (told.isPresent()) {
                Told t = told.get();
                sum += t.weight;
                mean += t.weight * t.mm;
                square += t.weight * (t.mm * t.mm + t.sigmaMm * t.sigmaMm);
            }
        }
        mean /= sum;
        double sigma = Math.sqrt(Math.max(0, square / sum - mean * mean));
        return sum > 0 && sigma < span ? Optional.of(new FocusStack(mean, sigma)) : Optional.empty();
    }

    /// What a camera at one distance would make of it.
    /// @param weight of that distance, by how well the marks agree with it
    private record Told(double mm, double sigmaMm, double weight) {}

    /// By a weighted straight line through the reciprocals of distances.
    /// @param away from the camera to the rim, mm
    /// @return nothing where the line leads past infinity
    private Optional<Told> told(List<Mark> known, Mark first, Mark last, double away) {
        double slope = (1 / (away + last.depthMm) - 1 / (away + first.depthMm)) / (last.step - first.step);
        double w = 0;
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        double[] weights = new double[known.size()];
        for (int i = 0; i < weights.length; i++) {
            Mark m = known.get(i);
            double off = away + m.depthMm;
            weights[i] = 1 / (Math.pow(slope * m.stepSigma, 2) + Math.pow(m.depthSigmaMm / (off * off), 2));
            w += weights[i];
            x += weights[i] * m.step;
            y += weights[i] / off;
            xx += weights[i] * m.step * m.step;
            xy += weights[i] * m.step / off;
        }
        double spread = xx - x * x / w;
        double b = (xy - x * y / w) / spread;
        double a = (y - b * x) / w;
        double chi = 0;
        for (int i = 0; i < weights.length; i++) {
            Mark m = known.get(i);
            chi += weights[i] * Math.pow(1 / (away + m.depthMm) - a - b * m.step, 2);
        }
        double at = a + b * fault.at();
        if (!(at > 0)) {
            return Optional.empty();
        }
        double variance = 1 / w + Math.pow(fault.at() - x / w, 2) / spread + Math.pow(b * fault.sigma(), 2);
        return Optional.of(new Told(1 / at - away, Math.sqrt(variance) / (at * at), Math.exp(-chi / 2)));
    }
}
