package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fits;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.facts.Photo;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Sided;
import stillglass.ticket.facts.Starts;
import stillglass.ticket.story.World;

/// The fewest marks that make the pose of a joint unique, given in how many ways it could go back on: one set of strokes across both parts tells every turn apart, and a dot which face is up.
///
/// @param ways in how many turns it would go on; empty when it stands anywhere
/// @param strokes how many across both parts, so that they are taken for no other mark
/// @param dot whether a dot on the face that is up is needed as well
public record LeastMarks(OptionalInt ways, int strokes, boolean dot) {
    /// Holds at which no turn matters: they are run home.
    private static final Set<String> RUN_HOME = Set.of("retaining ring", "nut");
    /// Holds that let a thing stand at any angle.
    private static final Set<String> ANY_ANGLE = Set.of("seat", "press", "friction", "snap", "glue", "clip", "thread", "bayonet");

    /// Holes closer than this to where a turn puts them are the same: ten degrees.
    private static final double SAME_HOURS = 0.34;
    private static final double DIAL_HOURS = 12;

    /// @return nothing where what is on record tells its pose already, or where no turn of it matters
    public static Optional<LeastMarks> of(Joint joint, Joints joints, World world) {
        List<Fact> record = joints.facts(joint.id());
        boolean marked = record.stream().anyMatch(f -> f instanceof Mark m && m.ours()) || joints.marks().stream().anyMatch(m -> m.mark().ours() && m.joint().isEmpty());
        Optional<OptionalInt> poses = poses(joint, record);
        if (marked || poses.isEmpty() || poses.get().equals(OptionalInt.of(1)) || record.stream().anyMatch(LeastMarks::tells)) {
            return Optional.empty();
        }
        return Optional.of(new LeastMarks(poses.get(), free(joint, joints, world), turnsOver(joint, record, world)));
    }

    /// A place on the dial, or a photo of it as it stood, tells it already.
    private static boolean tells(Fact f) {
        return f instanceof LetGo || f instanceof Photo || f instanceof Sided s && s.at().isPresent();
    }

    /// In how many turns it goes on.
    /// @return nothing when that is not known; an empty number for any
    private static Optional<OptionalInt> poses(Joint joint, List<Fact> record) {
        Optional<Fits> fits = record.stream().filter(Fits.class::isInstance).map(Fits.class::cast).reduce((a, b) -> b);
        if (fits.isPresent()) {
            return Optional.of(fits.get().ways() == 0 ? OptionalInt.empty() : OptionalInt.of(fits.get().ways()));
        }
        if (joint.hold() instanceof Hold.Screws s && s.holes().size() > 1) {
            return Optional.of(OptionalInt.of(fold(s.holes().stream().map(h -> h.at().hours()).toList())));
        }
        Optional<Integer> starts = joint.hold() instanceof Hold.Thread t ? Optional.of(t.starts()) : record.stream().filter(Starts.class::isInstance).map(f -> ((Starts) f).count()).findFirst();
        if (starts.isPresent()) {
            return Optional.of(OptionalInt.of(starts.get()));
        }
        String word = joint.hold() instanceof Hold.Noted n ? n.word().toLowerCase(Locale.ROOT) : joint.hold().word().replace('-', ' ');
        long screws = record.stream().filter(Screw.class::isInstance).count();
        if (screws > 1) {
            return Optional.of(OptionalInt.of((int) screws));
        }
        return RUN_HOME.contains(word) || !ANY_ANGLE.contains(word) ? Optional.empty() : Optional.of(OptionalInt.empty());
    }

    /// How many turns lay a ring of holes onto itself.
    static int fold(List<Double> hours) {
        for (int n = hours.size(); n > 1; n--) {
            double step = DIAL_HOURS / n;
            if (hours.stream().allMatch(h -> hours.stream().anyMatch(o -> apart(h + step, o) <= SAME_HOURS))) {
                return n;
            }
        }
        return 1;
    }

    private static double apart(double a, double b) {
        double d = Math.abs(a - b) % DIAL_HOURS;
        return Math.min(d, DIAL_HOURS - d);
    }

    /// The fewest strokes that no other mark on that side has.
    private static int free(Joint joint, Joints joints, World world) {
        Set<Integer> taken = joints.marks().stream().filter(m -> m.mark().ours() && m.mark().strokes() > 0)
                .filter(m -> m.joint().flatMap(world.instrument()::joint).map(j -> j.side() == joint.side()).orElse(true))
                .map(m -> m.mark().strokes()).collect(Collectors.toCollection(TreeSet::new));
        int strokes = 1;
        while (taken.contains(strokes) && strokes < Mark.MOST_STROKES) {
            strokes++;
        }
        return strokes;
    }

    /// Whether it could lie upside down and nothing says which way up it was.
    private static boolean turnsOver(Joint joint, List<Fact> record, World world) {
        boolean said = record.stream().anyMatch(f -> f instanceof Facing || f instanceof Sided);
        return !said && joint.frees().stream().flatMap(p -> world.instrument().part(p).stream())
                .anyMatch(p -> p.facingMatters() || p.kind() == Part.Kind.SPACER || p.kind() == Part.Kind.SHIM);
    }

    public Said said(String joint) {
        List<Said> all = new ArrayList<>();
        all.add(ways.isPresent() ? Said.of("least.ways", "joint", joint, "ways", ways.getAsInt(), "strokes", strokes) : Said.of("least.any", "joint", joint, "strokes", strokes));
        if (dot) {
            all.add(Said.of("least.dot"));
        }
        return all.size() == 1 ? all.getFirst() : Said.dots(all);
    }
}
