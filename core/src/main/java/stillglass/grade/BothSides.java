package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.PhotoChange;
import stillglass.look.SameFault;
import stillglass.optics.LensSection;

/// A fault seen from the front, one seen from the rear, and whether they are the same.
///
/// From either side the glass before a surface magnifies it ([Paraxial#apparentFromFront]), and from behind right and left change places. Laid
/// back onto the surface it really lies on, a fault has one place and one size from both sides; on any other surface the two disagree. So the
/// two photos also tell the surface apart, the better the farther from the axis the fault lies.
///
/// @param front as seen in a photo from the front
/// @param rear as seen in a photo from the rear, right and left as in that photo
public record BothSides(Finding front, Finding rear) implements PlaceEvidence {
    /// Misfit beyond which two findings are two faults: one pair in a hundred of the same fault is farther off (chi squared, three degrees of freedom).
    private static final double FAR = 11.3;
    private static final int INSIDE_STEPS = 4;

    /// @param rear whether `a` is the one from the rear
    public static BothSides of(Finding a, boolean rear, Finding b) {
        return rear ? new BothSides(b, a) : new BothSides(a, b);
    }

    /// Whether the kind covers the glass or is counted over all of it, and so has no place to compare.
    private boolean everywhere() {
        return front.kind() == rear.kind() && (front.kind() == FindingKind.DUST || front.kind() == FindingKind.HAZE);
    }

    /// How badly one place explains both photos: sum of squared departures in place and logarithm of area over their scatter.
    ///
    /// @param behindMm depth in the glass behind the surface, 0 on the surface itself
    /// @return 0 when there is nothing to compare
    @Override
    public double misfit(LensSection lens, int surface, double behindMm) {
        if (everywhere()) {
            return 0;
        }
        Laid f = Laid.on(lens, surface, behindMm, false, front);
        Laid r = Laid.on(lens, surface, behindMm, true, rear);
        double clear = lens.surfaces().get(surface).semiDiameterMm();
        double outside = f.outside(clear) + r.outside(clear);
        double place = (Math.pow(f.x() - r.x(), 2) + Math.pow(f.y() - r.y(), 2)) / (f.sigma() * f.sigma() + r.sigma() * r.sigma());
        double size = Math.log(Math.max(1e-9, area(front, f)) / Math.max(1e-9, area(rear, r)));
        return outside + place + size * size / (2 * PhotoChange.LOG_AREA_SCATTER * PhotoChange.LOG_AREA_SCATTER);
    }

    /// On the surface, mm².
    private static double area(Finding f, Laid there) {
        return f.areaShare() * Math.PI * there.widening();
    }

    /// Natural logarithm of how likely the two photos are if it lies there, but for a part all places share.
    @Override
    public double logDensity(LensSection lens, int surface, double behindMm) {
        return everywhere() ? 0 : new TwoSights(front, rear, lens, surface, behindMm).logDensity();
    }

    /// Misfit at the place that explains both best, of those where the kind may lie.
    public double least(LensSection lens) {
        FindingKind kind = front.kind() == FindingKind.UNKNOWN ? rear.kind() : front.kind();
        List<Double> all = new ArrayList<>();
        List<Integer> places = new ArrayList<>(lens.faces());
        places.add(lens.stopIndex());
        for (int s : places) {
            if (MayLie.notOn(kind, lens, s).isEmpty()) {
                all.add(misfit(lens, s, 0));
            }
            boolean glass = lens.elements().stream().anyMatch(e -> e.firstSurface() <= s && e.lastSurface() > s);
            for (int i = 0; glass && MayLie.notInside(kind).isEmpty() && i < INSIDE_STEPS; i++) {
                all.add(misfit(lens, s, lens.surfaces().get(s).thicknessMm() * (i + 0.5) / INSIDE_STEPS));
            }
        }
        return all.stream().mapToDouble(Double::doubleValue).min().orElse(Double.POSITIVE_INFINITY);
    }

    /// Whether both are one fault: their kinds may be one, and one place explains both.
    public boolean oneFault(LensSection lens) {
        return SameFault.mayBeOneKind(front, rear) && least(lens) < FAR;
    }
}
