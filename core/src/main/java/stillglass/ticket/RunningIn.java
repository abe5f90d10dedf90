package stillglass.ticket;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.Creep;
import stillglass.care.GreaseDose;
import stillglass.care.Greasing;
import stillglass.care.RunIn;
import stillglass.ticket.care.Running;
import stillglass.ticket.facts.ThreadSize;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.JointStory;

/// The thread that was run in last, and what to do with it.
public record RunningIn(Joint joint, RunIn next) {
    private static final double USUAL_CELSIUS = 20;
    /// So much over what fills the gap is within what the gap is known to.
    private static final double MUCH = 1.15;

    /// Nothing where none is run in.
    public static Optional<RunningIn> of(TicketState s, Instrument instrument) {
        return s.care().running().entrySet().stream().filter(e -> !e.getValue().judged().isEmpty()).reduce((a, b) -> b).flatMap(e -> instrument.joint(e.getKey()).flatMap(j -> of(s, j, e)));
    }

    private static Optional<RunningIn> of(TicketState s, Joint joint, Map.Entry<String, Running> running) {
        JointStory story = s.joints().story(joint.id());
        Optional<Double> full = thread(joint, story).map(RunningIn::dose).map(g -> g.volumeMm3() * GreaseDose.USUAL_DENSITY);
        return running.getValue().next(story.closing().greased().flatMap(JointEvent.Greased::massMg), full).map(n -> new RunningIn(joint, n));
    }

    /// How large a thread is: as somebody measured, else as its map says.
    public static Optional<ThreadSize> thread(Joint joint, JointStory story) {
        return ThreadSize.of(story.facts()).or(() -> joint.hold() instanceof Hold.Thread t ? Optional.of(new ThreadSize(t.diameterMm(), t.engagedMm(), Optional.empty())) : Optional.empty());
    }

    /// How far the oil of what was laid beyond that may run over a summer; nothing where its size is not known, or it fits.
    /// @param laidMg of grease
    public static Optional<Creep> creep(Joint joint, JointStory story, double laidMg) {
        return thread(joint, story).flatMap(t -> {
            double full = dose(t).volumeMm3() * GreaseDose.USUAL_DENSITY;
            return laidMg > MUCH * full ? Creep.of(laidMg - full, t.diameterMm(), Creep.Summer.USUAL) : Optional.empty();
        });
    }

    /// What fills its gap.
    public static Greasing dose(ThreadSize t) {
        return Greasing.of(new Greasing.Asked(t.diameterMm(), t.engagedMm(), GreaseDose.Profile.ISO60, t.slopMm(), USUAL_CELSIUS, Optional.empty(), Greasing.USUAL_SPEED, List.of()));
    }
}
