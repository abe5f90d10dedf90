package stillglass.app.prove;

import java.util.ArrayList;
import java.util.List;
import stillglass.app.theme.Words;
import stillglass.fault.Diagnosis;

/// What may be wrong with the assembly, in words.
final class Causes {
    private static final int MOST = 3;
    private static final double WORTH = 0.05;

    private Causes() {}

    /// The likeliest faults with what they would measure, those nobody tells apart, and the figure that would tell most.
    static List<String> of(Diagnosis d) {
        List<String> out = new ArrayList<>();
        List<Diagnosis.Hypothesis> likely = d.hypotheses().stream().filter(h -> h.probability() > WORTH).limit(MOST).toList();
        if (likely.isEmpty() || likely.getFirst().fault().equals("none")) {
            return out;
        }
        out.add(Words.of("causes.heading"));
        likely.forEach(h -> out.add(Words.of("causes.one", name(h), 100 * h.probability())));
        d.alike().stream().filter(c -> c.contains(likely.getFirst().fault())).findFirst().ifPresent(c -> out.add(Words.of("causes.alike", c.size())));
        d.next().ifPresent(n -> out.add(Words.sentence(n.why())));
        d.diagnostics().forEach(n -> out.add(Words.sentence(n)));
        return out;
    }

    private static String name(Diagnosis.Hypothesis h) {
        if (h.faults().isEmpty()) {
            return Words.of(h.fault().equals("none") ? "causes.none" : "causes.mismeasured");
        }
        return String.join("; ", h.faults().stream().map(f -> Words.say(f.said())).toList());
    }
}
