package stillglass.optics.misassembly;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.Tilt;

/// Wrong distances: spacers, shims and seats.
///
/// A spacer touches the glass before it on one ring and the glass behind it on another, so its length is
/// `L = t + sag(next, rear seat) − sag(before, front seat)` with `t` the vertex distance. Seats are on the ground rims
/// where nothing else is said.
final class Spacing {
    /// Steps from the axis to the rim when looking for the first point of contact.
    private static final int STEPS = 200;
    /// No wrong gap is longer than the lens.
    private static final double MOST_OF_LENGTH = 1;
    /// Filters and covers are of plain crown; its dispersion hardly matters in a plate.
    private static final double PLATE_VD = 64;

    private Spacing() {}

    /// A gap between two surfaces.
    static LensSection between(LensSection lens, int gap, double deltaMm) {
        if (gap == lens.surfaces().size()) {
            throw new IllegalArgumentException("gap " + gap + " runs to the film: name the shim under the mount instead, shim-missing:"
                    + gap + ":0.05");
        }
        airGap(lens, gap);
        return change(lens, gap, deltaMm);
    }

    /// A gap, the last one to the film included.
    static LensSection change(LensSection lens, int gap, double deltaMm) {
        if (gap < 1 || gap > lens.surfaces().size()) {
            throw new IllegalArgumentException(
                    "there is no gap " + gap + ": gaps run from 1 to " + (lens.surfaces().size() - 1));
        }
        if (!(Math.abs(deltaMm) <= MOST_OF_LENGTH * Math.max(lens.lengthMm(), lens.nominalFocalLengthMm()))) {
            throw new IllegalArgumentException(String.format(Locale.ROOT, "gap %d changed by %.6g mm: that is more than the lens itself, give what a caliper could measure", gap, deltaMm));
        }
        return gap < lens.surfaces().size() ? new Places(lens).widened(gap, deltaMm) : alone(lens, gap, deltaMm);
    }

    /// One distance, whatever rests on what.
    private static LensSection alone(LensSection lens, int gap, double deltaMm) {
        List<Surface> surfaces = new ArrayList<>(lens.surfaces());
        Surface s = surfaces.get(gap - 1);
        surfaces.set(gap - 1, s.withThickness(s.thicknessMm() + deltaMm));
        return lens.withSurfaces(surfaces, lens.elements());
    }

    /// The glasses on both sides come together until they touch.
    static LensSection missing(LensSection lens, int gap) {
        airGap(lens, gap);
        return change(lens, gap, contactMm(lens, gap) - lens.surfaces().get(gap - 1).thicknessMm());
    }

    /// Vertex distance at which the two sides of a gap touch, mm.
    static double contactMm(LensSection lens, int gap) {
        Surface front = lens.surfaces().get(gap - 1);
        Surface rear = lens.surfaces().get(gap);
        double rim = Math.min(seatMm(lens, gap - 1), seatMm(lens, gap));
        double touch = Double.NEGATIVE_INFINITY;
        for (int i = 0; i <= STEPS; i++) {
            double h = rim * i / STEPS;
            touch = Math.max(touch, front.sagMm(h) - rear.sagMm(h));
        }
        return touch;
    }

    /// The spacer turned round: what sat on the front glass now sits on the rear one.
    static LensSection reversed(LensSection lens, int gap, double frontSeatMm, double rearSeatMm) {
        airGap(lens, gap);
        Surface front = lens.surfaces().get(gap - 1);
        Surface rear = lens.surfaces().get(gap);
        double length = front.thicknessMm() + rear.sagMm(rearSeatMm) - front.sagMm(frontSeatMm);
        // It cannot rest beyond the rim of a smaller glass.
        double onFront = Math.min(rearSeatMm, seatMm(lens, gap - 1));
        double onRear = Math.min(frontSeatMm, seatMm(lens, gap));
        return change(lens, gap, length + front.sagMm(onFront) - rear.sagMm(onRear) - front.thicknessMm());
    }

    /// Two spacers in each other's place.
    static LensSection swapped(LensSection lens, int one, int other) {
        airGap(lens, one);
        airGap(lens, other);
        double difference = lengthMm(lens, other) - lengthMm(lens, one);
        return change(change(lens, one, difference), other, -difference);
    }

    /// Length of the spacer in a gap, from rim to rim.
    static double lengthMm(LensSection lens, int gap) {
        return lens.surfaces().get(gap - 1).thicknessMm()
                + lens.surfaces().get(gap).sagMm(seatMm(lens, gap))
                - lens.surfaces().get(gap - 1).sagMm(seatMm(lens, gap - 1));
    }

    /// A block off its seat. It lifts away from what it rests on; where that is not known, blocks before the iris are laid in from the front and lift forwards, those behind it lift rearwards.
    /// @param first index of the block's first surface
    /// @param last index of its last
    static LensSection lifted(LensSection lens, int first, int last, double liftMm, double tiltRad, double towardsRad) {
        boolean forwards = new Places(lens).liftsForwards(first);
        LensSection moved = lens;
        if (first > 0) {
            moved = alone(moved, first, forwards ? -liftMm : liftMm);
        }
        moved = alone(moved, last + 1, forwards ? liftMm : -liftMm);
        if (tiltRad == 0) {
            return moved;
        }
        // It tips on the ring it rests on: where that lies behind its vertex, the vertex goes aside, away from the rim that stands up.
        double seat = forwards ? lens.surfaces().subList(first, last).stream().mapToDouble(Surface::thicknessMm).sum() + lens.surfaces().get(last).sagMm(seatMm(lens, last)) : lens.surfaces().get(first).sagMm(seatMm(lens, first));
        return leaning(moved, new Tilt(first, last, tiltRad, towardsRad, -seat * Math.sin(tiltRad)));
    }

    /// A plane plate in the air behind the last glass. Where in that air it stands does not matter to the focus.
    static LensSection plateBehind(LensSection lens, double mm, double nd) {
        List<Surface> surfaces = new ArrayList<>(lens.surfaces());
        Surface last = surfaces.removeLast();
        double air = last.thicknessMm() - mm;
        if (!(air > 0)) {
            throw new IllegalArgumentException(String.format(Locale.ROOT, "a plate of %.2f mm does not fit into the %.2f mm behind the last glass", mm, last.thicknessMm()));
        }
        surfaces.add(last.withThickness(air / 2));
        surfaces.add(new Surface(Double.POSITIVE_INFINITY, mm, new Medium.Glass(nd, PLATE_VD, ""), lens.imageCircleMm(), false));
        surfaces.add(new Surface(Double.POSITIVE_INFINITY, air / 2, new Medium.Air(), lens.imageCircleMm(), false));
        return lens.withSurfaces(surfaces, lens.elements());
    }

    /// Lets a run of surfaces lean, or stand aside, instead of what it did before.
    static LensSection leaning(LensSection lens, Tilt tilt) {
        List<Tilt> tilts = new ArrayList<>(lens.tilts());
        tilts.removeIf(t -> t.firstSurface() <= tilt.lastSurface() && t.lastSurface() >= tilt.firstSurface());
        tilts.add(tilt);
        return lens.withTilts(tilts);
    }

    /// The gap that front-cell focusing changes, counted from 1.
    static int frontCellGap(LensSection lens) {
        if (!lens.focusing().kind().equals("front-cell")) {
            throw new IllegalArgumentException(
                    lens.name() + " does not focus by its front cell: it has no entry of the front cell to miss");
        }
        return 1 + lens.elements().stream()
                .filter(e -> lens.focusing().movingGroups().contains(e.group()))
                .mapToInt(Element::lastSurface)
                .max()
                .orElseThrow(() -> new IllegalArgumentException(lens.name() + " does not say which group its front cell holds"));
    }

    private static double seatMm(LensSection lens, int surface) {
        return lens.elementsAt(surface).stream()
                .mapToDouble(e -> e.diameterMm() / 2)
                .min()
                .orElse(lens.surfaces().get(surface).semiDiameterMm());
    }

    private static void airGap(LensSection lens, int gap) {
        if (gap < 1 || gap >= lens.surfaces().size()) {
            throw new IllegalArgumentException(String.format(Locale.ROOT,
                    "there is no gap %d for a spacer: they run from 1 to %d", gap, lens.surfaces().size() - 1));
        }
        lens.elements().stream()
                .filter(e -> e.firstSurface() <= gap - 1 && e.lastSurface() >= gap)
                .findFirst()
                .ifPresent(e -> {
                    throw new IllegalArgumentException("gap " + gap + " is the glass of " + e.name() + ": nothing there can be shorter or longer");
                });
    }
}
