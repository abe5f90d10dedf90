package stillglass.app.pages;

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
    private final FlowPane node;
    private boolean used = true;

    TeachingLine(Desk desk, Asker asker) {
        this.desk = desk;
        this.asker = asker;
        use.setId("corrections-use");
        Button export = Build.button(Words.of("book.taught.export"), "", this::export, "chip");
        export.setId("corrections-export");
        node = Build.flowing(8, help, use, export);
        node.setId("corrections");
        help.maxWidthProperty().bind(node.widthProperty());
        show(new Corrections.State(ShopTeaching.NONE.help(), true));
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
        help.setText(any ? words(s.help(), s.used()) : "");
        use.setText(Words.of(s.used() ? "book.taught.leave" : "book.taught.use"));
        boolean choice = s.help().worth() || !s.used();
        use.setVisible(choice);
        use.setManaged(choice);
    }

    static String words(ShopTeaching.Help h, boolean used) {
        return h.findings() < ShopTeaching.LEAST ? Words.of("book.taught.few", h.findings(), ShopTeaching.LEAST)
                : Words.of(!h.worth() ? "book.taught.nothing" : used ? "book.taught.used" : "book.taught.left", 100 * h.before(), 100 * h.after(), h.findings());
    }

    private void turn() {
        desk.corrections().use(!used).thenRunAsync(this::refresh, Platform::runLater);
    }

    private void export() {
        asker.folder().ifPresent(f -> desk.keeping(desk.corrections().export(f, (share, ticket) -> desk.say(Words.of("book.taught.writing", 100 * share, ticket))))
                .thenAcceptAsync(w -> desk.say(Words.of("book.taught.exported", w.photos(), w.findings(), String.valueOf(f.getFileName()), w.missing())), Platform::runLater));
    }
}
