package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Turns from home to letting go.
public record Turns(double turns) implements Fact {
    /// Turns closer than this agree.
    public static final double TOLERANCE = 0.13;
    /// Lead taken where the thread's is not known: a common fine pitch of filter and retaining threads.
    private static final double USUAL_LEAD_MM = 0.75;

    public Turns {
        Limits.positive(turns, "turns");
    }

    @Override
    public String about() {
        return "turns";
    }

    @Override
    public Said said() {
        return Said.of("fact.turns", "turns", turns);
    }

    @Override
    public Said question() {
        return Said.of("fact.turns.question");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Turns then) || Limits.close(then.turns, turns, TOLERANCE)) {
            return Verdict.agrees(this);
        }
        Said mistake = Said.of("fact.turns.wrong", "then", then.turns);
        double less = then.turns - turns;
        if (less < 0) {
            return Verdict.differs(mistake, Said.of("fact.turns.further"));
        }
        return Verdict.differs(mistake, ThreadSeen.of(scene.joint(), scene.record())
                .map(t -> t.sigmaMm() > 0 ? Said.of("fact.turns.short.measured", "mm", less * t.leadMm(), "sigma", less * t.sigmaMm()) : Said.of("fact.turns.short", "mm", less * t.leadMm()))
                .orElse(Said.of("fact.turns.short.guess", "mm", less * USUAL_LEAD_MM)));
    }

    /// `turns 3.5`, `3 1/4 turns`, `half a turn`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "turns";
        }

        @Override
        public Class<Turns> type() {
            return Turns.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Double> turns = Amounts.turns(line);
            if (turns.isPresent() && Limits.checked(line, turns.get(), "turns")) {
                return List.of(new Turns(turns.get()));
            }
            line.reset(start);
            return List.of();
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Thread || joint.hold() instanceof Hold.RetainingRing || joint.hold() instanceof Hold.Noted ? List.of("turns 3.5") : List.of();
        }
    }
}
