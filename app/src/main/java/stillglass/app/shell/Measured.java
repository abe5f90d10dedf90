package stillglass.app.shell;

import java.util.List;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Screw;

/// The line that says what a caliper just read at a joint.
final class Measured {
    private Measured() {}

    /// What is put into a field at its caret: readings in a row keep apart.
    static String into(String before, String reading) {
        return before.isEmpty() || Character.isWhitespace(before.charAt(before.length() - 1)) ? reading : " " + reading;
    }

    /// @param noted facts on record already: the first hole without a screw on record is the one in hand
    /// @param reading in mm, as it is said
    /// @param shims whether it frees shims, measured with a micrometer one after the other
    static String line(Joint joint, List<Fact> noted, String reading, boolean shims) {
        return switch (joint.hold()) {
            case Hold.Screws s -> s.holes().stream().map(Joint.ScrewHole::cell)
                    .filter(cell -> noted.stream().noneMatch(f -> f instanceof Screw x && x.cell().equals(cell))).findFirst()
                    .map(cell -> "screw " + cell + ", " + s.drive() + ", " + reading + " mm").orElse(reading + " mm");
            case Hold.RetainingRing r -> "proud " + reading;
            case Hold.Seat s when shims -> "shim " + reading;
            default -> reading + " mm";
        };
    }
}
