package stillglass.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.say.Said;

/// The rebuild: what was opened, backwards, with the exceptions that catch people.
///
/// A joint may close when nothing that is still open would be buried by it, and when whatever must be closed before it is. Of those
/// that may, the one opened last closes first, so that without exceptions the way back is the way in reversed.
public final class WayBack {
    private WayBack() {}

    /// One step of the rebuild.
    public sealed interface Step {
        Joint joint();

        /// Close it for good.
        record Close(Joint joint) implements Step {}

        /// Bring it home but leave it loose until `until` is done.
        record LeaveLoose(Joint joint, Joint until) implements Step {}

        /// Tighten what was left loose.
        record Tighten(Joint joint) implements Step {}

        /// Put it back for a moment, to hold a reference while `during` closes.
        record Refit(Joint joint, Joint during) implements Step {}

        /// Take off again what was put back for a moment.
        record TakeOff(Joint joint, Joint during) implements Step {}

        /// Loosen it, zero, tighten, all the rest staying together.
        record Zero(Joint joint) implements Step {}
    }

    /// Where the rebuild stands.
    /// @param opened joint ids in the order they were really opened
    /// @param closed those closed again
    /// @param loose those closed but still loose
    /// @param refitted those put back for a moment, still on, with the joint each is on for
    /// @param zeroed those zeroed since
    public record Standing(List<String> opened, Set<String> closed, Set<String> loose, Map<String, String> refitted, Set<String> zeroed) {
        public Standing {
            opened = List.copyOf(opened);
            closed = Set.copyOf(closed);
            loose = Set.copyOf(loose);
            refitted = Map.copyOf(refitted);
            zeroed = Set.copyOf(zeroed);
        }

        /// Nothing closed yet.
        public static Standing opened(List<String> opened) {
            return new Standing(opened, Set.of(), Set.of(), Map.of(), Set.of());
        }
    }

    /// What is left to do, in order.
    public static List<Step> order(Instrument instrument, Standing standing) {
        return new Rebuild(instrument, standing).steps(Integer.MAX_VALUE);
    }

    /// The next thing to do.
    public static Optional<Step> next(Instrument instrument, Standing standing) {
        return new Rebuild(instrument, standing).steps(1).stream().findFirst();
    }

    /// Why a joint cannot close yet; empty when it may.
    /// @param open joints that are open, itself among them
    public static Optional<Said> hindrance(Instrument instrument, Set<String> open, Joint joint) {
        return hindrance(instrument, new Cover(instrument), open, joint);
    }

    private static Optional<Said> hindrance(Instrument instrument, Cover cover, Set<String> open, Joint joint) {
        for (String id : open.stream().sorted().toList()) {
            Optional<Joint> other = instrument.joint(id).filter(o -> !o.id().equals(joint.id()));
            if (other.filter(o -> cover.buries(joint.id(), o.id(), open)).isPresent()) {
                return other.map(o -> Said.of("close.buries", "joint", joint.name(), "other", o.name()));
            }
            if (other.filter(o -> o.close().before().contains(joint.id())).isPresent()) {
                return other.map(o -> Said.of("close.bars", "joint", joint.name(), "other", o.name()));
            }
        }
        return Optional.empty();
    }

    /// One walk through the rebuild.
    private static final class Rebuild {
        private final Instrument instrument;
        private final Standing standing;
        private final Cover cover;
        private final Set<String> open;
        private final List<Joint> waiting = new ArrayList<>();
        private final List<Step> steps = new ArrayList<>();

        Rebuild(Instrument instrument, Standing standing) {
            this.instrument = instrument;
            this.standing = standing;
            cover = new Cover(instrument);
            open = new LinkedHashSet<>(standing.opened());
            open.removeAll(standing.closed());
            standing.loose().stream().sorted().forEach(id -> instrument.joint(id).ifPresent(waiting::add));
        }

        /// @param enough steps after which it may stop
        List<Step> steps(int enough) {
            leftOn();
            tightenReady();
            List<String> left = new ArrayList<>(standing.opened().stream().filter(open::contains).toList());
            while (!left.isEmpty() && steps.size() < enough) {
                String id = left.reversed().stream()
                        .filter(o -> instrument.joint(o).filter(j -> hindrance(instrument, cover, open, j).isEmpty()).isPresent())
                        .findFirst().orElse(left.getLast());
                left.remove(id);
                instrument.joint(id).ifPresent(this::close);
                open.remove(id);
                tightenAfter(id);
            }
            waiting.forEach(j -> steps.add(new Step.Tighten(j)));
            standing.opened().stream().filter(id -> !standing.zeroed().contains(id)).flatMap(id -> instrument.joint(id).stream())
                    .filter(j -> j.close().zeroLast().isPresent()).forEach(j -> steps.add(new Step.Zero(j)));
            return steps;
        }

        /// What was put back for a joint that is closed by now comes off first.
        private void leftOn() {
            new TreeMap<>(standing.refitted()).forEach((id, during) -> {
                if (!open.contains(during)) {
                    instrument.joint(id).ifPresent(r -> instrument.joint(during).ifPresent(j -> steps.add(new Step.TakeOff(r, j))));
                }
            });
        }

        /// What was left loose until something that is done by now.
        private void tightenReady() {
            for (Joint j : List.copyOf(waiting)) {
                if (j.close().looseUntil().filter(until -> !open.contains(until)).isPresent()) {
                    steps.add(new Step.Tighten(j));
                    waiting.remove(j);
                }
            }
        }

        /// What is put back for a moment for a joint, as long as it is off.
        private Optional<Joint> refit(Joint joint) {
            return joint.close().refit().flatMap(instrument::joint).filter(r -> open.contains(r.id()));
        }

        private void close(Joint joint) {
            Optional<Joint> held = refit(joint);
            held.filter(r -> !joint.id().equals(standing.refitted().get(r.id()))).ifPresent(r -> steps.add(new Step.Refit(r, joint)));
            Optional<Joint> until = joint.close().looseUntil().filter(open::contains).flatMap(instrument::joint);
            if (until.isPresent()) {
                steps.add(new Step.LeaveLoose(joint, until.get()));
                waiting.add(joint);
            } else {
                steps.add(new Step.Close(joint));
            }
            held.ifPresent(r -> steps.add(new Step.TakeOff(r, joint)));
        }

        private void tightenAfter(String id) {
            for (Joint j : List.copyOf(waiting)) {
                if (j.close().looseUntil().filter(id::equals).isPresent()) {
                    steps.add(new Step.Tighten(j));
                    waiting.remove(j);
                }
            }
        }
    }
}
