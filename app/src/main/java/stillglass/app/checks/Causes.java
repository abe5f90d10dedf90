package stillglass.app.checks;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.desk.Work;
import stillglass.app.draw.ChartStrip;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.fault.ChartPicture;
import stillglass.fault.Diagnosis;
import stillglass.fault.Suspicion;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Said;
import stillglass.ticket.TicketState;
import stillglass.ticket.proof.EntryCause;
import stillglass.ticket.proof.Suspected;

/// What may be wrong with the assembly, in words.
public final class Causes {
    private static final int MOST = 3;
    private static final double WORTH = 0.05;

    private Causes() {}

    /// The likeliest faults with what they would measure, those nobody tells apart, and the figure that would tell most.
    public static List<String> of(Diagnosis d) {
        List<String> out = new ArrayList<>();
        List<Diagnosis.Hypothesis> likely = d.hypotheses().stream().filter(h -> h.probability() > WORTH).limit(MOST).toList();
        if (likely.isEmpty() || likely.getFirst().fault().equals("none")) {
            return out;
        }
        out.add(Words.of("causes.heading"));
        likely.forEach(h -> out.add(Words.of("causes.one", name(d, h), 100 * h.probability())));
        d.alike().stream().filter(c -> c.contains(likely.getFirst().fault())).findFirst().ifPresent(c -> out.add(Words.of("causes.alike", c.size())));
        d.next().ifPresent(n -> out.add(Words.sentence(n.why())));
        d.diagnostics().forEach(n -> out.add(Words.sentence(n)));
        return out;
    }

    /// The same where nothing can be traced.
    public static List<String> of(Suspicion s) {
        List<Suspicion.Cause> likely = s.causes().stream().filter(c -> c.probability() > WORTH).limit(MOST).toList();
        List<String> out = new ArrayList<>();
        if (likely.isEmpty() || likely.getFirst().kind() == Suspicion.Kind.NOTHING) {
            return out;
        }
        out.add(Words.of("causes.heading.unseen"));
        likely.forEach(c -> out.add(Words.of("causes.one", Words.say(c.said()), 100 * c.probability())));
        s.nextSaid().ifPresent(n -> out.add(Words.sentence(n)));
        return out;
    }

    /// @param lines all there is to say
    /// @param leading the likeliest in a few words; that infinity was read wrongly is one, too
    /// @param entry whether a thread that was begun elsewhere fits
    public record Told(List<String> lines, Optional<String> leading, boolean entry) {
        public Told {
            lines = List.copyOf(lines);
        }
    }

    /// From the entries that fit, then from what the section says, or where there is none from signs and record.
    public static Told told(TicketState s, Work work) {
        List<Said> entries = EntryCause.of(s.readings(), s.joints(), work.instrument(), work.section());
        Optional<Diagnosis> traced = work.computed().diagnosis().filter(d -> !of(d).isEmpty());
        Optional<Suspicion> seen = work.section().isPresent() ? Optional.empty() : Suspected.of(s.readings(), s.joints(), work.instrument()).filter(w -> !of(w).isEmpty());
        List<String> lines = new ArrayList<>(entries.stream().map(Words::sentence).toList());
        traced.ifPresent(d -> {
            lines.addAll(of(d));
            work.computed().back().filter(b -> !b.way().isEmpty()).ifPresent(b -> lines.add(Words.of("causes.back", String.join(" · ", b.way().stream().map(Joint::name).toList()), b.way().size())));
        });
        seen.ifPresent(w -> lines.addAll(of(w)));
        lines.addAll(lamp(work));
        Optional<String> leading = entries.isEmpty() ? traced.map(d -> leading(d, d.hypotheses().getFirst())).or(() -> seen.map(w -> leading(w.causes().getFirst()))) : Optional.of(Words.of("prove.say.cause.entry"));
        return new Told(lines, leading, !entries.isEmpty());
    }

    /// What a lamp's reflections say; where no section is known, that they say nothing yet.
    public static List<String> lamp(Work work) {
        boolean seen = work.state().readings().glints().stream().anyMatch(g -> g.seq() > work.state().joints().lastOpened());
        boolean traced = work.section().filter(l -> l.basis() != LensSection.Basis.TWO_PLANE).isPresent();
        return seen && !traced ? List.of(Words.of("causes.lamp.unseen")) : work.computed().lamp().stream().flatMap(l -> l.said().stream()).map(Words::sentence).toList();
    }

    private static String leading(Diagnosis d, Diagnosis.Hypothesis h) {
        return h.faults().isEmpty() ? Words.of("prove.say.cause.misread") : name(d, h);
    }

    private static String leading(Suspicion.Cause c) {
        return c.kind() == Suspicion.Kind.MISREAD ? Words.of("prove.say.cause.misread") : Words.say(c.said());
    }

    /// Charts with the names of what they show; none while nothing is wrong.
    public static List<ChartStrip.Shown> pictured(Diagnosis d, List<ChartPicture> charts) {
        if (of(d).isEmpty()) {
            return List.of();
        }
        return charts.stream().map(c -> new ChartStrip.Shown(c.fault().isEmpty() ? Words.of("charts.design")
                : d.hypotheses().stream().filter(h -> !h.faults().isEmpty() && String.join(" ", h.faults().stream().map(LensFault::shortForm).toList()).equals(c.fault())).findFirst().map(h -> Words.of("causes.one", name(d, h), 100 * h.probability())).orElse(c.fault()), c)).toList();
    }

    private static String name(Diagnosis d, Diagnosis.Hypothesis h) {
        if (h.faults().isEmpty()) {
            return Words.of(h.fault().equals("none") ? "causes.none" : "causes.mismeasured");
        }
        return String.join("; ", d.said(h).stream().map(Words::say).toList());
    }
}
