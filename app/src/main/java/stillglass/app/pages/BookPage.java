package stillglass.app.pages;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.TicketCard;
import stillglass.app.draw.Silhouette;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.BadInput;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.ticket.Agreement;
import stillglass.ticket.Intent;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;

/// All tickets, and the shelf from which a new one begins.
public final class BookPage {
    private static final DateTimeFormatter DUE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final int USUAL_DAYS = 21;
    private static final long MOST_LENS_BYTES = 2_000_000;

    private final Desk desk;
    private final Asker asker;
    private final Runnable opened;
    private final Runnable listed;
    private final javafx.scene.control.Label summary = Build.line("", "soft");
    private final javafx.scene.control.Label agreement = Build.label("", "soft", "small");
    private final VBox tickets = Build.column(7);
    private final VBox shelf = Build.column(7);
    private final TextField search = new TextField();
    private final DueLine dueLine = new DueLine();
    private final HBox ledgerAndShelf;
    private final MeasurePage measure;
    private final StackPane node = new StackPane();
    private Desk.Listing listing = new Desk.Listing(List.of(), "T-0101", Agreement.of(List.of()));

    /// @param opened goes to the ticket that was opened
    /// @param listed hears that the book was read
    public BookPage(Desk desk, Asker asker, Runnable opened, Runnable listed) {
        this.desk = desk;
        this.asker = asker;
        this.opened = opened;
        this.listed = listed;
        search.setPromptText(Words.of("book.search"));
        search.setAccessibleText(Words.of("book.search"));
        search.setId("search");
        search.setPrefColumnCount(18);
        search.textProperty().subscribe(t -> list());
        measure = new MeasurePage(desk, this::begin, () -> measuring(false));
        Button bench = Build.button(Words.of("book.measure"), "", () -> measuring(true));
        bench.setId("new-measured");
        Button file = Build.button(Words.of("book.file"), "", this::fromFile);
        file.setId("new-from-file");
        VBox ledger = Build.column(10, Build.row(14, Build.line(Words.of("book.heading"), "heading"), summary, Build.spring(), search), Build.tall(tickets), agreement, dueLine);
        VBox plates = Build.column(10, Build.line(Words.of("book.shelf"), "heading"), Build.label(Words.of("book.shelf.how"), "soft"), Build.tall(shelf), Build.row(8, file, bench));
        plates.getStyleClass().add("mat");
        ledgerAndShelf = Build.shared(20, List.of(ledger, plates), 1.9, 1);
        ledgerAndShelf.getStyleClass().addAll("station", "book");
        node.getChildren().setAll(ledgerAndShelf);
        node.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(javafx.scene.input.TransferMode.COPY);
            }
            e.consume();
        });
        node.setOnDragDropped(e -> {
            e.getDragboard().getFiles().stream().findFirst().ifPresent(f -> beginFrom(f.toPath()));
            e.setDropCompleted(true);
            e.consume();
        });
    }

    public Node node() {
        return node;
    }

    /// Shows the sheet on which a section is made, or the tickets again.
    public void measuring(boolean on) {
        node.getChildren().setAll(on ? measure.node() : ledgerAndShelf);
        listed.run();
    }

    /// Whether a section is being made.
    public boolean measuring() {
        return node.getChildren().getFirst() == measure.node();
    }

    /// Reads the book anew.
    public void refresh() {
        node.getChildren().setAll(ledgerAndShelf);
        desk.listing().thenAcceptAsync(l -> {
            listing = l;
            list();
            agreement.setText(agreementWords(l.agreement()));
            dueLine.show(l.tickets(), today());
            plates();
            listed.run();
        }, Platform::runLater);
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
                + (a.missed() == 0 ? "" : " " + Words.count("book.agree.missed", a.missed()))
                + (a.gradesOverruled() == 0 ? "" : " " + Words.count("book.agree.grades", a.gradesOverruled()));
    }

    public int count() {
        return listing.tickets().size();
    }

    private void list() {
        String wanted = search.getText().strip().toLowerCase(Locale.ROOT);
        List<Node> rows = new ArrayList<>();
        listing.tickets().stream()
                .filter(c -> (c.number() + " " + c.title() + " " + c.owner() + " " + c.line()).toLowerCase(Locale.ROOT).contains(wanted))
                .sorted(Comparator.comparing(TicketCard::signed).thenComparing(TicketCard::due))
                .forEach(c -> rows.add(row(c)));
        if (listing.tickets().isEmpty()) {
            rows.add(Build.label(Words.of("book.empty"), "heading"));
            rows.add(Build.label(Words.of("book.empty.how"), "large"));
        } else if (rows.isEmpty()) {
            rows.add(Build.label(Words.of("book.nothing", search.getText()), "large"));
        }
        summary.setText(listing.tickets().stream().filter(c -> !c.signed()).map(TicketCard::due).min(LocalDate::compareTo)
                .map(due -> Words.of("book.summary", Words.count("book.tickets", listing.tickets().size()),
                        listing.tickets().stream().filter(TicketCard::signed).count(), DUE.format(due)))
                .orElse(""));
        tickets.getChildren().setAll(rows);
    }

    private Node row(TicketCard c) {
        HBox beads = Build.row(7);
        for (Stage s : Stage.values()) {
            javafx.scene.shape.Path lens = Silhouette.ofStage(s.ordinal(), 20);
            lens.getStyleClass().add(c.done().contains(s) ? "bead-lens-done" : s.ordinal() <= c.stage().ordinal() ? "bead-lens-open" : "bead-lens-hollow");
            beads.getChildren().add(lens);
        }
        VBox words = Build.column(1, Build.label(c.number() + "  " + c.title(), "subheading"), Build.label(c.owner(), "soft", "small"));
        words.setPrefWidth(260);
        VBox what = Build.column(1, Build.label(Words.capital(c.line()), "medium"), Build.label(
                Words.of(c.signed() ? "book.signed" : "book.stands", c.stage().word(), DUE.format(c.due())), "soft", "small"));
        what.setPrefWidth(240);
        HBox.setHgrow(what, Priority.ALWAYS);
        LensPlate plate = new LensPlate(desk.shelf().section(c.sectionId()));
        plate.setPrefSize(132, 66);
        plate.setMinSize(132, 66);
        Button b = Build.button("", "", () -> desk.open(c.number()).thenRunAsync(opened, Platform::runLater), "book-row");
        HBox inside = Build.row(18, plate, words, what, beads);
        b.setGraphic(inside);
        b.setMaxWidth(Double.MAX_VALUE);
        inside.prefWidthProperty().bind(b.widthProperty().subtract(26));
        b.setId("ticket-" + c.number());
        b.setAccessibleText(c.number() + ", " + c.title() + ", " + c.owner() + ", " + c.line() + ", " + c.stage().word());
        return b;
    }

    private void plates() {
        List<Node> plates = new ArrayList<>();
        for (String id : desk.shelf().sectionIds()) {
            LensSection section = desk.shelf().section(id);
            Optional<String> mapped = desk.shelf().mappedFor(id);
            LensPlate plate = new LensPlate(section);
            plate.setPrefSize(110, 52);
            plate.setMinWidth(110);
            String title = mapped.map(m -> desk.shelf().instrument(m).name()).orElse(section.name());
            HBox inside = Build.row(14, plate, Build.column(1, Build.line(title, "medium"), Build.line(Words.of(mapped.isPresent() ? "book.mapped" : "book.unmapped"), "soft", "small")));
            Button b = Build.button("", "", () -> begin(id, title), "book-row");
            b.setGraphic(inside);
            b.setMaxWidth(Double.MAX_VALUE);
            b.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            b.setId("new-" + id);
            b.setAccessibleText(Words.of("book.new.spoken", title));
            plates.add(b);
        }
        shelf.getChildren().setAll(plates);
    }

    private LocalDate today() {
        return desk.clock().instant().atZone(ZoneId.systemDefault()).toLocalDate();
    }

    private void begin(String sectionId, String title) {
        String instrument = desk.shelf().mappedFor(sectionId).orElse(sectionId);
        LocalDate due = today().plusDays(USUAL_DAYS);
        desk.begin(new Intent.Begin(new TicketEvent.Opened(listing.nextNumber(), title, instrument, sectionId, Words.of("book.newowner"), due), List.of()))
                .thenRunAsync(opened, Platform::runLater);
    }

    private void fromFile() {
        asker.lens().ifPresent(this::beginFrom);
    }

    /// Begins a ticket from a lens section file.
    public void beginFrom(Path file) {
        String name = String.valueOf(file.getFileName());
        desk.compute(() -> read(file, name))
                .thenCompose(json -> desk.keepSection(name, json))
                .thenAcceptAsync(id -> begin(id, desk.shelf().section(id).name()), Platform::runLater);
    }

    private static String read(Path file, String name) {
        try {
            if (Files.size(file) > MOST_LENS_BYTES) {
                throw new BadInput(name, "file", "is larger than 2 MB: this is no lens section");
            }
            return Files.readString(file);
        } catch (java.nio.file.NoSuchFileException e) {
            throw new BadInput(name, "file", "there is no such file: check the path " + file);
        } catch (java.nio.charset.CharacterCodingException e) {
            throw new BadInput(name, "file", "is not UTF-8 text: save it as plain JSON");
        } catch (java.io.IOException e) {
            throw new BadInput(name, "file", "cannot be read: " + e.getMessage());
        }
    }
}
