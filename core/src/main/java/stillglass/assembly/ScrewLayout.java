package stillglass.assembly;

import java.util.List;
import java.util.Optional;

/// Where the screws of a joint lie to one another, for drawing them: their true places where the instrument is unfolded, else their clock positions.
///
/// @param spots about the middle, x right and y up, the farthest at distance 1; in the order of the holes
public record ScrewLayout(List<Net.Spot> spots) {
    private static final double NOWHERE = 1e-6;

    public ScrewLayout {
        spots = List.copyOf(spots);
    }

    public static ScrewLayout of(Instrument instrument, Hold.Screws screws) {
        List<Net.Spot> placed = screws.holes().stream().flatMap(h -> instrument.net().flatMap(n -> n.screw(h.cell())).stream()).toList();
        Optional<ScrewLayout> layout = placed.size() == screws.holes().size() && placed.size() > 1 ? Optional.of(centred(placed)) : Optional.empty();
        return layout.orElseGet(() -> new ScrewLayout(screws.holes().stream().map(h -> new Net.Spot(Math.sin(h.at().radians()), Math.cos(h.at().radians()))).toList()));
    }

    private static ScrewLayout centred(List<Net.Spot> all) {
        double x = (all.stream().mapToDouble(Net.Spot::x).min().orElse(0) + all.stream().mapToDouble(Net.Spot::x).max().orElse(0)) / 2;
        double y = (all.stream().mapToDouble(Net.Spot::y).min().orElse(0) + all.stream().mapToDouble(Net.Spot::y).max().orElse(0)) / 2;
        double far = Math.max(NOWHERE, all.stream().mapToDouble(s -> Math.hypot(s.x() - x, s.y() - y)).max().orElse(1));
        return new ScrewLayout(all.stream().map(s -> new Net.Spot((s.x() - x) / far, (s.y() - y) / far)).toList());
    }

    /// Whether all lie on one circle about the middle.
    public boolean ring() {
        return spots.stream().allMatch(s -> Math.hypot(s.x(), s.y()) > 0.97);
    }
}
