package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.plan.WayBack;
import stillglass.say.Said;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;

/// What is done to joints, by a word that says so: `off name ring, thread, front`, `trying retainer`, `done`, `set`, `reopen mount`, `put back key for now`, `for mount screws: …`.
final class JointWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        return bare(line, in).or(() -> found(line, in)).or(() -> again(line, in)).or(() -> about(line, in)).or(() -> grease(line, in));
    }

    /// Words that mean the joint in hand when they stand alone.
    private static Optional<Reading> bare(Cursor line, Setting in) {
        int start = line.mark();
        if (in.closing() && (line.take("set") || line.take("it is set")) && line.end()) {
            return Optional.of(inHand(in, j -> Reading.understood(Said.of("say.reads.set", "controls", j.close().setFirst().orElse("")), new JointIntent.SetControls(j.id()))));
        }
        line.reset(start);
        if (in.closing() && line.takeOne(List.of("done", "zeroed", "tight", "tightened")).isPresent() && line.end()) {
            Optional<Reading> step = WayBack.next(in.world().instrument(), in.state().joints().standing()).flatMap(JointWords::otherThanClosing);
            if (step.isPresent()) {
                return step;
            }
        }
        line.reset(start);
        if (line.takeOne(List.of("done", "off", "closed", "it is off", "it is home")).isPresent()) {
            boolean loose = line.take("loose") || line.take(", loose") || line.take(", left loose");
            Optional<String> anyway = Anyway.take(line);
            if (line.end()) {
                return Optional.of(inHand(in, j -> in.closing() ? close(j, loose, anyway) : open(j, anyway.isPresent())));
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    /// What comes next in a rebuild besides closing: it is done as it is named.
    private static Optional<Reading> otherThanClosing(WayBack.Step step) {
        String joint = step.joint().name();
        return switch (step) {
            case WayBack.Step.Close c -> Optional.empty();
            case WayBack.Step.LeaveLoose l -> Optional.empty();
            case WayBack.Step.Tighten t -> Optional.of(Reading.understood(Said.of("say.reads.tight", "joint", joint), Closings.intent(step)));
            case WayBack.Step.Refit r -> Optional.of(Reading.understood(Said.of("say.reads.refit", "joint", joint), Closings.intent(step)));
            case WayBack.Step.TakeOff t -> Optional.of(Reading.understood(Said.of("say.reads.take-off", "joint", joint), Closings.intent(step)));
            case WayBack.Step.Zero z -> Optional.of(Reading.understood(Said.of("say.reads.zeroed", "joint", joint), Closings.intent(step)));
        };
    }

    static Reading open(Joint j, boolean anyway) {
        return Reading.understood(Said.of(anyway ? "say.reads.open.anyway" : "say.reads.open", "joint", j.name()), new JointIntent.Open(j.id(), anyway));
    }

    static Reading close(Joint j, boolean loose, Optional<String> anyway) {
        Said reads = Said.of(loose ? "say.reads.close.loose" : "say.reads.close", "joint", j.name());
        return Reading.understood(anyway.map(why -> Said.of("say.reads.anyway", "act", reads)).orElse(reads),
                new JointIntent.Close(j.id(), loose, anyway.map(w -> w.isBlank() ? "anyway" : w)));
    }

    private static Reading inHand(Setting in, Function<Joint, Reading> then) {
        return in.joint().map(then).orElse(Reading.unclear("say.no-joint"));
    }

    /// Something that came off or is in hand, on the map or not.
    private static Optional<Reading> found(Cursor line, Setting in) {
        boolean trying = line.take("trying");
        if (!trying && (in.closing() || !line.take("off"))) {
            return Optional.empty();
        }
        int start = line.mark();
        Names.Match<Joint> known = in.words().joints().take(line);
        if (!line.clauseEnds() && !line.next("anyway")) {
            // "Name ring two" is not the name ring.
            known = new Names.Match<>(List.of(), 0);
            line.reset(start);
        }
        if (known.things().size() > 1) {
            return Optional.of(Reading.unclear("say.which", "words", line.clauseHere(), "all", known.things().stream().map(Joint::name).toList()));
        }
        if (known.plain()) {
            Joint j = known.things().getFirst();
            Optional<String> anyway = Anyway.take(line);
            if (trying) {
                return Optional.of(Reading.understood(Said.of("say.reads.trying", "joint", j.name()), new JointIntent.Try(j.id())));
            }
            passAgreed(line, j);
            return Optional.of(FactWords.then(line, in, Optional.of(j), List.of(new JointIntent.Open(j.id(), anyway.isPresent())), Said.of("say.reads.open", "joint", j.name())));
        }
        Optional<String> name = line.until("anyway");
        if (name.isEmpty()) {
            return Optional.of(Reading.unclear("find.name"));
        }
        return Optional.of(described(line, name.get().replaceFirst("(?i)^(a|an|the)\\s+", ""), !trying));
    }

    /// Passes over how a known joint holds, from where it is reached and with what, as far as that is what is on record.
    private static void passAgreed(Cursor line, Joint j) {
        Set<String> known = Stream.of(j.hold() instanceof Hold.Noted n ? n.word() : j.hold().word().replace('-', ' '), j.side().word(), j.tool())
                .filter(w -> !w.isBlank()).map(w -> w.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        int agreed = line.mark();
        line.separators();
        while (line.clause().filter(c -> known.contains(c.toLowerCase(Locale.ROOT).replace('-', ' '))).isPresent()) {
            agreed = line.mark();
            line.separators();
        }
        line.reset(agreed);
    }

    /// How something on no map holds, from where it is reached, with what: in any order, the first word that is no side for the hold, the next for the tool.
    private static Reading described(Cursor line, String name, boolean off) {
        Optional<Side> side = Optional.empty();
        List<String> words = new ArrayList<>();
        line.separators();
        while (!line.end()) {
            String piece = line.clause().orElse("");
            Optional<Side> named = Arrays.stream(Side.values()).filter(s -> s != Side.UNKNOWN && s.word().equalsIgnoreCase(piece)).findFirst();
            if (named.isPresent() && side.isEmpty()) {
                side = named;
            } else {
                words.add(piece);
            }
            line.separators();
        }
        if (words.size() > 2) {
            return Reading.unclear("say.unused", "words", String.join(", ", words.subList(2, words.size())));
        }
        Optional<String> hold = words.stream().findFirst();
        Optional<String> tool = words.stream().skip(1).findFirst();
        List<Object> said = new ArrayList<>();
        hold.ifPresent(said::add);
        side.ifPresent(s -> said.add(Said.of("fact.came-by.side", "side", s.word())));
        tool.ifPresent(said::add);
        Said how = said.isEmpty() ? Said.of("say.reads.found.how-unknown") : Said.commas(said);
        return Reading.understood(Said.of(off ? "say.reads.found" : "say.reads.found.trying", "name", name, "how", how),
                new JointIntent.Find(name, hold, side.orElse(Side.UNKNOWN), tool, List.of(), off));
    }

    /// Open once more, put back for a moment, take off again.
    private static Optional<Reading> again(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("reopen") || line.take("open again")) {
            return Optional.of(named(line, in, j -> Reading.understood(Said.of("say.reads.reopen", "joint", j.name()), new JointIntent.Open(j.id(), Anyway.take(line).isPresent()))));
        }
        if (line.take("put back") || line.take("refit")) {
            Reading reading = named(line, in, j -> {
                if (!line.take("for now") && !line.take("for a moment")) {
                    return Reading.unclear("say.for-now", "joint", j.name());
                }
                return Reading.understood(Said.of("say.reads.refit", "joint", j.name()), new JointIntent.Refit(j.id(), Optional.empty()));
            });
            return Optional.of(reading);
        }
        if (line.take("take")) {
            Names.Match<Joint> joint = in.words().joints().take(line);
            if (joint.plain() && line.take("off again")) {
                return Optional.of(Reading.understood(Said.of("say.reads.take-off", "joint", joint.things().getFirst().name()), new JointIntent.TakeOff(joint.things().getFirst().id())));
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Reading named(Cursor line, Setting in, Function<Joint, Reading> then) {
        Names.Match<Joint> joint = in.words().joints().take(line);
        return joint.plain() ? then.apply(joint.things().getFirst())
                : joint.things().isEmpty() ? Reading.unclear("say.joint", "words", line.clauseHere())
                : Reading.unclear("say.which", "words", line.clauseHere(), "all", joint.things().stream().map(Joint::name).toList());
    }

    /// Facts about another joint than the one in hand, at any time.
    private static Optional<Reading> about(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("for")) {
            Names.Match<Joint> joint = in.words().joints().take(line);
            if (joint.plain() && (line.take(":") || line.take(","))) {
                return Optional.of(FactWords.facts(line, in, joint.things().getFirst()));
            }
            if (joint.things().isEmpty()) {
                return Optional.of(Reading.unclear("say.joint", "words", line.until(":").orElse("")));
            }
            if (joint.things().size() > 1) {
                return Optional.of(Reading.unclear("say.which", "words", "", "all", joint.things().stream().map(Joint::name).toList()));
            }
        }
        line.reset(start);
        if (line.take("seen")) {
            return Optional.of(inHand(in, j -> FactWords.facts(line, in, j)));
        }
        if (line.take("correct") || line.take("rather")) {
            line.take(":");
            return Optional.of(inHand(in, j -> FactWords.correct(line, in, j)));
        }
        if (line.take("withdraw") || line.take("forget")) {
            line.take(":");
            return Optional.of(inHand(in, j -> FactWords.withdraw(line, in, j)));
        }
        return Optional.empty();
    }

    /// `greased`, `greased 120 mg light damping grease`, `greased with machine grease`.
    private static Optional<Reading> grease(Cursor line, Setting in) {
        if (!line.take("greased")) {
            return Optional.empty();
        }
        line.separators();
        int before = line.mark();
        Optional<Double> mg = line.number();
        if (mg.isPresent() && !line.take("mg")) {
            line.reset(before);
            mg = Optional.empty();
        }
        line.separators();
        if (!line.take("with")) {
            line.take("of");
        }
        String which = line.rest().orElse("");
        Optional<Double> dose = mg;
        return Optional.of(which.isEmpty() ? Reading.unclear("grease.which")
                : inHand(in, j -> new Reading.Understood(Act.of((Intent) new JointIntent.Grease(j.id(), dose, which)),
                        dose.map(d -> Said.of("say.reads.greased.dose", "joint", j.name(), "mg", d, "grease", which)).orElse(Said.of("say.reads.greased", "joint", j.name(), "grease", which)))));
    }

    @Override
    public List<String> examples(Setting in) {
        List<String> all = new ArrayList<>();
        if (in.closing()) {
            all.addAll(List.of("done", "set", "greased ", "reopen "));
        } else {
            all.addAll(List.of("done", "off name ring, thread, front", "trying "));
        }
        all.add("for ");
        return all;
    }
}
