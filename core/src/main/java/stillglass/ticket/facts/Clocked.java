package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import stillglass.assembly.Hold;
import stillglass.prove.ClockingCheck;
import stillglass.say.Said;

/// How far a ring or glass is turned against the photo of the record, by a second photo.
/// @param turnDeg clockwise
/// @param sigmaDeg one standard deviation
/// @param fold number of turns after which it looks the same, 1 when one turn stands out
public record Clocked(String photoId, double turnDeg, double sigmaDeg, int fold) implements Fact.OfPiece {
    /// A turn this near to whole screw holes is one.
    private static final double NEAR_A_HOLE_DEG = 3;

    public Clocked {
        if (!(Math.abs(turnDeg) <= 180) || !(sigmaDeg >= 0 && sigmaDeg < 180) || fold < 1) {
            throw new IllegalArgumentException("a turn of " + turnDeg + " ± " + sigmaDeg + "°, " + fold + "-fold, is out of range");
        }
    }

    @Override
    public String about() {
        return "photo";
    }

    @Override
    public Again again() {
        return Again.LOGGED;
    }

    @Override
    public boolean single() {
        return false;
    }

    @Override
    public Said said() {
        return Said.of("fact.clocked", "turn", turnDeg, "sigma", sigmaDeg);
    }

    /// A ring that looks the same after part of a turn is held against the nearest place that looks right.
    @Override
    public Verdict against(Fact recorded, Scene scene) {
        double off = fold > 1 ? Math.IEEEremainder(turnDeg, 360.0 / fold) : turnDeg;
        if (Math.abs(off) <= ClockingCheck.TOLERANCE_DEG) {
            return new Verdict.Agrees(fold == 1 ? Said.of("fact.clocked.agrees", "said", said())
                    : Said.of("fact.clocked.agrees.fold", "said", said(), "fold", fold, "step", 360.0 / fold));
        }
        int holes = scene.joint().hold() instanceof Hold.Screws s ? s.holes().size() : 1;
        double steps = holes > 1 ? off / (360.0 / holes) : 0;
        boolean onHoles = Math.abs(steps) > 0.5 && Math.abs(steps - Math.round(steps)) * 360 / holes < NEAR_A_HOLE_DEG;
        Said mistake = onHoles ? Said.of("fact.clocked.holes", "said", said(), "steps", Math.abs(Math.round(steps)), "holes", holes) : Said.of("fact.clocked.off", "said", said());
        Said back = Said.of(off > 0 ? "fact.clocked.anticlockwise" : "fact.clocked.clockwise", "degrees", Math.abs(off));
        return Verdict.differs(mistake, scene.joint().hold() instanceof Hold.Thread t
                ? Said.of("fact.clocked.thread", "mm", Math.abs(off) / 360 * t.leadMm(), "back", back) : Said.of("fact.clocked.ring", "back", back));
    }

    /// It comes from two photos, never from a line.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "clocked";
        }

        @Override
        public Class<Clocked> type() {
            return Clocked.class;
        }
    }
}
