package stillglass.optics.misassembly;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;
import stillglass.say.Said;

/// Something put together wrongly.
public sealed interface LensFault {

    /// A single glass or a whole cemented group turned round.
    record Reversed(List<String> elements) implements LensFault {
        public Reversed {
            elements = List.copyOf(elements);
        }
    }

    /// Two single glasses or cemented groups in each other's place.
    record Swapped(List<String> one, List<String> other) implements LensFault {
        public Swapped {
            one = List.copyOf(one);
            other = List.copyOf(other);
        }
    }

    /// A gap longer or shorter than it should be.
    /// @param gap counted from 1: the gap after surface `gap`
    /// @param deltaMm change of its length
    record GapChanged(int gap, double deltaMm) implements LensFault {}

    /// A spacer left out: the glasses come together until they touch.
    /// @param gap the gap it should fill, counted from 1
    record SpacerMissing(int gap) implements LensFault {}

    /// A spacer turned round, whose ends rest on rings of different size.
    /// @param frontSeatMm diameter of the ring on which it should touch the glass before it
    /// @param rearSeatMm diameter of the ring on which it should touch the glass behind it
    record SpacerReversed(int gap, double frontSeatMm, double rearSeatMm) implements LensFault {
        public SpacerReversed {
            if (!(frontSeatMm > 0 && frontSeatMm < 1e4) || !(rearSeatMm > 0 && rearSeatMm < 1e4)) {
                throw new IllegalArgumentException("seats of " + frontSeatMm + " and " + rearSeatMm
                        + " mm: give the diameters of both rings in millimetres");
            }
        }
    }

    /// Two spacers in each other's place.
    record SpacersSwapped(int one, int other) implements LensFault {}

    /// A shim left out.
    /// @param gap the gap it belongs to, counted from 1; the last is under the mount
    record ShimMissing(int gap, double thicknessMm) implements LensFault {
        public ShimMissing {
            thickness(thicknessMm);
        }
    }

    /// A shim put in twice.
    record ShimDoubled(int gap, double thicknessMm) implements LensFault {
        public ShimDoubled {
            thickness(thicknessMm);
        }
    }

    /// A single glass or cemented group that does not lie in its seat.
    /// @param liftMm how far its middle stands off
    /// @param tiltDeg how far it leans
    /// @param towardsHours clock position from the front at which its rim stands towards the object
    record Unseated(List<String> elements, double liftMm, double tiltDeg, double towardsHours) implements LensFault {
        public Unseated {
            elements = List.copyOf(elements);
            if (!(tiltDeg >= 0 && tiltDeg <= 20) || !(Math.abs(liftMm) < 50) || !(towardsHours >= 0 && towardsHours <= 12)) {
                throw new IllegalArgumentException(String.format(Locale.ROOT,
                        "a lift of %s mm and a tilt of %s° towards %s is out of range: give under 50 mm, 0 to 20°, 0 to 12 o'clock",
                        liftMm, tiltDeg, towardsHours));
            }
        }
    }

    /// A single glass or cemented group pushed aside in its seat.
    /// @param asideMm how far its middle stands off the axis
    /// @param towardsHours clock position from the front
    record Decentred(List<String> elements, double asideMm, double towardsHours) implements LensFault {
        public Decentred {
            elements = List.copyOf(elements);
            if (!(asideMm >= 0 && asideMm <= 5) || !(towardsHours >= 0 && towardsHours <= 12)) {
                throw new IllegalArgumentException(asideMm + " mm aside towards " + towardsHours + " o'clock is out of range: give 0 to 5 mm, 0 to 12 o'clock");
            }
        }
    }

    /// A plane plate behind the glass that the design does not know: a filter, the cover of a sensor.
    /// @param nd its index
    record PlateBehind(double thicknessMm, double nd) implements LensFault {
        public PlateBehind {
            thickness(thicknessMm);
            if (!(nd > 1.2 && nd < 2.6)) {
                throw new IllegalArgumentException("an index of " + nd + " is none of a glass: give 1.2 to 2.6");
            }
        }
    }

    /// The front cell of a front-cell focusing lens started at another thread entry.
    /// @param entries how many entries off, positive further out
    /// @param leadMm travel for one turn
    /// @param starts number of threads side by side
    record FrontCellEntry(int entries, double leadMm, int starts) implements LensFault {
        public FrontCellEntry {
            if (!(leadMm > 0 && leadMm < 200) || starts < 1 || starts > 60) {
                throw new IllegalArgumentException("a lead of " + leadMm + " mm with " + starts
                        + " starts is out of range: measure the travel of one turn and count the thread ends");
            }
        }

        /// How far the cell stands off, mm.
        public double shiftMm() {
            return entries * leadMm / starts;
        }
    }

    private static void thickness(double mm) {
        if (!(mm > 0 && mm < 20)) {
            throw new IllegalArgumentException("a thickness of " + mm + " mm is out of range: give its thickness in millimetres");
        }
    }

    /// How a glass in the wrong place or facing finds its seat.
    enum Seating {
        /// It rests on its rims: the distance from rim to rim of neighbours is kept, so vertex gaps change by its sags.
        RIM,
        /// The vertex distances on both sides are kept.
        VERTEX
    }

    /// A mis-assembled lens and what to know about it.
    record Misassembled(LensSection lens, List<Said> diagnostics) {
        public Misassembled {
            diagnostics = List.copyOf(diagnostics);
        }
    }

    /// Reads one fault in its short form, such as `reverse:E4+E5`, `swap:E1,E6`, `gap:4:-0.5`, `spacer-missing:4` or
    /// `unseated:E1:0.1:0.3`.
    /// @throws IllegalArgumentException naming what is wrong and what is expected
    static LensFault parse(String text) {
        return FaultWords.parse(text);
    }

    /// The short form, which [#parse] reads again.
    default String shortForm() {
        return switch (this) {
            case Reversed r -> "reverse:" + String.join("+", r.elements);
            case Swapped s -> "swap:" + String.join("+", s.one) + "," + String.join("+", s.other);
            case GapChanged g -> "gap:" + g.gap + ":" + g.deltaMm;
            case SpacerMissing s -> "spacer-missing:" + s.gap;
            case SpacerReversed s -> "spacer-reversed:" + s.gap + ":" + s.frontSeatMm + ":" + s.rearSeatMm;
            case SpacersSwapped s -> "spacers-swapped:" + s.one + "," + s.other;
            case ShimMissing s -> "shim-missing:" + s.gap + ":" + s.thicknessMm;
            case ShimDoubled s -> "shim-doubled:" + s.gap + ":" + s.thicknessMm;
            case Unseated u -> "unseated:" + String.join("+", u.elements) + ":" + u.liftMm + ":" + u.tiltDeg + ":" + u.towardsHours;
            case Decentred d -> "decentred:" + String.join("+", d.elements) + ":" + d.asideMm + ":" + d.towardsHours;
            case PlateBehind p -> "plate:" + p.thicknessMm + ":" + p.nd;
            case FrontCellEntry f -> "entry:" + f.entries + ":" + f.leadMm + ":" + f.starts;
        };
    }

    /// In the field's words.
    default Said said() {
        return switch (this) {
            case Reversed r -> Said.of("lens-fault.reversed", "elements", Said.and(r.elements));
            case Swapped s -> Said.of("lens-fault.swapped", "one", String.join("+", s.one), "other", String.join("+", s.other));
            case GapChanged g -> Said.of("lens-fault.gap", "gap", g.gap, "mm", g.deltaMm);
            case SpacerMissing s -> Said.of("lens-fault.spacer.missing", "gap", s.gap);
            case SpacerReversed s -> Said.of("lens-fault.spacer.reversed", "gap", s.gap, "front", s.frontSeatMm, "rear", s.rearSeatMm);
            case SpacersSwapped s -> Said.of("lens-fault.spacer.swapped", "one", s.one, "other", s.other);
            case ShimMissing s -> Said.of("lens-fault.shim.missing", "mm", s.thicknessMm, "gap", s.gap);
            case ShimDoubled s -> Said.of("lens-fault.shim.doubled", "mm", s.thicknessMm, "gap", s.gap);
            case Unseated u -> Said.of(u.tiltDeg == 0 ? "lens-fault.unseated" : "lens-fault.leaning", "elements", Said.and(u.elements), "mm", u.liftMm, "degrees", u.tiltDeg, "hours", u.towardsHours);
            case Decentred d -> Said.of("lens-fault.decentred", "elements", Said.and(d.elements), "mm", d.asideMm, "hours", d.towardsHours);
            case PlateBehind p -> Said.of("lens-fault.plate", "mm", p.thicknessMm, "nd", p.nd);
            case FrontCellEntry f -> Said.of("lens-fault.entry", "entries", Math.abs(f.entries), "mm", f.shiftMm());
        };
    }

    /// The same without the direction of what leans or stands aside.
    default Said undirected() {
        return switch (this) {
            case Unseated u when u.tiltDeg > 0 -> Said.of("lens-fault.leaning.somewhere", "elements", Said.and(u.elements), "mm", u.liftMm, "degrees", u.tiltDeg);
            case Decentred d -> Said.of("lens-fault.decentred.somewhere", "elements", Said.and(d.elements), "mm", d.asideMm);
            default -> said();
        };
    }

    /// Glasses it is about, those on both sides of a distance; none for shims under the mount.
    default Set<String> glasses(LensSection lens) {
        return switch (this) {
            case Reversed r -> Set.copyOf(r.elements);
            case Swapped s -> union(s.one, s.other);
            case Unseated u -> Set.copyOf(u.elements);
            case Decentred d -> Set.copyOf(d.elements);
            case GapChanged g -> beside(g.gap, lens);
            case SpacerMissing s -> beside(s.gap, lens);
            case SpacerReversed s -> beside(s.gap, lens);
            case SpacersSwapped s -> union(beside(s.one, lens), beside(s.other, lens));
            case ShimMissing s -> Set.of();
            case ShimDoubled s -> Set.of();
            case PlateBehind p -> Set.of();
            case FrontCellEntry e -> Set.of();
        };
    }

    private static Set<String> union(Collection<String> a, Collection<String> b) {
        Set<String> out = new TreeSet<>(a);
        out.addAll(b);
        return out;
    }

    private static Set<String> beside(int gap, LensSection lens) {
        return lens.elements().stream().filter(e -> e.lastSurface() == gap - 1 || e.firstSurface() == gap || e.lastSurface() == gap - 2 || e.firstSurface() == gap + 1).map(Element::name).collect(Collectors.toSet());
    }

    /// Applies faults in order.
    /// @throws IllegalArgumentException where a fault names a glass or gap this lens does not have
    static Misassembled apply(LensSection lens, List<LensFault> faults, Seating seating) {
        LensSection now = lens;
        for (LensFault fault : faults) {
            now = apply(now, fault, seating);
        }
        return new Misassembled(now, crossings(now));
    }

    private static LensSection apply(LensSection lens, LensFault fault, Seating seating) {
        return switch (fault) {
            case Reversed r -> Restacked.reverse(lens, r.elements, seating);
            case Swapped s -> Restacked.swap(lens, s.one, s.other, seating);
            case GapChanged g -> Spacing.between(lens, g.gap, g.deltaMm);
            case SpacerMissing s -> Spacing.missing(lens, s.gap);
            case SpacerReversed s -> Spacing.reversed(lens, s.gap, s.frontSeatMm / 2, s.rearSeatMm / 2);
            case SpacersSwapped s -> Spacing.swapped(lens, s.one, s.other);
            case ShimMissing s -> Spacing.change(lens, s.gap, -s.thicknessMm);
            case ShimDoubled s -> Spacing.change(lens, s.gap, s.thicknessMm);
            case Unseated u -> Restacked.lift(lens, u.elements, u.liftMm, Math.toRadians(u.tiltDeg), direction(u.towardsHours));
            case Decentred d -> Restacked.decentre(lens, d.elements, d.asideMm, direction(d.towardsHours));
            case PlateBehind p -> Spacing.plateBehind(lens, p.thicknessMm, p.nd);
            case FrontCellEntry f -> Spacing.change(lens, Spacing.frontCellGap(lens), f.shiftMm());
        };
    }

    /// A clock position as an angle from 3 o'clock towards 12.
    private static double direction(double hours) {
        return Math.PI / 2 - hours * Math.PI / 6;
    }

    private static List<Said> crossings(LensSection lens) {
        List<Said> found = new ArrayList<>();
        for (int i = 0; i + 1 < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            Surface next = lens.surfaces().get(i + 1);
            double h = Math.min(s.semiDiameterMm(), next.semiDiameterMm());
            double atEdge = s.thicknessMm() + next.sagMm(h) - s.sagMm(h);
            double least = Math.min(s.thicknessMm(), atEdge);
            if (least < 0) {
                found.add(Said.of("lens-fault.overlap", "one", lens.surfaceName(i), "other", lens.surfaceName(i + 1), "mm", -least));
            }
        }
        return found;
    }
}
