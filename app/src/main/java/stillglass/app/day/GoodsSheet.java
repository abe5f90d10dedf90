package stillglass.app.day;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.ShopCare;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.care.Good;
import stillglass.care.Goods;

/// The greases and agents there are, how much of each went, what there is none of, and what need not be told again.
final class GoodsSheet {
    /// What is done with what is said here.
    interface Keeper {
        void keep(Goods goods);

        /// There is some of an agent again.
        void thereIs(String agent);

        /// Every habit of the hand is told again.
        void tellAgain();
    }

    /// What a thread of a usual lens takes, to tell what a grease costs a time.
    private static final double USUAL_MG = 100;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private final Keeper keeper;
    private final TextField field = new TextField();
    private final Label wrong = Build.label("", "danger");
    private final VBox rows = Build.column(6);
    private final VBox none = Build.column(4);
    private final VBox node;
    private Goods goods = Goods.NONE;

    GoodsSheet(Keeper keeper, Runnable away) {
        this.keeper = keeper;
        field.setId("goods-line");
        field.setPromptText(Words.of("goods.prompt"));
        field.setAccessibleText(Words.of("goods.heading"));
        field.setOnAction(e -> read());
        wrong.setId("goods-wrong");
        rows.setId("goods");
        node = Build.sheet(Words.of("goods.heading"), Words.of("goods.sub"), field, wrong, Build.tall(Build.column(14, rows, none)),
                Build.row(12, Build.button(Words.of("goods.add"), "Enter", this::read, "primary"), Build.button(Words.of("goods.away"), "Esc", away)));
        node.setId("goods-sheet");
        node.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                away.run();
                e.consume();
            }
        });
    }

    VBox node() {
        return node;
    }

    void show(ShopCare.State shown, LocalDate today) {
        goods = new Goods(shown.went().stream().map(Goods.Went::good).toList());
        wrong.setText("");
        List<Node> all = new ArrayList<>();
        shown.went().forEach(w -> all.add(row(w, today)));
        if (all.isEmpty()) {
            all.add(Build.label(Words.of("goods.none"), "soft"));
        }
        rows.getChildren().setAll(all);
        List<Node> more = new ArrayList<>();
        if (!shown.lacking().isEmpty()) {
            FlowPane chips = Build.flowing(8, Build.line(Words.of("goods.lacking"), "soft"));
            shown.lacking().forEach(l -> chips.getChildren().add(chip(Words.of("goods.there", l.name()), "there-" + l.id(), () -> keeper.thereIs(l.id()))));
            more.add(chips);
        }
        if (!shown.known().isEmpty()) {
            more.add(Build.flowing(8, Build.line(Words.of("goods.known", shown.known().size()), "soft"), chip(Words.of("goods.known.again"), "tell-again", keeper::tellAgain)));
        }
        none.getChildren().setAll(more);
        field.requestFocus();
    }

    private static Button chip(String text, String id, Runnable act) {
        Button b = Build.button(text, "", act, "chip");
        b.setId(id);
        b.setMinWidth(Button.USE_PREF_SIZE);
        return b;
    }

    private Node row(Goods.Went w, LocalDate today) {
        Good g = w.good();
        List<String> said = new ArrayList<>();
        g.amount().ifPresent(a -> said.add(Words.of(g.grease() ? "goods.g" : "goods.ml", a)));
        g.cost().ifPresent(c -> said.add(Words.of("goods.cost", c)));
        g.bought().ifPresent(d -> said.add(Words.of("goods.bought", DAY.format(d), Math.max(0, ChronoUnit.MONTHS.between(d, today)))));
        said.add(Words.of("goods.uses", w.uses()));
        w.left().ifPresent(l -> said.add(Words.of(w.unweighed() > 0 ? "goods.left.most" : "goods.left", 100 * l)));
        Optional<Double> thread = g.grease() ? g.unitCost().map(c -> c * USUAL_MG / 1000) : Optional.empty();
        thread.ifPresent(c -> said.add(Words.of("goods.thread", c, USUAL_MG)));
        String id = g.called().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        Label name = Build.line(Words.capital(g.called()), "medium");
        name.setId("good-" + id);
        return Build.head(10, 2, name, Build.label(String.join(" · ", said), "soft"), chip(Words.of("goods.gone"), "gone-" + id, () -> keeper.keep(goods.without(g.called()))));
    }

    private void read() {
        if (field.getText().isBlank()) {
            return;
        }
        try {
            keeper.keep(goods.with(Good.parse(field.getText())));
            field.clear();
        } catch (IllegalArgumentException cannot) {
            wrong.setText(Words.capital(String.valueOf(cannot.getMessage())) + ".");
        }
    }
}
