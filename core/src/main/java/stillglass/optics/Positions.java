package stillglass.optics;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Gaps of a lens as a function of where its rings stand: zoom positions, focus positions, floating groups.
///
/// @param each in rising order of where they stand
public record Positions(List<Position> each) {
    /// A lens that has one position, or of which no others are known.
    public static final Positions NONE = new Positions(List.of());

    /// By which a setting that is read off a ring may lie beyond the last that is known, as a share of it.
    private static final double BEYOND = 0.1;

    /// A position that was measured or designed.
    /// @param name as it is engraved or called
    /// @param at where the ring stands, in any unit that rises: focal length, extension, degrees
    /// @param gaps lengths that differ from the section's own, by the surface before them, counted from 1; the last runs to the film
    /// @param focalMm focal length there, where it differs
    /// @param fNumber widest stop there, where it differs
    public record Position(String name, double at, Map<Integer, Double> gaps, Optional<Double> focalMm, Optional<Double> fNumber) {
        public Position {
            gaps = Map.copyOf(gaps);
            if (!Double.isFinite(at)) {
                throw new IllegalArgumentException("position “" + name + "” stands at " + at + ": give a number");
            }
        }
    }

    public Positions {
        each = each.stream().sorted(Comparator.comparingDouble(Position::at)).toList();
    }

    /// The lens at a position by name, or between two by number: gaps, focal length and stop in proportion.
    /// @throws IllegalArgumentException naming the positions there are
    public LensSection at(LensSection lens, String position) {
        Optional<Position> named = each.stream().filter(p -> p.name.equalsIgnoreCase(position.strip())).findFirst();
        if (named.isPresent()) {
            return set(lens, named.get(), named.get(), 0);
        }
        double at;
        try {
            at = Double.parseDouble(position.strip());
        } catch (NumberFormatException noNumber) {
            throw unknown(lens, position);
        }
        for (int i = 0; i + 1 < each.size(); i++) {
            Position a = each.get(i);
            Position b = each.get(i + 1);
            if (at >= a.at && at <= b.at) {
                return set(lens, a, b, b.at > a.at ? (at - a.at) / (b.at - a.at) : 0);
            }
        }
        throw unknown(lens, position);
    }

    /// The lens zoomed to a focal length: between two positions gaps follow in proportion, a little beyond the last they stay.
    /// @param focalMm as it is read off the zoom ring
    /// @return nothing where positions do not say their focal length, are all of one, or lie too far off
    public Optional<LensSection> zoomedTo(LensSection lens, double focalMm) {
        List<Position> known = each.stream().filter(p -> p.focalMm.isPresent()).sorted(Comparator.comparingDouble(p -> p.focalMm.orElseThrow())).toList();
        if (known.isEmpty()) {
            return Optional.empty();
        }
        double least = known.getFirst().focalMm.orElseThrow();
        double most = known.getLast().focalMm.orElseThrow();
        if (!(most > least) || focalMm < least * (1 - BEYOND) || focalMm > most * (1 + BEYOND)) {
            return Optional.empty();
        }
        double at = Math.clamp(focalMm, least, most);
        int i = 0;
        while (known.get(i + 1).focalMm.orElseThrow() < at) {
            i++;
        }
        double from = known.get(i).focalMm.orElseThrow();
        double to = known.get(i + 1).focalMm.orElseThrow();
        return Optional.of(set(lens, known.get(i), known.get(i + 1), to > from ? (at - from) / (to - from) : 0));
    }

    private IllegalArgumentException unknown(LensSection lens, String position) {
        return new IllegalArgumentException(each.isEmpty() ? lens.name() + " has one position only: its section lists no others"
                : lens.name() + " has no position “" + position + "”: give one of " + String.join(", ", each.stream().map(Position::name).toList())
                        + (each.size() > 1 ? " or a number from " + each.getFirst().at + " to " + each.getLast().at : ""));
    }

    private static LensSection set(LensSection lens, Position a, Position b, double share) {
        List<Surface> surfaces = new ArrayList<>(lens.surfaces());
        for (int g = 1; g <= surfaces.size(); g++) {
            double own = surfaces.get(g - 1).thicknessMm();
            double mm = (1 - share) * a.gaps.getOrDefault(g, own) + share * b.gaps.getOrDefault(g, own);
            surfaces.set(g - 1, surfaces.get(g - 1).withThickness(mm));
        }
        double focal = (1 - share) * a.focalMm.orElse(lens.nominalFocalLengthMm()) + share * b.focalMm.orElse(lens.nominalFocalLengthMm());
        double stop = (1 - share) * a.fNumber.orElse(lens.fNumber()) + share * b.fNumber.orElse(lens.fNumber());
        return new LensSection(lens.name(), lens.form(), focal, stop, lens.imageCircleMm(), lens.wavelengthsNm(), surfaces, lens.elements(), lens.focusing(), lens.basis(), lens.tilts(), lens.seats(), lens.positions());
    }
}
