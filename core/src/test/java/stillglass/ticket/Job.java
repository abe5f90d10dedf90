package stillglass.ticket;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.assembly.Instruments;
import stillglass.care.CareTables;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.say.Wording;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.LearnedMap;
import stillglass.ticket.joints.Lesson;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Who;
import stillglass.ticket.story.World;
import stillglass.ticket.words.InHand;
import stillglass.ticket.words.Reading;
import stillglass.ticket.words.SayLine;
import stillglass.ticket.words.Setting;
import stillglass.ticket.words.Vocabulary;

/// A ticket told act by act, as the book would keep it.
public final class Job {
    public static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");
    public static final CareTables CARE = new CareTables(
            List.of(new CareTables.Agent("water", "water", Map.of(), Map.of(), "", 1, false)), List.of(new CareTables.Soil("haze", "haze", Map.of("water", 0.5))), List.of());

    /// Spirit and soap, which brass bears.
    public static final CareTables BATHS = new CareTables(List.of(new CareTables.Agent("naphtha", "naphtha", Map.of(Material.BRASS, CareTables.Bears.FINE), Map.of(), "", 25, true),
            new CareTables.Agent("soap", "soap", Map.of(Material.BRASS, CareTables.Bears.FINE), Map.of(), "", 8, false)), List.of(), List.of());

    private final Instrument base;
    private final Optional<LensSection> section;
    private Who who = Who.alone("bench 1");
    private Story story = Story.NONE;
    private Stage stage = Stage.OPEN;
    private Duration later = Duration.ZERO;

    private Job(Instrument base, Optional<LensSection> section) {
        this.base = base;
        this.section = section;
    }

    /// On the small instrument of the tests, of which everything is known.
    public static Job begun() {
        return on(Instruments.small(), Optional.of(Lenses.triplet()));
    }

    public static Job on(Instrument instrument, Optional<LensSection> section) {
        return on(instrument, section, "T-1", LocalDate.of(2026, 12, 4));
    }

    public static Job on(Instrument instrument, Optional<LensSection> section, String number, LocalDate due) {
        Job job = new Job(instrument, section);
        job.accept(new ArrivalIntent.Begin(new Tag(number, instrument.name(), instrument.id(), instrument.sort(), instrument.sectionId(), Optional.of("School club"), Optional.of(due))));
        return job;
    }

    /// On something of which nothing is known.
    public static Job unknown() {
        return on(Instrument.unknown("own-brook-35", "Brook 35 mm f/2.8", Instrument.Sort.LENS), Optional.empty());
    }

    public TicketState state() {
        return story.state();
    }

    public Story story() {
        return story;
    }

    /// What is done next is done this long after what was done last, beyond the second every row takes.
    public Job later(Duration by) {
        later = later.plus(by);
        return this;
    }

    public List<Recorded> rows() {
        return story.rows();
    }

    public World world() {
        return world(state());
    }

    /// What is known of the model, in a shop that has these agents.
    public World worldWith(CareTables care) {
        World w = world();
        return new World(w.instrument(), w.section(), care, w.builds(), w.seen());
    }

    private World world(TicketState s) {
        return new World(LearnedMap.of(base, List.of(Lesson.of(s.joints()))), section, CARE);
    }

    public Decision decide(Act act) {
        return Deciding.decide(state(), act, who, this::world);
    }

    /// Decides as one act and keeps it, if it was accepted.
    public Decision tell(Intent... intents) {
        return tell(Act.of(intents));
    }

    public Decision tell(Act act) {
        Decision d = decide(act);
        if (d instanceof Decision.Accepted a) {
            List<Recorded> rows = new ArrayList<>();
            long seq = state().history().version();
            for (Event e : a.events()) {
                rows.add(new Recorded(++seq, state().history().nextAct(), who.author(), who.bench(), NOON.plusSeconds(seq).plus(later), e));
            }
            story = story.and(rows);
        }
        return d;
    }

    /// Every intent an act of its own.
    public Job accept(Intent... intents) {
        for (Intent i : intents) {
            if (tell(i) instanceof Decision.Refused r) {
                throw new AssertionError(i + " was refused: " + Wording.core().say(r.why()));
            }
        }
        return this;
    }

    public String refusal(Intent... intents) {
        return switch (decide(Act.of(intents))) {
            case Decision.Refused r -> Wording.core().sentence(r.why());
            case Decision.Accepted a -> throw new AssertionError(List.of(intents) + " was accepted: " + a.events());
        };
    }

    /// From now on another bench acts, and knows of the others.
    public Job at(String bench, String... others) {
        who = new Who("", bench, Set.of(others));
        return this;
    }

    public Job stage(Stage shown) {
        stage = shown;
        return this;
    }

    public Setting setting() {
        World world = world();
        return new Setting(state(), world, Vocabulary.of(world.instrument()), stage, InHand.of(state(), world, stage, Optional.empty()), Optional.empty(), NOON.plus(later));
    }

    public Reading read(String line) {
        return SayLine.read(line, setting());
    }

    /// Types lines, every one of which must be understood and taken.
    public Job say(String... lines) {
        for (String line : lines) {
            Reading reading = read(line);
            if (!(reading instanceof Reading.Understood u)) {
                throw new AssertionError("“" + line + "” was not understood: " + (reading instanceof Reading.Unclear x ? Wording.core().say(x.why()) : reading));
            }
            if (tell(u.act()) instanceof Decision.Refused r) {
                throw new AssertionError("“" + line + "” was refused: " + Wording.core().say(r.why()));
            }
        }
        return this;
    }

    /// What is answered to a line that is not understood, or refused.
    public String answer(String line) {
        return switch (read(line)) {
            case Reading.Unclear u -> Wording.core().sentence(u.why());
            case Reading.Understood u -> switch (decide(u.act())) {
                case Decision.Refused r -> Wording.core().sentence(r.why());
                case Decision.Accepted a -> throw new AssertionError("“" + line + "” was taken: " + a.events());
            };
            default -> throw new AssertionError("“" + line + "” was taken");
        };
    }

    public static JointIntent open(String joint) {
        return new JointIntent.Open(joint, false);
    }

    public static JointIntent anyway(String joint) {
        return new JointIntent.Open(joint, true);
    }

    public static JointIntent close(String joint) {
        return new JointIntent.Close(joint, false, Optional.empty());
    }

    public static JointIntent note(String joint, Fact... facts) {
        return new JointIntent.Note(joint, List.of(facts));
    }

    public static JointIntent see(String joint, Fact fact) {
        return new JointIntent.State(joint, fact);
    }

    public static JointIntent keep(String reference) {
        return new JointIntent.KeepReference(reference, "ink", Optional.of(ClockPosition.of(0)));
    }

    public static JointIntent grease(String joint) {
        return new JointIntent.Grease(joint, Optional.of(120.0), "light");
    }

    public static JointIntent passed(String joint, String function) {
        return new JointIntent.Test(Optional.of(joint), function, true, "");
    }

    public static JointIntent failed(String joint, String function, String how) {
        return new JointIntent.Test(Optional.of(joint), function, false, how);
    }

    /// The helicoid out: everything over it off, its references marked.
    public Job toTheHelicoid() {
        return accept(keep("mount-clock"), keep("entry"), open("ring-thread"), open("mount-screws"), open("helicoid-thread"));
    }

    /// And home again, set and greased.
    public Job helicoidHome() {
        return accept(new JointIntent.SetControls("helicoid-thread"), grease("helicoid-thread"), close("helicoid-thread"));
    }
}
