package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Stage;

/// Where the job is to go: `reach E2, helicoid`, `reach test iris`, `finish open`.
final class CourseWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        if (line.take("reach")) {
            return Optional.of(reach(line, in));
        }
        if (line.take("finish")) {
            Optional<String> stage = line.takeOne(Arrays.stream(Stage.values()).map(s -> s.name().toLowerCase(Locale.ROOT)).toList());
            Stage finished = stage.map(s -> Stage.valueOf(s.toUpperCase(Locale.ROOT))).orElse(in.stage());
            Optional<String> why = Anyway.take(line);
            return Optional.of(Reading.understood(Said.of("say.reads.finish", "stage", finished.word()), new CourseIntent.FinishStage(finished, why)));
        }
        return Optional.empty();
    }

    private static Reading reach(Cursor line, Setting in) {
        List<String> goals = new ArrayList<>();
        List<String> names = new ArrayList<>();
        while (!line.end()) {
            Names.Match<Part> part = in.words().parts().takeClause(line);
            if (part.things().size() > 1) {
                return Reading.unclear("say.which", "words", line.clauseHere(), "all", part.things().stream().map(Part::name).toList());
            }
            Optional<String> other = part.plain() ? Optional.empty() : in.words().joints().takeClause(line).things().stream().map(Joint::id).findFirst().or(line::clause);
            goals.add(part.plain() ? part.things().getFirst().id() : other.orElse(""));
            names.add(part.plain() ? part.things().getFirst().name() : other.orElse(""));
            line.separators();
        }
        return goals.isEmpty() ? Reading.unclear("say.reach") : Reading.understood(Said.of("say.reads.reach", "goals", Said.and(names)), new CourseIntent.ChooseGoals(goals));
    }

    @Override
    public List<String> examples(Setting in) {
        List<String> all = new ArrayList<>();
        if (in.stage() == Stage.DECIDE || in.stage() == Stage.OPEN) {
            in.world().instrument().parts().forEach(p -> all.add("reach " + p.id().replace('_', ' ')));
            in.world().instrument().joints().stream().flatMap(j -> j.close().test().stream()).forEach(t -> all.add("reach test " + t.what().toLowerCase(Locale.ROOT)));
        }
        all.add("finish " + in.stage().name().toLowerCase(Locale.ROOT));
        return all;
    }
}
