package stillglass.ticket;

import java.util.List;
import java.util.Locale;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.plan.LookAlikes;
import stillglass.prove.ClockingCheck;

/// A stated observation held against the record.
public sealed interface Comparison {
    /// Clock positions closer than this agree: what an eye reads off a dial.
    double CLOCK_TOLERANCE_HOURS = 0.34;
    /// Caliper readings closer than this agree.
    double LENGTH_TOLERANCE_MM = 0.15;
    /// Eccentric collars closer than this agree: five degrees.
    double COLLAR_TOLERANCE_HOURS = 0.17;
    /// Turning back closer than this agrees.
    double BACK_TOLERANCE_DEGREES = 5;
    /// Turns closer than this agree.
    double TURN_TOLERANCE = 0.13;
    /// Proud heights closer than this agree.
    double PROUD_TOLERANCE_MM = 0.08;

    record Agrees(String say) implements Comparison {}

    /// @param mistake what is probably wrong
    /// @param wouldDo what it would do
    record Differs(String mistake, String wouldDo) implements Comparison {}

    record NothingRecorded(String say) implements Comparison {}

    static Comparison of(List<Fact> record, Fact stated, Joint joint, Instrument instrument) {
        if (stated instanceof Fact.Clocked c) {
            return record.stream().anyMatch(Fact.Photo.class::isInstance) ? clocked(c, joint)
                    : new NothingRecorded("No photo of " + joint.name() + " was taken when it was opened: there is nothing to compare with.");
        }
        List<Fact> about = record.stream()
                .filter(f -> Closing.subject(f).isPresent()
                        && Closing.subject(f).equals(Closing.subject(stated)))
                .toList();
        if (about.isEmpty()) {
            return stated instanceof Fact.Screw s
                    ? new Differs("No screw was recorded for cell " + s.cell() + ".", "It may belong to another joint.")
                    : new NothingRecorded("Nothing of the kind was recorded when " + joint.name()
                            + " was opened: there is nothing to compare \"" + stated.say() + "\" with.");
        }
        Fact then = about.getLast();
        return switch (stated) {
            case Fact.Facing f -> facing((Fact.Facing) then, f, instrument);
            case Fact.LetGo l -> letGo((Fact.LetGo) then, l, joint);
            case Fact.Turns t -> close(((Fact.Turns) then).turns(), t.turns(), TURN_TOLERANCE)
                    ? agrees(stated)
                    : turns((Fact.Turns) then, t, joint);
            case Fact.Proud p -> close(((Fact.Proud) then).mm(), p.mm(), PROUD_TOLERANCE_MM)
                    ? agrees(stated)
                    : new Differs(String.format(Locale.ROOT, "It stood %s before.", then.say()),
                            "Something under the ring is missing, doubled or turned round, or the ring is crossed.");
            case Fact.Screw s -> screw((Fact.Screw) then, s, joint, record, instrument);
            case Fact.Shims s -> close(((Fact.Shims) then).totalMm(), s.totalMm(), 0.004)
                    ? agrees(stated)
                    : new Differs(String.format(Locale.ROOT, "%s were found.", capital(then.say())),
                            String.format(Locale.ROOT, "Infinity would move by %.3f mm.",
                                    s.totalMm() - ((Fact.Shims) then).totalMm()));
            case Fact.Ball b -> close(((Fact.Ball) then).diameterMm(), b.diameterMm(), 0.05)
                    ? agrees(stated)
                    : new Differs("A " + then.say() + " came out here.", "Another size clicks too hard or not at all.");
            case Fact.Collar c -> ((Fact.Collar) then).at().apartHours(c.at()) <= COLLAR_TOLERANCE_HOURS
                    ? agrees(stated)
                    : new Differs("The eccentric collar stood at " + ((Fact.Collar) then).at() + " o'clock.",
                            "It trims the tilt of the glass: one corner would stay soft.");
            case Fact.BackedOff b -> close(((Fact.BackedOff) then).degrees(), b.degrees(), BACK_TOLERANCE_DEGREES)
                    ? agrees(stated)
                    : new Differs("It was " + then.say() + " from its seat.",
                            b.degrees() < ((Fact.BackedOff) then).degrees() ? "Nearer its seat it binds." : "Further back its lugs and pins miss.");
            case Fact.Preload p -> close(((Fact.Preload) then).turns(), p.turns(), TURN_TOLERANCE)
                    ? agrees(stated)
                    : new Differs("The spring had " + then.say() + ".",
                            p.turns() < ((Fact.Preload) then).turns() ? "With less load it returns too slowly or not at all." : "With more load it snaps, wears, and may break.");
            case Fact.Moved m -> ((Fact.Moved) then).to().apartHours(m.to()) <= CLOCK_TOLERANCE_HOURS
                    ? agrees(stated)
                    : new Differs("The " + m.what() + " stood at " + ((Fact.Moved) then).to() + " o'clock.", "What goes in next cannot pass its groove.");
            case Fact.Spring s -> agrees(stated);
            case Fact.Damaged d -> agrees(stated);
            case Fact.Earlier e -> agrees(stated);
            case Fact.Stuck s -> agrees(stated);
            case Fact.Photo p -> agrees(stated);
            case Fact.Clocked c -> clocked(c, joint);
            case Fact.Note n -> agrees(stated);
        };
    }

    /// What two photos tell of a ring's place. A ring that looks the same after part of a turn is held against the nearest place that looks right.
    private static Comparison clocked(Fact.Clocked c, Joint joint) {
        double off = c.fold() > 1 ? Math.IEEEremainder(c.turnDeg(), 360.0 / c.fold()) : c.turnDeg();
        String said = capital(c.say());
        if (Math.abs(off) <= ClockingCheck.TOLERANCE_DEG) {
            return new Agrees(c.fold() == 1 ? said + " against the photo: as recorded."
                    : String.format(Locale.ROOT, "%s against the photo; it looks the same %d times round, so %.1f° more would not show: check one mark.", said, c.fold(), 360.0 / c.fold()));
        }
        int holes = joint.hold() instanceof Hold.Screws s ? s.holes().size() : 1;
        double steps = holes > 1 ? off / (360.0 / holes) : 0;
        String mistake = Math.abs(steps) > 0.5 && Math.abs(steps - Math.round(steps)) * 360 / holes < 3
                ? String.format(Locale.ROOT, "%s against the photo: %d of %d screw holes on.", said, Math.abs(Math.round(steps)), holes)
                : said + " against the photo.";
        String back = String.format(Locale.ROOT, "Turn it back %.1f° %s.", Math.abs(off), off > 0 ? "anticlockwise" : "clockwise");
        return new Differs(mistake, joint.hold() instanceof Hold.Thread t
                ? String.format(Locale.ROOT, "On its thread that is %.2f mm along the axis. %s", Math.abs(off) / 360 * t.leadMm(), back)
                : "Marks, slots and trimmed tilt would stand off by as much. " + back);
    }

    private static boolean close(double a, double b, double tolerance) {
        return Math.abs(a - b) <= tolerance + 1e-9;
    }

    private static Agrees agrees(Fact stated) {
        return new Agrees(capital(stated.say()) + ": as recorded.");
    }

    private static String capital(String s) {
        return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
    }

    private static Comparison facing(Fact.Facing then, Fact.Facing now, Instrument instrument) {
        if (then.frontUp() == now.frontUp()) {
            return agrees(now);
        }
        boolean glass = instrument.part(now.part()).filter(p -> p.element().isPresent()).isPresent();
        return new Differs(
                "Wrong way round: " + now.name() + " came out " + (then.frontUp() ? "front up." : "rear up."),
                glass
                        ? "Turned round it leaves the middle nearly sharp and smears the edges, or loses infinity."
                        : "A bevel on the wrong side holds the glass off its seat.");
    }

    private static Comparison letGo(Fact.LetGo then, Fact.LetGo now, Joint joint) {
        double apart = then.at().apartHours(now.at());
        if (apart <= CLOCK_TOLERANCE_HOURS) {
            return agrees(now);
        }
        String mistake = "It let go at " + then.at() + " o'clock.";
        if (joint.hold() instanceof Hold.Thread t && t.starts() > 1) {
            long entries = Math.max(1, Math.round(apart / 12 * t.starts()));
            return new Differs(mistake, String.format(Locale.ROOT,
                    "Started %d of %d entries away, the block stands %.2f mm off at infinity.",
                    entries, t.starts(), entries * t.leadMm() / t.starts()));
        }
        return new Differs(mistake, "Set screws would miss their dents and numbers stand off the index.");
    }

    private static Comparison turns(Fact.Turns then, Fact.Turns now, Joint joint) {
        String mistake = "It took " + then.say() + " to come off.";
        double less = then.turns() - now.turns();
        double lead = joint.hold() instanceof Hold.Thread t ? t.leadMm() : 0.75;
        return new Differs(mistake, less > 0
                ? String.format(Locale.ROOT, "It stands %.2f mm short of home: crossed, or something is under it.", less * lead)
                : "It went further than before: a glass, spacer or shim is missing under it.");
    }

    private static Comparison screw(Fact.Screw then, Fact.Screw now, Joint joint, List<Fact> record, Instrument instrument) {
        if (close(then.lengthMm(), now.lengthMm(), LENGTH_TOLERANCE_MM)) {
            return agrees(now);
        }
        String home = record.stream()
                .filter(f -> f instanceof Fact.Screw s && close(s.lengthMm(), now.lengthMm(), LENGTH_TOLERANCE_MM))
                .map(f -> " Its likely home is cell " + ((Fact.Screw) f).cell() + ".")
                .findFirst()
                .or(() -> LookAlikes.homes(instrument.joints(), now.drive(), now.lengthMm(), LENGTH_TOLERANCE_MM).stream()
                        .filter(h -> !h.cell().equals(now.cell())).map(h -> " Its likely home is cell " + h.cell() + ".").findFirst())
                .orElse(" It is no screw of this instrument's map.");
        double depth = joint.hold() instanceof Hold.Screws s
                ? s.holes().stream().filter(h -> h.cell().equals(now.cell())).mapToDouble(Joint.ScrewHole::holeDepthMm)
                        .findFirst().orElse(Double.MAX_VALUE)
                : Double.MAX_VALUE;
        String wouldDo = now.lengthMm() > depth
                ? String.format(Locale.ROOT, "It bottoms %.1f mm before its head is down, and jams what moves behind.", now.lengthMm() - depth)
                : now.lengthMm() > then.lengthMm()
                        ? "It reaches further in than the maker meant."
                        : "It holds by too few threads and strips.";
        return new Differs("Cell " + now.cell() + " gave a screw of " + Fact.trim(then.lengthMm()) + " mm." + home, wouldDo);
    }
}
