package stillglass.book.say;

import java.time.InstantSource;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.BookWords;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.look.Progress;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.say.Said;
import stillglass.say.Wording;
import stillglass.ticket.Card;
import stillglass.ticket.Story;
import stillglass.ticket.Pending;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.Inferred;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Rework;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;
import stillglass.ticket.words.InHand;
import stillglass.ticket.words.Next;
import stillglass.ticket.words.Reading;
import stillglass.ticket.words.SayLine;
import stillglass.ticket.words.Setting;
import stillglass.ticket.words.Vocabulary;

/// Bench shorthand for other hands than the window's: the same grammar, the same decisions, the same book.
public final class SaySession {
    private static final int MOST_PARTS = 200;

    private final Tickets tickets;
    private final Shelf shelf;
    private final InstantSource clock;
    private Tickets.Ticket ticket = new Tickets.Ticket("", Story.NONE, new Logbook.Lessons(List.of(), Optional.empty()), Optional.empty());
    private Stage stage = Stage.ARRIVE;
    /// Kept from line to line: made once for an instrument.
    private Optional<Vocabulary> vocabulary = Optional.empty();
    private Optional<Planned> planned = Optional.empty();

    /// Whether a line was taken.
    public enum Status {
        KEPT,
        /// Decided against; nothing was recorded.
        REFUSED,
        /// Not understood whole; nothing was recorded.
        UNCLEAR;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /// What is said to a line.
    /// @param reads the line read back in full words
    /// @param why what stands against it, or was not understood
    /// @param asks what must be said before the joint in hand may be closed
    /// @param hints what follows from what was said of the joint in hand
    /// @param next what to do next
    /// @param off joints open now, in the order they came off
    /// @param open the ledger's count
    /// @param left the ledger's lines
    public record Answer(String line, String reads, Status status, String why, List<String> asks, List<String> hints, String next, List<String> off, int open, List<String> left) {
        public Answer {
            asks = List.copyOf(asks);
            hints = List.copyOf(hints);
            off = List.copyOf(off);
            left = List.copyOf(left);
        }
    }

    /// A way in, and for what it was planned.
    private record Planned(List<String> goals, Instrument instrument, WayIn.Plan plan) {}

    public SaySession(Tickets tickets, Shelf shelf, InstantSource clock) {
        this.tickets = tickets;
        this.shelf = shelf;
        this.clock = clock;
    }

    /// Opens a ticket at the stage where its work stands.
    /// @return whether there is one of that number
    public boolean open(String number) {
        Tickets.Ticket found = tickets.open(number);
        if (!found.state().tag().begun()) {
            return false;
        }
        ticket = found;
        stage = Card.of(found.state()).stage();
        return true;
    }

    /// Reads a line, decides it and keeps it.
    public Answer say(String line) {
        ticket = ticket.number().isEmpty() ? ticket : tickets.refreshed(ticket);
        World world = tickets.world(ticket);
        Setting setting = setting(world);
        return switch (SayLine.read(line, setting)) {
            case Reading.Unclear u -> answer(line, Said.text(""), Status.UNCLEAR, Optional.of(u.why()));
            case Reading.Begins b -> begin(line, b);
            case Reading.Goes g -> {
                stage = g.stage();
                yield answer(line, Said.of("say.reads.stage", "stage", g.stage().word()), Status.KEPT, Optional.empty());
            }
            case Reading.Asks a -> answer(line, switch (a.question()) {
                case LEDGER -> Pending.ledger(ticket.state(), world.instrument()).said();
                case NEXT -> whatNext(world);
            }, Status.KEPT, Optional.empty());
            case Reading.Understood u -> act(line, u);
        };
    }

    private Answer act(String line, Reading.Understood u) {
        if (ticket.number().isEmpty()) {
            return answer(line, u.reads(), Status.REFUSED, Optional.of(Said.of("ticket.none")));
        }
        Tickets.Outcome outcome = tickets.act(ticket, u.act(), List.of());
        ticket = outcome.ticket();
        if (outcome.decision() instanceof Decision.Refused r) {
            return answer(line, u.reads(), Status.REFUSED, Optional.of(r.why()));
        }
        boolean opens = u.act().intents().stream().anyMatch(i -> i instanceof JointIntent.Open || i instanceof JointIntent.Find || i instanceof JointIntent.Try);
        stage = opens && stage.ordinal() < Stage.OPEN.ordinal() ? Stage.OPEN : stage;
        return answer(line, u.reads(), Status.KEPT, Optional.empty());
    }

    private Answer begin(String line, Reading.Begins b) {
        if (b.sort().isEmpty() && Begun.ofShelf("", b.name(), shelf).isEmpty()) {
            return answer(line, Said.text(""), Status.UNCLEAR, Optional.of(Said.of("begin.model", "model", b.name())));
        }
        Tickets.Outcome outcome = tickets.beginNext(number -> Begun.act(tag(number, b), b.complaints()));
        Tag tag = outcome.ticket().state().tag();
        if (outcome.decision() instanceof Decision.Refused r) {
            return answer(line, Said.text(""), Status.REFUSED, Optional.of(r.why()));
        }
        ticket = outcome.ticket();
        stage = Stage.ARRIVE;
        return answer(line, Said.of("say.reads.begin", "number", tag.number(), "title", tag.title(), "sort", tag.sort().word()), Status.KEPT, Optional.empty());
    }

    private Tag tag(String number, Reading.Begins b) {
        return b.sort().map(sort -> Begun.byName(number, b.name(), sort)).or(() -> Begun.ofShelf(number, b.name(), shelf)).orElseThrow();
    }

    private Setting setting(World world) {
        if (vocabulary.filter(v -> v.instrument().equals(world.instrument())).isEmpty()) {
            vocabulary = Optional.of(Vocabulary.of(world.instrument()));
        }
        TicketState s = ticket.state();
        return new Setting(s, world, vocabulary.orElseThrow(), stage, InHand.of(s, world, stage, next(world)), Optional.empty(), clock.instant());
    }

    /// The joint that is next on the way in. As long as the plan is kept to, what is left of it stays the best.
    private Optional<Joint> next(World world) {
        TicketState s = ticket.state();
        if (stage != Stage.OPEN || s.course().goals().isEmpty()) {
            return Optional.empty();
        }
        boolean fits = planned.filter(p -> p.goals.equals(s.course().goals()) && p.instrument.equals(world.instrument())
                && s.joints().barred().stream().noneMatch(b -> p.plan.joints().stream().anyMatch(j -> j.id().equals(b)))).isPresent();
        if (!fits) {
            List<Goal> goals = s.course().goals().stream().map(g -> Goal.read(g, world.instrument(), world.section())).filter(Goal.Read.Known.class::isInstance)
                    .map(r -> ((Goal.Read.Known) r).goal()).toList();
            planned = WayIn.plan(new WayIn.Request(world.instrument(), goals, s.joints().openNow(), s.joints().references().keySet(), s.joints().barred(),
                    WayIn.Hand.after(world.instrument(), s.joints().order()), PlanCost.USUAL),
                    Progress.SILENT).map(p -> new Planned(s.course().goals(), world.instrument(), p));
        }
        return planned.flatMap(p -> p.plan.joints().stream().filter(j -> !s.joints().story(j.id()).open()).findFirst());
    }

    private Said whatNext(World world) {
        TicketState s = ticket.state();
        Optional<Rework> rework = stage == Stage.CLOSE ? Rework.of(s.joints(), world.instrument(), Progress.SILENT) : Optional.empty();
        return Next.of(s, world, stage, next(world), rework);
    }

    private Answer answer(String line, Said reads, Status status, Optional<Said> why) {
        World world = tickets.world(ticket);
        TicketState s = ticket.state();
        Ledger ledger = Pending.ledger(s, world.instrument());
        Wording words = BookWords.wording();
        Optional<Joint> planned = next(world);
        Optional<Joint> closing = stage == Stage.CLOSE ? InHand.of(s, world, stage, planned) : Optional.empty();
        List<String> asks = closing.map(j -> Closings.asks(s.joints(), j)).orElse(List.of()).stream().map(words::sentence).toList();
        List<String> hints = stage == Stage.OPEN ? InHand.of(s, world, stage, planned).map(j -> Inferred.of(j, s.joints(), world)).orElse(List.of()).stream().map(words::sentence).toList() : List.of();
        return new Answer(line, words.say(reads), status, why.map(words::sentence).orElse(""), asks, hints, words.sentence(whatNext(world)), List.copyOf(s.joints().openNow()), ledger.count(),
                ledger.lines(MOST_PARTS).stream().map(words::say).toList());
    }
}
