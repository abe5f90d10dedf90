package stillglass.ticket;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.assembly.Joint;
import stillglass.optics.Paraxial;
import stillglass.prove.ScaleTurn;
import stillglass.prove.ZeroTurn;
import stillglass.prove.measure.Quantity;
import stillglass.say.Said;
import stillglass.ticket.facts.ThreadSeen;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.World;

/// How a focus ring is zeroed in numbers: the error of infinity, or of its distance scale, through the lead of the thread it moves, as far as both are known.
public final class Zeroing {
    private static final double NEAREST_FOCAL = 4.2;
    /// The nearest distance most scales go to, by which a loss at the near end is told.
    private static final double NEAR_M = 1;
    private static final Pattern FOCAL = Pattern.compile("(\\d{1,4}(?:\\.\\d)?)\\s*mm\\b");

    private Zeroing() {}

    /// @return nothing before infinity was measured
    public static Optional<Said> of(TicketState state, World world) {
        return Proof.infinity(state.readings(), state.joints()).map(i -> {
            double error = i.read().errorMm();
            Optional<Named> thread = thread(state, world);
            return thread.map(t -> turn(error, i.read().uncertaintyMm(), t)).orElseGet(() -> Said.of("zero.no-lead", "mm", error));
        });
    }

    /// What can be done where shims are lost and none are at hand: the error taken up by the focusing thread, and what that costs at the near end.
    /// @param errorMm image of infinity minus film, positive behind it
    /// @return nothing where no thread is known by its lead
    public static Optional<Said> instead(double errorMm, double sigmaMm, TicketState state, World world) {
        return thread(state, world).map(t -> {
            ZeroTurn turn = ZeroTurn.of(errorMm, sigmaMm, t.seen.leadMm(), t.seen.sigmaMm());
            OptionalDouble focal = focal(state, world);
            boolean near = turn.towardsNear() && focal.isPresent() && 1000 * NEAR_M > NEAREST_FOCAL * focal.getAsDouble();
            double left = near ? ScaleTurn.extension(NEAR_M, focal.getAsDouble()) - errorMm : 0;
            return left > 0 ? Said.of("zero.instead.near", "degrees", turn.degrees(), "sigma", turn.sigmaDegrees(), "joint", t.joint, "mm", errorMm, "near", NEAR_M, "becomes", ScaleTurn.distance(left, focal.getAsDouble()))
                    : Said.of(turn.towardsNear() ? "zero.instead" : "zero.instead.beyond", "degrees", turn.degrees(), "sigma", turn.sigmaDegrees(), "joint", t.joint, "mm", Math.abs(errorMm));
        });
    }

    /// How far the ring is turned against the lens so that its scale is true, from distances that were measured.
    /// @param measured of the distance scale
    /// @return nothing before a distance was measured; what is lacking where focal length or lead are not known
    public static Optional<Said> scale(List<ReadingEvent.Measured> measured, TicketState state, World world) {
        if (measured.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble focal = focal(state, world);
        Optional<Named> thread = thread(state, world);
        if (focal.isEmpty() || thread.isEmpty()) {
            return Optional.of(Said.of(thread.isEmpty() ? "scale.no-lead" : "scale.no-focal"));
        }
        double f = focal.getAsDouble();
        List<ScaleTurn.At> at = measured.stream().map(m -> new ScaleTurn.At(Quantity.SCALE.nominal(m.at()).orElseThrow(), m.value(), m.sigma()))
                .filter(a -> Math.min(a.saysM(), a.trueM()) > NEAREST_FOCAL * f / 1000).toList();
        if (at.isEmpty()) {
            return Optional.of(Said.of("scale.near"));
        }
        ScaleTurn turn = ScaleTurn.of(at, f, thread.get().seen.leadMm());
        if (!turn.alike()) {
            return Optional.of(Said.of("scale.differs"));
        }
        return Optional.of(Math.abs(turn.degrees()) <= 2 * turn.sigmaDegrees() ? Said.of("scale.enough", "sigma", turn.sigmaDegrees())
                : Said.of(turn.degrees() > 0 ? "scale.far" : "scale.to-near", "degrees", Math.abs(turn.degrees()), "sigma", turn.sigmaDegrees(), "joint", thread.get().joint, "focal", f));
    }

    private static OptionalDouble focal(TicketState state, World world) {
        return world.section().map(l -> OptionalDouble.of(Paraxial.of(l).eflMm())).filter(e -> e.getAsDouble() > 0).orElseGet(() -> named(state.tag().title()));
    }

    /// The focal length as the name of a lens has it.
    private static OptionalDouble named(String title) {
        Matcher m = FOCAL.matcher(title);
        return m.find() ? OptionalDouble.of(Double.parseDouble(m.group(1))) : OptionalDouble.empty();
    }

    private record Named(String joint, ThreadSeen seen) {}

    private static Said turn(double errorMm, double sigmaMm, Named t) {
        ZeroTurn turn = ZeroTurn.of(errorMm, sigmaMm, t.seen.leadMm(), t.seen.sigmaMm());
        return turn.degrees() <= turn.sigmaDegrees() ? Said.of("zero.enough", "mm", errorMm, "sigma", sigmaMm)
                : Said.of(turn.towardsNear() ? "zero.near" : "zero.far", "mm", errorMm, "joint", t.joint, "lead", t.seen.leadMm(), "degrees", turn.degrees(), "sigma", turn.sigmaDegrees());
    }

    /// The focusing thread: a helicoid before anything else that is called after the focus.
    private static Optional<Named> thread(TicketState state, World world) {
        return world.instrument().joints().stream().filter(j -> rank(j) < 3)
                .sorted(Comparator.comparingInt(Zeroing::rank))
                .flatMap(j -> ThreadSeen.of(j, state.joints().facts(j.id())).map(t -> new Named(j.name(), t)).stream())
                .findFirst();
    }

    private static int rank(Joint j) {
        String name = j.name().toLowerCase(Locale.ROOT);
        return name.contains("helicoid") ? 0 : name.contains("focus") ? 1 : name.contains("barrel") ? 2 : 3;
    }
}
