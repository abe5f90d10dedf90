package stillglass.app.shell;

import java.util.List;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.ticket.Fact;

/// The line that says what a caliper just read at a joint.
final class Measured {
    private Measured() {}

    /// @param noted facts on record already: the first hole without a screw on record is the one in hand
    /// @param reading in mm, as it is said
    static String line(Joint joint, List<Fact> noted, String reading) {
        return switch (joint.hold()) {
            case Hold.Screws s -> s.holes().stream().map(Joint.ScrewHole::cell)
                    .filter(cell -> noted.stream().noneMatch(f -> f instanceof Fact.Screw x && x.cell().equals(cell))).findFirst()
                    .map(cell -> "screw " + cell + ", " + s.drive() + ", " + reading + " mm").orElse(reading + " mm");
            case Hold.RetainingRing r -> "proud " + reading;
            default -> reading + " mm";
        };
    }
}
