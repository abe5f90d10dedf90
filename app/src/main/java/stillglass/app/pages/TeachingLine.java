package stillglass.app.pages;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Corrections;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.look.ShopTeaching;

/// What the shop's corrections bring, whether they are used, and the photos with labels; nothing while nothing was judged.
final class TeachingLine {
    private final Desk desk;
    private final Asker asker;
    private final Label help = Build.label("", "soft", "small");
    private final Button use = Build.button("", "", this::turn, "chip");
    private final Button export;
    private final FlowPane node;
    private Optional<AtomicBoolean> writing = Optional.empty();
    private boolean used = true;

    TeachingLine(Desk desk, Asker asker) {
        this.desk = desk;
        this.asker = asker;
        use.setId("corrections-use");
        export = Build.button(Words.of("book.taught.export"), "", this::exportOrStop, "chip");
        export.setId("corrections-export");
        node = Build.flowing(8, help, use, export);
        node.setId("corrections");
        help.maxWidthProperty().bind(node.widthProperty());
        show(new Corrections.State(ShopTeaching.NONE.help(), ShopTeaching.NONE.severityHelp(), true));
    }

    Node node() {
        return node;
    }

    void refresh() {
        desk.corrections().state().thenAcceptAsync(this::show, Platform::runLater);
    }

    private void show(Corrections.State s) {
        used = s.used();
        boolean any = s.help().findings() > 0;
        node.setVisible(any);
        node.setManaged(any);
        help.setText(any ? words(s) : "");
        use.setText(Words.of(s.used() ? "book.taught.leave" : "book.taught.use"));
        boolean choice = s.worth() || !s.used();
        use.setVisible(choice);
        use.setManaged(choice);
    }

    private static String words(ShopTeaching.Help h, boolean used) {
        return h.findings() < ShopTeaching.LEAST ? Words.of("book.taught.few", h.findings(), ShopTeaching.LEAST)
                : Words.of(!h.worth() ? "book.taught.nothing" : used ? "book.taught.used" : "book.taught.left", 100 * h.before(), 100 * h.after(), h.findings());
    }

    static String words(Corrections.State s) {
        String severity = s.severity().findings() < ShopTeaching.LEAST ? "" : " " + Words.of(!s.severity().worth() ? "book.taught.severity.nothing" : s.used() ? "book.taught.severity.used" : "book.taught.severity.left",
                100 * s.severity().before(), 100 * s.severity().after(), s.severity().findings());
        return words(s.help(), s.used()) + severity;
    }

    private void turn() {
        desk.corrections().use(!used).thenRunAsync(this::refresh, Platform::runLater);
    }

    private void exportOrStop() {
        writing.ifPresentOrElse(w -> w.set(true), () -> asker.folder().ifPresent(this::export));
    }

    /// While photos are being written the button stops it.
    private void export(Path folder) {
        AtomicBoolean stopped = new AtomicBoolean();
        writing = Optional.of(stopped);
        export.setText(Words.of("book.taught.stop"));
        desk.keeping(desk.corrections().export(folder, (share, ticket) -> {
            if (stopped.get()) {
                throw new CancellationException();
            }
            desk.say(Words.of("book.taught.writing", 100 * share, ticket));
        })).whenCompleteAsync((w, wrong) -> {
            writing = Optional.empty();
            export.setText(Words.of("book.taught.export"));
            if (w != null) {
                desk.say(Words.of("book.taught.exported", w.photos(), w.findings(), String.valueOf(folder.getFileName()), w.missing()));
            } else if (stopped.get()) {
                desk.say(Words.of("book.taught.stopped", String.valueOf(folder.getFileName())));
            }
        }, Platform::runLater);
    }
}
