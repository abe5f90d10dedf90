package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Hearing;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.Occurrence;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;

/// Facts of the joint in hand, one after another with commas: noted while opening, stated while closing.
final class FactWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        if (in.joint().isEmpty()) {
            // Understood or not, there is nothing it could be about; a screw that names its hole says so itself.
            List<Fact> facts = heard(line, in.hearing(Optional.empty()));
            return facts.isEmpty() ? Optional.empty() : Optional.of(understood(facts, in, Optional.empty(), List.of(), Optional.empty()));
        }
        List<Fact> facts = heard(line, in.hearing(in.joint()));
        return facts.isEmpty() ? Optional.empty() : Optional.of(understood(facts, in, in.joint(), List.of(), Optional.empty()));
    }

    /// Everything that is heard up to the end, or to a word no fact begins with.
    private static List<Fact> heard(Cursor line, Hearing in) {
        List<Fact> facts = new ArrayList<>();
        int before = line.mark();
        line.separators();
        List<Fact> next = FactKinds.hear(line, in);
        while (!next.isEmpty()) {
            facts.addAll(next);
            before = line.mark();
            line.separators();
            if (!line.take("and")) {
                line.take("then");
            }
            // Screws named one after another must not get the same holes.
            List<Fact> noted = new ArrayList<>(in.noted());
            noted.addAll(facts);
            List<Fact> waiting = in.waiting().stream().filter(w -> facts.stream().noneMatch(f -> f.about().equals(w.about()) && f.single())).toList();
            next = FactKinds.hear(line, new Hearing(in.instrument(), in.parts(), in.joint(), noted, waiting, in.closing(), in.part()));
        }
        line.reset(before);
        return facts;
    }

    /// Facts of one joint, named in the line or not.
    static Reading facts(Cursor line, Setting in, Joint joint) {
        List<Fact> facts = heard(line, in.hearing(Optional.of(joint)));
        return facts.isEmpty() ? nothing(line) : understood(facts, in, Optional.of(joint), List.of(), Optional.empty());
    }

    private static Reading nothing(Cursor line) {
        return new Reading.Unclear(line.objection().orElse(line.end() ? Said.of("say.facts") : Said.of("say.unused", "words", line.clauseHere())), List.of());
    }

    /// Something that is done to a joint, and the facts that follow it in the line, if any.
    static Reading then(Cursor line, Setting in, Optional<Joint> joint, List<Intent> first, Said done) {
        return then(line, in, joint, first, done, Optional.empty());
    }

    /// @param part what the line has named
    static Reading then(Cursor line, Setting in, Optional<Joint> joint, List<Intent> first, Said done, Optional<Part> part) {
        Hearing hearing = in.hearing(joint);
        List<Fact> facts = heard(line, part.map(hearing::of).orElse(hearing));
        return facts.isEmpty() ? new Reading.Understood(new Act(first), done) : understood(facts, in, joint, first, Optional.of(done));
    }

    private static Reading understood(List<Fact> facts, Setting in, Optional<Joint> joint, List<Intent> first, Optional<Said> done) {
        Map<Joint, List<Fact>> byJoint = new LinkedHashMap<>();
        for (Fact f : facts) {
            Optional<Joint> home = home(f, joint, in.world().instrument());
            if (home.isEmpty()) {
                return Reading.unclear("say.no-joint");
            }
            byJoint.computeIfAbsent(home.get(), j -> new ArrayList<>()).add(f);
        }
        List<Intent> intents = new ArrayList<>(first);
        List<Said> said = new ArrayList<>();
        byJoint.forEach((j, some) -> {
            boolean stating = in.closing() && in.state().joints().story(j.id()).open();
            said.add(Said.of(stating ? "say.reads.seen" : "say.reads.facts", "joint", j.name(), "facts", FactKinds.said(some)));
            intents.addAll(stating ? stated(j, some) : noted(j, some, in));
        });
        Said all = said.size() == 1 ? said.getFirst() : Said.dots(said);
        return new Reading.Understood(new Act(intents), done.map(d -> Said.of("say.reads.done", "done", d, "facts", FactKinds.said(facts))).orElse(all));
    }

    /// A screw in a named hole, and a part that lay one way round, belong to the joint that has them, whatever is in hand.
    private static Optional<Joint> home(Fact fact, Optional<Joint> inHand, Instrument instrument) {
        return switch (fact) {
            case Screw s -> inHand.filter(j -> has(j, s.cell())).or(() -> instrument.joints().stream().filter(j -> has(j, s.cell())).findFirst()).or(() -> inHand);
            case Facing f -> inHand.filter(j -> frees(j, f.part(), instrument)).or(() -> instrument.joints().stream().filter(j -> frees(j, f.part(), instrument)).findFirst()).or(() -> inHand);
            default -> inHand;
        };
    }

    private static boolean has(Joint j, String cell) {
        return j.hold() instanceof Hold.Screws s && s.holes().stream().anyMatch(h -> h.cell().equals(cell));
    }

    private static boolean frees(Joint j, String part, Instrument instrument) {
        return j.frees().stream().anyMatch(p -> p.equals(part) || instrument.part(p).flatMap(Part::element).filter(part::equals).isPresent());
    }

    private static List<Intent> noted(Joint j, List<Fact> facts, Setting in) {
        List<Intent> intents = new ArrayList<>();
        intents.add(new JointIntent.Note(j.id(), facts));
        for (Fact f : facts) {
            f.waits(j.name()).ifPresent(w -> intents.add(new CareEvent.TimerSet("soak-" + j.id(), w.label(), in.now().plusSeconds(Math.round(w.minutes() * 60)))));
        }
        return intents;
    }

    private static List<Intent> stated(Joint j, List<Fact> facts) {
        return facts.stream().map(f -> f.again() == Fact.Again.RECALLED || f.again() == Fact.Again.LOGGED ? (Intent) new JointIntent.Note(j.id(), List.of(f)) : new JointIntent.State(j.id(), f)).toList();
    }

    /// The fact stands instead of the last of its kind on record.
    static Reading correct(Cursor line, Setting in, Joint joint) {
        List<Fact> facts = heard(line, in.anew(joint));
        if (facts.isEmpty()) {
            return nothing(line);
        }
        JointStory story = in.state().joints().story(joint.id());
        List<Intent> intents = new ArrayList<>();
        for (Fact f : facts) {
            Optional<Occurrence> was = story.noted().reversed().stream().filter(o -> o.fact().about().equals(f.about())).findFirst()
                    .or(() -> story.noted().reversed().stream().filter(o -> o.fact().getClass() == f.getClass()).findFirst());
            if (was.isEmpty()) {
                return Reading.unclear("say.correct.none", "joint", joint.name(), "fact", f.said());
            }
            intents.add(new JointIntent.Correct(joint.id(), was.get().seq(), f));
        }
        return new Reading.Understood(new Act(intents), Said.of("say.reads.correct", "joint", joint.name(), "facts", FactKinds.said(facts)));
    }

    /// The fact does not hold any more.
    static Reading withdraw(Cursor line, Setting in, Joint joint) {
        List<Fact> facts = heard(line, in.anew(joint));
        if (facts.isEmpty()) {
            return nothing(line);
        }
        JointStory story = in.state().joints().story(joint.id());
        List<Intent> intents = new ArrayList<>();
        for (Fact f : facts) {
            Optional<Occurrence> was = story.noted().reversed().stream().filter(o -> o.fact().equals(f)).findFirst();
            if (was.isEmpty()) {
                return Reading.unclear("say.correct.none", "joint", joint.name(), "fact", f.said());
            }
            intents.add(new JointIntent.Withdraw(joint.id(), was.get().seq()));
        }
        return new Reading.Understood(new Act(intents), Said.of("say.reads.withdraw", "joint", joint.name(), "facts", FactKinds.said(facts)));
    }

    @Override
    public List<String> examples(Setting in) {
        List<String> all = new ArrayList<>(in.joint().map(FactKinds::examples).orElse(List.of("3 screws rear, slot, 4.2 mm", "E1 out, front up, 12 o'clock", "turns 3.5")));
        all.addAll(List.of("ball 1.0", "shim .05 .10", "proud 0.3", "lets go 4 o'clock", "stuck, naphtha, wait 10m", "note ", "collar 2:30", "back 15°", "preload 1.5 turns",
                "move cam to 4 o'clock", "spring ", "damaged ", "earlier ", "found loose"));
        return all;
    }
}
