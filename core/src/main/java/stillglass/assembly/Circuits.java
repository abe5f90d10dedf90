package stillglass.assembly;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/// Electricity in an instrument: no joint that touches a circuit is opened while a cell still feeds it.
public final class Circuits {
    private Circuits() {}

    /// The instrument with every joint that touches a circuit waiting for those that take its cells out.
    public static Instrument batteryFirst(Instrument instrument) {
        List<Joint> cells = instrument.joints().stream().filter(j -> j.hazards().contains(Joint.Hazard.CELL)).toList();
        if (cells.isEmpty() || instrument.joints().stream().noneMatch(Circuits::touches)) {
            return instrument;
        }
        // Whatever must come off to get at the cells cannot wait for them.
        Set<String> onTheWay = new HashSet<>();
        cells.forEach(c -> collect(instrument, c.id(), onTheWay));
        Set<String> first = new TreeSet<>(cells.stream().map(Joint::id).toList());
        List<Joint> joints = new ArrayList<>();
        for (Joint j : instrument.joints()) {
            joints.add(touches(j) && !onTheWay.contains(j.id()) ? j.behind(also(j.behind(), first)) : j);
        }
        return joints.equals(instrument.joints()) ? instrument : instrument.with(instrument.parts(), joints);
    }

    /// Whether opening it touches what carries current.
    public static boolean touches(Joint j) {
        return j.hold() instanceof Hold.Solder || j.hold() instanceof Hold.Connector || j.hazards().contains(Joint.Hazard.FLASH_CAPACITOR) || j.hazards().contains(Joint.Hazard.RIBBON);
    }

    private static Joint.Behind also(Joint.Behind behind, Set<String> more) {
        Set<String> all = new TreeSet<>(behind.all());
        all.addAll(more);
        return behind.waiting(all, behind.oneOf());
    }

    private static void collect(Instrument instrument, String joint, Set<String> into) {
        if (into.add(joint)) {
            instrument.joint(joint).ifPresent(j -> j.behind().named().forEach(b -> collect(instrument, b, into)));
        }
    }
}
