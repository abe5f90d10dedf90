package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How hard something turns that friction holds: a setting ring, a cell on its screws. Measured, or told by hand on a scale of six.
///
/// @param feel by hand
/// @param ncm torque in newton centimetres, where it was measured
public record Drag(Feel feel, Optional<Double> ncm) implements Fact {
    /// A spring balance on a small ring reads to a fifth.
    public static final double TOLERANCE_SHARE = 0.2;

    /// By hand, from nothing to hardly at all.
    public enum Feel {
        /// Nobody said.
        UNFELT,
        LOOSE,
        LIGHT,
        EVEN,
        FIRM,
        STIFF,
        TIGHT;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Drag {
        if (ncm.isEmpty() && feel == Feel.UNFELT) {
            throw new IllegalArgumentException("a drag that was neither measured nor felt");
        }
        ncm.ifPresent(v -> Limits.positive(v, "drag in N·cm"));
    }

    @Override
    public String about() {
        return "drag";
    }

    @Override
    public Said said() {
        return ncm.map(v -> Said.of("fact.drag", "ncm", v)).orElseGet(() -> Said.of("fact.drag.feel", "feel", feel.word()));
    }

    @Override
    public Said question() {
        return Said.of("fact.drag.question");
    }

    /// An eighth of a turn of its screws at a time, for they bind within a quarter.
    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Drag then)) {
            return Verdict.agrees(this);
        }
        if (then.ncm.isPresent() && ncm.isEmpty()) {
            return new Verdict.Lacks(Said.of("fact.drag.lacks"));
        }
        if (then.ncm.isEmpty() && (feel == Feel.UNFELT || then.feel == Feel.UNFELT)) {
            return Verdict.agrees(this);
        }
        double off = then.ncm.map(before -> ncm.orElseThrow() / before - 1).orElse((double) feel.ordinal() - then.feel.ordinal());
        boolean same = then.ncm.isPresent() ? Math.abs(off) <= TOLERANCE_SHARE : off == 0;
        return same ? Verdict.agrees(this) : Verdict.differs(Said.of("fact.drag.wrong", "then", then.said()), Said.of(off < 0 ? "fact.drag.tighter" : "fact.drag.looser"));
    }

    /// `drag 3.5 Ncm`, `drag firm`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final double NCM_PER_MNM = 0.1;

        @Override
        public String name() {
            return "drag";
        }

        @Override
        public Class<Drag> type() {
            return Drag.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (!line.take("drag")) {
                return List.of();
            }
            line.takeOne(List.of("is", "of"));
            Optional<Feel> feel = line.takeOne(Arrays.stream(Feel.values()).filter(f -> f != Feel.UNFELT).map(Feel::word).toList()).map(w -> Feel.valueOf(w.toUpperCase(Locale.ROOT)));
            Optional<Double> torque = feel.isPresent() ? Optional.empty() : line.number().map(v -> line.take("mnm") ? v * NCM_PER_MNM : unit(line, v));
            if (feel.isEmpty() && torque.filter(v -> Limits.checked(line, v, "drag")).isEmpty()) {
                line.reset(start);
                return List.of();
            }
            return List.of(new Drag(feel.orElse(Feel.UNFELT), torque));
        }

        private static double unit(Cursor line, double ncm) {
            line.takeOne(List.of("ncm", "n cm", "n·cm"));
            return ncm;
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Noted n && n.word().contains("friction") ? List.of("drag firm") : List.of();
        }
    }
}
