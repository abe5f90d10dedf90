package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Line;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;

/// Lines that begin with what they are about: `mount screws off`, `spacer seat anyway`, `name ring, friction, left`, `helicoid on`, `E2 out, front up, 1 o'clock`.
final class NamedWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        Optional<Reading> reading = out(line, in).or(() -> joint(line, in));
        if (reading.isEmpty()) {
            line.reset(start);
        }
        return reading;
    }

    /// A part that is out: the joint that frees it is open.
    private static Optional<Reading> out(Cursor line, Setting in) {
        int start = line.mark();
        Names.Match<Part> named = in.words().parts().take(line);
        line.take("is");
        if (!named.plain() || !line.take("out")) {
            line.reset(start);
            return Optional.empty();
        }
        Part part = named.things().getFirst();
        if (in.closing()) {
            return Optional.of(Reading.unclear("say.closing"));
        }
        Optional<Joint> joint = in.world().instrument().freedBy(part.id()).or(() -> part.within().flatMap(in.world().instrument()::freedBy));
        if (joint.isEmpty()) {
            return Optional.of(Reading.unclear("say.frees-none", "part", part.name()));
        }
        Optional<String> anyway = Anyway.take(line);
        Reading reading = FactWords.then(line, in, joint, List.of(), Said.of("say.reads.out", "part", part.name()), Optional.of(part));
        if (!(reading instanceof Reading.Understood u)) {
            return Optional.of(reading);
        }
        boolean faced = u.act().intents().stream().anyMatch(i -> i instanceof JointIntent.Note n && n.facts().stream().anyMatch(f -> f instanceof Facing));
        boolean known = in.state().joints().facts(joint.get().id()).stream().anyMatch(f -> f instanceof Facing);
        if (part.facingMatters() && !faced && !known) {
            String typed = line.typed(start, line.mark());
            return Optional.of(new Reading.Unclear(Said.of("say.which-way", "part", part.name()), List.of(typed + ", front up", typed + ", rear up")));
        }
        boolean off = anyway.isPresent() || Anyway.take(line).isPresent();
        List<Intent> intents = new ArrayList<>(u.act().intents());
        intents.add(new JointIntent.Open(joint.get().id(), off));
        return Optional.of(new Reading.Understood(new Act(intents), u.reads()));
    }

    private static Optional<Reading> joint(Cursor line, Setting in) {
        int start = line.mark();
        Names.Match<Joint> named = in.words().joints().take(line);
        if (named.things().isEmpty()) {
            return turned(line, in);
        }
        if (named.things().size() > 1) {
            return line.clauseEnds() ? Optional.of(Reading.unclear("say.which", "words", line.typed(start, line.mark()), "all", named.things().stream().map(Joint::name).toList())) : Optional.empty();
        }
        Joint j = named.things().getFirst();
        return said(line, in, j);
    }

    /// `ring, name, friction, left`: a name with its first word last.
    private static Optional<Reading> turned(Cursor line, Setting in) {
        int start = line.mark();
        Optional<String> last = line.clause();
        line.separators();
        Optional<String> first = line.clause();
        if (last.isPresent() && first.isPresent()) {
            Cursor whole = new Cursor(Line.of(first.get() + " " + last.get()));
            Names.Match<Joint> named = in.words().joints().take(whole);
            if (named.plain() && whole.end()) {
                return said(line, in, named.things().getFirst());
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Optional<Reading> said(Cursor line, Setting in, Joint j) {
        int start = line.mark();
        line.take("is");
        if (in.closing()) {
            if (line.takeOne(List.of("on", "home", "closed", "back on")).isPresent()) {
                boolean loose = line.take("loose") || line.take(", loose") || line.take(", left loose");
                return Optional.of(JointWords.close(j, loose, Anyway.take(line)));
            }
            if (line.takeOne(List.of("tight", "tightened")).isPresent()) {
                return Optional.of(Reading.understood(Said.of("say.reads.tight", "joint", j.name()), new JointIntent.Tighten(j.id(), Anyway.take(line))));
            }
            if (line.take("zeroed")) {
                return Optional.of(Reading.understood(Said.of("say.reads.zeroed", "joint", j.name()), new JointIntent.Zero(j.id())));
            }
            line.reset(start);
            return Optional.empty();
        }
        line.takeOne(List.of("off", "open", "out"));
        Optional<String> anyway = Anyway.take(line);
        if (line.end()) {
            return Optional.of(JointWords.open(j, anyway.isPresent()));
        }
        if (!line.clauseEnds()) {
            line.reset(start);
            return Optional.empty();
        }
        Reading reading = FactWords.then(line, in, Optional.of(j), List.of(), Said.of("say.reads.open", "joint", j.name()));
        if (!(reading instanceof Reading.Understood u)) {
            return Optional.of(reading);
        }
        List<Intent> intents = new ArrayList<>(u.act().intents());
        intents.add(new JointIntent.Open(j.id(), Anyway.take(line).isPresent()));
        return Optional.of(new Reading.Understood(new Act(intents), u.reads()));
    }

    @Override
    public List<String> examples(Setting in) {
        return in.world().instrument().joints().stream().filter(j -> in.closing() == in.state().joints().story(j.id()).open())
                .map(j -> in.closing() ? j.name() + " on" : j.name()).toList();
    }
}
