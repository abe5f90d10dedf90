package stillglass.ticket;

import java.util.List;
import java.util.Locale;
import stillglass.assembly.ClockPosition;

/// Something observed about a joint while it was opened, or stated again while it is closed.
public sealed interface Fact {

    /// Which way round a part lay.
    /// @param part part id
    /// @param frontUp whether its front face was up or forward
    record Facing(String part, boolean frontUp) implements Fact {
        /// The part as it is said.
        public String name() {
            return part.replace('_', ' ');
        }
    }

    /// Where a thread let go, or where a ring's mark stood.
    record LetGo(ClockPosition at) implements Fact {}

    /// Turns from home to letting go.
    record Turns(double turns) implements Fact {
        public Turns {
            positive(turns, "turns");
        }
    }

    /// How far a ring stood proud of its seat; negative below.
    record Proud(double mm) implements Fact {
        public Proud {
            if (!(Math.abs(mm) < 50)) {
                throw new IllegalArgumentException(mm + " mm proud is out of range: give less than 50 mm");
            }
        }
    }

    /// A screw and its home.
    /// @param cell hole and tray cell
    record Screw(String cell, String drive, double lengthMm) implements Fact {
        public Screw {
            positive(lengthMm, "screw length in mm");
        }
    }

    /// Shims found under a part.
    record Shims(List<Double> thicknessesMm) implements Fact {
        public Shims {
            thicknessesMm = List.copyOf(thicknessesMm);
            thicknessesMm.forEach(t -> positive(t, "shim thickness in mm"));
        }

        public double totalMm() {
            return thicknessesMm.stream().mapToDouble(Double::doubleValue).sum();
        }
    }

    /// A click ball caught.
    record Ball(double diameterMm) implements Fact {
        public Ball {
            positive(diameterMm, "ball diameter in mm");
        }
    }

    /// A spring caught.
    record Spring(String what) implements Fact {}

    /// It would not open.
    record Stuck(String agent, double waitMinutes) implements Fact {
        public Stuck {
            positive(waitMinutes, "waiting time in minutes");
        }
    }

    /// Where an eccentric collar, which trims the tilt of a glass, stood.
    record Collar(ClockPosition at) implements Fact {}

    /// How far it was turned back from its seat.
    record BackedOff(double degrees) implements Fact {
        public BackedOff {
            positive(degrees, "turning back in degrees");
        }
    }

    /// Turns of load on a spring.
    record Preload(double turns) implements Fact {
        public Preload {
            positive(turns, "preload in turns");
        }
    }

    /// One move of a dance: something was turned to where the next thing could pass. Goes back last in, first out.
    record Moved(String what, ClockPosition to) implements Fact {}

    /// Found damaged.
    record Damaged(String what) implements Fact {}

    /// Somebody was here before.
    record Earlier(String what) implements Fact {}

    /// A photo of this step.
    record Photo(String photoId) implements Fact {}

    /// How far a ring or glass is turned against the photo of the record, by a second photo.
    /// @param turnDeg clockwise
    /// @param sigmaDeg one standard deviation
    /// @param fold number of turns after which it looks the same, 1 when one turn stands out
    record Clocked(String photoId, double turnDeg, double sigmaDeg, int fold) implements Fact {
        public Clocked {
            if (!(Math.abs(turnDeg) <= 180) || !(sigmaDeg >= 0 && sigmaDeg < 180) || fold < 1) {
                throw new IllegalArgumentException("a turn of " + turnDeg + " ± " + sigmaDeg + "°, " + fold + "-fold, is out of range");
            }
        }
    }

    /// Anything else, in the technician's words.
    record Note(String text) implements Fact {}

    private static void positive(double value, String what) {
        if (!(value > 0 && value < 1e4)) {
            throw new IllegalArgumentException(what + " is " + value + ": give a positive number");
        }
    }

    /// In the bench's words.
    default String say() {
        return switch (this) {
            case Facing f -> f.name() + " " + (f.frontUp ? "front up" : "rear up");
            case LetGo l -> "lets go at " + l.at + " o'clock";
            case Turns t -> trim(t.turns) + (t.turns == 1 ? " turn" : " turns");
            case Proud p -> trim(Math.abs(p.mm)) + " mm " + (p.mm < 0 ? "below" : "proud");
            case Screw s -> "screw " + s.cell + ", " + s.drive + ", " + trim(s.lengthMm) + " mm";
            case Shims s -> "shims " + String.join(" + ", s.thicknessesMm.stream().map(Fact::trim).toList())
                    + " = " + trim(s.totalMm()) + " mm";
            case Ball b -> "ball " + trim(b.diameterMm) + " mm";
            case Spring s -> "spring " + s.what;
            case Stuck s -> "stuck, " + s.agent + ", wait " + trim(s.waitMinutes) + " min";
            case Collar c -> "collar at " + c.at + " o'clock";
            case BackedOff b -> "turned back " + trim(b.degrees) + "°";
            case Preload p -> "preload " + trim(p.turns) + (p.turns == 1 ? " turn" : " turns");
            case Moved m -> m.what + " to " + m.to + " o'clock";
            case Damaged d -> "found damaged: " + d.what;
            case Earlier e -> "earlier work: " + e.what;
            case Photo p -> "photo";
            case Clocked c -> String.format(Locale.ROOT, "turned by %.1f° ± %.1f°", c.turnDeg, c.sigmaDeg);
            case Note n -> n.text;
        };
    }

    /// A number without needless zeros.
    static String trim(double value) {
        String s = String.format(Locale.ROOT, "%.3f", value);
        return s.replaceAll("0+$", "").replaceAll("\\.$", "");
    }
}
