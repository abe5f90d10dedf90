package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Build;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.joints.Expected;
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
        if (line.take("build") || line.take("built like")) {
            line.take(":");
            return Optional.of(build(line.rest().orElse(""), in));
        }
        if (line.take("as expected")) {
            boolean anyway = Anyway.take(line).isPresent();
            return Optional.of(in.expected().map(n -> n.marks().isEmpty() || anyway ? met(in, n) : Reading.unclear("expect.mark", "joint", n.joint().name(), "mark", n.marks().getFirst().name())).orElse(Reading.unclear("expect.none")));
        }
        if (line.take("not there")) {
            return Optional.of(in.expected().map(n -> Reading.understood(Said.of("say.reads.not-there", "joint", n.joint().name()), new CourseIntent.MissExpected(n.joint().id()))).orElse(Reading.unclear("expect.none")));
        }
        if (line.take("finish")) {
            Optional<String> stage = line.takeOne(Arrays.stream(Stage.values()).map(s -> s.name().toLowerCase(Locale.ROOT)).toList());
            Stage finished = stage.map(s -> Stage.valueOf(s.toUpperCase(Locale.ROOT))).orElse(in.stage());
            Optional<String> why = Anyway.take(line);
            return Optional.of(Reading.understood(Said.of("say.reads.finish", "stage", finished.word()), new CourseIntent.FinishStage(finished, why)));
        }
        return Optional.empty();
    }

    private static Reading build(String words, Setting in) {
        List<Build> fits = in.world().builds().stream().filter(b -> b.id().equalsIgnoreCase(words.replace(' ', '-')) || b.name().toLowerCase(Locale.ROOT).contains(words.toLowerCase(Locale.ROOT))).toList();
        List<String> all = Build.of(in.world().builds(), in.world().instrument().sort()).stream().map(Build::name).toList();
        return words.isBlank() || fits.isEmpty() ? Reading.unclear("say.build", "words", words, "all", Said.or(all.isEmpty() ? in.world().builds().stream().map(Build::name).toList() : all))
                : fits.size() > 1 ? Reading.unclear("say.which", "words", words, "all", fits.stream().map(Build::name).toList())
                : Reading.understood(Said.of("say.reads.build", "build", fits.getFirst().name()), new CourseIntent.ChooseBuild(fits.getFirst().id()));
    }

    /// It is there as it was expected.
    private static Reading met(Setting in, Expected.Next n) {
        Joint j = n.joint();
        return in.state().course().build(in.world()).map(b -> Reading.understood(Said.of("say.reads.expected", "joint", j.name(), "hold", j.hold().said(), "side", j.side().word()),
                new Expected(b, in.world().seen()).met(j))).orElse(Reading.unclear("expect.none"));
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
