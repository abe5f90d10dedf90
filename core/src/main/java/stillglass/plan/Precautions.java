package stillglass.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Circuits;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.say.Said;

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
        Optional<Joint> touched = order.stream().filter(Circuits::touches).findFirst();
        boolean charged = instrument.joints().stream().anyMatch(j -> j.hazards().contains(Joint.Hazard.FLASH_CAPACITOR));
        boolean powered = instrument.joints().stream().anyMatch(j -> j.hazards().contains(Joint.Hazard.CELL));
        touched.filter(j -> charged).ifPresent(j -> steps.add(new Step.MakeSafe(Said.of("safe.capacitor"), Said.of("safe.capacitor.why"), j)));
        touched.filter(j -> powered).or(() -> order.stream().filter(j -> j.hazards().contains(Joint.Hazard.CELL)).findFirst())
                .ifPresent(j -> steps.add(new Step.MakeSafe(Said.of("safe.battery"), Said.of("safe.battery.why"), j)));
        return steps;
    }

    /// What is covered or taped right before a joint; call in opening order.
    List<Step> at(Joint joint) {
        List<Step> steps = new ArrayList<>();
        boolean metal = joint.tool().contains("spanner") || joint.tool().contains("driver") || joint.tool().contains("scalpel");
        if (metal && joint.hold() instanceof Hold.RetainingRing) {
            held(joint).ifPresent(glass -> steps.add(protect(joint, Said.of("protect.glass", "part", glass.name()), "protect.glass.why")));
        }
        if (metal && parts(joint).stream().anyMatch(p -> p.materials().contains(Material.ENGRAVED_PAINT))) {
            steps.add(protect(joint, Said.of("protect.tips"), "protect.tips.why"));
        }
        if (joint.hazards().contains(Joint.Hazard.MIRROR)) {
            steps.add(protect(joint, Said.of("protect.mirror"), "protect.mirror.why"));
        }
        if (joint.hold() instanceof Hold.Connector c && c.ribbon()) {
            steps.add(protect(joint, Said.of("protect.ribbon"), "protect.ribbon.why"));
        }
        if (joint.hold() instanceof Hold.Cement) {
            steps.add(protect(joint, Said.of("protect.cement", "joint", joint.name()), "protect.cement.why"));
        }
        parts(joint).stream().filter(p -> p.fragile().isPresent()).findFirst()
                .ifPresent(p -> steps.add(new Step.Protect(Said.of("protect.fragile", "part", p.name()), Said.text(p.fragile().orElseThrow()), joint)));
        joint.behind().hidden().ifPresent(h -> steps.add(new Step.Protect(Said.of("protect.hidden", "what", h), Said.of("protect.hidden.why", "joint", joint.name()), joint)));
        out.addAll(joint.frees());
        return steps;
    }

    private static Step protect(Joint joint, Said what, String why) {
        return new Step.Protect(what, Said.of(why), joint);
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
