package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.assembly.Build;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.joints.Expected;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
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
            return Optional.of(in.state().course().build(in.world()).flatMap(b -> in.expected().map(n -> met(line, in, new Expected(b, in.world().seen()), n))).orElse(Reading.unclear("expect.none")));
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

    /// It is there as it was expected: `as expected`, `as expected with mount shims`, `as expected and mount` for two that came together.
    private static Reading met(Cursor line, Setting in, Expected all, Expected.Next n) {
        List<Expected.Next> others = all.next(in.state().joints(), Set.copyOf(in.state().course().notThere()));
        List<Part> also = new ArrayList<>();
        List<Expected.Next> together = new ArrayList<>(List.of(n));
        while (line.take("with") || line.take("and") || line.take(",") || line.take("then")) {
            Optional<Part> part = together.stream().flatMap(t -> all.maybe(t.joint()).keySet().stream()).filter(p -> line.take(p.name())).findFirst();
            Optional<Expected.Next> other = part.isPresent() ? Optional.empty() : reached(all, others, together).filter(o -> line.take(o.joint().name())).findFirst();
            part.ifPresent(also::add);
            other.ifPresent(together::add);
            if (part.isEmpty() && other.isEmpty()) {
                return Reading.unclear("expect.with", "words", line.clauseHere(), "joint", n.joint().name());
            }
        }
        boolean anyway = Anyway.take(line).isPresent();
        Optional<Expected.Next> unmarked = together.stream().filter(t -> !t.marks().isEmpty() && !anyway).findFirst();
        if (unmarked.isPresent()) {
            return Reading.unclear("expect.mark", "joint", unmarked.get().joint().name(), "mark", unmarked.get().marks().getFirst().name());
        }
        List<Said> said = together.stream().map(t -> Said.of("say.reads.expected", "joint", t.joint().name(), "hold", t.joint().hold().said(), "side", t.joint().side().word())).toList();
        Said reads = said.size() == 1 ? said.getFirst() : Said.dots(said);
        return new Reading.Understood(new Act(together.stream().map(t -> (Intent) all.met(t.joint(), also)).toList()),
                also.isEmpty() ? reads : Said.of("say.reads.expected.with", "joint", reads, "parts", Said.and(also.stream().map(Part::name).toList())));
    }

    /// Joints that may come along: those that could be met now, and those that only wait for what has come.
    private static Stream<Expected.Next> reached(Expected all, List<Expected.Next> others, List<Expected.Next> together) {
        Set<String> open = together.stream().map(t -> t.joint().id()).collect(Collectors.toSet());
        Stream<Expected.Next> behind = all.build().expected().joints().stream().filter(j -> !open.contains(j.id()) && j.behind().all().stream().anyMatch(open::contains))
                .map(j -> new Expected.Next(j, all.chance(j), Optional.empty(), j.loses().stream().sorted().flatMap(r -> all.build().expected().reference(r).stream()).toList()));
        return Stream.concat(others.stream().filter(o -> !open.contains(o.joint().id())), behind);
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
