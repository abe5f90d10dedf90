package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Lubricated;

/// What is still open: parts on the tray, things caught, joints left loose, functions not tried. Must reach zero.
///
/// @param openJoints joints still open, whether or not they freed a part, in the order they came off
/// @param partsOut parts that left and are not back
/// @param caught balls, springs and the like not put back
/// @param loose joints closed but not tightened
/// @param untested functions of closed joints that were not tried since
/// @param failed functions whose last trial failed
/// @param temporary joints put back for a moment and not taken off
/// @param unzeroed what is still to be zeroed, once all else is closed
/// @param troubles what went wrong and is not mended
/// @param pending what else has to be settled: something that is still wet, parts that are still to be made, points of open joints that take something or stay dry
public record Ledger(
        List<Joint> openJoints, List<Part> partsOut, List<Fact> caught, List<Joint> loose, List<String> untested, List<Said> failed, List<Joint> temporary, List<String> unzeroed,
        List<Said> troubles, List<Said> pending) {

    public Ledger {
        openJoints = List.copyOf(openJoints);
        partsOut = List.copyOf(partsOut);
        caught = List.copyOf(caught);
        loose = List.copyOf(loose);
        untested = List.copyOf(untested);
        failed = List.copyOf(failed);
        temporary = List.copyOf(temporary);
        unzeroed = List.copyOf(unzeroed);
        troubles = List.copyOf(troubles);
        pending = List.copyOf(pending);
    }

    /// @param instrument with what this ticket has found of it
    /// @param pending a line each
    public static Ledger of(Joints joints, Instrument instrument, List<Said> pending) {
        List<Joint> open = known(joints.openNow(), instrument);
        List<Part> parts = open.stream().flatMap(j -> j.frees().stream()).flatMap(p -> instrument.part(p).stream()).distinct().toList();
        List<Fact> caught = open.stream().flatMap(j -> joints.facts(j.id()).stream()).filter(Fact::thing).toList();
        List<String> untested = new ArrayList<>();
        List<String> unzeroed = new ArrayList<>();
        for (Joint j : known(joints.closed(), instrument)) {
            if (joints.story(j.id()).closing().zeroed().isEmpty()) {
                j.close().zeroLast().ifPresent(unzeroed::add);
            }
            j.close().test().filter(t -> joints.trial(j.id()).isEmpty()).map(Joint.Test::what).ifPresent(untested::add);
        }
        List<Said> settle = new ArrayList<>(pending);
        open.forEach(j -> Closings.due(j, joints.story(j.id())).forEach(p -> settle.add(Lubricated.of(p).said())));
        return new Ledger(open, parts, caught, known(joints.loose(), instrument), untested, failed(joints), known(joints.refitted().keySet(), instrument), unzeroed,
                joints.troubles().stream().map(t -> t.said(instrument.joint(t.joint()).map(Joint::name).orElse(t.joint()))).toList(), settle);
    }

    private static List<Joint> known(Iterable<String> ids, Instrument instrument) {
        List<Joint> all = new ArrayList<>();
        ids.forEach(id -> instrument.joint(id).ifPresent(all::add));
        return all;
    }

    /// Functions whose last trial failed; one on a joint that was opened since is to be tried again anyway.
    private static List<Said> failed(Joints joints) {
        List<Said> all = new ArrayList<>();
        for (Trial t : joints.trials()) {
            boolean last = joints.trials().stream().noneMatch(o -> o.seq() > t.seq() && o.function().equals(t.function()) && o.joint().equals(t.joint()));
            boolean stands = t.joint().map(j -> joints.trial(j).filter(t::equals).isPresent()).orElse(true);
            if (!t.passed() && last && stands) {
                all.add(Said.of("ledger.failed", "test", t.function(), "what", t.what()));
            }
        }
        return all;
    }

    /// Everything that is not as it should be.
    public int count() {
        return openJoints.size() + caught.size() + loose.size() + untested.size() + failed.size() + temporary.size() + unzeroed.size() + troubles.size() + pending.size();
    }

    public boolean zero() {
        return count() == 0;
    }

    /// One line for each thing or sort of thing, the same in window, report and command line.
    /// @param mostParts parts named before the rest is only counted
    public List<Said> lines(int mostParts) {
        List<Said> lines = new ArrayList<>();
        if (!openJoints.isEmpty()) {
            lines.add(Said.of("ledger.joints", "count", openJoints.size()));
        }
        partsOut.stream().limit(mostParts).forEach(p -> lines.add(Said.of("ledger.part", "part", p.name())));
        if (partsOut.size() > mostParts) {
            lines.add(Said.of("ledger.more", "count", partsOut.size() - mostParts));
        }
        caught.forEach(f -> lines.add(Said.of("ledger.caught", "thing", f.said())));
        loose.forEach(j -> lines.add(Said.of("ledger.loose", "joint", j.name())));
        temporary.forEach(j -> lines.add(Said.of("ledger.temporary", "joint", j.name())));
        untested.forEach(t -> lines.add(Said.of("ledger.untested", "test", t)));
        lines.addAll(failed);
        unzeroed.forEach(z -> lines.add(Said.of("ledger.unzeroed", "what", z)));
        lines.addAll(troubles);
        lines.addAll(pending);
        return List.copyOf(lines);
    }

    /// All of it in one breath.
    public Said said() {
        List<Said> all = new ArrayList<>();
        counted("ledger.count.joints", openJoints.size()).ifPresent(all::add);
        counted("ledger.count.parts", partsOut.size()).ifPresent(all::add);
        caught.forEach(f -> all.add(Said.of("ledger.caught", "thing", f.said())));
        counted("ledger.count.loose", loose.size()).ifPresent(all::add);
        counted("ledger.count.untested", untested.size()).ifPresent(all::add);
        all.addAll(failed);
        counted("ledger.count.temporary", temporary.size()).ifPresent(all::add);
        unzeroed.forEach(z -> all.add(Said.of("ledger.unzeroed", "what", z)));
        all.addAll(troubles);
        all.addAll(pending);
        return all.isEmpty() ? Said.of("ledger.nothing") : Said.commas(all);
    }

    private static Optional<Said> counted(String key, int count) {
        return count == 0 ? Optional.empty() : Optional.of(Said.of(key, "count", count));
    }
}
