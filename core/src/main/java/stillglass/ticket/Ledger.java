package stillglass.ticket;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Part;

/// What is still open: parts on the tray, things caught, joints left loose, tests not passed. Must reach zero.
///
/// @param partsOut parts that left and are not back
/// @param caught balls and springs not put back
/// @param loose joints closed but not tightened
/// @param untested joints closed whose test is not recorded
/// @param openJoints joints still open, whether or not they freed a part
/// @param temporary joints put back for a moment and not taken off
/// @param unzeroed joints whose zero is still to be set, once all else is closed
/// @param troubles what went wrong and is not mended
public record Ledger(
        List<Part> partsOut, List<String> caught, List<String> loose, List<String> untested, List<String> openJoints,
        List<String> temporary, List<String> unzeroed, List<TicketEvent.Troubled> troubles) {

    public Ledger {
        partsOut = List.copyOf(partsOut);
        caught = List.copyOf(caught);
        loose = List.copyOf(loose);
        untested = List.copyOf(untested);
        openJoints = List.copyOf(openJoints);
        temporary = List.copyOf(temporary);
        unzeroed = List.copyOf(unzeroed);
        troubles = List.copyOf(troubles);
    }

    public static Ledger of(TicketState state, Instrument instrument) {
        Set<String> open = state.openNow();
        List<Part> parts = new ArrayList<>();
        List<String> caught = new ArrayList<>();
        List<String> untested = new ArrayList<>();
        List<String> unzeroed = new ArrayList<>();
        for (String id : state.opened()) {
            if (open.contains(id)) {
                instrument.joint(id).ifPresent(j -> j.frees().forEach(p -> instrument.part(p).ifPresent(parts::add)));
                state.facts(id).stream()
                        .filter(f -> f instanceof Fact.Ball || f instanceof Fact.Spring)
                        .map(Fact::say)
                        .forEach(caught::add);
            } else {
                instrument.joint(id).filter(j -> !state.standing().zeroed().contains(id)).flatMap(j -> j.close().zeroLast()).ifPresent(unzeroed::add);
                instrument.joint(id)
                        .flatMap(j -> j.close().test())
                        .filter(t -> !state.tested(id))
                        .ifPresent(untested::add);
            }
        }
        return new Ledger(parts, caught, state.loose().stream().sorted().toList(), untested, List.copyOf(open),
                state.refitted().stream().sorted().toList(), unzeroed, state.troubles());
    }

    /// Everything that is not as it should be.
    public int count() {
        return openJoints.size() + caught.size() + loose.size() + untested.size() + temporary.size() + unzeroed.size() + troubles.size();
    }

    public boolean zero() {
        return count() == 0;
    }

    /// "3 joints open, 2 parts out, ball 1 mm not back".
    public String say() {
        List<String> lines = new ArrayList<>();
        count(lines, openJoints.size(), "joint", "joints", " open");
        count(lines, partsOut.size(), "part", "parts", " out");
        caught.forEach(c -> lines.add(c + " not back"));
        count(lines, loose.size(), "joint", "joints", " still loose");
        count(lines, untested.size(), "test", "tests", " not passed");
        count(lines, temporary.size(), "joint", "joints", " on for a moment only");
        unzeroed.forEach(z -> lines.add(z + " not zeroed"));
        troubles.forEach(t -> lines.add(t.kind().word() + " at " + t.joint()));
        return lines.isEmpty() ? "everything is back" : String.join(", ", lines);
    }

    private static void count(List<String> lines, int n, String one, String many, String what) {
        if (n > 0) {
            lines.add(n + " " + (n == 1 ? one : many) + what);
        }
    }
}
