package stillglass.app.shell;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import javafx.application.Platform;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.book.say.Begun;
import stillglass.say.Said;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;
import stillglass.ticket.words.Next;
import stillglass.ticket.words.Reading;
import stillglass.ticket.words.SayLine;
import stillglass.ticket.words.Setting;
import stillglass.ticket.words.Vocabulary;

/// Reads typed lines in the setting that is shown, and carries them out.
final class TypedLines {
    private final Desk desk;
    private final Supplier<Optional<Work>> shown;
    private final Runnable begun;
    /// Kept from line to line: made once for an instrument.
    private Optional<Vocabulary> vocabulary = Optional.empty();

    /// @param shown ticket the lines are about; empty in the Book
    /// @param begun hears that a ticket was begun by a line
    TypedLines(Desk desk, Supplier<Optional<Work>> shown, Runnable begun) {
        this.desk = desk;
        this.shown = shown;
        this.begun = begun;
    }

    Reading read(String line) {
        return SayLine.read(line, shown.get().map(this::setting).orElseGet(this::nowhere));
    }

    private Setting setting(Work w) {
        Optional<String> finding = w.selection() instanceof Selection.OfFinding f ? Optional.of(f.id()) : Optional.empty();
        return new Setting(w.state(), w.world(), words(w.world()), w.stage(), w.inHand(), finding, desk.clock().instant());
    }

    private Setting nowhere() {
        World world = desk.nowhere();
        return new Setting(TicketState.NONE, world, words(world), Stage.ARRIVE, Optional.empty(), Optional.empty(), desk.clock().instant());
    }

    private Vocabulary words(World world) {
        if (vocabulary.filter(v -> v.instrument() == world.instrument() || v.instrument().equals(world.instrument())).isEmpty()) {
            vocabulary = Optional.of(Vocabulary.of(world.instrument()));
        }
        return vocabulary.orElseThrow();
    }

    /// How a line that begins a ticket is read back.
    static String begins(Reading.Begins b) {
        String what = b.sort().map(s -> s.word() + ", ").orElse("") + b.name();
        return b.complaints().isEmpty() ? Words.of("say.begins", what) : Words.of("say.begins.with", what, String.join(", ", b.complaints()));
    }

    /// Carries out what was understood.
    /// @return whether it was taken
    CompletableFuture<Boolean> accept(Reading reading) {
        return switch (reading) {
            case Reading.Understood u -> act(u);
            case Reading.Begins b -> begin(b);
            case Reading.Goes g -> go(g.stage());
            case Reading.Asks a -> ask(a.question());
            case Reading.Unclear u -> CompletableFuture.completedFuture(false);
        };
    }

    /// What came with another one, that one came with as well: only what is in the book can be named.
    private CompletableFuture<Boolean> together(String here, ArrivalEvent.CameWith other) {
        return desk.knows(other.ticket()).thenComposeAsync(known -> {
            if (!known) {
                return refused(Said.text(Words.of("say.with.none", other.ticket())));
            }
            return desk.submit(other).thenComposeAsync(d -> d instanceof Decision.Accepted ? desk.submit(other.ticket(), Act.of(new ArrivalEvent.CameWith(here)), List.of()).thenApply(o -> true) : CompletableFuture.completedFuture(false), Platform::runLater);
        }, Platform::runLater);
    }

    private CompletableFuture<Boolean> act(Reading.Understood u) {
        if (shown.get().isEmpty()) {
            return refused(Said.of("ticket.none"));
        }
        if (u.act().intents().getFirst() instanceof ArrivalEvent.CameWith other) {
            return together(shown.get().orElseThrow().state().tag().number(), other);
        }
        boolean opens = u.act().intents().stream().anyMatch(i -> i instanceof JointIntent.Open || i instanceof JointIntent.Find || i instanceof JointIntent.Try);
        return desk.submit(u.act()).thenApplyAsync(d -> {
            boolean taken = d instanceof Decision.Accepted;
            if (taken && opens) {
                shown.get().filter(w -> w.stage().ordinal() < Stage.OPEN.ordinal()).ifPresent(w -> desk.go(Stage.OPEN));
            }
            return taken;
        }, Platform::runLater);
    }

    private CompletableFuture<Boolean> refused(Said why) {
        desk.complain(Words.sentence(why));
        return CompletableFuture.completedFuture(false);
    }

    private CompletableFuture<Boolean> begin(Reading.Begins b) {
        if (b.sort().isEmpty() && Begun.ofShelf("", b.name(), desk.shelf()).isEmpty()) {
            return refused(Said.of("begin.model", "model", b.name()));
        }
        return desk.beginNext(number -> Begun.act(tag(number, b), b.complaints())).thenApplyAsync(d -> {
            boolean taken = d instanceof Decision.Accepted;
            if (taken) {
                begun.run();
            }
            return taken;
        }, Platform::runLater);
    }

    private Tag tag(String number, Reading.Begins b) {
        return b.sort().map(sort -> Begun.byName(number, b.name(), sort)).or(() -> Begun.ofShelf(number, b.name(), desk.shelf())).orElseThrow();
    }

    private CompletableFuture<Boolean> go(Stage stage) {
        if (shown.get().isEmpty()) {
            return refused(Said.of("ticket.none"));
        }
        desk.go(stage);
        return CompletableFuture.completedFuture(true);
    }

    private CompletableFuture<Boolean> ask(Reading.Question question) {
        Optional<Work> work = shown.get();
        if (work.isEmpty()) {
            return refused(Said.of("ticket.none"));
        }
        Optional<Joint> planned = work.get().nextToOpen();
        desk.complain(Words.sentence(switch (question) {
            case LEDGER -> work.get().ledger().said();
            case NEXT -> Next.of(work.get().state(), work.get().world(), work.get().stage(), planned, work.get().computed().rework());
        }));
        return CompletableFuture.completedFuture(true);
    }
}
