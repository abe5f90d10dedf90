package stillglass.plan;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Part;
import stillglass.say.Said;

/// A part that no joint frees by itself, with what it leaves: the cell that carries it, or the glass it is cemented to.
///
/// @param part that was asked for
/// @param with what it comes out in
public record Leaves(Part part, Part with) {
    /// @return nothing when a joint frees the part, or nothing carries it
    public static Optional<Leaves> of(Instrument instrument, Part part) {
        if (instrument.freedBy(part.id()).isPresent()) {
            return Optional.empty();
        }
        Optional<Part> carrier = part.within().flatMap(instrument::part);
        for (int depth = instrument.parts().size(); depth > 0 && carrier.filter(c -> instrument.freedBy(c.id()).isEmpty()).isPresent(); depth--) {
            carrier = carrier.flatMap(Part::within).flatMap(instrument::part);
        }
        return carrier.filter(c -> instrument.freedBy(c.id()).isPresent()).map(c -> new Leaves(part, c));
    }

    /// Parts among some goals that leave with others.
    public static List<Leaves> among(Instrument instrument, List<Goal> goals) {
        return goals.stream().filter(Goal.ReachPart.class::isInstance).flatMap(g -> instrument.part(((Goal.ReachPart) g).partId()).stream()).flatMap(p -> of(instrument, p).stream()).toList();
    }

    public Said said() {
        boolean cemented = part.kind() == Part.Kind.GLASS && with.kind() == Part.Kind.GLASS;
        return Said.of(cemented ? "leaves.cemented" : "leaves.carried", "part", part.name(), "with", with.name());
    }
}
