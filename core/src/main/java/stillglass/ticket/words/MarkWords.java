package stillglass.ticket.words;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Stage;

/// References and marks: `mark infinity 12`, `mark mount at 2:30, ink on tape`, `mark mount at 2:30 before mount screws`.
final class MarkWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        if (!line.take("mark") && !line.take("marked")) {
            return Optional.empty();
        }
        line.take("the");
        int start = line.mark();
        Names.Match<Instrument.Reference> reference = in.words().references().take(line);
        if (reference.plain()) {
            line.take("at");
            Optional<ClockPosition> at = line.position();
            line.separators();
            Optional<String> medium = line.clause();
            Instrument.Reference r = reference.things().getFirst();
            return Optional.of(Reading.understood(said(r.name(), at, medium), new JointIntent.KeepReference(r.id(), medium.orElse("marked"), at)));
        }
        line.reset(start);
        return Optional.of(spot(line, in));
    }

    private static Reading spot(Cursor line, Setting in) {
        Optional<String> name = line.until("at", "before");
        if (name.isEmpty()) {
            return Reading.unclear("say.mark");
        }
        Optional<ClockPosition> at = line.take("at") ? line.position() : Optional.empty();
        line.separators();
        Optional<String> medium = line.next("before") ? Optional.empty() : line.until("before");
        line.separators();
        Optional<Joint> before = Optional.empty();
        if (line.take("before")) {
            Names.Match<Joint> joint = in.words().joints().takeClause(line);
            if (!joint.plain()) {
                return Reading.unclear("say.joint", "words", line.clauseHere());
            }
            before = Optional.of(joint.things().getFirst());
        }
        Said mark = said(name.get(), at, medium);
        return Reading.understood(before.map(j -> Said.of("say.reads.mark.before", "mark", mark, "joint", j.name())).orElse(mark),
                new JointIntent.Mark(name.get(), at, medium, before.map(Joint::id)));
    }

    private static Said said(String name, Optional<ClockPosition> at, Optional<String> medium) {
        Said mark = at.map(a -> Said.of("say.reads.mark.at", "name", name, "at", a.toString())).orElse(Said.of("say.reads.mark", "name", name));
        return medium.map(m -> Said.of("say.reads.mark.medium", "mark", mark, "medium", m)).orElse(mark);
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.OPEN ? Stream.concat(in.world().instrument().references().stream().map(r -> "mark " + r.id().replace('-', ' ') + " at "), Stream.of("mark "))
                .toList() : List.of();
    }
}
