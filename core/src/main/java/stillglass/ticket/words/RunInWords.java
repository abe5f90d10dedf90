package stillglass.ticket.words;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.care.RunIn;
import stillglass.say.Said;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;

/// A greased thread is run in: `run in 5, 42 N mm`, `run in 10, heavy`, `wiped 6 mg`, `added 4 mg`, `run in wants 25 to 40`. It is meant of the thread that was greased last.
final class RunInWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        boolean run = line.take("run in");
        boolean more = !run && line.take("added");
        boolean less = !run && !more && line.take("wiped");
        if (!run && !more && !less) {
            return Optional.empty();
        }
        Optional<Joint> greased = greased(in);
        if (greased.isEmpty()) {
            // Other things are added and wiped, too.
            line.reset(start);
            return run ? Optional.of(Reading.unclear("say.runin.none")) : Optional.empty();
        }
        Joint joint = greased.get();
        return Optional.of(run ? line.take("wants") ? wants(line, joint) : judged(line, joint) : changed(line, joint, more));
    }

    private static Optional<Joint> greased(Setting in) {
        return in.joint().filter(j -> in.state().joints().story(j.id()).closing().greased().isPresent())
                .or(() -> in.state().joints().stories().values().stream().filter(s -> s.closing().greased().isPresent()).map(JointStory::joint).reduce((a, b) -> b).flatMap(id -> in.world().instrument().joint(id)));
    }

    private static Reading judged(Cursor line, Joint joint) {
        Optional<Integer> travels = line.count();
        line.takeOne(List.of("travels", "travel", "times", "turns"));
        line.separators();
        Optional<RunIn.Feel> feel = Arrays.stream(RunIn.Feel.values()).filter(f -> line.takeOne(f.words()).isPresent()).findFirst();
        Optional<Double> nmm = feel.isEmpty() ? line.number() : Optional.empty();
        unit(line);
        if (travels.isEmpty() || feel.isEmpty() && nmm.isEmpty() || !CareEvent.RanIn.possible(travels.get(), nmm)) {
            return Reading.unclear("say.runin");
        }
        Said how = nmm.map(t -> Said.of("runin.torque", "nmm", t)).orElseGet(() -> Said.of("runin.feel." + feel.get().name().toLowerCase(Locale.ROOT)));
        return Reading.understood(Said.of("say.reads.runin", "joint", joint.name(), "travels", travels.get(), "how", how), new CareEvent.RanIn(joint.id(), travels.get(), nmm, feel));
    }

    private static void unit(Cursor line) {
        line.takeOne(List.of("N mm", "Nmm", "N·mm", "mN m", "mNm"));
    }

    private static Reading wants(Cursor line, Joint joint) {
        Optional<Double> from = line.number();
        line.takeOne(List.of("to", "-", "–"));
        Optional<Double> to = line.number();
        unit(line);
        if (from.isEmpty() || to.isEmpty() || !RunIn.Band.possible(from.get(), to.get())) {
            return Reading.unclear("say.runin.wants");
        }
        return Reading.understood(Said.of("say.reads.runin.wants", "joint", joint.name(), "from", from.get(), "to", to.get()), new CareEvent.TorqueWanted(joint.id(), new RunIn.Band(from.get(), to.get())));
    }

    private static Reading changed(Cursor line, Joint joint, boolean more) {
        Optional<Double> mg = line.number().filter(m -> m > 0 && m < 1e5);
        line.take("mg");
        line.takeOne(List.of("more", "off", "of grease", "grease"));
        return Reading.understood(Said.of(more ? "say.reads.runin.added" : "say.reads.runin.wiped", "joint", joint.name(), "mg", mg.orElse(0.0)), new CareEvent.GreaseChanged(joint.id(), mg.map(m -> more ? m : -m), more));
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.CLOSE && greased(in).isPresent() ? List.of("run in 5, heavy", "run in 5, 42 N mm", "wiped 6 mg") : List.of();
    }
}
