package stillglass.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;

/// What is made safe or covered before a joint is touched, by rule, with the reason.
final class Precautions {
    private final Instrument instrument;
    private final Set<String> out = new HashSet<>();

    /// @param open joints that are open already
    Precautions(Instrument instrument, Set<String> open) {
        this.instrument = instrument;
        open.stream().flatMap(id -> instrument.joint(id).stream()).forEach(j -> out.addAll(j.frees()));
    }

    /// What must be safe before anything is opened at all.
    List<Step> before(List<Joint> order) {
        List<Step> steps = new ArrayList<>();
        order.stream().filter(j -> j.hazards().contains(Joint.Hazard.FLASH_CAPACITOR)).findFirst().ifPresent(j -> steps.add(new Step.MakeSafe(
                "Battery out; the flash capacitor stays charged long after", "leave its discharge to those trained for it, and keep fingers and tools off its leads", j)));
        boolean powered = instrument.joints().stream().anyMatch(j -> j.hazards().contains(Joint.Hazard.CELL));
        order.stream().filter(j -> powered && (j.hazards().contains(Joint.Hazard.CELL) || j.hold() instanceof Hold.Solder || j.hold() instanceof Hold.Connector)).findFirst()
                .ifPresent(j -> steps.add(new Step.MakeSafe("Battery out", "a slipped tool shorts the circuit; cells that were wet or bent go outside and to collection", j)));
        order.stream().filter(j -> parts(j).stream().anyMatch(p -> p.kind() == Part.Kind.SHUTTER)).findFirst()
                .ifPresent(j -> steps.add(new Step.MakeSafe("Shutter released, not cocked", "its springs are at their least load then", j)));
        return steps;
    }

    /// What is covered or taped right before a joint; call in opening order.
    List<Step> at(Joint joint) {
        List<Step> steps = new ArrayList<>();
        boolean metal = joint.tool().contains("spanner") || joint.tool().contains("driver") || joint.tool().contains("scalpel");
        if (metal && joint.hold() instanceof Hold.RetainingRing) {
            held(joint).ifPresent(glass -> steps.add(new Step.Protect("Cover " + glass.name(), "the tool works beside bare glass", joint)));
        }
        if (metal && parts(joint).stream().anyMatch(p -> p.materials().contains(Material.ENGRAVED_PAINT))) {
            steps.add(new Step.Protect("Tape the tips", "its engraved paint chips under steel", joint));
        }
        if (joint.hazards().contains(Joint.Hazard.MIRROR)) {
            steps.add(new Step.Protect("Lens tissue over the mirror", "its silver lies bare and does not bear a touch", joint));
        }
        if (joint.hold() instanceof Hold.Connector c && c.ribbon()) {
            steps.add(new Step.Protect("Unlatch the clamp before the ribbon is drawn, straight", "a ribbon tears at its edge", joint));
        }
        parts(joint).stream().filter(p -> p.fragile().isPresent()).findFirst()
                .ifPresent(p -> steps.add(new Step.Protect("Go gently with the " + p.name(), p.fragile().orElseThrow(), joint)));
        joint.behind().hidden().ifPresent(h -> steps.add(new Step.Protect("Look under the " + h, "it hides " + joint.name(), joint)));
        out.addAll(joint.frees());
        return steps;
    }

    private List<Part> parts(Joint joint) {
        return joint.frees().stream().flatMap(p -> instrument.part(p).stream()).toList();
    }

    /// The glass a ring holds: what the joints right behind it free.
    private Optional<Part> held(Joint ring) {
        return instrument.joints().stream().filter(j -> j.after().contains(ring.id())).flatMap(j -> parts(j).stream())
                .filter(p -> p.kind() == Part.Kind.GLASS && !out.contains(p.id())).findFirst();
    }
}
