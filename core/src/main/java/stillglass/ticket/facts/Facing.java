package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Which way round a part lay.
/// @param part part id, or name of the glass it is
/// @param frontUp whether its front face was up or forward
public record Facing(String part, boolean frontUp) implements Fact {
    /// The part as it is said.
    public String name() {
        return part.replace('_', ' ');
    }

    @Override
    public String about() {
        return "facing " + part;
    }

    @Override
    public Said said() {
        return Said.of(frontUp ? "fact.facing.front" : "fact.facing.rear", "part", name());
    }

    @Override
    public Said question() {
        return Said.of("fact.facing.question", "part", name());
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Facing then) || then.frontUp == frontUp) {
            return Verdict.agrees(this);
        }
        boolean glass = scene.instrument().part(part).or(() -> scene.instrument().partOfElement(part)).filter(p -> p.element().isPresent()).isPresent();
        return Verdict.differs(Said.of("fact.facing.wrong", "then", then.said()), Said.of(glass ? "fact.facing.wrong.glass" : "fact.facing.wrong.other"));
    }

    /// `E2 front up`, `rear up`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> FRONT = List.of("front up", "front face up", "front forward");
        private static final List<String> REAR = List.of("rear up", "back up", "rear face up", "rear forward");

        @Override
        public String name() {
            return "facing";
        }

        @Override
        public Class<Facing> type() {
            return Facing.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Part> named = PartNames.take(line, in.parts());
            boolean front = line.takeOne(FRONT).isPresent();
            if (!front && line.takeOne(REAR).isEmpty()) {
                line.reset(start);
                return List.of();
            }
            Optional<Part> meant = named.or(in::part).or(() -> turnable(in));
            if (meant.isEmpty()) {
                line.object(Said.of("fact.facing.which"));
                line.reset(start);
                return List.of();
            }
            return List.of(new Facing(meant.get().element().orElse(meant.get().id()), front));
        }

        /// What the joint in hand frees, one whose facing matters first.
        private static Optional<Part> turnable(Hearing in) {
            List<Part> freed = in.joint().stream().flatMap(j -> j.frees().stream()).flatMap(p -> in.instrument().part(p).stream()).toList();
            return freed.stream().filter(Part::facingMatters).findFirst().or(() -> freed.stream().findFirst());
        }

        @Override
        public List<String> examples(Joint joint) {
            boolean lies = joint.hold() instanceof Hold.Seat || joint.hold() instanceof Hold.Press || joint.hold() instanceof Hold.Noted;
            return lies && !joint.frees().isEmpty() ? List.of("front up", "rear up") : List.of();
        }
    }
}
