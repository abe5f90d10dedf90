package stillglass.app.pages;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.station.Page;
import stillglass.app.theme.Build;
import stillglass.app.theme.DueDay;
import stillglass.app.theme.Words;
import stillglass.look.FindingKind;
import stillglass.ticket.proof.NamedGlass;
import stillglass.ticket.Agreement;
import stillglass.ticket.arrival.ArrivalEvent;

/// All tickets, and how a new one begins.
public final class BookPage implements Page {
    private static final int ON_THE_LINE = 60;

    private final Desk desk;
    private final Runnable opened;
    private final Runnable listed;
    private final Label summary = Build.line("", "soft");
    private final Label notes = Build.label("", "danger", "small");
    private final Label agreement = Build.label("", "soft", "small");
    private final TeachingLine teaching;
    private final TextField search = new TextField();
    private final TicketList tickets;
    private final DueLine dueLine = new DueLine();
    private final BeginSheet begin;
    private final HBox ledgerAndShelf;
    private final MeasurePage measure;
    private final StackPane node = new StackPane();
    private Optional<Desk.Summary> read = Optional.empty();

    /// @param opened goes to the ticket that was opened
    /// @param listed hears that the book was read
    /// @param day shows the day
    /// @param connect connects a caliper
    public BookPage(Desk desk, Asker asker, Runnable opened, Runnable listed, Runnable day, Consumer<Path> watch, Consumer<String> connect) {
        this.desk = desk;
        teaching = new TeachingLine(desk, asker);
        this.opened = opened;
        this.listed = listed;
        search.setPromptText(Words.of("book.search"));
        search.setAccessibleText(Words.of("book.search"));
        search.setId("search");
        search.setPrefColumnCount(18);
        search.textProperty().addListener((of, before, now) -> list());
        tickets = new TicketList(desk, this::open);
        VBox.setVgrow(tickets, Priority.ALWAYS);
        begin = new BeginSheet(desk, asker, this::begun, () -> measuring(true), watch, connect);
        measure = new MeasurePage(desk, begin::begin, () -> measuring(false));
        notes.setId("book-notes");
        Button toDay = Build.button(Words.of("book.day"), "Ctrl D", day);
        toDay.setId("to-day");
        notes.managedProperty().bind(notes.visibleProperty());
        tellNotes();
        VBox ledger = Build.column(10, Build.head(14, 2, Build.line(Words.of("book.heading"), "heading"), summary, toDay, search), notes, tickets, agreement, teaching.node(), dueLine);
        ledgerAndShelf = Build.shared(20, List.of(ledger, begin.node()), 1.9, 1);
        ledgerAndShelf.getStyleClass().addAll("station", "book");
        node.getChildren().setAll(ledgerAndShelf);
        node.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        node.setOnDragDropped(e -> {
            e.getDragboard().getFiles().stream().findFirst().ifPresent(f -> beginFrom(f.toPath()));
            e.setDropCompleted(true);
            e.consume();
        });
    }

    private void tellNotes() {
        notes.setText(String.join(" ", desk.notes()));
        notes.setVisible(!desk.notes().isEmpty());
    }

    private void open(String number) {
        desk.open(number).thenRunAsync(opened, Platform::runLater);
    }

    private void begun() {
        node.getChildren().setAll(ledgerAndShelf);
        opened.run();
    }

    /// Begins a ticket from a lens section file.
    public void beginFrom(Path file) {
        begin.beginFrom(file);
    }

    @Override
    public Node node() {
        return node;
    }

    /// Measures or guesses the optics of the ticket that is open.
    public void measureOptics() {
        desk.shown().ifPresent(w -> measure.forTicket(w.state().tag().number(), w.state().tag().title(), NamedGlass.out(w.state().joints(), w.instrument()), (id, name) -> {
            desk.submit(new ArrivalEvent.SectionKnown(id));
            begun();
        }, this::begun));
        node.getChildren().setAll(measure.node());
    }

    private void measuring(boolean on) {
        node.getChildren().setAll(on ? measure.node() : ledgerAndShelf);
        listed.run();
    }

    private boolean measuring() {
        return node.getChildren().getFirst() == measure.node();
    }

    @Override
    public void refresh() {
        tellNotes();
        desk.summary(ON_THE_LINE).thenAcceptAsync(s -> {
            read = Optional.of(s);
            list();
            summary.setText(summaryWords(s));
            agreement.setText(agreementWords(s.agreement()));
            teaching.refresh();
            dueLine.show(s.due(), desk.today());
            begin.show();
            listed.run();
        }, Platform::runLater);
    }

    private String summaryWords(Desk.Summary s) {
        if (s.counts().tickets() == 0) {
            return "";
        }
        String count = Words.of("book.tickets", s.counts().tickets());
        return s.counts().nextDue().map(d -> Words.of("book.summary", count, s.counts().signed(), DueDay.words(LocalDate.parse(d), desk.today())))
                .orElse(Words.of("book.summary.undated", count, s.counts().signed()));
    }

    /// How often the technician left what was computed, and where most often not.
    static String agreementWords(Agreement a) {
        if (a.findings() == 0) {
            return Words.of("book.agree.none");
        }
        String differ = String.join(", ", a.differences().stream().limit(3).map(d -> Words.of("book.agree.differ", d.computed().word().replace('-', ' '),
                d.technician() == FindingKind.UNKNOWN ? Words.of("book.agree.nothing") : d.technician().word().replace('-', ' '), d.times())).toList());
        return Words.of("book.agree", a.same(), a.findings(), Double.isNaN(a.kappa()) ? "" : Words.of("book.agree.kappa", a.kappa()))
                + (differ.isEmpty() ? "" : " " + Words.of("book.agree.where", differ))
                + (a.missed() == 0 ? "" : " " + Words.of("book.agree.missed", a.missed()))
                + (a.gradesOverruled() == 0 ? "" : " " + Words.of("book.agree.grades", a.gradesOverruled()));
    }

    private void list() {
        String wanted = search.getText().strip();
        if (wanted.isEmpty()) {
            tickets.show(read.map(s -> s.counts().tickets()).orElse(0), Words.of(read.isPresent() ? "book.empty" : "book.loading"));
        } else {
            tickets.find(wanted);
        }
    }

    @Override
    public Say say() {
        if (measuring()) {
            return new Say(Words.of("measure.say"), Words.of("measure.keys"));
        }
        if (read.isEmpty()) {
            return new Say(Words.of("book.loading"), Words.of("book.keys"));
        }
        boolean empty = read.filter(s -> s.counts().tickets() > 0).isEmpty();
        return new Say(Words.of(empty ? "book.say.empty" : "book.say"), Words.of("book.keys"));
    }

    @Override
    public boolean key(KeyEvent event) {
        if (event.getCode() == KeyCode.ESCAPE && measuring()) {
            measure.leave();
            return true;
        }
        return false;
    }
}
