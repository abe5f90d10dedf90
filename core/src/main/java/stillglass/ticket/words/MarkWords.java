package stillglass.ticket.words;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Stage;

/// References and marks: `mark infinity 12`, `mark mount across barrel, 2 strokes, ink on tape, at 2:30`, `mark mount at 2:30 and 4 before mount screws`, `old mark name ring at 3`.
final class MarkWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        boolean old = line.takeOne(List.of("old mark", "old scratch", "old stroke", "old dot")).isPresent();
        if (!old && !line.take("mark") && !line.take("marked")) {
            return Optional.empty();
        }
        if (!old && in.joint().filter(j -> in.closing() && in.state().joints().story(j.id()).waiting().stream().anyMatch(o -> o.fact() instanceof Mark)).isPresent()) {
            // How it meets is stated, not made anew.
            return Optional.empty();
        }
        line.take("the");
        int start = line.mark();
        Names.Match<Instrument.Reference> reference = old ? new Names.Match<>(List.of(), 0) : in.words().references().take(line);
        if (reference.plain() && !line.next("across")) {
            line.take("at");
            Optional<ClockPosition> at = line.position();
            line.separators();
            Optional<String> medium = line.clause();
            Instrument.Reference r = reference.things().getFirst();
            return Optional.of(Reading.understood(kept(r.name(), at, medium), new JointIntent.KeepReference(r.id(), medium.orElse("marked"), at)));
        }
        line.reset(start);
        return Optional.of(spot(line, in, !old));
    }

    private static Said kept(String name, Optional<ClockPosition> at, Optional<String> medium) {
        Said mark = at.map(a -> Said.of("say.reads.mark.at", "name", name, "at", a.toString())).orElse(Said.of("say.reads.mark", "name", name));
        return medium.map(m -> Said.of("say.reads.mark.medium", "mark", mark, "medium", m)).orElse(mark);
    }

    /// What it is on first, where it is and what with in any order, for which joint last.
    private static Reading spot(Cursor line, Setting in, boolean ours) {
        Optional<String> name = line.until("at", "before", "across", "with");
        if (name.isEmpty()) {
            return Reading.unclear("say.mark");
        }
        line.separators();
        Mark mark = new Mark(name.get(), Optional.empty(), Optional.empty(), Optional.empty(), 0, Optional.empty(), ours);
        int before = line.mark();
        while (!line.end() && !line.next("before")) {
            Optional<Mark> more = more(line, mark);
            if (more.isEmpty()) {
                return Reading.unclear("say.unused", "words", line.clauseHere());
            }
            mark = more.get();
            line.separators();
            if (line.mark() == before) {
                return Reading.unclear("say.unused", "words", line.clauseHere());
            }
            before = line.mark();
        }
        Optional<Joint> joint = Optional.empty();
        if (line.take("before")) {
            Names.Match<Joint> named = in.words().joints().takeClause(line);
            if (!named.plain()) {
                return Reading.unclear("say.joint", "words", line.clauseHere());
            }
            joint = Optional.of(named.things().getFirst());
        }
        Said said = mark.said();
        return Reading.understood(joint.map(j -> Said.of("say.reads.mark.before", "mark", said, "joint", j.name())).orElse(said), new JointIntent.Mark(mark, joint.map(Joint::id)));
    }

    /// One more thing that is said of a mark.
    private static Optional<Mark> more(Cursor line, Mark m) {
        if (m.other().isEmpty() && line.take("across")) {
            line.takeOne(List.of("to", "the"));
            return line.until("at", "before", "with").map(o -> new Mark(m.name(), Optional.of(o), m.at(), m.otherAt(), m.strokes(), m.medium(), m.ours()));
        }
        if (m.at().isEmpty() && line.take("at")) {
            return line.position().map(at -> new Mark(m.name(), m.other(), Optional.of(at), line.take("and") ? line.position() : Optional.empty(), m.strokes(), m.medium(), m.ours()));
        }
        int start = line.mark();
        Optional<Integer> strokes = m.strokes() > 0 ? Optional.empty() : line.count().filter(n -> n <= Mark.MOST_STROKES && line.takeOne(List.of("strokes", "stroke", "dots", "dot", "lines", "line")).isPresent());
        if (strokes.isPresent()) {
            return Optional.of(new Mark(m.name(), m.other(), m.at(), m.otherAt(), strokes.get(), m.medium(), m.ours()));
        }
        line.reset(start);
        line.take("with");
        return m.medium().isPresent() ? Optional.empty() : line.until("before", "at").map(w -> new Mark(m.name(), m.other(), m.at(), m.otherAt(), m.strokes(), Optional.of(w), m.ours()));
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.OPEN ? Stream.concat(in.world().instrument().references().stream().map(r -> "mark " + r.id().replace('-', ' ') + " at "),
                Stream.of("mark ", "mark mount across barrel, 2 strokes, at ", "old mark ")).toList() : List.of();
    }
}
