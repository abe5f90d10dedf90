package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.optics.LensSection;
import stillglass.optics.Seat;

/// What holds each glass, as far as the joints tell: one that a ring frees from the front lies against a shoulder behind it, what else that ring frees lies on it, and glasses of one cell go
/// with it.
public final class HeldGlass {
    private HeldGlass() {}

    /// @return the section with the seats its file gives, and for places of which it gives none those the joints tell
    public static LensSection of(Instrument instrument, LensSection section) {
        List<int[]> blocks = section.blocks();
        Map<Integer, Seat.Rests> rests = new TreeMap<>();
        Map<Integer, String> cells = new TreeMap<>();
        for (Part p : instrument.parts()) {
            place(p, section, blocks).ifPresent(at -> cell(p, instrument, instrument.parts().size()).ifPresent(c -> cells.put(at, c)));
        }
        for (Joint joint : instrument.joints()) {
            boolean ring = joint.hold() instanceof Hold.RetainingRing || joint.hold() instanceof Hold.Thread || joint.hold() instanceof Hold.Snap || joint.hold() instanceof Hold.Noted n && n.word().contains("ring");
            if (ring && (joint.side() == Side.FRONT || joint.side() == Side.REAR)) {
                boolean front = joint.side() == Side.FRONT;
                List<Integer> freed = joint.frees().stream().flatMap(p -> instrument.part(p).stream()).flatMap(p -> place(p, section, blocks).stream()).distinct().sorted().toList();
                for (int place : freed) {
                    boolean inner = place == (front ? freed.getLast() : freed.getFirst());
                    rests.put(place, front ? (inner ? Seat.Rests.REAR : Seat.Rests.ON_BEHIND) : inner ? Seat.Rests.FRONT : Seat.Rests.ON_BEFORE);
                }
            }
        }
        if (rests.isEmpty() && cells.isEmpty()) {
            return section;
        }
        List<Optional<Seat>> seats = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            Optional<Seat> filed = section.seats().isEmpty() ? Optional.empty() : section.seats().get(i);
            Optional<String> cell = Optional.ofNullable(cells.get(i));
            Seat.Rests usual = blocks.get(i)[0] < section.stopIndex() ? Seat.Rests.ON_BEHIND : Seat.Rests.ON_BEFORE;
            boolean told = rests.containsKey(i) || cell.isPresent();
            seats.add(filed.isPresent() || !told ? filed : Optional.of(new Seat(rests.getOrDefault(i, usual), cell)));
        }
        return section.withSeats(seats);
    }

    private static Optional<Integer> place(Part part, LensSection section, List<int[]> blocks) {
        return part.element().flatMap(section::element).flatMap(e -> IntStream.range(0, blocks.size()).filter(i -> blocks.get(i)[0] <= e.firstSurface() && blocks.get(i)[1] >= e.lastSurface()).boxed().findFirst());
    }

    /// The cell a part lies in.
    private static Optional<String> cell(Part part, Instrument instrument, int depth) {
        Optional<Part> around = depth == 0 ? Optional.empty() : part.within().flatMap(instrument::part);
        return around.flatMap(p -> p.kind() == Part.Kind.CELL ? Optional.of(p.name()) : cell(p, instrument, depth - 1));
    }
}
