package stillglass.app.prove;

import java.io.File;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.checks.CheckList;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Devices;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Say;
import stillglass.app.desk.TypedReading;
import stillglass.app.desk.Work;
import stillglass.app.draw.ChartStrip;
import stillglass.app.look.PhotoCache;
import stillglass.app.look.PhotoPane;
import stillglass.app.station.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.log.Logbook;
import stillglass.book.report.LetterMaker;
import stillglass.book.report.PdfReport;
import stillglass.book.report.Report;
import stillglass.book.report.ReportMaker;
import stillglass.look.Progress;
import stillglass.prove.InfinityShims;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.TicketState;
import stillglass.ticket.glass.Photo;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What can be shown by figures, one of them at large, and the signed report.
public final class ProveView implements Station {
    private static final int MOST_WANTED = 2;

    private final Desk desk;
    private final Asker asker;
    private final PhotoCache cache;
    private final InfinityGauge gauge = new InfinityGauge();
    private final Label readings = Build.label("", "soft");
    private final VBox sum = Build.column(3);
    private final TextField stockField = new TextField();
    private final TextField infinityField;
    private final Button fit;
    private final PhotoPane before = new PhotoPane(PhotoPane.NONE);
    private final PhotoPane after = new PhotoPane(PhotoPane.NONE);
    private final Label veil = Build.label("", "medium");
    private final Label veilMeaning = Build.label("", "soft");
    private final Label ledger = Build.label("");
    private final CheckList checks;
    private final Label signed = Build.label("", "green", "strong");
    private final VBox wanted = Build.column(2);
    private final TextField name = new TextField();
    private final Label written = Build.label("", "soft", "small");
    private final FiguresPane figures;
    private final Node stockRow;
    private final VBox atInfinity;
    private final VBox atVeil;
    private final HBox photos;
    private final VBox byPhotos;
    private final VBox looked = Build.sheet("", "");
    private final HBox node;
    private List<Double> stock = InfinityShims.USUAL_STOCK;
    private Optional<ProveModel> drawn = Optional.empty();

    public ProveView(Desk desk, Asker asker, PhotoCache cache) {
        this.desk = desk;
        checks = new CheckList(desk, Phase.AFTER);
        this.asker = asker;
        this.cache = cache;
        Button read = Build.button(Words.of("prove.read"), "R", this::read);
        read.setId("read-after");
        shown(read, desk.devices() != Devices.NONE);
        infinityField = Build.field(Words.of("arrive.infinity.prompt"), this::typedInfinity);
        infinityField.setId("infinity-after");
        HBox.setHgrow(infinityField, Priority.ALWAYS);
        fit = Build.button(Words.of("prove.fit"), "S", this::fit, "next");
        fit.setId("fit-shims");
        stockField.setText(join(stock));
        stockField.setAccessibleText(Words.of("prove.stock"));
        stockField.setOnAction(e -> setStock(stockField.getText()));
        stockField.setId("stock");
        HBox.setHgrow(stockField, Priority.ALWAYS);
        desk.setting("shim stock").thenAcceptAsync(s -> s.ifPresent(this::setStock), Platform::runLater);
        stockRow = Build.head(8, 2, Build.line(Words.of("prove.stock"), "soft", "small"), stockField, fit);
        atInfinity = Build.column(3, gauge, Build.tall(Build.column(3, readings, sum)),
                stockRow, Build.head(8, 1, infinityField, read));
        VBox.setVgrow(atInfinity, Priority.ALWAYS);
        fit.setMinWidth(Region.USE_PREF_SIZE);
        read.setMinWidth(Region.USE_PREF_SIZE);
        photos = Build.pictures(8, framed(before, "prove.photo.before"), framed(after, "prove.photo.after"));
        VBox.setVgrow(photos, Priority.ALWAYS);
        Button photo = Build.button(Words.of("prove.photo"), "C", this::photograph);
        photo.setId("photo-after");
        atVeil = Build.column(6);
        VBox.setVgrow(atVeil, Priority.ALWAYS);
        byPhotos = Build.column(6, photos, veil, veilMeaning, Build.flowing(8, photo));
        VBox.setVgrow(byPhotos, Priority.ALWAYS);
        name.setPromptText(Words.of("prove.name"));
        name.setAccessibleText(Words.of("prove.name"));
        name.setId("signature");
        name.setOnAction(e -> sign());
        HBox.setHgrow(name, Priority.ALWAYS);
        Button sign = Build.button(Words.of("prove.sign"), "", this::sign);
        sign.setId("sign");
        Button pdf = Build.button(Words.of("prove.pdf"), "P", this::askPdf, "next");
        pdf.setId("write-pdf");
        Button letter = Build.button(Words.of("prove.letter"), "E", this::askLetter);
        letter.setId("write-letter");
        letter.setMinWidth(Region.USE_PREF_SIZE);
        VBox report = Build.sheet(Words.of("prove.report"), "", ledger, checks.node(), wanted, signed, Build.head(8, 1, name, sign), Build.flowing(8, pdf, letter), written);
        shown(written, false);
        sign.setMinWidth(Region.USE_PREF_SIZE);
        pdf.setMinWidth(Region.USE_PREF_SIZE);
        figures = new FiguresPane(desk, asker, () -> desk.shown().ifPresent(this::show));
        VBox list = Build.sheet(Words.of("figures.heading"), Words.of("figures.sub"), figures.list());
        node = Build.shared(16, List.of(list, looked, report), 0.95, 1.15, 1.2);
        node.getStyleClass().add("station");
        looked.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        looked.setOnDragDropped(e -> {
            figures.dropped(e.getDragboard().getFiles().stream().map(File::toPath).toList());
            e.setDropCompleted(true);
            e.consume();
        });
    }

    private static Node framed(PhotoPane pane, String key) {
        VBox.setVgrow(pane, Priority.ALWAYS);
        pane.setMinSize(0, 60);
        return Build.column(2, Build.line(Words.of(key), "soft", "small"), pane);
    }

    private static String join(List<Double> mm) {
        return String.join("  ", mm.stream().map(Words::number).toList());
    }

    private void setStock(String text) {
        List<Double> parsed = new ArrayList<>();
        for (String s : text.strip().split("[\\s;]+")) {
            try {
                double mm = Double.parseDouble(s.replace(',', '.'));
                if (!(mm > 0 && mm < 5)) {
                    throw new NumberFormatException();
                }
                parsed.add(mm);
            } catch (NumberFormatException e) {
                desk.complain(Words.of("prove.stock.bad", s));
                return;
            }
        }
        stock = parsed;
        stockField.setText(join(stock));
        desk.remember("shim stock", join(stock));
        desk.shown().ifPresent(this::show);
    }

    private static void shown(Node n, boolean visible) {
        n.setVisible(visible);
        n.setManaged(visible);
    }

    /// What is no length stays in the field, to be corrected.
    private void typedInfinity(String text) {
        if (!TypedReading.infinity(desk, Phase.AFTER, text)) {
            infinityField.setText(text);
        }
    }

    private void read() {
        desk.shown().ifPresent(w -> desk.devices().collimator(w).ifPresentOrElse(c -> desk.compute(c::read)
                .thenCompose(r -> desk.submit(new ReadingEvent.InfinityMeasured(Phase.AFTER, r.errorMm(), r.sigmaMm(), desk.devices().source()))), infinityField::requestFocus));
    }

    private void fit() {
        drawn.filter(m -> !m.stack().isEmpty()).ifPresent(m ->
                desk.submit(new JointIntent.FitShims(m.place(), m.stack())).thenRunAsync(this::read, Platform::runLater));
    }

    private void photograph() {
        desk.shown().ifPresent(w -> desk.devices().camera(w, Phase.AFTER, false).or(() -> asker.photo().map(PhotoTaking::file))
                .ifPresent(camera -> PhotoTaking.take(desk, w, camera, Phase.AFTER, false, Words.of("prove.caption"), Progress.SILENT)));
    }

    private void sign() {
        String by = name.getText().strip();
        int colon = by.indexOf(':');
        // What is still wanted can be overruled with a reason: "M. Rook: no collimator here".
        desk.submit(colon < 0 ? new ProofIntent.Sign(by, desk.clock().instant(), Optional.empty())
                : new ProofIntent.Sign(by.substring(0, colon).strip(), desk.clock().instant(), Optional.of(by.substring(colon + 1).strip())));
    }

    private void askPdf() {
        desk.shown().flatMap(w -> asker.report(w.state().tag().number() + "-report.pdf")).ifPresent(this::writePdf);
    }

    private void askLetter() {
        desk.shown().flatMap(w -> asker.report(w.state().tag().number() + "-letter.pdf")).ifPresent(this::writeLetter);
    }

    /// Sets and writes the report away from the interface thread.
    public CompletableFuture<Void> writePdf(Path file) {
        return desk.shown().map(w -> pictures(w.state()).thenCompose(all -> set(() -> ReportMaker.of(w.state(), w.world(), desk.shelf(), ZoneId.systemDefault()), all, file)))
                .orElseGet(() -> CompletableFuture.completedFuture(null));
    }

    private CompletableFuture<Void> writeLetter(Path file) {
        return desk.shown().map(w -> set(() -> LetterMaker.of(w.state(), w.world(), ZoneId.systemDefault()), List.of(), file)).orElseGet(() -> CompletableFuture.completedFuture(null));
    }

    private CompletableFuture<Void> set(Supplier<Report> made, List<Logbook.PhotoBytes> photos, Path file) {
        return desk.compute(() -> {
            PdfReport.write(made.get(), id -> photos.stream().filter(p -> p.photoId().equals(id)).findFirst(), file);
            return file;
        }).thenAcceptAsync(f -> {
            shown(written, true);
            written.setText(Words.of("prove.written", f.toAbsolutePath()));
        }, Platform::runLater);
    }

    private CompletableFuture<List<Logbook.PhotoBytes>> pictures(TicketState state) {
        CompletableFuture<List<Logbook.PhotoBytes>> all = CompletableFuture.completedFuture(List.of());
        for (Photo p : state.glass().all()) {
            all = all.thenCombine(desk.photo(state.tag().number(), p.id()), (list, one) -> {
                List<Logbook.PhotoBytes> longer = new ArrayList<>(list);
                one.ifPresent(longer::add);
                return longer;
            });
        }
        return all;
    }

    @Override
    public Stage stage() {
        return Stage.PROVE;
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void show(Work work) {
        checks.show(work);
        figures.show(work);
        look();
        ProveModel m = ProveModel.of(work, stock);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        gauge.show(m);
        readings.setText(Words.of("prove.readings", m.before().map(ProveModel.Reading::text).orElse(Words.of("prove.notyet")),
                m.after().map(ProveModel.Reading::text).orElse(Words.of("prove.notyet")))
                + m.hidden().map(h -> " " + Words.of("prove.hidden", h.mm(), h.fNumber())).orElse(""));
        sum.getChildren().setAll(m.sum().stream().map(s -> (Node) Build.label(s)).toList());
        if (!m.charts().isEmpty()) {
            sum.getChildren().addFirst(ChartStrip.of(m.charts()));
        }
        // Shims are of use once infinity was read and nothing else is to blame.
        shown(stockRow, (m.before().isPresent() || m.after().isPresent()) && m.cause().isEmpty());
        fit.setDisable(m.stack().isEmpty());
        veil.setText(m.veil().orElse(Words.of("prove.veil.missing")));
        veilMeaning.setText(m.veilMeaning());
        ledger.setText(Words.of("prove.ledger", m.ledger()));
        ledger.getStyleClass().removeAll("danger", "green");
        ledger.getStyleClass().add(m.ledgerZero() ? "green" : "danger");
        shown(signed, m.signed().isPresent());
        signed.setText(m.signed().map(by -> Words.of("prove.signed", by)).orElse(""));
        wanted.getChildren().setAll(m.withdrawn().stream().map(l -> (Node) Build.label(l, "danger", "small")).toList());
        if (m.signed().isEmpty() && !m.wanted().isEmpty()) {
            int more = m.wanted().size() - MOST_WANTED;
            String some = String.join("; ", m.wanted().subList(0, Math.min(MOST_WANTED, m.wanted().size()))) + (more > 0 ? Words.of("prove.wanted.more", more) : "");
            wanted.getChildren().add(Build.label(Words.of("prove.wanted", some), "soft", "small"));
        }
        photo(m.photoBefore(), before, work, m);
        photo(m.photoAfter(), after, work, m);
        boolean compared = m.photoBefore().isPresent() || m.photoAfter().isPresent();
        shown(photos, compared);
        shown(veilMeaning, compared);
        VBox.setVgrow(byPhotos, compared ? Priority.ALWAYS : Priority.NEVER);
    }

    /// Infinity and veil have drawings of their own.
    private void look() {
        boolean ofVeil = figures.chosen().filter(q -> q == Quantity.VEIL).isPresent();
        if (ofVeil && !atVeil.getChildren().contains(figures.detail())) {
            // The figures of a black patch stand over the two photos against the light: one node cannot hang in two places.
            atVeil.getChildren().setAll(figures.detail(), byPhotos);
        }
        Node detail = figures.chosen().filter(q -> q == Quantity.INFINITY).isPresent() ? atInfinity : ofVeil ? atVeil : figures.detail();
        if (looked.getChildren().size() != 2 || looked.getChildren().get(1) != detail) {
            looked.getChildren().setAll(figures.title(), detail);
        }
    }

    private void photo(Optional<String> id, PhotoPane into, Work work, ProveModel m) {
        shown(into.getParent(), id.isPresent());
        id.ifPresent(p -> cache.load(work.state().tag().number(), p).thenAccept(loaded ->
                drawn.filter(m::equals).ifPresent(same -> into.show(loaded, Optional.empty(), List.of()))));
    }

    @Override
    public Say say(Work work) {
        return ProveModel.of(work, stock).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        switch (event.getCode()) {
            case R -> {
                if (figures.chosen().filter(q -> q != Quantity.INFINITY).isEmpty() || !figures.readDevice()) {
                    read();
                }
            }
            case ESCAPE -> {
                return figures.stop();
            }
            case H -> figures.askChart();
            case S -> fit();
            case C -> photograph();
            case P -> askPdf();
            case E -> askLetter();
            case L -> figures.askFiles();
            case F -> figures.move(event.isShiftDown() ? -1 : 1);
            default -> {
                return checks.key(event);
            }
        }
        return true;
    }
}
