package stillglass.optics.misassembly;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;

/// Something put together wrongly. A value that prints itself in the field's words.
public sealed interface LensFault permits LensFault.Reversed, LensFault.Swapped, LensFault.GapChanged {

    /// A single glass or a whole cemented group turned round.
    record Reversed(List<String> elements) implements LensFault {
        public Reversed {
            elements = List.copyOf(elements);
        }

        @Override
        public String toString() {
            return String.join(" and ", elements) + " reversed";
        }
    }

    /// Two single glasses or cemented groups in each other's place.
    record Swapped(List<String> one, List<String> other) implements LensFault {
        public Swapped {
            one = List.copyOf(one);
            other = List.copyOf(other);
        }

        @Override
        public String toString() {
            return String.join("+", one) + " and " + String.join("+", other) + " swapped";
        }
    }

    /// A gap longer or shorter than it should be.
    /// @param gap counted from 1: the gap after surface `gap`
    /// @param deltaMm change of its length
    record GapChanged(int gap, double deltaMm) implements LensFault {
        @Override
        public String toString() {
            return String.format(Locale.ROOT, "gap after surface %d changed by %+.3f mm", gap, deltaMm);
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
    record Misassembled(LensSection lens, List<String> diagnostics) {
        public Misassembled {
            diagnostics = List.copyOf(diagnostics);
        }
    }

    /// Reads `reverse:E3`, `reverse:E4+E5`, `swap:E1,E6` or `gap:4:-0.5`.
    /// @throws IllegalArgumentException naming what is wrong and what is expected
    static LensFault parse(String text) {
        String[] parts = text.split(":", -1);
        try {
            switch (parts[0]) {
                case "reverse" -> {
                    if (parts.length == 2 && !parts[1].isBlank()) {
                        return new Reversed(List.of(parts[1].split("\\+")));
                    }
                }
                case "swap" -> {
                    String[] two = parts.length == 2 ? parts[1].split(",") : new String[0];
                    if (two.length == 2) {
                        return new Swapped(List.of(two[0].split("\\+")), List.of(two[1].split("\\+")));
                    }
                }
                case "gap" -> {
                    if (parts.length == 3 && Double.isFinite(Double.parseDouble(parts[2]))) {
                        return new GapChanged(Integer.parseInt(parts[1]), Double.parseDouble(parts[2]));
                    }
                }
                default -> {}
            }
        } catch (NumberFormatException notANumber) {
            // falls through to the one message below
        }
        throw new IllegalArgumentException(
                "\"" + text + "\" is not a fault: write reverse:E3, reverse:E4+E5, swap:E1,E6 or gap:4:-0.5");
    }

    /// Applies faults in order.
    /// @throws IllegalArgumentException where a fault names a glass or gap this lens does not have
    static Misassembled apply(LensSection lens, List<LensFault> faults, Seating seating) {
        LensSection now = lens;
        for (LensFault fault : faults) {
            now = switch (fault) {
                case Reversed r -> Restacked.reverse(now, r.elements(), seating);
                case Swapped s -> Restacked.swap(now, s.one(), s.other(), seating);
                case GapChanged g -> Restacked.changeGap(now, g.gap(), g.deltaMm());
            };
        }
        return new Misassembled(now, crossings(now));
    }

    private static List<String> crossings(LensSection lens) {
        List<String> found = new ArrayList<>();
        for (int i = 0; i + 1 < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            Surface next = lens.surfaces().get(i + 1);
            double h = Math.min(s.semiDiameterMm(), next.semiDiameterMm());
            double atEdge = s.thicknessMm() + next.sagMm(h) - s.sagMm(h);
            double least = Math.min(s.thicknessMm(), atEdge);
            if (least < 0) {
                found.add(String.format(
                        Locale.ROOT,
                        "%s and %s would overlap by %.2f mm: real glass touches first, figures are for the stated distances",
                        lens.surfaceName(i),
                        lens.surfaceName(i + 1),
                        -least));
            }
        }
        return found;
    }
}
